package wire

import (
	"cuerda/core/food"
)

// Measure answers food.Measure.
type Measure struct {
	Amount float64   `json:"amount"`
	Unit   food.Unit `json:"unit"`
}
