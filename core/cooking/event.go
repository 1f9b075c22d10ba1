package cooking

import (
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"cuerda/core/keepable"
	"cuerda/core/learn/logbook"
	"cuerda/core/physics/mix"
)

// Kind is what an event says.
type Kind string

// The kinds.
const (
	Begun     Kind = "begun"     // a step: put in, put on, in hand
	Done      Kind = "done"      // a step; of the cooking, off the heat
	Undone    Kind = "undone"    // a step, after all
	Weighed   Kind = "weighed"   // an amount that went in
	Unweighed Kind = "unweighed" // an amount that did not, after all
	Felt      Kind = "felt"      // how a handful is when squeezed
	Added     Kind = "added"     // a food by the spoon, to mend the mix
	Unadded   Kind = "unadded"   // one that was not added, after all: Name is the ID of its event
	Turned    Kind = "turned"    // the pieces of a dish
	Batch     Kind = "batch"     // the next one of a step is in
	Placed    Kind = "placed"    // the probe, anew
	TimerSet  Kind = "timer"     // one of the cook's own
	TimerOff  Kind = "timeroff"  // ended, or not wanted
	Silenced  Kind = "silenced"  // an alarm
	Longer    Kind = "longer"    // a step takes so many minutes more
	Found     Kind = "found"     // how a dish came out
	Ended     Kind = "ended"     // the course
	Heated    Kind = "heated"    // an oven that was turned on, or up: Step says which heat of the plan
	Clock     Kind = "clock"     // the course's clock goes so many times as fast from now on
	Due       Kind = "due"       // the probes first said that a dish is to come off the heat
)

// Kinds lists them all.
var Kinds = []Kind{Begun, Done, Undone, Weighed, Unweighed, Felt, Added, Unadded, Turned, Batch, Placed, TimerSet, TimerOff, Silenced, Longer, Found, Ended, Heated, Clock, Due}

// SimulatedDevice is the device of events that simulated instruments make.
const SimulatedDevice = "simulated"

// How an amount was measured.
const (
	ByScale  = "scale"
	ByHand   = "hand"
	BySpoons = "spoons"
)

// Event is one thing that happened, or that somebody says did. What of it counts is by its
// kind; the rest is left empty.
type Event struct {
	// ID is the device's own, so that what is sent twice counts once.
	ID string    `json:"id" maxLength:"64"`
	At time.Time `json:"at" required:"false" doc:"by the course's clock; now where it says nothing"`
	// Device is who says so.
	Device string `json:"device,omitempty" maxLength:"80"`
	Kind   Kind   `json:"kind" enum:"begun,done,undone,weighed,unweighed,felt,added,unadded,turned,batch,placed,timer,timeroff,silenced,longer,found,ended,heated,clock,due"`
	Dish   int    `json:"dish,omitempty" minimum:"0" maximum:"39"`
	Step   int    `json:"step,omitempty" minimum:"0" maximum:"399"`
	Line   int    `json:"line,omitempty" minimum:"0" maximum:"999"`
	// Grams that went in.
	Grams float64 `json:"grams,omitempty" minimum:"0" maximum:"100000"`
	How   string  `json:"how,omitempty" enum:"scale,hand,spoons"`
	// Word is how it feels; "" where the cook goes on without a squeeze.
	Word mix.Word `json:"word,omitempty" enum:"crumbles,short,firm,tacky,slack,slumps"`
	Food string   `json:"food,omitempty" maxLength:"80"`
	// Name is that of a timer, or which alarm.
	Name string `json:"name,omitempty" maxLength:"80"`
	// Minutes of a timer, to wait after an addition, or more of a step.
	Minutes float64 `json:"minutes,omitempty" minimum:"-1440" maximum:"1440"`
	Speed   float64 `json:"speed,omitempty" minimum:"1" maximum:"60"`
	// Celsius is what the coldest place was made out to be as a cook took pieces off the heat below
	// their goal and said so, degC.
	Celsius *float64  `json:"celsius,omitempty" minimum:"-45" maximum:"400"`
	Found   *Findings `json:"found,omitempty"`
}

