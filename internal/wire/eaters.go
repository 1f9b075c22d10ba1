package wire

import (
	"cuerda/core/food/eaters"
)

// Reason is eaters.Reason as the interface tells it.
type Reason struct {
	Code string `json:"code"`
	What string `json:"what"`
}

// Check is eaters.Check as the interface tells it.
type Check struct {
	Status  eaters.Status `json:"status"`
	Reasons []Reason      `json:"reasons,omitempty"`
}

// Refusal is eaters.Refusal as the interface tells it.
type Refusal struct {
	// Person is which of the people it is, from 1; 0 where all leave it out.
	Person int    `json:"person"`
	Name   string `json:"name,omitempty"`
	Count  int    `json:"count,omitempty"`
	// Why holds the allergens, diets and wants that stand against it.
	Why []string `json:"why"`
	// Foods are those that are out, each once.
	Foods []Refused `json:"foods"`
}

// Refused is eaters.Refused as the interface tells it.
type Refused struct {
	Food    string   `json:"food"`
	Instead []string `json:"instead"`
}
