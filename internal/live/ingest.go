package live

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"
	"time"

	"cuerda/core/cooking"
	"cuerda/core/cooking/probe"
	"cuerda/internal/device/senml"
)

// Fault is a record of a pack that is set aside, from 0, with why.
type Fault struct {
	Index int
	Code  string
	Got   string
}

// The codes of faults.
const (
	BadName    = "unknown-instrument"
	BadUnit    = "unknown-unit"
	BadValue   = "impossible"
	FromAfter  = "from-the-future"
	FromBefore = "before-the-course"
)

// Taken says what became of a pack of readings.
type Taken struct {
	Kept, Used, Noted, Aside, Late int
	Faults                         []Fault
}

// ahead is how far an instrument's clock may be before the course's.
const ahead = 30 * time.Second

// Readings takes a pack over that an instrument sent: probes in degC or K, a scale in g or kg. What is
// amiss with one record does nothing to the others. Those of probes have been kept once it
// returns; what a scale says is kept as the amount that it becomes.
func (c *Course) Readings(ctx context.Context, pack []senml.Record) (Taken, error) {
	now, _ := c.Now()
	var out Taken
	var probes []cooking.Reading
	counts := &c.hub.Counts
	c.used.Store(c.hub.now().UnixNano())
	refuse := func(i int, code, got string) {
		out.Faults = append(out.Faults, Fault{i, code, got})
		switch code {
		case BadName, BadUnit:
			counts.Unknown.Add(1)
		default:
			counts.Impossible.Add(1)
		}
	}
	type weighed struct {
		at    time.Time
		grams float64
	}
	var scale []weighed
	for i, r := range pack {
		at := now
		if r.Absolute {
			at = r.At
		} else {
			at = now.Add(time.Duration(r.Offset * float64(time.Second)))
		}
		at = at.UTC().Truncate(time.Millisecond)
		switch {
		case at.After(now.Add(ahead)):
			refuse(i, FromAfter, at.Format(time.RFC3339))
			continue
		case at.Before(c.kept.Start.Add(-ahead)):
			refuse(i, FromBefore, at.Format(time.RFC3339))
			continue
		}
		dish, place, ok := instrument(r.Name)
		if !ok {
			refuse(i, BadName, r.Name)
			continue
		}
		value, ok := valueOf(place, r.Unit, r.Value)
		if !ok {
			refuse(i, BadUnit, r.Unit)
			continue
		}
		if place == "scale" {
			if math.IsNaN(value) || math.Abs(value) > 30_000 {
				refuse(i, BadValue, fmt.Sprint(value))
				continue
			}
			scale = append(scale, weighed{at, value})
			continue
		}
		if Impossible(value) {
			refuse(i, BadValue, fmt.Sprint(value))
			continue
		}
		probes = append(probes, cooking.Reading{Dish: dish, Where: probe.Where(place), Source: r.Name, At: at, Celsius: value})
	}
	for _, w := range scale {
		if err := c.weighs(ctx, w.at, w.grams); err != nil {
			return out, err
		}
		out.Noted++
	}
	if len(probes) == 0 {
		return out, nil
	}
	doubled := c.resolve(probes)
	if err := c.hub.keep(ctx, c.ID, probes); err != nil {
		return out, err
	}
	out.Kept = len(probes)
	for i, took := range c.tooks(probes) {
		if doubled[i] {
			took = probe.Noted
		}
		switch took {
		case probe.Used:
			out.Used++
			counts.Used.Add(1)
		case probe.Noted:
			out.Noted++
			counts.Noted.Add(1)
		case probe.Aside:
			out.Aside++
			counts.Aside.Add(1)
		case probe.Late:
			out.Late++
			counts.Late.Add(1)
		}
	}
	return out, nil
}

// resolve gives readings that name no dish the one that they are of now, before they are kept: what comes onto the heat
// later changes nothing of that. doubled says which came before.
func (c *Course) resolve(all []cooking.Reading) (doubled []bool) {
	doubled = make([]bool, len(all))
	c.ask(func() {
		for i := range all {
			if f := c.heatOf(&all[i]); all[i].Dish < 0 && f != nil {
				all[i].Dish = f.Dish
			}
			doubled[i] = c.readings.stands(&all[i])
		}
	})
	return doubled
}

// tooks says what became of readings that have been kept and folded in.
func (c *Course) tooks(all []cooking.Reading) []probe.Took {
	out := make([]probe.Took, len(all))
	of := make([]*following, len(all))
	happened := map[*following][]probe.Happening{}
	c.ask(func() {
		for i := range all {
			out[i] = probe.Noted
			f := c.heatOf(&all[i])
			switch {
			case f == nil && len(c.heat) > 0:
				out[i] = probe.Late // of before it came onto the heat
			case f != nil && f.minutes(all[i].At) <= longest && c.readings.stands(&all[i]):
				of[i], happened[f] = f, f.happened
			}
		}
	})
	slipped := map[*following]bool{}
	for f, known := range happened {
		took := f.engine.takes(known)
		for i := range of {
			if of[i] != f {
				continue
			}
			out[i] = probe.Late // it counts where it belongs, from the next forecast on
			is := probe.Happening{Reading: probe.Reading{Minutes: f.minutes(all[i].At), Where: all[i].Where, Celsius: all[i].Celsius}}
			if n := slices.Index(known, is); n >= 0 && n < len(took) {
				out[i] = took[n]
			}
			slipped[f] = slipped[f] || out[i] == probe.Aside
		}
	}
	c.ask(func() {
		for f := range happened {
			f.stale = f.stale || slipped[f]
		}
		c.forecast()
	})
	return out
}

// instrument reads the name of a record: scale, core, oven or surface, after any name of a
// device, with the dish before it where there are several: dish-2/core.
func instrument(name string) (dish int, place string, ok bool) {
	parts := strings.FieldsFunc(name, func(r rune) bool { return r == '/' || r == ':' })
	if len(parts) == 0 || len(name) > 80 || !slices.Contains([]string{"scale", "core", "oven", "surface"}, parts[len(parts)-1]) {
		return -1, "", false
	}
	if len(parts) > 1 {
		number, named := strings.CutPrefix(parts[len(parts)-2], "dish-")
		if n, err := strconv.Atoi(number); named && err == nil && n >= 1 {
			return n - 1, parts[len(parts)-1], true
		}
	}
	return -1, parts[len(parts)-1], true
}

// valueOf is a value in g or degC.
func valueOf(place, unit string, v float64) (float64, bool) {
	switch {
	case place == "scale" && unit == "g", place != "scale" && unit == "Cel":
		return v, true
	case place == "scale" && unit == "kg":
		return 1000 * v, true
	case place != "scale" && unit == "K":
		return v - 273.15, true
	}
	return 0, false
}
