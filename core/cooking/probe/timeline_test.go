package probe_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/cooking/probe"
	"cuerda/core/lawtest"
)

// drawHappenings are readings that rise, with a turn and a probe that is put in anew among them, in the order
// of their time.
func drawHappenings(t *rapid.T) (out []probe.Happening) {
	minutes := 0.
	for i := range rapid.IntRange(1, 60).Draw(t, "happenings") {
		minutes += rapid.Float64Range(0.05, 1).Draw(t, "minutes")
		h := probe.Happening{Reading: probe.Reading{Minutes: minutes}}
		switch rapid.IntRange(0, 14).Draw(t, "what") {
		case 0:
			h.Did = probe.TurnedIt
		case 1:
			h.Did = probe.PlacedIt
		case 2:
			h.Where, h.Celsius = probe.Oven, rapid.Float64Range(170, 200).Draw(t, "oven")
		default:
			h.Where, h.Celsius = probe.Core, 8+float64(i)+rapid.Float64Range(-1, 1).Draw(t, "noise")
		}
		out = append(out, h)
	}
	return out
}

func newTimeline(n int) *probe.Timeline {
	return probe.NewTimeline(func() *probe.Follow { return probe.New(pieces[n], from(8), probe.Usual()) })
}

// Readings and deeds are told in a random order, with looks in between. In the end the piece is followed as if everything
// had been told in the order in which it happened.
func TestWhatComesLateCountsAsIfItHadComeInTime(t *testing.T) {
	left := lawtest.Draws(15, 100)
	rapid.Check(t, func(t *rapid.T) {
		if left--; left < 0 {
			return
		}
		n := rapid.IntRange(1, 2).Draw(t, "piece")
		all := drawHappenings(t)
		last := all[len(all)-1].Minutes
		inOrder := newTimeline(n)
		took := inOrder.Take(all)
		require.Len(t, took, len(all))

		late := newTimeline(n)
		var known []probe.Happening
		for _, h := range rapid.Permutation(all).Draw(t, "order") {
			at, _ := slices.BinarySearchFunc(known, h, func(a, b probe.Happening) int {
				if a.Minutes < b.Minutes {
					return -1
				}
				return 1
			})
			known = slices.Insert(slices.Clone(known), at, h)
			if rapid.IntRange(0, 7).Draw(t, "takes") == 0 {
				late.Take(known)
				require.True(t, late.GoesOn(known))
				late.Forecast(rapid.Float64Range(0, 70).Draw(t, "looks"), probe.All)
			}
		}
		assert.Equal(t, took, late.Take(all))
		assert.Equal(t, inOrder.Forecast(last+1, probe.All), late.Forecast(last+1, probe.All))
	})
}

// What is copied stands where the first does, and goes on by itself.
func TestACopyOfAFollowingGoesItsOwnWay(t *testing.T) {
	f := probe.New(pieces[2], from(8), probe.Usual())
	f.Read(probe.Reading{Minutes: 2, Where: probe.Core, Celsius: 14})
	before := f.Forecast()
	other := f.Clone()
	assert.Equal(t, before, other.Forecast())
	other.Read(probe.Reading{Minutes: 5, Where: probe.Core, Celsius: 30})
	other.TakeOff(6)
	assert.Equal(t, before, f.Forecast())
}

// BenchmarkALateReading is one that belongs some minutes before the last, in an hour of readings every five seconds.
func BenchmarkALateReading(b *testing.B) {
	t := newTimeline(1)
	var all []probe.Happening
	for i := range 720 {
		all = append(all, probe.Happening{Reading: probe.Reading{Minutes: float64(i) / 12, Where: probe.Core, Celsius: 8 + float64(i)/20}})
	}
	t.Take(all)
	for i := 0; b.Loop(); i++ {
		late := probe.Happening{Reading: probe.Reading{Minutes: 59.01 + float64(i%50)/1000, Where: probe.Core, Celsius: 44}}
		t.Take(slices.Insert(slices.Clone(all), 709, late))
	}
}
