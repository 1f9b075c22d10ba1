package problem

import (
	"errors"
	"testing"

	"github.com/stretchr/testify/assert"

	"cuerda/core/formula"
	"cuerda/core/supper"
	"cuerda/core/supper/menu"
)

// Every way that a supper cannot be planned says a code, a place and words; places within a
// build are those of the whole document.
func TestWhatIsInTheWayOfASupper(t *testing.T) {
	dishes := []menu.SupperDish{{Name: "Roots", Steps: []menu.SupperStep{{Name: "Cut"}, {Name: "Roast"}}}, {Name: "Loaf"}}
	for _, x := range []struct {
		err                    error
		code, item, at, phrase string
	}{
		{&menu.Fault{Code: menu.UnknownAim, Pointer: "/aim", Got: "soon"}, BadSupper, menu.UnknownAim, "/aim", "soon"},
		{&menu.Fault{Code: menu.BadBuild, Pointer: "/dishes/1/build", Build: formula.Faults{{Code: formula.CodeUnknownFood, Pointer: "/lines/0/food", Got: "moonbeams"}}},
			BadSupper, formula.CodeUnknownFood, "/dishes/1/build/lines/0/food", "moonbeams"},
		{&supper.Fault{Code: "circular", Ref: supper.Ref{Dish: 0, Step: 1}}, BadSupper, "circular", "/dishes/0/steps/1", "Roots, Roast"},
		{&supper.Fault{Code: "too-many", Ref: supper.Ref{Dish: 40}}, BadSupper, "too-many", "/dishes/40", "dish 41"},
		{&supper.LackError{Ref: supper.Ref{Dish: 0, Step: 1}, What: "racks", Needs: 1}, AtOdds, "lacks-racks", "/dishes/0/steps/1", "1 racks of 0"},
		{&supper.AtOddsError{Ways: []supper.Way{{Code: "ready", Ref: supper.Ref{Dish: 1}, Minutes: 25}}}, AtOdds, "ready", "/dishes/1", "Loaf: ready up to 25 min"},
		{&supper.AtOddsError{Ways: []supper.Way{{Code: "gap", Ref: supper.Ref{Dish: 0, Step: 1}, Minutes: 70}}}, AtOdds, "gap", "/dishes/0/steps/1", "waiting up to 70 min"},
		{&supper.AtOddsError{Ways: []supper.Way{{Code: "pin", Ref: supper.Ref{}}}}, AtOdds, "pin", "/dishes/0/steps/0", "Roots, Cut"},
		{&supper.AtOddsError{Ways: []supper.Way{{Code: "late", Minutes: 10}}}, AtOdds, "later", "", "10 min later"},
		{&supper.AtOddsError{Ways: []supper.Way{{Code: "oven"}}}, AtOdds, "more-oven", "", "One oven more"},
	} {
		p := OfSupper(x.err, dishes)
		assert.Equal(t, 422, p.Status)
		assert.Equal(t, x.code, p.Code, x.item)
		if assert.Len(t, p.Errors, 1, x.item) {
			assert.Equal(t, x.item, p.Errors[0].Code)
			assert.Equal(t, x.at, p.Errors[0].Pointer, x.item)
			assert.Contains(t, p.Errors[0].Message, x.phrase)
		}
	}
	none := OfSupper(&supper.AtOddsError{}, dishes)
	assert.Contains(t, none.Detail, "no single change")
	assert.Equal(t, NoPlan, OfSupper(supper.ErrNoPlan, dishes).Code)
	assert.Equal(t, NoPlan, OfSupper(errors.New("other"), nil).Code)
}
