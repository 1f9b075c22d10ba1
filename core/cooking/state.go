package cooking

import (
	"cmp"
	"maps"
	"slices"
	"time"

	"cuerda/core/physics/mix"
)

// State is what has been done: all that follows from the events of a course.
type State struct {
	Start  time.Time
	Dishes []DishState
	Timers []Timer
	// Silent are the alarms that somebody has silenced, by their names.
	Silent map[string]time.Time
	// Heated are the ovens that were turned on, by the heats of the plan.
	Heated map[int]time.Time
	// End is when it was said to be over; nil while it goes on.
	End *time.Time
	// Simulated says that instruments were simulated at some time, Hurried that the clock went faster
	// than the world's.
	Simulated, Hurried bool

	events []Event // in the order of their time
	ids    map[string]bool
	plan   *Plan
}

// DishState is what has been done of a dish.
type DishState struct {
	Steps []StepState
	// Felt are the squeezes, Added what was added to mend it, Turned when it was turned.
	Felt   []Squeeze
	Added  []Addition
	Turned []time.Time
	Placed []time.Time // the probe
	// Found is what each cook said of how it came out, the first who said it first; who says it again
	// has said it anew.
	Found []Said
}

// Said is how a dish came out by one cook.
type Said struct {
	By string // the device
	At time.Time
	Findings
}

// StepState is what has been done of a step.
type StepState struct {
	Begun, Done *time.Time
	// More is how many minutes longer than planned it is to take, Weighed what really went in,
	// by its line.
	More    float64
	Weighed map[int]Amount
	// Batches are how many more are in than the first.
	Batches int
	// Due is when the probes first said that it is to come off the heat; nil where none has. Returned
	// is how often it was put back after it had been taken off.
	Due      *time.Time
	Returned int
	// Below is how hot the coldest place was made out to be, degC, where a cook took pieces off
	// below their goal and said so; nil where it was reached.
	Below *float64
}

// Amount is what really went in.
type Amount struct {
	Grams float64
	How   string
	At    time.Time
}

// Squeeze is how a handful felt; Word is "" where nobody said.
type Squeeze struct {
	Word mix.Word
	At   time.Time
}

// Addition is a food that was added, with the wait until it tells.
type Addition struct {
	ID      string // of its event
	Food    string
	Grams   float64
	Minutes float64
	At      time.Time
}

// Timer is one of the cook's own.
type Timer struct {
	ID      string
	Name    string
	Minutes float64
	At      time.Time
	Off     bool
}

// New is the state of a course that begins at start.
func New(p *Plan, start time.Time) *State {
	s := &State{Start: start.UTC(), plan: p, ids: map[string]bool{}}
	s.clear()
	return s
}

func (s *State) clear() {
	s.Dishes, s.Timers, s.Silent, s.Heated, s.End = make([]DishState, len(s.plan.Dishes)), nil, map[string]time.Time{}, map[int]time.Time{}, nil
	s.Simulated, s.Hurried = s.plan.Simulated, false
	for i := range s.Dishes {
		s.Dishes[i].Steps = make([]StepState, len(s.plan.Dishes[i].Steps))
	}
}

// Replay is the state that those events come to, in whatever order they are.
func Replay(p *Plan, start time.Time, events []Event) *State {
	s := New(p, start)
	for _, e := range events {
		s.insert(e)
	}
	for i := range s.events {
		s.apply(&s.events[i])
	}
	return s
}

func inOrder(a, b Event) int { return cmp.Or(a.At.Compare(b.At), cmp.Compare(a.ID, b.ID)) }

// insert puts an event in its place; false where it is there already.
func (s *State) insert(e Event) (last, fresh bool) {
	if s.ids[e.ID] {
		return false, false
	}
	s.ids[e.ID] = true
	at, _ := slices.BinarySearchFunc(s.events, e, inOrder)
	s.events = slices.Insert(s.events, at, e)
	return at == len(s.events)-1, true
}

// Add takes an event over. One that it has already changes nothing; one of before the last
// counts as what happened then.
func (s *State) Add(e Event) {
	last, fresh := s.insert(e)
	switch {
	case !fresh:
	case last:
		s.apply(&s.events[len(s.events)-1])
	default:
		s.clear()
		for i := range s.events {
			s.apply(&s.events[i])
		}
	}
}

// Has says whether an event of that ID is among them.
func (s *State) Has(id string) bool { return s.ids[id] }

