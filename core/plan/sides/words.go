// Package sides knows the usual sides of a supper, and reads a side as a cook writes it down:
// "cut 10, roast 25 at 200, tray".
package sides

import (
	_ "embed"
	"fmt"
	"math"
	"regexp"
	"strconv"
	"strings"
	"sync"

	"cuerda/core/food/csvtable"
	"cuerda/core/plan/supper"
	"cuerda/core/recipe/words"
)

//go:embed words.csv
var wordsCSV string

//go:embed things.csv
var thingsCSV string

// doing is what a step can be, with what it usually holds.
type doing struct {
	code                        string
	hands, burners, pans, bowls int
	celsius                     float64
	waits                       *int
	first                       [2]string // its first word, by language
}

// lexicon is what is known by words: what is done, and what is held.
type lexicon struct {
	byCode map[string]*doing
	doings [2]map[string]*doing // by language, by words without accents
	things [2]map[string]string
}

var known = sync.OnceValue(func() *lexicon {
	out := &lexicon{byCode: map[string]*doing{}}
	for l := range 2 {
		out.doings[l], out.things[l] = map[string]*doing{}, map[string]string{}
	}
	number := func(cell string) float64 { return csvtable.Number("words.csv", cell) }
	whole := func(cell string) int { return int(number(cell)) }
	for _, row := range csvtable.Rows("words.csv", wordsCSV) {
		d := &doing{code: row[0], hands: whole(row[3]), burners: whole(row[4]), pans: whole(row[5]), bowls: whole(row[6]), celsius: number(row[7])}
		if row[8] != "" {
			waits := whole(row[8])
			d.waits = &waits
		}
		out.byCode[d.code] = d
		for l := range 2 {
			all := strings.Split(row[1+l], "|")
			d.first[l] = all[0]
			for _, w := range all {
				out.doings[l][words.Plain(w)] = d
			}
		}
	}
	for _, row := range csvtable.Rows("things.csv", thingsCSV) {
		for l := range 2 {
			for w := range strings.SplitSeq(row[1+l], "|") {
				out.things[l][words.Plain(w)] = row[0]
			}
		}
	}
	return out
})

// The limits of a text.
const (
	MaxText  = 2000
	maxSteps = 30
)

// Read is a side as it was read.
type Read struct {
	Steps []supper.SupperStep
	// Odd are phrases that nothing could be made of, as they stand.
	Odd []string
}

var (
	apart  = regexp.MustCompile(`[,;.\n]+(?:\s|$)|[;\n]+`)
	pieces = regexp.MustCompile(`\d+(?:[.,]\d+)?|[\p{L}°]+`)
)

// ReadText reads a side, in the words of that language: its steps one after the other, each with what is usual
// for it unless the text says otherwise. What is no known step keeps its name and takes a pair of hands.
func ReadText(text string, l words.Language) Read {
	out := Read{Steps: []supper.SupperStep{}, Odd: []string{}}
	if len(text) > MaxText {
		text = strings.ToValidUTF8(text[:MaxText], "")
	}
	for _, phrase := range apart.Split(text, -1) {
		if phrase = strings.TrimSpace(phrase); phrase == "" {
			continue
		}
		if len(out.Steps) == maxSteps || !out.phrase(phrase, int(l)) {
			out.Odd = append(out.Odd, phrase)
		}
	}
	return out
}

// said is what one phrase says.
type said struct {
	name    []string
	minutes float64 // below 0 where it does not say
	celsius float64
	within  int // below 0 where it does not say
	things  map[string]int
}

// phrase takes one phrase in: a step where it says how long, else something more of the step before.
func (r *Read) phrase(text string, l int) bool {
	s := hear(text, l)
	if s.minutes < 0 {
		if len(s.name) > 0 || len(r.Steps) == 0 || len(s.things) == 0 && s.celsius == 0 && s.within < 0 {
			return false
		}
		r.hold(len(r.Steps)-1, &s)
		return true
	}
	name := strings.Join(s.name, " ")
	d, whole := doingOf(s.name, l)
	if name == "" && s.things["element"] > 0 {
		d, whole = known().byCode["toast"], true
	}
	step := supper.SupperStep{Name: name, Minutes: int(math.Round(min(s.minutes, 20160))), Hands: 1}
	switch {
	case d != nil:
		step.Hands, step.Burners, step.Pans, step.Bowls = d.hands, d.burners, d.pans, d.bowls
		if whole {
			step.Name = d.code
		}
		if d.celsius > 0 {
			step.Oven = &supper.InOven{Celsius: d.celsius, Grill: d.code == "toast"}
		}
	case name == "":
		return false
	case s.celsius > 0 || s.things["racks"] > 0:
		step.Hands = 0
	}
	step.Name = r.free(step.Name)
	if n := len(r.Steps); n > 0 {
		before := &r.Steps[n-1]
		after := supper.SupperAfter{Step: before.Name}
		if was := byName(before.Name, l); was != nil {
			after.Most = was.waits
		}
		step.After = []supper.SupperAfter{after}
	}
	r.Steps = append(r.Steps, step)
	r.hold(len(r.Steps)-1, &s)
	return true
}

