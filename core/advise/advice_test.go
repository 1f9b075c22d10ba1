package advise_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/advise"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/lawtest"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
)

var (
	foods = food.Starter()
	ours  = stocked("flax-meal", "rice-flour", "oats-quick")
)

func stocked(foods ...string) *kitchen.Kitchen {
	var items []kitchen.PantryItem
	for _, f := range foods {
		items = append(items, kitchen.PantryItem{Food: f, Have: true})
	}
	k, err := kitchen.Usual().With(items...)
	if err != nil {
		panic(err)
	}
	return k
}

func read(t require.TestingT, text string) *document.Document {
	d, err := document.Read([]byte(text), foods)
	require.NoError(t, err)
	return d
}

const classic = `{"format":"cuerda-build/1","name":"Meatballs","lines":[
	{"food":"turkey-ground","grams":500},{"food":"egg","grams":50},{"food":"breadcrumbs-dry","grams":60},{"food":"milk","grams":60},
	{"food":"onion","grams":80,"prep":[{"do":"saute","minutes":8}]},{"food":"salt","grams":7}],
	"rest":{"minutes":20},"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"still-oven"}}`

const cakes = `{"format":"cuerda-build/1","lines":[
	{"food":"split-peas-cooked","grams":480,"prep":[{"do":"blitz","level":0.5}]},{"food":"parsnip","grams":150,"prep":[{"do":"saute","minutes":10}]},
	{"food":"onion","grams":90},{"food":"chickpea-flour","grams":45},{"food":"flax-meal","grams":16},{"food":"salt","grams":6}],
	"rest":{"minutes":20},"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"pan"}}`

func TestAWayTakenIsTheBuildItPromised(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	d := read(t, cakes)
	for _, how := range advise.Replaces {
		a := advise.Bind(ours, d, advise.Options{Replace: how})
		require.NotEmpty(t, a.Suggest, how)
		for _, w := range a.Suggest {
			p := predict.Predict(&w.Document, ours)
			assert.InDelta(t, w.Q, *p.Q, .001, w.Aim)
			assert.InDelta(t, w.RawRatio, p.RawRatio, .01, w.Aim)
			assert.InDelta(t, w.CookedRatio, p.CookedRatio, .01, w.Aim)
			assert.True(t, p.InBand, w.Aim)
			for _, gone := range w.Drop {
				assert.False(t, slices.ContainsFunc(w.Document.Lines, func(l document.Line) bool { return l.Food == gone }), gone)
			}
		}
	}
	assert.Equal(t, *read(t, cakes), *d, "the document asked about is not changed")
}

const wholeBeans = `{"format":"cuerda-build/1","lines":[{"food":"white-beans-canned","grams":480},{"food":"oats-rolled","grams":60},
	{"food":"onion","grams":80},{"food":"salt","grams":5}],"rest":{"minutes":5},"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"pan"}}`

func TestWholeBeansWantMashingNotABinder(t *testing.T) {
	d := read(t, wholeBeans)
	before := predict.Predict(d, ours)
	require.Less(t, before.Chance, 0.3)
	a := advise.Bind(ours, d, advise.Options{})
	require.NotEmpty(t, a.Suggest)
	assert.Empty(t, a.Obstacles)
	first := a.Suggest[0]
	assert.Equal(t, advise.Work, first.Kind)
	assert.Empty(t, first.Add)
	assert.Greater(t, first.Chance, 0.7)
	mashed := slices.ContainsFunc(first.Changes, func(c document.Change) bool {
		return c.Kind == "prep" && c.Food == "white-beans-canned" && c.NowPrep[0].Do == food.Mash
	})
	assert.True(t, mashed, "%+v", first.Changes)
}

func TestWaysDifferInKindAndBeginAtTheShelf(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	d := read(t, strings.ReplaceAll(cakes, `{"food":"chickpea-flour","grams":45},{"food":"flax-meal","grams":16},`, ""))
	d.Chill = nil
	bare := advise.Bind(kitchen.Usual(), d, advise.Options{})
	differ := map[advise.Kind]bool{}
	for _, w := range bare.Suggest {
		differ[w.Kind] = true
	}
	assert.GreaterOrEqual(t, len(differ), 3, "%v", differ)
	for _, id := range []string{"buckwheat-flour", "oat-flour", "teff-flour"} {
		k := stocked(id)
		k.Used = map[string]int{id: 3}
		a := advise.Bind(k, d, advise.Options{})
		at := slices.IndexFunc(a.Suggest, func(w advise.Way) bool { return len(w.Add) > 0 && w.Add[0].Food == id })
		require.GreaterOrEqual(t, at, 0, id)
		assert.True(t, a.Suggest[at].Have)
	}
}

