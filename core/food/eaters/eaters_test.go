package eaters_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/food"
	"cuerda/core/food/eaters"
	_ "cuerda/core/lawtest"
)

var foods = food.Starter()

func TestChecks(t *testing.T) {
	for _, c := range []struct {
		food string
		who  eaters.Eaters
		want eaters.Status
	}{
		{"walnuts", eaters.Eaters{}, eaters.Clear},
		{"walnuts", eaters.Eaters{Avoid: []string{"tree-nut"}}, eaters.Out},
		{"walnuts", eaters.Eaters{Avoid: []string{"egg"}}, eaters.Clear},
		{"walnuts", eaters.Eaters{Wants: []string{"nut-free"}}, eaters.Out},
		{"peanuts", eaters.Eaters{Wants: []string{"nut-free"}}, eaters.Out},
		{"breadcrumbs-dry", eaters.Eaters{Avoid: []string{"gluten"}}, eaters.Out},
		{"soy-sauce", eaters.Eaters{Avoid: []string{"gluten"}}, eaters.Out},
		{"tamari", eaters.Eaters{Avoid: []string{"gluten"}}, eaters.Label},
		{"oats-rolled", eaters.Eaters{Avoid: []string{"gluten"}}, eaters.Label},
		{"oats-rolled", eaters.Eaters{Avoid: []string{"egg"}}, eaters.Clear},
		{"gf-crumbs", eaters.Eaters{Avoid: []string{"egg"}}, eaters.Label},
		{"dried-fruit", eaters.Eaters{Avoid: []string{"sulphites"}}, eaters.Label},
		{"egg", eaters.Eaters{Diet: "vegetarian"}, eaters.Clear},
		{"egg", eaters.Eaters{Diet: "vegan"}, eaters.Out},
		{"honey", eaters.Eaters{Diet: "vegan"}, eaters.Out},
		{"gelatin", eaters.Eaters{Diet: "vegetarian"}, eaters.Out},
		{"gelatin", eaters.Eaters{Diet: "no-pork"}, eaters.Label},
		{"bacon", eaters.Eaters{Diet: "no-pork"}, eaters.Out},
		{"lamb-ground", eaters.Eaters{Diet: "no-pork"}, eaters.Clear},
		{"lamb-ground", eaters.Eaters{Diet: "no-red-meat"}, eaters.Out},
		{"turkey-ground", eaters.Eaters{Diet: "no-red-meat"}, eaters.Clear},
		{"olive-oil", eaters.Eaters{Wants: []string{"oil-free"}}, eaters.Out},
		{"mayonnaise-egg-free", eaters.Eaters{Wants: []string{"oil-free"}}, eaters.Out},
		{"rice-flour", eaters.Eaters{Wants: []string{"grain-free"}}, eaters.Out},
		{"chickpea-flour", eaters.Eaters{Wants: []string{"grain-free"}}, eaters.Clear},
		{"feta", eaters.Eaters{Wants: []string{"low-salt"}}, eaters.Label},
		{"sugar", eaters.Eaters{Wants: []string{"no-added-sugar"}}, eaters.Out},
		{"egg", eaters.Eaters{People: []eaters.Person{{Count: 11}, {Count: 1, Avoid: []string{"egg"}}}}, eaters.Out},
	} {
		got := c.who.Table().Check(foods.Find(c.food), nil)
		assert.Equal(t, c.want, got.Status, "%s for %+v", c.food, c.who)
		assert.Equal(t, got.Status == eaters.Clear, len(got.Reasons) == 0)
	}
}

func TestAReadLabelSettlesOnlyWhatALabelTells(t *testing.T) {
	table := (&eaters.Eaters{Avoid: []string{"gluten"}}).Table()
	assert.Equal(t, eaters.Clear, table.Check(foods.Find("oats-rolled"), []string{"gluten"}).Status)
	both := (&eaters.Eaters{Avoid: []string{"gluten", "milk"}}).Table()
	assert.Equal(t, eaters.Label, both.Check(foods.Find("gf-crumbs"), []string{"gluten"}).Status, "read for one allergen, not for the other")
	assert.Equal(t, []eaters.Reason{{Code: "label", What: "milk"}}, both.Check(foods.Find("gf-crumbs"), []string{"gluten"}).Reasons)
	assert.Equal(t, eaters.Out, table.Check(foods.Find("breadcrumbs-dry"), []string{"gluten"}).Status)
}

func draw(t *rapid.T) eaters.Person {
	return eaters.Person{
		Count: 1,
		Avoid: rapid.SliceOfN(rapid.SampledFrom(eaters.Allergens), 0, 4).Draw(t, "avoid"),
		Diet:  rapid.SampledFrom(append([]string{""}, eaters.Diets...)).Draw(t, "diet"),
		Wants: rapid.SliceOfN(rapid.SampledFrom(eaters.Wants), 0, 3).Draw(t, "wants"),
	}
}

