package learn

import (
	"gonum.org/v1/gonum/mat"

	"cuerda/core/food"
	"cuerda/core/kitchen"
)

// FoodFigure is a figure of a food of the catalogue that tries can tell of.
type FoodFigure struct {
	ID   string
	Food *food.Food
	// SD is one standard deviation of what kitchens are off by, before any try: points of g per 100 g for water, of the natural
	// logarithm for what a food drinks.
	SD float64
}

// FoodFigures lists the figures of those foods, in their order.
func FoodFigures(foods []*food.Food) (out []FoodFigure) {
	for _, f := range foods {
		if q, ok := foodQuantity(f); ok {
			out = append(out, FoodFigure{q.Name, f, q.SD})
		}
	}
	return out
}

// Testimony is what the tries of one kitchen say of figures of foods, without what anybody thought of them before: minus
// half of x'Information x, and Pull'x, is the logarithm of how likely the tries are where the figures are x, in standard
// deviations of each (FoodFigure.SD) from the catalogue's.
type Testimony struct {
	Figures     []string
	Information *mat.SymDense
	Pull        []float64
}

// Testify gives what the tries of a kitchen, the oldest first, say of the foods that it has as the catalogue has them: what
// is the kitchen's own (its hands, its mixes, foods as a label of its packs says) is weighed as it always is and left out
// of what is told (the normal approximation of Believe, with its prior taken away again). Nothing else of a try is in it. A
// kitchen whose tries tell nothing of foods gives nil. o.About says about which values of figures the tries are looked at: the
// nearer to what is so, the better.
func Testify(tries []Try, k *kitchen.Kitchen, common *food.Catalogue, o KitchenOptions) (*Testimony, error) {
	// What a thermometer tells is of ovens, and costly to follow.
	cold := make([]Try, len(tries))
	for i, t := range tries {
		found := *t.Found
		found.CoreCelsius, found.OvenCelsius = nil, nil
		t.Found = &found
		cold[i] = t
	}
	s, b, err := attend(cold, k, o)
	if err != nil {
		return nil, err
	}
	last := len(s.quantities)
	if s.firstZ > 0 {
		last = s.firstZ
	}
	was := map[int]bool{}
	for _, i := range s.was {
		was[i] = true
	}
	var at []int
	out := &Testimony{}
	for i := firstFood; i < last; i++ {
		id := FoodOf(s.quantities[i].Name)
		if f := common.Find(id); id == "" || was[i] || f == nil || !sameFood(f, k.Foods.Find(id)) {
			continue
		}
		at, out.Figures = append(at, i), append(out.Figures, s.quantities[i].Name)
	}
	n := len(at)
	if n == 0 {
		return nil, nil
	}
	some, mode := mat.NewSymDense(n, nil), mat.NewVecDense(n, nil)
	for a, i := range at {
		sd := s.quantities[i].SD
		mode.SetVec(a, b.Mode[i]/sd)
		for c := a; c < n; c++ {
			some.SetSym(a, c, b.Covariance.At(i, at[c])/(sd*s.quantities[at[c]].SD))
		}
	}
	var chol mat.Cholesky
	if !chol.Factorize(some) {
		return nil, ErrNoBelief
	}
	out.Information = mat.NewSymDense(n, nil)
	if err := chol.InverseTo(out.Information); err != nil {
		return nil, ErrNoBelief
	}
	var pull mat.VecDense
	pull.MulVec(out.Information, mode)
	out.Pull = pull.RawVector().Data
	for a, i := range at {
		// In standard deviations the prior has a precision of one, about its mean.
		out.Pull[a] -= s.quantities[i].Mean / s.quantities[i].SD
		out.Information.SetSym(a, a, max(0, out.Information.At(a, a)-1))
	}
	return out, nil
}

// sameFood says whether a kitchen has a food as the catalogue has it.
func sameFood(common, own *food.Food) bool {
	return own == common || own != nil && own.Water == common.Water && own.Plastic == common.Plastic && own.Liquid == common.Liquid && own.Fat == common.Fat
}
