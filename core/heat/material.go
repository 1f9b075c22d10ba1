package heat

import "math"

// Material is what a body is made of: temperature and conductivity against
// enthalpy, from a table, since the enthalpy of a freezing or boiling food
// rises while its temperature stands.
type Material struct {
	from, perStep float64 // J/m3
	celsius       []float64
	conductivity  []float64
	// boil is the enthalpy at which its water boils, J/m3, at boilAt degC; dry
	// the heat capacity beyond, once a place has lost its water, J/m3K.
	boil, boilAt, dry float64
	// water is kg of it per m3.
	water   float64
	density float64
	coldest float64
}

const tableSteps = 2048

// coldestKnown is the lowest temperature of the table, degC.
const coldestKnown = -45.

// NewMaterial tabulates a mix whose water boils at boilAt degC.
func NewMaterial(c Composition, boilAt float64) *Material {
	// Density hardly moves and mass must be kept, so that of the room stands.
	density := c.Density()
	// A first table by temperature, fine enough for the bend of freezing.
	var temps, heats []float64
	for t := coldestKnown; t < boilAt; {
		temps = append(temps, t)
		heats = append(heats, density*c.enthalpy(t))
		switch {
		case t < -12 || t >= 2:
			t++
		default:
			t += 0.05
		}
	}
	temps = append(temps, boilAt)
	heats = append(heats, density*c.enthalpy(boilAt))
	_, _, cp := c.properties(boilAt)
	m := &Material{
		from: heats[0], boil: heats[len(heats)-1], boilAt: boilAt,
		water: density * c.Water, density: density, coldest: coldestKnown,
	}
	m.dry = density * max(0.25*cp, cp-4200*c.Water)
	m.perStep = tableSteps / (m.boil - m.from)
	m.celsius = make([]float64, tableSteps+2)
	m.conductivity = make([]float64, tableSteps+2)
	at := 0
	for i := range m.celsius {
		h := m.from + float64(i)/m.perStep
		for at < len(heats)-2 && heats[at+1] < h {
			at++
		}
		share := (h - heats[at]) / (heats[at+1] - heats[at])
		m.celsius[i] = temps[at] + min(share, 1)*(temps[at+1]-temps[at])
		_, m.conductivity[i], _ = c.properties(m.celsius[i])
	}
	return m
}

// Constant is a material of constant conductivity W/mK and heat capacity
// J/m3K that neither freezes nor boils, for comparison with exact solutions.
func Constant(conductivity, capacity float64) *Material {
	const low, high = -100., 1000.
	m := &Material{from: low * capacity, boil: high * capacity, boilAt: high, dry: capacity, density: capacity / 3500, coldest: low}
	m.perStep = tableSteps / (m.boil - m.from)
	for i := range tableSteps + 2 {
		m.celsius = append(m.celsius, (m.from+float64(i)/m.perStep)/capacity)
		m.conductivity = append(m.conductivity, conductivity)
	}
	return m
}

// Density is in kg/m3.
func (m *Material) Density() float64 { return m.density }

// state gives temperature, its slope against enthalpy (K m3/J) and
// conductivity at enthalpy h (J/m3) in a place that still holds water kg/m3.
func (m *Material) state(h, water float64) (celsius, slope, conductivity float64) {
	if h >= m.boil {
		conductivity = m.conductivity[tableSteps]
		excess := h - m.boil - latentVapour*water
		if excess <= 0 {
			return m.boilAt, 0, conductivity
		}
		return m.boilAt + excess/m.dry, 1 / m.dry, dryConductivity(conductivity, water, m.water)
	}
	x := (h - m.from) * m.perStep
	if x < 0 {
		x = 0
	}
	i := int(x)
	share := x - float64(i)
	low, high := m.celsius[i], m.celsius[i+1]
	k := m.conductivity[i]
	return low + share*(high-low), (high - low) * m.perStep, k + share*(m.conductivity[i+1]-k)
}

// dryConductivity falls from that of the wet mix to that of crust as the water
// of a place goes: 0.15 W/mK is usual of dry crumb and crust.
func dryConductivity(wet, water, all float64) float64 {
	if all <= 0 {
		return wet
	}
	const crust = 0.15
	return crust + (wet-crust)*min(1, water/all)
}

// enthalpyAt gives the enthalpy of a wet place at that temperature, J/m3.
func (m *Material) enthalpyAt(celsius float64) float64 {
	if celsius >= m.boilAt {
		return m.boil
	}
	low, high := 0, tableSteps
	for high-low > 1 {
		if mid := (low + high) / 2; m.celsius[mid] <= celsius {
			low = mid
		} else {
			high = mid
		}
	}
	share := 0.0
	if span := m.celsius[high] - m.celsius[low]; span > 0 {
		share = math.Max(0, (celsius-m.celsius[low])/span)
	}
	return m.from + (float64(low)+share)/m.perStep
}
