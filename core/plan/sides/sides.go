package sides

import (
	_ "embed"
	"math"
	"strconv"
	"strings"
	"sync"

	"cuerda/core/food/csvtable"
	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/plan/supper"
	"cuerda/core/recipe/words"
)

//go:embed sides.csv
var sidesCSV string

// Side is a usual side for so many.
type Side struct {
	Code string
	// Steps that it takes, and Text the same in words; Foods that it is made of.
	Steps []supper.SupperStep
	Text  string
	Foods []supper.SupperFood
	// Worked says that the heat core has worked out how long it cooks: SizeMM is what for, and WorkedStep which
	// step.
	Worked     bool
	WorkedStep string
	SizeMM     float64
}

// entry is a row of the table.
type entry struct {
	code  string
	steps []stepEntry
	foods []supper.SupperFood // for one
	shape piece.Kind
	size  float64
	done  float64
	more  float64
	tray  float64
}

type stepEntry struct {
	text      string // its words, with a ? for minutes
	base, per float64
}

var entries = sync.OnceValue(func() []entry {
	var out []entry
	decimal := func(cell string) float64 { return csvtable.Number("sides.csv", cell) }
	for _, row := range csvtable.Rows("sides.csv", sidesCSV) {
		e := entry{code: row[0], shape: piece.Kind(row[3]), tray: decimal(row[7])}
		if e.shape != "" {
			e.size, e.done, e.more = decimal(row[4]), decimal(row[5]), decimal(row[6])
		}
		for text := range strings.SplitSeq(row[1], ", ") {
			at := strings.IndexAny(text, "0123456789?")
			name, rest := text[:at], text[at:]
			minutes, after, _ := strings.Cut(rest, " ")
			s := stepEntry{base: -1}
			if minutes != "?" {
				b, p, more := strings.Cut(minutes, "+")
				if s.base = decimal(b); more {
					s.per = decimal(p)
				}
			}
			s.text = name + "?"
			if after != "" {
				s.text += " " + after
			}
			e.steps = append(e.steps, s)
		}
		for f := range strings.SplitSeq(row[2], ";") {
			id, grams, _ := strings.Cut(f, ":")
			e.foods = append(e.foods, supper.SupperFood{Food: id, Grams: decimal(grams)})
		}
		out = append(out, e)
	}
	return out
})

// MaxPeople is how many a side may be for.
const MaxPeople = 200

// All gives the usual sides for so many people (1 to MaxPeople) in a kitchen, in the words of a language.
func All(people int, k *kitchen.Kitchen, l words.Language) []Side {
	people = min(max(people, 1), MaxPeople)
	out := make([]Side, 0, len(entries()))
	for i := range entries() {
		out = append(out, entries()[i].of(people, k, l))
	}
	return out
}

func (e *entry) of(people int, k *kitchen.Kitchen, l words.Language) Side {
	out := Side{Code: e.code}
	grams := 0.
	for _, f := range e.foods {
		f.Grams = math.Round(f.Grams * float64(people))
		grams += f.Grams
		out.Foods = append(out.Foods, f)
	}
	var text []string
	worked := -1
	for i, s := range e.steps {
		minutes := s.base + s.per*float64(people)
		if s.base < 0 {
			worked = i
			minutes = e.cooks(k)
		}
		text = append(text, strings.Replace(s.text, "?", strconv.Itoa(int(math.Ceil(minutes))), 1))
	}
	read := ReadText(strings.Join(text, ", "), words.English)
	out.Steps = read.Steps
	for i := range out.Steps {
		if o := out.Steps[i].Oven; o != nil && e.tray > 0 {
			if racks := int(math.Ceil(grams / e.tray)); racks > 1 {
				o.Racks = min(racks, supper.MaxRacks) // for very many the oven is filled more than once
			}
		}
	}
	if worked >= 0 {
		out.Worked, out.WorkedStep, out.SizeMM = true, out.Steps[worked].Name, e.size
	}
	out.Text = Text(out.Steps, l)
	return out
}

// cooks is how long the first food of a side takes, min: until the middle of a piece of it is done, and browned. A
// ball stands for a cube of its width, a cylinder for a stick, a patty for a slab.
func (e *entry) cooks(k *kitchen.Kitchen) float64 {
	f := k.Foods.Find(e.foods[0].Food)
	parts := mix.Parts([]mix.Line{{Food: f, Grams: 100}})
	p := piece.Piece{Kind: e.shape, DiameterMM: e.size}
	switch e.shape {
	case piece.Patty:
		p.DiameterMM, p.ThicknessMM = 4*e.size, e.size
	case piece.Cylinder:
		p.LengthMM = 6 * e.size
	}
	boil := heat.BoilingPoint(k.AltitudeM)
	c := heat.Cooking{
		Parameters: &k.Parameters.Heat, Piece: p, Material: heat.NewMaterial(heat.CompositionOf(parts), boil), Room: k.RoomCelsius,
		Method: method.StillOven, Target: heat.Target{Celsius: min(e.done, boil-2)}, ToTargetOnly: true,
	}
	c.Celsius = boil
	for _, s := range e.steps {
		if s.base >= 0 {
			continue
		}
		if step := ReadText(strings.Replace(s.text, "?", "1", 1), words.English).Steps[0]; step.Oven != nil {
			c.Celsius = step.Oven.Celsius + k.OvenOffset
		} else {
			c.Method = method.Simmer
		}
	}
	course := c.Run(c.Begin(k.RoomCelsius))
	if !course.Reached {
		return longest
	}
	return course.ToTarget + e.more
}

// longest is what a side cooks that does not get done in this kitchen, min.
const longest = 120
