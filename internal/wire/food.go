package wire

import (
	"cuerda/core/food"
)

// Measure is food.Measure as the interface tells it.
type Measure struct {
	Amount float64   `json:"amount"`
	Unit   food.Unit `json:"unit"`
}