func TestMoreOfWhatIsInTheBowlIsAWay(t *testing.T) {
	d := read(t, strings.ReplaceAll(strings.ReplaceAll(cakes, `"chickpea-flour","grams":45`, `"teff-flour","grams":10`), `{"food":"flax-meal","grams":16},`, ""))
	a := advise.Bind(stocked("teff-flour"), d, advise.Options{})
	more := slices.ContainsFunc(a.Suggest, func(w advise.Way) bool {
		return slices.ContainsFunc(w.Changes, func(c document.Change) bool { return c.Food == "teff-flour" && c.Kind == "grams" && c.Now > c.Was })
	})
	assert.True(t, more, "few have teff flour, but it is in this bowl")
}

// What a card lists is all that taking it changes.
func TestAWayListsAllThatItChanges(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	for _, text := range []string{cakes, classic, wholeBeans} {
		d := read(t, text)
		for _, how := range advise.Replaces {
			for _, w := range advise.Bind(ours, d, advise.Options{Replace: how}).Suggest {
				changes, settings := document.Changes(d, &w.Document)
				assert.Equal(t, changes, w.Changes)
				assert.Equal(t, settings, w.Settings)
				for _, gone := range w.Drop {
					assert.True(t, slices.ContainsFunc(changes, func(c document.Change) bool { return c.Kind == "removed" && c.Food == gone }), gone)
				}
			}
		}
	}
}

func TestAClassicRecipeConverts(t *testing.T) {
	d := read(t, classic)
	a := advise.Bind(ours, d, advise.Options{Replace: advise.Classics})
	var taken []string
	for _, r := range a.Taken {
		taken = append(taken, r.Food)
	}
	assert.Equal(t, []string{"egg", "breadcrumbs-dry", "milk"}, taken)
	egg, crumbs, milk := a.Taken[0], a.Taken[1], a.Taken[2]
	assert.Greater(t, egg.WaterG, 30., "egg brings water")
	assert.Greater(t, egg.HotPct, egg.ColdPct, "and sets")
	assert.Greater(t, crumbs.DrinksG, 25., "crumbs drink")
	assert.InDelta(t, 53, milk.WaterG, 2)
	require.NotEmpty(t, a.Suggest)
	for _, w := range a.Suggest {
		for _, l := range w.Document.Lines {
			f := foods.Find(l.Food)
			assert.NotEqual(t, food.Egg, f.Group)
			assert.NotEqual(t, "contains", f.Gluten)
		}
	}
}

func TestNothingUnsafeIsEverSuggested(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	left := lawtest.Draws(30, 100)
	rapid.Check(t, func(t *rapid.T) {
		if left--; left < 0 {
			return
		}
		d := read(t, cakes)
		d.Eaters = &eaters.Eaters{
			Avoid: rapid.SliceOfNDistinct(rapid.SampledFrom(eaters.Allergens), 0, 5, rapid.ID).Draw(t, "avoid"),
			Diet:  rapid.SampledFrom(append([]string{""}, eaters.Diets...)).Draw(t, "diet"),
			Wants: rapid.SliceOfNDistinct(rapid.SampledFrom(eaters.Wants), 0, 3, rapid.ID).Draw(t, "wants"),
		}
		table := d.Eaters.Table()
		safe := func(id string) { assert.Equal(t, eaters.Clear, table.Check(foods.Find(id), nil).Status, id) }
		for _, w := range advise.Bind(ours, d, advise.Options{Replace: advise.Binders}).Suggest {
			for _, a := range w.Add {
				safe(a.Food)
			}
		}
		felt := rapid.SampledFrom(mix.SqueezeWords).Draw(t, "felt")
		m, ok := advise.MendBy(ours, d, felt)
		assert.True(t, ok)
		for _, s := range m.Additions {
			safe(s.Food)
		}
	})
}

