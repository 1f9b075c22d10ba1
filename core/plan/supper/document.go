// Package supper is the supper document: it reads one, turns builds into steps, shares the
// oven, and gives a plan with its times of day.
package supper

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"slices"
	"time"
	_ "time/tzdata" // a machine may have none of its own

	"cuerda/core/document"
	"cuerda/core/food/eaters"
	"cuerda/core/keepable"
	"cuerda/core/plan/schedule"
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
	// Zone is that of the kitchen's clock, by the names of the tz database, where the offset of Table does not
	// say enough: the night before may be in summer time.
	Zone string `json:"zone,omitempty" maxLength:"60"`
	// Kitchen is what there is; a kitchen's own where it says nothing.
	Kitchen *SupperKitchen `json:"kitchen,omitempty"`
	Dishes  []SupperDish   `json:"dishes" maxItems:"40"`
	Aim     string         `json:"aim,omitempty" enum:"latest-start,one-cook,quiet-end,day-before,least-oven"`
	// Eaters are the people at the table.
	Eaters *eaters.Eaters `json:"eaters,omitempty"`
	// Pins are steps that begin at a time and at no other: where a cook put them, or when they
	// were begun.
	Pins []SupperPin `json:"pins,omitempty" maxItems:"400"`
	// Now is when it is; what is not pinned begins then at the soonest.
	Now *time.Time `json:"now,omitempty"`
	// ShareOven lets builds bake at another heat, so that dishes go together.
	ShareOven *bool `json:"share_oven,omitempty"`
	// ShareAt is the one heat that builds within 25 K of it bake at, where the cook has chosen; 0 for whichever is
	// best.
	ShareAt float64 `json:"share_at,omitempty" minimum:"0" maximum:"320"`
	// Bought are foods of the shopping that are ticked off.
	Bought []string `json:"bought,omitempty" maxItems:"400"`
}

// SupperPin is a step that begins at a time, or takes longer or shorter than it should, or both.
type SupperPin struct {
	Dish    string     `json:"dish" maxLength:"200"`
	Step    string     `json:"step" maxLength:"200"`
	Start   *time.Time `json:"start,omitempty"`
	Minutes *int       `json:"minutes,omitempty" minimum:"0" maximum:"20160"`
	// Begun says that it has begun, as against having been put there.
	Begun bool `json:"begun,omitempty"`
}

// SupperKitchen is what there is to hold.
type SupperKitchen struct {
	Cooks *int `json:"cooks,omitempty" minimum:"0" maximum:"20"`
	// Ovens there are: an empty list for none, and no list for those of the kitchen.
	Ovens   []SupperOven `json:"ovens,omitzero" maxItems:"8"`
	Burners *int         `json:"burners,omitempty" minimum:"0" maximum:"40"`
	Pans    *int         `json:"pans,omitempty" minimum:"0" maximum:"40"`
	Bowls   *int         `json:"bowls,omitempty" minimum:"0" maximum:"40"`
	// Shelves of a fridge; where it says nothing nobody counts them.
	Shelves *int `json:"shelves,omitempty" minimum:"0" maximum:"40"`
}

// MaxRacks is how many racks an oven has at most, and a step takes up.
const MaxRacks = 20

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
	// At is when this dish is on the table, where that is not when the others are.
	At *time.Time `json:"at,omitempty"`
	// From is the kitchen's build that the build was taken from.
	From *SupperFrom `json:"from,omitempty"`
	// Side is the usual side that the steps began as.
	Side string `json:"side,omitempty" maxLength:"60"`
	// Text is a side as its cook wrote it down, where Steps were read from that.
	Text string `json:"text,omitempty" maxLength:"2000"`
	// Foods are what a side is made of. A side without any is not checked against the guests.
	Foods []SupperFood `json:"foods,omitempty" maxItems:"60"`
	// Boxes are pieces set aside for later days, of all that are made.
	Boxes []SupperBox `json:"boxes,omitempty" maxItems:"14"`
}

// SupperFrom is a build of the kitchen in a version.
type SupperFrom struct {
	Build   string `json:"build" maxLength:"60"`
	Version int    `json:"version" minimum:"1"`
}

// SupperFood is a food of a side.
type SupperFood struct {
	Food  string  `json:"food" maxLength:"80"`
	Grams float64 `json:"grams" minimum:"0" maximum:"100000"`
}

// SupperBox is pieces for a later day.
type SupperBox struct {
	// Day is that day, by the table's calendar.
	Day    string `json:"day" pattern:"^[0-9]{4}-[0-9]{2}-[0-9]{2}$"`
	Pieces int    `json:"pieces" minimum:"1" maximum:"10000"`
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
	Shelves int           `json:"shelves,omitempty" minimum:"0" maximum:"40"`
	After   []SupperAfter `json:"after,omitempty" maxItems:"100"`
}

// InOven is racks at a temperature.
type InOven struct {
	Celsius float64 `json:"celsius" minimum:"30" maximum:"320"`
	Racks   int     `json:"racks,omitempty" minimum:"1" maximum:"20"`
	// Grill is its element, which is hot at once and leaves no room for anything else.
	Grill bool `json:"grill,omitempty"`
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
	Build document.Faults `json:"-"`
}

func (f *Fault) Error() string {
	if f.Build != nil {
		return fmt.Sprintf("%s: %v", f.Pointer, f.Build)
	}
	return fmt.Sprintf("%s: %s %s", f.Pointer, f.Code, f.Got)
}

