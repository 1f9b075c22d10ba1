package wire

import (
	"math"
	"slices"
	"time"

	"cuerda/core/cooking"
	"cuerda/core/cooking/probe"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/physics/safety"
	"cuerda/core/plan/schedule"
	"cuerda/core/predict/squeeze"
)

// Course is all there is to see of a cooking at one moment, by its own clock.
type Course struct {
	ID    string    `json:"id" format:"uuid"`
	Name  string    `json:"name"`
	Table time.Time `json:"table"`
	Start time.Time `json:"start"`
	// Now is the time by the course's clock, which goes Speed times as fast as the world's.
	Now   time.Time `json:"now"`
	Speed float64   `json:"speed"`
	Seq   int64     `json:"seq" doc:"of its last event"`
	// Devices is how many follow it.
	Devices int        `json:"devices"`
	Ended   *time.Time `json:"ended,omitempty"`
	// Ready is when the last dish is to be expected, and Late how many minutes after the table.
	Ready time.Time    `json:"ready"`
	Late  int          `json:"late_minutes" doc:"below 0 where there is time to spare"`
	Cooks int          `json:"cooks"`
	Dish  []CourseDish `json:"dishes"`
	// Tasks are what there is to do, the most pressing first.
	Tasks  []CourseTask  `json:"tasks"`
	Timers []CourseTimer `json:"timers"`
	// Heats are ovens that heat up, as the plan has them.
	Heats []CourseOven `json:"heats"`
	// Token is what an instrument shows to send readings: told to who began the course, this once.
	Token string `json:"token,omitempty"`
	// Simulated says that the instruments are.
	Simulated bool         `json:"simulated"`
	Scale     *CourseScale `json:"scale,omitempty"`
}

// CourseDish is a dish of it.
type CourseDish struct {
	Name   string       `json:"name"`
	Pieces int          `json:"pieces,omitempty"`
	Kind   piece.Kind   `json:"kind,omitempty"`
	Steps  []CourseStep `json:"steps"`
	// Bowl is its mix, while there is one.
	Bowl *CourseBowl `json:"bowl,omitempty"`
	Heat *CourseHeat `json:"heat,omitempty"`
	// Found is what each cook said of how it came out.
	Found []CourseFound `json:"found"`
	// Build is the kitchen's build that it came from.
	Build string `json:"build,omitempty"`
}

// CourseFound is how a dish came out by one cook.
type CourseFound struct {
	By string    `json:"by,omitempty" doc:"the device that said so"`
	At time.Time `json:"at"`
	cooking.Findings
}

// CourseStep is a step as it went or is to be expected.
type CourseStep struct {
	Name    string         `json:"name"`
	Code    string         `json:"code"`
	Part    int            `json:"part,omitempty"`
	Status  cooking.Status `json:"status"`
	Planned time.Time      `json:"planned"`
	Begin   time.Time      `json:"begin"`
	End     time.Time      `json:"end"`
	Minutes int            `json:"minutes"`
	Times   int            `json:"times,omitempty"`
	Timed   bool           `json:"timed" doc:"the clock ends it"`
	Put     bool           `json:"put" doc:"somebody has to begin it"`
	Cooks   []int          `json:"cooks" doc:"from 1"`
	Celsius float64        `json:"celsius,omitempty"`
	Oven    bool           `json:"oven,omitempty"`
	Grill   bool           `json:"grill,omitempty"`
	// Hob says that it is on a burner.
	Hob   bool          `json:"hob,omitempty"`
	Weigh []CourseWeigh `json:"weigh"`
	// About are the foods that it is done to.
	About []CourseAbout `json:"about"`
	// DueBegin and DueEnd are when it was to begin and to end by what has been done; they do not move
	// with now.
	DueBegin time.Time `json:"due_begin"`
	DueEnd   time.Time `json:"due_end"`
}

// CourseAbout is a food that a step is done to.
type CourseAbout struct {
	Label string `json:"label"`
	// Grams of it are meant where the mix holds more of the same food; 0 where all of it is.
	Grams float64 `json:"grams,omitempty"`
}

