package probe

import (
	"math"
	"math/rand/v2"

	"cuerda/core/physics/heat"
)

// Truth is what is really so of a simulated bake, and of its probes.
type Truth struct {
	// Warmer is the piece at its start, K; Oven what the oven is out by, K; it swings by Swing, K,
	// to either side every SwingMinutes.
	Warmer, Oven, Swing, SwingMinutes float64
	// Transfer, and Pace of all that goes on inside, are against what is usual; Place is where
	// the tip is, against where it should be, as a share of the height.
	Transfer, Pace, Place float64
	// Noise and Drift are the probe's, K and K an hour; Lag min; Dropout is the share of its
	// readings that do not come.
	Noise, Drift, Lag, Dropout float64
	// Opened are the minutes at which the door stands open for half a minute; Slips is when
	// the probe slips out, below 0 never.
	Opened []float64
	Slips  float64
}

// Drawn is a truth by chance, as far out as the spread says.
func (s Spread) Drawn(r *rand.Rand) Truth {
	return Truth{
		Warmer: s.StartK * r.NormFloat64(), Oven: s.OvenK * r.NormFloat64(), Swing: 2 + 6*r.Float64(), SwingMinutes: 3 + 5*r.Float64(),
		Transfer: math.Exp(s.Transfer * r.NormFloat64()), Pace: math.Exp(s.Pace * r.NormFloat64()), Place: s.Place * r.NormFloat64(),
		Noise: 0.2 + 0.4*r.Float64(), Drift: 0.5 * r.NormFloat64(), Lag: 0.05 + 0.15*r.Float64(), Dropout: 0.1 * r.Float64(), Slips: -1,
	}
}

// Simulation is a bake that really goes on, beside time, for tests and for the simulated
// instruments.
type Simulation struct {
	truth    Truth
	chance   *rand.Rand
	cooking  heat.Cooking
	progress *heat.Progress
	now      float64 // min
	shown    float64 // by the core's probe, degC
	air      float64 // degC
	off      bool
}

// step is how far a simulation goes at once, min.
const step = 1. / 12

// Simulate begins a bake. begin is as New takes it.
func Simulate(c heat.Cooking, begin func(c *heat.Cooking, warmer float64) *heat.Body, t Truth, seed uint64) *Simulation {
	s := &Simulation{truth: t, chance: rand.New(rand.NewPCG(seed, 1)), cooking: c}
	s.cooking.Budget = &heat.Budget{Most: math.Inf(1)}
	own := s.at(0)
	s.progress = own.Start(begin(&own, t.Warmer))
	s.shown = s.progress.Probe(s.height())
	s.air = c.Celsius + t.Oven
	return s
}

func (s *Simulation) height() float64 {
	m := member{}
	m.is[place] = s.truth.Place
	return m.height(s.cooking.Piece.Kind)
}

// openFor is how long a door stands open, min, and fallsBy what it costs, K.
const (
	openFor = 0.5
	fallsBy = 60.
)

// at is the cooking at that minute.
func (s *Simulation) at(minutes float64) heat.Cooking {
	t := &s.truth
	m := member{}
	m.is[passing] = math.Log(t.Transfer)
	out := m.cooking(&s.cooking)
	out.Celsius += t.Oven
	if t.SwingMinutes > 0 {
		out.Celsius += t.Swing * math.Sin(2*math.Pi*minutes/t.SwingMinutes)
	}
	for _, opened := range t.Opened {
		if since := minutes - opened; since >= 0 {
			// It comes back in a minute and a half.
			out.Celsius -= fallsBy * min(1, since/openFor) * math.Exp(-max(0, since-openFor)/1.5)
		}
	}
	return out
}

// Minutes is how far it has gone.
func (s *Simulation) Minutes() float64 { return s.now }

// Advance goes on to that minute.
func (s *Simulation) Advance(minutes float64) {
	for s.now < minutes-1e-9 {
		by := min(step, minutes-s.now)
		if !s.off {
			c := s.at(s.now)
			s.air = c.Celsius
			s.progress.Refigure(c)
		}
		s.progress.Advance(by * s.truth.Pace)
		s.now += by
		at := s.progress.Probe(s.height())
		switch {
		case s.truth.Slips >= 0 && s.now >= s.truth.Slips && s.off:
			at = s.cooking.Room
		case s.truth.Slips >= 0 && s.now >= s.truth.Slips:
			at = s.air
		}
		lag := s.truth.Lag
		if lag <= 0 {
			lag = 1e-6
		}
		s.shown = at + (s.shown-at)*math.Exp(-by/lag)
	}
}

// Readings are what the probes send now; none of one that drops out.
func (s *Simulation) Readings() (out []Reading) {
	t := &s.truth
	say := func(w Where, celsius, noise float64) {
		if s.chance.Float64() >= t.Dropout {
			out = append(out, Reading{s.now, w, math.Round(10*(celsius+noise*s.chance.NormFloat64())) / 10})
		}
	}
	say(Core, s.shown+t.Drift*s.now/60, t.Noise)
	air := s.air
	if s.off {
		air = s.cooking.Room
	}
	say(Oven, air, 1+t.Noise)
	return out
}

// Progress is the piece itself, for what the cook does with it.
func (s *Simulation) Progress() *heat.Progress { return s.progress }

// Forecast is when it really is to be taken off, min, as its oven goes on.
func (s *Simulation) Forecast() float64 {
	ahead := s.progress.Forecast()
	return s.now + max(0, ahead.Pull-s.progress.Minutes())/s.truth.Pace
}

// TakeOff takes it off the heat.
func (s *Simulation) TakeOff() {
	s.progress.TakeOff()
	s.off = true
}

// Slip pulls the probe out now; PutIn puts it in again, somewhere else.
func (s *Simulation) Slip() { s.truth.Slips = s.now }

// PutIn puts the probe in again so far from where it should be.
func (s *Simulation) PutIn(place float64) { s.truth.Slips, s.truth.Place = -1, place }

// Open opens the door for half a minute.
func (s *Simulation) Open() { s.truth.Opened = append(s.truth.Opened, s.now) }
