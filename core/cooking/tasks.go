package cooking

import (
	"cmp"
	"fmt"
	"slices"
	"time"

	"cuerda/core/physics/mix"
	"cuerda/core/plan/schedule"
)

// What there is to do.
const (
	DoWeigh   = "weigh"   // the next amount of a step
	DoBegin   = "begin"   // a step that the clock ends: put it in, put it on
	DoHands   = "do"      // a step that hands end
	DoOff     = "off"     // a step whose time is up
	DoTurn    = "turn"    // pieces
	DoBatch   = "batch"   // the next one in
	DoSqueeze = "squeeze" // a handful
	DoTimer   = "timer"   // one of the cook's own is up
	DoFound   = "found"   // say how it came out
	DoHeat    = "heat"    // an oven, on or up: Amount says which heat of the plan
)

// Dos lists them all.
var Dos = []string{DoWeigh, DoBegin, DoHands, DoOff, DoTurn, DoBatch, DoSqueeze, DoTimer, DoFound, DoHeat}

// Task is one thing to do.
type Task struct {
	Do string
	schedule.Ref
	// Amount is which of the step's, from 0, and Timer which of the cook's own.
	Amount int
	Timer  string
	// At is when it is to be done: what has gone by is due.
	At time.Time
	// Loss is how much is lost where it is missed, 0..1; an alarm goes off from alarming on.
	Loss float64
	// Name is that of the alarm, to silence it.
	Name string
}

// alarming is the loss from which a task that is due sounds.
const alarming = 0.3

// losses are how much is lost where the end of a step is missed: what burns first, by the judgement of
// cooks.
var losses = map[string]float64{
	"grill": 1, "sear": 0.95, "toast": 0.9, "brown": 0.8, "saute": 0.75, "cook": 0.7, "oven-dry": 0.5, "roast": 0.6,
	"set": 0.1, "rest": 0.1, "chill": 0.1, "soak": 0.05,
}

func (s *Step) loss() float64 {
	if l, known := losses[s.Code]; known {
		return l
	}
	switch {
	case s.Grill:
		return losses["grill"]
	case s.Burners > 0:
		return 0.75
	case s.Racks > 0:
		return 0.6
	}
	return 0.1
}

// Tasks are what there is to do now and next, the most pressing first: what is due by what is
// lost where it is missed, then the rest by its time. turns says when pieces that cook are to
// be turned, where something knows better than the plan.
func Tasks(p *Plan, s *State, timings []Timing, now time.Time, turns map[schedule.Ref][]time.Time) []Task {
	t := &tasks{Plan: p, State: s, now: now, status: map[schedule.Ref]*Timing{}}
	for i := range timings {
		t.status[timings[i].Ref] = &timings[i]
	}
	for i := range timings {
		t.step(&timings[i], turns)
	}
	for i := range s.Timers {
		if own := &s.Timers[i]; !own.Off {
			t.add(Task{Do: DoTimer, Timer: own.ID, At: own.At.Add(time.Duration(own.Minutes * float64(time.Minute))), Loss: 0.5})
		}
	}
	t.heats(timings)
	t.found(timings)
	slices.SortStableFunc(t.out, func(a, b Task) int {
		dueA, dueB := !a.At.After(now), !b.At.After(now)
		switch {
		case dueA && dueB:
			return cmp.Or(cmp.Compare(b.Loss, a.Loss), a.At.Compare(b.At))
		case dueA:
			return -1
		case dueB:
			return 1
		}
		return a.At.Compare(b.At)
	})
	return t.out
}

type tasks struct {
	*Plan
	*State
	now    time.Time
	status map[schedule.Ref]*Timing
	out    []Task
}

func (t *tasks) add(one Task) {
	one.Name = fmt.Sprintf("%s-%d-%d", one.Do, one.Dish, one.Step)
	switch one.Do {
	case DoTimer:
		one.Name = "timer-" + one.Timer
	case DoHeat:
		one.Name = fmt.Sprintf("heat-%d", one.Amount)
	case DoTurn, DoBatch:
		one.Name += fmt.Sprintf("-%d", one.Amount)
	}
	t.out = append(t.out, one)
}

