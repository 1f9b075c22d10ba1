package mix

import (
	"math"

	"cuerda/core/physics/method"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

// Duty is what is asked of a mix: how its pieces are formed, moved and cooked, and
// what they must bear, kPa.
type Duty struct {
	Need piece.Demand
	Band piece.Band
	// Own is what the kitchen's tries taught; nil where nothing.
	Own *Own

	ball, tin, stuffing, fritter, shell, free float64 // 1 where it is one
	pan, deep, simmer                         float64
}

// NewDuty gives what a piece asks, cooked by that method and turned or not, where
// handling asks so much.
func NewDuty(p *piece.Piece, m method.Method, turn bool, f *parameter.Handling) Duty {
	d := Duty{Need: p.Demand(m, turn, f), Band: p.Band()}
	d.ball = one(p.Kind == piece.Ball || p.Kind == piece.Cylinder)
	d.tin = one(p.InTin())
	d.stuffing = one(p.Kind == piece.Stuffing)
	d.fritter = one(p.Kind == piece.Fritter)
	d.shell = one(p.Kind == piece.Shell)
	d.free = one(p.Kind.IsLoaf() && !p.InTin())
	by := m.Row()
	d.pan = one(by.JudgedPan)
	d.deep = one(by.JudgedDeep)
	d.simmer = one(by.JudgedSimmer)
	return d
}

// Moved says whether hands form and move the raw pieces; what stands in a tin or a
// vessel and what drops from a spoon need only come together and not run.
func (d *Duty) Moved() bool { return d.tin+d.stuffing+d.fritter == 0 }

// Crisp says whether it should be crisp outside and light within: a batter, what is fried in deep oil, a stuffing.
func (d *Duty) Crisp() bool { return d.fritter+d.deep+d.stuffing > 0 }

// Spooned is 1 for what is spooned out rather than lifted.
func (d *Duty) Spooned() float64 { return d.stuffing }

func one(b bool) float64 {
	if b {
		return 1
	}
	return 0
}

// Coldness is how far a chill has firmed raw pieces: 0 at 20 degC and above, 1 at
// 4 degC and below, for fat firms and gels stiffen.
func Coldness(celsius float64) float64 { return min(max((20-celsius)/16, 0), 1) }

// soften keeps an index between -1 and 2.5, smoothly.
func soften(q float64) float64 { return .75 + 1.75*math.Tanh((q-.75)/1.75) }

// beyond is max(0, x), smooth, up to 1.2.
func beyond(x float64) float64 { return 1.2 * math.Tanh(.08/1.2*Softplus(x/.08)) }

// Softplus is ln(1 + exp z), which is max(0, z) made smooth.
func Softplus(z float64) float64 {
	if z > 30 {
		return z
	}
	return math.Log1p(math.Exp(z))
}

// anyDuty is for what no duty changes: the squeeze.
var anyDuty = Duty{Need: piece.Demand{Raw: .5, Cooked: 2}}
