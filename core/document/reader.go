package document

import (
	"iter"
	"math"
	"slices"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"

	"github.com/agnivade/levenshtein"

	"cuerda/core/food"
)

// maxFaults bounds the list of faults that Read gives.
const maxFaults = 20

// reader checks the values of a document one by one and gathers what is wrong, each
// with the place where it reads.
type reader struct {
	foods  *food.Catalogue
	faults Faults
	path   []place
}

// place is one step on the way into a document: a field, or an item of a list.
type place struct {
	field string
	item  int
}

// pointer is where it reads, as a JSON pointer.
func (r *reader) pointer() string {
	var b strings.Builder
	for _, p := range r.path {
		b.WriteByte('/')
		if p.field != "" || p.item < 0 {
			b.WriteString(escape(p.field))
		} else {
			b.WriteString(strconv.Itoa(p.item))
		}
	}
	return b.String()
}

// fault adds what is wrong with the value that it reads.
func (r *reader) fault(f Fault) {
	switch {
	case len(r.faults) < maxFaults:
		f.Pointer = r.pointer()
		r.faults = append(r.faults, f)
	case len(r.faults) == maxFaults:
		r.faults = append(r.faults, Fault{Code: CodeMorePlaces})
	}
}

// faultIn adds what is wrong with a field of the object that it reads.
func (r *reader) faultIn(field string, f Fault) {
	r.path = append(r.path, place{field, -1})
	r.fault(f)
	r.path = r.path[:len(r.path)-1]
}

// object checks that v is an object with only the known fields and all needed
// ones, and gives it; a fault and none otherwise.
func (r *reader) object(v *node, known []string, needed ...string) *node {
	if v.kind != '{' {
		r.wrongType(v, "object")
		return nil
	}
	for f := v.first; f != nil; f = f.next {
		if !slices.Contains(known, f.name) {
			r.faultIn(f.name, Fault{Code: CodeUnknownField, Got: shorten(f.name), Nearest: nearest(f.name, known)})
		}
	}
	for _, name := range needed {
		if v.field(name) == nil {
			r.faultIn(name, Fault{Code: CodeMissing})
		}
	}
	return v
}

// fields gives the known fields of an object in the order of the list.
func (r *reader) fields(o *node, known []string) iter.Seq2[string, *node] {
	return func(yield func(string, *node) bool) {
		for _, name := range known {
			v := o.field(name)
			if v == nil {
				continue
			}
			r.path = append(r.path, place{name, -1})
			more := yield(name, v)
			r.path = r.path[:len(r.path)-1]
			if !more {
				return
			}
		}
	}
}

// list gives the items of a list of at most so many; a fault and none otherwise.
func (r *reader) list(v *node, most int) iter.Seq[*node] {
	return func(yield func(*node) bool) {
		if v.kind != '[' {
			r.wrongType(v, "array")
			return
		}
		if v.count > most {
			limit := float64(most)
			r.fault(Fault{Code: CodeTooMany, Got: strconv.Itoa(v.count), Max: &limit})
			return
		}
		i := 0
		for item := v.first; item != nil; item = item.next {
			r.path = append(r.path, place{item: i})
			more := yield(item)
			r.path = r.path[:len(r.path)-1]
			if !more {
				return
			}
			i++
		}
	}
}

func (r *reader) wrongType(v *node, want string) {
	r.fault(Fault{Code: CodeWrongType, Got: v.describe(), Nearest: want})
}

// str gives a string of any length.
func (r *reader) str(v *node) (string, bool) {
	if v.kind != '"' {
		r.wrongType(v, "string")
		return "", false
	}
	return v.text, true
}

func (r *reader) text(v *node, limit int) string { return r.words(v, limit, "") }

// textLines is text that may hold line breaks and tabs.
func (r *reader) textLines(v *node, limit int) string { return r.words(v, limit, "\n\t") }

func (r *reader) words(v *node, limit int, controls string) string {
	s, ok := r.str(v)
	if !ok {
		return ""
	}
	switch {
	case len(s) > limit && utf8.RuneCountInString(s) > limit:
		most := float64(limit)
		r.fault(Fault{Code: CodeTooLong, Got: shorten(s), Max: &most})
	case strings.ContainsFunc(s, func(c rune) bool { return unicode.IsControl(c) && !strings.ContainsRune(controls, c) }):
		r.fault(Fault{Code: CodeBadText, Got: shorten(s)})
	}
	return s
}

// number reads a figure of low..high.
func (r *reader) number(v *node, low, high float64) float64 {
	if v.kind != '0' {
		r.wrongType(v, "number")
		return low
	}
	x, err := strconv.ParseFloat(v.text, 64)
	if err != nil || math.IsNaN(x) || x < low || x > high {
		least, most := low, high
		r.fault(Fault{Code: CodeOutOfRange, Got: shorten(v.text), Min: &least, Max: &most})
	}
	return x
}

func (r *reader) whole(v *node, low, high float64) int {
	n := r.number(v, low, high)
	if float64(int(n)) != n {
		r.wrongType(v, "whole number")
	}
	return int(n)
}

func (r *reader) boolean(v *node) *bool {
	if v.kind != 't' && v.kind != 'f' {
		r.wrongType(v, "boolean")
	}
	b := v.kind == 't'
	return &b
}

func (r *reader) word(v *node, code string, known []string) string {
	s, ok := r.str(v)
	if !ok {
		return ""
	}
	if i := slices.Index(known, s); i >= 0 {
		return known[i]
	}
	r.fault(Fault{Code: code, Got: shorten(s), Nearest: nearest(s, known)})
	return s
}

// food reads the ID of a food of the catalogue.
func (r *reader) food(v *node) string {
	id, ok := r.str(v)
	if !ok {
		return ""
	}
	if f := r.foods.Find(id); f != nil {
		return f.ID
	}
	r.fault(Fault{Code: CodeUnknownFood, Got: shorten(id), Nearest: r.foods.Nearest(id)})
	return id
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
