package demo

import (
	"context"
	"encoding/json"
	"fmt"
	"time"

	"cuerda/core/cooking"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/plan/schedule"
	"cuerda/core/plan/supper"
	"cuerda/internal/device"
	"cuerda/internal/store"
)

// planCooking plans the course of the demonstration: the balls while the loaf is in the oven.
func planCooking(builds []Build, kept map[string]supper.SupperFrom, foods *food.Catalogue, now time.Time) (*cooking.Plan, error) {
	club, err := kitchen.New(foods, kitchen.UsualSettings(), Pantry())
	if err != nil {
		return nil, err
	}
	d := &supper.Supper{Format: supper.Format, Name: "Wednesday practice", Table: now.Add(24 * time.Hour).Truncate(time.Minute), Aim: string(schedule.LatestStart)}
	for _, file := range []string{"50-turkey.json", "40-loaf.json"} {
		for i := range builds {
			if builds[i].File != file {
				continue
			}
			text, err := json.Marshal(&builds[i].Document)
			if err != nil {
				return nil, err
			}
			dish := supper.SupperDish{Name: builds[i].Document.Name, Build: text}
			if len(d.Dishes) == 0 { // the loaf is well on its way by then
				later := d.Table.Add(20 * time.Minute)
				dish.At = &later
			}
			if from, known := kept[file]; known {
				dish.From = &from
			}
			d.Dishes = append(d.Dishes, dish)
		}
	}
	planned, err := supper.Make(d, club, nil)
	if err != nil {
		return nil, err
	}
	out := cooking.Of(d, planned, club)
	out.Simulated = true
	return out, nil
}

// Plan is the plan of the demonstration's cooking, for a table a day after now.
func Plan(foods *food.Catalogue, now time.Time) (*cooking.Plan, error) {
	builds, err := Builds(foods)
	if err != nil {
		return nil, err
	}
	return planCooking(builds, nil, foods, now)
}

// moment is when somebody joins by a plan: the balls are being mixed.
func moment(p *cooking.Plan) time.Time {
	for _, s := range p.Dishes[0].Steps {
		if s.Code == "mix" {
			return s.At.Add(45 * time.Second)
		}
	}
	return p.Table.Add(-30 * time.Minute)
}

// shifted is the plan so much later.
func shifted(p *cooking.Plan, by time.Duration) *cooking.Plan {
	out := *p
	out.Heats = append([]cooking.Heat(nil), p.Heats...)
	for i := range out.Heats {
		out.Heats[i].At = out.Heats[i].At.Add(by)
	}
	out.Table = p.Table.Add(by)
	out.Dishes = append([]cooking.Dish(nil), p.Dishes...)
	for d := range out.Dishes {
		out.Dishes[d].Steps = append([]cooking.Step(nil), p.Dishes[d].Steps...)
		for i := range out.Dishes[d].Steps {
			out.Dishes[d].Steps[i].At = out.Dishes[d].Steps[i].At.Add(by)
		}
	}
	return &out
}

// tick is how often the demonstration's cook looks at what there is to do.
const tick = 15 * time.Second

// cooked is what a cook has done by now who does all that is asked when it is due.
func cooked(p *cooking.Plan, start, now time.Time) (events []cooking.Event, s *cooking.State) {
	s = cooking.New(p, start)
	take := func(e cooking.Event, at time.Time) {
		e.ID, e.At, e.Device = fmt.Sprintf("demo-%d", len(events)+1), at, "Cook 1"
		if e, err := cooking.Decide(p, s, e, at); err == nil {
			s.Add(e)
			events = append(events, e)
		}
	}
	for at := start; at.Before(now); at = at.Add(tick) {
		timings := cooking.Timings(p, s, at, nil)
		for _, t := range cooking.Tasks(p, s, timings, at, nil) {
			if t.At.After(at) {
				continue
			}
			e := t.AsPlanned(s)
			switch is := s.Dishes[t.Dish].Steps[t.Step]; {
			case t.Do == cooking.DoFound:
				continue // what came out is the cook's to say who joins
			case t.Do == cooking.DoHands && is.Begun == nil:
				e.Kind = cooking.Begun
			case t.Do == cooking.DoHands && at.Sub(*is.Begun) < time.Duration(p.Dishes[t.Dish].Steps[t.Step].Minutes)*time.Minute:
				continue
			}
			take(e, at)
			break
		}
	}
	return events, s
}

// measured is how far readings of the past are from each other.
const measured = 10 * time.Second

// halfWay begins a course by a plan that is half-way through now, with what its simulated probes
// have measured.
func halfWay(ctx context.Context, s *store.Store, kitchenID string, p *cooking.Plan, foods *food.Catalogue, now time.Time) error {
	now = now.Truncate(time.Second)
	p = shifted(p, now.Sub(moment(p)))
	start := now
	for d := range p.Dishes {
		for i := range p.Dishes[d].Steps {
			if at := p.Dishes[d].Steps[i].At; at.Before(start) {
				start = at
			}
		}
	}
	events, state := cooked(p, start, now)
	kept, err := s.CreateCourse(ctx, kitchenID, p, start, start)
	if err != nil {
		return err
	}
	if _, err := s.AddEvents(ctx, kept.ID, store.Whatever, now, events); err != nil {
		return err
	}
	club, err := kitchen.New(foods, kitchen.UsualSettings(), Pantry())
	if err != nil {
		return err
	}
	var readings []store.CourseReading
	for d := range p.Dishes {
		for n := range p.Dishes[d].Steps {
			begun := state.Dishes[d].Steps[n].Begun
			if !p.Dishes[d].Steps[n].Cooking() || begun == nil {
				continue
			}
			document, _ := cooking.Actual(p, state, d, now)
			sim, ok := device.Simulate(&document, club, nil, device.Seeded(kept.ID)+uint64(d+1))
			if !ok {
				continue
			}
			for at := *begun; !at.After(now); at = at.Add(measured) {
				sim.Advance(at.Sub(*begun).Minutes())
				for _, r := range sim.Readings() {
					readings = append(readings, store.CourseReading{Source: device.ProbeName(d+1, r.Where), Place: string(r.Where), Dish: d, At: at, Celsius: r.Celsius})
				}
			}
		}
	}
	_, _, err = s.AddReadings(ctx, map[string][]store.CourseReading{kept.ID: readings})
	return err
}

// stale is how long after its table nobody joins a course any more.
const stale = 90 * time.Minute

// refresh begins the demonstration's course anew where the last one is over, and no other was ever
// begun here.
func refresh(ctx context.Context, s *store.Store, kitchenID string, foods *food.Catalogue, now time.Time) error {
	all, err := s.ListCourses(ctx, kitchenID, 50)
	if err != nil || len(all) == 0 {
		return err
	}
	for _, c := range all {
		if !c.Simulated || now.Before(c.Table.Add(stale)) {
			return nil
		}
	}
	last, _, err := s.FindCourse(ctx, kitchenID, all[0].ID)
	if err != nil {
		return err
	}
	for _, c := range all {
		if c.Ended == nil {
			if _, err := s.AddEvents(ctx, c.ID, store.Whatever, now, []cooking.Event{{ID: "demo-end", At: now, Kind: cooking.Ended}}); err != nil {
				return err
			}
		}
	}
	return halfWay(ctx, s, kitchenID, &last.Plan, foods, now)
}