// Findings are how a dish came out: three taps, and what there is to say.
type Findings struct {
	// Hold is whether pieces held, Bite how they were to eat.
	Hold string `json:"hold,omitempty" enum:"held,some-broke,fell-apart"`
	Bite string `json:"bite,omitempty" enum:"dry,right,wet"`
	// Shaped is how it was in the hand.
	Shaped string `json:"shaped,omitempty" enum:"easy,sticky,crumbly"`
	Note   string `json:"note,omitempty" maxLength:"2000"`
	// Photo is the ID of a picture that was kept.
	Photo string `json:"photo,omitempty" maxLength:"64"`
}

// Refusal says why a command is not taken.
type Refusal struct {
	Code string
	Got  string
}

func (r *Refusal) Error() string { return fmt.Sprintf("%s %s", r.Code, r.Got) }

// The codes of refusals.
const (
	UnknownKind  = "unknown-kind"
	UnknownStep  = "unknown-step"
	UnknownLine  = "unknown-line"
	UnknownWord  = "unknown-word"
	UnknownFood  = "unknown-food"
	OutOfRange   = "out-of-range"
	NoID         = "no-id"
	FromAfter    = "from-the-future"
	FromBefore   = "before-the-course"
	OverAlready  = "over" // the course
	NothingBuilt = "no-build"
	Unreadable   = "unreadable" // a text that is too long, or none
)

// maxText is how long a name, a device or a food is at most, characters.
const maxText = 80

// ahead is how far a device's clock may be before the course's.
const ahead = time.Minute

// Decide makes an event of a command, or gives a *Refusal. now is the time by the course's
// clock; a command without a time is of now. What could be is taken, whatever the plan says:
// the cook is the one who knows what was done.
func Decide(p *Plan, s *State, c Event, now time.Time) (Event, error) {
	if c.ID = strings.TrimSpace(c.ID); !keepable.ID(c.ID) {
		return c, &Refusal{Code: NoID}
	}
	for _, text := range []string{c.Device, c.Name, c.Food, c.How, string(c.Word)} {
		if !keepable.Text(text, maxText) {
			return c, &Refusal{Code: Unreadable}
		}
	}
	if c.At.IsZero() {
		c.At = now
	}
	c.At = c.At.UTC().Truncate(time.Millisecond)
	switch {
	case !slices.Contains(Kinds, c.Kind):
		return c, &Refusal{UnknownKind, string(c.Kind)}
	case c.At.After(now.Add(ahead)):
		return c, &Refusal{FromAfter, c.At.Format(time.RFC3339)}
	case c.At.Before(s.Start.Add(-ahead)):
		return c, &Refusal{FromBefore, c.At.Format(time.RFC3339)}
	case c.Kind == Weighed && c.How != "" && c.How != ByScale && c.How != ByHand && c.How != BySpoons:
		return c, &Refusal{UnknownWord, c.How}
	case s.Over(c.At) && c.Kind != Found && c.Kind != Ended && c.Kind != Undone:
		return c, &Refusal{Code: OverAlready}
	}
	if c.At.After(now) {
		c.At = now.UTC().Truncate(time.Millisecond)
	}
	return c.counted(), check(p, &c)
}

// counted is an event with what counts by its kind, and the rest left empty.
func (e Event) counted() Event {
	out := Event{ID: e.ID, At: e.At, Device: e.Device, Kind: e.Kind}
	switch e.Kind {
	case TimerSet:
		out.Name, out.Minutes = e.Name, e.Minutes
	case TimerOff, Silenced:
		out.Name = e.Name
	case Ended:
	case Heated:
		out.Step = e.Step
	case Clock:
		out.Speed = e.Speed
	case Felt:
		out.Dish, out.Word = e.Dish, e.Word
	case Added:
		out.Dish, out.Food, out.Grams, out.Minutes = e.Dish, e.Food, e.Grams, e.Minutes
	case Unadded:
		out.Dish, out.Name = e.Dish, e.Name
	case Turned, Placed:
		out.Dish = e.Dish
	case Found:
		out.Dish, out.Found = e.Dish, e.Found
	case Weighed:
		out.Dish, out.Step, out.Line, out.Grams, out.How = e.Dish, e.Step, e.Line, e.Grams, e.How
	case Unweighed:
		out.Dish, out.Step, out.Line = e.Dish, e.Step, e.Line
	case Longer:
		out.Dish, out.Step, out.Minutes = e.Dish, e.Step, e.Minutes
	case Done:
		out.Dish, out.Step, out.Celsius = e.Dish, e.Step, e.Celsius
	case Begun, Undone, Batch, Due:
		out.Dish, out.Step = e.Dish, e.Step
	}
	return out
}

