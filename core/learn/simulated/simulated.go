// Package simulated makes up kitchens whose truth is known: ovens that are off, beans that are wet,
// rough hands. What they cook comes out as that truth has it, with the luck of the day, so that
// what is learned of them can be held against it.
package simulated

import (
	"hash/fnv"
	"math"
	"math/rand/v2"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
)

// Truth is what is so in a kitchen though nobody in it knows.
type Truth struct {
	// Figures are those of learn by their ID; factors as natural logarithms. What is missing
	// is as usual.
	Figures map[string]float64
	// Seed draws what is so of a single dish, and what the model misses of it, in spreads.
	Seed uint64
	// In is the kitchen as it is thought to be; nil for the usual one.
	In *kitchen.Kitchen
	// Dish is the spread of what single dishes differ by: 1 as the model thinks; 0 for not at all.
	Dish float64
}

// Drawn is a kitchen as they come: each figure about what is usual by its spread. foods are those
// that it cooks with.
func Drawn(seed uint64, foods []*food.Food) Truth {
	r := rand.New(rand.NewPCG(seed, 77))
	out := Truth{Figures: map[string]float64{}, Seed: seed, Dish: 1}
	for _, q := range learn.Unknown(kitchen.Usual(), foods) {
		out.Figures[q.Name] = q.Mean + q.SD*r.NormFloat64()
	}
	return out
}

// Value is a figure as it is in what learn tells: a factor as such.
func (t *Truth) Value(id string) (value float64, known bool) {
	v, known := t.Figures[id]
	if known && learn.IsFactor(id) {
		v = math.Exp(v)
	}
	return v, known
}

// kitchen is the kitchen as it really is.
func (t *Truth) kitchen() *kitchen.Kitchen {
	taught := kitchen.Taught{Foods: map[string]food.Deviation{}}
	for id, v := range t.Figures {
		learn.Teach(&taught, id, v, 0)
	}
	return t.thought().Learned(&taught)
}

// thought is the kitchen as who cooks there thinks it is.
func (t *Truth) thought() *kitchen.Kitchen {
	if t.In != nil {
		return t.In
	}
	return kitchen.Usual()
}

// dish draws what is so of one dish: standard normal numbers for raw, cooked, felt and heat. A dish
// is its name.
func (t *Truth) dish(name string) [4]float64 {
	h := fnv.New64a()
	_, _ = h.Write([]byte(name)) // it never fails
	r := rand.New(rand.NewPCG(t.Seed, h.Sum64()))
	var out [4]float64
	for i := range out {
		out[i] = t.Dish * r.NormFloat64()
	}
	return out
}

// Chances are how likely pieces of a dish are to hold there, raw and cooked, and the index
// that a hand feels on average.
func (t *Truth) Chances(d *document.Document) (raw, cooked, felt float64) {
	k := t.kitchen()
	duty := d.Duty(k)
	e := mix.Sum(mix.Parts(d.MixLines(k.Foods)), d.RestIn(k))
	x, ok := e.Expect(&duty, d.Coldness(k))
	if !ok {
		return 0, 0, mix.DriestIndex
	}
	own := t.dish(d.Name)
	zRaw, zCooked := x.Raw+x.SD*own[0], x.Cooked+x.SD*own[1]
	if x.Moved {
		zRaw -= mix.RoughOdds * t.Figures[learn.Turning]
	}
	return mix.Logistic(mix.Surest(zRaw)), mix.Logistic(mix.Surest(zCooked)), x.Felt + learn.FeltSD*own[2]
}

// Day is what a cook looks at.
type Day struct {
	// Pieces is how many are made; 0 as the mix gives.
	Pieces int
	// Off is when they come off the heat, min; 0 as the plan of a usual kitchen says.
	Off float64
	// Thermometer, Scales and OvenThermometer say what is looked at.
	Thermometer, Scales, OvenThermometer bool
	// Seed is the luck of that day.
	Seed uint64
}

// wordSD is what a hand's word is off by, in index: docs/model.md, section 9.
const wordSD = .16

// pieceSD is what the model misses of a piece on the heat beside what its foods are off by, K.
const pieceSD = .8

// Cook is how a dish comes out on a day.
func (t *Truth) Cook(d *document.Document, day Day) logbook.Found {
	r := rand.New(rand.NewPCG(day.Seed, t.Seed))
	raw, cooked, felt := t.Chances(d)
	out := logbook.Found{Squeeze: mix.WordFor(felt + wordSD*r.NormFloat64())}
	k := t.kitchen()
	p := predict.Predict(d, k)
	out.Pieces = day.Pieces
	if out.Pieces == 0 {
		out.Pieces = max(1, p.Pieces)
	}
	first := holding(r, out.Pieces, raw)
	second := holding(r, first, cooked)
	b := logbook.Broke{}
	b.Turning = out.Pieces - first
	if felt < 0 {
		b.Shaping, b.Turning = b.Turning, 0
	}
	b.Cutting = first - second
	out.Broke = &b
	if day.Scales {
		each := p.PieceG * math.Exp(learn.ScoopedSD*r.NormFloat64())
		before := math.Round(each * float64(out.Pieces))
		out.BeforeG = &before
	}
	off := day.Off
	if off == 0 {
		if baked := bake.Bake(d, t.thought(), bake.Options{Now: -1}); baked.PullAt != nil {
			off = *baked.PullAt
		}
	}
	if off > 0 {
		off = math.Round(off)
		out.OffAtMinutes = &off
		if day.Thermometer {
			if core, ok := bake.CoreAfter(d, k, off, nil); ok {
				core = math.Round(core + pieceSD*t.dish(learn.PieceKey(d))[3] + learn.CoreSD*r.NormFloat64())
				out.CoreCelsius = &core
			}
		}
	}
	if day.OvenThermometer && d.Cook != nil && d.Cook.Celsius != nil && learn.InOven(d) {
		air := math.Round(*d.Cook.Celsius + t.Figures[learn.OvenOffset] + learn.AirSD*r.NormFloat64())
		out.OvenCelsius = &air
	}
	return out
}

// holding is how many of so many pieces hold: they go together by learn.Alike (a beta-binomial
// draw).
func holding(r *rand.Rand, of int, chance float64) (held int) {
	if chance <= 0 || chance >= 1 {
		return int(math.Round(chance)) * of
	}
	n := 1/learn.Alike - 1
	p := beta(r, n*chance, n*(1-chance))
	for range of {
		if r.Float64() < p {
			held++
		}
	}
	return held
}

func beta(r *rand.Rand, a, b float64) float64 {
	x, y := gamma(r, a), gamma(r, b)
	if x+y == 0 {
		return a / (a + b)
	}
	return x / (x + y)
}

// gamma draws by Marsaglia and Tsang (2000).
func gamma(r *rand.Rand, shape float64) float64 {
	if shape < 1 {
		return gamma(r, shape+1) * math.Pow(r.Float64(), 1/shape)
	}
	d := shape - 1./3
	for c := 1 / math.Sqrt(9*d); ; {
		x := r.NormFloat64()
		v := 1 + c*x
		if v <= 0 {
			continue
		}
		v *= v * v
		if u := r.Float64(); math.Log(u) < x*x/2+d-d*v+d*math.Log(v) {
			return d * v
		}
	}
}
