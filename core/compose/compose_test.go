package compose_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/compose"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	_ "cuerda/core/lawtest"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
)

var lentils = compose.Ask{
	Format: compose.Format, Must: []compose.Amount{{Food: "lentils-cooked", Grams: 480}, {Food: "carrot", Grams: 150}},
	May:    []string{"onion", "mushroom", "oats-rolled", "flax-meal", "chickpea-flour", "walnuts", "tomato-paste", "parsley", "garlic", "potato-mashed", "rice-cooked"},
	Eaters: &eaters.Eaters{Avoid: []string{"egg"}}, Kind: piece.Patty, Portions: 4, Minutes: 90,
}

func composed(t require.TestingT, a *compose.Ask) compose.Answer {
	out, err := compose.Compose(kitchen.Usual(), a, nil)
	require.NoError(t, err)
	return out
}

func TestWhatIsAtHandBecomesMixesThatHold(t *testing.T) {
	got := composed(t, &lentils)
	require.GreaterOrEqual(t, len(got.Proposals), 3)
	best := got.Proposals[0]
	assert.Greater(t, best.Chance, .85)
	assert.Greater(t, best.Eat, .78)
	binders := map[string]bool{}
	for _, p := range got.Proposals {
		grams := map[string]float64{}
		for _, l := range p.Document.Lines {
			grams[l.Food] += l.Grams
		}
		assert.Greater(t, grams["lentils-cooked"], 400., "what must go in goes in")
		assert.Greater(t, grams["carrot"], 100.)
		assert.Empty(t, p.Buy, "nothing has to be bought")
		assert.LessOrEqual(t, p.Minutes, 108.)
		for _, id := range []string{"oats-rolled", "flax-meal", "chickpea-flour", ""} {
			if grams[id] > 0 {
				binders[id] = true
			}
		}
	}
	assert.Equal(t, got, composed(t, &lentils), "the same question has the same answer")
}

// What must go in and was given dry is soaked and boiled before the minutes that a mix takes, and that is told.
func TestWhatGoesInDryIsSoakedAndBoiledFirst(t *testing.T) {
	ask := lentils
	ask.Must, ask.Minutes = []compose.Amount{{Food: "chickpeas-dry", Grams: 250}, {Food: "rice-dry", Grams: 60}}, 0
	got := composed(t, &ask)
	require.NotEmpty(t, got.Proposals)
	for _, p := range got.Proposals {
		require.Len(t, p.Before, 2)
		for _, b := range p.Before {
			if b.Food == "chickpeas-dry" {
				assert.InDelta(t, 250, b.Grams, 1)
				assert.Equal(t, compose.Beforehand{Food: "chickpeas-dry", Grams: b.Grams, SoakHours: 8, BoilMinutes: 75}, b)
			} else {
				assert.Equal(t, compose.Beforehand{Food: "rice-dry", Grams: 60, BoilMinutes: 18}, b)
			}
		}
	}
	assert.False(t, got.Late, "there is no hurry")
	hurried := ask
	hurried.Minutes = 90
	assert.True(t, composed(t, &hurried).Late, "beans that soak for eight hours are on no table in ninety minutes")
	hurried.Minutes = 12 * 60
	got = composed(t, &hurried)
	assert.False(t, got.Late)
	for _, p := range got.Proposals {
		assert.LessOrEqual(t, p.Minutes+8*60+75, hurried.Minutes)
	}
	for _, p := range composed(t, &lentils).Proposals {
		assert.Empty(t, p.Before, "what was cooked already is not cooked again")
	}
}

// A pound of mushrooms with walnuts and rice makes no mix that nine in ten cooks hold together, but one that most do: it is
// proposed, with its chance, rather than nothing.
func TestTheNearestIsProposedWhereNothingIsSure(t *testing.T) {
	got := composed(t, &compose.Ask{
		Format: compose.Format, Must: []compose.Amount{{Food: "mushroom", Grams: 500}, {Food: "walnuts", Grams: 100}},
		May:    []string{"onion", "garlic", "flax-meal", "rice-flour", "tomato-paste", "corn-starch", "brown-rice-cooked"},
		Eaters: &eaters.Eaters{Diet: "vegan", Avoid: []string{"gluten"}},
	})
	require.NotEmpty(t, got.Proposals)
	assert.LessOrEqual(t, len(got.Proposals), 3)
	assert.True(t, got.Nearest)
	assert.NotEmpty(t, got.Missing, "what would make it sure is told")
	assert.False(t, composed(t, &lentils).Nearest)
	for _, p := range got.Proposals {
		assert.Less(t, p.Low, .5)
		assert.Greater(t, p.Chance, .72)
		assert.Greater(t, p.Eat, .58)
	}
	for _, p := range composed(t, &lentils).Proposals {
		assert.GreaterOrEqual(t, p.Low, .5, "where there is better, no such mix is shown")
	}
}

