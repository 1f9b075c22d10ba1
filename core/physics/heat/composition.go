// Package heat computes how a piece of the mix warms, cools, freezes and loses
// water: thermal properties from what is in the mix, transient conduction in
// spheres, discs and bricks, and what happens at their surfaces. It implements
// section 7 of docs/model.md. Lengths are in m, temperatures in degC, times in
// s inside and in min where a name says so.
package heat

import (
	"math"

	"cuerda/core/physics/mix"
)

// Composition is what a mix is made of, g per g; the six add up to 1.
type Composition struct {
	Water, Protein, Fat, Carb, Fibre, Ash float64
}

// CompositionOf gives what parts come to once they are mixed. Preparations
// change the water and the fat of a line; its other solids keep the shares
// they have in the catalogue. A mix of nothing is water.
func CompositionOf(parts []mix.Part) Composition {
	var c Composition
	for i := range parts {
		p := &parts[i]
		f := p.Food
		c.Water += p.Water
		c.Fat += p.Fat
		if listed := f.Protein + f.Carb + f.Fibre + f.Ash; listed > 0 {
			per := p.Solids() / listed
			c.Protein += per * f.Protein
			c.Carb += per * f.Carb
			c.Fibre += per * f.Fibre
			c.Ash += per * f.Ash
		}
	}
	return c.normal()
}

// Plus is both together, where each was taken Times its mass.
func (c Composition) Plus(o Composition) Composition {
	return Composition{c.Water + o.Water, c.Protein + o.Protein, c.Fat + o.Fat, c.Carb + o.Carb, c.Fibre + o.Fibre, c.Ash + o.Ash}
}

// Times is so much of it.
func (c Composition) Times(x float64) Composition {
	return Composition{c.Water * x, c.Protein * x, c.Fat * x, c.Carb * x, c.Fibre * x, c.Ash * x}
}

func (c Composition) normal() Composition {
	sum := c.Water + c.Protein + c.Fat + c.Carb + c.Fibre + c.Ash
	if sum <= 0 {
		return Composition{Water: 1}
	}
	return Composition{c.Water / sum, c.Protein / sum, c.Fat / sum, c.Carb / sum, c.Fibre / sum, c.Ash / sum}
}

// Air is the share of the volume of a shaped mix that is air, section 7.
const Air = 0.03

// polynomial is c0 + c1 T + c2 T^2, T in degC.
type polynomial [3]float64

func (p polynomial) at(celsius float64) float64 { return p[0] + celsius*(p[1]+celsius*p[2]) }

// constituent holds the fits of Choi and Okos (1986), "Effects of temperature
// and composition on the thermal properties of foods", in Food Engineering and
// Process Applications 1, for -40 to 150 degC: conductivity W/mK, density
// kg/m3, specific heat J/kgK.
type constituent struct {
	conductivity, density, specificHeat polynomial
}

var (
	water   = constituent{polynomial{0.57109, 1.7625e-3, -6.7036e-6}, polynomial{997.18, 3.1439e-3, -3.7574e-3}, polynomial{4176.2, -9.0864e-2, 5.4731e-3}}
	ice     = constituent{polynomial{2.2196, -6.2489e-3, 1.0154e-4}, polynomial{916.89, -0.13071, 0}, polynomial{2062.3, 6.0769, 0}}
	protein = constituent{polynomial{0.17881, 1.1958e-3, -2.7178e-6}, polynomial{1329.9, -0.51840, 0}, polynomial{2008.2, 1.2089, -1.3129e-3}}
	fat     = constituent{polynomial{0.18071, -2.7604e-4, -1.7749e-7}, polynomial{925.59, -0.41757, 0}, polynomial{1984.2, 1.4733, -4.8008e-3}}
	carb    = constituent{polynomial{0.20141, 1.3874e-3, -4.3312e-6}, polynomial{1599.1, -0.31046, 0}, polynomial{1548.8, 1.9625, -5.9399e-3}}
	fibre   = constituent{polynomial{0.18331, 1.2497e-3, -3.1683e-6}, polynomial{1311.5, -0.36589, 0}, polynomial{1845.9, 1.8306, -4.6509e-3}}
	ash     = constituent{polynomial{0.32962, 1.4011e-3, -2.9069e-6}, polynomial{2423.8, -0.28063, 0}, polynomial{1092.6, 1.8896, -3.6817e-3}}
)

