package live

import (
	"cmp"
	"maps"
	"math"
	"slices"
	"sync"
	"time"

	"cuerda/core/cooking"
	"cuerda/core/cooking/probe"
	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
	"cuerda/core/predict/bake"
)

// following is a dish on the heat: what is known to have happened to it, and what was last forecast of it. All but
// engine is its course's own.
type following struct {
	schedule.Ref
	begun time.Time
	// met is when its step began: after the pan's where it was seared.
	met time.Time
	// offset is how much hotter the oven is known to be than it says, K.
	offset  float64
	kitchen *kitchen.Kitchen
	off     bool
	// counted is when the last reading of each place came that a forecast is made for, min.
	counted map[probe.Where]float64

	// happened is in the order of its time and grows only at its end: what belongs in between makes it anew. of
	// are the readings in it, for the curve.
	happened []probe.Happening
	of       []cooking.Reading
	last     map[probe.Where]cooking.Last

	forecasted *probe.Forecast
	asked      bool // for a forecast
	stale      bool // something has happened that the forecast does not know
	made       time.Time
	engine     *engine
}

// engine follows the piece by what happened, outside the course's goroutine.
type engine struct {
	mu       sync.Mutex
	begin    func() *probe.Follow
	timeline *probe.Timeline
}

// forecast says what is to be expected at that minute of a piece to which that happened.
func (e *engine) forecast(happened []probe.Happening, minutes float64, every probe.Of) probe.Forecast {
	e.mu.Lock()
	defer e.mu.Unlock()
	whole := false
	defer func() {
		if !whole { // a panic: what it had come to is not to be relied on
			e.timeline = probe.NewTimeline(e.begin)
		}
	}()
	e.timeline.Take(happened)
	out := e.timeline.Forecast(minutes, every)
	whole = true
	return out
}

// takes says what became of each that happened, where it only goes on from what was known; nil where some of it belongs
// before that, which is left to the next forecast.
func (e *engine) takes(happened []probe.Happening) []probe.Took {
	e.mu.Lock()
	defer e.mu.Unlock()
	if len(happened) > 1 && !e.timeline.GoesOn(happened) { // the first of all is before nothing
		return nil
	}
	return e.timeline.Take(happened)
}

// longest is as long as a piece is followed, min.
const longest = 8 * 60

// begin follows a dish that is on the heat; nil where nothing can be.
func begin(p *cooking.Plan, s *cooking.State, at schedule.Ref, k *kitchen.Kitchen) *following {
	begun := s.Dishes[at.Dish].Steps[at.Step].Begun
	if begun == nil || p.Dishes[at.Dish].Build == nil || !cooking.Known(p.Dishes[at.Dish].Build, k) {
		return nil
	}
	c, body, ok := bake.OnTheHeat(p.Dishes[at.Dish].Build, k)
	if !ok {
		return nil
	}
	f := &following{Ref: at, begun: *begun, met: *begun, offset: k.OvenOffset, kitchen: k, stale: true, counted: map[probe.Where]float64{}}
	sides := c.SearSides()
	if sides > 0 {
		// Its step is the one after the pan's, each side of which had its minutes.
		f.begun = f.begun.Add(-time.Duration(float64(sides) * c.SearMinutes * float64(time.Minute)))
	}
	start := func() *probe.Follow {
		out := probe.New(c, body, probe.Usual())
		for side := 1; side < sides; side++ {
			out.Turn(float64(side) * c.SearMinutes)
		}
		if sides > 0 {
			out.OntoHeat(float64(sides) * c.SearMinutes)
		}
		return out
	}
	f.engine = &engine{begin: start, timeline: probe.NewTimeline(start)}
	return f
}

func (f *following) minutes(at time.Time) float64 { return at.Sub(f.begun).Minutes() }

// refresh makes of the state and the readings what is on the heat, and what happened to it.
func (c *Course) refresh() {
	for d := range c.plan.Dishes {
		for n := range c.plan.Dishes[d].Steps {
			if !c.plan.Dishes[d].Steps[n].Cooking() {
				continue
			}
			at := schedule.Ref{Dish: d, Step: n}
			begun, was := c.state.Dishes[d].Steps[n].Begun, c.heat[at]
			if was != nil && (begun == nil || !was.met.Equal(*begun) || was.kitchen != c.kitchen) {
				delete(c.heat, at)
				was = nil
			}
			if was == nil {
				if f := begin(c.plan, c.state, at, c.kitchen); f != nil {
					c.heat[at] = f
				}
			}
		}
	}
	for _, f := range c.heat {
		c.happens(f)
	}
}