func TestTheMendStartsFromTheHand(t *testing.T) {
	d := read(t, cakes)
	wet, ok := advise.MendBy(ours, d, mix.Slack)
	require.True(t, ok)
	assert.Equal(t, "too-wet", wet.Verdict)
	assert.InDelta(t, .95, wet.Q, .02, "where a mix that joins well feels slack")
	assert.NotEqual(t, mix.Slack, wet.Predicted)
	require.NotEmpty(t, wet.Additions)
	assert.True(t, wet.Additions[0].Have, "what is at hand comes first")
	for _, s := range wet.Additions {
		for i := 1; i < len(s.Steps); i++ {
			assert.Less(t, s.Steps[i].Q, s.Steps[i-1].Q, "every spoon of %s dries it", s.Food)
		}
		if s.Enough > 0 {
			assert.True(t, wet.Band.Holds(s.Steps[s.Enough-1].Q))
		}
		f := foods.Find(s.Food)
		spooned := float64(len(s.Steps)) * s.SpoonG
		assert.LessOrEqual(t, 100*spooned/(predict.Predict(d, ours).MassG+spooned), f.MaxPct*1.001, s.Food)
	}
	assert.Contains(t, wet.Reshape, "fritter")

	dry, _ := advise.MendBy(ours, d, mix.Crumbles)
	assert.Equal(t, "too-dry", dry.Verdict)
	assert.Equal(t, "water", dry.Additions[0].Food)
	assert.Zero(t, dry.RestMinutes)

	fine, _ := advise.MendBy(ours, d, mix.Firm)
	assert.Equal(t, "fine", fine.Verdict)
	assert.Empty(t, fine.Additions)
	_, ok = advise.MendBy(ours, read(t, `{"format":"cuerda-build/1","lines":[{"food":"water","grams":100}]}`), mix.Slumps)
	assert.False(t, ok)
}

func TestOptionsNarrowTheChoice(t *testing.T) {
	d := read(t, cakes)
	a := advise.Bind(ours, d, advise.Options{Replace: advise.Binders, Foods: []string{"rice-flour", "chia-ground"}, Aim: advise.LeastBinder})
	require.Len(t, a.Suggest, 1)
	for _, add := range a.Suggest[0].Add {
		assert.Contains(t, []string{"rice-flour", "chia-ground", "water"}, add.Food)
	}
	d.Eaters = &eaters.Eaters{Avoid: []string{"gluten"}}
	assert.Equal(t, []advise.Obstacle{advise.NoBinders}, advise.Bind(ours, d, advise.Options{Foods: []string{"breadcrumbs-dry"}}).Obstacles)
}

// To a mix that holds, hands and time are offered only where they make it surer: a loaf in a
// tin gains nothing by a chill.
func TestWorkIsOfferedForAGainAlone(t *testing.T) {
	for _, text := range []string{
		cakes, classic,
		`{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":600},{"food":"oats-quick","grams":50},{"food":"onion","grams":60},{"food":"salt","grams":8}],"rest":{"minutes":20},"piece":{"kind":"loaf","length_mm":200,"width_mm":100,"height_mm":60},"cook":{"method":"still-oven","celsius":177}}`,
	} {
		d := read(t, text)
		now := predict.Predict(d, ours)
		for _, w := range advise.Bind(ours, d, advise.Options{}).Suggest {
			if now.Verdict != predict.Holds || len(w.Changes) == 0 && len(w.Settings) == 0 || len(w.Add) > 0 {
				continue
			}
			p := predict.Predict(&w.Document, ours)
			assert.Greater(t, p.Chance, now.Chance+.01, "%v", w.Settings)
		}
	}
}

func TestSchoolsShowTheTrade(t *testing.T) {
	for _, s := range advise.Schools(ours, read(t, cakes), nil) {
		assert.Greater(t, len(s.Ways), 1, s.Question)
		for _, w := range s.Ways {
			p := predict.Predict(&w.Way.Document, ours)
			assert.InDelta(t, w.Way.RawRatio, p.RawRatio, .01, w.Code)
			if w.Code == "no-wait" {
				assert.LessOrEqual(t, w.Way.RestMinutes, 2.)
			}
		}
	}
}

func cohesion(t *testing.T, w advise.Way) float64 {
	t.Helper()
	s := mix.AssessParts(mix.Parts(w.Document.MixLines(ours.Foods)), w.Document.RestIn(ours))
	cold, _ := s.Effect.Cohesion()
	return cold
}

