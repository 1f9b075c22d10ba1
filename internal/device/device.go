// Package device simulates a kitchen scale and the probes of what is on the heat. They know of a
// course what its token lets them, and send what they measure as any real instrument can.
package device

import (
	"context"
	"fmt"
	"hash/fnv"
	"math/rand/v2"
	"time"

	"cuerda/core/cooking/probe"
	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/predict/bake"
	"cuerda/internal/device/senml"
)

// Kitchen is where instruments are.
type Kitchen interface {
	// Course is what there is to measure now.
	Course(ctx context.Context) (*ToMeasure, error)
	// Send sends what was measured.
	Send(ctx context.Context, records []senml.Record) error
}

// ToMeasure is a course as instruments see it.
type ToMeasure struct {
	Now   time.Time `json:"now"`
	Speed float64   `json:"speed"`
	Over  bool      `json:"over"`
	// Heat is what is on the heat or has been.
	Heat []OnHeat `json:"heat"`
	// Weighing is the amount that is to go in; nil where none is.
	Weighing *Weighing `json:"weighing,omitempty"`
}

// OnHeat is a dish on the heat.
type OnHeat struct {
	Dish   int               `json:"dish" doc:"from 1"`
	Build  document.Document `json:"build"`
	Begun  time.Time         `json:"begun"`
	Done   *time.Time        `json:"done,omitempty"`
	Turned []time.Time       `json:"turned,omitempty"`
}

// Weighing is an amount of a step.
type Weighing struct {
	// Key tells one amount from the next.
	Key    string  `json:"key"`
	Grams  float64 `json:"grams"`
	Within float64 `json:"within"`
}

// Options are how instruments are simulated.
type Options struct {
	// Foods are those of the builds; the usual kitchen's where it is nil.
	Kitchen *kitchen.Kitchen
	// Seed makes their errors.
	Seed uint64
	// Scale and Probes say which there are.
	Scale, Probes bool
	// Truth is what is really so; drawn by the seed where it is nil.
	Truth *probe.Truth
	// Every is how often they send, in the world; a usual time where it is 0.
	Every time.Duration
	// GiveUp is how long nothing may go right; a minute where it is 0.
	GiveUp time.Duration
}

// Seeded makes a seed of words.
func Seeded(words string) uint64 {
	h := fnv.New64a()
	_, _ = h.Write([]byte(words))
	return h.Sum64()
}

// Run measures and sends until ctx ends or the course is over. What goes wrong once is tried
// again; it gives up when nothing has gone right for long.
func Run(ctx context.Context, at Kitchen, o Options) error {
	if o.Kitchen == nil {
		o.Kitchen = kitchen.Usual()
	}
	b := &bench{Options: o, probes: map[string]*probed{}, chance: rand.New(rand.NewPCG(o.Seed, 2))}
	failing, patience := time.Time{}, o.GiveUp
	if patience == 0 {
		patience = time.Minute
	}
	for {
		wait, over, err := b.once(ctx, at)
		switch {
		case ctx.Err() != nil:
			return nil
		case err == nil && over:
			return nil
		case err == nil:
			failing = time.Time{}
		case failing.IsZero():
			failing = time.Now()
		case time.Since(failing) > patience:
			return err
		}
		select {
		case <-ctx.Done():
			return nil
		case <-time.After(wait):
		}
	}
}

// bench are the instruments of a course.
type bench struct {
	Options
	probes map[string]*probed
	pour   pour
	chance *rand.Rand
}

// once measures and sends once, and says how long to wait.
func (b *bench) once(ctx context.Context, at Kitchen) (wait time.Duration, over bool, err error) {
	wait = b.Every
	if wait == 0 {
		wait = 500 * time.Millisecond
	}
	c, err := at.Course(ctx)
	if err != nil {
		return wait, false, err
	}
	if c.Over {
		return wait, true, nil
	}
	records := b.Measure(c)
	if len(records) > 0 {
		err = at.Send(ctx, records)
	}
	return wait, false, err
}

// Measure gives what the instruments say now.
func (b *bench) Measure(c *ToMeasure) (out []senml.Record) {
	if b.Probes {
		for i := range c.Heat {
			out = append(out, b.measure(&c.Heat[i], c)...)
		}
	}
	if b.Scale {
		out = append(out, senml.Record{Name: Maker + "scale", Unit: "g", Value: b.pour.says(c.Weighing, c.Now, c.Speed, b.chance), Absolute: true, At: c.Now})
	}
	return out
}

// probed is a dish with its simulated probes.
type probed struct {
	sim    *probe.Simulation
	turned int
	off    bool
	sent   time.Time
}

// apart is how far readings are from each other, by the course's clock.
const apart = time.Second

// stays is how long a probe stays in a piece that is off the heat.
const stays = 15 * time.Minute

func (b *bench) measure(h *OnHeat, c *ToMeasure) (out []senml.Record) {
	if h.Done != nil && c.Now.Sub(*h.Done) > stays {
		return nil
	}
	key := fmt.Sprint(h.Dish, h.Begun)
	p := b.probes[key]
	if p == nil {
		sim, ok := Simulate(&h.Build, b.Kitchen, b.Truth, b.Seed+uint64(h.Dish))
		if !ok {
			return nil
		}
		p = &probed{sim: sim}
		b.probes[key] = p
	}
	if c.Now.Sub(p.sent) < apart {
		return nil
	}
	p.sent = c.Now
	minutes := func(at time.Time) float64 { return max(0, at.Sub(h.Begun).Minutes()) }
	for ; p.turned < len(h.Turned); p.turned++ {
		p.sim.Advance(minutes(h.Turned[p.turned]))
		p.sim.Progress().Turn()
	}
	if h.Done != nil && !p.off {
		p.sim.Advance(minutes(*h.Done))
		p.sim.TakeOff()
		p.off = true
	}
	p.sim.Advance(min(minutes(c.Now), 600))
	for _, r := range p.sim.Readings() {
		out = append(out, senml.Record{Name: ProbeName(h.Dish, r.Where), Unit: "Cel", Value: r.Celsius, Absolute: true, At: c.Now})
	}
	return out
}

// Maker begins the name of every simulated instrument.
const Maker = "urn:dev:simulated:"

// ProbeName is that of a simulated probe of a dish, from 1.
func ProbeName(dish int, where probe.Where) string {
	return fmt.Sprintf("%sdish-%d/%s", Maker, dish, where)
}

// Simulate begins the bake of a build as it really is; ok is false where nothing is cooked.
func Simulate(d *document.Document, k *kitchen.Kitchen, truth *probe.Truth, seed uint64) (*probe.Simulation, bool) {
	c, begin, ok := bake.OnTheHeat(d, k)
	if !ok {
		return nil, false
	}
	if truth == nil {
		drawn := probe.Usual().Drawn(rand.New(rand.NewPCG(seed, 3)))
		truth = &drawn
	}
	return probe.Simulate(c, begin, *truth, seed), true
}
