package heat

import "math"

// Frame is a section through the middle of the piece at one time: one figure a
// cell, row by row from the bottom, each from the axis outward.
type Frame struct {
	Minutes float64
	Celsius []int16
}

// Section says where the cells of the frames lie.
type Section struct {
	// X and Z are the middles of columns and rows, mm from the axis and from the
	// bottom; a ball has no Z, its X is the way from its middle.
	X      []float64
	Z      []float64
	Frames []Frame
}

// section gives the plane of the frames: a loaf is cut across its length.
func (b *Body) section() Section {
	a := &b.axes[0]
	if b.Shape == Brick {
		a = &b.axes[1]
	}
	s := Section{X: make([]float64, a.n)}
	for i, c := range a.centre {
		s.X[i] = math.Round(1e4*c) / 10
	}
	if up := &b.axes[2]; up.n > 1 {
		for _, c := range up.centre {
			s.Z = append(s.Z, math.Round(1e4*c)/10)
		}
	}
	return s
}

func (b *Body) frame() Frame {
	across, step := b.axes[0].n, 1
	if b.Shape == Brick {
		across, step = b.axes[1].n, b.stride[1]
	}
	f := Frame{Minutes: b.Seconds / 60, Celsius: make([]int16, 0, across*b.axes[2].n)}
	for z := range b.axes[2].n {
		for x := range across {
			f.Celsius = append(f.Celsius, int16(math.Round(b.celsius[z*b.stride[2]+x*step])))
		}
	}
	return f
}
