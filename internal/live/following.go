package live

import (
	"cmp"
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

// following is a dish on the heat with its probes.
type following struct {
	schedule.Ref
	begun time.Time
	// met is when its step began: after the pan's where it was seared.
	met time.Time
	// offset is how much hotter the oven is known to be than it says, K.
	offset float64

	mu       sync.Mutex
	follow   *probe.Follow
	forecast *probe.Forecast
	asked    bool // for a forecast
	stale    bool // there are readings that the forecast does not know
	made     time.Time
	turned   int
	placed   int
	off      bool
	last     map[probe.Where]cooking.Last
	history  []cooking.Reading
}

// mostShown is how many readings of the past a screen is given.
const mostShown = 240

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
	f := &following{Ref: at, begun: *begun, met: *begun, offset: k.OvenOffset, last: map[probe.Where]cooking.Last{}}
	f.follow = probe.New(c, body, probe.Usual())
	if sides := c.SearSides(); sides > 0 {
		// Its step is the one after the pan's, each side of which had its minutes.
		for side := 1; side < sides; side++ {
			f.follow.Turn(float64(side) * c.SearMinutes)
		}
		seared := float64(sides) * c.SearMinutes
		f.follow.OntoHeat(seared)
		f.begun = f.begun.Add(-time.Duration(seared * float64(time.Minute)))
	}
	f.stale = true
	return f
}

func (f *following) minutes(at time.Time) float64 { return at.Sub(f.begun).Minutes() }

// longest is as long as a piece is followed, min.
const longest = 8 * 60

// does has happen to it what the cook did by then.
func (f *following) does(d *cooking.DishState, step *cooking.StepState, by time.Time) {
	f.mu.Lock()
	defer f.mu.Unlock()
	for ; f.turned < len(d.Turned) && !d.Turned[f.turned].After(by); f.turned++ {
		if at := d.Turned[f.turned]; !at.Before(f.begun) {
			f.follow.Turn(f.minutes(at))
			f.stale = true
		}
	}
	for ; f.placed < len(d.Placed) && !d.Placed[f.placed].After(by); f.placed++ {
		f.follow.Placed(f.minutes(d.Placed[f.placed]))
		f.stale = true
	}
	if step.Done != nil && !f.off && !step.Done.After(by) {
		f.off, f.stale = true, true
		f.follow.TakeOff(min(f.minutes(*step.Done), longest))
	}
}

// reads takes a reading over.
func (f *following) reads(r cooking.Reading) probe.Took {
	f.mu.Lock()
	defer f.mu.Unlock()
	minutes := f.minutes(r.At)
	if minutes < 0 {
		return probe.Late
	}
	if minutes > longest {
		return probe.Noted // nobody cooks so long: it was forgotten
	}
	took := f.follow.Read(probe.Reading{Minutes: minutes, Where: r.Where, Celsius: r.Celsius})
	if took == probe.Late {
		return took
	}
	f.last[r.Where] = cooking.Last{At: r.At, Celsius: r.Celsius}
	f.remember(r)
	f.stale = f.stale || took == probe.Used || took == probe.Aside
	return took
}

func (f *following) isOff() bool {
	f.mu.Lock()
	defer f.mu.Unlock()
	return f.off
}

// again takes over what another following of the same piece was told.
func (f *following) again(was *following) {
	was.mu.Lock()
	told := slices.Clone(was.history)
	was.mu.Unlock()
	slices.SortStableFunc(told, func(a, b cooking.Reading) int { return a.At.Compare(b.At) })
	for _, r := range told {
		f.reads(r)
	}
}

// remember keeps readings for the curve, the older ones farther apart.
func (f *following) remember(r cooking.Reading) {
	f.history = append(f.history, r)
	if len(f.history) <= 2*mostShown {
		return
	}
	kept := f.history[:0]
	seen := map[probe.Where]int{}
	for i, h := range f.history {
		if seen[h.Where]++; seen[h.Where]%2 == 0 || i > len(f.history)-20 {
			kept = append(kept, h)
		}
	}
	f.history = slices.Clip(kept)
}

// forecastNow forecasts anew where there is something new to know, at now by the course's clock.
func (f *following) forecastNow(now time.Time) *cooking.Ahead {
	f.mu.Lock()
	defer f.mu.Unlock()
	if f.forecast == nil || f.stale || !f.off && f.minutes(now) > f.forecast.Now+1 {
		f.follow.Advance(min(f.minutes(now), longest))
		ahead := f.follow.Forecast()
		f.forecast, f.stale = &ahead, false
	}
	return f.ahead()
}

func (f *following) ahead() *cooking.Ahead {
	if f.forecast == nil {
		return nil
	}
	out := &cooking.Ahead{Forecast: *f.forecast, Begun: f.begun, Last: map[probe.Where]cooking.Last{}, Offset: f.offset}
	for w, l := range f.last {
		out.Last[w] = l
	}
	out.History = slices.Clone(f.history)
	slices.SortStableFunc(out.History, func(a, b cooking.Reading) int { return cmp.Compare(string(a.Where), string(b.Where)) })
	return out
}

// known is the last forecast, without making one.
func (f *following) known() *cooking.Ahead {
	f.mu.Lock()
	defer f.mu.Unlock()
	return f.ahead()
}

// Impossible says whether no kitchen has such a temperature, degC.
func Impossible(celsius float64) bool {
	return math.IsNaN(celsius) || celsius < -45 || celsius > 400
}