const (
	latentIce    = 333.6e3 // J/kg, melting of ice at 0 degC
	latentVapour = 2.35e6  // J/kg, section 7 of docs/model.md
	boundWater   = 0.4     // kg of water that never freezes per kg of protein (Pham 1987)
)

// FreezingPoint is where the first ice forms, degC: Pham's fit on dissolved
// solids and ash (1996, Journal of Food Engineering 30), -4.66 other/water -
// 46.4 ash/water. Of the carbohydrate a third is taken as dissolved, since most
// of a mix's is starch. Between -8 and -0.3.
func (c Composition) FreezingPoint() float64 {
	if c.Water <= 0 {
		return -8
	}
	return min(max(-4.66*c.Carb/3/c.Water-46.4*c.Ash/c.Water, -8), -0.3)
}

// iceShare is the ice in the mix, g per g: what Raoult's law leaves liquid at
// that temperature stays liquid.
func (c Composition) iceShare(celsius float64) float64 {
	freeze := c.FreezingPoint()
	if celsius >= freeze {
		return 0
	}
	return max(0, c.Water-boundWater*c.Protein) * (1 - freeze/celsius)
}

// Thermal are the properties that say how fast a mix warms.
type Thermal struct {
	Density      float64
	Conductivity float64
	HeatCapacity float64
}

// ThermalAt gives them at a temperature, degC, without what ice takes to melt.
func (c Composition) ThermalAt(celsius float64) Thermal {
	density, k, cp := c.properties(celsius)
	return Thermal{density, k, cp / 1000}
}

// properties gives density kg/m3, conductivity W/mK (parallel by volume, with
// Air) and sensible specific heat J/kgK at a temperature.
func (c Composition) properties(celsius float64) (density, conductivity, specificHeat float64) {
	frozen := c.iceShare(celsius)
	parts := [...]struct {
		share float64
		of    *constituent
	}{{c.Water - frozen, &water}, {frozen, &ice}, {c.Protein, &protein}, {c.Fat, &fat}, {c.Carb, &carb}, {c.Fibre, &fibre}, {c.Ash, &ash}}
	volume, k := 0.0, 0.0
	for _, p := range parts {
		v := p.share / p.of.density.at(celsius)
		volume += v
		k += v * p.of.conductivity.at(celsius)
		specificHeat += p.share * p.of.specificHeat.at(celsius)
	}
	const air = 0.026 // W/mK
	return (1 - Air) / volume, (1-Air)*k/volume + Air*air, specificHeat
}

// Density is that of the shaped mix at room temperature, kg/m3.
func (c Composition) Density() float64 {
	d, _, _ := c.properties(20)
	return d
}

// BoilingPoint is that of water at an altitude in m, degC: the standard
// atmosphere's pressure (ISO 2533) through Antoine's equation.
func BoilingPoint(altitude float64) float64 {
	pressure := 101325 * math.Pow(1-2.25577e-5*altitude, 5.25588)
	return antoineB/(antoineA-math.Log10(pressure/133.322)) - antoineC
}

// Antoine's constants of water, 1 to 100 degC, for mmHg.
const antoineA, antoineB, antoineC = 8.07131, 1730.63, 233.426

// vapourPressure is that of water, Pa.
func vapourPressure(celsius float64) float64 {
	return 133.322 * math.Pow(10, antoineA-antoineB/(antoineC+celsius))
}

// saturation is the density of saturated vapour, kg/m3.
func saturation(celsius float64) float64 {
	return vapourPressure(celsius) * 0.018015 / (8.314 * (celsius + 273.15))
}
