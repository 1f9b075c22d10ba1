package piece

import (
	"math"

	"cuerda/core/physics/method"
	"cuerda/core/physics/parameter"
)

// Place is the middle of a piece as it lies, mm from the left and the top of
// what it lies on.
type Place struct {
	X float64
	Y float64
}

// Load is how pieces lie in what they are cooked in.
type Load struct {
	// On is tray, pan, pot or tin.
	On string
	// Size of the tray or the tin, mm; for a round one both are its diameter.
	LengthMM float64
	WidthMM  float64
	// Across and Along are what one piece covers.
	AcrossMM float64
	AlongMM  float64
	// Holds is how many fit; Places where, as many as the fullest load takes.
	Holds  int
	Places []Place
	// AtOnce is how many cook together, Batches how many times one cooks.
	AtOnce  int
	Batches int
	Loads   int // trays, tins or panfuls in all
	// Vessels is how many pans are on the heat together; 1 for everything else.
	Vessels int
}

// Beside has several pans of pieces on the heat together, n pieces in all.
func (l *Load) Beside(pans, n int) {
	if l.On != "pan" || l.Holds == 0 {
		return
	}
	l.Vessels = min(max(1, pans), l.Loads)
	l.AtOnce = l.Holds * l.Vessels
	l.Batches = (n + l.AtOnce - 1) / l.AtOnce
}

// mostPlaces is as many as are drawn.
const mostPlaces = 400

// Lay lays n pieces out on the ware that their method needs, with those gaps. Where not even
// one fits, Holds is 0 and so are the batches.
func (p *Piece) Lay(n int, m method.Method, w Ware, f *parameter.Lay) Load {
	across, along := p.footprint()
	by := m.Row()
	l := Load{AcrossMM: across, AlongMM: along, Vessels: 1}
	racks := 1
	switch {
	case p.InTin():
		l.On, l.LengthMM, l.WidthMM, l.Holds, l.Places = "tin", p.LengthMM, p.WidthMM, 1, []Place{{p.LengthMM / 2, p.WidthMM / 2}}
		// Tins stand on racks, side by side.
		stand := onTray(w.TrayLengthMM, w.TrayWidthMM, p.LengthMM, p.WidthMM, f.Loaf, f.Rim, false)
		racks = max(1, len(stand)) * max(1, w.Racks)
	case by.Ware == method.Skillet:
		l.On, l.LengthMM, l.WidthMM = "pan", w.PanDiameterMM, w.PanDiameterMM
		l.Places = inCircle(w.PanDiameterMM, max(across, along), f.Pan)
	case by.Ware == method.Pot:
		l.On, l.LengthMM, l.WidthMM = "pot", w.PotDiameterMM, w.PotDiameterMM
		l.Places = inCircle(w.PotDiameterMM, max(across, along), f.Pot)
	default:
		l.On, l.LengthMM, l.WidthMM = "tray", w.TrayLengthMM, w.TrayWidthMM
		gap := f.Patty
		switch {
		case p.Kind.IsLoaf():
			gap = f.Loaf
		case p.Kind == Ball || p.Kind == Cylinder || p.Kind == Shell:
			gap = f.Ball
		}
		l.Places = onTray(w.TrayLengthMM, w.TrayWidthMM, along, across, gap, f.Rim, across == along)
		if !by.OneTray {
			racks = max(1, w.Racks)
		}
	}
	l.Holds = len(l.Places)
	if l.Holds == 0 {
		l.Places = []Place{}
		return l
	}
	l.AtOnce = l.Holds * racks
	l.Loads = (n + l.Holds - 1) / l.Holds
	l.Batches = (n + l.AtOnce - 1) / l.AtOnce
	l.Places = l.Places[:min(len(l.Places), max(n, 1), mostPlaces)]
	return l
}

// footprint is what the piece covers, mm, across and along.
func (p *Piece) footprint() (across, along float64) {
	switch p.Kind {
	case Loaf, Layered:
		return p.WidthMM, p.LengthMM
	case Cylinder:
		return p.DiameterMM, p.LengthMM
	case Stuffing:
		if p.DiameterMM == 0 {
			return HalfVessel.DiameterMM, HalfVessel.DiameterMM
		}
	}
	return p.DiameterMM, p.DiameterMM
}

