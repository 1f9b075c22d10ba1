// Package bake says what cooking does to a build: how many pieces, how long,
// when to turn and to take off, what it costs in weight, whether the binders
// have set, and the steps from the first soak to the table. It joins documents
// to the physics of package heat and the guidance of package safety.
package bake

import (
	"math"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/physics/safety"
	"cuerda/core/predict/steps"
)

// Point is one moment of the curves, degC.
type Point struct {
	Minutes        float64
	CoreCelsius    float64
	SurfaceCelsius float64
}

// BinderSet is how far a binder has set where the piece stays coolest.
type BinderSet struct {
	Food    string
	Celsius float64 // at which half of it has
	Share   float64 // 0..1
}

// CookNote is something to know: why there is no answer, a limit that is passed or
// a caution.
type CookNote struct {
	Code  string
	Kind  string
	Value float64
	Limit float64
}

// Baked is what cooking does. Times are in min from when the piece meets the
// heat; shares of weight in per cent of the raw piece.
type Baked struct {
	// Reached says whether the slowest place comes to the target at all.
	Reached         bool
	MinutesToTarget *float64
	PullAt          *float64
	TurnAt          *float64
	Turns           []float64
	// SearEnds is when it goes from the pan into the oven, GrillFrom when under the
	// grill; missing where it does not.
	SearEnds    *float64
	GrillFrom   *float64
	PeakCelsius float64
	// WallPeakCelsius is the peak of the slowest place of the mix itself, where it
	// lies around a filling or a middle.
	WallPeakCelsius *float64
	StartCelsius    float64
	// Freeze is how long the raw pieces take in the freezer, where they come from
	// there; missing where they do not, or never freeze.
	Freeze        *float64
	AroundCelsius float64

	// Target is what the coldest place is to reach, and Guidance what is usual.
	Target   safety.Target
	Guidance safety.Target
	// Mix says how the piece takes up heat, half-way to its target.
	Mix heat.Thermal
	// F70 is minutes at 70 degC that the slowest place has had, or their equal,
	// once rested.
	F70AtPull float64
	F70       float64

	WeightLossPct float64
	WaterLossPct  float64
	JuiceLossPct  float64
	FatLossPct    float64
	// Browning is an estimate, 0 pale to 1 dark.
	Browning     float64
	BrowningWord string

	// After cooking: the index and whether it eats dry, and the hold with what
	// has set where it stays coolest.
	CookedQ  *float64
	Dryness  string
	Sets     []BinderSet
	SetKPa   float64
	SetRatio float64
	// SetChance is that it holds cooked, as far as its binders have set, 0..1.
	SetChance  float64
	SetMinutes float64

	// Piece is the piece as the mix makes it: where so many are asked for, or of a loaf, its size follows.
	Piece piece.Piece
	Yield piece.Yield
	Load  piece.Load
	Curve []Point
	// Section is the piece cut through over time; absent where it was not asked for.
	Section *heat.Section
	Steps   []Step
	// Needs is the work as a graph of needs, of which Steps are the cord.
	Needs *steps.Graph
	// LateMinutes is how long ago the first step should have begun.
	LateMinutes float64
	Notes       []CookNote
}

// Options choose what is worked out.
type Options struct {
	Section bool
	// Done, once closed, ends the work: nobody waits for the answer any more.
	Done <-chan struct{}
	// Now is the time of day, min after midnight; below 0 it is not known.
	Now float64
}

type baking struct {
	k        *kitchen.Kitchen
	d        *document.Document
	lines    []mix.Line
	heated   []mix.Line // with those of the parts that are cooked with the piece
	parts    []mix.Part
	rest     mix.Rest
	state    mix.State
	piece    piece.Piece
	method   method.Method
	turn     bool
	dial     float64 // what the oven, the pan or the pot is set to, degC
	celsius  float64 // as they are around the piece
	boil     float64
	contents heat.Composition // of the piece as a whole
	density  float64          // of the mix, kg/m3
	material *heat.Material
	target   safety.Target
	guidance safety.Target
	budget   heat.Budget // for all that is followed of one document
}

