package live

import (
	"context"
	"encoding/json"
	"slices"
	"strings"
	"time"

	"cuerda/core/cooking"
	"cuerda/core/cooking/probe"
	"cuerda/core/document"
	"cuerda/core/learn/logbook"
	"cuerda/internal/device"
	"cuerda/internal/store"
)

// keepTry keeps what a dish taught. What was simulated, hurried or left alone is kept and teaches
// nothing, until somebody asks for that.
func (c *Course) keepTry(ctx context.Context, dish int) error {
	var document document.Document
	var out logbook.Found
	var at time.Time
	ok := false
	c.ask(func() {
		if dish < 0 || dish >= len(c.plan.Dishes) || len(c.state.Dishes[dish].Found) == 0 {
			return
		}
		if document, ok = cooking.Actual(c.plan, c.state, dish, c.now()); ok {
			out, at = c.findings(dish), c.state.Dishes[dish].Found[0].At
		}
	})
	if !ok {
		return nil
	}
	text, err := json.Marshal(&document)
	if err != nil {
		return err
	}
	found, err := json.Marshal(out)
	if err != nil {
		return err
	}
	t := &store.Try{Course: c.ID, Dish: dish, CookedAt: at, Document: text, Found: found, LeftOut: out.Unsure != ""}
	if from := c.plan.Dishes[dish].From; from != nil {
		t.Build, t.Version = from.Build, from.Version
	}
	if c.hub.Keep != nil {
		return c.hub.Keep(ctx, c.KitchenID, t, &document)
	}
	return c.hub.Store.KeepTry(ctx, c.KitchenID, t)
}

// findings are how a dish came out: what the cooks said, and what instruments did.
func (c *Course) findings(dish int) logbook.Found {
	d := &c.state.Dishes[dish]
	out := together(d.Found)
	out.Pieces = c.plan.Dishes[dish].Pieces
	if n := len(d.Felt); n > 0 {
		out.Squeeze = d.Felt[n-1].Word
	}
	switch {
	case c.state.Hurried:
		out.Unsure = logbook.Hurried
	case c.state.Simulated:
		out.Unsure = logbook.Simulated
	}
	for at, f := range c.heat {
		step := &d.Steps[at.Step]
		if at.Dish != dish || step.Done == nil {
			continue
		}
		took := step.Done.Sub(f.begun).Minutes()
		out.OffAtMinutes = &took
		if step.Below != nil {
			out.Below = &logbook.Below{Celsius: *step.Below, GoalCelsius: c.plan.Dishes[dish].Target.Celsius}
		}
		if out.Unsure == "" && c.leftAlone(step, f) {
			out.Unsure = logbook.LeftAlone
		}
		for i := range f.of {
			h := &f.of[i]
			if strings.HasPrefix(h.Source, device.Maker) && out.Unsure == "" {
				out.Unsure = logbook.Simulated
			}
			if h.Where == probe.Core && !h.At.After(*step.Done) {
				out.CoreCelsius = &h.Celsius
			}
		}
		// Only what hangs in an oven measures it.
		if _, measured := f.last[probe.Oven]; measured && f.forecasted != nil && c.plan.Dishes[dish].Steps[at.Step].Racks > 0 {
			oven := f.forecasted.Oven.Value
			out.OvenCelsius = &oven
		}
	}
	return out
}

// forgotten is how long after it was to come off the heat a dish is taken to have been left to itself:
// nobody leaves pieces on so long, but cooks forget to say that they took them off.
const forgotten = 20 * time.Minute

// leftAlone says whether nobody told when a dish came off the heat until long after it was to.
func (c *Course) leftAlone(step *cooking.StepState, f *following) bool {
	due := step.Due
	if due == nil {
		planned := f.met.Add(time.Duration(float64(c.plan.Dishes[f.Dish].Steps[f.Step].Minutes)*float64(time.Minute) + step.More*float64(time.Minute)))
		due = &planned
	}
	return step.Done.Sub(*due) > forgotten
}

// together is what all cooks said of one dish: the words of the first, with the worse of how it held,
// what the first left unsaid by the next, and what each of the others said beside it.
func together(said []cooking.Said) logbook.Found {
	out := said[0].Logbook()
	for _, s := range said[1:] {
		if slices.Index(logbook.Holds, s.Hold) > slices.Index(logbook.Holds, out.Hold) {
			out.Hold = s.Hold
		}
		if out.Bite == "" {
			out.Bite = s.Bite
		}
		if out.Shaped == "" {
			out.Shaped = s.Shaped
		}
		if s.Photo != "" && !slices.Contains(out.AllPhotos(), s.Photo) && len(out.AllPhotos()) < logbook.MaxPhotos {
			out.Photos = append(out.Photos, s.Photo)
		}
		if len(out.Others) < logbook.MaxVoices {
			out.Others = append(out.Others, logbook.Voice{By: s.By, Hold: s.Hold, Bite: s.Bite, Shaped: s.Shaped, Note: s.Note})
		}
	}
	return out
}