// CourseWeigh is an amount of a step.
type CourseWeigh struct {
	Line int    `json:"line"`
	Food string `json:"food"`
	// Label is what it is called in the language of the request.
	Label   string   `json:"label"`
	Grams   float64  `json:"grams"`
	Within  float64  `json:"within"`
	Measure *Measure `json:"measure,omitempty"`
	// In is what went in, g; missing where nothing has.
	In  *float64 `json:"in,omitempty"`
	How string   `json:"how,omitempty" enum:"scale,hand,spoons"`
	// Apart tells two lines of one food from each other: what is done to this one first, or as-is.
	Apart string `json:"apart,omitempty" enum:"oven-dry,saute,roast,press,blitz,mash,soak,brown,gel,toast,as-is"`
	// Made is what an earlier step made, which goes in as one thing; missing for a line.
	Made *CourseMade `json:"made,omitempty"`
}

// CourseMade is what an earlier step made of foods.
type CourseMade struct {
	Code  string        `json:"code" doc:"of that step"`
	About []CourseAbout `json:"about"`
}

// CourseBowl is a mix as it really is.
type CourseBowl struct {
	Expected mix.Word `json:"expected"`
	Planned  mix.Word `json:"planned"`
	Q        *float64 `json:"q,omitempty" doc:"its index as it is"`
	PlannedQ *float64 `json:"planned_q,omitempty"`
	Band     Band     `json:"band"`
	// Off says that what went in changes how it will feel.
	Off   bool          `json:"off"`
	Felt  mix.Word      `json:"felt,omitempty"`
	Mend  *Mend         `json:"mend,omitempty"`
	Added []CourseAdded `json:"added"`
	// Much says that so much of one food was added that it is another mix by now.
	Much bool `json:"much"`
	// Labels are what the foods of the mend are called.
	Labels map[string]string `json:"labels"`
	Chance float64           `json:"chance" doc:"that its pieces hold, 0..1"`
	// Handful is what a squeezed handful of it looks like; missing where nothing drinks.
	Handful *Handful `json:"handful,omitempty"`
}

// CourseAdded is what was added to mend it.
type CourseAdded struct {
	ID      string    `json:"id" doc:"of its event: what takes it back names it"`
	Food    string    `json:"food"`
	Label   string    `json:"label"`
	Grams   float64   `json:"grams"`
	Minutes float64   `json:"minutes"`
	At      time.Time `json:"at"`
}

// CourseTask is one thing to do.
type CourseTask struct {
	Do     string    `json:"do" enum:"weigh,begin,do,off,turn,batch,squeeze,timer,found,heat"`
	Dish   int       `json:"dish"`
	Step   int       `json:"step"`
	Amount int       `json:"amount"`
	Timer  string    `json:"timer,omitempty"`
	At     time.Time `json:"at"`
	Due    bool      `json:"due"`
	// Urgent says that it sounds once it is due, unless it is Silenced.
	Urgent   bool `json:"urgent"`
	Silenced bool `json:"silenced,omitempty"`
	// Loss is how much is lost where it is missed: of what is due, the most comes first.
	Loss float64 `json:"loss" minimum:"0" maximum:"1"`
	Name string  `json:"name"`
	// Cooks whose it is, from 1; none where it is anybody's.
	Cooks []int `json:"cooks"`
}

// CourseTimer is one of the cook's own.
type CourseTimer struct {
	ID      string    `json:"id"`
	Name    string    `json:"name"`
	Begin   time.Time `json:"begin"`
	End     time.Time `json:"end"`
	Minutes float64   `json:"minutes"`
}

// CourseOven is an oven that heats up.
type CourseOven struct {
	Celsius float64 `json:"celsius"`
	Minutes int     `json:"minutes"`
	// On is when it was turned on or up; missing where it was not.
	On *time.Time `json:"on,omitempty"`
}

// CourseScale is what the scale says.
type CourseScale struct {
	In float64   `json:"in" doc:"of the amount, g"`
	At time.Time `json:"at"`
}

