package heat

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	_ "cuerda/core/lawtest"
)

func TestTheLastWaterBoilsHotter(t *testing.T) {
	m := NewMaterial(lean, 100)
	d := &m.drying
	solids := m.density * (1 - lean.Water - lean.Fat)
	at := func(share float64) float64 { // degC with that share of the water left
		for _, p := range d.table {
			if p.water <= share*m.water {
				return p.celsius
			}
		}
		return d.table[len(d.table)-1].celsius
	}
	assert.InDelta(t, 100, at(0.5), 0.3, "a wet food boils like water")
	// 5 kg of water per 100 kg of solids: Oswin gives an activity of .26, at which
	// water has the pressure of the air at 142 degC (steam tables: 3.85 bar at 142).
	assert.InDelta(t, 142, at(0.05*solids/m.water), 3)
	for i := 1; i < len(d.table); i++ {
		assert.GreaterOrEqual(t, d.table[i].celsius, d.table[i-1].celsius)
		assert.LessOrEqual(t, d.table[i].water, d.table[i-1].water)
	}
}

// A place is as hot before the vapour of a step has been taken off as after, and
// no heat gets lost; once it has cooled it warms up again as it cooled.
func TestBoilingOffKeepsTheTemperature(t *testing.T) {
	m := NewMaterial(lean, 98)
	rapid.Check(t, func(t *rapid.T) {
		b := New(Geometry{Shape: Sphere, Radius: .01}, m, 20, Resolution{Radial: 1})
		for range 3 {
			heat, water := b.heat[0], b.water[0]
			b.heat[0] = max(heat, m.boil) + rapid.Float64Range(0, 1e9).Draw(t, "more")
			hot, _, conductivity := m.state(b.heat[0], water)
			before := b.heat[0] - latentVapour*water
			b.boilOff()
			left, _, stays := m.state(b.heat[0], b.water[0])
			assert.InDelta(t, hot, left, tableRounding)
			assert.InDelta(t, conductivity, stays, 1e-6)
			assert.InDelta(t, before, b.heat[0]-latentVapour*b.water[0], 1)
			assert.LessOrEqual(t, b.water[0], water)
		}
		if above := b.heat[0] - m.boil; above > 1e6 {
			water := b.water[0]
			cooler := m.boil + above/2
			cold, _, _ := m.state(cooler, water)
			hot, _, _ := m.state(b.heat[0], water)
			assert.InDelta(t, m.boilAt+(hot-m.boilAt)/2, cold, 0.1)
			b.heat[0] = cooler
			b.boilOff()
			assert.Equal(t, water, b.water[0], "cooler than its last water boils, it keeps it")
		}
	})
}
