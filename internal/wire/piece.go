package wire

// Yield is piece.Yield as the interface tells it.
type Yield struct {
	Pieces int     `json:"pieces"`
	PieceG float64 `json:"piece_g" digits:"1"`
	// RemainderG is left over, and Remainder what to do with it: none, share it
	// out, shape one small piece, or a piece more than half the size.
	RemainderG float64 `json:"remainder_g" digits:"1"`
	Remainder  string  `json:"remainder" enum:"none,share-out,larger,one-small,nearly-one"`
	// ShareG is what each piece weighs once the remainder is shared out.
	ShareG float64 `json:"share_g,omitempty" digits:"1"`
}

// Place is piece.Place as the interface tells it.
type Place struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
}

// Load is piece.Load as the interface tells it.
type Load struct {
	// On is tray, pan, pot or tin.
	On string `json:"on" enum:"tray,pan,pot,tin"`
	// Size of the tray or the tin, mm; for a round one both are its diameter.
	LengthMM float64 `json:"length_mm"`
	WidthMM  float64 `json:"width_mm"`
	// Across and Along are what one piece covers.
	AcrossMM float64 `json:"across_mm"`
	AlongMM  float64 `json:"along_mm"`
	// Holds is how many fit; Places where, as many as the fullest load takes.
	Holds  int     `json:"holds"`
	Places []Place `json:"places"`
	// AtOnce is how many cook together, Batches how many times one cooks.
	AtOnce  int `json:"at_once"`
	Batches int `json:"batches"`
	// Vessels is how many pans are on the heat together.
	Vessels int `json:"vessels"`
	Loads   int `json:"loads"` // trays, tins or panfuls in all
}

// Demand is piece.Demand as the interface tells it.
type Demand struct {
	Raw, Cooked float64
}

// Band is piece.Band as the interface tells it.
type Band struct {
	From float64 `json:"from"`
	To   float64 `json:"to"`
}

// Scoop is piece.Scoop as the interface tells it.
type Scoop struct {
	// Name is disher-40, spoon-1 or cup-1/4.
	Name string `json:"name"`
	// Millilitres it holds, level.
	Millilitres float64 `json:"ml"`
}
