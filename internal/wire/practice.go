package wire

import (
	"time"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/learn/logbook"
	"cuerda/core/learn/practice"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
	"cuerda/core/predict/squeeze"
)

// PracticeDrill is practice.Drill as the interface tells it: the question, and what it takes to mark a call without a connection.
type PracticeDrill struct {
	Kind     practice.Kind      `json:"kind"`
	Skill    practice.Skill     `json:"skill"`
	Level    int                `json:"level" minimum:"1" maximum:"3"`
	Try      string             `json:"try,omitempty"`
	TriedAt  *time.Time         `json:"tried_at,omitempty"`
	Document document.Document  `json:"document"`
	Other    *document.Document `json:"other,omitempty"`
	// Asked is the handful as it is shown before the call, Shown as it is; OtherShown that of the second mix of a
	// pair. Bare says that the one before the call is not squeezed yet.
	Asked      *Handful `json:"asked,omitempty"`
	Shown      *Handful `json:"shown,omitempty"`
	OtherShown *Handful `json:"other_shown,omitempty"`
	Bare       bool     `json:"bare"`
	// Measures are the kitchen measures of the lines, of the amount 0 where there is none; OtherMeasures those of the second mix of a pair.
	Measures      []Measure          `json:"measures"`
	OtherMeasures []Measure          `json:"other_measures"`
	PieceG        float64            `json:"piece_g" digits:"0"`
	Index         float64            `json:"index"`
	SD            float64            `json:"sd"`
	Word          mix.Word           `json:"word"`
	Band          Band               `json:"band"`
	RightFrom     float64            `json:"right_from"`
	RightTo       float64            `json:"right_to"`
	Options       []PracticeOption   `json:"options"`
	Answer        int                `json:"answer"`
	Planned       *document.Document `json:"planned,omitempty"`
	Found         *logbook.Found     `json:"found,omitempty"`
	Heat          *PracticeHeat      `json:"heat,omitempty"`
	Off           *PracticeOff       `json:"off,omitempty"`
	Lesson        PracticeLesson     `json:"lesson"`
}

// PracticeOption is practice.Option as the interface tells it.
type PracticeOption struct {
	Code    practice.Choice `json:"code"`
	Food    string          `json:"food,omitempty"`
	Grams   float64         `json:"grams"`
	Minutes float64         `json:"minutes"`
	Cause   string          `json:"cause,omitempty"`
	Change  *Change         `json:"change,omitempty"`
	Setting *Setting        `json:"setting,omitempty"`
	Refused bool            `json:"refused"`
	Chance  float64         `json:"chance"`
	// Indices are what the mix comes to with 0, 1, 2 ... times 5 g of it; BestGrams leads to the middle of the band.
	Indices []float64 `json:"indices"`
	// Right tells of each of those amounts whether it is called right; empty where an option has no amounts.
	Right       []bool   `json:"right"`
	BestGrams   float64  `json:"best_g"`
	BestMeasure *Measure `json:"best_measure,omitempty"`
}

// PracticeHeat is practice.OnHeat as the interface tells it.
type PracticeHeat struct {
	SeenMinutes   float64 `json:"seen_minutes"`
	Curve         []Point `json:"curve"`
	After         []Point `json:"after"`
	Section       Section `json:"section"`
	TargetCelsius float64 `json:"target_celsius"`
	AroundCelsius float64 `json:"around_celsius"`
	Minutes       float64 `json:"minutes"`
	Within        float64 `json:"within"`
	LastMinutes   float64 `json:"last_minutes"`
}

// PracticeOff is practice.OffHeat as the interface tells it.
type PracticeOff struct {
	Minutes       float64 `json:"minutes"`
	CoreCelsius   float64 `json:"core_celsius"`
	TargetCelsius float64 `json:"target_celsius"`
	NeedsMinutes  float64 `json:"needs_minutes"`
}

