// Package probe follows a piece beside time by what instruments tell of it. An ensemble of
// followings, each with another oven, transfer of heat, start, place of the probe and pace,
// goes on step by step; every reading draws them to where it is likely, by the square-root
// filter of Whitaker and Hamill (2002, Monthly Weather Review 130, 1913). What they then
// come to is the forecast, and how far apart they are its uncertainty.
package probe

import (
	"math"

	"cuerda/core/physics/heat"
)

// Where is what a reading is of.
type Where string

// The places of probes.
const (
	Core    Where = "core"    // inside the piece
	Oven    Where = "oven"    // the air around it
	Surface Where = "surface" // the side that browns
)

// Reading is one of a probe.
type Reading struct {
	// Minutes since the piece met the heat.
	Minutes float64
	Where   Where
	Celsius float64
}

// Follow is a piece on the heat with its probes. It is for one goroutine at a time.
type Follow struct {
	cooking heat.Cooking
	spread  Spread
	all     [members]member
	now     float64 // min
	off     bool
	// used is when the last reading of each kind was taken over, min.
	used  map[Where]float64
	watch watch
	// dial is what the oven is set to, degC, as its true temperature would be.
	dial float64
	// perK is how many minutes more it takes for each K that the oven is hotter: below 0.
	perK float64
}

// How often readings are taken over, min: what comes oftener tells little more, for what a
// model is out by goes on from one to the next.
const every = 1. / 4

// What a reading may be out by, K, with what the model is out by: one standard deviation.
var doubt = map[Where]float64{Core: 1.6, Oven: 9, Surface: 8}

// lag is how slow a probe is, min: 6 s to come to 63% of a change, usual of thin ones.
const lag = 0.1

// drift is how much the oven and the transfer of heat move about in an hour, as shares of
// the square of what was not known of them at first.
const drift = 0.15

// New begins to follow a piece that meets the heat now. begin gives the body as it meets
// the heat, so many K warmer than it should.
func New(c heat.Cooking, begin func(c *heat.Cooking, warmer float64) *heat.Body, s Spread) *Follow {
	f := &Follow{cooking: c, spread: s, used: map[Where]float64{}, dial: c.Celsius}
	f.cooking.Resolution, f.cooking.Framed = coarse[heat.GeometryOf(&c.Piece).Shape], false
	f.cooking.Budget = &heat.Budget{Most: math.Inf(1)}
	for i, at := range spreadOut() {
		m := &f.all[i]
		for u := range unknowns {
			m.is[u] = at[u] * s.of(u)
		}
		own := m.cooking(&f.cooking)
		body := begin(&own, m.is[start])
		m.progress = own.Start(body)
		m.shown = m.progress.Probe(m.height(c.Piece.Kind))
	}
	off := make([]float64, members)
	for i := range f.all {
		off[i] = f.all[i].progress.Forecast().Pull * math.Exp(-f.all[i].is[pace])
	}
	f.perK = slope(f.said(Oven), off)
	return f
}

// Minutes is how far it has been followed.
func (f *Follow) Minutes() float64 { return f.now }

// Advance goes on to that minute; to one before does nothing.
func (f *Follow) Advance(minutes float64) {
	for f.now < minutes-1e-9 {
		by := min(1, minutes-f.now)
		for i := range f.all {
			m := &f.all[i]
			m.progress.Advance(by * math.Exp(m.is[pace]))
			m.progress.Forget()
			at := m.progress.Probe(m.height(f.cooking.Piece.Kind))
			m.shown = at + (m.shown-at)*math.Exp(-by/lag)
		}
		f.loosen(offset, by)
		f.loosen(passing, by)
		f.now += by
	}
}

// loosen lets what is not known grow again, as long as it is less than it was.
func (f *Follow) loosen(u int, minutes float64) {
	if f.off {
		return
	}
	is := f.values(func(m *member) float64 { return m.is[u] })
	sd, full := deviation(is), f.spread.of(u)
	if sd == 0 || sd >= full {
		return
	}
	by := min(math.Sqrt(1+drift*full*full*minutes/60/(sd*sd)), full/sd)
	at := mean(is)
	for i := range f.all {
		f.all[i].is[u] = at + by*(is[i]-at)
	}
}

