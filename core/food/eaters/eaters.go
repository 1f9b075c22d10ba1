// Package eaters checks foods against what the people at a table leave out:
// the 14 allergens of EU Regulation 1169/2011, Annex II, foods by their source,
// and what cooks ask for by name. It errs on the safe side: what only a label
// can tell is never called clear. Allergy and coeliac advice stays with the
// eater and their clinician.
package eaters

import (
	_ "embed"
	"slices"
	"strings"
	"sync"
	"unicode/utf8"

	"cuerda/core/food"
	"cuerda/core/food/csvtable"
)

// Allergens are the 14 of EU Regulation 1169/2011, Annex II, by the codes of
// the catalogue; gluten stands for cereals that contain it.
var Allergens = []string{
	"celery", "crustaceans", "egg", "fish", "gluten", "lupin", "milk", "molluscs",
	"mustard", "peanut", "sesame", "soy", "sulphites", "tree-nut",
}

// Diets are choices of food by its source.
var Diets = []string{"vegan", "vegetarian", "no-pork", "no-red-meat"}

// Wants are what cooks ask for besides.
var Wants = []string{"grain-free", "low-salt", "no-added-sugar", "nut-free", "oil-free"}

// Person is one eater, or several who leave out the same.
type Person struct {
	Name  string   `json:"name,omitempty" maxLength:"60"`
	Count int      `json:"count" minimum:"1" maximum:"200"`
	Avoid []string `json:"avoid,omitempty"`
	Diet  string   `json:"diet,omitempty"`
	Wants []string `json:"wants,omitempty"`
}

// Eaters is the table: what all leave out, and people who leave out more.
type Eaters struct {
	// Avoid holds codes of Allergens.
	Avoid []string `json:"avoid,omitempty"`
	// Diet is one of Diets, or "".
	Diet string `json:"diet,omitempty"`
	// Wants holds codes of Wants.
	Wants  []string `json:"wants,omitempty"`
	People []Person `json:"people,omitempty" maxItems:"40"`
}

// Known says whether the code is one of Allergens.
func Known(allergen string) bool { return slices.Contains(Allergens, allergen) }

// Code says whether it is one that a check may name: an allergen, a diet or a want.
func Code(code string) bool {
	return Known(code) || slices.Contains(Diets, code) || slices.Contains(Wants, code)
}

// Count is how many people are named, 0 where the table is not described so.
func (e *Eaters) Count() int {
	n := 0
	for _, p := range e.People {
		n += p.Count
	}
	return n
}

// Table is what one dish for all must leave out. The zero value leaves out
// nothing.
type Table struct {
	avoid, diets, wants []string
}

// Table joins what everybody leaves out. A nil table leaves out nothing.
func (e *Eaters) Table() Table {
	var t Table
	if e == nil {
		return t
	}
	join := func(avoid []string, diet string, wants []string) {
		for _, a := range avoid {
			t.avoid = add(t.avoid, a)
		}
		if diet != "" {
			t.diets = add(t.diets, diet)
		}
		for _, w := range wants {
			t.wants = add(t.wants, w)
		}
	}
	join(e.Avoid, e.Diet, e.Wants)
	for _, p := range e.People {
		join(p.Avoid, p.Diet, p.Wants)
	}
	return t
}

func add(list []string, v string) []string {
	if slices.Contains(list, v) {
		return list
	}
	return append(list, v)
}

// Open says whether the table leaves out nothing.
func (t Table) Open() bool { return len(t.avoid)+len(t.diets)+len(t.wants) == 0 }

// Status is what a check says.
type Status string

// The statuses, from good to bad.
const (
	Clear Status = "clear"
	Label Status = "label" // the pack's label must be read
	Out   Status = "out"
)

// Reason is why a food is not clear. Code is allergen, source, want, label, oats,
// salty, or nut-like for what is no tree nut by the regulation though some who react
// to nuts react to it; What is the allergen, diet or want it is about.
type Reason struct {
	Code string
	What string
}

// Check is what a table means for a food.
type Check struct {
	Status  Status
	Reasons []Reason
}

