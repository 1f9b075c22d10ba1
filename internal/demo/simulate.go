package demo

import (
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"time"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/learn/patties"
	"cuerda/core/learn/simulated"
	"cuerda/core/physics/mix"
	"cuerda/core/predict/bake"
	"cuerda/internal/jobs"
)

// Truth is what is so in the demonstration kitchen though nobody in it knows: its oven is 8 degrees
// cool, its peas and beans are wet, its flour and its oats drink less, its hands are gentle and
// make pieces a little full. Its tries are simulated from it; nobody cooked them.
var Truth = simulated.Truth{
	Figures: map[string]float64{
		learn.OvenOffset: -8, learn.OvenTransfer: math.Log(.97), learn.Turning: math.Log(.8), learn.Scoop: math.Log(1.06),
		learn.WaterOf("split-peas-cooked"): 3.5, learn.WaterOf("white-beans-canned"): 2,
		learn.DrinkOf("oats-rolled"): math.Log(.86), learn.DrinkOf("chickpea-flour"): math.Log(.9),
	},
	Seed: 12, Dish: .6,
}

// Logged is a try of the demonstration's logbook.
type Logged struct {
	File    string `json:"file"`
	Version int    `json:"version"`
	// Days is how long before the demonstration was made it was cooked.
	Days     int                   `json:"days"`
	Document document.Document     `json:"document"`
	Found    logbook.Found         `json:"found"`
	Said     *jobs.Said            `json:"said,omitempty"`
	Patties  *patties.FriedPatties `json:"patties,omitempty"`
	// Picture says that a photo is drawn of it.
	Picture bool `json:"picture,omitempty"`
}

// deed is what went otherwise than planned on a day, and what the crew wrote of it.
type deed struct {
	note string
	// do changes what was written down as done, and secret what was done and not written down.
	do, secret func(d *document.Document)
}

func times(foods []string, by float64) func(d *document.Document) {
	return func(d *document.Document) {
		for i := range d.Lines {
			for _, id := range foods {
				if d.Lines[i].Food == id {
					d.Lines[i].Grams = math.Round(d.Lines[i].Grams * by)
				}
			}
		}
	}
}

func rested(minutes float64) func(d *document.Document) {
	return func(d *document.Document) {
		celsius := kitchen.Room
		d.Rest = &document.Wait{Minutes: minutes, Celsius: &celsius}
	}
}

func splashed(share float64) func(d *document.Document) {
	return func(d *document.Document) {
		total := 0.
		for i := range d.Lines {
			total += d.Lines[i].Grams
		}
		d.Lines = append(d.Lines, document.Line{Food: "water", Grams: math.Round(share * total)})
	}
}

var binders = []string{"chickpea-flour", "flax-meal", "oats-rolled", "millet-flakes", "quinoa-flakes", "buckwheat-flour", "chia-ground", "psyllium-husk", "potato-starch", "rice-flour"}

var (
	asPlanned = deed{}
	byEye     = deed{note: "Flour and flakes in by eye, weighed afterwards: less than planned.", do: times(binders, .65)}
	hungry    = deed{note: "The crew was hungry: no rest.", do: rested(0)}
	drained   = deed{note: "Drained for two minutes only.", secret: splashed(.05)}
	generous  = deed{note: "A handful more flakes, to be sure.", do: times(binders, 1.4)}
	slow      = deed{note: "Rested until the boats were in.", do: rested(45)}
)

// season is what was cooked from spring to autumn, a week apart or less: the file, the version (0 the
// last one) and the deed.
var season = []struct {
	file    string
	version int
	deed    deed
}{
	{"05-classic", 0, asPlanned}, {"50-turkey", 1, asPlanned}, {"50-turkey", 0, asPlanned}, {"70-pea-cakes", 1, asPlanned}, {"40-loaf", 1, asPlanned},
	{"10-kofta", 0, asPlanned}, {"50-turkey", 0, byEye}, {"70-pea-cakes", 2, asPlanned}, {"20-stuffing", 1, asPlanned}, {"40-loaf", 0, asPlanned},
	{"30-mackerel", 0, asPlanned}, {"50-turkey", 0, asPlanned}, {"70-pea-cakes", 0, drained}, {"60-courgette-fails", 0, asPlanned}, {"20-stuffing", 0, asPlanned},
	{"65-courgette-second", 0, asPlanned}, {"50-turkey", 0, slow}, {"40-loaf", 0, byEye}, {"70-pea-cakes", 0, asPlanned}, {"10-kofta", 0, hungry},
	{"15-amaranth", 0, asPlanned}, {"50-turkey", 0, asPlanned}, {"20-stuffing", 0, asPlanned}, {"70-pea-cakes", 0, byEye}, {"30-mackerel", 0, hungry},
	{"65-courgette-second", 0, generous}, {"40-loaf", 0, asPlanned}, {"50-turkey", 0, asPlanned}, {"60-courgette-fails", 0, generous}, {"70-pea-cakes", 0, generous},
	{"10-kofta", 0, asPlanned}, {"20-stuffing", 0, slow}, {"50-turkey", 0, byEye}, {"70-pea-cakes", 0, asPlanned}, {"40-loaf", 0, asPlanned},
	{"30-mackerel", 0, asPlanned}, {"65-courgette-second", 0, asPlanned}, {"50-turkey", 0, asPlanned}, {"15-amaranth", 0, asPlanned}, {"10-kofta", 0, asPlanned},
	{"70-pea-cakes", 0, byEye},
}

