// Package menu is the supper document: it reads one, turns builds into steps, shares the
// oven, and gives a plan with its times of day.
package menu

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math"
	"time"

	"cuerda/core/food"
	"cuerda/core/formula"
	"cuerda/core/kitchen"
	"cuerda/core/supper"
)

// Format is that of the document.
const Format = "cuerda-supper/1"

// MaxBytes is the largest document that is read.
const MaxBytes = 4 << 20

// Supper is a supper as it is written. What is missing is usual.
type Supper struct {
	Format string    `json:"format" enum:"cuerda-supper/1"`
	Name   string    `json:"name,omitempty" maxLength:"200"`
	Table  time.Time `json:"table" doc:"when it is on the table, RFC 3339 with its offset"`
	// Kitchen is what there is; a kitchen's own where it says nothing.
	Kitchen *SupperKitchen `json:"kitchen,omitempty"`
	Dishes  []SupperDish   `json:"dishes" minItems:"1" maxItems:"40"`
	Aim     string         `json:"aim,omitempty" enum:"latest-start,one-cook,quiet-end,day-before"`
	// Pins are steps that begin at a time and at no other: where a cook put them, or when they
	// were begun.
	Pins []SupperPin `json:"pins,omitempty" maxItems:"400"`
	// Now is when it is; what is not pinned begins then at the soonest.
	Now *time.Time `json:"now,omitempty"`
	// ShareOven lets builds bake at another heat, so that dishes go together.
	ShareOven *bool `json:"share_oven,omitempty"`
}

// SupperPin is a step that begins at a time.
type SupperPin struct {
	Dish  string    `json:"dish" maxLength:"200"`
	Step  string    `json:"step" maxLength:"200"`
	Start time.Time `json:"start"`
}

// SupperKitchen is what there is to hold.
type SupperKitchen struct {
	Cooks   *int         `json:"cooks,omitempty" minimum:"0" maximum:"20"`
	Ovens   []SupperOven `json:"ovens,omitempty" maxItems:"8"`
	Burners *int         `json:"burners,omitempty" minimum:"0" maximum:"40"`
	Pans    *int         `json:"pans,omitempty" minimum:"0" maximum:"40"`
	Bowls   *int         `json:"bowls,omitempty" minimum:"0" maximum:"40"`
}

// SupperOven is one oven.
type SupperOven struct {
	ID            string `json:"id" maxLength:"80"`
	Racks         int    `json:"racks" minimum:"1" maximum:"20"`
	HeatUpMinutes int    `json:"heat_up_minutes,omitempty" minimum:"0" maximum:"240"`
}

// SupperDish is a build, so many pieces of it, or steps.
type SupperDish struct {
	Name   string          `json:"name" maxLength:"200"`
	Build  json.RawMessage `json:"build,omitempty"`
	Pieces int             `json:"pieces,omitempty" minimum:"0" maximum:"10000"`
	Steps  []SupperStep    `json:"steps,omitempty" maxItems:"100"`
	Ready  *SupperWindow   `json:"ready,omitempty"`
}

// SupperWindow is how long before the table a dish is ready, min.
type SupperWindow struct {
	Least int `json:"least" minimum:"0" maximum:"1440"`
	Most  int `json:"most" minimum:"0" maximum:"1440"`
}

// SupperStep is a step of a side.
type SupperStep struct {
	Name    string        `json:"name" maxLength:"200"`
	Minutes int           `json:"minutes" minimum:"0" maximum:"20160"`
	Hands   int           `json:"hands,omitempty" minimum:"0" maximum:"20"`
	Oven    *InOven       `json:"oven,omitempty"`
	Burners int           `json:"burners,omitempty" minimum:"0" maximum:"40"`
	Pans    int           `json:"pans,omitempty" minimum:"0" maximum:"40"`
	Bowls   int           `json:"bowls,omitempty" minimum:"0" maximum:"40"`
	After   []SupperAfter `json:"after,omitempty" maxItems:"100"`
}

// InOven is racks at a temperature.
type InOven struct {
	Celsius float64 `json:"celsius" minimum:"30" maximum:"320"`
	Racks   int     `json:"racks,omitempty" minimum:"1" maximum:"20"`
}

// SupperAfter is a step that comes before, with the shortest and the longest gap, min; as long as
// it likes where Most is missing.
type SupperAfter struct {
	Step  string `json:"step" maxLength:"200"`
	Least int    `json:"least,omitempty" minimum:"0" maximum:"20160"`
	Most  *int   `json:"most,omitempty" minimum:"0" maximum:"20160"`
}

