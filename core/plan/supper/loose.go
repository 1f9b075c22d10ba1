package supper

import (
	"errors"
	"fmt"
	"slices"

	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
)

// Unheld is a pin that a plan does without, because it cannot be held.
type Unheld struct {
	// Pin is its index in the document.
	Pin  int
	Code string
}

// Why a pin cannot be held.
const (
	PastTable = "past-table" // the step would end after its dish is on the table
	AtOdds    = "at-odds"    // with what comes before or after it, or with what the kitchen has
	NoStep    = "no-step"    // the dish has no such step, for it was changed since
)

// MakeLoose is Make where pins need not all be held: those that cannot be are left out of the plan, as
// few as can be, the one that was set last before the others. What has begun is no choice any more and
// stays. Its errors are those of Make for a supper that cannot be planned without pins either.
func (b *Baker) MakeLoose(d *Supper, k *kitchen.Kitchen, o Options) (*Planned, []Unheld, error) {
	planned, err := b.Make(d, k, o)
	if err == nil || len(d.Pins) == 0 || !aboutPins(err) {
		return planned, nil, err
	}
	out := b.impossible(d, k)
	without := func(out []Unheld) (*Planned, error) {
		loose := *d
		loose.Pins = nil
		for i := range d.Pins {
			switch at := slices.IndexFunc(out, func(u Unheld) bool { return u.Pin == i }); {
			case at < 0:
				loose.Pins = append(loose.Pins, d.Pins[i])
			case out[at].Code != NoStep && d.Pins[i].Minutes != nil: // how long it takes is no matter of when
				kept := d.Pins[i]
				kept.Start, kept.Begun = nil, false
				loose.Pins = append(loose.Pins, kept)
			}
		}
		return b.Make(&loose, k, o)
	}
	if len(out) > 0 {
		if planned, err := without(out); err == nil || !aboutPins(err) {
			return planned, out, err
		}
	}
	free := func(i int) bool {
		return d.Pins[i].Start != nil && !d.Pins[i].Begun && !slices.ContainsFunc(out, func(u Unheld) bool { return u.Pin == i })
	}
	all := slices.Clone(out)
	for i := len(d.Pins) - 1; i >= 0; i-- {
		if !free(i) {
			continue
		}
		one := append(slices.Clone(out), Unheld{i, AtOdds})
		if planned, err := without(one); err == nil {
			return planned, one, nil
		}
		all = append(all, Unheld{i, AtOdds})
		if planned, err := without(all); err == nil {
			return planned, all, nil
		}
	}
	return nil, nil, err
}

// aboutPins says whether leaving pins out could help.
func aboutPins(err error) bool {
	var odds *schedule.AtOddsError
	var fault *Fault
	var bad *schedule.Fault
	switch {
	case errors.As(err, &odds), errors.Is(err, schedule.ErrNoPlan):
		return true
	case errors.As(err, &fault):
		return fault.Code == UnknownPin
	case errors.As(err, &bad):
		return bad.Code == "bad-pin"
	}
	return false
}

// impossible are the pins that could not be held whatever else there was.
func (b *Baker) impossible(d *Supper, k *kitchen.Kitchen) (out []Unheld) {
	bare := *d
	bare.Pins = nil
	w, err := b.want(&bare, k)
	if err != nil {
		return nil
	}
	seen := map[string]bool{}
	for i, p := range d.Pins {
		at := w.find(p.Dish, p.Step)
		key := fmt.Sprintf("%q %q", p.Dish, p.Step)
		if at.Step < 0 || p.Start == nil && p.Minutes == nil || seen[key] {
			out = append(out, Unheld{i, NoStep})
			continue
		}
		seen[key] = true
		dish := &w.supper.Dishes[at.Dish]
		minutes := dish.Steps[at.Step].Minutes
		if p.Minutes != nil {
			minutes = *p.Minutes
		}
		if p.Start != nil && !p.Begun && before(w.last, *p.Start)-minutes < dish.Least {
			out = append(out, Unheld{i, PastTable})
		}
	}
	return out
}
