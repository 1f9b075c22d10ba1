package food_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
)

// Rules go by traits, so that a kitchen's own food is what it is like, whatever it is
// called and whatever its label says.
func TestTraitsAreOfKindsNotOfNames(t *testing.T) {
	all := food.Starter()
	for trait, want := range map[food.Trait][]string{
		food.Sugar:  {"sugar", "honey", "maple-syrup"},
		food.Curd:   {"tofu-firm", "tofu-soft"},
		food.Liquid: {"water", "broth", "plant-milk", "aquafaba", "milk"},
		food.Thins:  {"water", "broth", "plant-milk", "aquafaba", "lemon-juice", "olive-oil", "tomato-passata", "yogurt-greek"},
	} {
		var got []string
		for _, f := range all.Having(trait) {
			assert.True(t, f.Is(trait), f.ID)
			got = append(got, f.ID)
		}
		assert.Equal(t, want, got, "%s, the usual first", trait)
	}
	label := food.PackLabel{Fat: 7, Carb: 3, Fibre: 1, Protein: 12, Salt: .1}
	own, err := all.With(nil, []food.Own{{ID: "own-smoked-tofu", Name: "Smoked tofu", Like: "tofu-firm", Label: &label}})
	require.NoError(t, err)
	smoked := own.Find("own-smoked-tofu")
	assert.True(t, smoked.Is(food.Curd))
	assert.NotContains(t, own.Having(food.Curd), smoked, "a list of usual foods has none of a kitchen's own")
	press := []food.Preparation{{Do: food.Press}}
	firm := food.Prepare(all.Find("tofu-firm"), 300, press)
	pressed := food.Prepare(smoked, 300, press)
	plain := *smoked
	plain.Traits = nil
	assert.Less(t, pressed.Mass, food.Prepare(&plain, 300, press).Mass-20, "a curd gives up more")
	assert.InDelta(t, firm.Mass, pressed.Mass, 40)
	for _, trait := range []food.Trait{food.Classic, food.LegumeTaste, food.OfGrain, food.OwnStarch, food.Rennet, food.SetsHot, food.SmallGrain} {
		assert.NotEmpty(t, all.Having(trait), trait)
		assert.False(t, all.Find("salt").Is(trait))
	}
}
