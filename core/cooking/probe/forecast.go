package probe

import (
	"math"
	"slices"

	"cuerda/core/physics/heat"
)

// farOut is how many deviations to either side hold 90% of Student's distribution with as many degrees of freedom as there are
// members but one: of all twenty, of seven of them, of five.
func farOut(members int) float64 {
	switch {
	case members >= 20:
		return 1.729
	case members >= 7:
		return 1.943
	}
	return 2.132
}

// Of is how many of the members a forecast follows to their end: every one, every third or every fourth. Fewer say nearly the
// same sooner, where many pieces wait.
type Of int

// The sorts of forecasts.
const (
	All    Of = 1
	Third  Of = 3
	Fourth Of = 4
)

// About is a figure with its interval of 90%.
type About struct{ Value, Low, High float64 }

// Point is a moment that is forecast, degC.
type Point struct {
	Minutes       float64
	Core          About
	SurfaceMiddle float64
}

// Forecast is what is to be expected.
type Forecast struct {
	// Now is when it was made, min since the piece met the heat.
	Now float64
	// Off is when to take it off the heat, min; Reaches says whether it gets done.
	Off     About
	Reaches bool
	// Core is the coldest place now, Peak the highest it comes to, degC.
	Core, Peak About
	// Oven is what the oven really is, degC, against what it was set to.
	Oven    About
	OvenSet float64
	// Late is how many minutes longer all of it takes because of what the oven is out by.
	Late float64
	// Turns are when to turn it, min.
	Turns []float64
	// Curve goes on from now, to the end of its rest.
	Curve []Point
	// Notices are what is amiss.
	Notices []Notice
}

// points is how many a curve has.
const points = 40

// Forecast follows each member to its end. It changes nothing.
func (f *Follow) Forecast() Forecast { return f.ForecastOf(All) }

// ForecastOf follows some of the members to their end. When the piece is to come off, and how hot it gets, is moved by as much
// as the core of those differs from that of all of them now (a control variate).
func (f *Follow) ForecastOf(every Of) Forecast {
	out := Forecast{Now: f.now, OvenSet: f.dial, Notices: f.watch.notices(f)}
	var off, core, peak []float64
	var some []*member
	var ways []heat.Course
	reaches := 0
	var turns [][]float64
	for i := 0; i < members; i += int(every) {
		m := &f.all[i]
		way := m.progress.Forecast()
		by := math.Exp(-m.is[pace])
		was := m.progress.Minutes()
		at := f.now
		if !f.off {
			at += max(0, way.Pull-was) * by
		}
		some, ways, off = append(some, m), append(ways, way), append(off, at)
		core, peak = append(core, m.progress.Observe().Core), append(peak, way.Peak)
		if way.Reached {
			reaches++
		}
		var own []float64
		for _, t := range way.Turns {
			own = append(own, f.now+(t-was)*by)
		}
		turns = append(turns, own)
	}
	whole := f.values(func(m *member) float64 { return m.progress.Observe().Core })
	out.Reaches = 2*reaches > len(some)
	out.Off, out.Core, out.Peak = about(off), about(whole), about(peak)
	if len(some) < members && !f.off {
		less := mean(whole) - mean(core)
		out.Off = out.Off.moved(less * slope(core, off))
		out.Peak = out.Peak.moved(less * slope(core, peak))
	}
	out.Off.Value, out.Off.Low = max(out.Off.Value, f.now), max(out.Off.Low, f.now)
	oven := f.said(Oven)
	out.Oven = about(oven)
	out.Late = f.perK * (out.Oven.Value - f.dial)
	out.Turns = typical(turns)
	out.Curve = f.curve(some, ways, out.Off.High)
	return out
}

func about(of []float64) About {
	at, sd := mean(of), deviation(of)
	far := farOut(len(of)) * sd
	return About{at, at - far, at + far}
}

func (a About) moved(by float64) About { return About{a.Value + by, a.Low + by, a.High + by} }

// slope is how one figure goes with another over the members.
func slope(x, y []float64) float64 {
	mx, my := mean(x), mean(y)
	with, own := 0., 0.
	for i := range x {
		with += (x[i] - mx) * (y[i] - my)
		own += (x[i] - mx) * (x[i] - mx)
	}
	if own < 1e-9 {
		return 0
	}
	return with / own
}

// typical are the mean times of what most members do as often.
func typical(all [][]float64) []float64 {
	often := map[int]int{}
	for _, one := range all {
		often[len(one)]++
	}
	n := 0
	for count, times := range often {
		if times > often[n] || times == often[n] && count < n {
			n = count
		}
	}
	out := make([]float64, n)
	for _, one := range all {
		if len(one) == n {
			for i, t := range one {
				out[i] += t / float64(often[n])
			}
		}
	}
	slices.Sort(out)
	return out
}

// curve is where the members go from now.
func (f *Follow) curve(some []*member, ways []heat.Course, until float64) []Point {
	out := make([]Point, points+1)
	for n := range out {
		minutes := f.now + (until-f.now)*float64(n)/points
		core, surface := make([]float64, len(some)), make([]float64, len(some))
		for i, m := range some {
			at := m.progress.Minutes() + (minutes-f.now)*math.Exp(m.is[pace])
			core[i], surface[i] = on(ways[i].Moments, at)
		}
		out[n] = Point{Minutes: minutes, Core: about(core), SurfaceMiddle: mean(surface)}
	}
	return out
}

// on is where the curves are at that minute, by straight lines.
func on(moments []heat.Moment, minutes float64) (core, surface float64) {
	i, found := slices.BinarySearchFunc(moments, minutes, func(m heat.Moment, at float64) int {
		switch {
		case m.Minutes < at:
			return -1
		case m.Minutes > at:
			return 1
		}
		return 0
	})
	if found || i == 0 {
		return moments[i].Core, moments[i].Surface
	}
	if i == len(moments) {
		last := moments[i-1]
		return last.Core, last.Surface
	}
	a, b := moments[i-1], moments[i]
	share := (minutes - a.Minutes) / (b.Minutes - a.Minutes)
	return a.Core + share*(b.Core-a.Core), a.Surface + share*(b.Surface-a.Surface)
}