func TestSchoolsThatNeedNoBinder(t *testing.T) {
	ways := map[string]advise.Way{}
	for _, s := range advise.Schools(ours, read(t, classic), nil) {
		for _, w := range s.Ways {
			ways[s.Question+" "+w.Code] = w.Way
		}
	}
	require.Contains(t, ways, "egg own-protein")
	require.Contains(t, ways, "heat bake")
	require.Contains(t, ways, "heat deep-oil")
	assert.GreaterOrEqual(t, ways["heat bake"].RawRatio, ways["heat deep-oil"].RawRatio, "deep oil handles roughest")
	for _, s := range advise.Schools(ours, read(t, cakes), nil) {
		for _, w := range s.Ways {
			if s.Question == "mixing" && w.Code == "paste" {
				assert.Greater(t, cohesion(t, w.Way), cohesion(t, s.Ways[0].Way), "more paste, more glue around its pieces")
				assert.GreaterOrEqual(t, w.Way.RawRatio, mix.SureRatio)
			}
		}
	}
}

func ExampleMendBy() {
	d, _ := document.Read([]byte(cakes), foods)
	m, _ := advise.MendBy(ours, d, mix.Slack)
	s := m.Additions[0]
	fmt.Printf("%s: %s by the %s, and after each wait %.0f min\n", m.Verdict, s.Food, s.Unit, s.Minutes)
	// Output: too-wet: oats-quick by the tbsp, and after each wait 9 min
}

func BenchmarkBind(b *testing.B) {
	d := read(b, cakes)
	for b.Loop() {
		advise.Bind(ours, d, advise.Options{Replace: advise.Binders})
	}
}

func BenchmarkMend(b *testing.B) {
	d := read(b, cakes)
	for b.Loop() {
		advise.MendBy(ours, d, mix.Slack)
	}
}

// A hand that finds loose grains joined is right as well: what it says is what the mix
// says from then on.
func TestTheHandIsRightWhereNothingSeemsToJoin(t *testing.T) {
	for _, lines := range []string{`{"food":"quinoa-cooked","grams":400},{"food":"rice-flour","grams":15},{"food":"salt","grams":4}`, `{"food":"split-peas-cooked","grams":400}`} {
		d := read(t, `{"format":"cuerda-build/1","lines":[`+lines+`]}`)
		for _, felt := range mix.SqueezeWords[1:5] {
			m, ok := advise.MendBy(ours, d, felt)
			require.True(t, ok)
			d.Hand = &document.Hand{Word: felt, WaterG: m.WaterG}
			assert.Equal(t, felt, predict.Predict(d, ours).Word, lines)
			d.Hand = nil
		}
	}
}

// To a mix that holds nothing is added for nothing: a gram of flakes that changes no chance
// is no way.
func TestNothingIsAddedForNothing(t *testing.T) {
	d := read(t, strings.Replace(cakes, `"rest"`, `"chill":{"minutes":60,"celsius":4},"rest"`, 1))
	now := predict.Predict(d, ours)
	require.Equal(t, predict.Holds, now.Verdict)
	for _, w := range advise.Bind(ours, d, advise.Options{}).Suggest {
		if len(w.Add) > 0 {
			assert.GreaterOrEqual(t, w.Chance, now.Chance+.029, "%v", w.Add)
		}
	}
}

// A search of which nobody waits for the end ends by itself, with nothing.
func TestASearchEndsWithWhoeverAsked(t *testing.T) {
	gone := make(chan struct{})
	close(gone)
	began := time.Now()
	answer := advise.Bind(ours, read(t, cakes), advise.Options{Replace: advise.Binders, Done: gone})
	advise.Schools(ours, read(t, cakes), gone)
	assert.Empty(t, answer.Suggest)
	t.Log("both ended within", time.Since(began))
}

// BenchmarkBindAllFoods is the dearest question that is accepted: every food as a binder, for sixty lines.
func BenchmarkBindAllFoods(b *testing.B) {
	d := read(b, cakes)
	all := ours.Foods.Foods()
	var named []string
	for i := range all {
		if named = append(named, all[i].ID); len(d.Lines) < 60 {
			d.Lines = append(d.Lines, document.Line{Food: all[i].ID, Grams: 10})
		}
	}
	for b.Loop() {
		advise.Bind(ours, d, advise.Options{Foods: named[:min(300, len(named))]})
	}
}