// A vegetable in a batter of flour and water is a fritter, without any body that other mixes want.
func TestAVegetableBecomesFritters(t *testing.T) {
	got := composed(t, &compose.Ask{
		Format: compose.Format, Must: []compose.Amount{{Food: "sweetcorn", Grams: 300}}, Kind: piece.Fritter,
		May: []string{"spring-onion", "chickpea-flour", "corn-starch", "coriander"}, Eaters: &eaters.Eaters{Diet: "vegan"},
	})
	require.NotEmpty(t, got.Proposals)
	grams := map[string]float64{}
	for _, l := range got.Proposals[0].Document.Lines {
		grams[l.Food] = l.Grams
	}
	assert.Equal(t, 300., grams["sweetcorn"])
	assert.Greater(t, grams["chickpea-flour"], 50.)
	assert.Greater(t, grams["water"], 30.)
	assert.Greater(t, got.Proposals[0].Chance, .85)
}

// What nobody knows what to do with is not left out in silence.
func TestWhatMustGoInHasAPlace(t *testing.T) {
	_, err := compose.Compose(kitchen.Usual(), &compose.Ask{Format: compose.Format, Must: []compose.Amount{{Food: "lentils-cooked", Grams: 400}, {Food: "nori", Grams: 10}}, Any: true}, nil)
	assert.Equal(t, &compose.Fault{Code: "must-unused", What: "nori"}, err)
	for range 20 { // of several always the same one
		_, err := compose.Compose(kitchen.Usual(), &compose.Ask{Format: compose.Format, Must: []compose.Amount{{Food: "nori", Grams: 10}, {Food: "okra", Grams: 80}}, Any: true}, nil)
		assert.Equal(t, &compose.Fault{Code: "must-unused", What: "nori"}, err)
	}
}

// Whatever is asked: nobody is served what they leave out, the number is the one that the Bench shows, and every amount is one
// that a kitchen can measure.
func TestLawsOfProposals(t *testing.T) {
	all := food.Starter().Foods()
	k := kitchen.Usual()
	rapid.Check(t, func(t *rapid.T) {
		a := compose.Ask{Format: compose.Format, Portions: rapid.IntRange(0, 8).Draw(t, "portions"), Any: rapid.IntRange(0, 5).Draw(t, "any") == 0}
		a.Kind = rapid.SampledFrom([]piece.Kind{"", piece.Patty, piece.Ball, piece.Loaf, piece.Cylinder, piece.Fritter, piece.Stuffing}).Draw(t, "kind")
		a.Eaters = &eaters.Eaters{Avoid: rapid.SliceOfNDistinct(rapid.SampledFrom(eaters.Allergens), 0, 4, rapid.ID).Draw(t, "avoid"), Diet: rapid.SampledFrom(append([]string{""}, eaters.Diets...)).Draw(t, "diet")}
		for range rapid.IntRange(0, 30).Draw(t, "may") {
			a.May = append(a.May, all[rapid.IntRange(0, len(all)-1).Draw(t, "food")].ID)
		}
		for range rapid.IntRange(0, 2).Draw(t, "must") {
			a.Must = append(a.Must, compose.Amount{Food: all[rapid.IntRange(0, len(all)-1).Draw(t, "must food")].ID, Grams: float64(rapid.IntRange(0, 90).Draw(t, "grams")) * 10})
		}
		got, err := compose.Compose(k, &a, nil)
		if err != nil {
			assert.ErrorAs(t, err, new(*compose.Fault))
			return
		}
		musts := map[string]bool{}
		for _, m := range a.Must {
			musts[m.Food] = true
		}
		for _, p := range got.Proposals {
			said := predict.Predict(&p.Document, k)
			assert.Equal(t, said.Chance, p.Chance)
			assert.Equal(t, said.Eat, p.Eat)
			assert.Empty(t, said.NotFor)
			in := map[string]bool{}
			for _, l := range p.Document.Lines {
				in[l.Food] = true
			}
			for _, m := range a.Must {
				id := m.Food
				for _, y := range k.Foods.Yields() {
					if y.Dry.ID == id {
						id = y.Cooked.ID
					}
				}
				assert.True(t, in[id], "%s must go in", id)
			}
			for _, l := range p.Document.Lines {
				status := a.Eaters.Table().Check(k.Foods.Find(l.Food), nil).Status
				assert.True(t, status == eaters.Clear || musts[l.Food] && status == eaters.Label, "%s", l.Food)
				if l.Grams == mustOf(&a, l.Food) {
					continue // as it was said
				}
				assert.InDelta(t, l.Grams*2, float64(int(l.Grams*2+.5)), 1e-6, "%g g of %s", l.Grams, l.Food)
				assert.Positive(t, l.Grams)
			}
		}
	})
}

