package heat

// Side names a face of a body.
type Side int

// The sides. A sphere has only its Rim; a disc has no Ends.
const (
	Rim    Side = iota // the skin of a sphere, the rim of a disc, the long ends of a brick
	Flank              // the long sides of a brick
	Bottom             // of a disc or a brick
	Top
	sides
)

// Body is a piece being heated or cooled: the enthalpy of each of its cells.
type Body struct {
	Geometry
	Material *Material
	// Seconds is the time since it began.
	Seconds float64
	// HeatIn is the heat that has come in, J, with what vapour took away taken
	// off; Vapour the water that has left, kg, from the faces and boiled off
	// inside, whose latent heat Boiled (J) has left with it.
	HeatIn, Vapour, Boiled float64

	axes    [3]axis
	stride  [3]int
	cells   int
	times   float64
	volume  []float64 // of cells, before times
	faces   [sides]*face
	heat    []float64 // J/m3
	water   []float64 // kg/m3 still there
	celsius []float64
	slope   []float64
	conduct []float64
	net     []float64 // d heat / dt
	fresh   bool      // celsius, slope, conduct and net belong to heat
	dt      float64
	work    *workspace
}

// face is one side and what it meets.
type face struct {
	axis    int
	high    bool
	around  Surroundings
	cells   []int
	area    []float64 // m2 before times
	surface []float64 // degC
	dried   []float64 // m
	into    []float64 // W/m2
	fall    []float64 // W/m2K against the cell's temperature
	vapour  []float64 // kg/m2s
}

type workspace struct {
	before, first, second, rhs, gap []float64
	lower, over, inverse            [3][]float64
}

// New makes a body of one temperature; each side is closed until Surround.
func New(g Geometry, m *Material, celsius float64, r Resolution) *Body {
	b := &Body{Geometry: g, Material: m, axes: g.axes(r), times: g.times()}
	b.cells = 1
	for d := range b.axes {
		b.stride[d] = b.cells
		b.cells *= b.axes[d].n
	}
	all := make([]float64, 17*b.cells)
	take := func() []float64 {
		s := all[:b.cells:b.cells]
		all = all[b.cells:]
		return s
	}
	b.volume, b.heat, b.water, b.celsius, b.slope, b.conduct, b.net = take(), take(), take(), take(), take(), take(), take()
	w := &workspace{before: take(), first: take(), second: take(), rhs: take(), gap: take()}
	for d := range b.axes {
		if b.axes[d].n > 1 {
			w.lower[d], w.over[d], w.inverse[d] = make([]float64, b.cells), make([]float64, b.cells), make([]float64, b.cells)
		}
	}
	b.work = w
	start := m.enthalpyAt(celsius)
	for i := range b.heat {
		x, y, z := b.at(i)
		b.volume[i] = b.axes[0].volume[x] * b.axes[1].volume[y] * b.axes[2].volume[z]
		b.heat[i], b.water[i] = start, m.water
	}
	b.dt = firstStep
	return b
}

func (b *Body) at(i int) (x, y, z int) {
	return i % b.axes[0].n, i / b.stride[1] % b.axes[1].n, i / b.stride[2]
}

// Clone is a copy that goes its own way.
func (b *Body) Clone() *Body {
	c := New(b.Geometry, b.Material, 0, Resolution{b.axes[0].n, b.axes[1].n, b.axes[2].n})
	c.Seconds, c.HeatIn, c.Vapour, c.Boiled = b.Seconds, b.HeatIn, b.Vapour, b.Boiled
	copy(c.heat, b.heat)
	copy(c.water, b.water)
	for s, f := range b.faces {
		if f != nil {
			c.Surround(Side(s), f.around)
			copy(c.faces[s].surface, f.surface)
			copy(c.faces[s].dried, f.dried)
		}
	}
	return c
}

