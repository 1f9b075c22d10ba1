package cooking

import (
	"cmp"
	"math"
	"slices"
	"time"

	"cuerda/core/plan/schedule"
)

// Status is where a step is.
type Status string

// Where a step can be.
const (
	Waiting Status = "waiting"
	Running Status = "running"
	Over    Status = "done"
)

// Timing is when a step is, as it went or as it is to be expected now.
type Timing struct {
	schedule.Ref
	Status     Status
	Begin, End time.Time
	// Planned is when it was to begin.
	Planned time.Time
	// DueBegin and DueEnd are when it was to begin and to end by what has been done so far. They do
	// not move with now, so what is late is later with every minute.
	DueBegin, DueEnd time.Time
}

// Timings are all steps from now, in the order of the plan. What has begun stands; what has
// not begins when it was to, or as soon as what it needs is there: what comes before it, and
// what it holds, and an oven that has heated up. The order of the plan is kept, so nothing jumps
// about. ends says when a step that runs will end, where something knows better than its minutes.
func Timings(p *Plan, s *State, now time.Time, ends map[schedule.Ref]time.Time) []Timing {
	order := refs(p)
	placed := make(map[schedule.Ref]int, len(order))
	out := make([]Timing, 0, len(order))
	cut := cutShort(p, s)
	for _, at := range order {
		step, is := &p.Dishes[at.Dish].Steps[at.Step], &s.Dishes[at.Dish].Steps[at.Step]
		t := Timing{Ref: at, Status: Waiting, Planned: step.At}
		// What it comes after, as that went or goes.
		after, dueAfter, first := time.Time{}, time.Time{}, true
		for _, need := range step.After {
			before := out[placed[schedule.Ref{Dish: at.Dish, Step: need.Step}]]
			ready, due := before.End.Add(minutes(need.Least)), before.DueEnd.Add(minutes(need.Least))
			if first {
				after, dueAfter, first = ready, due, false
			}
			after, dueAfter = latest(after, ready), latest(dueAfter, due)
		}
		long := max(0, time.Duration((float64(step.Minutes)+is.More)*float64(time.Minute)))
		t.DueBegin = latest(step.At, dueAfter)
		t.DueEnd = t.DueBegin.Add(long)
		switch {
		case is.Done != nil:
			t.Status, t.Begin, t.End = Over, *is.Begun, *is.Done
			t.DueBegin, t.DueEnd = t.Begin, t.End
		case is.Begun != nil:
			t.Status, t.Begin = Running, *is.Begun
			t.DueBegin, t.DueEnd = t.Begin, t.Begin.Add(long)
			more := time.Duration(is.More * float64(time.Minute))
			if is.Due != nil {
				t.DueEnd = is.Due.Add(more)
			} else if end, known := ends[at]; known {
				t.DueEnd = end.Add(more)
			}
			t.End = latest(t.DueEnd, now) // it may be over its time
		case !step.Put() && !first && allOver(p, s, at, now, out, placed) && !after.After(now):
			// It goes on by itself from when what it comes after was done.
			t.Status, t.Begin, t.End = Running, after, after.Add(long)
			if short, known := cut[at]; known && short.Before(t.End) {
				t.End = latest(short, t.Begin)
			}
			t.DueBegin, t.DueEnd = t.Begin, t.End
			if !t.End.After(now) {
				t.Status = Over
			}
		default:
			t.Begin = latest(latest(step.At, now), hot(p, s, at, now))
			if !first {
				t.Begin = latest(t.Begin, after)
			}
			t.Begin = room(p, out, step, t.Begin, long)
			t.End = t.Begin.Add(long)
		}
		placed[at] = len(out)
		out = append(out, t)
	}
	slices.SortStableFunc(out, func(a, b Timing) int { return cmp.Or(a.Begin.Compare(b.Begin), a.End.Compare(b.End)) })
	return out
}

// cutShort says when a step that goes on by itself was over because what comes after it has begun.
func cutShort(p *Plan, s *State) map[schedule.Ref]time.Time {
	out := map[schedule.Ref]time.Time{}
	for d := range p.Dishes {
		for i := range p.Dishes[d].Steps {
			begun := s.Dishes[d].Steps[i].Begun
			if begun == nil {
				continue
			}
			for _, need := range p.Dishes[d].Steps[i].After {
				at := schedule.Ref{Dish: d, Step: need.Step}
				if was, known := out[at]; need.Least >= 0 && (!known || begun.Before(was)) {
					out[at] = *begun
				}
			}
		}
	}
	return out
}

// heatOf is which heat of the plan a step waits for: the last of its oven and temperature that
// begins before it; -1 where it needs none.
func heatOf(p *Plan, step *Step) int {
	out := -1
	if step.Racks == 0 || step.Grill {
		return out
	}
	for i, h := range p.Heats {
		if h.Oven == step.Oven && h.Celsius == step.Celsius && !h.At.After(step.At) && (out < 0 || h.At.After(p.Heats[out].At)) {
			out = i
		}
	}
	return out
}

