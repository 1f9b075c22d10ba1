// Package method answers: how is a piece cooked, and what does that mean for it?
//
// Each way of cooking is one row of the table in rows.go: what brings the heat, how hot a cook sets it, whether pieces
// are turned, what they lie on, what it holds in a kitchen, how roughly it handles raw pieces, which terms of the judge
// it has, and what it is called. Everything that asks "is it an oven?" or "is it turned?" asks the row, so that
// a new way of cooking is a new row and nothing else.
//
// Begin with Row, the type, and Method.Row, which gives the row of a method.
package method

import (
	"slices"
	"sync/atomic"

	"cuerda/core/physics/parameter"
)

// Method is how a piece is cooked: the word of the build document.
type Method string

// The methods that the program itself names.
const (
	StillOven  Method = "still-oven"
	FanOven    Method = "fan-oven"
	Pan        Method = "pan"
	ShallowOil Method = "shallow-oil"
	DeepOil    Method = "deep-oil"
	Simmer     Method = "simmer"
	Grill      Method = "grill"
)

// Medium is what brings the heat to a piece.
type Medium string

// The media.
const (
	Air   Medium = "air"   // the air and the walls of an oven
	Metal Medium = "metal" // a hot pan under it
	Fat   Medium = "fat"   // hot oil
	Water Medium = "water" // water, broth or sauce
	Glow  Medium = "glow"  // a glowing element above it
)

// Media lists every medium.
var Media = []Medium{Air, Metal, Fat, Water, Glow}

// Ware is what pieces lie on or in.
type Ware string

// The wares.
const (
	Tray    Ware = "tray"
	Skillet Ware = "pan"
	Pot     Ware = "pot"
)

// Source is one of the surroundings that a face of a piece can meet; package heat knows their figures.
type Source string

// The sources.
const (
	Nothing        Source = ""
	StillAir       Source = "still-oven"       // the air and walls of an oven without a fan
	MovedAir       Source = "fan-oven"         // the same with its fan on
	HotMetal       Source = "metal"            // the tray or the tin in an oven
	HotPan         Source = "hot-pan"          // the bottom of a pan
	HotOil         Source = "oil"              // hot fat
	Liquid         Source = "liquid"           // a simmer, at most as hot as it boils
	Room           Source = "room"             // the air of the kitchen
	BesidePan      Source = "beside-pan"       // the air around and above a piece in a pan
	Element        Source = "element"          // a glowing element above
	UnderElement   Source = "under-element"    // the air below it
	MetalUnderGlow Source = "metal-under-glow" // the tray below it
)

// Share is how much of a face one source covers, from the parameters of a kitchen.
type Share func(*parameter.Heat) float64

// Face is what a face of a piece meets: Of, or Of over a Share of it and Else over the rest.
type Face struct {
	Of    Source
	Share Share // nil: all of it
	Else  Source
}

// Transfer is how the heat comes to a piece: Round what a ball or a roll meets all around, Around what a flat piece
// or a loaf meets where nothing else is said, Bottom and Top what those faces of it meet, and Held what the sides of
// a piece in a tin meet.
type Transfer struct {
	Round, Around, Bottom, Top, Held Face
}

// Handling says how roughly raw pieces are handled, as a factor of what they weigh or as kPa (see piece.Demand).
type Handling func(*parameter.Handling) float64

// Row is one way of cooking.
type Row struct {
	Method Method
	// Names are what it is called after "cooked", by language.
	Names map[string]string

	Medium Medium
	// Celsius is what a cook usually sets it to, degC.
	Celsius float64
	// Turned says whether pieces are usually turned, Turnable whether they have sides to turn.
	Turned, Turnable bool
	// Sears says whether a hot pan may come first, and Finishes whether it may end under the grill.
	Sears, Finishes bool
	// BrownsBelow says whether the side that browns lies below.
	BrownsBelow bool
	Transfer    Transfer

	// Ware is what pieces lie on. OneTray says that no more than one of the kitchen's trays is heated at once.
	Ware    Ware
	OneTray bool
	// Oven says that an oven is what it happens in; what is known of the oven's error counts. Preheated says that the
	// oven comes to its heat first.
	Oven, Preheated bool
	// Attended says that a cook stands at it.
	Attended bool

	// OilMM is how deep oil stands, mm; OilPanfulG what a panful takes where it stands in none, g.
	OilMM, OilPanfulG float64
	// Cautions are codes of what to mind, beside those of any cooking.
	Cautions []string

	// Patty, PattyTurned and Ball say how roughly a raw patty, one that is turned, and a raw ball are handled.
	Patty, PattyTurned, Ball Handling
	// JudgedPan, JudgedDeep and JudgedSimmer say which of the judge's terms of heat it has.
	JudgedPan, JudgedDeep, JudgedSimmer bool
}

// none is the row of what is not cooked, or not by a method that is known: nothing heats it.
var none = Row{
	Celsius: 230, Turnable: true, Ware: Tray,
	Patty:       func(h *parameter.Handling) float64 { return h.PattyPan },
	PattyTurned: func(h *parameter.Handling) float64 { return h.PattyPan },
	Ball:        func(h *parameter.Handling) float64 { return h.BallPan },
}

// Row gives the row of a method; of one that is not known, a row of which nothing is said.
func (m Method) Row() *Row {
	all := *rows.Load()
	for i := range all {
		if all[i].Method == m {
			return &all[i]
		}
	}
	return &none
}

// Bakes says whether the air of an oven is what cooks the piece.
func (r *Row) Bakes() bool { return r.Medium == Air }

// Crisps says whether fat or metal gives it a crust that goes soft as it stands.
func (r *Row) Crisps() bool { return r.Medium == Metal || r.Medium == Fat }

// InWater says whether it lies in liquid.
func (r *Row) InWater() bool { return r.Medium == Water }

// rows is the table; it is replaced whole, never changed, so that whoever reads it needs no lock.
var rows atomic.Pointer[[]Row]

func init() {
	all := usualRows()
	rows.Store(&all)
}

// Rows gives the table.
func Rows() []Row { return *rows.Load() }

// Methods lists every method, in the order in which they are offered.
func Methods() []Method {
	all := *rows.Load()
	out := make([]Method, len(all))
	for i := range all {
		out[i] = all[i].Method
	}
	return out
}

// Known says whether there is such a method.
func Known(m Method) bool {
	return slices.ContainsFunc(*rows.Load(), func(r Row) bool { return r.Method == m })
}

// Add puts a row after the others until remove is called. It is for tests, and for whoever tries a way of cooking out.
func Add(r Row) (remove func()) {
	before := rows.Load()
	all := append(slices.Clone(*before), r)
	rows.Store(&all)
	return func() { rows.Store(before) }
}