// PracticeLesson is practice.Lesson as the interface tells it.
type PracticeLesson struct {
	Water     []PracticeWater    `json:"water"`
	Stage     string             `json:"stage" enum:"raw,cooked"`
	Grounds   []Ground           `json:"grounds"`
	Chance    float64            `json:"chance" digits:"3"`
	Otherwise *PracticeOtherwise `json:"otherwise,omitempty"`
}

// PracticeWater is practice.GivesDrinks as the interface tells it, g.
type PracticeWater struct {
	Food   string  `json:"food"`
	Gives  float64 `json:"gives_g" digits:"0"`
	Drinks float64 `json:"drinks_g" digits:"0"`
}

// PracticeOtherwise is practice.Otherwise as the interface tells it.
type PracticeOtherwise struct {
	Index float64  `json:"index" digits:"2"`
	Word  mix.Word `json:"word"`
}

// DrillOf tells a drill.
func DrillOf(d *practice.Drill, k *kitchen.Kitchen) PracticeDrill {
	out := PracticeDrill{
		Kind: d.Kind, Skill: d.Skill, Level: d.Level, Try: d.Try, TriedAt: d.TriedAt, Document: d.Document, Other: d.Other, Bare: d.Bare,
		Index: Tidy(d.Index, 3), SD: Tidy(d.SD, 3), Word: d.Word, Band: Band(d.Band), Options: make([]PracticeOption, len(d.Options)), Answer: d.Answer,
		Lesson: Of[PracticeLesson](practice.LessonOf(d, k)), PieceG: Tidy(predict.Predict(&d.Document, k).PieceG, 0),
	}
	out.RightFrom, out.RightTo = d.RightBetween()
	out.Measures, out.OtherMeasures = measuresOf(d.Document.Lines, k), []Measure{}
	if h, ok := squeeze.OfBuild(&d.Document, k); ok {
		out.Shown, out.Asked = HandfulOf(&h), HandfulOf(&h)
		if d.Bare {
			bare := h.Bare()
			out.Asked = HandfulOf(&bare)
		}
	}
	if d.Other != nil {
		out.OtherMeasures = measuresOf(d.Other.Lines, k)
		if h, ok := squeeze.OfBuild(d.Other, k); ok {
			out.OtherShown = HandfulOf(&h)
		}
	}
	for i := range d.Options {
		out.Options[i] = optionOf(d, &d.Options[i])
		out.Options[i].BestMeasure = measureOf(d.Options[i].Food, d.Options[i].BestGrams, k)
	}
	if d.Record != nil {
		out.Planned, out.Found = &d.Record.Planned, &d.Record.Found
	}
	if h := d.Heat; h != nil {
		out.Heat = &PracticeHeat{
			SeenMinutes: h.SeenMinutes, Curve: Of[[]Point](h.Curve), After: Of[[]Point](h.After), Section: Of[Section](*h.Section),
			TargetCelsius: h.Target.Celsius, AroundCelsius: h.Around, Minutes: Tidy(h.Minutes, 1), Within: Tidy(h.Within, 1), LastMinutes: h.LastMinutes,
		}
	}
	if out.Heat != nil && out.Heat.Section.Z == nil {
		out.Heat.Section.Z = []float64{} // a ball
	}
	if o := d.Off; o != nil {
		out.Off = &PracticeOff{o.Minutes, Tidy(o.CoreCelsius, 0), o.Target.Celsius, o.NeedsMinutes}
	}
	return out
}

func measuresOf(lines []document.Line, k *kitchen.Kitchen) []Measure {
	out := make([]Measure, len(lines))
	for i := range lines {
		if m := measureOf(lines[i].Food, lines[i].Grams, k); m != nil {
			out[i] = *m
		}
	}
	return out
}

// measureOf is the nearest kitchen measure; nil where there is none.
func measureOf(id string, grams float64, k *kitchen.Kitchen) *Measure {
	f := k.Foods.Find(id)
	if f == nil || grams <= 0 {
		return nil
	}
	m, ok := f.Measure(grams)
	if !ok {
		return nil
	}
	return (*Measure)(&m)
}

