package device

import (
	"math"
	"math/rand/v2"
	"time"
)

// pour is somebody who pours amounts into a bowl on a scale: quickly at first, slowly at last, and
// now and then too much.
type pour struct {
	key      string
	on, from float64 // g
	to       float64
	begins   time.Time
	began    bool
	poured   int // amounts so far: the first never goes too far
}

const (
	// bowl is what stands there first, g.
	bowl = 640.
	// reaches is how long it takes until pouring begins, by the course's clock.
	reaches = 4 * time.Second
	// usual is how far off a hand that watches the scale stops at most, as a share of what is allowed.
	usual = 0.8
	// pours is how long the first nine tenths take.
	pours = 6 * time.Second
)

// says is what the scale shows at that time, g.
func (p *pour) says(w *Weighing, now time.Time, speed float64, chance *rand.Rand) float64 {
	if !p.began {
		p.on, p.began = bowl, true
	}
	noise := 0.1 * chance.NormFloat64()
	if w == nil {
		p.key = ""
		return tenth(p.on + noise)
	}
	if w.Key != p.key {
		// Hands are no quicker where the clock is.
		p.key, p.from, p.begins = w.Key, p.on, now.Add(time.Duration(float64(reaches)*max(1, speed/4)))
		p.to = p.on + w.Grams + w.Within*max(-usual, min(usual, 0.5*chance.NormFloat64()))
		if p.poured++; p.poured > 1 && chance.Float64() < 0.12 {
			p.to = p.on + w.Grams + w.Within*(1.5+2*chance.Float64())
		}
	}
	if now.Before(p.begins) {
		return tenth(p.on + noise)
	}
	since := now.Sub(p.begins).Seconds() / max(1, speed/4)
	share := 0.9 * since / pours.Seconds()
	if share > 0.9 {
		share = 1 - 0.1*math.Exp(-(since-pours.Seconds())/1.5)
	}
	if share > 0.997 {
		share = 1
	}
	p.on = p.from + share*(p.to-p.from)
	return tenth(p.on + noise)
}

func tenth(g float64) float64 { return math.Round(10*g) / 10 }
