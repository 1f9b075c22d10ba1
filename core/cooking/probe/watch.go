package probe

import "math"

// Code says what is amiss.
type Code string

// What can be amiss.
const (
	Slipped  Code = "slipped"   // the probe is no longer in the piece
	Touching Code = "touching"  // its tip is near the metal or the skin
	DoorOpen Code = "door-open" // the oven loses its heat
	OvenCool Code = "oven-cool" // it does not hold what it was set to
	OvenHot  Code = "oven-hot"
	Silent   Code = "silent"    // nothing has come for a while
	PastGoal Code = "past-goal" // it has been hotter inside than its goal for a while
)

// Codes lists them all.
var Codes = []Code{Slipped, Touching, DoorOpen, OvenCool, OvenHot, Silent, PastGoal}

// Notice is something amiss.
type Notice struct {
	Code Code
	// Since when, min since the piece met the heat.
	Since float64
	// Celsius is how far the oven is out, K; what a probe says that slipped, degC.
	Celsius float64
}

// The bounds by which something is noticed.
const (
	// No piece changes inside by so much, K, so quickly, min, as a probe does that slips.
	slip     = 4.
	slipTime = 0.5
	// A reading is far from what is expected at so many deviations, and K.
	farBy = 4.
	farK  = 7.
	// So many readings in a row that go on as one would expect are of a probe that is in again.
	again = 8
	// doorFall is what an oven falls that was opened, K, within doorTime, min; backWithin how
	// near it is again to what it was.
	doorFall   = 25.
	doorTime   = 1.5
	backWithin = 12.
	// edge is how near the metal a tip is taken to touch it, as a share of the height.
	edge = 0.12
	// notHeld is from where an oven is said to be out, K.
	notHeld = 5.
	// silence is how long nothing may come, min.
	silence = 1.
	// past is how much hotter than its goal a piece is that is past it, K: a thermometer's own error.
	past = 3.
)

// watch looks at readings before they are taken over.
type watch struct {
	last map[Where]Reading
	// since is when the probe slipped, out how it stands: 0 in the piece, 1 and more how many
	// readings it takes until it is believed again.
	since, door float64
	out         int
	open        bool
	was         float64 // the oven before it was opened, degC
	high        []Reading
	// over is since when it has been past its goal, where it has.
	over   float64
	isOver bool
}

// sees says whether a reading can be taken over.
func (w *watch) sees(f *Follow, r Reading, expected, sd float64) bool {
	if w.last == nil {
		w.last = map[Where]Reading{}
	}
	before, known := w.last[r.Where]
	w.last[r.Where] = r
	switch r.Where {
	case Oven:
		return w.seesOven(f, r)
	case Surface:
		return math.Abs(r.Celsius-expected) < 60
	}
	off := r.Celsius - expected
	far := math.Abs(off) > max(farK, farBy*math.Hypot(sd, doubt[Core]))
	steady := known && math.Abs(r.Celsius-before.Celsius) < slip
	switch {
	case w.out == 0 && far && (!known || r.Minutes-before.Minutes <= slipTime && !steady || math.Abs(off) > 3*farK):
		w.out, w.since = again, r.Minutes
	case w.out > 0 && steady && (!far || r.Celsius < f.air()-20 && rises(r, before)):
		if w.out--; w.out == 0 {
			// It is in again, but nobody knows where.
			f.replace()
		}
	case w.out > 0:
		w.out = again
	}
	// A tip at the tin is hot while the middle is not: what is made of all readings has to agree.
	core := mean(f.values(func(m *member) float64 { return m.progress.Observe().Core }))
	if isOver := w.out == 0 && r.Celsius > f.cooking.Target.Celsius+past && core > f.cooking.Target.Celsius; isOver != w.isOver {
		w.isOver, w.over = isOver, r.Minutes
	}
	return w.out == 0
}

// rises says whether a reading goes on from the one before as the inside of a piece does.
func rises(r, before Reading) bool {
	by := r.Celsius - before.Celsius
	return by > -0.6 && by < 1.5
}

// air is about how hot it is around the piece, degC.
func (f *Follow) air() float64 { return mean(f.said(Oven)) }

// seesOven keeps the readings of the last minutes, to know an oven that falls.
func (w *watch) seesOven(f *Follow, r Reading) bool {
	recent := w.high[:0]
	for _, h := range w.high {
		if h.Minutes >= r.Minutes-doorTime {
			recent = append(recent, h)
		}
	}
	w.high = append(recent, r)
	if w.open {
		if r.Celsius >= w.was-backWithin || r.Minutes > w.door+6 {
			w.open = false
			f.around(0)
			w.high = append(w.high[:0], r)
		} else {
			f.around(r.Celsius - w.was)
		}
		return false
	}
	for _, h := range w.high {
		if h.Celsius-r.Celsius >= doorFall {
			w.open, w.door, w.was = true, r.Minutes, h.Celsius
			f.around(r.Celsius - h.Celsius)
			return false
		}
	}
	return true
}

// around says that the air around the piece is so much hotter than the oven was set to, K,
// for now: its door is open.
func (f *Follow) around(by float64) {
	f.cooking.Celsius = f.dial + by
	f.refigure()
}

// notices are what is amiss now.
func (w *watch) notices(f *Follow) (out []Notice) {
	if f.off {
		return nil
	}
	last, known := w.last[Core]
	switch {
	case w.out > 0:
		out = append(out, Notice{Slipped, w.since, last.Celsius})
	case known && f.now > last.Minutes+silence:
		out = append(out, Notice{Silent, last.Minutes, last.Celsius})
	}
	if at := mean(f.values(func(m *member) float64 { return m.height(f.cooking.Piece.Kind) })); known && w.out == 0 && (at > 1-edge || at < edge && f.cooking.Piece.Kind != "ball") {
		out = append(out, Notice{Touching, last.Minutes, last.Celsius})
	}
	if w.isOver && known {
		out = append(out, Notice{PastGoal, w.over, last.Celsius})
	}
	if w.open {
		out = append(out, Notice{DoorOpen, w.door, w.was})
	} else if oven := about(f.said(Oven)); oven.High < f.dial-1 && oven.Value < f.dial-notHeld {
		out = append(out, Notice{OvenCool, f.now, oven.Value - f.dial})
	} else if oven.Low > f.dial+1 && oven.Value > f.dial+notHeld {
		out = append(out, Notice{OvenHot, f.now, oven.Value - f.dial})
	}
	return out
}