// A kitchen's own syrup is sugar as the catalogue's is, whatever it is called.
func TestAnOwnFoodIsWhatItIsLike(t *testing.T) {
	own, err := foods.With(nil, []food.Own{
		{ID: "own-date-syrup", Name: "Date syrup", Like: "maple-syrup"},
		{ID: "own-baby-corn", Name: "Baby corn", Like: "sweetcorn"},
		{ID: "own-tome", Name: "Tome", Like: "cheese-hard"},
	})
	require.NoError(t, err)
	for id, want := range map[string]string{"own-date-syrup": "no-added-sugar", "own-baby-corn": "grain-free"} {
		who := eaters.Eaters{Wants: []string{want}}
		assert.Equal(t, eaters.Out, who.Table().Check(own.Find(id), nil).Status, id)
	}
	vegetarian := eaters.Eaters{Diet: "vegetarian"}
	assert.Equal(t, eaters.Label, vegetarian.Table().Check(own.Find("own-tome"), nil).Status)
}

func TestMoreEatersNeverWidenTheChoice(t *testing.T) {
	order := map[eaters.Status]int{eaters.Clear: 0, eaters.Label: 1, eaters.Out: 2}
	rapid.Check(t, func(t *rapid.T) {
		people := rapid.SliceOfN(rapid.Custom(draw), 0, 4).Draw(t, "people")
		few := (&eaters.Eaters{People: people}).Table()
		more := (&eaters.Eaters{People: append(people, draw(t))}).Table()
		for i := range foods.Foods() {
			f := foods.Foods()[i]
			assert.LessOrEqual(t, order[few.Check(f, nil).Status], order[more.Check(f, nil).Status], f.ID)
		}
	})
}

func TestWhatStandsInIsClear(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		table := (&eaters.Eaters{People: []eaters.Person{draw(t), draw(t)}}).Table()
		all := foods.Foods()
		f := all[rapid.IntRange(0, len(all)-1).Draw(t, "food")]
		for _, g := range table.Instead(f, foods) {
			assert.Equal(t, eaters.Clear, table.Check(g, nil).Status)
			assert.NotEqual(t, f.ID, g.ID)
		}
	})
}

func ExampleTable_Instead() {
	table := (&eaters.Eaters{Avoid: []string{"tree-nut"}}).Table()
	for _, f := range table.Instead(food.Starter().Find("hazelnut-meal"), food.Starter()) {
		fmt.Println(f.Name)
	}
	// Output:
	// Sunflower seed meal
	// Pumpkin seed meal
	// Tigernut flour
}

func TestForWhomItIsNot(t *testing.T) {
	club := &eaters.Eaters{Avoid: []string{"peanut"}, People: []eaters.Person{
		{Name: "Coeliac", Count: 1, Avoid: []string{"gluten"}}, {Name: "Crew", Count: 9}, {Name: "Vegan", Count: 1, Diet: "vegan"},
	}}
	of := func(ids ...string) (out []*food.Food) {
		for _, id := range ids {
			out = append(out, foods.Find(id))
		}
		return out
	}
	none := func(string) []string { return nil }
	got := club.Refusals(of("turkey-ground", "breadcrumbs-dry", "breadcrumbs-dry", "salt"), foods, none)
	require.Len(t, got, 2)
	assert.Equal(t, []any{1, "Coeliac", []string{"gluten"}, "breadcrumbs-dry"}, []any{got[0].Person, got[0].Name, got[0].Why, got[0].Foods[0].Food})
	assert.Len(t, got[0].Foods, 1, "each food once")
	for _, id := range got[0].Foods[0].Instead {
		assert.Equal(t, eaters.Clear, club.Table().Check(foods.Find(id), nil).Status, "a swap is clear for all")
	}
	assert.Equal(t, []any{3, "Vegan", "turkey-ground"}, []any{got[1].Person, got[1].Name, got[1].Foods[0].Food})
	assert.Empty(t, club.Refusals(of("split-peas-cooked", "oats-rolled"), foods, none), "a label to read is no refusal")
	assert.Nil(t, (*eaters.Eaters)(nil).Refusals(of("egg"), foods, none))
}

func TestNobodyWhoReactsToNutsIsOfferedWhatIsLikeThem(t *testing.T) {
	for _, table := range []eaters.Eaters{{Avoid: []string{"tree-nut"}}, {Wants: []string{"nut-free"}}} {
		tt := table.Table()
		assert.Equal(t, eaters.Label, tt.Check(foods.Find("pine-nuts"), nil).Status, "to be asked")
		for _, id := range []string{"hazelnuts", "walnuts", "almonds"} {
			if f := foods.Find(id); f != nil {
				for _, g := range tt.Instead(f, foods) {
					assert.NotContains(t, []string{"pine-nuts", "coconut-dried"}, g.ID)
				}
			}
		}
	}
}