// fillers are words that say nothing of a step.
var fillers = map[string]bool{"a": true, "an": true, "the": true, "in": true, "on": true, "of": true, "for": true, "en": true, "el": true, "la": true,
	"los": true, "las": true, "un": true, "una": true, "de": true, "del": true, "con": true, "por": true, "y": true, "and": true, "oven": true, "horno": true}

// doingOf finds what is done by the first words of a name; whole says that the others say nothing more.
func doingOf(name []string, l int) (d *doing, whole bool) {
	for n := len(name); n > 0; n-- {
		if d := known().doings[l][words.Plain(strings.Join(name[:n], " "))]; d != nil {
			for _, w := range name[n:] {
				if !fillers[words.Plain(w)] {
					return d, false
				}
			}
			return d, true
		}
	}
	return nil, false
}

// byName finds what a step does by its name, a code or the words of a cook.
func byName(name string, l int) *doing {
	if d := known().byCode[base(name)]; d != nil {
		return d
	}
	d, _ := doingOf(strings.Fields(name), l)
	return d
}

// free gives a name that no step has: the second of two cuts is "cut 2".
func (r *Read) free(name string) string {
	taken := func(name string) bool {
		for i := range r.Steps {
			if r.Steps[i].Name == name {
				return true
			}
		}
		return false
	}
	for out, n := name, 2; ; n++ {
		if !taken(out) {
			return out
		}
		out = fmt.Sprintf("%s %d", name, n)
	}
}

var counted = regexp.MustCompile(` \d+$`)

// base is a name without what free has put to it.
func base(name string) string { return counted.ReplaceAllString(name, "") }

// hear takes a phrase apart.
func hear(text string, l int) said {
	s := said{minutes: -1, within: -1, things: map[string]int{}}
	lex := known()
	all := pieces.FindAllString(text, -1)
	times := timesOf(all, lex, l)
	for i := 0; i < len(all); i++ {
		if n, ok := amount(all[i]); ok {
			unit := ""
			if i+1 < len(all) {
				unit = lex.things[l][words.Plain(all[i+1])]
			}
			if unit == "weight" { // how much of a food it is: a part of what the step is called
				s.name = append(s.name, all[i], all[i+1])
				i++
				continue
			}
			if unit == "" && !times[i] {
				s.name = append(s.name, all[i])
				continue
			}
			s.number(n, unit)
			if unit == "hours" || unit == "minutes" || unit == "celsius" || unit == "fahrenheit" {
				i++
			}
			if thing := held[unit]; thing {
				s.things[unit] = int(min(n, 20))
				i++
			}
			continue
		}
		plain := words.Plain(all[i])
		pair := plain
		if i+1 < len(all) {
			pair += " " + words.Plain(all[i+1])
		}
		triple := pair
		if i+2 < len(all) {
			triple += " " + words.Plain(all[i+2])
		}
		thing, isThing := lex.things[l][plain]
		next, isNumber := 0., false
		if i+1 < len(all) {
			next, isNumber = amount(all[i+1])
		}
		switch {
		case lex.things[l][triple] == "element":
			s.things["element"] = 1
			i += 2
		case lex.things[l][pair] == "within" && i+2 < len(all):
			if n, ok := amount(all[i+2]); ok {
				s.within = int(n)
				i += 2
			}
		case thing == "within" && isNumber:
			s.within = int(next)
			i++
		case thing == "at" && isNumber:
			s.celsius = next
			i++
			if i+1 < len(all) {
				if u := lex.things[l][words.Plain(all[i+1])]; u == "fahrenheit" {
					s.celsius = (next - 32) / 1.8
					i++
				} else if u == "celsius" {
					i++
				}
			}
		case isThing && len(s.name) > 0 && s.minutes < 0 && lex.doings[l][words.Plain(strings.Join(append(append([]string{}, s.name...), all[i]), " "))] != nil:
			s.name = append(s.name, all[i])
		case isThing && (held[thing] || thing == "alone" || thing == "element") && (len(s.name) == 0 || s.minutes >= 0):
			s.things[thing] = max(1, s.things[thing])
		default:
			s.name = append(s.name, all[i])
		}
	}
	return s
}