// heatOf is what a reading is of: its dish, or where it names none the one that had come onto the heat last.
func (c *Course) heatOf(r *cooking.Reading) *following {
	var out *following
	for at, f := range c.heat {
		if r.Dish >= 0 && at.Dish != r.Dish || r.At.Before(f.met) {
			continue
		}
		if out == nil || f.met.After(out.met) || f.met.Equal(out.met) && at.Dish < out.Dish {
			out = f
		}
	}
	return out
}

// happens makes what happened to a dish of the cook's events and the readings.
func (c *Course) happens(f *following) {
	d, step := &c.state.Dishes[f.Dish], &c.state.Dishes[f.Dish].Steps[f.Step]
	var happened []probe.Happening
	of := make([]cooking.Reading, 0, len(f.of)+1)
	for _, r := range c.readings.sorted {
		if f.minutes(r.At) <= longest && c.heatOf(&r) == f { // nobody cooks longer: it was forgotten
			of = append(of, r)
			happened = append(happened, probe.Happening{Reading: probe.Reading{Minutes: f.minutes(r.At), Where: r.Where, Celsius: r.Celsius}})
		}
	}
	did := func(what probe.Did, at time.Time) {
		if !at.Before(f.met) {
			happened = append(happened, probe.Happening{Did: what, Reading: probe.Reading{Minutes: min(f.minutes(at), longest)}})
		}
	}
	for _, at := range d.Turned {
		did(probe.TurnedIt, at)
	}
	for _, at := range d.Placed {
		did(probe.PlacedIt, at)
	}
	f.off = step.Done != nil
	if f.off {
		did(probe.TookItOff, *step.Done)
	}
	slices.SortStableFunc(happened, func(a, b probe.Happening) int { return cmp.Compare(a.Minutes, b.Minutes) })
	if !slices.Equal(happened, f.happened) {
		f.stale = true
	}
	f.happened, f.of = happened, of
	f.last = map[probe.Where]cooking.Last{}
	for _, r := range of {
		f.reads(&r)
	}
	for _, r := range c.readings.newest {
		if c.heatOf(&r) == f {
			f.reads(&r)
		}
	}
}

// reads takes note of a reading that may be the last of its place.
func (f *following) reads(r *cooking.Reading) {
	if was, known := f.last[r.Where]; !known || r.At.After(was.At) {
		// Who looks meanwhile keeps what they were given.
		f.last = maps.Clone(f.last)
		f.last[r.Where] = cooking.Last{At: r.At, Celsius: r.Celsius}
	}
}

// countEvery is how far readings of one place are apart that a forecast is made for, min: what comes oftener tells
// little more.
const countEvery = 0.25

// takeReadings folds readings in. Most go on from the last; what belongs before it has its dish looked at anew.
func (c *Course) takeReadings(all []cooking.Reading) {
	anew := map[*following]bool{}
	for i := range all {
		r := &all[i]
		added := c.readings.add(*r)
		f := c.heatOf(r)
		if f == nil {
			continue
		}
		f.reads(r)
		minutes := f.minutes(r.At)
		switch n := len(f.happened); {
		case added == ignored || minutes > longest:
		case added == appended && !anew[f] && (n == 0 || f.happened[n-1].Minutes <= minutes):
			f.of = append(f.of, *r)
			f.happened = append(f.happened, probe.Happening{Reading: probe.Reading{Minutes: minutes, Where: r.Where, Celsius: r.Celsius}})
			if last, known := f.counted[r.Where]; !known || minutes >= last+countEvery {
				f.counted[r.Where], f.stale = minutes, true
			}
		default:
			anew[f] = true
		}
	}
	for f := range anew {
		c.happens(f)
	}
}

// mostShown is about how many readings of the past a screen is given of each place.
const mostShown = 240

// history is the curve of each place: readings that are as far apart as a screen can show, and the last of them.
func (f *following) history() []cooking.Reading {
	by := map[probe.Where][]cooking.Reading{}
	for _, r := range f.of {
		by[r.Where] = append(by[r.Where], r)
	}
	var out []cooking.Reading
	for _, all := range by {
		every := (len(all) + mostShown - 1) / mostShown
		for i, r := range all {
			if i%every == 0 || i >= len(all)-10 {
				out = append(out, r)
			}
		}
	}
	slices.SortStableFunc(out, func(a, b cooking.Reading) int {
		return cmp.Or(cmp.Compare(string(a.Where), string(b.Where)), a.At.Compare(b.At))
	})
	return out
}

// known is what the last forecast says, without making one; nil where none has been made.
func (f *following) known() *cooking.Ahead {
	if f.forecasted == nil {
		return nil
	}
	return &cooking.Ahead{Forecast: *f.forecasted, Begun: f.begun, Last: f.last, History: f.history(), Offset: f.offset}
}

// Impossible says whether no kitchen has such a temperature, degC.
func Impossible(celsius float64) bool {
	return math.IsNaN(celsius) || celsius < -45 || celsius > 400
}
