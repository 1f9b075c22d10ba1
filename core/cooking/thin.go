package cooking

import (
	"container/heap"
	"math"
	"slices"
	"time"
)

// Thin gives which of a probe's readings, by index and in their order, stand for all of them: most of them, which is at
// least 3, or fewer. The first, the last and the hottest are among them: by the hottest one may tell later whether a piece
// was done. Readings are in the order of their time, in degrees Celsius.
//
// To these it adds, again and again, the reading that lies furthest, in degrees, from the line between its neighbours: the rule of
// Douglas and Peucker ("Algorithms for the reduction of the number of points required to represent a digitized line or its
// caricature", Cartographica 10, 1973), stopped by the count instead of by a tolerance. Peaks and turns are among the first
// to be added.
func Thin(all []Reading, most int) []int {
	n := len(all)
	if n <= most {
		out := make([]int, n)
		for i := range out {
			out[i] = i
		}
		return out
	}
	hottest := 0
	for i := range all {
		if all[i].Celsius > all[hottest].Celsius {
			hottest = i
		}
	}
	out, spans := slices.Compact([]int{0, hottest, n - 1}), &stretches{}
	add := func(from, to int) {
		if to > from+1 {
			heap.Push(spans, furthest(all, from, to))
		}
	}
	for i := 1; i < len(out); i++ {
		add(out[i-1], out[i])
	}
	for len(out) < most && spans.Len() > 0 {
		s := heap.Pop(spans).(stretch)
		if s.off == 0 {
			break // the rest lies on the lines
		}
		out = append(out, s.at)
		add(s.from, s.at)
		add(s.at, s.to)
	}
	slices.Sort(out)
	return out
}

// onLine is the temperature at a moment on the line between two readings, degrees Celsius.
func onLine(a, b *Reading, at time.Time) float64 {
	span := b.At.Sub(a.At)
	if span <= 0 {
		return a.Celsius
	}
	return a.Celsius + (b.Celsius-a.Celsius)*float64(at.Sub(a.At))/float64(span)
}

// stretch lies between two readings that were chosen, with the one within that is furthest off their line.
type stretch struct {
	from, to, at int
	off          float64
}

func furthest(all []Reading, from, to int) stretch {
	s := stretch{from: from, to: to}
	for i := from + 1; i < to; i++ {
		if off := math.Abs(all[i].Celsius - onLine(&all[from], &all[to], all[i].At)); off > s.off || s.at == 0 {
			s.at, s.off = i, off
		}
	}
	return s
}

// stretches is a heap with the one on top that is furthest off.
type stretches []stretch

func (s stretches) Len() int           { return len(s) }
func (s stretches) Less(i, j int) bool { return s[i].off > s[j].off }
func (s stretches) Swap(i, j int)      { s[i], s[j] = s[j], s[i] }
func (s *stretches) Push(x any)        { *s = append(*s, x.(stretch)) }
func (s *stretches) Pop() any {
	last := (*s)[len(*s)-1]
	*s = (*s)[:len(*s)-1]
	return last
}
