// Package eating judges how good a mix is to eat as what it claims to be, 0 to 1, and what costs it: a judge
// beside that of holding, for a piece that holds may still be porridge. It implements section 4 of
// docs/model.md; its figures are fitted by cmd/fit to builds that cooks have judged.
package eating

import (
	_ "embed"
	"encoding/csv"
	"errors"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"
	"sync"

	"cuerda/core/food"
	"cuerda/core/physics/mix"
)

// Cost is what makes a piece worse to eat, as a cook would call it.
type Cost string

// The costs.
const (
	FallsApart Cost = "falls-apart" // crumbs on the plate
	Porridge   Cost = "porridge"    // oats or flakes that have swollen
	Gummy      Cost = "gummy"       // starch or gel
	Floury     Cost = "floury"      // raw flour
	Pasty      Cost = "pasty"       // nothing left to bite
	Dense      Cost = "dense"       // as much flour and crumbs as food
	Dry        Cost = "dry"
	Soggy      Cost = "soggy"
	Greasy     Cost = "greasy"
	TastesOf   Cost = "tastes-of" // one ingredient, beyond its limit
	RawGrain   Cost = "raw-grain" // uncooked grain between the teeth
)

// Costs lists every cost.
var Costs = []Cost{FallsApart, Porridge, Gummy, Floury, Pasty, Dense, Dry, Soggy, Greasy, TastesOf, RawGrain}

// term is a piece of evidence, in the order of Evidence; those without a cost are the base.
type term struct {
	name string
	cost Cost
}

var terms = []term{
	{"base", ""}, {"falls-raw", FallsApart}, {"falls-cooked", FallsApart}, {"porridge", Porridge}, {"porridge-crisp", Porridge},
	{"starch", Gummy}, {"gel", Gummy}, {"flour", Floury}, {"flour-dry", Floury}, {"paste-of-grain", Pasty}, {"paste-of-pulse", Pasty},
	{"powder", Dense}, {"powder-in-meat", Dense}, {"dry", Dry}, {"lean-water", Dry}, {"wet", Soggy}, {"watery", Soggy}, {"weeps", Soggy}, {"fat", Greasy}, {"taste", TastesOf},
	{"raw-grain", RawGrain},
}

// Terms is how many pieces of evidence there are.
const Terms = 21

// Evidence is what speaks against eating it: each at least 0, 0 where it says nothing, but for the base, 1.
type Evidence [Terms]float64

// Of weighs nothing yet. e is the effect of the parts after their rest, duty what is asked of it, felt the index
// that a hand feels, and raw and cooked the chances, 0..1, that it holds.
func Of(parts []mix.Part, e *mix.Effect, d *mix.Duty, felt, raw, cooked float64) Evidence {
	per := 1 / max(e.Mass, 1e-9)
	var porridge, starch, gel, flour, grain, pulse, powder, taste, rawGrain float64
	for i := range parts {
		p := &parts[i]
		f := p.Food
		share := p.Mass * per
		if f.MaxPct > 0 && d.Spooned() == 0 { // the bread of a stuffing is its body
			taste = max(taste, 100*share/f.MaxPct)
		}
		switch f.Group {
		case food.Starch:
			if f.Sets {
				starch += share
			}
			powder += share
		case food.Gel:
			if f.MaxPct > 0 {
				gel += 100 * share / f.MaxPct
			}
		case food.GrainBinder, food.LegumeBinder, food.NutBinder:
			powder += share
			switch {
			case f.Is(food.Porridge):
				porridge += share
			case f.Stuff == food.Flour || f.Stuff == food.PulseFlour:
				flour += share
			}
		case food.Grain:
			if f.State == food.Raw && f.Water < 20 {
				rawGrain += share
			} else {
				grain += share * crushed(p)
			}
		case food.Legume:
			pulse += share * crushed(p)
		}
	}
	moist := e.Moist * per
	open := 1.
	if d.Crisp() {
		open = 0
	}
	solid := 1 - d.Spooned()
	return Evidence{
		1, 1 - raw, 1 - cooked,
		beyond(porridge-.08, .04) * 5, porridge * (1 - open) * 5,
		beyond(starch-.06, .02) * 5, beyond(gel-.7, .2),
		beyond(flour-.1, .03) * 5, flour * 10 * beyond(.6-moist, .03) * 5,
		grain, max(0, pulse-.3),
		solid * beyond(powder-.16, .03) * 5, e.Meat * per * beyond(powder-.06, .02) * 5,
		solid * beyond(d.Band.From-felt, .08), beyond(.52-moist, .03) * 5 * (1 - min(1, 2*e.Nut*per)),
		solid * beyond(felt-d.Band.To, .08), beyond(moist-.68, .02) * 5, solid * 10 * max(0, e.Weep*per-.02),
		beyond(e.Fat*per-.14, .02) * 5, beyond(taste-.9, .1),
		rawGrain * 3,
	}
}