func (f *Follow) values(of func(m *member) float64) []float64 {
	out := make([]float64, members)
	for i := range f.all {
		out[i] = of(&f.all[i])
	}
	return out
}

// said is what each member would have an instrument say.
func (f *Follow) said(w Where) []float64 {
	return f.values(func(m *member) float64 {
		switch w {
		case Oven:
			return f.cooking.Celsius + m.is[offset]
		case Surface:
			return m.progress.Observe().Surface
		}
		return m.shown
	})
}

// Took says what became of a reading.
type Took string

// What becomes of readings.
const (
	Used  Took = "used"
	Noted Took = "noted" // too soon after the last one to tell more
	Aside Took = "aside" // of a probe that is not where it should be
	Late  Took = "late"  // of a time that has gone by
)

// Read takes a reading over, of a time that is no earlier than that of the last.
func (f *Follow) Read(r Reading) Took {
	if r.Minutes < f.now-1e-9 {
		return Late
	}
	last, before := f.used[r.Where]
	f.Advance(r.Minutes)
	said := f.said(r.Where)
	if !f.watch.sees(f, r, mean(said), deviation(said)) {
		return Aside
	}
	if before && r.Minutes < last+every-1e-9 || f.off && r.Where != Core {
		return Noted
	}
	f.used[r.Where] = r.Minutes
	f.draw(said, r.Celsius, doubt[r.Where])
	return Used
}

// draw draws the members to what was read.
func (f *Follow) draw(said []float64, read, sd float64) {
	at, spread := mean(said), deviation(said)
	if spread < 1e-9 {
		return
	}
	total := spread*spread + sd*sd
	shrink := 1 / (1 + sd/math.Sqrt(total))
	weights := make([][]float64, members)
	for i := range weights {
		row := make([]float64, members)
		by := (read - at - shrink*(said[i]-at)) / (total * (members - 1))
		for j := range row {
			row[j] = by * (said[j] - at)
		}
		row[i]++
		weights[i] = row
	}
	f.mingle(weights)
}

func (f *Follow) mingle(weights [][]float64) {
	was := f.all
	followings := make([]*heat.Progress, members)
	for i := range f.all {
		m := &f.all[i]
		followings[i] = m.progress
		m.is, m.shown = [unknowns]float64{}, 0
		for j := range was {
			w := weights[i][j]
			for u := range unknowns {
				m.is[u] += w * was[j].is[u]
			}
			m.shown += w * was[j].shown
		}
	}
	heat.Mingle(followings, weights)
	f.refigure()
}

func (f *Follow) refigure() {
	for i := range f.all {
		m := &f.all[i]
		m.progress.Refigure(m.cooking(&f.cooking))
	}
}

// Turn, OntoHeat, Grill and TakeOff are done at that minute, by the cook.
func (f *Follow) Turn(minutes float64) { f.do(minutes, (*heat.Progress).Turn) }

// OntoHeat takes it from the pan it was seared in.
func (f *Follow) OntoHeat(minutes float64) { f.do(minutes, (*heat.Progress).OntoHeat) }

// Grill puts it under the grill.
func (f *Follow) Grill(minutes float64) { f.do(minutes, (*heat.Progress).Grill) }

// TakeOff ends its cooking.
func (f *Follow) TakeOff(minutes float64) {
	f.do(minutes, (*heat.Progress).TakeOff)
	f.off = true
}

func (f *Follow) do(minutes float64, what func(*heat.Progress)) {
	f.Advance(minutes)
	for i := range f.all {
		what(f.all[i].progress)
	}
}

// Reset says that what it is cooked in was set to another temperature at that minute, degC
// as it should be there.
func (f *Follow) Reset(minutes, celsius float64) {
	f.Advance(minutes)
	f.cooking.Celsius, f.dial = celsius, celsius
	f.refigure()
}

// Placed says that the probe was put in anew: where it is now is not known.
func (f *Follow) Placed(minutes float64) {
	f.Advance(minutes)
	f.replace()
	f.watch.out = 0
}

func (f *Follow) replace() {
	for i, at := range spreadOut() {
		f.all[i].is[place] = at[place] * f.spread.Place
	}
}
