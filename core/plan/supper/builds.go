package supper

import (
	"fmt"
	"math"
	"slices"
	"sync"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
	"cuerda/core/predict/bake"
	"cuerda/core/predict/dish"
)

// made is a build in so many pieces as steps, with what baking does to it. It is shared:
// nobody changes it.
type made struct {
	build *document.Document
	dish  schedule.Dish
	knots []Knot // of its steps
	baked *bake.Baked
}

// Knot says what a step of a build is about.
type Knot struct {
	// Code is that of steps.Step, Part which part of the build, from 1; 0 for the mix.
	Code string
	Part int
	// Lines are those of the mix it is about, Times how often it is done over.
	Lines []int
	Times int
}

// Build is the build of a dish in as many pieces and at the heat that are planned, what baking
// does to it, and what each of its steps is about; ok is false of a side.
func (p *Planned) Build(dish int, k *kitchen.Kitchen) (build *document.Document, baked *bake.Baked, knots []Knot, ok bool) {
	m := p.builds[dish]
	if m == nil {
		return nil, nil, nil, false
	}
	for _, s := range p.Shared {
		if s.Dish == dish {
			again := bakedAgain(m.build, s.Celsius)
			out := bake.Bake(again, k, bake.Options{Now: -1})
			return again, &out, m.knots, true
		}
	}
	return m.build, m.baked, m.knots, true
}

// Baker makes plans, and remembers what the builds that it was last asked for come to: a cook
// who moves a step asks for the same ones again. The zero value works; several may use it at
// once.
type Baker struct {
	mu    sync.Mutex
	known map[baking]*made
	order []baking
}

// baking is what a build comes to depends on. A kitchen that changes is another.
type baking struct {
	kitchen *kitchen.Kitchen
	build   string
	pieces  int
	celsius float64 // 0 for the build's own
}

const remembered = 200 // builds

func (b *Baker) made(d *SupperDish, celsius float64, k *kitchen.Kitchen, at string) (*made, error) {
	key := baking{k, string(d.Build), d.Pieces, celsius}
	b.mu.Lock()
	m := b.known[key]
	b.mu.Unlock()
	if m != nil {
		return m, nil
	}
	build, err := buildOf(d, k, at)
	if err != nil {
		return nil, err
	}
	if celsius > 0 {
		build = bakedAgain(build, celsius)
	}
	if m, err = ofBuild(build, k, at); err != nil {
		return nil, err
	}
	b.mu.Lock()
	defer b.mu.Unlock()
	if b.known == nil {
		b.known = map[baking]*made{}
	}
	if b.known[key] == nil {
		if len(b.order) == remembered {
			delete(b.known, b.order[0])
			b.order = b.order[1:]
		}
		b.order = append(b.order, key)
	}
	b.known[key] = m
	return m, nil
}

// buildOf reads the build of a dish, in as many pieces as are wanted.
func buildOf(d *SupperDish, k *kitchen.Kitchen, at string) (*document.Document, error) {
	build, err := readBuild(d, k.Foods, at)
	if err != nil || d.Pieces == 0 {
		return build, err
	}
	scaled, err := dish.Scale(build, dish.Aim{Pieces: d.Pieces}, k)
	if err != nil {
		return nil, &Fault{Code: CannotScale, Pointer: at + "/pieces", Got: err.Error()}
	}
	return &scaled.Document, nil
}