// Over says whether the course was over by then.
func (s *State) Over(at time.Time) bool { return s.End != nil && !at.Before(*s.End) }

// apply is total: an event that says nothing new, or that what came before makes
// meaningless, changes nothing.
func (s *State) apply(e *Event) {
	at := e.At
	switch e.Kind {
	case TimerSet:
		s.Timers = append(s.Timers, Timer{ID: e.ID, Name: e.Name, Minutes: e.Minutes, At: at})
		return
	case TimerOff:
		for i := range s.Timers {
			s.Timers[i].Off = s.Timers[i].Off || s.Timers[i].ID == e.Name
		}
		return
	case Silenced:
		s.Silent[e.Name] = at
		return
	case Ended:
		if s.End == nil {
			s.End = &at
		}
		return
	case Heated:
		if _, on := s.Heated[e.Step]; !on {
			s.Heated[e.Step] = at
		}
		return
	case Clock:
		s.Simulated = s.Simulated || e.Device == SimulatedDevice
		s.Hurried = s.Hurried || e.Speed > 1
		return
	}
	if e.Dish < 0 || e.Dish >= len(s.Dishes) {
		return
	}
	d := &s.Dishes[e.Dish]
	switch e.Kind {
	case Felt:
		d.Felt = append(d.Felt, Squeeze{e.Word, at})
	case Added:
		d.Added = append(d.Added, Addition{e.ID, e.Food, e.Grams, e.Minutes, at})
	case Unadded:
		d.Added = slices.DeleteFunc(slices.Clone(d.Added), func(a Addition) bool { return a.ID == e.Name })
	case Turned:
		d.Turned = append(d.Turned, at)
	case Placed:
		d.Placed = append(d.Placed, at)
	case Found:
		said := Said{e.Device, at, *e.Found}
		if n := slices.IndexFunc(d.Found, func(s Said) bool { return s.By == e.Device }); n >= 0 {
			said.At = d.Found[n].At
			d.Found[n] = said
		} else {
			d.Found = append(d.Found, said)
		}
	default:
		if e.Step >= 0 && e.Step < len(d.Steps) {
			d.Steps[e.Step].apply(e, s.plan.Dishes[e.Dish].Steps[e.Step].Timed())
		}
	}
}

// apply: what is weighed for a step that the clock ends has not begun with it.
func (s *StepState) apply(e *Event, timed bool) {
	at := e.At
	switch e.Kind {
	case Begun:
		if s.Begun == nil {
			s.Begun = &at
		}
	case Done:
		if s.Begun == nil {
			s.Begun = &at
		}
		if s.Done == nil {
			s.Done, s.Below = &at, e.Celsius
		}
	case Undone:
		// What is done is not done, after all; what has only begun has not.
		if s.Done == nil {
			s.Begun = nil
		} else {
			s.Returned++
		}
		s.Done, s.Due, s.Below = nil, nil, nil
	case Weighed:
		if s.Begun == nil && !timed {
			s.Begun = &at
		}
		if s.Weighed == nil {
			s.Weighed = map[int]Amount{}
		}
		s.Weighed[e.Line] = Amount{e.Grams, e.How, at}
	case Unweighed:
		delete(s.Weighed, e.Line)
	case Batch:
		s.Batches++
	case Longer:
		s.More += e.Minutes
	case Due:
		if s.Due == nil && s.Begun != nil && s.Done == nil {
			s.Due = &at
		}
	}
}

// Clone is a state of its own, that goes on by itself.
func (s *State) Clone() *State {
	out := *s
	out.events, out.ids = slices.Clone(s.events), maps.Clone(s.ids)
	out.Timers, out.Silent, out.Heated = slices.Clone(s.Timers), maps.Clone(s.Silent), maps.Clone(s.Heated)
	out.Dishes = slices.Clone(s.Dishes)
	for i := range out.Dishes {
		d := &out.Dishes[i]
		d.Found = slices.Clone(d.Found)
		d.Felt, d.Added, d.Turned, d.Placed, d.Steps = slices.Clone(d.Felt), slices.Clone(d.Added), slices.Clone(d.Turned), slices.Clone(d.Placed), slices.Clone(d.Steps)
		for n := range d.Steps {
			d.Steps[n].Weighed = maps.Clone(d.Steps[n].Weighed)
		}
	}
	return &out
}
