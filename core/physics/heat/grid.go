package heat

import "math"

// Shape says how a body is laid out in space.
type Shape string

// The shapes.
const (
	Sphere Shape = "sphere"
	Disc   Shape = "disc"  // radius and height
	Brick  Shape = "brick" // length and width by symmetry, height whole
)

// Geometry is the size of a body, m: a sphere has Radius, a disc Radius and
// Height, a brick Length, Width and Height.
type Geometry struct {
	Shape                         Shape
	Radius, Length, Width, Height float64
}

// Volume is in m3.
func (g *Geometry) Volume() float64 {
	switch g.Shape {
	case Sphere:
		return 4. / 3 * math.Pi * g.Radius * g.Radius * g.Radius
	case Disc:
		return math.Pi * g.Radius * g.Radius * g.Height
	}
	return g.Length * g.Width * g.Height
}

// axis is one direction cut into cells. A body is the product of three axes,
// of which some have a single cell and no faces.
type axis struct {
	n      int
	centre []float64 // m
	edge   []float64 // m, n+1
	area   []float64 // of the edges: 1, r or r^2
	volume []float64 // of the cells: the integral of that
	per    []float64 // 1 / volume
	// step is area over the distance of neighbouring centres, n+1; inward is
	// the same for the parabola through the face and the means of the two
	// cells behind it, 3 / width.
	step   []float64
	inward float64
	// mirrored says whether it begins at a plane or an axis of symmetry; middle
	// carries the means of the two innermost cells there.
	mirrored bool
	middle   float64
}

func newAxis(edges []float64, mirrored bool, radial int) axis {
	n := len(edges) - 1
	a := axis{n: n, edge: edges, centre: make([]float64, n), area: make([]float64, n+1), volume: make([]float64, n), per: make([]float64, n), step: make([]float64, n+1)}
	power := float64(radial)
	for i, e := range edges {
		a.area[i] = math.Pow(e, power)
	}
	for i := range n {
		a.centre[i] = (edges[i] + edges[i+1]) / 2
		a.volume[i] = (math.Pow(edges[i+1], power+1) - math.Pow(edges[i], power+1)) / (power + 1)
		a.per[i] = 1 / a.volume[i]
	}
	for i := 1; i < n; i++ {
		a.step[i] = a.area[i] / (a.centre[i] - a.centre[i-1])
	}
	a.mirrored = mirrored
	if n > 1 {
		square := func(i int) float64 {
			return (math.Pow(edges[i+1], power+3) - math.Pow(edges[i], power+3)) / (power + 3) / a.volume[i]
		}
		a.middle = square(0) / (square(1) - square(0))
	}
	a.inward = 3 / (edges[n] - edges[n-1])
	return a
}

// single is an axis along which nothing varies.
func single() axis { return newAxis([]float64{0, 1}, false, 0) }

// even cuts 0..length into n cells of one width.
func even(length float64, n int) []float64 {
	out := make([]float64, n+1)
	for i := range out {
		out[i] = length * float64(i) / float64(n)
	}
	return out
}

// Resolution is how many cells a body is cut into: from the middle outward,
// and from bottom to top.
type Resolution struct{ Radial, Across, Up int }

// layersInAPan are those of what lies on hot metal with a cooler side up: with
// fewer, when its last place is done is out by a tenth.
const layersInAPan = 18

// The resolutions of docs/performance.md, chosen for errors below 0.1 degC.
var usualResolution = map[Shape]Resolution{
	Sphere: {Radial: 24},
	Disc:   {Radial: 10, Up: 14},
	Brick:  {Radial: 6, Across: 12, Up: 14},
}

func (g *Geometry) axes(r Resolution) [3]axis {
	switch g.Shape {
	case Sphere:
		return [3]axis{newAxis(even(g.Radius, r.Radial), true, 2), single(), single()}
	case Disc:
		return [3]axis{newAxis(even(g.Radius, r.Radial), true, 1), single(), newAxis(even(g.Height, r.Up), false, 0)}
	}
	return [3]axis{newAxis(even(g.Length/2, r.Radial), true, 0), newAxis(even(g.Width/2, r.Across), true, 0), newAxis(even(g.Height, r.Up), false, 0)}
}

// times is what the product of the axes' measures is short of the whole: 4 pi
// for a sphere, 2 pi for a disc, 4 quarters of a brick.
func (g *Geometry) times() float64 {
	switch g.Shape {
	case Sphere:
		return 4 * math.Pi
	case Disc:
		return 2 * math.Pi
	}
	return 4
}
