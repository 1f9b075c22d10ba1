package supper

import (
	"cmp"
	"fmt"
	"maps"
	"math"
	"slices"
	"time"

	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
)

// Planned is a plan with its times of day.
type Planned struct {
	Plan   *schedule.Plan
	Supper *schedule.Supper
	Table  time.Time
	// Shared says what an oven that is shared costs; empty where none is.
	Shared []Shared
	// Slowed is how many minutes longer pieces take in an oven that is full.
	Slowed map[schedule.Ref]int

	builds []*made
}

// Shared is a build that bakes at another heat, and what that does to it.
type Shared struct {
	Dish                      int
	CelsiusWas, Celsius       float64
	MinutesWas, Minutes       float64
	WeightLossWas, WeightLoss float64 // per cent
	BrowningWas, Browning     float64 // 0 pale to 1 dark
}

// Time is so many minutes before the table, in its own zone.
func (p *Planned) Time(before int) time.Time {
	return p.Table.Add(-time.Duration(before) * time.Minute)
}

// farthest is how much hotter or cooler a build may bake than it asks for, K.
const farthest = 25

// Make reads what a document wants and plans it, until done is closed. Its errors are *Fault,
// and those of supper.Make.
func Make(d *Supper, k *kitchen.Kitchen, done <-chan struct{}) (*Planned, error) {
	return new(Baker).Make(d, k, Options{Done: done})
}

// Options are how a plan is made.
type Options struct {
	// Done, once closed, ends the search.
	Done <-chan struct{}
	// Quick asks for a plan with little work, at the heat that the document names or as the builds ask.
	Quick bool
}

// Make is the function of that name, quicker for builds that the baker knows. No plan goes out that
// supper.Verify finds anything wrong with.
func (b *Baker) Make(d *Supper, k *kitchen.Kitchen, o Options) (*Planned, error) {
	out, err := b.make(d, k, o)
	if err != nil {
		return nil, err
	}
	if err := schedule.Verify(out.Supper, out.Plan); err != nil {
		return nil, fmt.Errorf("%w that keeps every need: %w", schedule.ErrNoPlan, err)
	}
	return out, nil
}

func (b *Baker) make(d *Supper, k *kitchen.Kitchen, o Options) (*Planned, error) {
	w, err := b.want(d, k)
	if err != nil {
		return nil, err
	}
	w.supper.Done, w.supper.Quick = o.Done, o.Quick
	alone := d.ShareOven != nil && !*d.ShareOven
	if d.ShareAt > 0 && !alone {
		if other, shared, ok := b.at(w, d, d.ShareAt, k); ok {
			return w.plan(other, shared)
		}
	}
	var others []variant
	if !alone && !o.Quick && d.ShareAt == 0 {
		w.supper.Rough = true
		for _, celsius := range w.heats() {
			if other, shared, ok := b.at(w, d, celsius, k); ok {
				others = append(others, variant{other, shared})
			}
		}
		w.supper.Rough = len(others) > 0
	}
	best, err := w.plan(&w.supper, nil)
	if len(others) == 0 {
		return best, err
	}
	for _, v := range others {
		next, err2 := w.plan(v.supper, v.shared)
		if err2 != nil {
			continue
		}
		if err != nil || better(next.Plan, best.Plan) {
			best, err = next, nil
		}
	}
	if err != nil {
		return nil, err
	}
	whole := *best.Supper
	whole.Rough = false
	if full, err := w.again(&whole, best.Shared, best.Slowed); err == nil && !better(best.Plan, full.Plan) {
		best = full
	}
	return best, nil
}

// variant is a supper with builds baked at another heat.
type variant struct {
	supper *schedule.Supper
	shared []Shared
}

// better says whether a plan is the better one by its aim.
func better(a, b *schedule.Plan) bool {
	if a.Aim == schedule.LeastOven && a.Oven != b.Oven {
		return a.Oven < b.Oven
	}
	if a.Late != b.Late {
		return a.Late < b.Late
	}
	if a.Start != b.Start {
		return a.Start < b.Start
	}
	return a.Begin < b.Begin
}

// fullTries is how often a plan is made anew because it fills an oven that it did not before.
const fullTries = 3

// plan plans one way to bake. Pieces in an oven that is full are slower: where the plan has
// some stand so, it is made anew with their minutes.
func (w *wanted) plan(s *schedule.Supper, shared []Shared) (*Planned, error) {
	return w.again(s, shared, map[schedule.Ref]int{})
}

