package cooking_test

import (
	"encoding/json"
	"os"
	"path/filepath"
	"slices"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/cooking"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/plan/schedule"
	"cuerda/core/plan/supper"
)

// planOf is the plan of one build, for a table a day ahead.
func planOf(t require.TestingT, build *document.Document) (*cooking.Plan, error) {
	text, err := json.Marshal(build)
	require.NoError(t, err)
	d := &supper.Supper{Format: supper.Format, Name: build.Name, Table: table, Aim: "latest-start", Dishes: []supper.SupperDish{{Name: "Dish", Build: text}}}
	p, err := new(supper.Baker).Make(d, usual, supper.Options{Quick: true})
	if err != nil {
		return nil, err
	}
	return cooking.Of(d, p, usual), nil
}

func read(t require.TestingT, text string) *document.Document {
	d, err := document.Read([]byte(text), usual.Foods)
	require.NoError(t, err)
	return d
}

// asksOnce holds what is weighed over a whole cooking against the lines of its build.
func asksOnce(t require.TestingT, p *cooking.Plan) {
	d := &p.Dishes[0]
	asked := make([]float64, len(d.Build.Lines))
	parts := make([][]float64, len(d.Build.Parts))
	made := map[int]bool{}
	for n := range d.Steps {
		seen := map[int]bool{}
		for _, w := range d.Steps[n].Weigh {
			require.False(t, seen[w.Line], "%s asks twice for line %d", d.Steps[n].Name, w.Line)
			seen[w.Line] = true
			require.LessOrEqual(t, w.Within, w.Grams, "an amount that is none is not taken: %+v", w)
			switch part := d.Steps[n].Part; {
			case w.Made != nil:
				for _, line := range w.Made.Lines {
					// A liquid may be in a gel in part; everything else goes in as one thing.
					require.False(t, made[line], "line %d goes in twice", line)
					made[line] = true
				}
			case part > 0:
				if parts[part-1] == nil {
					parts[part-1] = make([]float64, len(d.Build.Parts[part-1].Lines))
				}
				parts[part-1][w.Line] += w.Grams
			default:
				asked[w.Line] += w.Grams
			}
		}
	}
	for i, l := range d.Build.Lines {
		require.InDelta(t, l.Grams, asked[i], 1e-6, "line %d, %s", i, l.Food)
		if len(l.Prep) > 0 {
			require.True(t, made[i], "%s goes into the mix", l.Food)
		}
	}
	for n := range parts {
		for i, l := range d.Build.Parts[n].Lines {
			require.InDelta(t, l.Grams, parts[n][i], 1e-6)
		}
	}
}

func TestWhatIsWeighedIsWhatTheBuildSays(t *testing.T) {
	files, err := filepath.Glob("../../internal/demo/builds/*.json")
	require.NoError(t, err)
	require.NotEmpty(t, files)
	for _, file := range files {
		text, err := os.ReadFile(file)
		require.NoError(t, err)
		var outer struct{ Document json.RawMessage }
		if json.Unmarshal(text, &outer) == nil && outer.Document != nil {
			text = outer.Document
		}
		if p, err := planOf(t, read(t, string(text))); assert.NoError(t, err, file) {
			asksOnce(t, p)
		}
	}
	foods := usual.Foods.Foods()
	rapid.Check(t, func(t *rapid.T) {
		d := &document.Document{Format: document.Format, Name: "Drawn"}
		for range rapid.IntRange(2, 8).Draw(t, "lines") {
			f := foods[rapid.IntRange(0, len(foods)-1).Draw(t, "food")]
			l := document.Line{Food: f.ID, Grams: float64(rapid.IntRange(1, 4000).Draw(t, "tenths")) / 10}
			for _, do := range rapid.SliceOfNDistinct(rapid.SampledFrom(food.Dos), 0, 3, rapid.ID).Draw(t, "preps") {
				if do.Suits(f) {
					prep := food.Preparation{Do: do}
					switch do.Setting() {
					case "minutes":
						prep.Minutes = do.Default()
					case "level":
						prep.Level = do.Default()
					case "hours":
						prep.Hours = do.Default()
					}
					l.Prep = append(l.Prep, prep)
				}
			}
			d.Lines = append(d.Lines, l)
		}
		p, err := planOf(t, d)
		if err != nil {
			t.Skip("it never gets done, or no kitchen holds it")
		}
		asksOnce(t, p)
	})
}

