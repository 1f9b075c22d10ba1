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

	axes          [3]axis
	stride        [3]int
	cells         int
	dimensions    int // that heat goes along, 1 to 3
	times         float64
	volume        []float64 // of cells, before times
	faces         [sides]*face
	heat          []float64 // J/m3
	water         []float64 // kg/m3 still there
	celsius       []float64
	slope         []float64
	conduct       []float64
	net           []float64 // d heat / dt
	fresh         bool      // celsius, slope, conduct and net belong to heat
	dt, tolerance float64
	settled       bool    // calm when its rates were last taken
	budget        *Budget // of this body and its clones
	work          *workspace
	// peak is the highest each cell has come to, degC; lethal its F70, min.
	peak, lethal []float64
	state        []float64 // heat, water, peak and lethal together
}

// face is one side and what it meets.
type face struct {
	axis    int
	high    bool
	around  Surroundings
	anew    bool // what it meets has just changed
	cells   []int
	area    []float64 // m2 before times
	surface []float64 // degC
	dried   []float64 // m
	into    []float64 // W/m2
	vapour  []float64 // kg/m2s
	before  []float64 // vapour as the step began
	// What into and vapour lose for each K the cell is hotter, per m2; and for
	// each J/m3s that factor's systems give it, W and kg/s.
	fall, vapourFall, less, lessVapour []float64
}

type workspace struct {
	before, first, second, slope []float64
	flows                        []float64 // of a plane of cells
	systems                      [3]factored
}

// New makes a body of one temperature; each side is closed until Surround.
func New(g Geometry, m *Material, celsius float64, r Resolution) *Body {
	b := &Body{Geometry: g, Material: m, axes: g.axes(r), times: g.times()}
	b.cells = 1
	for d := range b.axes {
		b.stride[d] = b.cells
		b.cells *= b.axes[d].n
		if b.axes[d].n > 1 {
			b.dimensions++
		}
	}
	b.allocate()
	start := m.enthalpyAt(celsius)
	for i := range b.heat {
		x, y, z := b.at(i)
		b.volume[i] = b.axes[0].volume[x] * b.axes[1].volume[y] * b.axes[2].volume[z]
		b.heat[i], b.water[i], b.peak[i] = start, m.water, celsius
	}
	b.dt, b.tolerance, b.budget = firstStep, tolerance[g.Shape], new(Budget)
	return b
}

// allocate gives the body room of its own for its cells.
func (b *Body) allocate() {
	all := make([]float64, 14*b.cells)
	b.state = all[: 4*b.cells : 4*b.cells]
	take := func() []float64 {
		s := all[:b.cells:b.cells]
		all = all[b.cells:]
		return s
	}
	b.heat, b.water, b.peak, b.lethal = take(), take(), take(), take()
	b.volume, b.celsius, b.slope, b.conduct, b.net = take(), take(), take(), take(), take()
	w := &workspace{before: take(), first: take(), second: take(), slope: take(), flows: take()}
	for d := range b.axes {
		if b.axes[d].n > 1 {
			all = make([]float64, 4*b.cells)
			w.systems[d] = factored{lower: take(), over: take(), inverse: take(), fall: take()}
		}
	}
	b.work = w
}

func (b *Body) at(i int) (x, y, z int) {
	return i % b.axes[0].n, i / b.stride[1] % b.axes[1].n, i / b.stride[2]
}

// Snapshot is a body at one moment, to go back to.
type Snapshot struct {
	seconds, heatIn, vapour, boiled float64
	cells                           []float64
	faces                           [sides]struct {
		around  Surroundings
		surface []float64
		dried   []float64
	}
}

// Snapshot takes the body as it is.
func (b *Body) Snapshot() *Snapshot {
	s := &Snapshot{seconds: b.Seconds, heatIn: b.HeatIn, vapour: b.Vapour, boiled: b.Boiled, cells: append([]float64(nil), b.state...)}
	for i, f := range b.faces {
		if f != nil {
			s.faces[i].around = f.around
			s.faces[i].surface = append([]float64(nil), f.surface...)
			s.faces[i].dried = append([]float64(nil), f.dried...)
		}
	}
	return s
}

// Restore puts the body back, closing the sides that were closed then; the
// snapshot may be used again.
func (b *Body) Restore(s *Snapshot) {
	b.Seconds, b.HeatIn, b.Vapour, b.Boiled = s.seconds, s.heatIn, s.vapour, s.boiled
	copy(b.state, s.cells)
	for i, f := range b.faces {
		if f != nil && s.faces[i].surface == nil {
			b.faces[i] = nil
		} else if f != nil {
			f.around, f.anew = s.faces[i].around, true
			copy(f.surface, s.faces[i].surface)
			copy(f.dried, s.faces[i].dried)
		}
	}
	b.fresh = false
	b.dt = firstStep
}

