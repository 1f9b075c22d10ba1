package menu

import (
	"fmt"
	"math"

	"cuerda/core/bake"
	"cuerda/core/dish"
	"cuerda/core/formula"
	"cuerda/core/kitchen"
	"cuerda/core/piece"
	"cuerda/core/supper"
)

// buildOf reads the build of a dish, in as many pieces as are wanted.
func buildOf(d *SupperDish, k *kitchen.Kitchen, at string) (*formula.Document, error) {
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
func ofBuild(d *SupperDish, build *formula.Document, k *kitchen.Kitchen, at string) (*supper.Dish, error) {
	baked := bake.Bake(build, k, bake.Options{Now: -1})
	if !baked.Reached {
		return nil, &Fault{Code: NothingBakes, Pointer: at + "/build", Got: build.Name}
	}
	graph := baked.Needs
	out := &supper.Dish{Name: d.Name, Most: usualWindow.Most}
	index := make([]int, len(graph.Steps))
	names := map[string]int{}
	for i := range graph.Steps {
		s := &graph.Steps[i]
		if index[i] = -1; s.Code == "preheat" || s.Code == "table" {
			continue
		}
		index[i] = len(out.Steps)
		name := s.Code
		if names[s.Code]++; names[s.Code] > 1 {
			name = fmt.Sprintf("%s %d", s.Code, names[s.Code])
		}
		step := supper.Step{Name: name, Minutes: whole(s.Minutes), Hands: s.Holds.Hands, Burners: s.Holds.Burners, Pans: s.Holds.Pans, Bowls: s.Holds.Bowls}
		if s.Holds.Racks > 0 {
			step.Racks, step.Celsius = s.Holds.Racks, s.Holds.Celsius
			if step.Celsius == 0 {
				step.Celsius = dryingCelsius
			}
		}
		out.Steps = append(out.Steps, step)
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
			g := supper.Gap{Step: before, Least: int(math.Ceil(a.Least)) - took, Most: supper.Whenever}
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
	if d.Ready != nil {
		out.Least, out.Most = d.Ready.Least, d.Ready.Most
	}
	return out, nil
}

// dryingCelsius is the oven for drying and roasting before mixing (docs/model.md, section 1).
const dryingCelsius = 165

func whole(minutes float64) int { return int(math.Ceil(minutes - 1e-9)) }

// bakedAt is the temperature that a build is baked at in an oven; ok is false where it is not.
func bakedAt(build *formula.Document) (celsius float64, ok bool) {
	method, _ := build.MethodAndTurn()
	if method != piece.StillOven && method != piece.FanOven {
		return 0, false
	}
	if build.Cook != nil && build.Cook.Celsius != nil {
		return *build.Cook.Celsius, true
	}
	return method.DefaultCelsius(), true
}

// at gives the build baked at another temperature.
func bakedAgain(build *formula.Document, celsius float64) *formula.Document {
	out := *build
	method, turn := build.MethodAndTurn()
	cook := formula.Cook{Method: method, Turn: &turn}
	if build.Cook != nil {
		cook = *build.Cook
	}
	cook.Celsius = &celsius
	out.Cook = &cook
	return &out
}
