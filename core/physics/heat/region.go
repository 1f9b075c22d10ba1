package heat

import "math"

// WallPeak is the highest temperature, degC, of the slowest place of what
// lies no deeper than wall (m) below the surface: the shell around a filling,
// or the layers below and above a loaf's middle, for which only height counts.
func (b *Body) WallPeak(wall float64) float64 {
	least := math.Inf(1)
	for i, peak := range b.peak {
		if peak < least && b.depth(i) <= wall {
			least = peak
		}
	}
	return least
}

// depth is how far the middle of a cell lies below the surface, m.
func (b *Body) depth(i int) float64 {
	x, _, z := b.at(i)
	r, h := b.axes[0].centre[x], b.axes[2].centre[z]
	switch b.Shape {
	case Sphere:
		return b.Radius - r
	case Disc:
		return min(b.Radius-r, h, b.Height-h)
	}
	return min(h, b.Height-h)
}