const flaxEgg = `{"format": "cuerda-build/1", "name": "Burgers", "lines": [
	{"food": "black-beans-canned", "grams": 360, "prep": [{"do": "mash", "level": 0.8}]}, {"food": "black-beans-canned", "grams": 120},
	{"food": "onion", "grams": 80, "prep": [{"do": "saute", "minutes": 8}]}, {"food": "oats-rolled", "grams": 60},
	{"food": "flax-meal", "grams": 7, "prep": [{"do": "gel", "minutes": 10}]}, {"food": "water", "grams": 45}, {"food": "salt", "grams": 1}],
	"chill": {"minutes": 20}, "piece": {"kind": "patty", "diameter_mm": 80, "thickness_mm": 18}, "cook": {"method": "pan"}}`

func weighed(p *cooking.Plan, code string) (out []cooking.Weigh) {
	for _, s := range p.Dishes[0].Steps {
		if s.Code == code {
			out = append(out, s.Weigh...)
		}
	}
	return out
}

func TestAFlaxEggIsWeighedWithItsWaterAndGoesInAsOneThing(t *testing.T) {
	p, err := planOf(t, read(t, flaxEgg))
	require.NoError(t, err)
	gel := weighed(p, "gel")
	require.Len(t, gel, 2)
	assert.Equal(t, "flax-meal", gel[0].Food)
	assert.InDelta(t, 7, gel[0].Grams, 1e-9)
	assert.Equal(t, "water", gel[1].Food)
	assert.InDelta(t, 45, gel[1].Grams, 1e-9)
	var plain []string
	made := map[string]float64{}
	for _, w := range weighed(p, "mix") {
		if w.Made == nil {
			plain = append(plain, w.Food)
		} else {
			made[w.Food+" of "+p.Dishes[0].Steps[w.Made.Step].Code] = w.Grams
		}
	}
	assert.ElementsMatch(t, []string{"oats-rolled", "salt"}, plain, "neither flax nor water is asked for again")
	assert.InDelta(t, 52, made["flax-meal of gel"], 1e-9)
	assert.Contains(t, made, "onion of saute")
	assert.Contains(t, made, "black-beans-canned of mash")
	assert.Contains(t, made, "black-beans-canned of drain", "what was left whole goes in by itself")
	for _, w := range weighed(p, "drain") {
		assert.Equal(t, map[float64]string{360: "mash", 120: cooking.AsItIs}[w.Grams], w.Apart, "two lines of one food are told apart")
	}

	// What went into the gel is what it weighs in the mix.
	s := cooking.New(p, at(120))
	gelStep := step(t, p, 0, "gel")
	s.Add(cooking.Event{ID: "flax", At: at(119), Kind: cooking.Weighed, Step: gelStep, Line: 4, Grams: 9})
	mixing := step(t, p, 0, "mix")
	n := slices.IndexFunc(p.Dishes[0].Steps[mixing].Weigh, func(w cooking.Weigh) bool { return w.Made != nil && w.Food == "flax-meal" })
	assert.InDelta(t, 54, s.Amount(0, mixing, n).Grams, 1e-9)
	d, ok := cooking.Actual(p, s, 0, at(118))
	require.True(t, ok)
	assert.InDelta(t, 9, d.Lines[4].Grams, 1e-9)
	assert.InDelta(t, 45, d.Lines[5].Grams, 1e-9)
}

func TestToleranceIsThatOfTheKitchensScale(t *testing.T) {
	p, err := planOf(t, read(t, flaxEgg))
	require.NoError(t, err)
	for _, w := range weighed(p, "mix") {
		if w.Food == "salt" {
			assert.InDelta(t, 0.5, w.Within, 1e-9, "a scale of whole grams tells a gram of salt from none, and no more")
		}
		if w.Food == "oats-rolled" {
			assert.GreaterOrEqual(t, w.Within, 1.)
		}
	}
}

func TestTheChillIsTold(t *testing.T) {
	p, err := planOf(t, read(t, flaxEgg))
	require.NoError(t, err)
	c := &cook{t: t, plan: p, s: cooking.New(p, at(120)), now: at(120)}
	c.until(-30)
	assert.Contains(t, c.did, "begin chill")
	assert.Contains(t, c.did, "off chill")
	assert.Less(t, slices.Index(c.did, "off chill"), slices.Index(c.did, "begin cook"))
}

