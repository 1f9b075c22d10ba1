package piece

import "math"

// HalfVessel is the half pepper or squash that a stuffing without sizes fills.
var HalfVessel = Piece{Kind: Stuffing, DiameterMM: 80, HeightMM: 45}

const (
	usualWall   = 10. // mm
	usualMiddle = 15. // mm
)

// Middle is the thickness of a layered loaf's middle, mm; 0 for other kinds.
func (p *Piece) Middle() float64 {
	if p.Kind != Layered {
		return 0
	}
	if p.MiddleMM > 0 {
		return min(p.MiddleMM, p.HeightMM)
	}
	return min(usualMiddle, p.HeightMM/3)
}

// Wall is the thickness of a shell, mm.
func (p *Piece) Wall() float64 {
	if p.WallMM > 0 {
		return p.WallMM
	}
	return usualWall
}

// Volume is the volume of the mix in one piece, m3; 0 for a stuffing whose
// vessel has no size. A shell counts its wall only, a layered loaf its layers
// without the middle, a half-vessel as half an ellipsoid.
func (p *Piece) Volume() float64 {
	d, h, l := p.DiameterMM/1000, p.ThicknessMM/1000, p.LengthMM/1000
	switch p.Kind {
	case Ball:
		return sphere(d)
	case Patty, Fritter:
		return disc(d, h)
	case Cylinder:
		return disc(d, l)
	case Loaf, Layered:
		return l * p.WidthMM / 1000 * (p.HeightMM - p.Middle()) / 1000
	case Shell:
		wall := 2 * p.Wall() / 1000
		if h > 0 {
			return disc(d, h) - disc(max(0, d-wall), max(0, h-wall))
		}
		return sphere(d) - sphere(max(0, d-wall))
	case Stuffing:
		return math.Pi / 6 * d * d * p.HeightMM / 1000
	}
	return 0
}

// Inside is the volume that a shell or a layered loaf leaves to another part,
// m3; 0 for other kinds.
func (p *Piece) Inside() float64 {
	whole := *p
	switch p.Kind {
	case Shell:
		whole.Kind = Ball
		if p.ThicknessMM > 0 {
			whole.Kind = Patty
		}
	case Layered:
		whole.Kind = Loaf
	default:
		return 0
	}
	return max(0, whole.Volume()-p.Volume())
}

// Grams is the mass of the mix in one piece, g, at a density in kg/m3.
func (p *Piece) Grams(density float64) float64 { return p.Volume() * density * 1000 }

func sphere(d float64) float64  { return math.Pi / 6 * d * d * d }
func disc(d, h float64) float64 { return math.Pi / 4 * d * d * h }

// Area is the outer surface, m2; 0 for a stuffing, whose vessel hides it.
func (p *Piece) Area() float64 {
	d, h, l := p.DiameterMM/1000, p.ThicknessMM/1000, p.LengthMM/1000
	switch p.Kind {
	case Patty, Fritter:
		return math.Pi*d*d/2 + math.Pi*d*h
	case Cylinder:
		return math.Pi*d*d/2 + math.Pi*d*l
	case Loaf, Layered:
		w, t := p.WidthMM/1000, p.HeightMM/1000
		return 2 * (l*w + l*t + w*t)
	case Ball, Shell:
		return math.Pi * d * d
	}
	return 0
}
