// Package squeeze says what a squeezed handful of a mix looks like, for those who draw it or put it in words: the
// signs that an index shows, and the pieces, shreds and grains that are in it with their colours.
package squeeze

import (
	"cmp"
	_ "embed"
	"encoding/csv"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
)

// Form is what bits of a food look like.
type Form string

// The forms.
const (
	Lump  Form = "lump"  // a bean, a cube, a crumb of meat
	Shred Form = "shred" // grated
	Grain Form = "grain" // cooked grains and seeds
	Leaf  Form = "leaf"
	Flake Form = "flake" // oats, flakes, chopped nuts
)

// Forms lists every form.
var Forms = []Form{Lump, Shred, Grain, Leaf, Flake}

// Bit is what of a food is seen in the handful.
type Bit struct {
	Food   string
	Form   Form
	Colour string // #rrggbb
	// Share is its share of the mass, 0..1.
	Share float64
}

// Sign is something a cook sees or feels.
type Sign string

// The signs, from dry to wet.
const (
	Crumbs  Sign = "crumbs"  // fall from it
	Cracks  Sign = "cracks"  // run through it
	Edge    Sign = "edge"    // breaks short, with an edge
	Clean   Sign = "clean"   // holds its shape, the palm stays clean
	Film    Sign = "film"    // is left on the palm
	Strings Sign = "strings" // hang from it
	Sheen   Sign = "sheen"   // water shines on it, marks close again
	Slump   Sign = "slump"   // runs flat
)

// Signs lists every sign.
var Signs = []Sign{Crumbs, Cracks, Edge, Clean, Film, Strings, Sheen, Slump}

// Appearance is what is seen of a squeezed handful.
type Appearance struct {
	Index float64
	Word  mix.Word
	// Paste is the colour of what is no piece, #rrggbb.
	Paste string
	// Bits are what is seen in it, the most first.
	Bits []Bit
	// Show is how clearly each sign is seen, 0..1; a sign that is not is missing.
	Show map[Sign]float64
	// Tells are the signs to put in words, what tells most first.
	Tells []Sign
}

// ramps say between which indices a sign comes up, and between which it goes: read off the words of the squeeze
// (section 2 of docs/model.md), each a little into its neighbours.
var ramps = map[Sign][4]float64{
	Crumbs:  {-9, -8, -.15, .05},
	Cracks:  {-9, -8, .02, .22},
	Edge:    {-.08, .06, .14, .28},
	Clean:   {.1, .26, .46, .62},
	Film:    {.42, .62, 9, 10},
	Strings: {.55, .7, .95, 1.12},
	Sheen:   {.72, .95, 9, 10},
	Slump:   {.86, 1.15, 9, 10},
}

// leastShown of a sign is told, and most bits and signs are.
const (
	leastShown = .25
	mostBits   = 8
	mostTells  = 3
	leastShare = .015
	middling   = .35 // index: neither wet nor dry
)

// Of says what a handful of a mix looks like whose hand feels that index.
func Of(parts []mix.Part, index float64) Appearance {
	out := Appearance{Index: index, Word: mix.WordFor(index), Bits: []Bit{}, Show: map[Sign]float64{}, Tells: []Sign{}}
	total := 0.
	for i := range parts {
		total += parts[i].Mass
	}
	var paste [3]float64
	weight := 0.
	for i := range parts {
		p := &parts[i]
		if p.Mass <= 0 || total <= 0 {
			continue
		}
		colour := ColourOf(p.Food)
		if share := p.Chunk * p.Mass / total; share >= leastShare {
			out.Bits = append(out.Bits, Bit{p.Food.ID, formOf(p.Food), colour, share})
		}
		if clear(p.Food) {
			continue
		}
		w := (1 - p.Chunk) * p.Mass * (1 - p.Food.Water/100 + .15)
		for c, v := range rgb(colour) {
			paste[c] += w * v
		}
		weight += w
	}
	slices.SortStableFunc(out.Bits, func(a, b Bit) int { return cmp.Compare(b.Share, a.Share) })
	out.Bits = out.Bits[:min(mostBits, len(out.Bits))]
	out.Paste = "#D9C3A0"
	if weight > 0 {
		out.Paste = hex(paste[0]/weight, paste[1]/weight, paste[2]/weight)
	}
	for s, r := range ramps {
		if show := min(rise(index, r[0], r[1]), 1-rise(index, r[2], r[3])); show > .01 {
			out.Show[s] = show
		}
	}
	for _, s := range Signs {
		if out.Show[s] >= leastShown {
			out.Tells = append(out.Tells, s)
		}
	}
	// What tells it best comes first: the wettest sign of a wet one, the driest of a dry one.
	if index > middling {
		slices.Reverse(out.Tells)
	}
	out.Tells = out.Tells[:min(mostTells, len(out.Tells))]
	return out
}