func prepare(d *document.Document, k *kitchen.Kitchen) *baking {
	b := &baking{k: k, d: d, lines: d.MixLines(k.Foods), rest: d.RestIn(k)}
	b.parts = mix.Parts(b.lines)
	b.piece = d.PieceIn(k, b.parts)
	b.state = mix.AssessParts(d.Bowl(b.parts), b.rest)
	b.method, b.turn = d.MethodAndTurn()
	b.celsius = b.method.Row().Celsius
	if d.Cook != nil && d.Cook.Celsius != nil {
		b.celsius = *d.Cook.Celsius
	}
	b.dial = b.celsius
	if b.method.Row().Oven {
		b.celsius += k.OvenOffset
	}
	b.boil = heat.BoilingPoint(k.AltitudeM)
	if b.method.Row().InWater() {
		b.celsius = min(b.celsius, b.boil)
	}
	own := heat.CompositionOf(b.parts)
	b.density = own.Density()
	b.contents = b.throughout(own)
	b.material = heat.NewMaterial(b.contents, b.boil)
	b.heated = append(b.heated, b.lines...)
	for i := range d.Parts {
		if p := &d.Parts[i]; p.Kind.OnPiece() {
			b.heated = append(b.heated, p.MixLines(k.Foods)...)
		}
	}
	b.guidance = k.TargetFor(b.heated, b.piece.Kind)
	b.target = b.guidance
	if d.Cook != nil && d.Cook.TargetCelsius != nil {
		b.target = safety.Target{Celsius: *d.Cook.TargetCelsius, Reason: b.guidance.Reason, Food: b.guidance.Food}
	}
	return b
}

func (b *baking) cooking() heat.Cooking {
	c := heat.Cooking{
		Parameters: &b.k.Parameters.Heat, Budget: &b.budget,
		Piece: b.piece, Material: b.material, Method: b.method, Celsius: b.celsius, Turn: b.turn, Room: b.k.RoomCelsius,
		Target: heat.Target{Celsius: b.target.Celsius, HoldMinutes: b.target.Minutes},
	}
	if b.d.Cook != nil {
		c.SearMinutes, c.GrillMinutes = b.d.Cook.SearMinutes, b.d.Cook.GrillMinutes
		if b.piece.Held() {
			c.SearMinutes = 0
		}
	}
	return c
}

// OnTheHeat is the piece of a build as it is cooked, and how its body meets the heat, so many K
// warmer than it should: what is followed beside time. ok is false where nothing is cooked.
func OnTheHeat(d *document.Document, k *kitchen.Kitchen) (c heat.Cooking, begin func(c *heat.Cooking, warmer float64) *heat.Body, ok bool) {
	b := prepare(d, k)
	if b.stop() != nil {
		return heat.Cooking{}, nil, false
	}
	c = b.cooking()
	c.Budget = nil
	return c, func(c *heat.Cooking, warmer float64) *heat.Body { return d.BeginWarmer(c, k, warmer) }, true
}

// Bake works the whole answer out. The document is one that Read has accepted.
func Bake(d *document.Document, k *kitchen.Kitchen, o Options) Baked {
	b := prepare(d, k)
	b.budget.Done = o.Done
	out := Baked{Turns: []float64{}, Sets: []BinderSet{}, Curve: []Point{}, Notes: []CookNote{}, Target: b.target, Guidance: b.guidance, AroundCelsius: b.celsius, SetMinutes: heat.RestMinutes(&k.Parameters.Heat, b.piece.Kind)}
	out.Mix = b.contents.ThermalAt(40)
	out.Piece = b.piece
	out.Yield = b.k.Yield(&b.piece, b.state.Mass, b.density)
	out.Load = b.piece.Lay(max(1, out.Yield.Pieces), b.method, k.Ware, &k.Parameters.Lay)
	out.Load.Beside(min(k.Pans, k.Burners, mostPans), max(1, out.Yield.Pieces))
	if s := b.stop(); s != nil {
		out.Notes = append(out.Notes, *s)
	} else {
		b.cook(&out, o)
	}
	out.Notes = append(out.Notes, b.notes(&out)...)
	out.Needs = b.needs(&out)
	table := tableMinutes(b.d)
	out.Steps = stepsOf(out.Needs, table)
	out.LateMinutes = math.Round(steps.Late(out.Steps[0].Before, table, o.Now))
	return out
}

// stop says why there is nothing to cook, or nothing that could come of it.
func (b *baking) stop() *CookNote {
	switch {
	case b.state.Mass <= 0:
		return &CookNote{Code: "empty-mix", Kind: "stop"}
	case b.celsius <= b.target.Celsius+1:
		return &CookNote{Code: "target-above-surroundings", Kind: "stop", Value: b.celsius, Limit: b.target.Celsius}
	}
	return nil
}