// Fault says where a document makes no sense, and why.
type Fault struct {
	Code    string `json:"code"`
	Pointer string `json:"pointer"`
	// Got is what stands there.
	Got string `json:"got,omitempty"`
	// Build holds the faults of a build within.
	Build formula.Faults `json:"-"`
}

func (f *Fault) Error() string {
	if f.Build != nil {
		return fmt.Sprintf("%s: %v", f.Pointer, f.Build)
	}
	return fmt.Sprintf("%s: %s %s", f.Pointer, f.Code, f.Got)
}

// The codes of faults, beside those of package supper.
const (
	BadJSON      = "bad-json"
	BadFormat    = "bad-format"
	NoTable      = "no-table"
	UnknownAim   = "unknown-aim"
	Both         = "build-or-steps" // neither, or both
	BadBuild     = "bad-build"
	Twice        = "twice"   // a name that stands twice
	UnknownStep  = "no-step" // after one that there is not
	UnknownPin   = "bad-pin"
	TooLate      = "too-late" // the table was before now
	CannotScale  = "cannot-scale"
	OutOfRange   = "out-of-range"
	NothingBakes = "never-done" // a build that does not get done
)

// Read reads a document strictly.
func Read(data []byte) (*Supper, error) {
	d := json.NewDecoder(bytes.NewReader(data))
	d.DisallowUnknownFields()
	var out Supper
	if err := d.Decode(&out); err != nil {
		return nil, &Fault{Code: BadJSON, Got: err.Error()}
	}
	if _, err := d.Token(); !errors.Is(err, io.EOF) {
		return nil, &Fault{Code: BadJSON, Got: "more than one value"}
	}
	switch {
	case out.Format != Format:
		return nil, &Fault{Code: BadFormat, Pointer: "/format", Got: out.Format}
	case out.Table.IsZero() || out.Table.Year() < 2000 || out.Table.Year() > 2500:
		return nil, &Fault{Code: NoTable, Pointer: "/table"}
	case out.Aim == "":
		out.Aim = string(supper.LatestStart)
	}
	for _, a := range supper.Aims {
		if string(a) == out.Aim {
			return &out, nil
		}
	}
	return nil, &Fault{Code: UnknownAim, Pointer: "/aim", Got: out.Aim}
}

// usualWindow is when a side is ready, min before the table.
var usualWindow = SupperWindow{Most: 10}

// wanted is a supper with what its dishes came from.
type wanted struct {
	supper supper.Supper
	builds []*formula.Document // of each dish, nil for a side
}

// kitchenOf is what there is: as the document says, else as the kitchen is.
func kitchenOf(k *SupperKitchen, own *kitchen.Kitchen) (supper.Kitchen, error) {
	out := supper.Kitchen{Cooks: own.Cooks, Burners: own.Burners, Pans: own.Pans, Bowls: own.Bowls}
	for i := range own.Ovens {
		out.Ovens = append(out.Ovens, supper.Oven{ID: fmt.Sprintf("oven %d", i+1), Racks: max(1, own.Racks), HeatUp: int(math.Ceil(own.Figures.Minutes.Preheat))})
	}
	if k == nil {
		return out, nil
	}
	for _, each := range []struct {
		name  string
		given *int
		to    *int
	}{{"cooks", k.Cooks, &out.Cooks}, {"burners", k.Burners, &out.Burners}, {"pans", k.Pans, &out.Pans}, {"bowls", k.Bowls, &out.Bowls}} {
		if each.given == nil {
			continue
		}
		if *each.given < 0 || *each.given > 40 {
			return out, &Fault{Code: OutOfRange, Pointer: "/kitchen/" + each.name, Got: fmt.Sprint(*each.given)}
		}
		*each.to = *each.given
	}
	if k.Ovens == nil {
		return out, nil
	}
	out.Ovens = nil
	seen := map[string]bool{}
	for i, o := range k.Ovens {
		at := fmt.Sprintf("/kitchen/ovens/%d", i)
		switch {
		case o.Racks < 1 || o.Racks > 20 || o.HeatUpMinutes < 0 || o.HeatUpMinutes > 240:
			return out, &Fault{Code: OutOfRange, Pointer: at}
		case seen[o.ID]:
			return out, &Fault{Code: Twice, Pointer: at + "/id", Got: o.ID}
		}
		seen[o.ID] = true
		out.Ovens = append(out.Ovens, supper.Oven{ID: o.ID, Racks: o.Racks, HeatUp: o.HeatUpMinutes})
	}
	return out, nil
}

