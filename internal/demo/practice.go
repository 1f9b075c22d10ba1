package demo

import (
	"context"
	_ "embed"
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"time"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn/practice"
	"cuerda/core/physics/mix"
	"cuerda/internal/store"
)

//go:embed practice.json
var practiceJSON []byte

// Called is one call of the demonstration, so many days and minutes before it is looked at.
type Called struct {
	Days   int           `json:"days"`
	Minute int           `json:"minute"`
	Call   practice.Call `json:"call"`
}

// Coxswain is who practises in the demonstration; what is hidden of them follows.
const (
	Coxswain    = "Cox"
	coxWet      = -.5  // words: wet mixes are called too firm
	coxRaw      = -.35 // raw vegetables more so
	coxNoise    = .45  // of a call, after three weeks; twice that at first
	coxSittings = 7
	demoSeed    = 116
)

// SimulatePractice has the coxswain practise over three weeks: seven sittings, more sure than right at first.
func SimulatePractice(foods *food.Catalogue) ([]Called, error) {
	return simulatePractice(foods, demoSeed)
}

func simulatePractice(foods *food.Catalogue, seed uint64) ([]Called, error) {
	k, err := kitchen.New(foods, kitchen.UsualSettings(), Pantry())
	if err != nil {
		return nil, err
	}
	r := rand.New(rand.NewPCG(18, seed))
	now := time.Date(2026, 5, 1, 21, 0, 0, 0, time.UTC)
	var calls []practice.Call
	var out []Called
	for n := range coxSittings {
		days := 3 * (coxSittings - n)
		far := 1 - float64(n)/(coxSittings-1) // from the end, 1..0
		at := now.AddDate(0, 0, -days)
		drills := practice.Sit(uint64(n), practice.Wish{}, nil, practice.Memories(calls), at, k)
		for i := range drills {
			a := cox(&drills[i], r, far)
			c, err := drills[i].Mark(a)
			if err != nil {
				return nil, fmt.Errorf("sitting %d, drill %d: %w", n, i, err)
			}
			c.At = at.Add(time.Duration(i) * time.Minute)
			calls = append(calls, c)
			c.Off, c.OffMinutes = math.Round(c.Off*100)/100, math.Round(c.OffMinutes*10)/10
			if c.Lies != nil {
				lies := math.Round(*c.Lies*100) / 100
				c.Lies = &lies
			}
			out = append(out, Called{days, i, c})
		}
	}
	return out, nil
}

// cox is what the coxswain says.
func cox(d *practice.Drill, r *rand.Rand, far float64) practice.Answer {
	a := practice.Answer{Choice: d.Answer, Sure: math.Round(10*(.65+.25*r.Float64())) / 10}
	off := coxNoise * (1 + far) * r.NormFloat64()
	wetFrom, _ := mix.Between(mix.Tacky)
	if d.Index >= wetFrom {
		off += coxWet * (.6 + .8*far)
	}
	if d.Skill == practice.RawWater {
		off += coxRaw
	}
	switch d.Kind {
	case practice.Squeeze:
		low, high := practice.Scale()
		a.Index = low
		for q := low; q <= high; q += .01 {
			if practice.InWords(q) <= practice.InWords(d.Index)+off {
				a.Index = q
			}
		}
		return a
	case practice.Done:
		a.Minutes = min(max(d.Heat.Minutes*(1+.12*(1+far)*r.NormFloat64()), 0), d.Heat.LastMinutes)
		return a
	case practice.Mend:
		o := &d.Options[d.Answer]
		steps := o.BestGrams/practice.StepGrams + math.Round(1.5*(1+far)*r.NormFloat64())
		a.Grams = practice.StepGrams * min(max(steps, 0), float64(len(o.Indices)-1))
		return a
	}
	knows := .85 - .25*far
	if d.Skill == practice.RawWater || d.Skill == practice.NoWait {
		knows -= .2
	}
	if r.Float64() > knows {
		a.Choice = (d.Answer + 1) % len(d.Options)
	}
	return a
}

// PracticeFile is calls as the demonstration ships them.
func PracticeFile(all []Called) ([]byte, error) { return json.MarshalIndent(all, "", " ") }

// keepPractice writes down what the coxswain called until now.
func keepPractice(ctx context.Context, s *store.Store, kitchen string, now time.Time) error {
	var all []Called
	if err := json.Unmarshal(practiceJSON, &all); err != nil {
		return err
	}
	p, err := s.AddPerson(ctx, kitchen, Coxswain)
	if err != nil {
		return err
	}
	one := store.Practised{Person: *p}
	for i, c := range all {
		day := now.UTC().AddDate(0, 0, -c.Days)
		c.Call.At = time.Date(day.Year(), day.Month(), day.Day(), 20, c.Minute, 0, 0, time.UTC)
		one.Calls = append(one.Calls, store.PracticeCall{ID: fmt.Sprintf("demo-%d", i), Number: -1, Call: c.Call})
	}
	_, err = s.TakeIn(ctx, kitchen, store.Taken{Practised: []store.Practised{one}})
	return err
}
