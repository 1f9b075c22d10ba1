package formula

import (
	"encoding/json"
	"fmt"
	"maps"
	"math"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"

	"github.com/agnivade/levenshtein"

	"cuerda/core/eaters"
	"cuerda/core/food"
	"cuerda/core/mix"
	"cuerda/core/piece"
)

// maxFaults bounds the list of faults that Read gives.
const maxFaults = 20

// Read reads a build document of the foods in the catalogue. Where it returns
// an error it is of type Faults; the document is then not to be used.
func Read(data []byte, foods *food.Catalogue) (*Document, error) {
	tree, fault := parse(data)
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

type reader struct {
	foods  *food.Catalogue
	faults Faults
}

func (r *reader) fault(f Fault) {
	switch {
	case len(r.faults) < maxFaults:
		r.faults = append(r.faults, f)
	case len(r.faults) == maxFaults:
		r.faults = append(r.faults, Fault{Code: CodeMorePlaces})
	}
}

// object checks that v is an object with only the known fields and all needed
// ones, and gives it; a fault and an empty object otherwise.
func (r *reader) object(v any, at string, known []string, needed ...string) map[string]any {
	o, ok := v.(map[string]any)
	if !ok {
		r.wrongType(v, at, "object")
		return nil
	}
	for _, name := range slices.Sorted(maps.Keys(o)) {
		if !slices.Contains(known, name) {
			r.fault(Fault{Code: CodeUnknownField, Pointer: at + "/" + escape(name), Got: shorten(name), Nearest: nearest(name, known)})
		}
	}
	for _, name := range needed {
		if _, there := o[name]; !there {
			r.fault(Fault{Code: CodeMissing, Pointer: at + "/" + name})
		}
	}
	return o
}

func (r *reader) wrongType(v any, at, want string) {
	r.fault(Fault{Code: CodeWrongType, Pointer: at, Got: describe(v), Nearest: want})
}

func (r *reader) text(v any, at string, limit int) string { return r.words(v, at, limit, "") }

// textLines is text that may hold line breaks and tabs.
func (r *reader) textLines(v any, at string, limit int) string { return r.words(v, at, limit, "\n\t") }

func (r *reader) words(v any, at string, limit int, controls string) string {
	s, ok := v.(string)
	switch {
	case !ok:
		r.wrongType(v, at, "string")
	case utf8.RuneCountInString(s) > limit:
		most := float64(limit)
		r.fault(Fault{Code: CodeTooLong, Pointer: at, Got: shorten(s), Max: &most})
	case strings.ContainsFunc(s, func(c rune) bool { return unicode.IsControl(c) && !strings.ContainsRune(controls, c) }):
		r.fault(Fault{Code: CodeBadText, Pointer: at, Got: shorten(s)})
	}
	return s
}

// number reads a figure of low..high; above low where open.
func (r *reader) number(v any, at string, low, high float64, open bool) float64 {
	n, ok := v.(json.Number)
	if !ok {
		r.wrongType(v, at, "number")
		return low
	}
	x, err := strconv.ParseFloat(n.String(), 64)
	if err != nil || math.IsNaN(x) || x < low || x > high || open && x <= low {
		r.fault(Fault{Code: CodeOutOfRange, Pointer: at, Got: shorten(n.String()), Min: &low, Max: &high})
	}
	return x
}

func (r *reader) whole(v any, at string, low, high float64) int {
	n := r.number(v, at, low, high, false)
	if float64(int(n)) != n {
		r.wrongType(v, at, "whole number")
	}
	return int(n)
}

func (r *reader) boolean(v any, at string) *bool {
	b, ok := v.(bool)
	if !ok {
		r.wrongType(v, at, "boolean")
	}
	return &b
}

func (r *reader) word(v any, at, code string, known []string) string {
	s, ok := v.(string)
	if !ok {
		r.wrongType(v, at, "string")
		return ""
	}
	if !slices.Contains(known, s) {
		r.fault(Fault{Code: code, Pointer: at, Got: shorten(s), Nearest: nearest(s, known)})
	}
	return s
}

func (r *reader) list(v any, at string, most int) []any {
	l, ok := v.([]any)
	if !ok {
		r.wrongType(v, at, "array")
		return nil
	}
	if len(l) > most {
		limit := float64(most)
		r.fault(Fault{Code: CodeTooMany, Pointer: at, Got: strconv.Itoa(len(l)), Max: &limit})
		return nil
	}
	return l
}

var documentFields = []string{"format", "name", "lines", "mixing", "rest", "chill", "piece", "cook", "eaters", "hand", "parts", "portions", "note", "method", "table_time"}

func (r *reader) document(v any) *Document {
	o := r.object(v, "", documentFields, "format", "lines")
	d := &Document{Lines: []Line{}}
	for name, v := range sorted(o, documentFields) {
		at := "/" + name
		switch name {
		case "format":
			d.Format = r.word(v, at, CodeUnknownWord, []string{Format})
		case "name":
			d.Name = r.text(v, at, MaxName)
		case "lines":
			for i, l := range r.list(v, at, MaxLines) {
				d.Lines = append(d.Lines, r.line(l, fmt.Sprintf("%s/%d", at, i)))
			}
		case "mixing":
			d.Mixing = r.mixing(v, at)
		case "rest":
			d.Rest = r.rest(v, at)
		case "chill":
			d.Chill = r.wait(v, at, MinChillCelsius, MaxChillCelsius)
		case "hand":
			d.Hand = r.hand(v, at)
		case "piece":
			d.Piece = r.piece(v, at)
		case "cook":
			d.Cook = r.cook(v, at)
		case "eaters":
			d.Eaters = r.eaters(v, at)
		case "parts":
			d.Parts = r.parts(v, at)
		case "portions":
			d.Portions = r.whole(v, at, 0, MaxPortions)
		case "note":
			d.Note = r.textLines(v, at, MaxNote)
		case "method":
			for i, m := range r.list(v, at, MaxInstructions) {
				d.Method = append(d.Method, r.instruction(m, fmt.Sprintf("%s/%d", at, i)))
			}
		case "table_time":
			d.TableTime = r.clock(v, at)
		}
	}
	return d
}

// sorted gives the known fields of an object in the order of the list.
func sorted(o map[string]any, fields []string) func(yield func(string, any) bool) {
	return func(yield func(string, any) bool) {
		for _, name := range fields {
			if v, there := o[name]; there && !yield(name, v) {
				return
			}
		}
	}
}

var clockTime = regexp.MustCompile(`^([01][0-9]|2[0-3]):[0-5][0-9]$`)

func (r *reader) clock(v any, at string) string {
	s, ok := v.(string)
	if !ok {
		r.wrongType(v, at, "string")
	} else if !clockTime.MatchString(s) {
		r.fault(Fault{Code: CodeUnknownWord, Pointer: at, Got: shorten(s), Nearest: "19:00"})
	}
	return s
}

func (r *reader) line(v any, at string) Line {
	fields := []string{"food", "name", "grams", "prep"}
	var l Line
	for name, v := range sorted(r.object(v, at, fields, "food", "grams"), fields) {
		at := at + "/" + name
		switch name {
		case "food":
			id, ok := v.(string)
			if !ok {
				r.wrongType(v, at, "string")
			} else if r.foods.Find(id) == nil {
				r.fault(Fault{Code: CodeUnknownFood, Pointer: at, Got: shorten(id), Nearest: r.foods.Nearest(id)})
			}
			l.Food = id
		case "name":
			l.Name = r.text(v, at, MaxLineName)
		case "grams":
			l.Grams = r.number(v, at, 0, MaxGrams, true)
		case "prep":
			for i, p := range r.list(v, at, MaxPreps) {
				l.Prep = append(l.Prep, r.prep(p, fmt.Sprintf("%s/%d", at, i)))
			}
		}
	}
	return l
}

var prepFields = []string{"do", "minutes", "level", "hours", "oil"}

func (r *reader) prep(v any, at string) food.Preparation {
	o := r.object(v, at, prepFields, "do")
	var p food.Preparation
	do, there := o["do"]
	if !there {
		return p
	}
	p.Do = food.Do(r.word(do, at+"/do", CodeUnknownPrep, words(food.Dos)))
	if !p.Do.Known() {
		return p
	}
	if setting := p.Do.Setting(); setting != "" && o[setting] == nil {
		r.fault(Fault{Code: CodeMissing, Pointer: at + "/" + setting})
	}
	for name, v := range sorted(o, prepFields[1:]) {
		at := at + "/" + name
		switch {
		case name == "oil" && p.Do == food.Saute:
			p.Oil = r.boolean(v, at)
		case name != p.Do.Setting():
			r.fault(Fault{Code: CodeNotHere, Pointer: at, Got: string(p.Do), Nearest: p.Do.Setting()})
		case name == "minutes":
			p.Minutes = r.number(v, at, 0, MaxMinutes, false)
		case name == "level":
			p.Level = r.number(v, at, 0, 1, false)
		case name == "hours":
			p.Hours = r.number(v, at, 0, MaxHours, false)
		}
	}
	return p
}

func (r *reader) rest(v any, at string) *Wait { return r.wait(v, at, MinRestCelsius, MaxRestCelsius) }

func (r *reader) wait(v any, at string, coldest, hottest float64) *Wait {
	fields := []string{"minutes", "celsius"}
	w := &Wait{}
	for name, v := range sorted(r.object(v, at, fields, "minutes"), fields) {
		if name == "minutes" {
			w.Minutes = r.number(v, at+"/minutes", 0, MaxMinutes, false)
		} else {
			c := r.number(v, at+"/celsius", coldest, hottest, false)
			w.Celsius = &c
		}
	}
	return w
}

func (r *reader) hand(v any, at string) *Hand {
	fields := []string{"word", "water_g"}
	h := &Hand{}
	for name, v := range sorted(r.object(v, at, fields, fields...), fields) {
		if name == "word" {
			h.Word = mix.Word(r.word(v, at+"/word", CodeUnknownWord, words(mix.SqueezeWords)))
		} else {
			h.WaterG = r.number(v, at+"/water_g", -MaxGrams, MaxGrams, false)
		}
	}
	return h
}

func (r *reader) instruction(v any, at string) Instruction {
	fields := []string{"text", "steps"}
	var in Instruction
	for name, v := range sorted(r.object(v, at, fields, "text"), fields) {
		if name == "text" {
			in.Text = r.text(v, at+"/text", MaxInstruction)
		} else {
			in.Steps = r.wordList(v, at+"/steps", MethodSteps)
		}
	}
	return in
}

func (r *reader) mixing(v any, at string) *Mixing {
	fields := []string{"minutes"}
	m := &Mixing{}
	for name, v := range sorted(r.object(v, at, fields, fields...), fields) {
		m.Minutes = r.number(v, at+"/"+name, 0, MaxMixing, false)
	}
	return m
}

func (r *reader) celsius(v any, at string) *float64 {
	c := r.number(v, at, MinCelsius, MaxCelsius, false)
	return &c
}

func (r *reader) piece(v any, at string) *piece.Piece {
	fields := []string{"kind", "diameter_mm", "thickness_mm", "length_mm", "width_mm", "height_mm", "slice_mm", "wall_mm", "middle_mm", "tin_height_mm", "tin"}
	o := r.object(v, at, fields, "kind")
	p := &piece.Piece{}
	kind, there := o["kind"]
	if !there {
		return p
	}
	p.Kind = piece.Kind(r.word(kind, at+"/kind", CodeUnknownKind, words(piece.Kinds)))
	if !slices.Contains(piece.Kinds, p.Kind) {
		return p
	}
	var own []string
	for _, s := range p.Kind.Sizes() {
		own = append(own, s.Field)
		if _, given := o[s.Field]; s.Needed && !given {
			r.fault(Fault{Code: CodeMissing, Pointer: at + "/" + s.Field})
		}
	}
	if p.Kind == piece.Stuffing {
		own = fields[1:6] // those of the half-vessel it fills
	}
	for name, v := range sorted(o, fields[1:]) {
		at := at + "/" + name
		switch {
		case name == "tin" && p.Kind.IsLoaf():
			p.Tin = r.boolean(v, at)
		case !slices.Contains(own, name):
			r.fault(Fault{Code: CodeNotHere, Pointer: at, Got: string(p.Kind), Nearest: strings.Join(own, ", ")})
		default:
			p.Set(name, r.number(v, at, MinMM, MaxMM, false))
		}
	}
	return p
}

func (r *reader) cook(v any, at string) *Cook {
	fields := []string{"method", "celsius", "turn", "from", "start_celsius", "target_celsius", "sear_minutes", "grill_minutes"}
	c := &Cook{}
	for name, v := range sorted(r.object(v, at, fields, "method"), fields) {
		at := at + "/" + name
		switch name {
		case "method":
			c.Method = piece.Method(r.word(v, at, CodeUnknownMethod, words(piece.Methods)))
		case "celsius":
			c.Celsius = r.celsius(v, at)
		case "turn":
			c.Turn = r.boolean(v, at)
		case "from":
			c.From = r.word(v, at, CodeUnknownWord, Froms)
		case "start_celsius":
			c.StartCelsius = r.celsius(v, at)
		case "target_celsius":
			c.TargetCelsius = r.celsius(v, at)
		case "sear_minutes":
			c.SearMinutes = r.number(v, at, 0, MaxFinish, false)
		case "grill_minutes":
			c.GrillMinutes = r.number(v, at, 0, MaxFinish, false)
		}
	}
	// Asking for what cannot be done is a fault, not a wish to be passed over.
	notHere := func(name string, can func(piece.Method) bool) {
		var where []string
		for _, m := range piece.Methods {
			if can(m) {
				where = append(where, string(m))
			}
		}
		r.fault(Fault{Code: CodeNotHere, Pointer: at + "/" + name, Got: string(c.Method), Nearest: strings.Join(where, ", ")})
	}
	if known := slices.Contains(piece.Methods, c.Method); known && c.SearMinutes > 0 && !c.Method.Sears() {
		notHere("sear_minutes", piece.Method.Sears)
	} else if known && c.GrillMinutes > 0 && !c.Method.Grills() {
		notHere("grill_minutes", piece.Method.Grills)
	}
	return c
}

func (r *reader) eaters(v any, at string) *eaters.Eaters {
	fields := []string{"avoid", "diet", "wants", "people"}
	e := &eaters.Eaters{}
	for name, v := range sorted(r.object(v, at, fields), fields) {
		if name == "people" {
			for i, p := range r.list(v, at+"/people", MaxPeople) {
				e.People = append(e.People, r.person(p, fmt.Sprintf("%s/people/%d", at, i)))
			}
			continue
		}
		r.leavesOut(name, v, at+"/"+name, &e.Avoid, &e.Diet, &e.Wants)
	}
	return e
}

func (r *reader) person(v any, at string) eaters.Person {
	fields := []string{"name", "count", "avoid", "diet", "wants"}
	var p eaters.Person
	for name, v := range sorted(r.object(v, at, fields, "count"), fields) {
		at := at + "/" + name
		switch name {
		case "name":
			p.Name = r.text(v, at, 60)
		case "count":
			p.Count = r.whole(v, at, 1, 200)
		default:
			r.leavesOut(name, v, at, &p.Avoid, &p.Diet, &p.Wants)
		}
	}
	return p
}

func (r *reader) leavesOut(name string, v any, at string, avoid *[]string, diet *string, wants *[]string) {
	switch name {
	case "diet":
		*diet = r.word(v, at, CodeUnknownWord, eaters.Diets)
	case "avoid":
		*avoid = r.wordList(v, at, eaters.Allergens)
	case "wants":
		*wants = r.wordList(v, at, eaters.Wants)
	}
}

func (r *reader) wordList(v any, at string, known []string) []string {
	var out []string
	for i, w := range r.list(v, at, len(known)) {
		out = append(out, r.word(w, fmt.Sprintf("%s/%d", at, i), CodeUnknownWord, known))
	}
	return out
}

func words[T ~string](list []T) []string {
	out := make([]string, len(list))
	for i, w := range list {
		out[i] = string(w)
	}
	return out
}

// nearest gives the known word that is most like s, or "" if none is near.
func nearest(s string, known []string) string {
	if len(s) > 60 {
		return ""
	}
	best, least := "", 1+max(2, len(s)/2)
	for _, k := range known {
		d := levenshtein.ComputeDistance(strings.ToLower(s), k)
		if len(s) >= 3 && strings.Contains(k, strings.ToLower(s)) {
			d = 1
		}
		if d < least {
			best, least = k, d
		}
	}
	if best == "" && len(known) == 1 {
		return known[0]
	}
	return best
}

func escape(name string) string {
	return strings.NewReplacer("~", "~0", "/", "~1").Replace(shorten(name))
}

// shorten keeps a quotation from a hostile document small.
func shorten(s string) string {
	const most = 40
	if utf8.RuneCountInString(s) <= most {
		return s
	}
	return string([]rune(s)[:most-1]) + "…"
}

func describe(v any) string {
	switch v := v.(type) {
	case nil:
		return "null"
	case string:
		return shorten(strconv.Quote(v))
	case json.Number:
		return shorten(v.String())
	case bool:
		return strconv.FormatBool(v)
	case []any:
		return "array"
	}
	return "object"
}