// An oven is turned on before anything is offered to go into it, and what waits for it takes that
// into account.
func TestNothingIsOfferedToAColdOven(t *testing.T) {
	p, err := planOf(t, read(t, `{"format": "cuerda-build/1", "name": "Burgers", "lines": [
		{"food": "black-beans-canned", "grams": 400, "prep": [{"do": "oven-dry", "minutes": 12}]}, {"food": "oats-rolled", "grams": 60}],
		"piece": {"kind": "patty", "diameter_mm": 80, "thickness_mm": 18}, "cook": {"method": "still-oven", "celsius": 190}}`))
	require.NoError(t, err)
	require.NotEmpty(t, p.Heats)
	c := &cook{t: t, plan: p, s: cooking.New(p, at(180)), now: at(180)}
	c.until(-30)
	on, in := slices.IndexFunc(c.did, func(s string) bool { return s[:4] == "heat" }), slices.Index(c.did, "begin oven-dry")
	require.GreaterOrEqual(t, on, 0, "%v", c.did)
	require.Greater(t, in, on, "%v", c.did)

	// A cook who begins at the minute the beans should go in is not offered a cold oven.
	drying := step(t, p, 0, "oven-dry")
	begin := p.Dishes[0].Steps[drying].At
	s := cooking.New(p, begin)
	for n, w := range p.Dishes[0].Steps[step(t, p, 0, "drain")].Weigh {
		s.Add(cooking.Event{ID: string(rune('a' + n)), At: begin, Kind: cooking.Weighed, Step: step(t, p, 0, "drain"), Line: w.Line, Grams: w.Grams})
	}
	s.Add(cooking.Event{ID: "drained", At: begin, Kind: cooking.Done, Step: step(t, p, 0, "drain")})
	tasks := cooking.Tasks(p, s, cooking.Timings(p, s, begin, nil), begin, nil)
	for _, task := range tasks {
		assert.False(t, task.Do == cooking.DoBegin && task.Step == drying, "the oven is cold: %+v", tasks)
	}
	s.Add(cooking.Event{ID: "on", At: begin, Kind: cooking.Heated})
	for _, one := range cooking.Timings(p, s, begin, nil) {
		if one.Step == drying {
			assert.Equal(t, begin.Add(time.Duration(p.Heats[0].Minutes)*time.Minute), one.Begin, "it goes in once it is hot")
		}
	}
}

// What is late is later with every minute: nothing that is due slides with now, whatever was done
// and however long nothing is.
func TestLateNeverShrinks(t *testing.T) {
	plans := []*cooking.Plan{planned(t)}
	p, err := planOf(t, read(t, flaxEgg))
	require.NoError(t, err)
	plans = append(plans, p)
	rapid.Check(t, func(t *rapid.T) {
		p := rapid.SampledFrom(plans).Draw(t, "plan")
		c := &cook{t: t, plan: p, s: cooking.New(p, at(150)), now: at(150)}
		c.until(float64(rapid.IntRange(-20, 150).Draw(t, "diligent until")))
		ends := map[schedule.Ref]time.Time{}
		late := map[string]time.Duration{}
		for range 120 {
			for _, task := range cooking.Tasks(p, c.s, cooking.Timings(p, c.s, c.now, ends), c.now, nil) {
				is := max(0, c.now.Sub(task.At))
				require.GreaterOrEqual(t, is, late[task.Name], "%+v at %s", task, c.now)
				late[task.Name] = is
			}
			c.now = c.now.Add(time.Minute)
		}
	})
}

// What the probes first said stands, though later readings would move it.
func TestWhatWasFirstDueStands(t *testing.T) {
	p := planned(t)
	atHeat := step(t, p, 0, "cook")
	s := cooking.New(p, at(120))
	s.Add(cooking.Event{ID: "in", At: at(60), Kind: cooking.Begun, Step: atHeat})
	s.Add(cooking.Event{ID: "due", At: at(40), Kind: cooking.Due, Step: atHeat})
	s.Add(cooking.Event{ID: "due again", At: at(30), Kind: cooking.Due, Step: atHeat})
	off := func(now time.Time) time.Time {
		ends := map[schedule.Ref]time.Time{{Dish: 0, Step: atHeat}: now}
		for _, task := range cooking.Tasks(p, s, cooking.Timings(p, s, now, ends), now, nil) {
			if task.Do == cooking.DoOff && task.Step == atHeat {
				return task.At
			}
		}
		return time.Time{}
	}
	assert.Equal(t, at(40), off(at(20)))
	assert.Equal(t, at(40), off(at(5)))
	s.Add(cooking.Event{ID: "more", At: at(20), Kind: cooking.Longer, Step: atHeat, Minutes: 22})
	assert.Equal(t, at(18), off(at(20)), "two minutes more from then")
	s.Add(cooking.Event{ID: "off", At: at(15), Kind: cooking.Done, Step: atHeat})
	s.Add(cooking.Event{ID: "on again", At: at(14), Kind: cooking.Undone, Step: atHeat})
	assert.NotEqual(t, at(18), off(at(10)), "what is on the heat again is forecast anew")
}
