package heat

import (
	"math"

	"cuerda/core/physics/parameter"
)

// Surroundings are what one face of a body meets.
type Surroundings struct {
	// Celsius is the temperature of the air, the metal or the liquid.
	Celsius float64
	// Convective and Radiative heat transfer coefficients, W/m2K.
	Convective, Radiative float64
	// Wets says whether water can leave the face as vapour.
	Wets bool
	// Vapour is the density of water vapour in the air, kg/m3.
	Vapour float64
}

const (
	// waterActivity is the share of a wet face's vapour pressure that a food's
	// surface keeps up, section 7 of docs/model.md.
	waterActivity = 0.4
	// vapourDiffusion is that of vapour through dried food, m2/s, section 7.
	vapourDiffusion = 4e-6
	// lewis turns a convective coefficient into one of mass transfer: rho cp
	// Le^(2/3) of air near 80 degC, J/m3K (0.98 kg/m3, 1008 J/kgK, Le 0.86).
	lewis = 893.
)

// vapourTable holds saturation every quarter of a degree from vapourFrom.
const vapourFrom = -50.

var vapourTable = func() []float64 {
	out := make([]float64, 4*(110+50)+2)
	for i := range out {
		out[i] = saturation(vapourFrom + float64(i)/4)
	}
	return out
}()

// vapourAt gives saturation and its slope; past boiling it stands.
func vapourAt(celsius, boil float64) (density, slope float64) {
	top := min(celsius, boil)
	x := max(0, (top-vapourFrom)*4)
	i := min(int(x), len(vapourTable)-2)
	rise := vapourTable[i+1] - vapourTable[i]
	density = vapourTable[i] + (x-float64(i))*rise
	if celsius < boil {
		slope = rise * 4
	}
	return density, slope
}

// flow is what crosses a face: heat into it W/m2, its fall with the surface's
// temperature W/m2K, and vapour from it kg/m2s.
func (s *Surroundings) flow(surface, boil, dried float64) (in, fall, vapour float64) {
	h := s.Convective + s.Radiative
	in, fall = h*(s.Celsius-surface), h
	if !s.Wets || s.Convective == 0 {
		return in, fall, 0
	}
	sat, slope := vapourAt(surface, boil)
	if sat <= s.Vapour {
		return in, fall, 0
	}
	k := waterActivity / (lewis/s.Convective + dried/vapourDiffusion)
	vapour = k * (sat - s.Vapour)
	return in - latentVapour*vapour, fall + latentVapour*k*slope, vapour
}

// Room air at 20 degC and half its saturation, kg/m3; hot air keeps the share
// of vapour of the room it comes from and is thinner.
func airOf(celsius float64) float64 {
	if celsius < 20 {
		return 0.5 * saturation(celsius)
	}
	return 0.5 * saturation(20) * 293.15 / (273.15 + celsius)
}

// The surroundings of section 7 of docs/model.md, by the figures of a kitchen.

// StillOven is the air and the walls of an oven without a fan.
func StillOven(f *parameter.Heat, celsius float64) Surroundings {
	return Surroundings{Celsius: celsius, Convective: f.StillOvenAir, Radiative: f.StillOvenWalls, Wets: true, Vapour: airOf(celsius)}
}

// FanOven is an oven with its fan on.
func FanOven(f *parameter.Heat, celsius float64) Surroundings {
	return Surroundings{Celsius: celsius, Convective: f.FanOvenAir, Radiative: f.FanOvenWalls, Wets: true, Vapour: airOf(celsius)}
}

// Metal is the side of a tin or the tray under a piece, in an oven.
func Metal(f *parameter.Heat, celsius float64) Surroundings {
	return Surroundings{Celsius: celsius, Convective: f.Tin}
}

// HotPan is the bottom of a pan.
func HotPan(f *parameter.Heat, celsius float64) Surroundings {
	return Surroundings{Celsius: celsius, Convective: f.HotPan}
}

// Oil is hot fat around a piece.
func Oil(f *parameter.Heat, celsius float64) Surroundings {
	return Surroundings{Celsius: celsius, Convective: f.Oil}
}

// Liquid is water, broth or sauce at a simmer.
func Liquid(f *parameter.Heat, celsius float64) Surroundings {
	return Surroundings{Celsius: celsius, Convective: f.Liquid}
}

// Room is the air of a kitchen.
func Room(f *parameter.Heat, celsius float64) Surroundings {
	return Surroundings{Celsius: celsius, Convective: f.RoomAir, Radiative: f.RoomWalls, Wets: true, Vapour: airOf(celsius)}
}

// GrillAbove is a glowing element above a piece.
func GrillAbove(f *parameter.Heat, celsius float64) Surroundings {
	return Surroundings{Celsius: celsius, Convective: f.GrillAir, Radiative: f.GrillGlow, Wets: true, Vapour: airOf(celsius)}
}

// Cold is the air of a fridge or a freezer, around a covered piece.
func Cold(f *parameter.Heat, celsius float64) Surroundings {
	return Surroundings{Celsius: celsius, Convective: f.ColdAir, Radiative: f.ColdWalls}
}

// ColdTray is the tray under a piece in a fridge or a freezer.
func ColdTray(f *parameter.Heat, celsius float64) Surroundings {
	return Surroundings{Celsius: celsius, Convective: f.ColdTray}
}

// Partly blends surroundings of which a share covers the face: a ball rolled in
// a pan meets the metal with some of its skin, the air with the rest.
func Partly(a Surroundings, share float64, b Surroundings) Surroundings {
	ha, hb := share*(a.Convective+a.Radiative), (1-share)*(b.Convective+b.Radiative)
	out := Surroundings{
		Celsius:    (ha*a.Celsius + hb*b.Celsius) / (ha + hb),
		Convective: share*a.Convective + (1-share)*b.Convective,
		Radiative:  share*a.Radiative + (1-share)*b.Radiative,
		Wets:       a.Wets || b.Wets,
		Vapour:     math.Max(a.Vapour, b.Vapour),
	}
	return out
}
