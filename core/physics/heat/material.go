package heat

import "math"

// Material is what a body is made of: temperature and conductivity against
// enthalpy, from a table, since the enthalpy of a freezing or boiling food
// rises while its temperature stands.
type Material struct {
	from, perStep float64 // J/m3
	table         []point
	// boil is the enthalpy at which its water begins to boil, J/m3, at boilAt degC.
	boil, boilAt float64
	drying       drying
	// water is kg of it per m3.
	water   float64
	density float64
}

// point is one row of the table.
type point struct{ celsius, conductivity float64 }

const tableSteps = 1024

// coldestKnown is the lowest temperature of the table, degC.
const coldestKnown = -45.

// NewMaterial tabulates a mix whose water boils at boilAt degC.
func NewMaterial(c Composition, boilAt float64) *Material {
	// Density hardly moves and mass must be kept, so that of the room stands.
	density := c.Density()
	// A first table by temperature, fine at the bend of freezing: heats are
	// summed up by the trapezoidal rule, melting apart.
	var temps, heats, conductivities []float64
	sensible, last, lastT := 0.0, 0.0, coldestKnown
	add := func(t float64) {
		_, k, cp := c.properties(t)
		if len(temps) > 0 {
			sensible += (t - lastT) * (cp + last) / 2
		}
		last, lastT = cp, t
		temps = append(temps, t)
		heats = append(heats, density*(sensible-latentIce*c.iceShare(t)))
		conductivities = append(conductivities, k)
	}
	for t := coldestKnown; t < boilAt; {
		add(t)
		switch {
		case t < -12 || t >= 2:
			t++
		default:
			t = math.Round(10*t+1) / 10
		}
	}
	add(boilAt)
	_, _, cp := c.properties(boilAt)
	m := &Material{
		from: heats[0], boil: heats[len(heats)-1], boilAt: boilAt,
		water: density * c.Water, density: density,
	}
	solids := max(0.01, c.Protein+c.Carb+c.Fibre+c.Ash)
	m.drying = newDrying(m.water, density*solids, boilAt, density*cp, density*max(0.25*cp, cp-4200*c.Water))
	m.perStep = tableSteps / (m.boil - m.from)
	m.table = make([]point, tableSteps+2)
	at := 0
	for i := range m.table {
		h := m.from + float64(i)/m.perStep
		for at < len(heats)-2 && heats[at+1] < h {
			at++
		}
		share := (h - heats[at]) / (heats[at+1] - heats[at])
		share = min(share, 1)
		m.table[i] = point{temps[at] + share*(temps[at+1]-temps[at]), conductivities[at] + share*(conductivities[at+1]-conductivities[at])}
	}
	return m
}

// Constant is a material of constant conductivity W/mK and heat capacity
// J/m3K that neither freezes nor boils, for comparison with exact solutions.
func Constant(conductivity, capacity float64) *Material {
	const low, high = -100., 1000.
	m := &Material{from: low * capacity, boil: high * capacity, boilAt: high, density: capacity / 3500}
	m.drying = newDrying(0, 0, high, capacity, capacity)
	m.perStep = tableSteps / (m.boil - m.from)
	for i := range tableSteps + 2 {
		m.table = append(m.table, point{(m.from + float64(i)/m.perStep) / capacity, conductivity})
	}
	return m
}

// state gives temperature, its slope against enthalpy (K m3/J) and
// conductivity at enthalpy h (J/m3) in a place that still holds water kg/m3.
func (m *Material) state(h, water float64) (celsius, slope, conductivity float64) {
	if h >= m.boil {
		return m.boiling(h-m.boil, water)
	}
	x := (h - m.from) * m.perStep
	if x < 0 {
		x = 0
	}
	i := int(x)
	share := x - float64(i)
	low, high := m.table[i], m.table[i+1]
	rise := high.celsius - low.celsius
	return low.celsius + share*rise, rise * m.perStep, low.conductivity + share*(high.conductivity-low.conductivity)
}

// tableRounding is what the two ways of boiling's temperature may differ by
// where they are the same, K.
const tableRounding = 0.05

// boiling is state at so much heat above boiling, J/m3. Where the place has
// cooled since it lost its water, it warms up again before more of it leaves.
func (m *Material) boiling(above, water float64) (celsius, slope, conductivity float64) {
	celsius, slope, left := m.drying.at(above + latentVapour*(m.water-water))
	if left >= water {
		capacity := m.drying.capacity(water, m.water)
		if again := m.boilAt + above/capacity; again < celsius-tableRounding {
			celsius, slope = again, 1/capacity
		}
	}
	return celsius, slope, dryConductivity(m.table[tableSteps].conductivity, min(left, water), m.water)
}

// dryConductivity falls from that of the wet mix to that of crust as the water
// of a place goes: 0.15 W/mK is usual of dry crumb and crust.
func dryConductivity(wet, water, all float64) float64 {
	if all <= 0 {
		return wet
	}
	return crustConductivity + (wet-crustConductivity)*min(1, water/all)
}

const crustConductivity = 0.15

// enthalpyAt gives the enthalpy of a wet place at that temperature, J/m3.
func (m *Material) enthalpyAt(celsius float64) float64 {
	if celsius >= m.boilAt {
		return m.boil
	}
	low, high := 0, tableSteps
	for high-low > 1 {
		if mid := (low + high) / 2; m.table[mid].celsius <= celsius {
			low = mid
		} else {
			high = mid
		}
	}
	share := 0.0
	if span := m.table[high].celsius - m.table[low].celsius; span > 0 {
		share = math.Max(0, (celsius-m.table[low].celsius)/span)
	}
	return m.from + (float64(low)+share)/m.perStep
}