// Simulate cooks the season in the hidden kitchen. It takes seconds: the demonstration ships what it
// gave.
func Simulate(foods *food.Catalogue) ([]Logged, error) {
	builds, err := Builds(foods)
	if err != nil {
		return nil, err
	}
	usual, err := kitchen.New(foods, kitchen.UsualSettings(), Pantry())
	if err != nil {
		return nil, err
	}
	byFile := map[string]*Build{}
	for i := range builds {
		byFile[builds[i].File] = &builds[i]
	}
	r := rand.New(rand.NewPCG(7, 21))
	known := &learn.Warmings{}
	var out []Logged
	var tries []learn.Try
	for n, s := range season {
		b := byFile[s.file+".json"]
		if b == nil {
			return nil, fmt.Errorf("no demonstration build %q", s.file)
		}
		planned, version := b.Document, len(b.Earlier)+1
		if s.version > 0 && s.version <= len(b.Earlier) {
			planned, version = b.Earlier[s.version-1].Document, s.version
		}
		if b.From != "" {
			version++
		}
		done := weighed(&planned, s.deed, r)
		k := usual
		if len(tries) > 0 {
			l, err := learn.LearnKitchen(tries, usual, learn.KitchenOptions{Known: known})
			if err != nil {
				return nil, err
			}
			k = usual.Learned(&l.Taught)
		}
		said := jobs.Say(done, k)
		found := eaten(done, &said, s.deed, n, r)
		out = append(out, Logged{File: s.file + ".json", Version: version, Days: 6 + (len(season)-1-n)*5, Document: *done, Found: found, Said: &said, Picture: n%6 == 4 || n == len(season)-1})
		tries = append(tries, learn.Try{ID: fmt.Sprint(n), At: time.Unix(int64(n)*86400, 0), Document: done, Found: &found, Said: &said.Chance})
	}
	fried, err := firstPatties(&byFile["70-pea-cakes.json"].Document, usual, r)
	if err != nil {
		return nil, err
	}
	fried.Version = len(byFile["70-pea-cakes.json"].Earlier) + 1
	return append(out, *fried), nil
}

// weighed is a document as it was cooked: as a scale is read, with what went otherwise.
func weighed(planned *document.Document, of deed, r *rand.Rand) *document.Document {
	d := *planned
	d.Lines = append([]document.Line(nil), planned.Lines...)
	if r.IntN(3) == 0 {
		i := r.IntN(len(d.Lines))
		d.Lines[i].Grams = math.Max(1, math.Round(d.Lines[i].Grams*(1+.04*r.NormFloat64())))
	}
	if of.do != nil {
		of.do(&d)
	}
	return &d
}

// eaten is how it came out.
func eaten(done *document.Document, said *jobs.Said, of deed, n int, r *rand.Rand) logbook.Found {
	really := *done
	if of.secret != nil {
		really.Lines = append([]document.Line(nil), done.Lines...)
		of.secret(&really)
	}
	day := simulated.Day{Seed: r.Uint64(), Thermometer: n%3 != 2, OvenThermometer: n%4 == 1, Scales: n%3 == 0}
	if said.OffAtMinutes != nil {
		day.Off = math.Round(*said.OffAtMinutes)
	}
	found := Truth.Cook(&really, day)
	found.Note = of.note
	c, _ := found.Both()
	found.Hold = string(found.Outcome())
	found.Bite = "right"
	switch said.Dryness {
	case "dry":
		found.Bite = "dry"
	case "moist":
		if r.IntN(2) == 0 {
			found.Bite = "wet"
		}
	}
	if found.BeforeG != nil {
		after := math.Round(*found.BeforeG * (1 - said.LossPct/100 + .01*r.NormFloat64()))
		found.AfterG = &after
	}
	if found.OffAtMinutes != nil {
		if b := bake.Bake(done, kitchen.Usual(), bake.Options{Now: -1}); b.BrowningWord != "" && n%2 == 0 {
			found.Browning = b.BrowningWord
		}
	}
	if n%2 == 1 {
		liking := 2 + min(3, int(3*float64(c.Held)/math.Max(1, float64(c.Of))+r.Float64()))
		found.Likings = []logbook.Liking{{Eater: "the crew", Liking: min(5, liking)}}
	}
	return found
}

// firstPatties are fried before the autumn supper: how much flour do the pea cakes want?
func firstPatties(d *document.Document, k *kitchen.Kitchen, r *rand.Rand) (*Logged, error) {
	kept := patties.FriedPatties{Question: patties.OpenQuestion{Food: "chickpea-flour", Amounts: []float64{25, 35, 45, 55, 65}}, Fried: []patties.FriedPatty{}}
	options, err := kept.Question.Options(d)
	if err != nil {
		return nil, err
	}
	q, err := patties.Ask(k, true, options...)
	if err != nil {
		return nil, err
	}
	for len(kept.Fried) < 6 {
		a := q.Decide(kept.Fried, 3)
		if a.Settled || len(a.Next) == 0 {
			break
		}
		for _, o := range a.Next {
			raw, cooked, felt := Truth.Chances(options[o].Document)
			p := min(raw, cooked)
			f := patties.FriedPatty{Option: o, Word: mix.WordFor(felt + .1*r.NormFloat64()), Grade: patties.Held}
			switch x := r.Float64(); {
			case x > p+(1-p)/2:
				f.Grade = patties.FellApart
			case x > p:
				f.Grade = patties.Cracked
			case x < p*p/2:
				f.Grade = patties.Firm
			}
			kept.Fried = append(kept.Fried, f)
		}
	}
	return &Logged{File: "70-pea-cakes.json", Days: 21, Document: *d, Found: logbook.Found{Note: "Three fried first, then three more, before the autumn supper."}, Patties: &kept}, nil
}

// LogbookFile writes the logbook as the demonstration ships it.
func LogbookFile(all []Logged) ([]byte, error) {
	text, err := json.MarshalIndent(all, "", " ")
	return append(text, '\n'), err
}