func TestAsksThatCannotBeMet(t *testing.T) {
	_, err := compose.Compose(kitchen.Usual(), &compose.Ask{Format: compose.Format, Any: true, Eaters: &eaters.Eaters{Diet: "vegan", Avoid: []string{"gluten", "meat"}}}, nil)
	assert.Equal(t, &compose.Fault{Code: "eaters", What: "meat"}, err, "the word that is not known is told")
	for code, a := range map[string]compose.Ask{
		"no-body":        {Must: []compose.Amount{{Food: "onion", Grams: 400}}, May: []string{"parsley"}},
		"not-for-eaters": {Must: []compose.Amount{{Food: "cheese-semi", Grams: 100}}, Eaters: &eaters.Eaters{Diet: "vegan"}},
		"too-much":       {Must: []compose.Amount{{Food: "lentils-cooked", Grams: 50_000}}},
		"too-little":     {Must: []compose.Amount{{Food: "lentils-cooked", Grams: 1}}},
		"unknown-food":   {May: []string{"moonbeams"}},
		"portions":       {Portions: 500, Any: true},
		"minutes":        {Minutes: 3, Any: true},
		"kind":           {Kind: "soup", Any: true},
		"method":         {Methods: []method.Method{"sun"}, Any: true},
		"eaters":         {Eaters: &eaters.Eaters{Avoid: []string{"moonbeams"}}, Any: true},
		"must-apart":     {Must: []compose.Amount{{Food: "tuna-canned", Grams: 200}, {Food: "beef-ground-15", Grams: 300}}},
	} {
		_, err := compose.Compose(kitchen.Usual(), &a, nil)
		var fault *compose.Fault
		require.ErrorAs(t, err, &fault, code)
		assert.Equal(t, code, fault.Code)
	}
}

// Where little can be made, it says which one thing more would make it possible.
func TestWhatIsMissingIsTold(t *testing.T) {
	a := compose.Ask{Must: []compose.Amount{{Food: "black-beans-canned", Grams: 480}}, May: []string{"onion", "carrot", "parsley"}, Portions: 4}
	got := composed(t, &a)
	require.NotEmpty(t, got.Missing)
	more := a
	more.May = append(more.May, got.Missing[0].Food)
	sure := len(got.Proposals)
	if got.Nearest {
		sure = 0 // those only come near
	}
	with := composed(t, &more)
	assert.False(t, with.Nearest)
	assert.Greater(t, len(with.Proposals), sure)
}

// A vegetable alone becomes fritters, a soft cheese what it is mixed with, and where time is too short what takes longer is shown.
func TestWhatCooksBeginWith(t *testing.T) {
	for name, a := range map[string]compose.Ask{
		"celeriac":       {Must: []compose.Amount{{Food: "celeriac", Grams: 500}}, May: []string{"onion", "garlic", "chickpea-flour", "corn-starch"}},
		"cottage cheese": {Must: []compose.Amount{{Food: "cottage-cheese", Grams: 300}}, May: []string{"oats-rolled", "spinach", "onion", "flax-meal"}, Eaters: &eaters.Eaters{Avoid: []string{"egg"}}},
		"sardines":       {Must: []compose.Amount{{Food: "sardines-canned", Grams: 240}}, May: []string{"potato-mashed", "oats-rolled", "onion", "parsley"}, Minutes: 40},
		"bread":          {Must: []compose.Amount{{Food: "bread-wheat", Grams: 500}}, May: []string{"onion", "celery", "butter", "broth", "fresh-herbs"}, Kind: piece.Stuffing, Portions: 10},
		"risotto":        {Must: []compose.Amount{{Food: "rice-cooked", Grams: 500}, {Food: "cheese-hard", Grams: 40}}, May: []string{"onion", "garlic", "carrot", "oats-rolled", "flax-meal", "potato-flakes"}, Kind: piece.Ball},
	} {
		got := composed(t, &a)
		require.NotEmpty(t, got.Proposals, name)
		for _, m := range a.Must {
			assert.InDelta(t, m.Grams, grams(&got.Proposals[0].Document, m.Food), .01*m.Grams, name)
		}
	}
}