// CourseHeat is a dish on the heat, by its probes.
type CourseHeat struct {
	Dish   int       `json:"dish"`
	Step   int       `json:"step"`
	Begun  time.Time `json:"begun"`
	Target Target    `json:"target"`
	// Off is when to take it off, and Low to High the interval of 90% of it.
	Off     time.Time `json:"off"`
	OffLow  time.Time `json:"off_low"`
	OffHigh time.Time `json:"off_high"`
	Reaches bool      `json:"reaches"`
	// Core is the coldest place as it is made out to be, degC.
	Core     float64 `json:"core"`
	CoreLow  float64 `json:"core_low"`
	CoreHigh float64 `json:"core_high"`
	Peak     float64 `json:"peak" doc:"the highest that the core comes to, resting too"`
	// Oven is what it is made out to be, by its own dial; OvenSet what that is set to.
	Oven     float64 `json:"oven"`
	OvenLow  float64 `json:"oven_low"`
	OvenHigh float64 `json:"oven_high"`
	OvenSet  float64 `json:"oven_set"`
	// Longer is how many minutes more it takes because of the oven.
	Longer   float64         `json:"longer_minutes"`
	Readings []CourseReading `json:"readings" doc:"the last of each kind"`
	Notices  []CourseNotice  `json:"notices"`
	Curve    []CoursePoint   `json:"curve"`
	History  []CourseReading `json:"history"`
	// Below says that taking it off now leaves meat, fish or egg in it short of its goal.
	Below bool `json:"below"`
}

// CourseReading is a reading of a probe.
type CourseReading struct {
	Where   string    `json:"where" enum:"core,oven,surface"`
	At      time.Time `json:"at"`
	Celsius float64   `json:"celsius"`
}

// CourseNotice is something amiss.
type CourseNotice struct {
	Code    probe.Code `json:"code" enum:"slipped,touching,door-open,oven-cool,oven-hot,silent,past-goal"`
	Since   time.Time  `json:"since"`
	Celsius float64    `json:"celsius"`
}

// CoursePoint is a moment to come.
type CoursePoint struct {
	At   time.Time `json:"at"`
	Core float64   `json:"core"`
	Low  float64   `json:"low"`
	High float64   `json:"high"`
}

// CourseWords are what courses are said with in a language.
type CourseWords struct {
	Spanish bool
	// Say gives the demonstration's own words.
	Say func(string) string
}

func (w *CourseWords) food(k *kitchen.Kitchen, id, name string) string {
	if name != "" {
		return name
	}
	f := k.Foods.Find(id)
	switch {
	case f == nil:
		return id
	case w.Spanish && f.NameES != "":
		return f.NameES
	}
	return f.Name
}

// CourseOf tells a course of a kitchen.
func CourseOf(id string, l *cooking.Snapshot, k *kitchen.Kitchen, w CourseWords) Course {
	p, s := l.Plan, l.State
	out := Course{
		ID: id, Name: w.Say(p.Name), Table: p.Table, Start: s.Start, Now: l.Now, Speed: l.Speed, Seq: l.Seq, Devices: l.Devices, Ended: s.End,
		Ready: l.Ready, Late: int(math.Round(l.Ready.Sub(p.Table).Minutes())), Cooks: p.Kitchen.Cooks,
		Dish: make([]CourseDish, len(p.Dishes)), Tasks: []CourseTask{}, Timers: []CourseTimer{}, Heats: []CourseOven{},
	}
	if l.Scale.Known {
		out.Scale = &CourseScale{l.Scale.In, l.Scale.At}
	}
	for d := range p.Dishes {
		dish := &p.Dishes[d]
		to := &out.Dish[d]
		*to = CourseDish{Name: w.Say(dish.Name), Pieces: dish.Pieces, Kind: dish.Kind(), Steps: make([]CourseStep, len(dish.Steps)), Found: []CourseFound{}}
		for _, f := range s.Dishes[d].Found {
			to.Found = append(to.Found, CourseFound{f.By, f.At, f.Findings})
		}
		if dish.From != nil {
			to.Build = dish.From.Build
		}
		if b, ok := l.Bowls[d]; ok {
			to.Bowl = bowlOf(&b, &s.Dishes[d], k, &w)
		}
	}
	for i := range l.Timings {
		t := &l.Timings[i]
		dish := &p.Dishes[t.Dish]
		step := &dish.Steps[t.Step]
		out.Dish[t.Dish].Steps[t.Step] = CourseStep{
			Name: w.Say(step.Name), Code: step.Code, Part: step.Part, Status: t.Status, Planned: t.Planned, Begin: t.Begin, End: t.End,
			Minutes: step.Minutes, Times: step.Times, Timed: step.Timed(), Put: step.Put(), Cooks: from1(step.Cooks), Celsius: step.Celsius,
			Oven: step.Racks > 0, Hob: step.Burners > 0, Grill: step.Grill, Weigh: weighOf(s, t.Ref, dish, k, &w),
			About: aboutOf(dish, aboutLines(dish, step), k, &w), DueBegin: t.DueBegin, DueEnd: t.DueEnd,
		}
	}
	due := map[schedule.Ref]time.Time{} // what is to come off by now was to when that was first so
	for i := range l.Timings {
		if t := &l.Timings[i]; t.Status == cooking.Running && !t.DueEnd.After(l.Now) {
			due[t.Ref] = t.DueEnd
		}
	}
	for at, ahead := range l.Ahead {
		heat := HeatOf(at.Dish, at.Step, ahead, p.Dishes[at.Dish].Target)
		if was, isDue := due[at]; isDue {
			heat.Off, heat.OffLow, heat.OffHigh = was, was, was
		}
		heat.Below = ahead.Below(p.Dishes[at.Dish].Target, l.Now)
		out.Dish[at.Dish].Heat = &heat
	}
	for i := range l.Tasks {
		t := &l.Tasks[i]
		task := CourseTask{Do: t.Do, Dish: t.Dish, Step: t.Step, Amount: t.Amount, Timer: t.Timer, At: t.At, Due: !t.At.After(l.Now), Urgent: t.Urgent(), Silenced: t.Silenced(s), Loss: t.Loss, Name: t.Name, Cooks: []int{}}
		if t.Do != cooking.DoTimer && t.Do != cooking.DoHeat {
			task.Cooks = from1(p.Dishes[t.Dish].Steps[t.Step].Cooks)
		}
		out.Tasks = append(out.Tasks, task)
	}
	for i, h := range p.Heats {
		oven := CourseOven{Celsius: h.Celsius, Minutes: h.Minutes}
		if on, ok := s.Heated[i]; ok {
			oven.On = &on
		}
		out.Heats = append(out.Heats, oven)
	}
	for i := range s.Timers {
		if t := &s.Timers[i]; !t.Off {
			out.Timers = append(out.Timers, CourseTimer{t.ID, t.Name, t.At, t.At.Add(time.Duration(t.Minutes * float64(time.Minute))), t.Minutes})
		}
	}
	return out
}

