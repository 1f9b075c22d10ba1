package heat

import "math"

// Target is when a piece is done: its thickest part has reached Celsius for a
// moment or, where HoldMinutes is above 0, all of it has had as much heat as
// that many minutes at Celsius (F of section 7, z = 7.5 K).
type Target struct {
	Celsius     float64
	HoldMinutes float64
}

// equalMinutes at 70 degC do as much as any momentary target of guidance: the
// UK's own rule for all meat (Food Standards Agency).
const equalMinutes = 2.

// Watch brings each cell's peak and lethality up to date after a step of so many
// minutes. It gives the temperature of the slowest place of the thickest part,
// degC, as a probe pushed in from above finds it; its F70, min; and by how much
// the piece is more than done: K past the target, or minutes past those to hold.
//
// The slowest place is the one whose highest temperature is lowest: a side that
// has been on the heat stays done though it cools once the piece is turned. Away
// from the thickest part a wet skin can hang just below a target for minutes,
// cooled by the water it loses; there the equal of the target in minutes counts too.
func (b *Body) Watch(minutes float64, target Target) (celsius, lethal, over float64) {
	if !b.fresh {
		b.refresh()
	}
	for i, t := range b.celsius {
		if t > b.peak[i] {
			b.peak[i] = t
		}
		if t >= leastLethal && b.lethal[i] < enough {
			b.lethal[i] += minutes * lethality(t)
		}
	}
	slowest := b.slowestInside()
	celsius, lethal = b.sharpen(slowest), b.lethal[slowest]
	if target.HoldMinutes > 0 {
		least := lethal
		for _, f := range b.lethal {
			least = min(least, f)
		}
		return celsius, lethal, least - target.HoldMinutes*lethality(target.Celsius)
	}
	least := b.peak[slowest] + celsius - b.celsius[slowest]
	for i, peak := range b.peak {
		if peak < least && !b.inThickest(i) {
			least = min(least, max(peak, target.Celsius+lethalK*math.Log10(b.lethal[i]/equalMinutes)))
		}
	}
	return celsius, lethal, least - target.Celsius
}

// slowestInside is the cell of the thickest part whose peak is lowest: in the
// middle of a ball, on the upright axis of what has a height.
func (b *Body) slowestInside() int {
	slowest := 0
	for z := 1; z < b.axes[2].n; z++ {
		i := z * b.stride[2]
		if b.peak[i] < b.peak[slowest] || b.peak[i] == b.peak[slowest] && b.celsius[i] < b.celsius[slowest] {
			slowest = i
		}
	}
	return slowest
}

func (b *Body) inThickest(i int) bool {
	x, y, _ := b.at(i)
	return x == 0 && y == 0
}

// leastLethal is the lowest temperature that guidance counts, degC: 60, of the
// times and temperatures held equal to 70 degC for 2 min.
const leastLethal = 60.

// lethalK is the change of temperature that changes lethality tenfold, K.
const lethalK = 7.5

// enough is the minutes at 70 degC past which no more are counted.
const enough = 1000.

// lethality is minutes at 70 degC per minute at that temperature: section 7.
func lethality(celsius float64) float64 {
	x := (celsius - leastLethal) * lethalSteps
	if x < 0 {
		return 0
	}
	i := int(min(x, lethalRows-2))
	return lethalTable[i] + min(x-float64(i), 1)*(lethalTable[i+1]-lethalTable[i])
}

// lethalTable holds lethality from leastLethal to 120 degC, where any more is
// enough, in steps that keep straight lines between them within 0.02%.
const (
	lethalSteps = 8 // a K
	lethalRows  = 60*lethalSteps + 1
)

var lethalTable = func() (out [lethalRows]float64) {
	for i := range out {
		out[i] = math.Pow(10, (leastLethal+float64(i)/lethalSteps-70)/lethalK)
	}
	return out
}()