// What is kept apart goes together where both are asked for; alone, each is given without the other.
func TestFamiliesApart(t *testing.T) {
	both := composed(t, &compose.Ask{Must: []compose.Amount{{Food: "white-beans-canned", Grams: 240}, {Food: "tuna-canned", Grams: 150}}, May: []string{"onion", "parsley", "oats-rolled"}})
	require.NotEmpty(t, both.Proposals)
	assert.Equal(t, 150., grams(&both.Proposals[0].Document, "tuna-canned"))
	one := composed(t, &compose.Ask{Must: []compose.Amount{{Food: "white-beans-canned", Grams: 400}}, May: []string{"onion", "tuna-canned", "oats-rolled", "chickpea-flour"}})
	require.NotEmpty(t, one.Proposals)
	for _, p := range one.Proposals {
		assert.Zero(t, grams(&p.Document, "tuna-canned"))
	}
}

// For hot oil dry chickpeas are soaked and go in raw; for the oven they are boiled.
func TestChickpeasForHotOilAreOnlySoaked(t *testing.T) {
	for heat, boil := range map[method.Method]float64{method.DeepOil: 0, method.StillOven: 75} {
		got := composed(t, &compose.Ask{Must: []compose.Amount{{Food: "chickpeas-dry", Grams: 250}}, May: []string{"parsley", "onion", "garlic", "chickpea-flour"}, Kind: piece.Ball, Methods: []method.Method{heat}})
		require.NotEmpty(t, got.Proposals, heat)
		require.NotEmpty(t, got.Proposals[0].Before, heat)
		assert.Equal(t, boil, got.Proposals[0].Before[0].BoilMinutes, heat)
	}
}

// Carrots alone hold in nothing: it is told what would make fritters of them.
func TestWhatWouldMakeFrittersIsTold(t *testing.T) {
	got := composed(t, &compose.Ask{Must: []compose.Amount{{Food: "carrot", Grams: 400}}, May: []string{"onion"}})
	assert.True(t, got.Nearest || len(got.Proposals) == 0)
	require.NotEmpty(t, got.Missing)
	assert.Equal(t, "chickpea-flour", got.Missing[0].Food)
}

// What must go in is not made to hold by flour alone: there is as much beside it as it wants. What is cooked is held by what is
// raw of its kind, nuts by themselves are the roast that they are called after, and who has one grain to use up is given no other.
func TestWhatGoesBesideWhatMustGoIn(t *testing.T) {
	may := []string{"onion", "garlic", "parsley", "lemon-juice", "mustard", "potato-mashed", "rice-cooked", "chickpea-flour", "potato-starch", "flax-meal"}
	tuna := composed(t, &compose.Ask{Must: []compose.Amount{{Food: "tuna-canned", Grams: 280}}, May: may, Kind: piece.Patty, Portions: 3}).Proposals[0]
	assert.Greater(t, grams(&tuna.Document, "potato-mashed"), 180.)
	assert.Greater(t, tuna.Chance, .87, ".84 with as little potato as the portions want")
	shrimp := composed(t, &compose.Ask{Must: []compose.Amount{{Food: "shrimp-cooked", Grams: 300}}, May: []string{"white-fish-raw", "ginger", "potato-starch"}, Kind: piece.Patty, Portions: 3})
	require.NotEmpty(t, shrimp.Proposals)
	assert.Greater(t, grams(&shrimp.Proposals[0].Document, "white-fish-raw"), 100.)
	roast := composed(t, &compose.Ask{Must: []compose.Amount{{Food: "cashews", Grams: 150}, {Food: "brown-rice-cooked", Grams: 250}}, May: may, Kind: piece.Loaf, Portions: 6})
	require.NotEmpty(t, roast.Proposals)
	for _, p := range roast.Proposals {
		assert.Greater(t, grams(&p.Document, "cashews"), 100.)
		assert.Zero(t, grams(&p.Document, "rice-cooked"))
	}
}

