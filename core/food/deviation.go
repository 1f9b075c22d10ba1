package food

import "math"

// Deviation is how a food of a kitchen differs from the catalogue's.
type Deviation struct {
	// Water is how much wetter it is, g per 100 g.
	Water float64 `json:"water,omitempty" minimum:"-40" maximum:"40"`
	// WaterSD is one standard deviation of Water; 0 where the catalogue's stands.
	WaterSD float64 `json:"water_sd,omitempty" minimum:"0" maximum:"40"`
	// Drink is the natural logarithm of how much water it takes up, against usual.
	Drink float64 `json:"drink,omitempty" minimum:"-1.5" maximum:"1.5"`
	// DrinkSD is one standard deviation of Drink; 0 where the catalogue's stands.
	DrinkSD float64 `json:"drink_sd,omitempty" minimum:"0" maximum:"2"`
}

// leastSolids stay of a food however wet it is, g per 100 g.
const leastSolids = 1.

// Deviating gives the food as a kitchen has it: what it is made of beside water makes room for it.
func (f *Food) Deviating(d Deviation) Food {
	out := *f
	if d.Water != 0 && f.Water < 100-leastSolids {
		water := min(max(f.Water+d.Water, 0), 100-leastSolids)
		left := (100 - water) / (100 - f.Water)
		out.Water = water
		for _, x := range []*float64{&out.Protein, &out.Fat, &out.Carb, &out.Fibre, &out.Ash, &out.Salt} {
			*x *= left
		}
	}
	if d.WaterSD > 0 {
		out.waterSD = d.WaterSD
	}
	drink := math.Exp(d.Drink)
	out.Plastic, out.Liquid = f.Plastic*drink, f.Liquid*drink
	if d.DrinkSD > 0 {
		_, span := f.DrinkSD()
		out.learnedSD = [2]float64{d.DrinkSD, span}
	}
	return out
}

// usualWaterSD is what canned and cooked foods are wetter or drier by from one kitchen to the next, one standard deviation, g per
// 100 g: public tables of one food differ so.
const usualWaterSD = 2.5

// WaterSD is one standard deviation of how wet the food is, g per 100 g: what many kitchens differ by, else the usual.
func (f *Food) WaterSD() float64 {
	if f.waterSD > 0 {
		return f.waterSD
	}
	return usualWaterSD
}

// Taught gives the catalogue with its foods as a kitchen has them. The catalogue itself stays
// as it is; foods that it does not know are left out.
func (c *Catalogue) Taught(deviations map[string]Deviation) *Catalogue {
	changed := map[string]*Food{}
	for id, d := range deviations {
		if f := c.Find(id); f != nil {
			other := f.Deviating(d)
			changed[id] = &other
		}
	}
	if len(changed) == 0 {
		return c
	}
	return c.differing(changed, nil)
}