// Surround says what a side meets from now on. A side the shape has not is
// left out.
func (b *Body) Surround(side Side, s Surroundings) {
	d, high := 2, side == Top
	switch side {
	case Rim:
		d, high = 0, true
	case Flank:
		d, high = 1, true
	}
	a := &b.axes[d]
	if a.n == 1 {
		return
	}
	b.fresh = false
	b.dt = firstStep
	f := b.faces[side]
	if f == nil {
		f = &face{axis: d, high: high}
		last, edge := 0, 0
		if high {
			last, edge = a.n-1, a.n
		}
		for i := range b.cells {
			if i/b.stride[d]%a.n == last {
				f.cells = append(f.cells, i)
				f.area = append(f.area, b.volume[i]/a.volume[last]*a.area[edge])
			}
		}
		n := len(f.cells)
		f.surface, f.dried, f.into, f.fall, f.vapour = make([]float64, n), make([]float64, n), make([]float64, n), make([]float64, n), make([]float64, n)
		b.faces[side] = f
	}
	f.around = s
	b.refresh()
	for j, i := range f.cells {
		f.surface[j] = b.celsius[i]
	}
	b.fresh = false
}

// SurroundAll says what every side meets.
func (b *Body) SurroundAll(s Surroundings) {
	for side := range sides {
		b.Surround(side, s)
	}
}

// Turn puts the piece upside down; what its bottom and top meet stays.
func (b *Body) Turn() {
	n, s := b.axes[2].n, b.stride[2]
	for low := range n / 2 {
		high := n - 1 - low
		for j := range s {
			x, y := low*s+j, high*s+j
			b.heat[x], b.heat[y] = b.heat[y], b.heat[x]
			b.water[x], b.water[y] = b.water[y], b.water[x]
		}
	}
	if bottom, top := b.faces[Bottom], b.faces[Top]; bottom != nil && top != nil {
		bottom.dried, top.dried = top.dried, bottom.dried
		bottom.surface, top.surface = top.surface, bottom.surface
	}
	b.fresh = false
	b.dt = firstStep
}

// refresh brings temperatures up to date with the heat.
func (b *Body) refresh() {
	m := b.Material
	for i, h := range b.heat {
		b.celsius[i], b.slope[i], b.conduct[i] = m.state(h, b.water[i])
	}
}

// Mean is the temperature of the body once its heat is shared evenly, degC.
func (b *Body) Mean() float64 {
	sum, volume := 0.0, 0.0
	for i, v := range b.volume {
		sum += v * b.heat[i]
		volume += v
	}
	t, _, _ := b.Material.state(sum/volume, b.Material.water)
	return t
}

// Stored is the heat in the body, J, against its material's zero.
func (b *Body) Stored() float64 {
	sum := 0.0
	for i, v := range b.volume {
		sum += v * b.heat[i]
	}
	return sum * b.times
}

// Surface is the mean temperature of a side, degC; of the body where it has no
// such side.
func (b *Body) Surface(side Side) float64 {
	f := b.faces[side]
	if f == nil {
		return b.Mean()
	}
	sum, area := 0.0, 0.0
	for j, a := range f.area {
		sum += a * f.surface[j]
		area += a
	}
	return sum / area
}

// Extreme gives the coldest and the hottest temperature inside, degC; the one
// at the middle is carried from the cells around it to the axis itself.
func (b *Body) Extreme() (coldest, hottest float64) {
	if !b.fresh {
		b.refresh()
	}
	least, most := 0, 0
	for i, t := range b.celsius {
		if t < b.celsius[least] {
			least = i
		}
		if t > b.celsius[most] {
			most = i
		}
	}
	return b.sharpen(least), b.sharpen(most)
}

// sharpen carries the temperature of an extreme cell to where it is extreme: by
// a parabola through the two innermost cells along axes of symmetry, and
// through three cells from bottom to top.
func (b *Body) sharpen(i int) float64 {
	t := b.celsius[i]
	out := t
	x, y, z := b.at(i)
	for d, at := range [2]int{x, y} {
		a := &b.axes[d]
		if a.n > 1 && at == 0 {
			out += (t - b.celsius[i+b.stride[d]]) * a.middle
		}
	}
	if a := &b.axes[2]; z > 0 && z < a.n-1 {
		s := b.stride[2]
		h1, h2 := a.centre[z]-a.centre[z-1], a.centre[z+1]-a.centre[z]
		d1, d2 := (t-b.celsius[i-s])/h1, (b.celsius[i+s]-t)/h2
		curve := (d2 - d1) / (h1 + h2)
		slope := (d1*h2 + d2*h1) / (h1 + h2)
		if curve != 0 {
			width := a.edge[z+1] - a.edge[z]
			out -= slope*slope/(4*curve) + curve*width*width/12
		}
	}
	return out
}