// timesOf says which plain numbers of a phrase are minutes: none where minutes or hours are named, else
// the last: "peel 2 onions 10" takes ten.
func timesOf(all []string, lex *lexicon, l int) map[int]bool {
	out := map[int]bool{}
	last := -1
	for i := range all {
		if _, ok := amount(all[i]); !ok {
			continue
		}
		unit := ""
		if i+1 < len(all) {
			unit = lex.things[l][words.Plain(all[i+1])]
		}
		if unit == "minutes" || unit == "hours" {
			return out
		}
		if unit == "" && (i == 0 || lex.things[l][words.Plain(all[i-1])] != "at") {
			last = i
		}
	}
	if last >= 0 {
		out[last] = true
	}
	return out
}

// held are the things that a step holds so many of.
var held = map[string]bool{"racks": true, "pans": true, "burners": true, "bowls": true, "hands": true}

func (s *said) number(n float64, unit string) {
	switch {
	case held[unit]:
	case unit == "celsius":
		s.celsius = n
	case unit == "fahrenheit":
		s.celsius = (n - 32) / 1.8
	case unit == "hours":
		s.minutes = max(0, s.minutes) + 60*n
	default:
		s.minutes = max(0, s.minutes) + n
	}
}

func amount(s string) (float64, bool) {
	n, err := strconv.ParseFloat(strings.Replace(s, ",", ".", 1), 64)
	return n, err == nil && n >= 0 && n <= 1e6
}

// hold has a step hold what a phrase says.
func (r *Read) hold(at int, s *said) {
	step := &r.Steps[at]
	if s.celsius > 0 || s.things["racks"] > 0 || s.things["element"] > 0 {
		if step.Oven == nil {
			step.Oven = &supper.InOven{Celsius: 180}
		}
		if s.celsius > 0 {
			step.Oven.Celsius = math.Round(min(320, max(30, s.celsius)))
		}
		if s.things["racks"] > 1 {
			step.Oven.Racks = s.things["racks"]
		}
		step.Oven.Grill = step.Oven.Grill || s.things["element"] > 0
	}
	for _, each := range []struct {
		thing string
		to    *int
	}{{"pans", &step.Pans}, {"burners", &step.Burners}, {"bowls", &step.Bowls}, {"hands", &step.Hands}} {
		if n := s.things[each.thing]; n > 0 {
			*each.to = n
		}
	}
	if step.Pans > 0 && step.Oven == nil {
		step.Burners = max(step.Burners, 1)
	}
	if s.things["alone"] > 0 {
		step.Hands = 0
	}
	if s.within >= 0 && len(step.After) > 0 {
		step.After[0].Most = &s.within
	}
}

// Text writes steps as ReadText reads them, as far as they follow one another.
func Text(steps []supper.SupperStep, l words.Language) string {
	var out []string
	at := map[words.Language]string{words.English: "at", words.Spanish: "a"}[l]
	thing := func(n int, one, many string) string {
		if n == 1 {
			return ", 1 " + one
		}
		return fmt.Sprintf(", %d %s", n, many)
	}
	for i := range steps {
		s := &steps[i]
		usual, name := &doing{hands: 1}, base(s.Name)
		if d := byName(s.Name, int(l)); d != nil {
			usual = d
		}
		if d := known().byCode[base(s.Name)]; d != nil {
			name = d.first[l]
		}
		text := fmt.Sprintf("%s %d", name, s.Minutes)
		if s.Oven != nil {
			text += fmt.Sprintf(" %s %g", at, math.Round(s.Oven.Celsius))
			if usual.code == "" {
				usual = &doing{}
			}
			if s.Oven.Racks > 1 {
				text += thing(s.Oven.Racks, "", [2]string{"trays", "bandejas"}[l])
			}
			if s.Oven.Grill && usual.code != "toast" {
				text += ", " + [2]string{"under the grill", "gratinador"}[l]
			}
		}
		if s.Pans > 0 && s.Pans != usual.pans {
			text += thing(s.Pans, [2]string{"pan", "sartén"}[l], [2]string{"pans", "sartenes"}[l])
		}
		if s.Bowls > 0 && s.Bowls != usual.bowls {
			text += ", " + [2]string{"processor", "procesador"}[l]
		}
		if s.Hands == 0 && usual.hands > 0 {
			text += ", " + [2]string{"alone", "solo"}[l]
		} else if s.Hands > 0 && s.Hands != usual.hands {
			text += thing(s.Hands, [2]string{"cook", "cocinero"}[l], [2]string{"cooks", "cocineros"}[l])
		}
		out = append(out, text)
	}
	return strings.Join(out, ", ")
}