// again is plan where some steps have been slowed already.
func (w *wanted) again(s *schedule.Supper, shared []Shared, slowed map[schedule.Ref]int) (*Planned, error) {
	for range fullTries {
		plan, err := schedule.Make(s)
		if err != nil {
			return nil, err
		}
		out := &Planned{Plan: plan, Supper: s, Table: w.last, Shared: shared, Slowed: slowed, builds: w.builds}
		more := w.crowded(out)
		if len(more) == 0 {
			return out, nil
		}
		again := *s
		again.Dishes = slices.Clone(s.Dishes)
		slowed = maps.Clone(slowed)
		for at, minutes := range more {
			slowed[at] = minutes
			dish := &again.Dishes[at.Dish]
			dish.Steps = slices.Clone(dish.Steps)
			dish.Steps[at.Step].Minutes += minutes
		}
		s = &again
	}
	plan, err := schedule.Make(s)
	if err != nil {
		return nil, err
	}
	return &Planned{Plan: plan, Supper: s, Table: w.last, Shared: shared, Slowed: slowed, builds: w.builds}, nil
}

// crowded gives the cooking of builds that stands in a full oven for half of its minutes or
// longer beside something else, with how many minutes more it takes there. What is slowed
// already is not told again.
func (w *wanted) crowded(p *Planned) map[schedule.Ref]int {
	out := map[schedule.Ref]int{}
	for i := range p.Plan.Steps {
		one := &p.Plan.Steps[i]
		if _, told := p.Slowed[one.Ref]; told || one.Oven < 0 || one.Minutes == 0 || w.builds[one.Dish] == nil {
			continue
		}
		racks := p.Supper.Kitchen.Ovens[one.Oven].Racks
		full := 0
		for m := one.End(); m < one.Start; m++ {
			held, others := 0, false
			for j := range p.Plan.Steps {
				if b := &p.Plan.Steps[j]; b.Oven == one.Oven && b.End() <= m && m < b.Start {
					held += len(b.Racks)
					others = others || j != i
				}
			}
			if others && held >= racks {
				full++
			}
		}
		if more := int(math.Ceil(float64(one.Minutes)*(w.full-1) - 1e-9)); 2*full >= one.Minutes && more > 0 {
			out[one.Ref] = more
		}
	}
	return out
}

// heats are the temperatures that an oven is asked for, the cooler first; none where all
// ask for one.
func (w *wanted) heats() []float64 {
	var out []float64
	for d := range w.supper.Dishes {
		for _, s := range w.supper.Dishes[d].Steps {
			if s.Racks > 0 && !slices.Contains(out, s.Celsius) {
				out = append(out, s.Celsius)
			}
		}
	}
	if len(out) < 2 {
		return nil
	}
	slices.SortFunc(out, cmp.Compare[float64])
	return out
}

// at is the supper with the builds baked at one heat, where that is near enough to what
// they ask for and they get done; ok is false where none would change.
func (b *Baker) at(w *wanted, d *Supper, celsius float64, k *kitchen.Kitchen) (out *schedule.Supper, shared []Shared, ok bool) {
	other := w.supper
	other.Dishes = slices.Clone(w.supper.Dishes)
	for i, was := range w.builds {
		if was == nil {
			continue
		}
		asked, inOven := bakedAt(was.build)
		if !inOven || asked == celsius || celsius < asked-farthest || celsius > asked+farthest {
			continue
		}
		is, err := b.made(&d.Dishes[i], celsius, k, fmt.Sprintf("/dishes/%d", i))
		if err != nil || w.timed(d, i) {
			continue
		}
		other.Dishes[i] = d.Dishes[i].asked(is.dish)
		other.Dishes[i].Least += w.sitting(d, i)
		other.Dishes[i].Most += w.sitting(d, i)
		shared = append(shared, Shared{i, asked, celsius, *was.baked.PullAt, *is.baked.PullAt,
			was.baked.WeightLossPct, is.baked.WeightLossPct, was.baked.Browning, is.baked.Browning})
	}
	return &other, shared, len(shared) > 0
}

// timed says whether a cook has said how long a step of a dish takes: that was at its own heat.
func (w *wanted) timed(d *Supper, i int) bool {
	return slices.ContainsFunc(d.Pins, func(p SupperPin) bool { return p.Dish == d.Dishes[i].Name && p.Minutes != nil })
}
