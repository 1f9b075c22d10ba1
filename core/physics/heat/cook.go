package heat

import (
	"cuerda/core/physics/method"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

// Cooking is one piece and what is done to it.
type Cooking struct {
	Piece    piece.Piece
	Material *Material
	Method   method.Method
	// Celsius of the surroundings as they are, an oven's own error put right.
	Celsius float64
	Turn    bool
	// Room is the air of the kitchen, degC.
	Room float64
	// SearMinutes in a hot pan, each side, come before; GrillMinutes under the
	// grill, in an oven, are the last before it is pulled.
	SearMinutes, GrillMinutes float64
	// Wall is the depth of what is asked for in WallPeak, m; 0 where it is not.
	Wall float64
	// Target is what the coldest point must reach, or Hold its equal.
	Target Target
	// ToTargetOnly leaves out when to pull it and its rest.
	ToTargetOnly bool
	// Framed keeps sections of the piece over time.
	Framed bool
	// Resolution is the usual one where it is zero.
	Resolution Resolution
	// Parameters are those of the kitchen; the usual ones where it is nil.
	Parameters *parameter.Heat
	// Budget is shared by all bodies that are begun for it; each has its own where it is
	// nil.
	Budget *Budget
}

func (c *Cooking) figures() *parameter.Heat {
	if c.Parameters == nil {
		return &parameter.Usual().Heat
	}
	return c.Parameters
}

// GeometryOf gives the body of a piece: a ball, a shell without thickness as a
// sphere; flat pieces, rolls and half-vessels as a disc; loaves as a brick.
// Shells and layered loaves are taken whole, with what is inside them.
func GeometryOf(p *piece.Piece) Geometry {
	r := p.DiameterMM / 2000
	switch p.Kind {
	case piece.Ball:
		return Geometry{Shape: Sphere, Radius: r}
	case piece.Cylinder:
		return Geometry{Shape: Disc, Radius: r, Height: p.LengthMM / 1000}
	case piece.Loaf, piece.Layered:
		return Geometry{Shape: Brick, Length: max(p.LengthMM, p.WidthMM) / 1000, Width: min(p.LengthMM, p.WidthMM) / 1000, Height: p.HeightMM / 1000}
	case piece.Shell:
		if p.ThicknessMM == 0 {
			return Geometry{Shape: Sphere, Radius: r}
		}
	case piece.Stuffing:
		d, h := p.DiameterMM, p.HeightMM
		if d == 0 || h == 0 {
			d, h = piece.HalfVessel.DiameterMM, piece.HalfVessel.HeightMM
		}
		return Geometry{Shape: Disc, Radius: d / 2000, Height: h / 1000}
	}
	return Geometry{Shape: Disc, Radius: r, Height: p.ThicknessMM / 1000}
}

// surround puts the piece where its method has it.
func (c *Cooking) surround(b *Body, m method.Method, celsius float64) {
	by := m.Row().Transfer
	if by.Around.Of == method.Nothing {
		return
	}
	meet := func(f method.Face) Surroundings { return c.meet(f, celsius) }
	if b.Shape == Sphere || c.Piece.Kind == piece.Cylinder {
		b.SurroundAll(meet(by.Round))
		return
	}
	b.SurroundAll(meet(by.Around))
	if c.Piece.Held() && by.Held.Of != method.Nothing {
		b.Surround(Rim, meet(by.Held))
		b.Surround(Flank, meet(by.Held))
	}
	if by.Top.Of != method.Nothing {
		b.Surround(Top, meet(by.Top))
	}
	if by.Bottom.Of != method.Nothing {
		b.Surround(Bottom, meet(by.Bottom))
	}
}

// meet gives what a face meets where its method is set to celsius.
func (c *Cooking) meet(f method.Face, celsius float64) Surroundings {
	whole := c.source(f.Of, celsius)
	if f.Share == nil {
		return whole
	}
	return Partly(whole, f.Share(c.figures()), c.source(f.Else, celsius))
}

// source gives the surroundings of a name.
func (c *Cooking) source(s method.Source, celsius float64) Surroundings {
	f := c.figures()
	switch s {
	case method.StillAir:
		return StillOven(f, celsius)
	case method.MovedAir:
		return FanOven(f, celsius)
	case method.HotMetal:
		return Metal(f, celsius)
	case method.HotPan:
		return HotPan(f, celsius)
	case method.HotOil:
		return Oil(f, celsius)
	case method.Liquid:
		return Liquid(f, min(celsius, c.Material.boilAt))
	case method.BesidePan:
		return besidePan(f, celsius, c.Room)
	case method.Element:
		return GrillAbove(f, celsius)
	case method.UnderElement:
		return StillOven(f, f.UnderGrill*celsius)
	case method.MetalUnderGlow:
		return Metal(f, f.UnderGrill*celsius)
	}
	return Room(f, c.Room)
}

// besidePan is the air around and above a piece in a pan, which rises from the hot
// metal: half-way between the room's and the pan's, grade C.
func besidePan(f *parameter.Heat, celsius, room float64) Surroundings {
	out := Room(f, room)
	out.Celsius = (celsius + room) / 2
	return out
}

// Chill leaves a piece in a fridge or a freezer, on its tray and covered, for so
// many minutes; what it meets next meets it rested.
func (c *Cooking) Chill(b *Body, celsius, minutes float64) {
	whole := b.budget
	b.budget = &Budget{Done: whole.Done, Most: coldBudget}
	defer func() { b.budget = whole }()
	c.Cool(b, celsius)
	b.Advance(60*minutes, nil)
	b.Restart()
}

// Cool puts a piece into a fridge or a freezer of that temperature.
func (c *Cooking) Cool(b *Body, celsius float64) {
	f := c.figures()
	b.SurroundAll(Cold(f, celsius))
	b.Surround(Bottom, ColdTray(f, celsius))
}

// Moment is one point of the curves.
type Moment struct {
	Minutes float64
	// Core is the coldest point inside, Surface the side that browns, degC.
	Core, Surface float64
}

// Course is what happens to a piece from the start until it has rested.
type Course struct {
	Moments []Moment
	// Reached says whether the coldest point came to the target while it cooked;
	// ToTarget when, min.
	Reached  bool
	ToTarget float64
	// Pull is when to take it off, so that the heat on its way in brings it to
	// the target while it rests, min.
	Pull float64
	// Turns are when to turn it, min; SearEnds when it goes into the oven and
	// GrillFrom when under the grill, nil if it does not.
	Turns     []float64
	SearEnds  *float64
	GrillFrom *float64
	// Peak is the highest the coldest point comes to, degC.
	Peak float64
	// Vapour is the water lost until it has rested, Juiced the share of its lean
	// meat's water it could no longer hold, g per g of lean.
	VapourShare float64 // g per g of piece
	Juiced      float64
	// WallPeak is the highest temperature of the slowest place within Wall of the
	// surface, once rested, degC.
	WallPeak float64
	// Browning is 0 pale to 1 dark, of the side browned most.
	Browning float64
	// Lethal is F70 of the coldest point, min, when pulled and after the rest.
	LethalAtPull, Lethal float64
	// Section shows the piece cut through over time.
	Section Section
	// Mean is the temperature the rested piece evens out to, degC.
	Mean float64
}

// longestCook is as long as a piece is followed, min: what has not come to its
// target by then will not.
const longestCook = 8 * 60.

// Begin gives a body of one temperature for the piece.
func (c *Cooking) Begin(celsius float64) *Body {
	g := GeometryOf(&c.Piece)
	resolution := c.Resolution
	if resolution == (Resolution{}) {
		resolution = usualResolution[g.Shape]
		if g.Shape == Disc && c.Method.Row().BrownsBelow {
			resolution.Up = layersInAPan
		}
	}
	b := New(g, c.Material, celsius, resolution)
	if c.Budget != nil {
		b.budget = c.Budget
	}
	return b
}