func optionOf(d *practice.Drill, o *practice.Option) PracticeOption {
	out := PracticeOption{Code: o.Code, Food: o.Food, Grams: Tidy(o.Grams, 1), Minutes: o.Minutes, Refused: o.Refused, Chance: Tidy(o.Chance, 3), Indices: make([]float64, len(o.Indices)), Right: make([]bool, len(o.Indices)), BestGrams: o.BestGrams}
	for i, q := range o.Indices {
		out.Indices[i], out.Right[i] = Tidy(q, 3), d.Leads(o, i)
	}
	if c := o.Cause; c != nil {
		out.Cause = string(c.Code)
		if c.Change != nil {
			change := Of[Change](*c.Change)
			out.Change = &change
		}
		if c.Setting != nil {
			setting := Of[Setting](*c.Setting)
			out.Setting = &setting
		}
	}
	return out
}

// PracticeEye is practice.Eye as the interface tells it.
type PracticeEye struct {
	Calls int        `json:"calls"`
	Right int        `json:"right"`
	Since *time.Time `json:"since,omitempty"`
	// Wet and Dry are how far squeezes of wet and of dry mixes are called off, in words: above 0 too wet.
	Wet      PracticeBias     `json:"wet"`
	Dry      PracticeBias     `json:"dry"`
	Mislead  []practice.Skill `json:"mislead"`
	Trail    []PracticeSat    `json:"trail"`
	Sureness []PracticeSure   `json:"sureness"`
	// Skills come the weakest first.
	Skills []PracticeSkill `json:"skills"`
	Kinds  []PracticeTally `json:"kinds"`
}

// PracticeBias is a bias, in words; Told where it is clear enough to be told.
type PracticeBias struct {
	Off  float64 `json:"off_words" digits:"2"`
	SD   float64 `json:"sd" digits:"2"`
	Told bool    `json:"told"`
}

// PracticeSat is practice.Sat as the interface tells it.
type PracticeSat struct {
	At    time.Time `json:"at"`
	Off   float64   `json:"off_words" digits:"2"`
	Calls int       `json:"calls"`
}

// PracticeSure is practice.Sureness as the interface tells it.
type PracticeSure struct {
	Said  float64 `json:"said" digits:"2"`
	Right float64 `json:"right" digits:"2"`
	Calls int     `json:"calls"`
}

// PracticeSkill is practice.SkillState as the interface tells it.
type PracticeSkill struct {
	Skill  practice.Skill `json:"skill"`
	Calls  int            `json:"calls"`
	Right  int            `json:"right"`
	Recall float64        `json:"recall" digits:"2"`
	Weak   float64        `json:"weak" digits:"2"`
}

// PracticeTally is practice.Tally as the interface tells it.
type PracticeTally struct {
	Kind  practice.Kind `json:"kind"`
	Calls int           `json:"calls"`
	Right int           `json:"right"`
}

// EyeOf tells what calls say of a cook.
func EyeOf(e *practice.Eye) PracticeEye {
	b := &e.Bias
	out := PracticeEye{
		Calls: e.Calls, Right: e.Right, Since: e.Since, Mislead: b.Mislead(), Trail: Of[[]PracticeSat](e.Trail), Sureness: Of[[]PracticeSure](e.Sureness),
		Skills: Of[[]PracticeSkill](e.Skills), Kinds: make([]PracticeTally, len(practice.Kinds)),
		Wet: PracticeBias{Tidy(b.Wet, 2), Tidy(b.WetSD, 2), practice.Told(b.Wet, b.WetSD)}, Dry: PracticeBias{Tidy(b.Dry, 2), Tidy(b.DrySD, 2), practice.Told(b.Dry, b.DrySD)},
	}
	for i, kind := range practice.Kinds {
		t := e.Kinds[kind]
		out.Kinds[i] = PracticeTally{kind, t.Calls, t.Right}
	}
	return out
}
