package device_test

import (
	"context"
	"math"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/cooking/probe"
	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/internal/device"
	"cuerda/internal/device/senml"
)

const balls = `{"format":"cuerda-build/1","name":"Balls","lines":[{"food":"turkey-ground","grams":520},{"food":"millet-flakes","grams":45}],` +
	`"piece":{"kind":"ball","diameter_mm":40},"cook":{"method":"still-oven","celsius":200}}`

// bench is a kitchen whose clock goes on by itself, a step with every look.
type bench struct {
	course device.ToMeasure
	step   time.Duration
	looks  int
	until  int
	sent   []senml.Record
	acts   func(b *bench)
}

func (b *bench) Course(context.Context) (*device.ToMeasure, error) {
	b.looks++
	b.course.Now = b.course.Now.Add(b.step)
	b.course.Over = b.looks > b.until
	if b.acts != nil {
		b.acts(b)
	}
	out := b.course
	return &out, nil
}

func (b *bench) Send(_ context.Context, records []senml.Record) error {
	b.sent = append(b.sent, records...)
	return nil
}

func (b *bench) of(name string) (out []float64) {
	for _, r := range b.sent {
		if r.Name == "urn:dev:simulated:"+name {
			out = append(out, r.Value)
		}
	}
	return out
}

func run(t *testing.T, b *bench, o device.Options) {
	t.Helper()
	o.Every = time.Microsecond
	require.NoError(t, device.Run(t.Context(), b, o))
}

var noon = time.Date(2026, 11, 25, 12, 0, 0, 0, time.UTC)

func TestSimulatedProbesTellOfABake(t *testing.T) {
	d, err := document.Read([]byte(balls), kitchen.Usual().Foods)
	require.NoError(t, err)
	b := &bench{course: device.ToMeasure{Now: noon, Speed: 10, Heat: []device.OnHeat{{Dish: 2, Build: *d, Begun: noon}}}, step: 10 * time.Second, until: 90}
	run(t, b, device.Options{Probes: true, Seed: 4})
	core, oven := b.of("dish-2/core"), b.of("dish-2/oven")
	require.Greater(t, len(core), 70, "some drop out")
	assert.Less(t, len(core), 91)
	assert.Less(t, core[0], 30.)
	assert.Greater(t, core[len(core)-1], 60.)
	for _, v := range oven {
		assert.InDelta(t, 200, v, 45)
	}
	// Taken off, it cools; a quarter of an hour later nobody measures it.
	done := b.course.Now
	b.course.Heat[0].Done = &done
	b.looks, b.sent = 0, nil
	b.until = 200
	run(t, b, device.Options{Probes: true, Seed: 4})
	assert.Less(t, len(b.of("dish-2/core")), 95)
}

func TestTheSameSeedMeasuresTheSame(t *testing.T) {
	d, err := document.Read([]byte(balls), kitchen.Usual().Foods)
	require.NoError(t, err)
	told := func(seed uint64) []float64 {
		sim, ok := device.Simulate(d, kitchen.Usual(), nil, seed)
		require.True(t, ok)
		var out []float64
		for m := range 10 {
			sim.Advance(float64(m))
			for _, r := range sim.Readings() {
				if r.Where == probe.Core {
					out = append(out, r.Celsius)
				}
			}
		}
		return out
	}
	assert.Equal(t, told(7), told(7))
	assert.NotEqual(t, told(7), told(8))
}

func TestTheSimulatedScaleIsPouredOn(t *testing.T) {
	b := &bench{course: device.ToMeasure{Now: noon, Speed: 1, Weighing: &device.Weighing{Key: "a", Grams: 45, Within: 2}}, step: 500 * time.Millisecond, until: 70}
	run(t, b, device.Options{Scale: true, Seed: 3})
	told := b.of("scale")
	assert.InDelta(t, told[0]+45, told[len(told)-1], 4, "the first amount does not go too far")
	assert.InDelta(t, told[0], told[4], 1, "hands have to reach for it")
	for i := 1; i < len(told); i++ {
		assert.Greater(t, told[i], told[i-1]-1, "nothing is taken out")
	}
	// Of many amounts some go beyond their range.
	over, amounts := 0, 0
	was := told[len(told)-1]
	b.acts = func(b *bench) {
		if b.looks%70 == 0 {
			amounts++
			got := b.of("scale")
			now := got[len(got)-1]
			if now-was > 45+2.5 {
				over++
			}
			was = now
			b.course.Weighing = &device.Weighing{Key: string(rune('b' + amounts)), Grams: 45, Within: 2}
		}
	}
	b.looks, b.until = 0, 70*40
	b.sent = nil
	run(t, b, device.Options{Scale: true, Seed: 3})
	assert.Greater(t, over, 0)
	assert.Less(t, over, amounts/2)
	assert.False(t, math.IsNaN(was))
}

// The first amount always ends in its range: a hand watches the scale most closely then.
func TestTheFirstAmountEndsInItsRange(t *testing.T) {
	for seed := range uint64(200) {
		b := &bench{course: device.ToMeasure{Now: noon, Speed: 1, Weighing: &device.Weighing{Key: "a", Grams: 45, Within: 2}}, step: 2 * time.Second, until: 20}
		run(t, b, device.Options{Scale: true, Seed: seed})
		told := b.of("scale")
		assert.InDelta(t, 45, told[len(told)-1]-told[0], 2, "seed %d", seed)
	}
}
