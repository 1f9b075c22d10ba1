package heat

import "math"

// drying is what a place goes through once its water boils. The last water of a
// food is held the tighter the less there is of it, so that it boils the hotter:
// at the temperature where the vapour pressure of water, times the water
// activity of what is left, is that of the air. Temperature and water are
// tabulated against the excess: the heat taken up past boiling with that of the
// vapour gone, J/m3 of the wet food.
type drying struct {
	table     []dryPoint
	perExcess float64 // rows per J/m3
	// wet and dry are the heat capacities of a place with all its water and with
	// none, J/m3K.
	wet, dry float64
}

// dryPoint is one row: degC, and kg of water still held per m3.
type dryPoint struct{ celsius, water float64 }

// The isotherm of Oswin (1946), X = A (a / (1 - a))^B, with X in kg of water
// per kg of fat-free dry solids at water activity a. Iglesias and Chirife
// (Handbook of Food Isotherms, 1982) list A of .05 to .13 and B of .3 to .5 for
// starches, meats and vegetables, A falling as it gets hotter: grade C.
const oswinA, oswinB = 0.08, 0.45

const (
	dryingSteps = 1024
	// driest is how far past boiling the table goes, K; the little water left
	// there stays.
	driest = 120.
)

// heldAt is the water a food in air at the pressure of boiling can hold at that
// temperature, kg per kg of fat-free dry solids.
func heldAt(celsius, boil float64) float64 {
	activity := vapourPressure(boil) / vapourPressure(celsius)
	return oswinA * math.Pow(activity/(1-activity), oswinB)
}

// newDrying tabulates a food of so much water and fat-free dry solids, kg/m3.
func newDrying(water, solids, boilAt, wet, dry float64) drying {
	d := drying{wet: wet, dry: dry}
	excesses, rows := []float64{0}, []dryPoint{{boilAt, water}}
	for above := 0.02; above < driest; above *= 1.15 {
		held := min(water, solids*heldAt(boilAt+above, boilAt))
		excesses = append(excesses, latentVapour*(water-held)+d.capacity(held, water)*above)
		rows = append(rows, dryPoint{boilAt + above, held})
	}
	d.perExcess = dryingSteps / excesses[len(excesses)-1]
	d.table = make([]dryPoint, dryingSteps+1)
	at := 0
	for i := range d.table {
		excess := float64(i) / d.perExcess
		for at < len(rows)-2 && excesses[at+1] < excess {
			at++
		}
		share := min(1, (excess-excesses[at])/(excesses[at+1]-excesses[at]))
		low, high := rows[at], rows[at+1]
		d.table[i] = dryPoint{low.celsius + share*(high.celsius-low.celsius), low.water + share*(high.water-low.water)}
	}
	return d
}

// capacity of a place that holds so much of all its water, J/m3K.
func (d *drying) capacity(water, all float64) float64 {
	if all <= 0 {
		return d.dry
	}
	return d.dry + (d.wet-d.dry)*water/all
}

// at gives temperature, its slope against the excess (K m3/J) and the water left
// once so much excess has been taken up.
func (d *drying) at(excess float64) (celsius, slope, water float64) {
	x := max(0, excess*d.perExcess)
	i := int(min(x, dryingSteps))
	if i == dryingSteps {
		last := d.table[dryingSteps]
		slope = 1 / d.capacity(last.water, d.table[0].water)
		return last.celsius + (x-dryingSteps)/d.perExcess*slope, slope, last.water
	}
	low, high := &d.table[i], &d.table[i+1]
	share, rise := x-float64(i), high.celsius-low.celsius
	return low.celsius + share*rise, rise * d.perExcess, low.water + share*(high.water-low.water)
}