func weighOf(s *cooking.State, at schedule.Ref, dish *cooking.Dish, k *kitchen.Kitchen, w *CourseWords) []CourseWeigh {
	step, is := &dish.Steps[at.Step], &s.Dishes[at.Dish].Steps[at.Step]
	out := make([]CourseWeigh, len(step.Weigh))
	for i := range step.Weigh {
		a := s.Amount(at.Dish, at.Step, i)
		out[i] = CourseWeigh{
			Line: a.Line, Food: a.Food, Label: w.food(k, a.Food, a.Name), Grams: Tidy(a.Grams, 1), Within: Tidy(a.Within, 1), Apart: a.Apart,
			Measure: measureOf(a.Food, a.Grams, k),
		}
		if a.Made != nil {
			made := &dish.Steps[a.Made.Step]
			out[i].Made, out[i].Measure = &CourseMade{made.Code, aboutOf(dish, withoutWater(dish, made, a.Made.Lines), k, w)}, nil
		}
		if in, ok := is.Weighed[a.Line]; ok {
			grams := Tidy(in.Grams, 1)
			out[i].In, out[i].How = &grams, in.How
		}
	}
	return out
}

// withoutWater are the foods that a thing is named by: those that were prepared, without what they
// were stirred into.
func withoutWater(dish *cooking.Dish, step *cooking.Step, lines []int) []int {
	var out []int
	for _, i := range lines {
		if step.Code != string(food.SoakGel) || slices.ContainsFunc(dish.Build.Lines[i].Prep, func(p food.Preparation) bool { return p.Do == food.SoakGel }) {
			out = append(out, i)
		}
	}
	return out
}

// aboutLines are the lines that a step is named by.
func aboutLines(dish *cooking.Dish, step *cooking.Step) []int {
	if step.Part > 0 || dish.Build == nil {
		return nil
	}
	lines := step.Lines
	if len(lines) == 0 && step.Code != "mix" { // of a plan from before steps knew their lines
		for _, w := range step.Weigh {
			if w.Line < len(dish.Build.Lines) {
				lines = append(lines, w.Line)
			}
		}
	}
	return withoutWater(dish, step, lines)
}

