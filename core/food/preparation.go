package food

import (
	"encoding/json"
	"math"
	"slices"
)

// Do names a preparation of a line.
type Do string

// The preparations, as docs/model.md describes them.
const (
	OvenDry Do = "oven-dry"
	Saute   Do = "saute"
	Roast   Do = "roast"
	Press   Do = "press"
	Blitz   Do = "blitz"
	Mash    Do = "mash"
	Soak    Do = "soak"
	Brown   Do = "brown"
	SoakGel Do = "gel"
	Toast   Do = "toast"
)

// Dos lists every preparation.
var Dos = []Do{OvenDry, Saute, Roast, Press, Blitz, Mash, Soak, Brown, SoakGel, Toast}

// Setting names the figure a preparation is set by: "minutes", "level",
// "hours", or "" where it has none.
func (d Do) Setting() string {
	switch d {
	case OvenDry, Saute, Roast, SoakGel:
		return "minutes"
	case Blitz, Mash:
		return "level"
	case Soak:
		return "hours"
	}
	return ""
}

// Default is the setting a cook most often uses, in the unit of Setting.
func (d Do) Default() float64 {
	switch d {
	case OvenDry:
		return 12
	case Saute, SoakGel:
		return 10
	case Roast:
		return 30
	case Blitz:
		return 0.5
	case Mash:
		return 0.8
	case Soak:
		return 4
	}
	return 0
}

// Preparation is one thing done to a line before it is mixed.
type Preparation struct {
	Do Do `json:"do"`
	// Minutes are for oven-dry, saute, roast and gel, 0..2880.
	Minutes float64 `json:"minutes,omitempty"`
	// Level is for blitz and mash: 0 whole, 0.5 like ground meat, 1 paste.
	Level float64 `json:"level,omitempty"`
	// Hours are for soak, 0..48.
	Hours float64 `json:"hours,omitempty"`
	// Oil is for saute; nil means with oil.
	Oil *bool `json:"oil,omitempty"`
}

// Suits says whether a cook would do this to that food. It is advice for the
// order in which choices are shown: every preparation may be asked for.
func (d Do) Suits(f *Food) bool {
	switch d {
	case Saute, Roast:
		return f.Group == Vegetable || f.Group == Nut && f.Water > 30
	case OvenDry:
		return f.Water > 45 && (f.Group == Legume || f.Group == Vegetable || f.Group == Grain)
	case Press:
		return f.Leak > 0 || f.SoakGain > 1 // once it is soaked through
	case Blitz, Mash:
		return f.Chunk > 0
	case Soak:
		return soakGain(f) > 0
	case Brown:
		return f.Group == Meat && f.State == Raw
	case SoakGel:
		return f.Group == Gel
	case Toast:
		switch {
		case f.Group == Nut || f.Group == Seed, f.ManyAlike && f.State == Ready:
			return f.Water <= 15
		case f.Group == GrainBinder: // bread too
			return f.Water > 3 && f.Water < 50
		}
		return f.Group.IsBinder() && f.Water > 3 && f.Water <= 15
	}
	return false
}

// MarshalJSON writes the figure that sets a preparation even where it is 0:
// without it the document could not be read again.
func (p Preparation) MarshalJSON() ([]byte, error) {
	out := map[string]any{"do": p.Do}
	switch p.Do.Setting() {
	case "minutes":
		out["minutes"] = p.Minutes
	case "level":
		out["level"] = p.Level
	case "hours":
		out["hours"] = p.Hours
	}
	if p.Oil != nil {
		out["oil"] = *p.Oil
	}
	return json.Marshal(out)
}

// Prepared is a line as it enters the mix: masses in g, the rest as in Paste.
type Prepared struct {
	Mass, Water, Fat, FreeOil, Salt float64
	Chunk, Leak                     float64
	GlueCold, GlueHot               float64
	// Lead is how long the line has already drunk, min.
	Lead float64
	// RawMeat is the mass of raw meat or fish in the line, g.
	RawMeat float64
}

// Solids is the fat-free dry mass, g.
func (p *Prepared) Solids() float64 { return max(0, p.Mass-p.Water-p.Fat) }

// Prepare takes grams of a food through preparations in order. Effects are
// those of docs/model.md, section 1; no preparation takes away more than 90%
// of the water that is there when it begins.
func Prepare(f *Food, grams float64, preps []Preparation) Prepared {
	p := Prepared{
		Mass: grams, Water: grams * f.Water / 100, Fat: grams * f.Fat / 100,
		Salt: grams * f.Salt / 100, Chunk: f.Chunk, Leak: f.Leak,
		GlueCold: f.GlueCold, GlueHot: f.GlueHot,
	}
	p.FreeOil = p.Fat * f.Oil
	if f.IsRawMeat() {
		p.RawMeat = grams
	}
	cooked := f.State != Raw
	for i := range preps {
		cooked = p.apply(f, &preps[i], cooked) || cooked
	}
	return p
}