// Check checks a food. read lists what the label of the pack at hand was read for
// and found good, by the codes of allergens, diets and wants: that settles what
// only a label can tell of them, and nothing else.
func (t Table) Check(f *food.Food, read []string) Check {
	c := Check{Status: Clear}
	out := func(code, what string) {
		c.Status = Out
		c.Reasons = append(c.Reasons, Reason{code, what})
	}
	label := func(code, what string) {
		if slices.Contains(read, what) {
			return
		}
		if c.Status == Clear {
			c.Status = Label
		}
		c.Reasons = append(c.Reasons, Reason{code, what})
	}
	for _, a := range t.avoid {
		switch {
		case slices.Contains(f.Allergens, a), a == "gluten" && f.Gluten == "contains":
			out("allergen", a)
		case a == "gluten" && f.Has("certified-gf-oats"):
			label("oats", a)
		case a == "gluten" && f.Gluten == "risk", f.Has("check-label"), a == "sulphites" && f.Has("check-sulphites"):
			label("label", a)
		case a == "tree-nut" && f.Has("nut-like"):
			label("nut-like", a)
		}
	}
	for _, d := range t.diets {
		switch suits(d, f.Source) {
		case Out:
			out("source", d)
		case Label:
			label("label", d)
		case Clear:
			if f.Has("check-label") && (d == "vegan" || d == "vegetarian") || d == "vegetarian" && f.Is(food.Rennet) {
				label("label", d)
			}
		}
	}
	for _, w := range t.wants {
		if w == "nut-free" && f.Has("nut-like") {
			label("nut-like", w)
		}
		if code, bad := against(w, f); bad && code == "salty" {
			label(code, w)
		} else if bad {
			out(code, w)
		}
	}
	return c
}

// suits says whether a food of that source is for a diet; Label where the
// source does not say enough.
func suits(diet, source string) Status {
	animal := source != "plant"
	flesh := slices.Contains([]string{"red-meat", "pork", "poultry", "meat", "fish"}, source)
	switch {
	case diet == "vegan" && animal, diet == "vegetarian" && flesh,
		diet == "no-pork" && source == "pork", diet == "no-red-meat" && (source == "red-meat" || source == "pork"):
		return Out
	case source == "meat" && (diet == "no-pork" || diet == "no-red-meat"):
		return Label
	}
	return Clear
}

// saltyAt is the salt, g per 100 g, from which a food counts as high in salt
// (UK front-of-pack guidance, 2016).
const saltyAt = 1.5

func against(want string, f *food.Food) (code string, bad bool) {
	switch want {
	case "nut-free":
		return "want", slices.Contains(f.Allergens, "tree-nut") || slices.Contains(f.Allergens, "peanut")
	case "oil-free":
		return "want", f.Group == food.Fat || f.Fat > 60 && f.Oil >= 0.4
	case "grain-free":
		return "want", f.Group == food.Grain || f.Group == food.GrainBinder || f.Is(food.OfGrain)
	case "low-salt":
		return "salty", f.Salt >= saltyAt
	case "no-added-sugar":
		return "want", f.Is(food.Sugar)
	}
	return "", false
}

// Instead gives up to three foods that are clear for the table and stand in for f, the best first: its
// equals by the table of equals, else what does in a mix most nearly what f does. Labels are not taken
// as read.
func (t Table) Instead(f *food.Food, foods *food.Catalogue) []*food.Food {
	if out := t.equals(f, foods, Clear); len(out) > 0 {
		return out[:min(3, len(out))]
	}
	type near struct {
		food *food.Food
		far  float64
	}
	var found []near
	all := foods.Foods()
	for i := range all {
		g := all[i]
		if g.ID == f.ID || !akin(f, g) || t.Check(g, nil).Status != Clear {
			continue
		}
		found = append(found, near{g, distance(f, g)})
	}
	slices.SortStableFunc(found, func(a, b near) int {
		if a.far < b.far {
			return -1
		}
		return 1
	})
	var out []*food.Food
	for _, n := range found[:min(3, len(found))] {
		out = append(out, n.food)
	}
	return out
}