// ofBuild turns a build into steps: those of its graph of needs, but for the oven's heating
// up, which belongs to the oven, and the table.
func ofBuild(build *document.Document, k *kitchen.Kitchen, at string) (*made, error) {
	baked := bake.Bake(build, k, bake.Options{Now: -1})
	if !baked.Reached {
		return nil, &Fault{Code: NothingBakes, Pointer: at + "/build", Got: build.Name}
	}
	graph := baked.Needs
	out := schedule.Dish{Most: usualWindow.Most}
	var knots []Knot
	index := make([]int, len(graph.Steps))
	names := map[string]int{}
	for i := range graph.Steps {
		s := &graph.Steps[i]
		if index[i] = -1; s.Code == "preheat" || s.Code == "table" {
			continue
		}
		index[i] = len(out.Steps)
		name := s.Code
		if s.Part > 0 {
			name += "-" + string(build.Parts[s.Part-1].Kind)
		}
		if names[name]++; names[name] > 1 {
			name = fmt.Sprintf("%s %d", name, names[name])
		}
		step := schedule.Step{Name: name, Minutes: whole(s.Minutes), Hands: s.Holds.Hands, Burners: s.Holds.Burners, Pans: s.Holds.Pans, Bowls: s.Holds.Bowls}
		if s.Holds.Shelf {
			step.Shelves = 1
		}
		if s.Holds.Racks > 0 {
			step.Racks, step.Celsius, step.Grill = s.Holds.Racks, s.Holds.Celsius, s.Holds.Grill
			switch {
			case step.Celsius > 0:
			case step.Grill:
				step.Celsius = k.Parameters.Heat.GrillFinish
			default:
				step.Celsius = dryingCelsius
			}
		}
		out.Steps, knots = append(out.Steps, step), append(knots, Knot{s.Code, s.Part, s.Lines, s.Times})
	}
	for i := range graph.Steps {
		for _, a := range graph.Steps[i].After {
			before := index[a.Step]
			if before < 0 {
				continue
			}
			took := 0
			if a.FromStart {
				took = out.Steps[before].Minutes
			}
			g := schedule.Gap{Step: before, Least: int(math.Ceil(a.Least)) - took, Most: schedule.Whenever}
			if !math.IsInf(a.Most, 1) {
				g.Most = max(int(math.Floor(a.Most))-took, g.Least)
			}
			if graph.Steps[i].Code == "table" {
				out.Most = max(out.Most, g.Most)
				continue
			}
			if to := index[i]; to >= 0 {
				out.Steps[to].After = append(out.Steps[to].After, g)
			}
		}
	}
	out.Steps, knots = withoutIdle(out.Steps, knots)
	return &made{build, out, knots, &baked}, nil
}

// dryingCelsius is the oven for drying and roasting before mixing (docs/model.md, section 1).
const dryingCelsius = 165

func whole(minutes float64) int { return int(math.Ceil(minutes - 1e-9)) }

// bakedAt is the temperature that a build is baked at in an oven; ok is false where it is not.
func bakedAt(build *document.Document) (celsius float64, ok bool) {
	cooked, _ := build.MethodAndTurn()
	if !cooked.Row().Bakes() {
		return 0, false
	}
	if build.Cook != nil && build.Cook.Celsius != nil {
		return *build.Cook.Celsius, true
	}
	return cooked.Row().Celsius, true
}

// bakedAgain gives the build baked at another temperature.
func bakedAgain(build *document.Document, celsius float64) *document.Document {
	out := *build
	by, turn := build.MethodAndTurn()
	cook := document.Cook{Method: by, Turn: &turn}
	if build.Cook != nil {
		cook = *build.Cook
	}
	cook.Celsius = &celsius
	out.Cook = &cook
	return &out
}

// withoutIdle leaves out steps that take no time, hold nothing and come after one other: the rest that a
// mix does not have. What came after them comes after that one.
func withoutIdle(steps []schedule.Step, knots []Knot) (out []schedule.Step, about []Knot) {
	idle := func(s *schedule.Step) bool {
		return s.Minutes == 0 && s.Shelves == 0 && !s.Held() && len(s.After) == 1
	}
	ends := (&schedule.Dish{Steps: steps}).Ends() // they stay: a dish ends with them
	for i := range steps {
		for n := range steps[i].After {
			for g := &steps[i].After[n]; idle(&steps[g.Step]); {
				over := steps[g.Step].After[0]
				g.Step, g.Least = over.Step, g.Least+over.Least
				if g.Most == schedule.Whenever || over.Most == schedule.Whenever {
					g.Most = schedule.Whenever
				} else {
					g.Most += over.Most
				}
			}
		}
	}
	index := make([]int, len(steps))
	for i := range steps {
		index[i] = len(out)
		if slices.Contains(ends, i) || !idle(&steps[i]) {
			out, about = append(out, steps[i]), append(about, knots[i])
		}
	}
	for i := range out {
		for n := range out[i].After {
			out[i].After[n].Step = index[out[i].After[n].Step]
		}
	}
	return out, about
}
