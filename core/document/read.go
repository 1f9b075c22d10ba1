package document

import (
	"regexp"
	"slices"
	"strings"

	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// Read reads a build document of the foods in the catalogue. Where it returns
// an error it is of type Faults; the document is then not to be used.
func Read(data []byte, foods *food.Catalogue) (*Document, error) {
	p := parsers.Get().(*parser)
	defer p.release()
	tree, fault := p.parse(data)
	if fault != nil {
		return nil, Faults{*fault}
	}
	r := reader{foods: foods}
	doc := r.document(tree)
	if len(r.faults) > 0 {
		return nil, r.faults
	}
	return doc, nil
}

// The words that a document may use, as strings.
var (
	formatWords  = []string{Format}
	doWords      = words(food.Dos)
	squeezeWords = words(mix.SqueezeWords)
	kindWords    = words(piece.Kinds)
	partWords    = words(PartKinds)
)

var documentFields = []string{"format", "name", "lines", "mixing", "rest", "chill", "piece", "cook", "eaters", "hand", "parts", "portions", "note", "method", "table_time"}

func (r *reader) document(v *node) *Document {
	o := r.object(v, documentFields, "format", "lines")
	d := &Document{Lines: []Line{}}
	for name, v := range r.fields(o, documentFields) {
		switch name {
		case "format":
			d.Format = r.word(v, CodeUnknownWord, formatWords)
		case "name":
			d.Name = r.text(v, MaxName)
		case "lines":
			d.Lines = slices.Grow(d.Lines, min(v.count, MaxLines))
			for l := range r.list(v, MaxLines) {
				d.Lines = append(d.Lines, r.line(l))
			}
		case "mixing":
			d.Mixing = r.mixing(v)
		case "rest":
			d.Rest = r.rest(v)
		case "chill":
			d.Chill = r.wait(v, MinChillCelsius, MaxChillCelsius)
		case "hand":
			d.Hand = r.hand(v)
		case "piece":
			d.Piece = r.piece(v)
		case "cook":
			d.Cook = r.cook(v)
		case "eaters":
			d.Eaters = r.eaters(v)
		case "parts":
			d.Parts = r.parts(v)
		case "portions":
			d.Portions = r.whole(v, 0, MaxPortions)
		case "note":
			d.Note = r.textLines(v, MaxNote)
		case "method":
			for m := range r.list(v, MaxInstructions) {
				d.Method = append(d.Method, r.instruction(m))
			}
		case "table_time":
			d.TableTime = r.clock(v)
		}
	}
	return d
}

var clockTime = regexp.MustCompile(`^([01][0-9]|2[0-3]):[0-5][0-9]$`)

func (r *reader) clock(v *node) string {
	s, ok := r.str(v)
	if ok && !clockTime.MatchString(s) {
		r.fault(Fault{Code: CodeUnknownWord, Got: shorten(s), Nearest: "19:00"})
	}
	return s
}

var lineFields = []string{"food", "name", "grams", "prep"}

func (r *reader) line(v *node) Line {
	var l Line
	for name, v := range r.fields(r.object(v, lineFields, "food", "grams"), lineFields) {
		switch name {
		case "food":
			l.Food = r.food(v)
		case "name":
			l.Name = r.text(v, MaxLineName)
		case "grams":
			l.Grams = r.number(v, MinGrams, MaxGrams)
		case "prep":
			l.Prep = slices.Grow(l.Prep, min(v.count, MaxPreps))
			for p := range r.list(v, MaxPreps) {
				l.Prep = append(l.Prep, r.prep(p))
			}
		}
	}
	return l
}

var prepFields = []string{"do", "minutes", "level", "hours", "oil"}

func (r *reader) prep(v *node) food.Preparation {
	o := r.object(v, prepFields, "do")
	var p food.Preparation
	for name, v := range r.fields(o, prepFields) {
		switch {
		case name == "do":
			p.Do = food.Do(r.word(v, CodeUnknownPrep, doWords))
			if !p.Do.Known() {
				return p
			}
		case p.Do == "":
			return p
		case name == "oil" && p.Do == food.Saute:
			p.Oil = r.boolean(v)
		case name != p.Do.Setting():
			r.fault(Fault{Code: CodeNotHere, Got: string(p.Do), Nearest: p.Do.Setting()})
		case name == "minutes":
			p.Minutes = r.number(v, 0, MaxMinutes)
		case name == "level":
			p.Level = r.number(v, 0, 1)
		case name == "hours":
			p.Hours = r.number(v, 0, MaxHours)
		}
	}
	if setting := p.Do.Setting(); setting != "" && o.field(setting).missing() {
		r.faultIn(setting, Fault{Code: CodeMissing})
	}
	return p
}

func (r *reader) rest(v *node) *Wait { return r.wait(v, MinRestCelsius, MaxRestCelsius) }

var waitFields = []string{"minutes", "celsius"}

func (r *reader) wait(v *node, coldest, hottest float64) *Wait {
	w := &Wait{}
	for name, v := range r.fields(r.object(v, waitFields, "minutes"), waitFields) {
		if name == "minutes" {
			w.Minutes = r.number(v, 0, MaxMinutes)
		} else {
			c := r.number(v, coldest, hottest)
			w.Celsius = &c
		}
	}
	return w
}

var handFields = []string{"word", "water_g"}

func (r *reader) hand(v *node) *Hand {
	h := &Hand{}
	for name, v := range r.fields(r.object(v, handFields, handFields...), handFields) {
		if name == "word" {
			h.Word = mix.Word(r.word(v, CodeUnknownWord, squeezeWords))
		} else {
			h.WaterG = r.number(v, -MaxGrams, MaxGrams)
		}
	}
	return h
}

var instructionFields = []string{"text", "steps"}

func (r *reader) instruction(v *node) Instruction {
	var in Instruction
	for name, v := range r.fields(r.object(v, instructionFields, "text"), instructionFields) {
		if name == "text" {
			in.Text = r.text(v, MaxInstruction)
		} else {
			in.Steps = r.wordList(v, MethodSteps)
		}
	}
	return in
}

var mixingFields = []string{"minutes"}

func (r *reader) mixing(v *node) *Mixing {
	m := &Mixing{}
	for _, v := range r.fields(r.object(v, mixingFields, mixingFields...), mixingFields) {
		m.Minutes = r.number(v, 0, MaxMixing)
	}
	return m
}

func (r *reader) celsius(v *node) *float64 {
	c := r.number(v, MinCelsius, MaxCelsius)
	return &c
}

var pieceFields = []string{"kind", "diameter_mm", "thickness_mm", "length_mm", "width_mm", "height_mm", "slice_mm", "wall_mm", "middle_mm", "tin_height_mm", "tin", "count"}

// sizeFields gives the fields of a kind's sizes.
func sizeFields(k piece.Kind) []string {
	if k == piece.Stuffing {
		return pieceFields[1:6] // those of the half-vessel it fills
	}
	var own []string
	for _, s := range k.Sizes() {
		own = append(own, s.Field)
	}
	return own
}

func (r *reader) piece(v *node) *piece.Piece {
	o := r.object(v, pieceFields, "kind")
	p := &piece.Piece{}
	var own []string
	for name, v := range r.fields(o, pieceFields) {
		switch {
		case name == "kind":
			p.Kind = piece.Kind(r.word(v, CodeUnknownKind, kindWords))
			if !slices.Contains(piece.Kinds, p.Kind) {
				return p
			}
			own = sizeFields(p.Kind)
		case p.Kind == "":
			return p
		case name == "tin" && p.Kind.IsLoaf():
			p.Tin = r.boolean(v)
		case name == "count" && p.Kind != piece.Stuffing:
			p.Count = int(r.number(v, 1, piece.MaxCount))
		case !slices.Contains(own, name):
			r.fault(Fault{Code: CodeNotHere, Got: string(p.Kind), Nearest: strings.Join(own, ", ")})
		default:
			p.Set(name, r.number(v, MinMM, MaxMM))
		}
	}
	for _, s := range p.Kind.Sizes() {
		if s.Needed && o.field(s.Field) == nil {
			r.faultIn(s.Field, Fault{Code: CodeMissing})
		}
	}
	return p
}

var cookFields = []string{"method", "celsius", "turn", "from", "start_celsius", "target_celsius", "sear_minutes", "grill_minutes"}

func (r *reader) cook(v *node) *Cook {
	c := &Cook{}
	for name, v := range r.fields(r.object(v, cookFields, "method"), cookFields) {
		switch name {
		case "method":
			c.Method = method.Method(r.word(v, CodeUnknownMethod, words(method.Methods())))
		case "celsius":
			c.Celsius = r.celsius(v)
		case "turn":
			c.Turn = r.boolean(v)
		case "from":
			c.From = r.word(v, CodeUnknownWord, Froms)
		case "start_celsius":
			c.StartCelsius = r.celsius(v)
		case "target_celsius":
			c.TargetCelsius = r.celsius(v)
		case "sear_minutes":
			c.SearMinutes = r.number(v, 0, MaxFinish)
		case "grill_minutes":
			c.GrillMinutes = r.number(v, 0, MaxFinish)
		}
	}
	// Asking for what cannot be done is a fault, not a wish to be passed over.
	notHere := func(name string, can func(*method.Row) bool) {
		var where []string
		for _, by := range method.Rows() {
			if can(&by) {
				where = append(where, string(by.Method))
			}
		}
		r.faultIn(name, Fault{Code: CodeNotHere, Got: string(c.Method), Nearest: strings.Join(where, ", ")})
	}
	if known := method.Known(c.Method); known && c.SearMinutes > 0 && !c.Method.Row().Sears {
		notHere("sear_minutes", func(by *method.Row) bool { return by.Sears })
	} else if known && c.GrillMinutes > 0 && !c.Method.Row().Finishes {
		notHere("grill_minutes", func(by *method.Row) bool { return by.Finishes })
	}
	return c
}

var eatersFields = []string{"avoid", "diet", "wants", "people"}

func (r *reader) eaters(v *node) *eaters.Eaters {
	e := &eaters.Eaters{}
	for name, v := range r.fields(r.object(v, eatersFields), eatersFields) {
		if name == "people" {
			for p := range r.list(v, MaxPeople) {
				e.People = append(e.People, r.person(p))
			}
			continue
		}
		r.leavesOut(name, v, &e.Avoid, &e.Diet, &e.Wants)
	}
	return e
}

var personFields = []string{"name", "count", "avoid", "diet", "wants"}

func (r *reader) person(v *node) eaters.Person {
	var p eaters.Person
	for name, v := range r.fields(r.object(v, personFields, "count"), personFields) {
		switch name {
		case "name":
			p.Name = r.text(v, 60)
		case "count":
			p.Count = r.whole(v, 1, 200)
		default:
			r.leavesOut(name, v, &p.Avoid, &p.Diet, &p.Wants)
		}
	}
	return p
}

func (r *reader) leavesOut(name string, v *node, avoid *[]string, diet *string, wants *[]string) {
	switch name {
	case "diet":
		*diet = r.word(v, CodeUnknownWord, eaters.Diets)
	case "avoid":
		*avoid = r.wordList(v, eaters.Allergens)
	case "wants":
		*wants = r.wordList(v, eaters.Wants)
	}
}

func (r *reader) wordList(v *node, known []string) []string {
	var out []string
	for w := range r.list(v, len(known)) {
		out = append(out, r.word(w, CodeUnknownWord, known))
	}
	return out
}