// The codes of faults, beside those of package schedule.
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
	UnknownZone  = "unknown-zone"
	BadDay       = "bad-day"
	UnknownFood  = "unknown-food"
	UnknownCode  = "unknown-code" // of what somebody leaves out
	NothingBakes = "never-done"   // a build that does not get done
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
	case out.Table.IsZero() || out.Table.Year() < 2000 || !keepable.Time(out.Table):
		return nil, &Fault{Code: NoTable, Pointer: "/table"}
	case out.Aim == "":
		out.Aim = string(schedule.LatestStart)
	}
	if out.Dishes == nil {
		out.Dishes = []SupperDish{} // none yet
	}
	if !slices.Contains(schedule.Aims, schedule.Aim(out.Aim)) {
		return nil, &Fault{Code: UnknownAim, Pointer: "/aim", Got: out.Aim}
	}
	if out.Zone != "" {
		zone, err := time.LoadLocation(out.Zone)
		if err != nil || len(out.Zone) > 60 || out.Zone == "Local" {
			return nil, &Fault{Code: UnknownZone, Pointer: "/zone", Got: out.Zone}
		}
		out.Table = out.Table.In(zone)
	}
	return &out, out.check()
}

// MaxBoxDays is how many days after the table boxes may be for.
const MaxBoxDays = 92

// check looks at what planning does not.
func (s *Supper) check() error {
	if err := s.checkEaters(); err != nil {
		return err
	}
	if !(s.ShareAt >= 0 && s.ShareAt <= 320) {
		return &Fault{Code: OutOfRange, Pointer: "/share_at", Got: fmt.Sprint(s.ShareAt)}
	}
	if !keepable.Text(s.Name, maxName) {
		return &Fault{Code: OutOfRange, Pointer: "/name"}
	}
	for i := range s.Dishes {
		d, at := &s.Dishes[i], fmt.Sprintf("/dishes/%d", i)
		if !keepable.Text(d.Name, maxName) {
			return &Fault{Code: OutOfRange, Pointer: at + "/name"}
		}
		if d.From != nil && (d.From.Version < 0 || d.From.Version > keepable.MaxNumber) {
			return &Fault{Code: OutOfRange, Pointer: at + "/from/version", Got: fmt.Sprint(d.From.Version)}
		}
		boxed := 0
		for n, b := range d.Boxes {
			day, err := time.ParseInLocation(time.DateOnly, b.Day, s.Table.Location())
			if err != nil || daysAfter(s.Table, day) < 0 || daysAfter(s.Table, day) > MaxBoxDays {
				return &Fault{Code: BadDay, Pointer: fmt.Sprintf("%s/boxes/%d/day", at, n), Got: b.Day}
			}
			if boxed += b.Pieces; b.Pieces < 1 || d.Pieces > 0 && boxed > d.Pieces {
				return &Fault{Code: OutOfRange, Pointer: fmt.Sprintf("%s/boxes/%d/pieces", at, n), Got: fmt.Sprint(b.Pieces)}
			}
		}
		for n, f := range d.Foods {
			if !(f.Grams >= 0 && f.Grams <= 100_000) {
				return &Fault{Code: OutOfRange, Pointer: fmt.Sprintf("%s/foods/%d/grams", at, n), Got: fmt.Sprint(f.Grams)}
			}
		}
		if d.At != nil && (d.At.Sub(s.Table).Abs() > maxSittings) {
			return &Fault{Code: OutOfRange, Pointer: at + "/at", Got: d.At.Format(time.RFC3339)}
		}
	}
	for i := range s.Pins {
		p, at := &s.Pins[i], fmt.Sprintf("/pins/%d", i)
		if !keepable.Text(p.Dish, maxName) {
			return &Fault{Code: OutOfRange, Pointer: at + "/dish"}
		}
		if !keepable.Text(p.Step, maxName) {
			return &Fault{Code: OutOfRange, Pointer: at + "/step"}
		}
	}
	return nil
}

// maxName is how long a name is at most, characters.
const maxName = 200

// maxSittings is how far from the table a dish may have its own hour.
const maxSittings = 12 * time.Hour

// daysAfter is how many calendar days one time is after another, in the zone of the first.
func daysAfter(from, to time.Time) int {
	y, m, d := from.Date()
	a := time.Date(y, m, d, 0, 0, 0, 0, time.UTC)
	y, m, d = to.In(from.Location()).Date()
	return int(time.Date(y, m, d, 0, 0, 0, 0, time.UTC).Sub(a).Hours() / 24)
}

func (s *Supper) checkEaters() error {
	e := s.Eaters
	if e == nil {
		return nil
	}
	all := []eaters.Person{{Avoid: e.Avoid, Diet: e.Diet, Wants: e.Wants, Count: 1}}
	all = append(all, e.People...)
	for i, p := range all {
		at := "/eaters"
		if i > 0 {
			at = fmt.Sprintf("/eaters/people/%d", i-1)
		}
		if p.Count < 1 || p.Count > 200 {
			return &Fault{Code: OutOfRange, Pointer: at + "/count", Got: fmt.Sprint(p.Count)}
		}
		for _, c := range append(append(slices.Clone(p.Avoid), p.Wants...), p.Diet) {
			if c != "" && !eaters.Code(c) {
				return &Fault{Code: UnknownCode, Pointer: at, Got: c}
			}
		}
	}
	return nil
}
