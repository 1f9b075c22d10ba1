package supper

import "cuerda/core/kitchen"

// Ahead is what of a dish is done before the day of the table, and how it keeps until then.
type Ahead struct {
	Dish int
	// Step is the last of it that is done before, by its place in the dish; Hands how long somebody stands
	// there before the day, min.
	Step, Hands int
	// State is soaking, prepared, mixed, shaped, cooked or side.
	State string
	// Raw says that raw meat, fish or egg is in it.
	Raw bool
	// Days are how long it keeps so in the fridge, and Wait how long it waits there; Keeps
	// says whether that is long enough. Days is 0 where nothing is known.
	Days  float64
	Wait  int
	Keeps bool
}

// Aheads says what a plan does before the day of the table.
func (p *Planned) Aheads(k *kitchen.Kitchen) []Ahead {
	out := []Ahead{}
	midnight := midnight(p.Table)
	for i := range p.Supper.Dishes {
		one, found := Ahead{Dish: i, Step: -1}, false
		end, next := 1<<30, 0
		for n := range p.Plan.Steps {
			s := &p.Plan.Steps[n]
			if s.Dish != i {
				continue
			}
			switch {
			case s.Start <= midnight:
				next = max(next, s.Start)
				continue
			case s.End() <= end:
				one.Step, end = s.Step, s.End()
			}
			found = true
			if len(s.Cooks) > 0 {
				one.Hands += s.Minutes
			}
		}
		if !found {
			continue
		}
		one.Wait = max(0, end-next)
		p.keeping(&one, k)
		out = append(out, one)
	}
	return out
}

// keeping says what state a dish waits in, and how long that keeps.
func (p *Planned) keeping(a *Ahead, k *kitchen.Kitchen) {
	m := p.builds[a.Dish]
	if m == nil {
		a.State, a.Keeps = "side", true
		if step := p.Supper.Dishes[a.Dish].Steps[a.Step].Name; step == "soak" {
			a.State, a.Days = "soaking", soakDays
			a.Keeps = float64(a.Wait) <= a.Days*24*60
		}
		return
	}
	done := map[string]bool{}
	for n := range p.Plan.Steps {
		if s := &p.Plan.Steps[n]; s.Dish == a.Dish && s.Start > midnight(p.Table) {
			done[p.Supper.Dishes[s.Dish].Steps[s.Step].Name] = true
		}
	}
	keep := k.KeepFor(m.build.MixLines(k.Foods))
	a.Raw = rawFlesh(m.build, k.Foods) && !done["cook"]
	a.Days = keep.RawFridgeDays
	switch {
	case done["cook"]:
		a.State, a.Days = "cooked", keep.CookedFridgeDays
	case done["shape"]:
		a.State = "shaped"
	case done["mix"]:
		a.State = "mixed"
	case p.Supper.Dishes[a.Dish].Steps[a.Step].Name == "soak":
		a.State, a.Days = "soaking", soakDays
	default:
		a.State = "prepared"
	}
	a.Keeps = float64(a.Wait) <= a.Days*24*60
}

// soakDays is how long what soaks in the fridge may soak, days: kitchen practice.
const soakDays = 1

// DayBegin is when the first step begins that holds anything on the day of the table, min before it; 0 where none does.
func (p *Planned) DayBegin() int {
	first := 0
	for i := range p.Plan.Steps {
		s := &p.Plan.Steps[i]
		step := &p.Supper.Dishes[s.Dish].Steps[s.Step]
		if s.Start <= midnight(p.Table) && step.Held() {
			first = max(first, s.Start)
		}
	}
	return first
}