// A bread stuffing for those who eat no egg stays one: bread without gluten is made with egg, and wheat bread they may eat. Who
// leaves out gluten too is given none.
func TestAStuffingStaysBread(t *testing.T) {
	text := `{"format":"cuerda-build/1","lines":[{"food":"bread-wheat","grams":350},{"food":"celery","grams":120,"prep":[{"do":"saute","minutes":8}]},` +
		`{"food":"onion","grams":150,"prep":[{"do":"saute","minutes":8}]},{"food":"butter","grams":80},{"food":"egg","grams":100},{"food":"broth","grams":300}],` +
		`"piece":{"kind":"stuffing"},"cook":{"method":"still-oven"},"eaters":{"avoid":["egg","milk"%s]}}`
	a := way(t, fmt.Sprintf(text, ""), advise.Options{Replace: advise.Classics})
	require.NotEmpty(t, a.Suggest)
	for i := range a.Suggest {
		grams := map[string]float64{}
		for _, l := range a.Suggest[i].Document.Lines {
			grams[l.Food] += l.Grams
		}
		assert.Equal(t, 350., grams["bread-wheat"])
		assert.Zero(t, grams["egg"]+grams["butter"])
	}
	crumbs := way(t, `{"format":"cuerda-build/1","lines":[{"food":"breadcrumbs-fresh","grams":300},{"food":"onion","grams":250,"prep":[{"do":"saute","minutes":8}]},{"food":"butter","grams":60},{"food":"egg","grams":55},`+
		`{"food":"broth","grams":150}],"piece":{"kind":"stuffing"},"cook":{"method":"fan-oven"},"eaters":{"avoid":["egg","milk"]}}`, advise.Options{Replace: advise.Classics})
	require.NotEmpty(t, crumbs.Suggest)
	assert.True(t, slices.ContainsFunc(crumbs.Suggest[0].Document.Lines, func(l document.Line) bool { return l.Food == "breadcrumbs-fresh" && l.Grams == 300 }), "crumbs are its bread")
	for _, w := range way(t, fmt.Sprintf(text, `,"gluten"`), advise.Options{Replace: advise.Classics}).Suggest {
		for _, l := range w.Document.Lines {
			assert.NotEqual(t, "bread-wheat", l.Food)
		}
	}
}

// What a cook does about too much of something, or too wet a thing: less psyllium in a pan, where none is usual; no coconut milk;
// the flesh of a roasted aubergine squeezed. No way takes some of a binder out and adds more of it.
func TestTooMuchIsTakenOutWhereItCameIn(t *testing.T) {
	const (
		fibre     = `{"format":"cuerda-build/1","lines":[{"food":"black-beans-canned","grams":400,"prep":[{"do":"mash","level":0.6}]},{"food":"psyllium-husk","grams":30},{"food":"salt","grams":4}],"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"pan"}}`
		coconut   = `{"format":"cuerda-build/1","lines":[{"food":"chicken-ground","grams":450},{"food":"coconut-milk","grams":100},{"food":"ginger","grams":10},{"food":"salt","grams":5}],"piece":{"kind":"ball","diameter_mm":30},"cook":{"method":"simmer"}}`
		aubergine = `{"format":"cuerda-build/1","lines":[{"food":"aubergine","grams":500,"prep":[{"do":"roast","minutes":30}]},{"food":"cheese-hard","grams":60},{"food":"gf-crumbs","grams":40}],"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"pan"}}`
		fritter   = `{"format":"cuerda-build/1","lines":[{"food":"courgette","grams":500},{"food":"rice-flour","grams":60},{"food":"salt","grams":5}],"piece":{"kind":"fritter","diameter_mm":80,"thickness_mm":10},"cook":{"method":"pan"}}`
	)
	for text, want := range map[string]advise.MoveCode{fibre: advise.LessBinder, coconut: advise.LessLiquid, aubergine: advise.Squeeze, fritter: advise.FryOff} {
		a := way(t, text, advise.Options{})
		require.NotEmpty(t, a.Suggest, text)
		assert.True(t, slices.ContainsFunc(a.Suggest[0].Moves, func(m advise.Move) bool { return m.Code == want }), "%s: %+v", want, a.Suggest[0].Moves)
		for i := range a.Suggest {
			less := map[string]bool{}
			for _, m := range a.Suggest[i].Moves {
				less[m.Food] = less[m.Food] || m.Code == advise.LessBinder
			}
			for _, m := range a.Suggest[i].Moves {
				assert.False(t, m.Code == advise.AddBinder && less[m.Food], "%+v", a.Suggest[i].Moves)
			}
		}
	}
}