// want turns a document into what is to be planned.
func want(d *Supper, k *kitchen.Kitchen) (*wanted, error) {
	out := &wanted{}
	var err error
	if out.supper.Kitchen, err = kitchenOf(d.Kitchen, k); err != nil {
		return nil, err
	}
	out.supper.Aim = supper.Aim(d.Aim)
	if out.supper.Aim == supper.DayBefore {
		out.supper.Night = night(d.Table)
	}
	for i := range d.Dishes {
		at := fmt.Sprintf("/dishes/%d", i)
		dish := &d.Dishes[i]
		if (dish.Build == nil) == (len(dish.Steps) == 0) {
			return nil, &Fault{Code: Both, Pointer: at}
		}
		if dish.Build != nil {
			build, err := buildOf(dish, k, at)
			if err != nil {
				return nil, err
			}
			made, err := ofBuild(dish, build, k, at)
			if err != nil {
				return nil, err
			}
			out.supper.Dishes, out.builds = append(out.supper.Dishes, *made), append(out.builds, build)
			continue
		}
		made, err := ofSteps(dish, at)
		if err != nil {
			return nil, err
		}
		out.supper.Dishes, out.builds = append(out.supper.Dishes, *made), append(out.builds, nil)
	}
	return out, out.pin(d)
}

// before is how long before the table a time is, in whole minutes.
func before(table, at time.Time) int { return int(table.Sub(at) / time.Minute) }

// pin takes over what is pinned, and now.
func (w *wanted) pin(d *Supper) error {
	if d.Now != nil {
		if w.supper.Now = before(d.Table, *d.Now); w.supper.Now <= 0 {
			return &Fault{Code: TooLate, Pointer: "/now"}
		}
	}
	for i, p := range d.Pins {
		at := supper.Pin{Ref: supper.Ref{Dish: -1, Step: -1}, Start: before(d.Table, p.Start)}
		for dish := range w.supper.Dishes {
			if w.supper.Dishes[dish].Name != p.Dish {
				continue
			}
			at.Dish = dish
			for step := range w.supper.Dishes[dish].Steps {
				if w.supper.Dishes[dish].Steps[step].Name == p.Step {
					at.Step = step
				}
			}
			break
		}
		if at.Step < 0 {
			return &Fault{Code: UnknownPin, Pointer: fmt.Sprintf("/pins/%d", i), Got: p.Dish + ", " + p.Step}
		}
		w.supper.Pins = append(w.supper.Pins, at)
	}
	return nil
}

// night is how long before the table the evening before ends, at ten, min.
func night(table time.Time) int { return table.Hour()*60 + table.Minute() + 120 }

func ofSteps(dish *SupperDish, at string) (*supper.Dish, error) {
	out := &supper.Dish{Name: dish.Name, Least: usualWindow.Least, Most: usualWindow.Most}
	if dish.Ready != nil {
		out.Least, out.Most = dish.Ready.Least, dish.Ready.Most
	}
	index := map[string]int{}
	for i := range dish.Steps {
		if _, there := index[dish.Steps[i].Name]; there {
			return nil, &Fault{Code: Twice, Pointer: fmt.Sprintf("%s/steps/%d/name", at, i), Got: dish.Steps[i].Name}
		}
		index[dish.Steps[i].Name] = i
	}
	for i := range dish.Steps {
		from := &dish.Steps[i]
		step := supper.Step{Name: from.Name, Minutes: from.Minutes, Hands: from.Hands, Burners: from.Burners, Pans: from.Pans, Bowls: from.Bowls}
		if from.Oven != nil {
			step.Racks, step.Celsius = max(1, from.Oven.Racks), from.Oven.Celsius
			if !(step.Celsius >= 30 && step.Celsius <= 320) {
				return nil, &Fault{Code: OutOfRange, Pointer: fmt.Sprintf("%s/steps/%d/oven/celsius", at, i)}
			}
		}
		for n, a := range from.After {
			before, there := index[a.Step]
			if !there {
				return nil, &Fault{Code: UnknownStep, Pointer: fmt.Sprintf("%s/steps/%d/after/%d/step", at, i, n), Got: a.Step}
			}
			g := supper.Gap{Step: before, Least: a.Least, Most: supper.Whenever}
			if a.Most != nil {
				g.Most = *a.Most
			}
			step.After = append(step.After, g)
		}
		out.Steps = append(out.Steps, step)
	}
	return out, nil
}

// readBuild reads the build of a dish.
func readBuild(dish *SupperDish, foods *food.Catalogue, at string) (*formula.Document, error) {
	build, err := formula.Read(dish.Build, foods)
	var faults formula.Faults
	if errors.As(err, &faults) {
		return nil, &Fault{Code: BadBuild, Pointer: at + "/build", Build: faults}
	}
	return build, err
}
