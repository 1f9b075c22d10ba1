package supper

import (
	"fmt"
	"reflect"
	"strconv"
	"strings"
	"time"
	"unicode/utf8"
)

// CheckBounds gives a *Fault for the first number, text or list that is outside of what the types here say of it (minimum,
// maximum, maxLength, maxItems), which is what descriptions are made of. What was kept before it was looked at is read all
// the same.
func (s *Supper) CheckBounds() error {
	if fault := outside(reflect.ValueOf(s).Elem(), ""); fault != nil {
		return fault
	}
	return nil
}

// outside looks at the fields of a struct, and at what they hold.
func outside(v reflect.Value, at string) *Fault {
	for i := range v.NumField() {
		field := v.Type().Field(i)
		name, options, _ := strings.Cut(field.Tag.Get("json"), ",")
		if !field.IsExported() || name == "-" {
			continue
		}
		value, here := v.Field(i), at
		if !field.Anonymous || name != "" {
			here = at + "/" + name
		}
		for value.Kind() == reflect.Pointer {
			if value.IsNil() {
				break
			}
			value = value.Elem()
		}
		if value.Kind() == reflect.Pointer || value.IsZero() && strings.Contains(options, "omitempty") && v.Field(i).Kind() != reflect.Pointer {
			continue
		}
		if fault := outsideOf(field.Tag, value, here); fault != nil {
			return fault
		}
	}
	return nil
}

func outsideOf(tag reflect.StructTag, value reflect.Value, at string) *Fault {
	wrong := func(got any) *Fault { return &Fault{Code: OutOfRange, Pointer: at, Got: fmt.Sprint(got)} }
	beyond := func(n float64) bool {
		least, ofLeast := strconv.ParseFloat(tag.Get("minimum"), 64)
		most, ofMost := strconv.ParseFloat(tag.Get("maximum"), 64)
		return ofLeast == nil && !(n >= least) || ofMost == nil && !(n <= most)
	}
	switch value.Kind() {
	case reflect.Int, reflect.Int64:
		if beyond(float64(value.Int())) {
			return wrong(value.Int())
		}
	case reflect.Float64:
		if beyond(value.Float()) {
			return wrong(value.Float())
		}
	case reflect.String:
		if most, err := strconv.Atoi(tag.Get("maxLength")); err == nil && utf8.RuneCountInString(value.String()) > most {
			return wrong(most)
		}
	case reflect.Slice:
		if value.Type().Elem().Kind() == reflect.Uint8 {
			return nil // a build, which is read by itself
		}
		if most, err := strconv.Atoi(tag.Get("maxItems")); err == nil && value.Len() > most {
			return wrong(value.Len())
		}
		for i := range value.Len() {
			one := value.Index(i)
			if one.Kind() == reflect.Struct && one.Type() != reflect.TypeFor[time.Time]() {
				if fault := outside(one, at+"/"+strconv.Itoa(i)); fault != nil {
					return fault
				}
			}
		}
	case reflect.Struct:
		if value.Type() != reflect.TypeFor[time.Time]() {
			return outside(value, at)
		}
	}
	return nil
}