func (t *tasks) step(at *Timing, turns map[schedule.Ref][]time.Time) {
	step, is := &t.Plan.Dishes[at.Dish].Steps[at.Step], &t.State.Dishes[at.Dish].Steps[at.Step]
	switch at.Status {
	case Running:
		switch {
		case !step.Timed():
			t.hands(at, step, is)
		case step.Put():
			if step.Cooking() {
				t.turns(at, turns[at.Ref])
			}
			t.batches(at, step, is)
			t.add(Task{Do: DoOff, Ref: at.Ref, At: at.DueEnd, Loss: step.loss()})
		}
	case Waiting:
		if step.Put() && t.ready(at.Ref) {
			t.next(at, step, is)
		}
	}
}

// ready says whether all that a step comes after is over, or goes on by itself and may be cut
// short.
func (t *tasks) ready(at schedule.Ref) bool {
	for _, need := range t.Plan.Dishes[at.Dish].Steps[at.Step].After {
		before := schedule.Ref{Dish: at.Dish, Step: need.Step}
		other := &t.Plan.Dishes[at.Dish].Steps[need.Step]
		running := t.status[before].Status == Running
		if t.status[before].Status != Over && !(running && (need.Least < 0 || !other.Put())) {
			return false
		}
	}
	return true
}

// due is when a step is to begin: what could begin now was to begin when it first could.
func (t *tasks) due(at *Timing) time.Time {
	if at.Begin.After(t.now) {
		return at.Begin
	}
	return at.DueBegin
}

// next is a step that has not begun. What waits for an oven is offered once that was turned on.
func (t *tasks) next(at *Timing, step *Step, is *StepState) {
	if step.Code == "shape" && t.squeeze(at) {
		return
	}
	switch {
	case left(step, is) >= 0:
		t.add(Task{Do: DoWeigh, Ref: at.Ref, Amount: left(step, is), At: t.due(at), Loss: 0.2})
	case step.Timed():
		if i := heatOf(t.Plan, step); i >= 0 && !inUse(t.Plan, t.State, i) {
			if _, on := t.Heated[i]; !on {
				return
			}
		}
		t.add(Task{Do: DoBegin, Ref: at.Ref, At: t.due(at), Loss: 0.25})
	default:
		t.add(Task{Do: DoHands, Ref: at.Ref, At: t.due(at), Loss: 0.2})
	}
}

// hands is a step in somebody's hands.
func (t *tasks) hands(at *Timing, step *Step, is *StepState) {
	if n := left(step, is); n >= 0 {
		t.add(Task{Do: DoWeigh, Ref: at.Ref, Amount: n, At: at.Begin, Loss: 0.29})
		return
	}
	t.add(Task{Do: DoHands, Ref: at.Ref, At: at.Begin, Loss: 0.28})
}

// left is the first amount of a step that has not gone in, or -1.
func left(step *Step, is *StepState) int {
	return slices.IndexFunc(step.Weigh, func(w Weigh) bool { _, in := is.Weighed[w.Line]; return !in })
}

// squeeze asks for a handful before pieces are shaped, and again once what was added has had
// its time; true where it does.
func (t *tasks) squeeze(at *Timing) bool {
	d := &t.State.Dishes[at.Dish]
	if t.Plan.Dishes[at.Dish].Build == nil {
		return false
	}
	due := t.due(at)
	if n := len(d.Added); n > 0 {
		last := d.Added[n-1]
		due = last.At.Add(time.Duration(last.Minutes * float64(time.Minute)))
		if len(d.Felt) > 0 && d.Felt[len(d.Felt)-1].At.After(last.At) {
			return false
		}
	} else if len(d.Felt) > 0 {
		return false
	}
	t.add(Task{Do: DoSqueeze, Ref: at.Ref, At: due, Loss: 0.27})
	return true
}

