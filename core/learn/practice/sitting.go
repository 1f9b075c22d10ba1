package practice

import (
	"math"
	"math/rand/v2"
	"slices"
	"time"

	"cuerda/core/kitchen"
)

// Sitting is how many drills make one; ownFirst of them at most are made of the cook's own tries, and come first.
const (
	Sitting  = 10
	ownFirst = 3
)

// Wish is what a cook wants to practise.
type Wish struct {
	// Kinds are those asked for; every one where it is empty.
	Kinds []Kind
	// Only says that every drill is made of the tries that are given.
	Only bool
}

func (w *Wish) takes(k Kind) bool { return len(w.Kinds) == 0 || slices.Contains(w.Kinds, k) }

// Sit makes the drills of a sitting: the cook's own tries first, then what is weakest, ten at most and fewer where
// the kitchen's foods or the tries give no more. It is the same of the same seed, tries and memories.
func Sit(seed uint64, w Wish, own []OwnTry, memories map[Skill]*Memory, now time.Time, k *kitchen.Kitchen) []Drill {
	s := sitting{r: rand.New(rand.NewPCG(seed, 18)), w: w, k: k, drills: []Drill{}}
	most := ownFirst
	if w.Only {
		most = Sitting
	}
	s.own(own, most)
	for fails := 0; !w.Only && len(s.drills) < Sitting && fails < 2*Sitting; {
		if !s.another(memories, now) {
			fails++
		}
	}
	for i := range s.drills {
		d := &s.drills[i]
		m := memories[d.Skill]
		d.Bare = d.Kind == Squeeze && m != nil && m.Calls >= knownAfter && m.Recall(now) >= knownFrom
	}
	return s.drills
}

// A skill is known once it was called so often and is so likely to be there.
const (
	knownAfter = 3
	knownFrom  = .5
)

type sitting struct {
	r      *rand.Rand
	w      Wish
	k      *kitchen.Kitchen
	drills []Drill
}

// own adds drills of tries, each try by as many kinds as are asked, the kinds in turn.
func (s *sitting) own(tries []OwnTry, most int) {
	kinds := []Kind{Why, Squeeze, Mend, Amiss, Done, Binder, Pair}
	if !s.w.Only { // of one try alone, what it tells most of comes first
		s.r.Shuffle(len(kinds), func(i, j int) { kinds[i], kinds[j] = kinds[j], kinds[i] })
	}
	for _, kind := range kinds {
		if !s.w.takes(kind) {
			continue
		}
		for i := range tries {
			if len(s.drills) >= most {
				return
			}
			// Elsewhere than in a sitting of tries alone, a try is asked about once.
			if !s.w.Only && slices.ContainsFunc(s.drills, func(d Drill) bool { return d.Try == tries[i].ID || d.Kind == kind }) {
				continue
			}
			if d, ok := Own(kind, &tries[i], s.r.Uint64(), s.k); ok {
				s.drills = append(s.drills, d)
			}
		}
	}
}

// followed is how often a squeeze that is out of its band is mended next.
const followed = .5

func (s *sitting) another(memories map[Skill]*Memory, now time.Time) bool {
	if n := len(s.drills); n > 0 && s.drills[n-1].Kind == Squeeze && s.w.takes(Mend) && s.r.Float64() < followed {
		was := s.drills[n-1]
		d := Drill{Kind: Mend, Seed: was.Seed, Skill: was.Skill, Try: was.Try, TriedAt: was.TriedAt, Document: was.Document}
		if d.see(s.k) && d.mend(s.r, s.k) {
			s.drills = append(s.drills, d)
			return true
		}
	}
	last := make([]Skill, len(s.drills))
	for i := range s.drills {
		last[i] = s.drills[i].Skill
	}
	asked := slices.DeleteFunc(slices.Clone(Skills), func(skill Skill) bool { return !slices.ContainsFunc(kindsOf(skill), s.w.takes) })
	skill := Next(asked, memories, last, now, s.r)
	kinds := slices.DeleteFunc(kindsOf(skill), func(k Kind) bool { return !s.w.takes(k) })
	for len(kinds) > 0 {
		i := s.pick(kinds)
		if d, ok := Make(kinds[i], skill, s.r.Uint64(), s.k); ok {
			s.drills = append(s.drills, d)
			return true
		}
		kinds = slices.Delete(kinds, i, i+1)
	}
	return false
}

// squeezeShare is how often a squeeze is asked where it can be: the call that the others stand on, and the only
// one that tells of a bias.
const squeezeShare = .65

// fewestKinds is how many kinds a sitting has at least, where that many are asked for: half of it may pass before that is seen to.
const fewestKinds = 3

// dull says that a sitting is half over and has too few kinds.
func (s *sitting) dull() bool {
	seen := map[Kind]bool{}
	for i := range s.drills {
		seen[s.drills[i].Kind] = true
	}
	return len(s.drills) >= Sitting/2 && len(seen) < fewestKinds
}

// pick chooses a kind: a squeeze, or what was seen least in this sitting, by lot.
func (s *sitting) pick(kinds []Kind) int {
	if i := slices.Index(kinds, Squeeze); i >= 0 && s.r.Float64() < squeezeShare && !s.dull() {
		return i
	}
	best, least := 0, math.Inf(1)
	for i, k := range kinds {
		seen := s.r.Float64()
		for j := range s.drills {
			if s.drills[j].Kind == k {
				seen++
			}
		}
		if seen < least {
			best, least = i, seen
		}
	}
	return best
}
