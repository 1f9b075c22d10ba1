package piece

import (
	_ "embed"
	"strconv"
	"strings"
)

// Scoop is a measure that portions a mix by volume.
type Scoop struct {
	// Name is disher-40, spoon-1 or cup-1/4.
	Name string
	// Millilitres it holds, level.
	Millilitres float64
}

const (
	quart      = 946.353 // ml, US
	tablespoon = 14.787  // ml, US
	cup        = 236.588 // ml, US
)

// Scoops lists the usual ones, small to large. The number of a disher says how
// many of it fill a US quart.
var Scoops = func() []Scoop {
	out := []Scoop{{"spoon-1", tablespoon}, {"spoon-2", 2 * tablespoon}}
	for _, n := range []float64{100, 70, 60, 50, 40, 30, 24, 20, 16, 12, 10, 8, 6} {
		out = append(out, Scoop{"disher-" + strconv.Itoa(int(n)), quart / n})
	}
	return append(out, Scoop{"cup-1/4", cup / 4}, Scoop{"cup-1/3", cup / 3}, Scoop{"cup-1/2", cup / 2})
}()

// Tin is a loaf tin, inside, mm.
type Tin struct {
	LengthMM float64 `json:"length_mm"`
	WidthMM  float64 `json:"width_mm"`
	HeightMM float64 `json:"height_mm"`
}

// FillLimit is how much of a tin a mix may fill, so that it does not run over.
const FillLimit = 0.85

//go:embed tins.csv
var tinTable string

// Tins lists usual sizes of loaf tin, small to large.
var Tins = func() []Tin {
	var out []Tin
	for row := range strings.SplitSeq(strings.TrimSpace(tinTable), "\n") {
		var mm [3]float64
		for i, cell := range strings.Split(row, ",") {
			mm[i], _ = strconv.ParseFloat(cell, 64)
		}
		if mm[2] > 0 { // not the heading
			out = append(out, Tin{mm[0], mm[1], mm[2]})
		}
	}
	return out
}()

// Ware is what the pieces are cooked on and in. Lengths in mm, inside.
type Ware struct {
	TrayLengthMM  float64 `json:"tray_length_mm" minimum:"100" maximum:"1000"`
	TrayWidthMM   float64 `json:"tray_width_mm" minimum:"100" maximum:"1000"`
	Racks         int     `json:"racks" minimum:"1" maximum:"10"`
	PanDiameterMM float64 `json:"pan_diameter_mm" minimum:"80" maximum:"1000"`
	PotDiameterMM float64 `json:"pot_diameter_mm" minimum:"80" maximum:"1000"`
	// BowlGrams is what the bowl of the processor takes in one go.
	BowlGrams float64 `json:"bowl_g" minimum:"50" maximum:"20000"`
}

// UsualWare is that of a home kitchen.
var UsualWare = Ware{TrayLengthMM: 400, TrayWidthMM: 300, Racks: 2, PanDiameterMM: 260, PotDiameterMM: 220, BowlGrams: 900}
