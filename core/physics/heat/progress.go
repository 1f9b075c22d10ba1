package heat

// Progress is one piece beside time: it goes on as the clock does, the cook does with it
// what cooks do, and at any moment it can be observed, and its end forecast. The whole of
// a cooking (Run) is a progress forecast from its first moment.
type Progress struct{ run *run }

// Start puts a body, which is as the chill or the room left it, onto its first heat: the
// hot pan where it is seared, where its method has it elsewhere. The body is the
// progress's own from then on.
func (c *Cooking) Start(b *Body) *Progress {
	own := *c
	return &Progress{own.start(b)}
}

// Run forecasts the piece from b, which is as the chill or the room left it. The body
// stays as it was.
func (c *Cooking) Run(b *Body) Course { return c.Start(b.Clone()).Forecast() }

// Clone is a progress of its own that stands where this one does.
func (p *Progress) Clone() *Progress {
	c := *p.run.Cooking
	return &Progress{p.run.fork(&c, p.run.how)}
}

// Minutes is the time since it met the heat.
func (p *Progress) Minutes() float64 { return p.run.minutes() }

// Advance goes on for so many minutes where the piece is. Nothing is done with it
// meanwhile: a cook who is late is late.
func (p *Progress) Advance(minutes float64) {
	r := p.run
	r.body.Advance(60*minutes, func() bool {
		r.note()
		r.keep(r.core)
		return false
	})
}

// Turn puts the other side down.
func (p *Progress) Turn() {
	if r := p.run; r.heat == searing && r.sides > 1 {
		r.turnInPan()
	} else {
		r.turn()
	}
}

// OntoHeat takes it from the pan it was seared in to where its method has it.
func (p *Progress) OntoHeat() {
	if p.run.heat == searing {
		p.run.ontoHeat()
	}
}

// Reset changes the temperature of what it is cooked in, degC.
func (p *Progress) Reset(celsius float64) {
	r := p.run
	r.Celsius = celsius
	if r.heat == onHeat {
		r.surround(r.body, r.Method, celsius)
	}
}

// Grill puts it under the grill, from where it is taken off.
func (p *Progress) Grill() {
	r := p.run
	if r.heat == off {
		return
	}
	from := r.minutes()
	r.heat, r.course.GrillFrom = grilling, &from
	r.finish(r.body)
}

// TakeOff ends its cooking.
func (p *Progress) TakeOff() {
	if r := p.run; r.heat != off {
		if !r.course.Reached {
			r.course.ToTarget = r.minutes()
		}
		r.takeOff()
	}
}

// Observation is what instruments would tell of a piece, degC.
type Observation struct {
	Minutes float64
	// Core is the coldest place of its thickest part, Surface the side that browns,
	// Mean what it would even out to.
	Core, Surface, Mean float64
	// Lethal is F70 of the core, min; Browning 0 pale to 1 dark so far.
	Lethal, Browning float64
	// Done says whether it has reached its target.
	Done bool
}

// Observe tells how it is now.
func (p *Progress) Observe() Observation {
	r := p.run
	out := Observation{Minutes: r.minutes(), Core: r.core, Surface: r.body.Surface(r.face()), Mean: r.body.Mean(), Lethal: r.lethal, Done: r.done}
	for _, v := range r.browned {
		out.Browning = max(out.Browning, brownedBy(v))
	}
	return out
}

// Probe is the temperature at a place on the upright axis of the piece, degC: at 0 the
// bottom, at 1 the top; of a ball, 0 is its middle and 1 its skin.
func (p *Progress) Probe(height float64) float64 { return p.run.body.OnAxis(height) }

// Forecast follows it from now as it is planned, to the end of its rest. It stays as it
// is: what is forecast happens to another body.
func (p *Progress) Forecast() Course { return p.run.plan() }