func (b *baking) cook(out *Baked, o Options) {
	c := b.cooking()
	c.Framed = o.Section
	if b.d.Frozen() {
		out.Freeze = b.freezing()
	}
	body := b.d.Begin(&c, b.k)
	out.StartCelsius = body.Mean()
	c.Wall = b.wall()
	course := c.Run(body)
	out.Reached = course.Reached
	if course.Reached {
		to, pull := course.ToTarget, course.Pull
		out.MinutesToTarget, out.PullAt = &to, &pull
		out.Turns = append(out.Turns, course.Turns...)
		if len(out.Turns) > 0 {
			first := out.Turns[0]
			out.TurnAt = &first
		}
	} else {
		out.Notes = append(out.Notes, CookNote{Code: "not-reached", Kind: "stop", Value: course.Peak, Limit: b.target.Celsius})
	}
	out.SearEnds, out.GrillFrom = course.SearEnds, course.GrillFrom
	out.PeakCelsius = course.Peak
	out.F70AtPull, out.F70 = min(course.LethalAtPull, 999), min(course.Lethal, 999)
	out.Browning, out.BrowningWord = course.Browning, brownWord(course.Browning)
	out.Curve = thin(course.Moments)
	if o.Section {
		out.Section = &course.Section
	}
	b.lose(&course, out)
	coolest := course.Peak
	if c.Wall > 0 && course.WallPeak > 0 {
		coolest = course.WallPeak
		wall := coolest
		out.WallPeakCelsius = &wall
	}
	b.set(coolest, out)
}

// mostPans is how many pans one cook minds together.
const mostPans = 2

// manyGoes is from how many goes on what was fried first is cold before the last is done.
const manyGoes = 3

func brownWord(share float64) string {
	switch {
	case share < 0.12:
		return "pale"
	case share < 0.4:
		return "golden"
	case share < 0.85:
		return "brown"
	}
	return "dark"
}

// mostPoints is as many as a curve can show.
const mostPoints = 120

// apart is how far the points of a curve are from each other at least, min.
const apart = 0.01

// jump is what a skin changes at once when it meets something else, K.
const jump = 2.

func thin(moments []heat.Moment) []Point {
	out := make([]Point, 0, min(len(moments), mostPoints+1))
	every := float64(len(moments)) / mostPoints
	next := 0.0
	for i, m := range moments {
		if float64(i) < next && i != len(moments)-1 {
			continue
		}
		next += max(1, every)
		at := Point{m.Minutes, m.Core, m.Surface}
		if n := len(out); n > 0 && at.Minutes < out[n-1].Minutes+apart-1e-9 {
			if math.Abs(at.SurfaceCelsius-out[n-1].SurfaceCelsius) < jump {
				out[n-1] = at
				continue
			}
			at.Minutes = out[n-1].Minutes + apart // taken off, or turned, at that very moment
		}
		out = append(out, at)
	}
	return out
}

func (b *baking) notes(out *Baked) []CookNote {
	var notes []CookNote
	add := func(code, kind string, value, limit float64) {
		notes = append(notes, CookNote{code, kind, value, limit})
	}
	if least, guided := b.guidance.Least(); guided && below(b.target, least) {
		add("below-guidance", "limit", b.target.Celsius, least.Celsius)
	}
	if fill := b.piece.Fill(); fill > piece.FillLimit+0.005 {
		add("tin-too-full", "limit", 100*fill, 100*piece.FillLimit)
	} else if fill = b.piece.UsualFill(); fill > 1 {
		add("tin-too-full", "limit", 100*fill, 100*piece.FillLimit)
	}
	switch {
	case out.Load.Holds == 0:
		add("does-not-fit", "limit", max(out.Load.AcrossMM, out.Load.AlongMM), 0)
	case out.Load.Batches > 1:
		add("batches", "limit", float64(out.Load.Batches), 0)
		if out.Load.Batches >= manyGoes && b.method.Row().Crisps() {
			add("keep-warm", "limit", float64(out.Load.Batches), 0)
		}
	}
	if out.Yield.PieceG > 0 && out.Yield.Pieces == 0 && b.state.Mass > 0 {
		add("less-than-one", "limit", b.state.Mass, out.Yield.PieceG)
	}
	if b.piece.Held() && b.d.Cook != nil && b.d.Cook.SearMinutes > 0 {
		add("no-sear", "limit", b.d.Cook.SearMinutes, 0)
	}
	if out.Dryness == "dry" {
		add("wants-sauce", "limit", 0, 0)
	}
	for _, c := range safety.CautionsFor(b.method, b.celsius, b.piece.Kind) {
		value, limit := 0.0, 0.0
		if c == "oil-too-hot" {
			value, limit = b.celsius, safety.OilLimit
		}
		add(c, "caution", value, limit)
	}
	return notes
}

// below says whether a target asks for less heat than guidance does: both as
// minutes at 70 degC, a moment being a second.
func below(t, guidance safety.Target) bool {
	f := func(x safety.Target) float64 {
		return max(x.Minutes, 1./60) * math.Pow(10, (x.Celsius-70)/7.5)
	}
	return f(t) < 0.97*f(guidance)
}