// Whole gives a *Refusal for an event that no course of that plan can have.
func Whole(p *Plan, e *Event) error {
	switch {
	case !keepable.ID(e.ID):
		return &Refusal{Code: NoID}
	case !keepable.Time(e.At):
		return &Refusal{OutOfRange, e.At.Format(time.RFC3339)}
	case !slices.Contains(Kinds, e.Kind):
		return &Refusal{UnknownKind, string(e.Kind)}
	}
	return check(p, e)
}

func check(p *Plan, c *Event) error {
	celsius := 0.
	if c.Celsius != nil {
		celsius = *c.Celsius
	}
	for _, v := range []float64{c.Grams, c.Minutes, c.Speed, celsius} {
		if math.IsNaN(v) || math.IsInf(v, 0) {
			return &Refusal{OutOfRange, fmt.Sprint(v)}
		}
	}
	var dish *Dish
	if c.Kind != TimerSet && c.Kind != TimerOff && c.Kind != Silenced && c.Kind != Ended && c.Kind != Clock && c.Kind != Heated {
		if c.Dish < 0 || c.Dish >= len(p.Dishes) {
			return &Refusal{UnknownStep, fmt.Sprint(c.Dish)}
		}
		dish = &p.Dishes[c.Dish]
	}
	switch c.Kind {
	case Begun, Done, Undone, Weighed, Unweighed, Batch, Longer, Due:
		if c.Step < 0 || c.Step >= len(dish.Steps) {
			return &Refusal{UnknownStep, fmt.Sprint(c.Step)}
		}
	}
	switch c.Kind {
	case Done:
		return between(celsius, -45, 400)
	case Weighed, Unweighed:
		if !slices.ContainsFunc(dish.Steps[c.Step].Weigh, func(w Weigh) bool { return w.Line == c.Line }) {
			return &Refusal{UnknownLine, fmt.Sprint(c.Line)}
		}
		return between(c.Grams, 0, 100_000)
	case Felt:
		if dish.Build == nil {
			return &Refusal{Code: NothingBuilt}
		}
		if c.Word != "" && !slices.Contains(mix.SqueezeWords, c.Word) {
			return &Refusal{UnknownWord, string(c.Word)}
		}
	case Added:
		if dish.Build == nil {
			return &Refusal{Code: NothingBuilt}
		}
		if c.Food == "" || len(c.Food) > 80 {
			return &Refusal{UnknownFood, c.Food}
		}
		if err := between(c.Minutes, 0, 240); err != nil {
			return err
		}
		return between(c.Grams, 0.1, 100_000)
	case TimerSet:
		return between(c.Minutes, 0.1, 1440)
	case Longer:
		return between(c.Minutes, -1440, 1440)
	case Heated:
		if c.Step < 0 || c.Step >= len(p.Heats) {
			return &Refusal{UnknownStep, fmt.Sprint(c.Step)}
		}
	case Clock:
		return between(c.Speed, 1, 60)
	case Found:
		return c.Found.check()
	}
	return nil
}

// check holds them to what a logbook takes.
func (f *Findings) check() error {
	if f == nil {
		return &Refusal{UnknownWord, ""}
	}
	found := f.Logbook()
	var wrong *logbook.WrongError
	switch err := found.Check(); {
	case !errors.As(err, &wrong):
		return err
	case wrong.Field == "note":
		return &Refusal{Code: OutOfRange}
	default:
		return &Refusal{UnknownWord, wrong.Got}
	}
}

// Logbook is what they are of a try.
func (f *Findings) Logbook() logbook.Found {
	return logbook.Found{Hold: f.Hold, Bite: f.Bite, Shaped: f.Shaped, Note: f.Note, Photo: f.Photo}
}

func between(v, least, most float64) error {
	if v < least || v > most {
		return &Refusal{OutOfRange, fmt.Sprint(v)}
	}
	return nil
}
