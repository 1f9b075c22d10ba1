package practice

import (
	"math"
	"math/rand/v2"

	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
	"cuerda/core/predict/bake"
)

// What is asked of the heat: the share of the way that is seen, what a call may be off by at least, min, and as a
// share of the whole, which is what the transfer of an unknown oven leaves open.
const (
	leastSeen, mostSeen = .3, .7
	leastWithin         = 1.
	withinShare         = .08
)

// shape is a piece that is asked about on the heat, and how it is cooked.
type shape struct {
	piece  piece.Piece
	method method.Method
}

var shapes = []shape{
	{piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 18}, method.Pan},
	{piece.Piece{Kind: piece.Patty, DiameterMM: 90, ThicknessMM: 28}, method.StillOven},
	{piece.Piece{Kind: piece.Ball, DiameterMM: 32}, method.StillOven},
	{piece.Piece{Kind: piece.Ball, DiameterMM: 50}, method.FanOven},
	{piece.Usual(piece.Loaf), method.StillOven},
}

var inOil = []shape{
	{piece.Piece{Kind: piece.Ball, DiameterMM: 30}, method.DeepOil},
	{piece.Piece{Kind: piece.Ball, DiameterMM: 38}, method.DeepOil},
	{piece.Piece{Kind: piece.Ball, DiameterMM: 48}, method.DeepOil},
}

// reshaped gives the mix a shape to be watched on the heat.
func (d *Drill) reshaped(r *rand.Rand) {
	of := shapes
	if d.Skill == DeepOil {
		of = inOil
	}
	s := of[r.IntN(len(of))]
	d.Document.Piece = &s.piece
	cook := *d.Document.Cook
	cook.Method = s.method
	d.Document.Cook = &cook
}

// done asks when the middle is there, of a piece that is seen some of the way.
func (d *Drill) done(r *rand.Rand, k *kitchen.Kitchen) bool {
	baked := bake.Bake(&d.Document, k, bake.Options{Section: true, Now: -1})
	if baked.MinutesToTarget == nil || baked.Section == nil || len(baked.Curve) < 8 {
		return false
	}
	h := OnHeat{Minutes: *baked.MinutesToTarget, Target: baked.Target, Around: baked.AroundCelsius, After: []bake.Point{}}
	h.SeenMinutes = math.Round(2*h.Minutes*(leastSeen+(mostSeen-leastSeen)*r.Float64())) / 2
	h.Within = max(leastWithin, withinShare*h.Minutes)
	h.LastMinutes = math.Ceil(h.Minutes*(1.5+.7*r.Float64())/5) * 5
	if h.SeenMinutes < 1 || h.Minutes-h.SeenMinutes < 2*h.Within {
		return false // it is there already
	}
	for _, p := range baked.Curve {
		if p.Minutes <= h.SeenMinutes {
			h.Curve = append(h.Curve, p)
		} else if p.Minutes <= h.LastMinutes {
			h.After = append(h.After, p)
		}
	}
	seen := *baked.Section
	last := 0
	for i := range seen.Frames {
		if seen.Frames[i].Minutes <= h.SeenMinutes {
			last = i
		}
	}
	if len(seen.Frames) == 0 || len(h.Curve) < 2 {
		return false
	}
	seen.Frames = seen.Frames[last : last+1]
	h.Section = &seen
	d.Heat = &h
	d.Level = 3
	if share := h.SeenMinutes / h.Minutes; share > .6 {
		d.Level = 1
	} else if share > .45 {
		d.Level = 2
	}
	return true
}