// Equal gives the food that does for a cook what f does and that the table may eat; nil where there is
// none. The nearest of its equals comes first, whether its label has to be read or not, and before what
// is only alike.
func (t Table) Equal(f *food.Food, foods *food.Catalogue) *food.Food {
	for _, of := range [][]*food.Food{t.equals(f, foods, Clear, Label), t.Instead(f, foods)} {
		if len(of) > 0 {
			return of[0]
		}
	}
	return nil
}

// HasEqual says that one of the foods that do for a cook what f does is one that everybody may eat, for all that is known or a label tells.
func (t Table) HasEqual(f *food.Food, foods *food.Catalogue) bool {
	return len(t.equals(f, foods, Clear, Label)) > 0
}

// equals are those of f in the table of equals that have one of those statuses.
func (t Table) equals(f *food.Food, foods *food.Catalogue, statuses ...Status) (out []*food.Food) {
	id := f.ID
	if f.Own != "" {
		id = f.Own
	}
	for _, e := range equalsOf()[id] {
		if g := foods.Find(e); g != nil && !g.Gone && slices.Contains(statuses, t.Check(g, nil).Status) {
			out = append(out, g)
		}
	}
	return out
}

// equalsOf are the foods that do for a cook what another does, by its ID, the nearest first: kitchen
// knowledge, grade C.
var equalsOf = sync.OnceValue(func() map[string][]string {
	out := map[string][]string{}
	for _, row := range csvtable.Rows("equals.csv", equalsCSV) {
		out[row[0]] = strings.Fields(row[1])
	}
	return out
})

//go:embed equals.csv
var equalsCSV string

// akin says whether one food may stand in for another at all.
func akin(f, g *food.Food) bool {
	protein := func(x *food.Food) bool { return x.Group == food.Meat || x.Group == food.Fish || x.Group == food.Legume }
	nutty := func(x *food.Food) bool { return (x.Group == food.Nut || x.Group == food.Seed) && x.Water < 30 }
	if g.Has("cook-first") {
		return false
	}
	switch {
	case f.Group == g.Group:
		return f.Group != food.Flavour && f.Group != food.Egg && f.Group != food.Wet
	case f.Group.IsBinder() && g.Group.IsBinder(), protein(f) && protein(g), nutty(f) && nutty(g):
		return true
	case f.Group == food.Egg:
		return g.Group == food.Gel || g.Group == food.Starch || g.Group == food.LegumeBinder
	}
	return false
}

func distance(f, g *food.Food) float64 {
	sq := func(a, b, scale float64) float64 { d := (a - b) / scale; return d * d }
	far := sq(f.Water, g.Water, 20) + sq(f.Fat, g.Fat, 20) + sq(f.Plastic, g.Plastic, 1) + sq(f.GlueCold, g.GlueCold, .05) +
		sq(f.GlueHot, g.GlueHot, .06) + sq(f.Chunk, g.Chunk, .4) + sq(f.Protein, g.Protein, 15)
	if f.Group != g.Group {
		far++
	}
	if f.Group == food.Egg {
		return -g.Staple // nothing is like an egg: what binds in its place, the commonest first
	}
	return far
}

// Most of what a table may hold.
const (
	mostPeople = 40
	mostAlike  = 200
	maxName    = 60
)

// Sound says whether a table can be kept: every code is one of those above, and no name is too long.
func (e *Eaters) Sound() bool {
	if e.Unknown() != "" || len(e.People) > mostPeople {
		return false
	}
	return !slices.ContainsFunc(e.People, func(p Person) bool {
		return p.Count < 1 || p.Count > mostAlike || utf8.RuneCountInString(p.Name) > maxName
	})
}

// Unknown is the first word of e that is no code of an allergen, a diet or a wish; "" where all are.
func (e *Eaters) Unknown() string {
	of := func(avoid []string, diet string, wants []string) string {
		for _, code := range avoid {
			if !slices.Contains(Allergens, code) {
				return code
			}
		}
		for _, code := range wants {
			if !slices.Contains(Wants, code) {
				return code
			}
		}
		if !slices.Contains(Diets, diet) {
			return diet
		}
		return ""
	}
	unknown := of(e.Avoid, e.Diet, e.Wants)
	for i := 0; unknown == "" && i < len(e.People); i++ {
		unknown = of(e.People[i].Avoid, e.People[i].Diet, e.People[i].Wants)
	}
	return unknown
}
