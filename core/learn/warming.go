package learn

import (
	"crypto/sha256"
	"encoding/json"
	"sync"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn/logbook"
	"cuerda/core/physics/method"
	"cuerda/core/predict/bake"
)

// warming is how the core of a piece, when it came off, answers to what is not known of the
// heat: Core at what the kitchen says, by first and second order.
type warming struct {
	core        float64 // degC
	first, half [heatQuantities]float64
	moves       [heatQuantities]bool
}

// The quantities of the heat, in the order of the first ones of a kitchen.
const (
	ovenOffset = iota
	ovenTransfer
	panTransfer
	altitude
	heatQuantities
)

// says is the core where the quantities are that far from what the kitchen says.
func (w *warming) says(off [heatQuantities]float64) float64 {
	out := w.core
	for i, x := range off {
		out += x * (w.first[i] + x*w.half[i])
	}
	return out
}

// Warmings keeps what was worked out of pieces on the heat, for who learns a kitchen anew with
// each try. The zero value is ready; it is safe for use by several at once.
type Warmings struct {
	mu    sync.Mutex
	known map[string]*warming
}

// mostWarmings are kept.
const mostWarmings = 4096

func (w *Warmings) find(key string, work func() *warming) *warming {
	w.mu.Lock()
	found, ok := w.known[key]
	w.mu.Unlock()
	if ok {
		return found
	}
	found = work()
	w.mu.Lock()
	defer w.mu.Unlock()
	if w.known == nil || len(w.known) >= mostWarmings {
		w.known = map[string]*warming{}
	}
	w.known[key] = found
	return found
}

// warmingOf works it out; nil where nothing of it is to be learned.
func warmingOf(d *document.Document, found *logbook.Found, k *kitchen.Kitchen, known *Warmings) *warming {
	if found.OffAtMinutes == nil || found.CoreCelsius == nil || *found.OffAtMinutes <= 0 {
		return nil
	}
	bare := *d
	bare.Name, bare.Note, bare.Method, bare.Eaters = "", "", nil, nil
	text, err := json.Marshal(&bare)
	if err != nil {
		return nil
	}
	turned := -1.
	if found.TurnedAtMinutes != nil {
		turned = *found.TurnedAtMinutes
	}
	// Two kitchens may have foods of their own under one ID.
	var foods []*food.Food
	for _, l := range d.Lines {
		foods = append(foods, k.Foods.Find(l.Food))
	}
	by, err := json.Marshal([]any{*found.OffAtMinutes, turned, k.Settings, foods})
	if err != nil {
		return nil
	}
	text = append(text, by...)
	sum := sha256.Sum256(text)
	return known.find(string(sum[:]), func() *warming { return warmed(d, found, k) })
}

// steps of the differences that give slopes, in units of the quantity.
var heatSteps = [heatQuantities]float64{8, .1, .2, 300}

func warmed(d *document.Document, found *logbook.Found, k *kitchen.Kitchen) *warming {
	cooked, _ := d.MethodAndTurn()
	out := &warming{}
	switch by := cooked.Row(); {
	case by.Bakes():
		out.moves[ovenOffset], out.moves[ovenTransfer] = true, true
		out.moves[panTransfer] = d.Cook != nil && d.Cook.SearMinutes > 0
	case by.Oven:
		out.moves[ovenOffset] = true
	case by.Medium == method.Metal:
		out.moves[panTransfer], out.moves[altitude] = true, true
	case by.InWater():
		out.moves[altitude] = true
	default:
		return nil
	}
	at := func(quantity int, by float64) (float64, bool) {
		var off [heatQuantities]float64
		if quantity >= 0 {
			off[quantity] = by
		}
		return bake.CoreAfter(d, heated(k, off), *found.OffAtMinutes, found.TurnedAtMinutes)
	}
	var ok bool
	if out.core, ok = at(-1, 0); !ok {
		return nil
	}
	for i, moves := range out.moves {
		if !moves {
			continue
		}
		up, ok1 := at(i, heatSteps[i])
		down, ok2 := at(i, -heatSteps[i])
		if !ok1 || !ok2 {
			return nil
		}
		h := heatSteps[i]
		out.first[i], out.half[i] = (up-down)/(2*h), (up+down-2*out.core)/(2*h*h)
	}
	return out
}

// heated is a kitchen with its heat that far from what it says.
func heated(k *kitchen.Kitchen, off [heatQuantities]float64) *kitchen.Kitchen {
	oven, metres := k.OvenOffset+off[ovenOffset], k.AltitudeM+off[altitude]
	return k.Learned(&kitchen.Taught{OvenOffset: &oven, OvenTransfer: off[ovenTransfer], PanTransfer: off[panTransfer], AltitudeM: &metres, Own: k.Own})
}
