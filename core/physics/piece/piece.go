// Package piece knows the shapes a mix is made into: their size and volume,
// what each must bear raw and cooked, and which consistency it wants. It
// implements the demands of section 3 of docs/model.md. Lengths are in mm at
// the edge of the package, as cooks measure them, and in m inside formulas.
package piece

import (
	"cuerda/core/physics/method"
	"cuerda/core/physics/parameter"
)

// Kind is the shape of a piece.
type Kind string

// The kinds of piece.
const (
	Ball     Kind = "ball"
	Patty    Kind = "patty"
	Loaf     Kind = "loaf"
	Cylinder Kind = "cylinder"
	Shell    Kind = "shell"
	Stuffing Kind = "stuffing" // loose, or in a half-vessel such as a pepper
	Fritter  Kind = "fritter"  // dropped from a spoon
	Layered  Kind = "layered"  // a loaf with a middle of something else
)

// Kinds lists every kind.
var Kinds = []Kind{Patty, Ball, Loaf, Cylinder, Shell, Stuffing, Fritter, Layered}

// Piece is one piece of the mix. Which sizes count depends on the kind; a
// size of 0 is not given.
type Piece struct {
	Kind        Kind    `json:"kind"`
	DiameterMM  float64 `json:"diameter_mm,omitempty"`
	ThicknessMM float64 `json:"thickness_mm,omitempty"`
	LengthMM    float64 `json:"length_mm,omitempty"`
	WidthMM     float64 `json:"width_mm,omitempty"`
	HeightMM    float64 `json:"height_mm,omitempty"`
	SliceMM     float64 `json:"slice_mm,omitempty"`
	WallMM      float64 `json:"wall_mm,omitempty"`
	MiddleMM    float64 `json:"middle_mm,omitempty"`
	// TinHeightMM is the depth of a loaf's tin, whose length and width are the loaf's.
	TinHeightMM float64 `json:"tin_height_mm,omitempty"`
	// Tin says whether a loaf is held by a tin.
	Tin *bool `json:"tin,omitempty"`
	// Count is how many are asked for: their size then follows the mix. 0 where the size is what is
	// asked for, and the number follows.
	Count int `json:"count,omitempty" minimum:"0" maximum:"500"`
}

// MaxCount is how many pieces may be asked for.
const MaxCount = 500

// IsLoaf says whether it is a loaf, with a middle or without.
func (k Kind) IsLoaf() bool { return k == Loaf || k == Layered }

// IsFlat says whether it is a disc that lies on its side: a patty or a fritter.
func (k Kind) IsFlat() bool { return k == Patty || k == Fritter }

// InTin says whether the piece is a loaf held by a tin, as a loaf is unless it
// says otherwise.
func (p *Piece) InTin() bool { return p.Kind.IsLoaf() && (p.Tin == nil || *p.Tin) }

// Held says whether the piece stands in a tin or a half-vessel, which covers its
// sides, and which nobody turns or sears.
func (p *Piece) Held() bool { return p.InTin() || p.Kind == Stuffing }

// Size names one dimension of a kind, with what it is when it is not given.
type Size struct {
	Field   string
	Default float64
	Needed  bool
}

// Sizes gives the dimensions that count for a kind, in the order of their
// importance. A shell without a thickness is a ball; a stuffing needs none.
func (k Kind) Sizes() []Size {
	switch k {
	case Ball:
		return []Size{{"diameter_mm", 38, true}}
	case Patty:
		return []Size{{"diameter_mm", 80, true}, {"thickness_mm", 18, true}}
	case Loaf:
		return []Size{{"length_mm", 210, true}, {"width_mm", 110, true}, {"height_mm", 60, true}, {"slice_mm", 15, false}, {"tin_height_mm", 0, false}}
	case Layered:
		return []Size{{"length_mm", 210, true}, {"width_mm", 110, true}, {"height_mm", 65, true}, {"middle_mm", 15, false}, {"slice_mm", 15, false}, {"tin_height_mm", 0, false}}
	case Fritter:
		return []Size{{"diameter_mm", 60, true}, {"thickness_mm", 14, true}}
	case Cylinder:
		return []Size{{"diameter_mm", 30, true}, {"length_mm", 90, true}}
	case Shell:
		return []Size{{"diameter_mm", 60, true}, {"thickness_mm", 0, false}, {"wall_mm", 10, false}}
	case Stuffing:
		return []Size{{"diameter_mm", 0, false}, {"height_mm", 0, false}}
	}
	return nil
}

