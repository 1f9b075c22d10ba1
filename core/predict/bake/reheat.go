package bake

import (
	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/safety"
)

// Reheated is how cooked pieces get hot again from the fridge.
type Reheated struct {
	// Way is oven or simmer, at Celsius.
	Way     string
	Celsius float64
	// Minutes until the slowest place has Target, degC; nil where it does not get there.
	Minutes *float64
	Target  float64
}

// The heat for leftovers: an oven that warms without browning much more, or a simmer (kitchen practice);
// to 74 degC all through (USDA FSIS, "Leftovers and Food Safety"), or what the kitchen's own rule or the UK's
// asks for where that is hotter.
const (
	reheatOven   = 170
	reheatSimmer = 95
	reheatTo     = 74
)

// Reheat says how pieces of a document come back: those that were poached in a simmer, all others
// in an oven.
func Reheat(d *document.Document, k *kitchen.Kitchen) Reheated {
	b := prepare(d, k)
	out := Reheated{Way: "oven", Celsius: reheatOven, Target: reheatTo}
	if k.Guidance == safety.Own && k.OwnCelsius > out.Target {
		out.Target = k.OwnCelsius
	}
	c := b.cooking()
	c.Method, c.SearMinutes, c.GrillMinutes, c.ToTargetOnly = method.StillOven, 0, 0, true
	if b.method.Row().InWater() {
		out.Way, out.Celsius, c.Method = "simmer", min(reheatSimmer, b.boil), method.Simmer
	}
	if b.state.Mass <= 0 || out.Celsius <= out.Target+1 {
		return out
	}
	c.Celsius, c.Target.Celsius, c.Target.HoldMinutes = out.Celsius, out.Target, 0
	if course := c.Run(c.Begin(k.FridgeCelsius)); course.Reached {
		minutes := course.ToTarget
		out.Minutes = &minutes
	}
	return out
}
