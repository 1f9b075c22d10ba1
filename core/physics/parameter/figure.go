// Package parameter holds the figures of a kitchen's work that no document gives and no
// law of nature fixes: minutes of hands, heat transfer, what handling asks, usual
// amounts. Each stands in figures.csv with its unit, its grade, the range in which it
// may be believed and its source. A kitchen that knows better puts its own over them.
package parameter

// Set is every figure as a value. It is shared and must not be changed: With gives
// another. A figure of 0 is nought, not missing.
type Set struct {
	Minutes  Minutes
	Heat     Heat
	Handling Handling
	Lay      Lay
	Losses   Losses
	Cold     Cold
	Amounts  Amounts
	Trouble  Trouble
	Waits    Waits
}

// Minutes are those of work and waiting that no document gives, min. Each is for one
// more piece, kilo or bowl where its name says so.
type Minutes struct {
	Drain          float64 `figure:"drain"`
	Press          float64 `figure:"press"`
	Cool           float64 `figure:"cool"`
	Toast          float64 `figure:"toast"`
	Brown          float64 `figure:"brown"`
	BlitzBowl      float64 `figure:"blitz-bowl"`
	MashKilo       float64 `figure:"mash-kilo"`
	Preheat        float64 `figure:"preheat"`
	ChangeBatch    float64 `figure:"change-batch"`
	Mix            float64 `figure:"mix"`
	MixKilo        float64 `figure:"mix-kilo"`
	MixPart        float64 `figure:"mix-part"`
	Brush          float64 `figure:"brush"`
	ShapeLoaf      float64 `figure:"shape-loaf"`
	ShapeLoafEach  float64 `figure:"shape-loaf-each"`
	ShapeShell     float64 `figure:"shape-shell"`
	ShapeShellEach float64 `figure:"shape-shell-each"`
	ShapePatty     float64 `figure:"shape-patty"`
	ShapePattyEach float64 `figure:"shape-patty-each"`
	ShapeBall      float64 `figure:"shape-ball"`
	ShapeBallEach  float64 `figure:"shape-ball-each"`
	ShapeFritter   float64 `figure:"shape-fritter"`
	HandsLongest   float64 `figure:"hands-longest"`
}

// Heat are heat transfer coefficients, W/m2K, of the air and of what radiates, with
// temperatures (degC) and shares of a piece's skin.
type Heat struct {
	StillOvenAir   float64 `figure:"still-oven-air"`
	StillOvenWalls float64 `figure:"still-oven-walls"`
	FanOvenAir     float64 `figure:"fan-oven-air"`
	FanOvenWalls   float64 `figure:"fan-oven-walls"`
	Tin            float64 `figure:"tin"`
	HotPan         float64 `figure:"hot-pan"`
	Oil            float64 `figure:"oil"`
	Liquid         float64 `figure:"liquid"`
	RoomAir        float64 `figure:"room-air"`
	RoomWalls      float64 `figure:"room-walls"`
	GrillAir       float64 `figure:"grill-air"`
	GrillGlow      float64 `figure:"grill-glow"`
	ColdAir        float64 `figure:"cold-air"`
	ColdWalls      float64 `figure:"cold-walls"`
	ColdTray       float64 `figure:"cold-tray"`
	SearPan        float64 `figure:"sear-pan"`
	GrillFinish    float64 `figure:"grill-finish"`
	UnderGrill     float64 `figure:"under-grill"`
	FullOven       float64 `figure:"full-oven"`
	Rolling        float64 `figure:"rolling"`
	Waist          float64 `figure:"waist"`
	SetLoaf        float64 `figure:"set-loaf"`  // min
	SetPiece       float64 `figure:"set-piece"` // min
}

// Handling is what moving and turning ask of pieces: kPa, or times what their own
// weight does. See piece.Demand.
type Handling struct {
	PattyOven       float64 `figure:"patty-oven"`
	PattyOvenTurned float64 `figure:"patty-oven-turned"`
	PattyRough      float64 `figure:"patty-rough"`
	PattyPan        float64 `figure:"patty-pan"`
	BallOven        float64 `figure:"ball-oven"`
	BallPan         float64 `figure:"ball-pan"`
	BallDeep        float64 `figure:"ball-deep"`
	BallSimmer      float64 `figure:"ball-simmer"`
	BallLeast       float64 `figure:"ball-least"`
	LoafInTin       float64 `figure:"loaf-in-tin"`
	LoafFree        float64 `figure:"loaf-free"`
	ShellRaw        float64 `figure:"shell-raw"`
	ShellCooked     float64 `figure:"shell-cooked"`
	FritterRaw      float64 `figure:"fritter-raw"`
	Stuffing        float64 `figure:"stuffing"`
}

// Lay are the gaps that pieces want between them, mm.
type Lay struct {
	Ball  float64 `figure:"gap-ball"`
	Patty float64 `figure:"gap-patty"`
	Loaf  float64 `figure:"gap-loaf"`
	Pan   float64 `figure:"gap-pan"`
	Pot   float64 `figure:"gap-pot"`
	Rim   float64 `figure:"tray-rim"`
}

// Losses are shares of juice and fat that leave a piece, and the cooked indices
// between which it eats right.
type Losses struct {
	FreeJuice float64 `figure:"free-juice"`
	MeltedFat float64 `figure:"melted-fat"`
	Dry       float64 `figure:"eats-dry"`
	Moist     float64 `figure:"eats-moist"`
}

// Cold is how cooked and raw pieces meet the cold: min and degC.
type Cold struct {
	OnTheRack float64 `figure:"on-the-rack"`
	Frozen    float64 `figure:"frozen-inside"`
	Firm      float64 `figure:"firm-cold"`
}

// Amounts are how much of a part is usual: g per m2 of the pieces, g a portion, and
// the bounds at which something is said.
type Amounts struct {
	Coating float64 `figure:"coating"`
	Glaze   float64 `figure:"glaze"`
	Wash    float64 `figure:"wash"`
	Sauce   float64 `figure:"sauce"`
	Broth   float64 `figure:"broth"`
	Short   float64 `figure:"part-short"`
	Over    float64 `figure:"part-over"`
	Runs    float64 `figure:"filling-runs"`
	// ScaleStep is the least that the kitchen's scale tells, g.
	ScaleStep float64 `figure:"scale-step"`
}

// Trouble is what a way to mend or bind costs its cook, in minutes of their time.
type Trouble struct {
	Fetch   float64 `figure:"to-fetch"`
	Measure float64 `figure:"to-measure"`
	Waiting float64 `figure:"per-waiting"`
	Strange float64 `figure:"strange"`
	Tasted  float64 `figure:"tasted"`
	Doubted float64 `figure:"doubted"`
}

// Waits are the longest that something may wait for what follows, min.
type Waits struct {
	Gel      float64 `figure:"gel-waits"`
	Soaked   float64 `figure:"soak-waits"`
	Prepared float64 `figure:"prepared-waits"`
	Mix      float64 `figure:"mix-waits"`
	Raw      float64 `figure:"raw-waits"`
	HotOven  float64 `figure:"hot-oven-waits"`
	Fried    float64 `figure:"fried-waits"`
	Baked    float64 `figure:"baked-waits"`
	Part     float64 `figure:"part-waits"`
}