// aboutOf tells foods, each once: with grams where a part of what the mix holds of it is meant.
func aboutOf(dish *cooking.Dish, lines []int, k *kitchen.Kitchen, w *CourseWords) []CourseAbout {
	out := []CourseAbout{}
	type alike struct{ food, name string }
	sum, at, order := map[alike]float64{}, map[alike]bool{}, []alike(nil)
	for _, i := range lines {
		l := &dish.Build.Lines[i]
		of := alike{l.Food, l.Name}
		sum[of] += l.Grams
		if !at[of] {
			at[of], order = true, append(order, of)
		}
	}
	for _, of := range order {
		whole := 0.
		for i := range dish.Build.Lines {
			if l := &dish.Build.Lines[i]; l.Food == of.food && l.Name == of.name {
				whole += l.Grams
			}
		}
		one := CourseAbout{Label: w.food(k, of.food, of.name)}
		if sum[of] < whole-0.5 {
			one.Grams = Tidy(sum[of], 0)
		}
		out = append(out, one)
	}
	return out
}

// bowlOf tells a mix with what was added to it.
func bowlOf(b *cooking.Bowl, d *cooking.DishState, k *kitchen.Kitchen, w *CourseWords) *CourseBowl {
	out := &CourseBowl{
		Expected: b.Expected.Word, Planned: b.Planned.Word, Q: tidied(b.Expected.Q, 3), PlannedQ: tidied(b.Planned.Q, 3), Band: Band(b.Expected.Band),
		Off: b.Off, Felt: b.Felt, Much: b.Much, Added: []CourseAdded{}, Labels: map[string]string{}, Chance: Tidy(b.Expected.Chance, 3),
	}
	if h, ok := squeeze.OfBuild(&b.Document, k); ok {
		out.Handful = HandfulOf(&h)
	}
	if b.Mend != nil {
		mend := Of[Mend](b.Mend)
		out.Mend = &mend
		for i := range mend.Additions {
			out.Labels[mend.Additions[i].Food] = w.food(k, mend.Additions[i].Food, "")
		}
	}
	for _, a := range d.Added {
		out.Added = append(out.Added, CourseAdded{a.ID, a.Food, w.food(k, a.Food, ""), Tidy(a.Grams, 1), a.Minutes, a.At})
	}
	return out
}

// Bowl tells what a mix would be.
func Bowl(b *cooking.Bowl, k *kitchen.Kitchen, w CourseWords) CourseBowl {
	return *bowlOf(b, &cooking.DishState{}, k, &w)
}

// mostHistory is about how many readings of the past a screen is given.
const mostHistory = 120

// HeatOf tells a dish on the heat.
func HeatOf(dish, step int, a *cooking.Ahead, target safety.Target) CourseHeat {
	f := &a.Forecast
	out := CourseHeat{
		Dish: dish, Step: step, Begun: a.Begun, Target: Of[Target](target), Reaches: f.Reaches,
		Core: Tidy(f.Core.Value, 1), CoreLow: Tidy(f.Core.Low, 1), CoreHigh: Tidy(f.Core.High, 1), Peak: Tidy(f.Peak.Value, 1),
		Oven: Tidy(f.Oven.Value-a.Offset, 0), OvenLow: Tidy(f.Oven.Low-a.Offset, 0), OvenHigh: Tidy(f.Oven.High-a.Offset, 0), OvenSet: Tidy(f.OvenSet-a.Offset, 0),
		Longer: Tidy(f.Late, 1), Readings: []CourseReading{}, Notices: []CourseNotice{}, Curve: []CoursePoint{}, History: []CourseReading{},
	}
	out.Off, out.OffLow, out.OffHigh = a.Off()
	for w, r := range a.Last {
		out.Readings = append(out.Readings, CourseReading{string(w), r.At, r.Celsius})
	}
	slices.SortFunc(out.Readings, func(a, b CourseReading) int {
		if a.Where < b.Where {
			return -1
		}
		return 1
	})
	for _, n := range f.Notices {
		out.Notices = append(out.Notices, CourseNotice{n.Code, a.Time(n.Since), Tidy(n.Celsius, 0)})
	}
	for _, p := range f.Curve {
		out.Curve = append(out.Curve, CoursePoint{a.Time(p.Minutes), Tidy(p.Core.Value, 1), Tidy(p.Core.Low, 1), Tidy(p.Core.High, 1)})
	}
	// As many as a curve can show, and the last of all.
	stride := max(1, len(a.History)/mostHistory)
	for i, r := range a.History {
		if i%stride == 0 || i == len(a.History)-1 {
			out.History = append(out.History, CourseReading{string(r.Where), r.At, r.Celsius})
		}
	}
	return out
}
