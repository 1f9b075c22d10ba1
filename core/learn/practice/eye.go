package practice

import (
	"cmp"
	"math"
	"slices"
	"time"
)

// Eye is what calls tell of a cook.
type Eye struct {
	Calls, Right int
	Since        *time.Time
	Bias         Bias
	// Trail is how far squeezes were off, in words, sitting by sitting.
	Trail []Sat
	// Sureness is how sure calls were beside how often they were right.
	Sureness []Sureness
	Skills   []SkillState
	Kinds    map[Kind]Tally
}

// Sat is one sitting: how far its squeezes were off on average, in words, whichever way.
type Sat struct {
	At    time.Time
	Off   float64
	Calls int
}

// Sureness is of calls that were about as sure as each other: how sure they said they were, and how often they were
// right.
type Sureness struct {
	Said, Right float64
	Calls       int
}

// SkillState is how a skill stands: how likely it is to be there, 0..1, and how much it asks to come again.
type SkillState struct {
	Skill        Skill
	Calls, Right int
	Recall, Weak float64
}

// Tally is how many calls of a kind there were, and how many were right.
type Tally struct{ Calls, Right int }

// apartHours is how long nothing is called before the next call is of another sitting.
const apartHours = 3.

// Bounds of how sure calls are, that are told together.
var surenessFrom = []float64{0, .45, .65, .85}

// EyeOf tells of calls, the first first.
func EyeOf(calls []Call, now time.Time) Eye {
	out := Eye{Calls: len(calls), Bias: BiasOf(calls), Trail: []Sat{}, Sureness: []Sureness{}, Kinds: map[Kind]Tally{}}
	bins := make([]Sureness, len(surenessFrom))
	for i := range calls {
		c := &calls[i]
		tally := out.Kinds[c.Kind]
		tally.Calls++
		at := len(surenessFrom) - 1
		for c.Sure < surenessFrom[at] {
			at--
		}
		bins[at].Calls++
		bins[at].Said += c.Sure
		if c.Right {
			out.Right++
			tally.Right++
			bins[at].Right++
		}
		out.Kinds[c.Kind] = tally
		if out.Since == nil || c.At.Before(*out.Since) {
			since := c.At
			out.Since = &since
		}
		if c.Kind == Squeeze {
			out.trail(c)
		}
	}
	for _, b := range bins {
		if b.Calls > 0 {
			n := float64(b.Calls)
			out.Sureness = append(out.Sureness, Sureness{b.Said / n, b.Right / n, b.Calls})
		}
	}
	memories := Memories(calls)
	for _, s := range Skills {
		m := memories[s]
		if m == nil {
			m = &Memory{}
		}
		out.Skills = append(out.Skills, SkillState{s, m.Calls, m.Right, m.Recall(now), m.weak(now)})
	}
	slices.SortStableFunc(out.Skills, func(a, b SkillState) int { return cmp.Compare(b.Weak, a.Weak) })
	return out
}

func (e *Eye) trail(c *Call) {
	if n := len(e.Trail); n > 0 && math.Abs(c.At.Sub(e.Trail[n-1].At).Hours()) < apartHours {
		t := &e.Trail[n-1]
		t.Off = (t.Off*float64(t.Calls) + math.Abs(c.Off)) / float64(t.Calls+1)
		t.Calls++
		return
	}
	e.Trail = append(e.Trail, Sat{c.At, math.Abs(c.Off), 1})
}

// Memories are what calls, the first first, left of each skill.
func Memories(calls []Call) map[Skill]*Memory {
	out := map[Skill]*Memory{}
	for i := range calls {
		c := &calls[i]
		if out[c.Skill] == nil {
			out[c.Skill] = &Memory{}
		}
		out[c.Skill].Note(*c, c.At)
	}
	return out
}

// leastTold is how far a bias must be from nought to be told, in words, and in its standard deviations.
const (
	leastTold   = .2
	leastTimes  = 1.5
	leastSkills = .08
)

// Told says whether a bias is clear enough to be told to the cook.
func Told(off, sd float64) bool { return math.Abs(off) >= leastTold && math.Abs(off) >= leastTimes*sd }

// Mislead are the skills that mislead most, the worst first: two at most, and none that may be chance.
func (b *Bias) Mislead() []Skill {
	out := slices.DeleteFunc(slices.Clone(Skills), func(s Skill) bool {
		m := b.Skills[s]
		return s == Plain || math.Abs(m.Off) < leastSkills || math.Abs(m.Off) < m.SD
	})
	slices.SortStableFunc(out, func(x, y Skill) int { return cmp.Compare(math.Abs(b.Skills[y].Off), math.Abs(b.Skills[x].Off)) })
	return out[:min(2, len(out))]
}