// apply does one preparation and says whether it cooked the line.
func (p *Prepared) apply(f *Food, prep *Preparation, cooked bool) bool {
	switch prep.Do {
	case OvenDry:
		p.dry(0.30 * p.Mass * (1 - math.Exp(-prep.Minutes/30)))
		if prep.Minutes >= 8 {
			p.Leak *= 0.2
		} else if prep.Minutes > 0 {
			p.Leak *= 0.6
		}
		return prep.Minutes >= 8
	case Saute:
		done := 1 - math.Exp(-prep.Minutes/6)
		p.dry(sauteLoss(f) * p.Mass * done)
		p.Leak *= max(0.1, 1-0.9*done)
		p.Chunk *= 1 - 0.2*done
		if prep.Minutes > 0 && (prep.Oil == nil || *prep.Oil) {
			// The oil soaks into the pieces: it is fat, but none of it wets the paste.
			oil := 0.03 * p.Mass
			p.Mass += oil
			p.Fat += oil
		}
		return prep.Minutes >= 4
	case Roast:
		p.dry(0.30 * p.Mass * (1 - math.Exp(-prep.Minutes/40)))
		if prep.Minutes > 0 {
			p.Leak *= 0.4
		}
		return prep.Minutes >= 10
	case Press:
		p.dry(pressLoss(f, p))
		p.Leak *= 0.2
	case Blitz, Mash:
		soft, raw := softness(f, cooked)
		p.Chunk *= 1 - prep.Level*soft
		if raw {
			p.Leak *= 1 + 0.5*prep.Level
		}
	case Soak:
		tau := 1.5
		switch {
		case f.SoakHours > 0:
			tau = f.SoakHours
		case isDryLegume(f):
			tau = 3 // h: beans take the night
		}
		drunk := 1 - math.Exp(-prep.Hours/tau)
		gain := soakGain(f) * p.Mass * drunk
		p.Mass += gain
		p.Water += gain
		if isDryLegume(f) {
			p.GlueCold, p.GlueHot = soakedCold*drunk, soakedHot*drunk
		}
	case Brown:
		if p.RawMeat == 0 {
			return false
		}
		p.dry(0.20 * p.Mass)
		lost := p.Fat / 4
		p.Mass -= lost
		p.Fat -= lost
		p.FreeOil *= 0.75
		p.GlueCold, p.GlueHot, p.RawMeat = 0, 0, 0
		p.Chunk = 0.8
		return true
	case SoakGel:
		p.Lead += prep.Minutes
	case Toast:
		// Water falls to 3% of what is left.
		if dry := p.Mass - p.Water; p.Water > dry*0.03/0.97 {
			p.dry(p.Water - dry*0.03/0.97)
		}
		return true
	}
	return false
}

// dry takes up to loss grams of water away.
func (p *Prepared) dry(loss float64) {
	loss = min(loss, 0.9*p.Water)
	p.Mass -= loss
	p.Water -= loss
}

// pressedOut is the share of the water of a raw vegetable, grated or pulped, that
// hands, a cloth or a weight take: grated squash and potato lose a third to a half of
// their mass so, onion and cabbage a third (kitchen practice, grade C).
const pressedOut = 0.38

// pressLoss is what pressing takes away, g: from raw vegetables by pressedOut, less
// where little of it leaks; from others what their pieces would give up, and more of
// tofu.
func pressLoss(f *Food, p *Prepared) float64 {
	if f.State == Raw && (f.Group == Vegetable || f.Group == Fruit) {
		return p.Water * pressedOut * min(1, 0.4+p.Leak/0.25)
	}
	loss := 0.8 * p.Leak * p.Mass * p.Chunk
	if f.SoakGain > 1 && p.Water > p.Mass/3 {
		return 0.25 * p.Water // dry protein or mushroom, soaked through
	}
	if f.Is(Curd) {
		// The less solid a curd holds, the more its weight in a cloth drives out: 0.12 of a firm one.
		loss += min(0.3, 0.12*firmCurd/max(1, 100-f.Water)) * p.Mass
	}
	return loss
}

// firmCurd is what a firm curd holds beside its water, g per 100 g.
const firmCurd = 24.

// sauteLoss is the share of the mass that a saute can drive off, kitchen
// practice for chopped or grated pieces in a wide pan.
func sauteLoss(f *Food) float64 {
	if f.SauteLoss > 0 {
		return f.SauteLoss
	}
	// Between the firm roots and the leaves; cooked and dry foods lose less.
	if f.Group == Vegetable && f.State == Raw {
		return 0.30
	}
	return 0.30 * f.Water / 100
}

// isDryLegume says whether a food is a legume as it comes from the bag.
func isDryLegume(f *Food) bool { return f.Group == Legume && f.State == Raw && f.Water < 20 }

// The glue of a dry legume once it is soaked and ground raw, kPa x 100: that of the
// soaked ones of the catalogue. It sets as legume flour does.
const soakedCold, soakedHot = 0.03, 0.10

// softness is how far blitzing turns pieces to paste, 0..1, and whether it
// frees juice as raw vegetables do.
func softness(f *Food, cooked bool) (soft float64, freesJuice bool) {
	switch f.Group {
	case Nut, Seed:
		return 0.70, false
	case Vegetable, Fruit:
		if !cooked {
			return 0.50, true
		}
	}
	return 0.95, false
}

// soakGain is the water a food takes up in a long soak, g per g.
func soakGain(f *Food) float64 {
	switch {
	case f.SoakGain > 0:
		return f.SoakGain
	case (f.Group == Seed || f.Group == Nut) && f.Chunk > 0.5 && f.Water < 30:
		return 0.35
	case f.Group == Grain && f.State == Raw && f.Water < 20:
		return 0.90
	case isDryLegume(f):
		return 1.05 // overnight they double: 0.95 to 1.15 for chickpeas and beans
	}
	return 0
}

// Known says whether d is one of Dos.
func (d Do) Known() bool { return slices.Contains(Dos, d) }