// turns are those of pieces that cook; the next one alone.
func (t *tasks) turns(at *Timing, when []time.Time) {
	dish := &t.Plan.Dishes[at.Dish]
	if when == nil {
		for _, m := range dish.Turns {
			when = append(when, at.Begin.Add(time.Duration(m*float64(time.Minute))))
		}
	}
	// What is forecast knows of the turns that were; the plan counts them.
	n := 0
	for _, turned := range t.State.Dishes[at.Dish].Turned {
		if !turned.Before(at.Begin) {
			n++
		}
	}
	if n < len(dish.Turns) && n < len(when) && when[n].Before(at.DueEnd) {
		t.add(Task{Do: DoTurn, Ref: at.Ref, Amount: n, At: when[n], Loss: 0.65})
	}
}

// batches are the changes of what is cooked in several goes.
func (t *tasks) batches(at *Timing, step *Step, is *StepState) {
	if n := is.Batches + 1; n < step.Times {
		each := at.DueEnd.Sub(at.Begin) / time.Duration(step.Times)
		t.add(Task{Do: DoBatch, Ref: at.Ref, Amount: n, At: at.Begin.Add(time.Duration(n) * each), Loss: 0.7})
	}
}

// heats are ovens to be turned on, so long before the first thing that waits for them.
func (t *tasks) heats(timings []Timing) {
	for i, h := range t.Plan.Heats {
		if _, on := t.Heated[i]; on || inUse(t.Plan, t.State, i) {
			continue
		}
		var first *Timing
		for n := range timings {
			at := &timings[n]
			if heatOf(t.Plan, &t.Plan.Dishes[at.Dish].Steps[at.Step]) == i && at.Status == Waiting && (first == nil || at.Begin.Before(first.Begin)) {
				first = at
			}
		}
		if first == nil {
			continue
		}
		// What waits can begin no sooner than the oven is hot: that the oven is late shows in how far
		// it was due before now, and not in when the first thing can go in.
		at := first.DueBegin.Add(-minutes(h.Minutes))
		if ready := first.Begin.Add(-minutes(h.Minutes)); at.After(t.now) || ready.After(t.now) {
			at = latest(at, ready)
		}
		t.add(Task{Do: DoHeat, Ref: first.Ref, Amount: i, At: at, Loss: 0.5})
	}
}

// found asks how dishes came out, once all their steps are over.
func (t *tasks) found(timings []Timing) {
	for d := range t.Plan.Dishes {
		if t.Plan.Dishes[d].Build == nil || len(t.State.Dishes[d].Found) > 0 {
			continue
		}
		var last *Timing
		for i := range timings {
			if at := &timings[i]; at.Dish == d && (last == nil || at.End.After(last.End)) {
				last = at
			}
		}
		if last != nil && last.Status == Over {
			t.add(Task{Do: DoFound, Ref: last.Ref, At: last.End, Loss: 0.05})
		}
	}
}

// Urgent says whether it sounds once it is due.
func (t *Task) Urgent() bool { return t.Loss >= alarming }

// Silenced says whether somebody has silenced it.
func (t *Task) Silenced(s *State) bool { _, silent := s.Silent[t.Name]; return silent }

// AsPlanned is what a cook says who has done what it asks just as it was planned: the amount that
// was written, a squeeze as firm as most pieces want it. Its ID and its time are the cook's to give.
func (t *Task) AsPlanned(s *State) Event {
	e := Event{Dish: t.Dish, Step: t.Step}
	switch t.Do {
	case DoWeigh:
		w := s.Amount(t.Dish, t.Step, t.Amount)
		e.Kind, e.Line, e.Grams, e.How = Weighed, w.Line, w.Grams, ByScale
	case DoBegin:
		e.Kind = Begun
	case DoTurn:
		e.Kind = Turned
	case DoBatch:
		e.Kind = Batch
	case DoSqueeze:
		e.Kind, e.Word = Felt, mix.Firm
	case DoTimer:
		e.Kind, e.Name = TimerOff, t.Timer
	case DoHeat:
		e.Kind, e.Step = Heated, t.Amount
	case DoFound:
		e.Kind, e.Found = Found, &Findings{Hold: "held", Bite: "right"}
	default:
		e.Kind = Done
	}
	return e
}
