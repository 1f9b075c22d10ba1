package logbook

import "math"

// Said is what was said of the pieces of a try, and what became of them.
type Said struct {
	Chance float64
	Count  Count
}

// Bin is tries of which about the same was said.
type Bin struct {
	// Said is the mean of what was said, Happened the share of pieces that held, with what
	// holds that nine times in ten.
	Said, Happened, Low, High float64
	Tries, Pieces             int
}

// Trust is how far what is said can be relied on.
type Trust struct {
	Bins []Bin
	// Brier is the mean square of chance less share.
	Brier float64
	Tries int
	// Least is how many tries are needed to tell. TooFew says that the tries are too few to tell.
	Least  int
	TooFew bool
}

// edges of the bins of what was said.
var edges = [...]float64{0, .2, .4, .6, .8, 1.0001}

// LeastTries are needed to say anything of trust.
const LeastTries = 10

// ninety is how many standard deviations hold nine tenths of a normal distribution.
const ninety = 1.6449

// Reliability sorts what was said against what happened. alike is how much the pieces of one try
// go together: n of them count as n/(1+(n-1) alike). The intervals are Wilson's (1927).
func Reliability(all []Said, alike float64) Trust {
	out := Trust{Bins: []Bin{}, Tries: len(all), Least: LeastTries, TooFew: len(all) < LeastTries}
	for e := range len(edges) - 1 {
		var b Bin
		n, held := 0., 0.
		for _, s := range all {
			if s.Count.Of == 0 || s.Chance < edges[e] || s.Chance >= edges[e+1] {
				continue
			}
			of := float64(s.Count.Of)
			counts := of / (1 + (of-1)*alike)
			n += counts
			held += counts * float64(s.Count.Held) / of
			b.Said += s.Chance * counts
			b.Tries++
			b.Pieces += s.Count.Of
		}
		if b.Tries == 0 {
			continue
		}
		b.Said /= n
		b.Happened = held / n
		b.Low, b.High = wilson(b.Happened, n)
		out.Bins = append(out.Bins, b)
	}
	counted := 0
	for _, s := range all {
		if s.Count.Of > 0 {
			d := s.Chance - float64(s.Count.Held)/float64(s.Count.Of)
			out.Brier += d * d
			counted++
		}
	}
	if counted > 0 {
		out.Brier /= float64(counted)
	}
	return out
}

func wilson(p, n float64) (low, high float64) {
	z2 := ninety * ninety
	middle := (p + z2/(2*n)) / (1 + z2/n)
	half := ninety / (1 + z2/n) * math.Sqrt(p*(1-p)/n+z2/(4*n*n))
	return max(0, middle-half), min(1, middle+half)
}