// Clone is another body in the same state, which goes its own way.
func (b *Body) Clone() *Body {
	out := *b
	out.allocate()
	copy(out.state, b.state)
	copy(out.volume, b.volume)
	for i, f := range b.faces {
		if f == nil {
			continue
		}
		own := *f
		for _, s := range own.figures() {
			*s = append([]float64(nil), *s...)
		}
		out.faces[i] = &own
	}
	out.fresh = false
	return &out
}

// figures are all that change on a face while it is heated.
func (f *face) figures() []*[]float64 {
	return []*[]float64{&f.surface, &f.dried, &f.into, &f.fall, &f.vapour, &f.before, &f.vapourFall, &f.less, &f.lessVapour}
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
		for _, s := range f.figures() {
			*s = make([]float64, n)
		}
		b.faces[side] = f
	}
	f.around, f.anew = s, true
	for j, i := range f.cells {
		f.surface[j], _, _ = b.Material.state(b.heat[i], b.water[i])
	}
}

// SurroundAll says what every side meets.
func (b *Body) SurroundAll(s Surroundings) {
	for side := range sides {
		b.Surround(side, s)
	}
}

// Restart begins the time anew, and the sums of heat, vapour, peaks and
// lethality with it: what the cold did is no part of the cooking.
func (b *Body) Restart() {
	b.Seconds, b.HeatIn, b.Vapour, b.Boiled = 0, 0, 0, 0
	b.refresh()
	copy(b.peak, b.celsius)
	clear(b.lethal)
	b.fresh = false
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
			b.peak[x], b.peak[y] = b.peak[y], b.peak[x]
			b.lethal[x], b.lethal[y] = b.lethal[y], b.lethal[x]
		}
	}
	if bottom, top := b.faces[Bottom], b.faces[Top]; bottom != nil && top != nil {
		bottom.dried, top.dried = top.dried, bottom.dried
		bottom.surface, top.surface = top.surface, bottom.surface
		bottom.anew, top.anew = true, true
	}
	b.fresh = false
	b.dt = firstStep
}

// refresh brings temperatures up to date with the heat.
func (b *Body) refresh() {
	m := b.Material
	celsius, slope, conduct := b.celsius[:len(b.heat)], b.slope[:len(b.heat)], b.conduct[:len(b.heat)]
	from, per, boil, table := m.from, m.perStep, m.boil, m.table
	for i, h := range b.heat {
		if h >= boil {
			celsius[i], slope[i], conduct[i] = m.state(h, b.water[i])
			continue
		}
		x := max(0, (h-from)*per)
		j := min(int(x), len(table)-2)
		share := x - float64(j)
		low, high := &table[j], &table[j+1]
		rise := high.celsius - low.celsius
		celsius[i] = low.celsius + share*rise
		slope[i] = rise * per
		conduct[i] = low.conductivity + share*(high.conductivity-low.conductivity)
		if b.water[i] < m.water {
			conduct[i] = dryConductivity(conduct[i], b.water[i], m.water)
		}
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

// Surface is the mean temperature of the skin of a side, degC; of the body
// where it has no such side. Where a face has dried the heat passes a crust on
// its way to the water: the skin is hotter than the wet food by what that takes.
func (b *Body) Surface(side Side) float64 {
	f := b.faces[side]
	if f == nil {
		return b.Mean()
	}
	sum, area := 0.0, 0.0
	h := f.around.Convective + f.around.Radiative
	for j, a := range f.area {
		wet := f.surface[j]
		passed := h * f.dried[j] / crustConductivity
		sum += a * (wet + passed*f.around.Celsius) / (1 + passed)
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

// OnAxis is the temperature on the upright axis, degC: at 0 the bottom, at 1 the top; of
// a sphere, at 0 its middle and at 1 its skin.
func (b *Body) OnAxis(share float64) float64 {
	if !b.fresh {
		b.refresh()
	}
	a, stride := &b.axes[2], b.stride[2]
	if b.Shape == Sphere {
		a, stride = &b.axes[0], b.stride[0]
	}
	at := a.edge[0] + min(max(share, 0), 1)*(a.edge[a.n]-a.edge[0])
	i := 1
	for i < a.n-1 && a.centre[i] < at {
		i++
	}
	low, high := a.centre[i-1], a.centre[i]
	part := min(max((at-low)/(high-low), 0), 1)
	return b.celsius[(i-1)*stride] + part*(b.celsius[i*stride]-b.celsius[(i-1)*stride])
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
		up, down := b.celsius[i+s]-t, t-b.celsius[i-s]
		if curve := (up - down) / 2; up*down <= 0 && curve != 0 {
			slope := (up + down) / 2
			out -= slope*slope/(4*curve) + curve/12
		}
	}
	return out
}