// onTray lays rectangles (or rounds, which may stand in staggered rows) on a
// tray, with a gap between them and rim free around, in the middle of it.
func onTray(length, width, along, across, gap, rim float64, round bool) []Place {
	best := rows(length, width, along, across, gap, rim, false)
	if other := rows(length, width, across, along, gap, rim, false); len(other) > len(best) && !round {
		best = other
	}
	if round {
		for _, turned := range []bool{false, true} {
			l, w := length, width
			if turned {
				l, w = w, l
			}
			other := rows(l, w, along, across, gap, rim, true)
			if turned {
				for i, p := range other {
					other[i] = Place{p.Y, p.X}
				}
			}
			if len(other) > len(best) {
				best = other
			}
		}
	}
	return best
}

func rows(length, width, along, across, gap, rim float64, staggered bool) []Place {
	roomX, roomY := length-2*rim, width-2*rim
	if roomX < along || roomY < across {
		return nil
	}
	perRow := int((roomX + gap) / (along + gap))
	pitchX, pitchY := along+gap, across+gap
	if staggered {
		pitchY *= math.Sqrt(3) / 2
	}
	count := 1 + int((roomY-across)/pitchY)
	// The odd rows of a staggered lay stand half a pitch aside, and may hold one less.
	shift, odd := 0.0, perRow
	wide := float64(perRow-1)*pitchX + along
	if staggered {
		shift = pitchX / 2
		if wide+shift > roomX {
			odd--
		} else {
			wide += shift
		}
	}
	left := (length-wide)/2 + along/2
	top := (width-float64(count-1)*pitchY-across)/2 + across/2
	var out []Place
	for r := range count {
		n, at := perRow, left
		if staggered && r%2 == 1 {
			n, at = odd, left+shift
		}
		for i := range n {
			out = append(out, Place{at + float64(i)*pitchX, top + float64(r)*pitchY})
		}
		if len(out) > 4*mostPlaces {
			break
		}
	}
	return out
}

// inCircle lays rounds in a round pan: the better of a ring, with or without
// one in the middle, and the best of some placings of a hexagonal grid.
func inCircle(pan, d, gap float64) []Place {
	r := pan/2 - d/2 - gap/2 // of the circle that holds the middles
	if r < 0 {
		if d <= pan {
			return []Place{{pan / 2, pan / 2}}
		}
		return nil
	}
	pitch := d + gap
	best := []Place{{pan / 2, pan / 2}}
	if r >= pitch/2 {
		n := int(math.Pi/math.Asin(min(1, pitch/2/r)) + 1e-9)
		var ring []Place
		for i := range n {
			a := 2 * math.Pi * float64(i) / float64(n)
			ring = append(ring, Place{pan/2 + r*math.Sin(a), pan/2 - r*math.Cos(a)})
		}
		if r >= pitch {
			ring = append(ring, Place{pan / 2, pan / 2})
		}
		if len(ring) > len(best) {
			best = ring
		}
	}
	if r > pitch*20 {
		r = pitch * 20 // hundreds of pieces: more are not drawn or counted singly
	}
	const tries = 6
	reach := int(r/pitch) + 2
	for sx := range tries {
		for sy := range tries {
			ox, oy := float64(sx)/tries*pitch, float64(sy)/tries*pitch*math.Sqrt(3)
			var lay []Place
			for row := -2 * reach; row <= 2*reach; row++ {
				for col := -reach; col <= reach; col++ {
					x := ox + (float64(col)+0.5*float64(row&1))*pitch
					y := oy + float64(row)*pitch*math.Sqrt(3)/2
					if x*x+y*y <= r*r+1e-9 {
						lay = append(lay, Place{pan/2 + x, pan/2 + y})
					}
				}
			}
			if len(lay) > len(best) {
				best = lay
			}
		}
	}
	return best
}