// hot is the soonest that the oven of a step is hot: so long after it was turned on, or after now
// where it was not. It is the zero time where something that waited for it is in already.
func hot(p *Plan, s *State, at schedule.Ref, now time.Time) time.Time {
	i := heatOf(p, &p.Dishes[at.Dish].Steps[at.Step])
	if i < 0 || inUse(p, s, i) {
		return time.Time{}
	}
	h := &p.Heats[i]
	if on, known := s.Heated[i]; known {
		return on.Add(minutes(h.Minutes))
	}
	return latest(h.At, now).Add(minutes(h.Minutes))
}

// inUse says whether something is or was in the oven of a heat that waited for it.
func inUse(p *Plan, s *State, heat int) bool {
	for d := range p.Dishes {
		for n := range p.Dishes[d].Steps {
			if s.Dishes[d].Steps[n].Begun != nil && heatOf(p, &p.Dishes[d].Steps[n]) == heat {
				return true
			}
		}
	}
	return false
}

func minutes(m int) time.Duration { return time.Duration(m) * time.Minute }

func latest(a, b time.Time) time.Time {
	if a.After(b) {
		return a
	}
	return b
}

// refs are the steps in the order of the plan, each after what it comes after.
func refs(p *Plan) []schedule.Ref {
	var all []schedule.Ref
	for d := range p.Dishes {
		for i := range p.Dishes[d].Steps {
			all = append(all, schedule.Ref{Dish: d, Step: i})
		}
	}
	slices.SortStableFunc(all, func(a, b schedule.Ref) int {
		return p.Dishes[a.Dish].Steps[a.Step].At.Compare(p.Dishes[b.Dish].Steps[b.Step].At)
	})
	out, seen := make([]schedule.Ref, 0, len(all)), map[schedule.Ref]bool{}
	var take func(at schedule.Ref)
	take = func(at schedule.Ref) {
		if seen[at] {
			return
		}
		seen[at] = true
		for _, need := range p.Dishes[at.Dish].Steps[at.Step].After {
			take(schedule.Ref{Dish: at.Dish, Step: need.Step})
		}
		out = append(out, at)
	}
	for _, at := range all {
		take(at)
	}
	return out
}

// allOver says whether all that a step comes after is done.
func allOver(p *Plan, s *State, at schedule.Ref, now time.Time, out []Timing, placed map[schedule.Ref]int) bool {
	for _, need := range p.Dishes[at.Dish].Steps[at.Step].After {
		before := &out[placed[schedule.Ref{Dish: at.Dish, Step: need.Step}]]
		if before.Status != Over || before.End.Add(minutes(need.Least)).After(now) {
			return false
		}
	}
	return true
}

// room is the first time from then on at which the kitchen has what a step holds for as long
// as it takes, beside what has its place already.
func room(p *Plan, out []Timing, step *Step, from time.Time, long time.Duration) time.Time {
	if step.Hands+step.Burners+step.Pans+step.Bowls+step.Racks == 0 || long == 0 {
		return from
	}
	// It can only become free where something ends.
	for range len(out) + 1 {
		next, ok := crowded(p, out, step, from, from.Add(long))
		if !ok {
			return from
		}
		from = next
	}
	return from
}

// crowded says when the first of what is in the way of a step between two times ends.
func crowded(p *Plan, out []Timing, step *Step, from, to time.Time) (until time.Time, ok bool) {
	type held struct{ hands, burners, pans, bowls, racks int }
	// The most is held at some beginning; only what is there at one time counts together.
	over := func(at time.Time) bool {
		sum := held{step.Hands, step.Burners, step.Pans, step.Bowls, step.Racks}
		for i := range out {
			t := &out[i]
			if t.Begin.After(at) || !t.End.After(at) {
				continue
			}
			other := &p.Dishes[t.Dish].Steps[t.Step]
			sum.hands += other.Hands
			sum.burners += other.Burners
			sum.pans += other.Pans
			sum.bowls += other.Bowls
			if step.Racks > 0 && other.Racks > 0 && other.Oven == step.Oven {
				if other.Celsius != step.Celsius || other.Grill != step.Grill {
					return true
				}
				sum.racks += other.Racks
			}
		}
		k := &p.Kitchen
		racks := math.MaxInt
		if step.Racks > 0 && step.Oven < len(k.Ovens) {
			racks = k.Ovens[step.Oven].Racks
		}
		return step.Hands > 0 && sum.hands > k.Cooks || step.Burners > 0 && sum.burners > k.Burners ||
			step.Pans > 0 && sum.pans > k.Pans || step.Bowls > 0 && sum.bowls > k.Bowls || step.Racks > 0 && sum.racks > racks
	}
	bad := over(from)
	for i := range out {
		bad = bad || out[i].Begin.After(from) && out[i].Begin.Before(to) && over(out[i].Begin)
	}
	if !bad {
		return from, false
	}
	for i := range out {
		if end := out[i].End; end.After(from) && out[i].holds() && (!ok || end.Before(until)) {
			until, ok = end, true
		}
	}
	return until, ok
}

func (t *Timing) holds() bool { return t.End.After(t.Begin) }

// Ready is when the last dish is, by timings.
func Ready(timings []Timing) (out time.Time) {
	for i := range timings {
		out = latest(out, timings[i].End)
	}
	return out
}