// crushed is how much of a food that comes in pieces has become paste, 0..1; 0 for what is none.
func crushed(p *mix.Part) float64 {
	if p.Food.Chunk < .2 {
		return 0
	}
	return 1 - p.Chunk/p.Food.Chunk
}

// beyond is max(0, x), smooth over a width, at most 1.
func beyond(x, width float64) float64 { return math.Tanh(width * mix.Softplus(x/width)) }

// Judge holds what each piece of evidence counts, as a logarithm of odds.
type Judge [Terms]float64

// Weigh gives how good it is to eat, 0..1. kin is what builds like it add to the logarithm of the odds: mix.Judged.Eat.
func (j *Judge) Weigh(e *Evidence, kin float64) float64 {
	z := kin
	for i, x := range e {
		z += j[i] * x
	}
	return mix.Logistic(z)
}

// least is how much a cost takes from how good it eats for it to be told.
const least = .04

// Tell lists what costs it, the dearest first: what it would gain, 0..1, without each.
func (j *Judge) Tell(e *Evidence, kin float64) (out []Cost) {
	whole, odds := 0., kin
	by := map[Cost]float64{}
	for i, x := range e {
		odds += j[i] * x
		by[terms[i].cost] += j[i] * x
	}
	whole = mix.Logistic(odds)
	gain := func(c Cost) float64 { return mix.Logistic(odds-by[c]) - whole }
	for _, c := range Costs {
		if gain(c) >= least {
			out = append(out, c)
		}
	}
	slices.SortStableFunc(out, func(a, b Cost) int {
		switch x, y := gain(a), gain(b); {
		case x > y:
			return -1
		case x < y:
			return 1
		}
		return 0
	})
	return out
}

//go:embed eating.csv
var eatingCSV string

var errTable = errors.New("bad table of the judge of eating")

// Judges gives what shipped with the program.
var Judges = sync.OnceValue(func() *Judge {
	j, err := read(eatingCSV)
	if err != nil {
		panic(err) // the tests check the table
	}
	return j
})

func read(text string) (*Judge, error) {
	rows, err := csv.NewReader(strings.NewReader(text)).ReadAll()
	if err != nil || len(rows) != Terms+1 {
		return nil, fmt.Errorf("%w: %d rows: %w", errTable, len(rows), err)
	}
	j := &Judge{}
	for i, row := range rows[1:] {
		if row[0] != terms[i].name {
			return nil, fmt.Errorf("%w: row %d is %s, want %s", errTable, i+1, row[0], terms[i].name)
		}
		if j[i], err = strconv.ParseFloat(row[1], 64); err != nil {
			return nil, fmt.Errorf("%w: %w", errTable, err)
		}
	}
	return j, nil
}

// Table gives the judge as eating.csv has it.
func (j *Judge) Table() [][]string {
	out := [][]string{{"term", "weight"}}
	for i, t := range terms {
		out = append(out, []string{t.name, strconv.FormatFloat(j[i], 'f', 3, 64)})
	}
	return out
}