// Where too few are sure to hold there are others to choose from, behind those and marked.
func TestLessSureMixesComeLast(t *testing.T) {
	got := composed(t, &compose.Ask{Must: []compose.Amount{{Food: "aubergine", Grams: 600}}, May: []string{"white-beans-canned", "oats-rolled", "potato-starch", "chickpea-flour", "onion", "garlic", "parsley"}, Kind: piece.Ball, Portions: 4})
	sure := 0
	for i, p := range got.Proposals {
		if !p.LessSure {
			assert.Equal(t, sure, i, "what is surer comes first")
			assert.GreaterOrEqual(t, p.Low, .5)
			sure++
			continue
		}
		assert.Less(t, p.Low, .5)
		assert.Greater(t, p.Chance, .72)
	}
	assert.Positive(t, sure)
	assert.False(t, got.Nearest)
	assert.Less(t, sure, len(got.Proposals), "this ask has too few that are sure")
}

// What is sure to hold is on the table in about the time that there is, as the plan of the whole has it, fritters are no mince, and
// nuts go into no batter by themselves.
func TestMixesAreReadyInTime(t *testing.T) {
	pantry := []string{"onion", "garlic", "carrot", "parsley", "oats-rolled", "flax-meal", "chickpea-flour", "potato-starch", "rice-cooked", "mustard", "potato-mashed", "walnuts"}
	for _, a := range []compose.Ask{
		{Must: []compose.Amount{{Food: "tofu-soft", Grams: 400}}, Kind: piece.Patty, Portions: 3, Minutes: 50},
		{Must: []compose.Amount{{Food: "tuna-canned", Grams: 280}}, Kind: piece.Patty, Portions: 3, Minutes: 40},
		{Must: []compose.Amount{{Food: "white-beans-canned", Grams: 400}, {Food: "spinach", Grams: 200}}, Portions: 3, Minutes: 60},
		{Must: []compose.Amount{{Food: "beef-ground-15", Grams: 700}, {Food: "carrot", Grams: 200}}, Kind: piece.Loaf, Portions: 6, Minutes: 120},
		{Must: []compose.Amount{{Food: "pork-ground", Grams: 500}}, Kind: piece.Ball, Methods: []method.Method{method.Simmer}, Portions: 4, Minutes: 50},
	} {
		a.May = pantry
		got := composed(t, &a)
		require.NotEmpty(t, got.Proposals)
		require.False(t, got.Nearest, "%+v", a.Must)
		for _, p := range got.Proposals {
			assert.LessOrEqual(t, p.Minutes, 1.2*a.Minutes, "%+v", a.Must)
		}
	}
	k := kitchen.Usual()
	for _, p := range composed(t, &compose.Ask{Any: true, Kind: piece.Fritter, Portions: 4}).Proposals {
		for _, l := range p.Document.Lines {
			f := k.Foods.Find(l.Food)
			assert.False(t, f.Group == food.Meat || f.Group == food.Nut, "%s in a fritter", f.ID)
		}
	}
}

func grams(d *document.Document, id string) (sum float64) {
	for _, l := range d.Lines {
		if l.Food == id {
			sum += l.Grams
		}
	}
	return sum
}

// A cook without an oven is offered none, and one who waits for nobody gets an answer at once.
func TestHeatAndEnd(t *testing.T) {
	a := lentils
	a.Methods = []method.Method{"pan"}
	for _, p := range composed(t, &a).Proposals {
		assert.EqualValues(t, "pan", p.Document.Cook.Method)
	}
	done := make(chan struct{})
	close(done)
	got, err := compose.Compose(kitchen.Usual(), &lentils, done)
	require.NoError(t, err)
	assert.Empty(t, got.Proposals)
}

func BenchmarkComposePantry(b *testing.B) {
	k := kitchen.Usual()
	a := lentils
	for _, f := range k.Foods.Foods() {
		if len(a.May) < 40 {
			a.May = append(a.May, f.ID)
		}
	}
	for b.Loop() {
		_, _ = compose.Compose(k, &a, nil)
	}
}

func BenchmarkComposeShelf(b *testing.B) {
	k := kitchen.Usual()
	for b.Loop() {
		_, _ = compose.Compose(k, &compose.Ask{Any: true, Portions: 4}, nil)
	}
}

func mustOf(a *compose.Ask, id string) float64 {
	for _, m := range a.Must {
		if m.Food == id {
			return m.Grams
		}
	}
	return 0
}
