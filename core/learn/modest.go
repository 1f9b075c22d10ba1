package learn

import (
	"maps"
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/predict"
)

// modest keeps a promise to whoever writes down that more broke than was said: that try never makes
// the dish surer. What a kitchen learns besides, an oven that was hotter, a food that was drier, may
// say that the dish was luckless rather than weak; but a cook who saw pieces break and is told a
// higher chance for it has no reason to believe any of it. The chance of the dish stays at most at
// what was said then, until a try of it holds as was said. What is taken from it is taken from this
// mix alone: one that went worse than said tells little of others.
func (s *school) modest(l *Learned) {
	if l.Taught.Own == nil || len(l.Taught.Own.Kin) == 0 {
		return
	}
	most := map[int]float64{} // what may be said at most, by the mix of the kitchen
	last := map[int]*Try{}
	for _, t := range s.trials {
		at := s.centreOf(t)
		c, counted := t.try.Found.Both()
		if at < 0 || !counted || c.Of == 0 || t.try.Said == nil {
			continue
		}
		said := *t.try.Said
		if before, limited := most[at]; limited {
			said = math.Min(said, before)
		}
		if float64(c.Held)/float64(c.Of) < said {
			most[at], last[at] = said, t.try
		} else {
			delete(most, at)
		}
	}
	// Lowering one mix raises none, so once for each is enough.
	for _, at := range slices.Sorted(maps.Keys(most)) {
		s.lower(l, at, last[at].Document, most[at])
	}
}

// centreOf is the mix of the kitchen that a try is of; -1 where it is of none of those kept.
func (s *school) centreOf(t *trial) int {
	if !t.tells() {
		return -1
	}
	at, alike := -1, sameMix
	for i := range s.centres {
		if a := t.expected.Like.Alike(&s.centres[i]); a >= alike {
			at, alike = i, a
		}
	}
	return at
}

// The steps in which a mix is lowered, in the logarithm of its odds, and how often.
const (
	lowerBy   = 0.02
	mostLower = 400
)

// lower takes from what a mix of the kitchen adds until a build is said to hold at most so often.
func (s *school) lower(l *Learned, at int, d *document.Document, limit float64) {
	for range mostLower {
		if predict.Predict(d, s.k.Learned(&l.Taught)).Chance <= limit {
			return
		}
		l.Taught.Own.Kin[at].Less += lowerBy
	}
}