// OfWord is what a handful of that word shows, whatever is in it: at the middle of what the word covers.
func OfWord(w mix.Word) Appearance {
	from, to := mix.Between(w)
	return Of(nil, (max(from, driest)+min(to, wettest))/2)
}

// driest and wettest are where the words end for who looks at them, in index.
const driest, wettest = -.3, 1.3

// OfBuild says it of the mix of a build as it is after its rest. ok is false where nothing in it drinks.
func OfBuild(d *document.Document, k *kitchen.Kitchen) (h Appearance, ok bool) {
	parts := mix.Parts(d.MixLines(k.Foods))
	e := mix.Sum(d.Bowl(parts), d.RestIn(k))
	index, ok := e.Index()
	if !ok {
		return Appearance{}, false
	}
	return Of(parts, index-e.Loosens()), true
}

// Bare is a handful that is not squeezed yet: what is in it, without a sign.
func (h Appearance) Bare() Appearance {
	h.Index, h.Word = 0, ""
	h.Show, h.Tells = map[Sign]float64{}, []Sign{}
	return h
}

// rise goes from 0 to 1 between two values, smoothly.
func rise(x, from, to float64) float64 {
	t := min(max((x-from)/(to-from), 0), 1)
	return t * t * (3 - 2*t)
}

// clear says whether a food has no colour of its own in a paste.
func clear(f *food.Food) bool {
	return f.ID == "water" || f.ID == "broth" || f.ID == "salt" || f.Group == food.Fat
}

var leaves = []string{"spinach", "kale", "chard", "parsley", "fresh-herbs", "coriander", "nori", "spring-onion"}

func formOf(f *food.Food) Form {
	switch {
	case slices.Contains(leaves, f.ID):
		return Leaf
	case strings.Contains(f.Name, "grated") || strings.Contains(f.Name, "shred"):
		return Shred
	case f.Group == food.Grain, f.Group == food.Seed, f.Is(food.SmallGrain):
		return Grain
	case f.Group == food.Nut, f.Group == food.GrainBinder, f.Group == food.NutBinder, f.Group == food.Fish:
		return Flake
	}
	return Lump
}

//go:embed colours.csv
var coloursCSV string

// colours are those of foods as they are eaten, looked at in a kitchen: grade C, as far as a colour has one.
var colours = readColours()

func readColours() map[string]string {
	rows, err := csv.NewReader(strings.NewReader(coloursCSV)).ReadAll()
	if err != nil {
		panic("colours.csv: " + err.Error())
	}
	out := map[string]string{}
	for _, r := range rows[1:] {
		out[r[0]] = r[1]
	}
	return out
}

var ofGroups = map[food.Group]string{
	food.Meat: "#C07A68", food.Fish: "#E3CDBA", food.Legume: "#CDB98C", food.Grain: "#E3D2A8", food.Vegetable: "#A9BE78", food.Fruit: "#D9B98C",
	food.Nut: "#C49A68", food.Seed: "#B9A57E", food.Gel: "#C9B08A", food.GrainBinder: "#EBDDBD", food.LegumeBinder: "#E6D3A0", food.NutBinder: "#DCC29A",
	food.Starch: "#F6F2E8", food.Egg: "#F3D27A", food.Dairy: "#F6EDD8", food.Wet: "#C8B48C", food.Fat: "#E8D9A0", food.Flavour: "#B98B5A",
}

// ColourOf is the colour of a food, #rrggbb: its own, or that of its group.
func ColourOf(f *food.Food) string {
	if c, ok := colours[f.ID]; ok {
		return c
	}
	return ofGroups[f.Group]
}

func rgb(colour string) (out [3]float64) {
	for i := range out {
		v, _ := strconv.ParseUint(colour[1+2*i:3+2*i], 16, 8) // the table is tested
		out[i] = float64(v)
	}
	return out
}

func hex(r, g, b float64) string {
	return fmt.Sprintf("#%02X%02X%02X", int(math.Round(r)), int(math.Round(g)), int(math.Round(b)))
}
