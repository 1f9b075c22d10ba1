package practice

import (
	"math"
	"math/rand/v2"
	"time"
)

// Memory is what is thought of how well a cook has one skill: the half-life of it, and when it was last called.
type Memory struct {
	// HalfLifeDays is after how long half of it is gone.
	HalfLifeDays float64
	Last         time.Time
	Calls, Right int
	// right and wrong count calls by how sure they were.
	right, wrong float64
}

// The half-life of a skill, days: half-life regression, h = 2^(theta x) with x the roots of how often it was right
// and wrong (Settles and Meeder 2016, section 3), begun at a day; with bounds. Their weights are ours: grade C.
const (
	rightLengthens, wrongShrinks = 1.6, .9
	shortestLife, longestLife    = .25, 120.
)

// Recall is how likely the skill is to be there, 0..1. A clock that was set back counts as no time at all.
func (m *Memory) Recall(now time.Time) float64 {
	if m.Calls == 0 {
		return 0
	}
	days := max(0, now.Sub(m.Last).Hours()/24)
	return math.Exp2(-days / m.HalfLifeDays)
}

// Note notes a call. Being sure and wrong shrinks it most, being right by a guess lengthens it little.
func (m *Memory) Note(c Call, now time.Time) {
	if c.Right {
		m.Right++
		m.right += c.Sure
	} else {
		m.wrong += .5 + c.Sure/2
	}
	m.HalfLifeDays = min(max(math.Exp2(rightLengthens*math.Sqrt(m.right)-wrongShrinks*math.Sqrt(m.wrong)), shortestLife), longestLife)
	m.Calls++
	if now.After(m.Last) {
		m.Last = now
	}
}

// weak is how much a skill asks for practice: what is forgotten, and what is got wrong.
func (m *Memory) weak(now time.Time) float64 {
	wrong := (float64(m.Calls-m.Right) + 1) / (float64(m.Calls) + 2)
	return .05 + (1-m.Recall(now))*.5 + wrong*wrong*2
}

// Next chooses the skill of the next drill of those that may be asked: the weaker the likelier, and none three times
// in a row where there is another.
func Next(of []Skill, memories map[Skill]*Memory, last []Skill, now time.Time, r *rand.Rand) Skill {
	total := 0.
	weights := make([]float64, len(of))
	for i, s := range of {
		m := memories[s]
		if m == nil {
			m = &Memory{}
		}
		weights[i] = m.weak(now)
		if n := len(last); len(of) > 1 && n >= 2 && last[n-1] == s && last[n-2] == s {
			weights[i] = 0
		}
		total += weights[i]
	}
	x := r.Float64() * total
	for i, w := range weights {
		if x -= w; x < 0 {
			return of[i]
		}
	}
	return of[len(of)-1]
}

// Enough says whether a sitting should stop: it is full, or the last four calls got worse than the first four by a
// third.
func Enough(calls []Call) bool {
	if len(calls) >= Sitting {
		return true
	}
	if len(calls) < 8 {
		return false
	}
	mean := func(of []Call) float64 {
		sum := 0.
		for i := range of {
			sum += of[i].Score()
		}
		return sum / float64(len(of))
	}
	return mean(calls[:4])-mean(calls[len(calls)-4:]) > 1./3
}
