package wire

import (
	"cuerda/core/kitchen"
	"cuerda/core/learn"
)

// Estimate is learn.Estimate as the interface tells it.
type Estimate struct {
	Mean float64 `json:"mean" digits:"3+"`
	SD   float64 `json:"sd" digits:"3+"`
	Low  float64 `json:"low" digits:"3+"`
	High float64 `json:"high" digits:"3+"`
}

// LearnedFigure is learn.Figure as the interface tells it.
type LearnedFigure struct {
	Name string `json:"name"`
	// Food is that which the figure is of; "" for the kitchen's own.
	Food string `json:"food,omitempty"`
	// Unit is K, x for a factor, m, or points: g per 100 g.
	Unit      string   `json:"unit" enum:"K,x,m,points"`
	Prior     Estimate `json:"prior"`
	Posterior Estimate `json:"posterior"`
	// Tries are those that speak for it, the newest first.
	Tries []string `json:"tries"`
	Used  bool     `json:"used"`
}

// Learned is learn.Learned as the interface tells it.
type Learned struct {
	Tries   int                      `json:"tries"`
	Mixes   int                      `json:"mixes"`
	Figures map[string]LearnedFigure `json:"figures"`
}

// LearnedOf tells what a kitchen learned.
func LearnedOf(l *learn.Learned) Learned {
	out := Learned{Tries: l.Tries, Mixes: l.Mixes, Figures: map[string]LearnedFigure{}}
	for i := range l.Figures {
		f := &l.Figures[i]
		out.Figures[f.ID] = FigureOf(f)
	}
	return out
}

// FigureOf tells one figure.
func FigureOf(f *learn.Figure) LearnedFigure {
	return LearnedFigure{
		Name: f.ID, Food: learn.FoodOf(f.ID), Unit: f.Unit(), Prior: Of[Estimate](f.Prior), Posterior: Of[Estimate](f.Posterior),
		Tries: append([]string{}, f.Tries...), Used: f.Used,
	}
}

// LearnedKitchen is a kitchen with what it learned, as files hold it.
type LearnedKitchen struct {
	kitchen.Settings
	Learned kitchen.Taught `json:"learned"`
}
