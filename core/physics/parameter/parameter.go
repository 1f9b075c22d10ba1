// Package parameter holds the figures of a kitchen's work that no document gives and no
// law of nature fixes: minutes of hands, heat transfer, what handling asks, usual
// amounts. Each stands in parameters.csv with its unit, its grade, the range in which it
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
	Drain          float64 `parameter:"drain"`
	Press          float64 `parameter:"press"`
	Cool           float64 `parameter:"cool"`
	Toast          float64 `parameter:"toast"`
	Brown          float64 `parameter:"brown"`
	BlitzBowl      float64 `parameter:"blitz-bowl"`
	MashKilo       float64 `parameter:"mash-kilo"`
	Preheat        float64 `parameter:"preheat"`
	ChangeBatch    float64 `parameter:"change-batch"`
	Mix            float64 `parameter:"mix"`
	MixKilo        float64 `parameter:"mix-kilo"`
	MixPart        float64 `parameter:"mix-part"`
	Brush          float64 `parameter:"brush"`
	ShapeLoaf      float64 `parameter:"shape-loaf"`
	ShapeLoafEach  float64 `parameter:"shape-loaf-each"`
	ShapeShell     float64 `parameter:"shape-shell"`
	ShapeShellEach float64 `parameter:"shape-shell-each"`
	ShapePatty     float64 `parameter:"shape-patty"`
	ShapePattyEach float64 `parameter:"shape-patty-each"`
	ShapeBall      float64 `parameter:"shape-ball"`
	ShapeBallEach  float64 `parameter:"shape-ball-each"`
	ShapeFritter   float64 `parameter:"shape-fritter"`
	HandsLongest   float64 `parameter:"hands-longest"`
}

// Heat are heat transfer coefficients, W/m2K, of the air and of what radiates, with
// temperatures (degC) and shares of a piece's skin.
type Heat struct {
	StillOvenAir   float64 `parameter:"still-oven-air"`
	StillOvenWalls float64 `parameter:"still-oven-walls"`
	FanOvenAir     float64 `parameter:"fan-oven-air"`
	FanOvenWalls   float64 `parameter:"fan-oven-walls"`
	Tin            float64 `parameter:"tin"`
	HotPan         float64 `parameter:"hot-pan"`
	Oil            float64 `parameter:"oil"`
	Liquid         float64 `parameter:"liquid"`
	RoomAir        float64 `parameter:"room-air"`
	RoomWalls      float64 `parameter:"room-walls"`
	GrillAir       float64 `parameter:"grill-air"`
	GrillGlow      float64 `parameter:"grill-glow"`
	ColdAir        float64 `parameter:"cold-air"`
	ColdWalls      float64 `parameter:"cold-walls"`
	ColdTray       float64 `parameter:"cold-tray"`
	SearPan        float64 `parameter:"sear-pan"`
	GrillFinish    float64 `parameter:"grill-finish"`
	UnderGrill     float64 `parameter:"under-grill"`
	FullOven       float64 `parameter:"full-oven"`
	Rolling        float64 `parameter:"rolling"`
	Waist          float64 `parameter:"waist"`
	SetLoaf        float64 `parameter:"set-loaf"`  // min
	SetPiece       float64 `parameter:"set-piece"` // min
}

// Handling is what moving and turning ask of pieces: kPa, or times what their own
// weight does. See piece.Demand.
type Handling struct {
	PattyOven       float64 `parameter:"patty-oven"`
	PattyOvenTurned float64 `parameter:"patty-oven-turned"`
	PattyRough      float64 `parameter:"patty-rough"`
	PattyPan        float64 `parameter:"patty-pan"`
	BallOven        float64 `parameter:"ball-oven"`
	BallPan         float64 `parameter:"ball-pan"`
	BallDeep        float64 `parameter:"ball-deep"`
	BallSimmer      float64 `parameter:"ball-simmer"`
	BallLeast       float64 `parameter:"ball-least"`
	LoafInTin       float64 `parameter:"loaf-in-tin"`
	LoafFree        float64 `parameter:"loaf-free"`
	ShellRaw        float64 `parameter:"shell-raw"`
	ShellCooked     float64 `parameter:"shell-cooked"`
	FritterRaw      float64 `parameter:"fritter-raw"`
	Stuffing        float64 `parameter:"stuffing"`
}

// Lay are the gaps that pieces want between them, mm.
type Lay struct {
	Ball  float64 `parameter:"gap-ball"`
	Patty float64 `parameter:"gap-patty"`
	Loaf  float64 `parameter:"gap-loaf"`
	Pan   float64 `parameter:"gap-pan"`
	Pot   float64 `parameter:"gap-pot"`
	Rim   float64 `parameter:"tray-rim"`
}

// Losses are shares of juice and fat that leave a piece, and the cooked indices
// between which it eats right.
type Losses struct {
	FreeJuice float64 `parameter:"free-juice"`
	MeltedFat float64 `parameter:"melted-fat"`
	Dry       float64 `parameter:"eats-dry"`
	Moist     float64 `parameter:"eats-moist"`
}

// Cold is how cooked and raw pieces meet the cold: min and degC.
type Cold struct {
	OnTheRack float64 `parameter:"on-the-rack"`
	Frozen    float64 `parameter:"frozen-inside"`
	Firm      float64 `parameter:"firm-cold"`
}

// Amounts are how much of a part is usual: g per m2 of the pieces, g a portion, and
// the bounds at which something is said.
type Amounts struct {
	Coating float64 `parameter:"coating"`
	Glaze   float64 `parameter:"glaze"`
	Wash    float64 `parameter:"wash"`
	Sauce   float64 `parameter:"sauce"`
	Broth   float64 `parameter:"broth"`
	Short   float64 `parameter:"part-short"`
	Over    float64 `parameter:"part-over"`
	Runs    float64 `parameter:"filling-runs"`
	// ScaleStep is the least that the kitchen's scale tells, g.
	ScaleStep float64 `parameter:"scale-step"`
}

// Trouble is what a way to mend or bind costs its cook, in minutes of their time.
type Trouble struct {
	Fetch   float64 `parameter:"to-fetch"`
	Measure float64 `parameter:"to-measure"`
	Waiting float64 `parameter:"per-waiting"`
	Strange float64 `parameter:"strange"`
	Tasted  float64 `parameter:"tasted"`
	Doubted float64 `parameter:"doubted"`
}

// Waits are the longest that something may wait for what follows, min.
type Waits struct {
	Gel      float64 `parameter:"gel-waits"`
	Soaked   float64 `parameter:"soak-waits"`
	Prepared float64 `parameter:"prepared-waits"`
	Mix      float64 `parameter:"mix-waits"`
	Raw      float64 `parameter:"raw-waits"`
	HotOven  float64 `parameter:"hot-oven-waits"`
	Fried    float64 `parameter:"fried-waits"`
	Baked    float64 `parameter:"baked-waits"`
	Part     float64 `parameter:"part-waits"`
}
