package problem

import (
	"errors"
	"testing"

	"github.com/stretchr/testify/assert"

	"cuerda/core/document"
	"cuerda/core/plan/schedule"
	"cuerda/core/plan/supper"
)

// Every way that a supper cannot be planned says a code, a place and words; places within a
// build are those of the whole document.
func TestWhatIsInTheWayOfASupper(t *testing.T) {
	dishes := []supper.SupperDish{{Name: "Roots", Steps: []supper.SupperStep{{Name: "Cut"}, {Name: "Roast"}}}, {Name: "Loaf"}}
	for _, x := range []struct {
		err                    error
		code, item, at, phrase string
	}{
		{&supper.Fault{Code: supper.UnknownAim, Pointer: "/aim", Got: "soon"}, BadSupper, supper.UnknownAim, "/aim", "soon"},
		{&supper.Fault{Code: supper.BadBuild, Pointer: "/dishes/1/build", Build: document.Faults{{Code: document.CodeUnknownFood, Pointer: "/lines/0/food", Got: "moonbeams"}}},
			BadSupper, document.CodeUnknownFood, "/dishes/1/build/lines/0/food", "moonbeams"},
		{&schedule.Fault{Code: "circular", Ref: schedule.Ref{Dish: 0, Step: 1}}, BadSupper, "circular", "/dishes/0/steps/1", "Roots, Roast"},
		{&schedule.Fault{Code: "too-many", Ref: schedule.Ref{Dish: 40}}, BadSupper, "too-many", "/dishes/40", "dish 41"},
		{&schedule.LackError{Ref: schedule.Ref{Dish: 0, Step: 1}, What: "racks", Needs: 1}, AtOdds, "lacks-racks", "/dishes/0/steps/1", "1 racks of 0"},
		{&schedule.AtOddsError{Ways: []schedule.Way{{Code: "ready", Ref: schedule.Ref{Dish: 1}, Minutes: 25}}}, AtOdds, "ready", "/dishes/1", "Loaf: ready up to 25 min"},
		{&schedule.AtOddsError{Ways: []schedule.Way{{Code: "gap", Ref: schedule.Ref{Dish: 0, Step: 1}, Minutes: 70}}}, AtOdds, "gap", "/dishes/0/steps/1", "waiting up to 70 min"},
		{&schedule.AtOddsError{Ways: []schedule.Way{{Code: "pin", Ref: schedule.Ref{}}}}, AtOdds, "pin", "/dishes/0/steps/0", "Roots, Cut"},
		{&schedule.AtOddsError{Ways: []schedule.Way{{Code: "late", Minutes: 10}}}, AtOdds, "later", "", "10 min later"},
		{&schedule.AtOddsError{Ways: []schedule.Way{{Code: "oven"}}}, AtOdds, "more-oven", "", "One oven more"},
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
	none := OfSupper(&schedule.AtOddsError{}, dishes)
	assert.Contains(t, none.Detail, "no single change")
	assert.Equal(t, NoPlan, OfSupper(schedule.ErrNoPlan, dishes).Code)
	assert.Equal(t, NoPlan, OfSupper(errors.New("other"), nil).Code)
}
