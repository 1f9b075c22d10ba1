// Package wire is what the core computes as it is told outside: JSON names, how many
// digits are told of each figure, and the words that a field may hold. Its types mirror
// those of core field by field; Of fills them. The core itself rounds nothing.
package wire

import (
	"fmt"
	"math"
	"reflect"
	"strconv"
	"strings"
	"sync"
)

// Of tells a result of the core as an answer of type T, each figure rounded to the
// decimals that its field's digits tag gives: "1", or "1+" where what is tiny keeps three
// significant digits, so that a ratio of it still makes sense. It panics where T has a
// field that the result has not, or one of another kind: a mistake of the program, found
// by the first use of the pair.
func Of[T any](result any) T {
	var out T
	to, from := reflect.ValueOf(&out).Elem(), reflect.ValueOf(result)
	if from.Kind() == reflect.Pointer {
		from = from.Elem()
	}
	fillerOf(from.Type(), to.Type(), exact)(to, from)
	return out
}

// digits is how a figure is told.
type digits struct {
	rounded  bool
	decimals int
	tiny     bool // with three significant digits where it is
}

// exact is for a figure that is told as it is.
var exact digits

func digitsOf(field reflect.StructField) digits {
	tag, given := field.Tag.Lookup("digits")
	if !given {
		return exact
	}
	number, tiny := strings.CutSuffix(tag, "+")
	n, err := strconv.Atoi(number)
	if err != nil || n < 0 || n > 9 {
		panic(fmt.Sprintf("answer: field %s: digits %q", field.Name, tag))
	}
	return digits{rounded: true, decimals: n, tiny: tiny}
}

func (d digits) of(x float64) float64 {
	switch {
	case !d.rounded:
		return x
	case d.tiny:
		return Tidy(x, d.decimals)
	}
	scale := math.Pow10(d.decimals)
	return math.Round(x*scale) / scale
}

// filler sets one value to what another says.
type filler func(to, from reflect.Value)

type pair struct {
	from, to reflect.Type
	digits   digits
}

// fillers keeps those of each pair of types once they are made.
var fillers sync.Map

func fillerOf(from, to reflect.Type, d digits) filler {
	key := pair{from, to, d}
	if f, made := fillers.Load(key); made {
		return f.(filler)
	}
	f := makeFiller(from, to, d)
	fillers.Store(key, f)
	return f
}

func makeFiller(from, to reflect.Type, d digits) filler {
	switch {
	case from.Kind() == reflect.Float64 && to.Kind() == reflect.Float64:
		return func(to, from reflect.Value) { to.SetFloat(d.of(from.Float())) }
	case from == to && (d == exact || !figures(from)):
		return func(to, from reflect.Value) { to.Set(from) }
	case from.Kind() == reflect.Pointer && to.Kind() == reflect.Pointer:
		each := fillerOf(from.Elem(), to.Elem(), d)
		return func(to, from reflect.Value) {
			if !from.IsNil() {
				made := reflect.New(to.Type().Elem())
				each(made.Elem(), from.Elem())
				to.Set(made)
			}
		}
	case from.Kind() == reflect.Slice && to.Kind() == reflect.Slice:
		each := fillerOf(from.Elem(), to.Elem(), d)
		return func(to, from reflect.Value) {
			if from.IsNil() {
				return
			}
			n := from.Len()
			to.Set(reflect.MakeSlice(to.Type(), n, n))
			for i := range n {
				each(to.Index(i), from.Index(i))
			}
		}
	case from.Kind() == reflect.Struct && to.Kind() == reflect.Struct:
		return makeStructFiller(from, to)
	case from.ConvertibleTo(to) && from.Kind() == to.Kind():
		return func(to, from reflect.Value) { to.Set(from.Convert(to.Type())) }
	}
	panic(fmt.Sprintf("answer: %s cannot be told as %s", from, to))
}

func makeStructFiller(from, to reflect.Type) filler {
	type step struct {
		to   int
		from []int
		fill filler
		// list says that a list which holds nothing is told as such: the description knows no null there.
		list bool
	}
	steps := make([]step, 0, to.NumField())
	for i := range to.NumField() {
		field := to.Field(i)
		source, there := from.FieldByName(field.Name)
		if !there {
			panic(fmt.Sprintf("answer: %s has no %s for %s", from, field.Name, to))
		}
		_, options, _ := strings.Cut(field.Tag.Get("json"), ",")
		list := field.Type.Kind() == reflect.Slice && options == "" && field.Tag.Get("nullable") == ""
		steps = append(steps, step{i, source.Index, fillerOf(source.Type, field.Type, digitsOf(field)), list})
	}
	return func(to, from reflect.Value) {
		for i := range steps {
			s := &steps[i]
			s.fill(to.Field(s.to), from.FieldByIndex(s.from))
			if field := to.Field(s.to); s.list && field.IsNil() {
				field.Set(reflect.MakeSlice(field.Type(), 0, 0))
			}
		}
	}
}

// figures says whether rounding would change anything in such a value.
func figures(t reflect.Type) bool {
	switch t.Kind() {
	case reflect.Float64:
		return true
	case reflect.Pointer, reflect.Slice:
		return figures(t.Elem())
	}
	return false
}

// Tidy rounds to that many decimals; what is tiny keeps three significant digits. What is
// no number is told as 0.
func Tidy(x float64, decimals int) float64 {
	if x == 0 || math.IsInf(x, 0) || math.IsNaN(x) {
		return 0
	}
	scale := math.Pow10(decimals)
	if r := math.Round(x*scale) / scale; math.Abs(r) >= 50/scale {
		return r
	}
	scale = math.Pow10(max(decimals, 2-int(math.Floor(math.Log10(math.Abs(x))))))
	if math.IsInf(scale, 0) {
		return 0
	}
	return math.Round(x*scale) / scale
}
