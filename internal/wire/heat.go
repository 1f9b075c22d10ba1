package wire

// Thermal is heat.Thermal as the interface tells it.
type Thermal struct {
	Density      float64 `json:"density_kg_m3" digits:"0"`
	Conductivity float64 `json:"conductivity_w_mk" digits:"2"`
	HeatCapacity float64 `json:"heat_capacity_kj_kgk" digits:"2"`
}

// Frame is heat.Frame as the interface tells it.
type Frame struct {
	Minutes float64 `json:"minutes" digits:"2"`
	Celsius []int16 `json:"celsius"`
}

// Section is heat.Section as the interface tells it.
type Section struct {
	// X and Z are the middles of columns and rows, mm from the axis and from the
	// bottom; a ball has no Z, its X is the way from its middle.
	X      []float64 `json:"x_mm" digits:"1"`
	Z      []float64 `json:"z_mm" digits:"1"`
	Frames []Frame   `json:"frames"`
}