// Usual gives a piece of that kind in its usual size.
func Usual(k Kind) Piece {
	p := Piece{Kind: k}
	for _, s := range k.Sizes() {
		p.Set(s.Field, s.Default)
	}
	return p
}

// Get gives the size of that field name, mm; 0 if it is not given.
func (p *Piece) Get(field string) float64 {
	if at := p.at(field); at != nil {
		return *at
	}
	return 0
}

// Set sets the size with that field name, mm, and says whether there is one.
func (p *Piece) Set(field string, mm float64) bool {
	at := p.at(field)
	if at != nil {
		*at = mm
	}
	return at != nil
}

func (p *Piece) at(field string) *float64 {
	switch field {
	case "diameter_mm":
		return &p.DiameterMM
	case "thickness_mm":
		return &p.ThicknessMM
	case "length_mm":
		return &p.LengthMM
	case "width_mm":
		return &p.WidthMM
	case "height_mm":
		return &p.HeightMM
	case "slice_mm":
		return &p.SliceMM
	case "wall_mm":
		return &p.WallMM
	case "middle_mm":
		return &p.MiddleMM
	case "tin_height_mm":
		return &p.TinHeightMM
	}
	return nil
}

// UsualMethod is how a cook usually cooks a piece of that kind.
func (k Kind) UsualMethod() method.Method {
	if k.IsFlat() {
		return method.Pan
	}
	return method.StillOven
}

const (
	density = 1050. // kg/m3, section 3 of docs/model.md
	gravity = 9.81  // m/s2
)

// weight is rho g, N/m3: times a length in m it is a pressure in Pa.
const weight = density * gravity

// Demand is what a piece must bear, kPa.
type Demand struct {
	Raw, Cooked float64
}

// Demand gives what the piece must bear, cooked by that method and turned or
// not, where handling asks so much. The formulas and handling factors are kitchen judgement (grade C) on
// the weight of the piece itself: docs/model.md, section 3. Where that table
// has no row, a fritter bears what its own weight asks once lifted, a cylinder counts as a ball of its diameter, shallow oil as a
// pan, and a patty in deep oil or liquid as the roughest handling it has.
func (p *Piece) Demand(m method.Method, turn bool, f *parameter.Handling) Demand {
	d, h := p.DiameterMM/1000, p.ThicknessMM/1000
	switch p.Kind {
	case Fritter:
		// It sets in the pan where it is dropped, and is lifted cooked.
		return Demand{Raw: f.FritterRaw, Cooked: 3 * weight * (d / 2) * (d / 2) / h / 1000}
	case Patty:
		overhang := weight * (d / 2) * (d / 2) / h / 1000
		return Demand{Raw: 0.75 * overhang * handling(m.Row(), turn)(f), Cooked: 3 * overhang}
	case Ball, Cylinder:
		return Demand{Raw: max(weight*d/2/1000, f.BallLeast) + m.Row().Ball(f), Cooked: 3*weight*d/1000 + 1}
	case Loaf, Layered:
		h := p.HeightMM / 1000
		slice := p.SliceMM / 1000
		if slice <= 0 {
			slice = 0.015
		}
		raw := f.LoafInTin
		if !p.InTin() {
			raw = f.LoafFree * weight * h / 2 / 1000
		}
		return Demand{Raw: raw, Cooked: 1.5 * weight * h * h / slice / 1000}
	case Shell:
		return Demand{Raw: f.ShellRaw, Cooked: f.ShellCooked}
	}
	return Demand{Raw: f.Stuffing, Cooked: f.Stuffing}
}

// handling is how roughly a method handles a raw patty.
func handling(by *method.Row, turn bool) method.Handling {
	if turn {
		return by.PattyTurned
	}
	return by.Patty
}

// Band is the range of the liquidity index that suits the piece.
type Band struct {
	From float64
	To   float64
}

// Holds says whether the band holds q.
func (b Band) Holds(q float64) bool { return q >= b.From && q <= b.To }

// ShredsBand is the consistency that cakes of grated potato want. Once they are wrung out they feel short in the hand, and hold all the
// same, because the starch of the potato sets in the pan (kitchen practice, grade C).
var ShredsBand = Band{0, 0.6}

// Band gives the consistency the piece wants: docs/model.md, section 3.
func (p *Piece) Band() Band {
	switch p.Kind {
	case Fritter:
		return Band{0.6, 1.0}
	case Loaf, Layered:
		if p.InTin() {
			return Band{0.2, 0.75}
		}
		return Band{0.15, 0.6}
	case Shell:
		return Band{0.1, 0.5}
	case Stuffing:
		return Band{0.3, 1.3}
	}
	return Band{0.15, 0.6}
}
