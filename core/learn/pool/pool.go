package pool

import (
	"errors"
	"fmt"
	"math"
	"math/rand/v2"
	"runtime"
	"sync"
	"time"

	"gonum.org/v1/gonum/floats/scalar"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/predict"
)

// Kitchen is one that gives its tries.
type Kitchen struct {
	// Household says whose it is: several kitchens of one household count as one.
	Household string
	// Kitchen is as it is without what its tries taught it, on the common catalogue.
	Kitchen *kitchen.Kitchen
	// Tries are its own, the oldest first.
	Tries     []learn.Try
	Forgotten map[string]time.Time
}

// Options say how a table is made.
type Options struct {
	// Noise draws what is added to each figure; it must not be known to who reads the table.
	Noise *rand.Rand
	// Program and Month are written into it.
	Program, Month string
}

// folds is in how many parts households are held out, each in turn.
const folds = 5

// looks is how often tries are looked at again about what they came to before: a third time changes little.
const looks = 2

// TooFewError says that fewer households give their tries than stand behind any figure.
type TooFewError struct{ Households int }

func (e *TooFewError) Error() string {
	return fmt.Sprintf("%d households give tries that tell of foods: %d at least are needed", e.Households, Least)
}

// household is one with what its kitchens say.
type household struct {
	kitchens  []Kitchen
	testimony []*learn.Testimony
}

// Fit makes a table of what kitchens give, and measures it on households that have no part in it. What it costs grows with
// the tries: some hundredths of a second for a kitchen. Fewer than Least households are a *TooFewError.
func Fit(kitchens []Kitchen, common *food.Catalogue, o Options) (*Table, error) {
	households, err := heard(kitchens, common, nil)
	if err != nil {
		return nil, err
	}
	all := learn.FoodFigures(common.Foods())
	estimated := func(some []*household) (*fit, error) { return estimateOf(some, all) }
	// What is far off the catalogue's is looked at again from where it was found.
	for range looks {
		first, err := estimated(households)
		if err != nil {
			return nil, err
		}
		if households, err = heard(kitchens, common, first.means()); err != nil {
			return nil, err
		}
	}
	whole, err := estimated(households)
	if err != nil {
		return nil, err
	}
	excess, err := imagine(kitchens, common, all, whole)
	if err != nil {
		return nil, err
	}
	tabled := func(some []*household) ([]Figure, error) {
		f, err := estimated(some)
		if err != nil {
			return nil, err
		}
		f.correct(excess)
		return f.figuresOf(all, func() float64 { return laplace(o.Noise) }), nil
	}
	out := &Table{Format: Format, Made: Provenance{Program: o.Program, Month: o.Month}}
	if out.Figures, err = tabled(households); err != nil {
		return nil, err
	}
	tries := 0
	for _, h := range households {
		for _, k := range h.kitchens {
			tries += len(k.Tries)
		}
	}
	out.Made.Households, out.Made.Tries = len(households)/10*10, tries/100*100
	out.Made.Held, err = held(households, common, tabled)
	return out, err
}

// estimateOf fits the figures that households tell of.
func estimateOf(some []*household, all []learn.FoodFigure) (*fit, error) {
	f, err := gather(some, all)
	if err != nil {
		return nil, err
	}
	return f, f.estimate()
}

// gather brings together what households say, of the figures that they tell of.
func gather(some []*household, all []learn.FoodFigure) (*fit, error) {
	told := map[string]bool{}
	for _, h := range some {
		for _, t := range h.testimony {
			for _, id := range t.Figures {
				told[id] = true
			}
		}
	}
	var figures []learn.FoodFigure
	number := map[string]int{}
	for _, one := range all {
		if told[one.ID] {
			number[one.ID], figures = len(figures), append(figures, one)
		}
	}
	var said []*evidence
	for _, h := range some {
		if e := merged(h.testimony, number); e != nil {
			said = append(said, e)
		}
	}
	if len(said) < Least {
		return nil, &TooFewError{len(said)}
	}
	return newFit(figures, said), nil
}

// heard has every kitchen speak, on every core, and joins those of one household. Households whose tries tell nothing of foods
// are left out.
func heard(kitchens []Kitchen, common *food.Catalogue, about map[string]float64) ([]*household, error) {
	said, errs := make([]*learn.Testimony, len(kitchens)), make([]error, len(kitchens))
	var wait sync.WaitGroup
	workers := runtime.GOMAXPROCS(0)
	for w := range workers {
		wait.Go(func() {
			known := &learn.Warmings{}
			for i := w; i < len(kitchens); i += workers {
				k := &kitchens[i]
				said[i], errs[i] = learn.Testify(k.Tries, k.Kitchen, common, learn.KitchenOptions{Known: known, About: about, Forgotten: k.Forgotten})
			}
		})
	}
	wait.Wait()
	byName := map[string]*household{}
	var out []*household
	for i := range kitchens {
		// Tries of a kitchen that contradict each other say nothing; all others are heard.
		if errs[i] != nil || said[i] == nil {
			continue
		}
		h := byName[kitchens[i].Household]
		if h == nil {
			h = &household{}
			byName[kitchens[i].Household], out = h, append(out, h)
		}
		h.kitchens, h.testimony = append(h.kitchens, kitchens[i]), append(h.testimony, said[i])
	}
	if len(out) < Least {
		return nil, &TooFewError{len(out)}
	}
	return out, nil
}

// held measures tables made without a fifth of the households on the tries of that fifth, each household as
// much as another.
func held(households []*household, common *food.Catalogue, tabled func([]*household) ([]Figure, error)) (out Held, err error) {
	counted := 0.
	for fold := range folds {
		var rest, apart []*household
		for i, h := range households {
			if i%folds == fold {
				apart = append(apart, h)
			} else {
				rest = append(rest, h)
			}
		}
		figures, err := tabled(rest)
		if err != nil {
			if tooFew := (*TooFewError)(nil); errors.As(err, &tooFew) {
				continue
			}
			return out, err
		}
		off := (&Table{Figures: figures}).Deviations(common)
		for _, h := range apart {
			one := Held{}
			for i := range h.kitchens {
				measure(&h.kitchens[i], off, &one)
			}
			if one.Tries > 0 {
				counted++
				out.Tries += one.Tries
				out.Without += one.Without / float64(one.Tries)
				out.With += one.With / float64(one.Tries)
			}
		}
	}
	if counted > 0 {
		out.Without, out.With = scalar.Round(out.Without/counted, 4), scalar.Round(out.With/counted, 4)
	}
	return out, nil
}

// measure adds the tries of a kitchen, as they are predicted without what the kitchen itself learned.
func measure(k *Kitchen, off map[string]food.Deviation, to *Held) {
	told := k.Kitchen.Learned(&kitchen.Taught{Foods: off})
	for i := range k.Tries {
		t := &k.Tries[i]
		c, counted := t.Found.Both()
		if !counted || !t.Found.IsCounted() || c.Of == 0 {
			continue
		}
		share := float64(c.Held) / float64(c.Of)
		before, after := predict.Predict(t.Document, k.Kitchen).Chance-share, predict.Predict(t.Document, told).Chance-share
		to.Tries++
		to.Without += before * before
		to.With += after * after
	}
}

// laplace draws from the distribution of that name with a scale of one.
func laplace(r *rand.Rand) float64 {
	u := r.Float64() - .5
	return -math.Copysign(math.Log1p(-2*math.Abs(u)), u)
}
