package bake

import (
	"cuerda/core/document"
	"cuerda/core/kitchen"
)

// SetChance is how likely cooked pieces are to hold, 0..1, where their coldest place came to that
// temperature, degC, and no further.
func SetChance(d *document.Document, k *kitchen.Kitchen, celsius float64) float64 {
	var out Baked
	prepare(d, k).set(celsius, &out)
	return out.SetChance
}
