package cooking

import (
	"slices"
	"time"

	"cuerda/core/advise"
	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
)

// Bowl is the mix of a dish as it really is.
type Bowl struct {
	// Document is the build with what really went in, was added and was waited.
	Document document.Document
	// Expected is how it should feel by that, and Planned by the plan.
	Expected, Planned predict.Prediction
	// Off says that what went in changes how it feels: the mend is what evens it out.
	Off bool
	// Felt is the last squeeze that still tells; "" where there is none.
	Felt mix.Word
	// Much says that a food was added so often that it is another mix by now: see much.
	Much bool
	// Mend is what would bring it to its band, by what was felt or else by what is expected;
	// nil where it is there, or nothing drinks.
	Mend *advise.Mend
}

// Actual is the build of a dish as it was really made so far: the amounts that went in, those to
// come as planned, what was added, and the rest as long as it was. ok is false of a side.
func Actual(p *Plan, s *State, dish int, now time.Time) (out document.Document, ok bool) {
	d, is := &p.Dishes[dish], &s.Dishes[dish]
	if d.Build == nil {
		return out, false
	}
	out = *d.Build
	out.Lines = slices.Clone(d.Build.Lines)
	out.Parts = slices.Clone(d.Build.Parts)
	gone := map[int]bool{}
	for n := range d.Steps {
		step := &d.Steps[n]
		if step.Part == 0 {
			continue
		}
		for line, a := range is.Steps[n].Weighed {
			part := &out.Parts[step.Part-1]
			part.Lines = slices.Clone(part.Lines)
			part.Lines[line].Grams = max(a.Grams, leastGrams)
		}
	}
	for line, grams := range wentIn(d, is) {
		out.Lines[line].Grams = max(grams, leastGrams)
		gone[line] = grams < leastGrams
	}
	for _, a := range is.Added {
		at := slices.IndexFunc(out.Lines, func(l document.Line) bool { return l.Food == a.Food && len(l.Prep) == 0 })
		if at >= 0 && !gone[at] {
			out.Lines[at].Grams += a.Grams
		} else {
			out.Lines = append(out.Lines, document.Line{Food: a.Food, Grams: a.Grams})
		}
	}
	// What was left out is left out; a build keeps a line at least.
	kept := out.Lines[:0:0]
	for i := range out.Lines {
		if !gone[i] {
			kept = append(kept, out.Lines[i])
		}
	}
	if len(kept) > 0 {
		out.Lines = kept
	}
	rested(&out, p, s, dish, now)
	return out, true
}

// wentIn is what of the lines of a mix has really gone in, with what of them is still to come as
// planned, g by line; only of those of which something was weighed.
func wentIn(d *Dish, is *DishState) map[int]float64 {
	out := map[int]float64{}
	touched := map[int]bool{}
	for n := range d.Steps {
		if d.Steps[n].Part > 0 {
			continue
		}
		for _, w := range d.Steps[n].Weigh {
			if w.Made != nil {
				continue
			}
			if a, in := is.Steps[n].Weighed[w.Line]; in {
				touched[w.Line] = true
				out[w.Line] += a.Grams
			} else {
				out[w.Line] += w.Grams
			}
		}
	}
	for line := range out {
		if !touched[line] {
			delete(out, line)
		}
	}
	return out
}

// leastGrams is the least that a line of a build may weigh, g.
const leastGrams = 0.1

// rested puts the rest that the mix really had in place of the planned one, once it is over.
func rested(out *document.Document, p *Plan, s *State, dish int, now time.Time) {
	mixed, shaped := findStep(&p.Dishes[dish], "mix"), findStep(&p.Dishes[dish], "shape")
	if mixed < 0 || shaped < 0 || s.Dishes[dish].Steps[mixed].Done == nil {
		return
	}
	from, until := *s.Dishes[dish].Steps[mixed].Done, now
	begun := s.Dishes[dish].Steps[shaped].Begun
	if begun != nil {
		until = *begun
	}
	had := min(until.Sub(from).Minutes(), longestRest)
	wait := document.Wait{Minutes: max(had, 0)}
	if out.Rest != nil {
		wait.Celsius = out.Rest.Celsius
		if begun == nil {
			wait.Minutes = max(wait.Minutes, out.Rest.Minutes) // it is still to have all of it
		}
	}
	out.Rest = &wait
}

// longestRest is the longest that a build may say, min.
const longestRest = 1440

func findStep(d *Dish, code string) int {
	return slices.IndexFunc(d.Steps, func(s Step) bool { return s.Code == code && s.Part == 0 })
}

// Known says whether a kitchen still knows every food of a build: one of its own may be gone since
// the course began.
func Known(d *document.Document, k *kitchen.Kitchen) bool {
	known := func(lines []document.Line) bool {
		return !slices.ContainsFunc(lines, func(l document.Line) bool { return k.Foods.Find(l.Food) == nil })
	}
	return known(d.Lines) && !slices.ContainsFunc(d.Parts, func(p document.Part) bool { return !known(p.Lines) })
}

// MixOf works out the mix of a dish as it is; ok is false of a side, and
// where a food is no longer known.
func MixOf(p *Plan, s *State, dish int, k *kitchen.Kitchen, now time.Time) (b Bowl, ok bool) {
	if b.Document, ok = Actual(p, s, dish, now); !ok || !Known(&b.Document, k) || !Known(p.Dishes[dish].Build, k) {
		return b, false
	}
	b.Expected, b.Planned = predict.Predict(&b.Document, k), predict.Predict(p.Dishes[dish].Build, k)
	is := &s.Dishes[dish]
	b.Much = isMuch(is, b.Expected.MassG)
	if n := len(is.Felt); n > 0 && (len(is.Added) == 0 || is.Felt[n-1].At.After(is.Added[len(is.Added)-1].At)) {
		b.Felt = is.Felt[n-1].Word
	}
	if b.Expected.Q == nil || b.Planned.Q == nil {
		return b, true
	}
	b.Off = b.Planned.InBand && !b.Expected.InBand || b.Planned.Word != b.Expected.Word
	if b.Felt != "" || b.Off {
		felt := b.Felt
		if felt == "" {
			felt = b.Expected.Word
		}
		if m, mends := advise.MendBy(k, &b.Document, felt); mends {
			b.Mend = &m
		}
	}
	return b, true
}

// much is the share of a mix from which one food that was added to mend it is much: a tenth of water
// more takes a usual mix from firm to slumping.
const much = 0.1

func isMuch(is *DishState, mass float64) bool {
	sum := map[string]float64{}
	for _, a := range is.Added {
		sum[a.Food] += a.Grams
	}
	for _, grams := range sum {
		if grams > much*mass {
			return true
		}
	}
	return false
}

// Past says what an amount beyond its range does: the bowl with it in place of what was
// planned, where that changes how it will feel. It looks at one step's amount before it is
// taken; ok is false of what is no amount of a mix.
func Past(p *Plan, s *State, at Event, k *kitchen.Kitchen, now time.Time) (b Bowl, ok bool) {
	at.Kind = Weighed
	if check(p, &at) != nil {
		return b, false
	}
	with := s.Clone()
	with.apply(&at)
	return MixOf(p, with, at.Dish, k, now)
}
