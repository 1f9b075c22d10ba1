package wire

import (
	"cuerda/core/physics/piece"
	"cuerda/core/plan/supper"
)

// SupperLook is supper.Report as the interface tells it.
type SupperLook struct {
	Dishes  []SupperDishLook `json:"dishes"`
	People  []SupperPerson   `json:"people"`
	Contact []SupperContact  `json:"contact"`
	Shop    []SupperPurchase `json:"shop"`
	Boxes   []SupperBoxLook  `json:"boxes"`
}

// SupperDishLook is supper.DishReport as the interface tells it.
type SupperDishLook struct {
	Name string `json:"name"`
	// Pieces that are made, 0 for a side, of which Boxed are for later days.
	Pieces int        `json:"pieces"`
	Boxed  int        `json:"boxed"`
	Kind   piece.Kind `json:"kind,omitempty"`
	Grams  float64    `json:"grams" digits:"0"`
	// Known says whether its foods are known.
	Known  bool      `json:"known"`
	NotFor []Refusal `json:"not_for"`
	// Labels are foods whose pack is to be read for somebody at the table.
	Labels []string `json:"labels"`
}

// SupperPerson is supper.Person as the interface tells it.
type SupperPerson struct {
	Person int     `json:"person"`
	Name   string  `json:"name"`
	Count  int     `json:"count"`
	Dishes []int   `json:"dishes"`
	Grams  float64 `json:"grams" digits:"0"`
	KCal   float64 `json:"kcal" digits:"0"`
	Full   bool    `json:"full" doc:"a whole plate"`
	Main   bool    `json:"main" doc:"with something made of pieces"`
}

// SupperContact is supper.Contact as the interface tells it.
type SupperContact struct {
	What    string   `json:"what"`
	Free    []int    `json:"free"`
	With    []int    `json:"with"`
	Through []string `json:"through" enum:"board,pan,oil,bowl,oven"`
}

// SupperPurchase is supper.Purchase as the interface tells it.
type SupperPurchase struct {
	Purchase
	Dishes []int        `json:"dishes"`
	Aisle  supper.Aisle `json:"aisle"`
	// Suits is another dish that what is left of a pack would go into; -1 for none.
	Suits int `json:"suits"`
}

// SupperBoxLook is supper.Box as the interface tells it.
type SupperBoxLook struct {
	Dish   int    `json:"dish"`
	Pieces int    `json:"pieces"`
	Day    string `json:"day"`
	Days   int    `json:"days" doc:"after they were cooked"`
	// Freeze says that the fridge would not keep them so long; LastDay is the last that it does.
	Freeze        bool     `json:"freeze"`
	LastDay       string   `json:"last_day"`
	FreezerMonths float64  `json:"freezer_months"`
	ToFridge      *float64 `json:"to_fridge_minutes" nullable:"true" digits:"0"`
	InTime        bool     `json:"cools_in_time"`
	Reheat        string   `json:"reheat" enum:"oven,simmer"`
	Celsius       float64  `json:"celsius" digits:"0"`
	Minutes       *float64 `json:"minutes" nullable:"true" digits:"0"`
	HotCelsius    float64  `json:"hot_celsius" digits:"0"`
	Spoils        string   `json:"spoils" enum:"microwave,oven"`
	Next          string   `json:"next" enum:"pasta,slices,halves,hash,grains"`
}

// SupperLookOf tells a look at a supper.
func SupperLookOf(l *supper.Report) SupperLook {
	out := Of[SupperLook](l)
	for i := range out.Dishes {
		if out.Dishes[i].NotFor == nil {
			out.Dishes[i].NotFor = []Refusal{}
		}
		if out.Dishes[i].Labels == nil {
			out.Dishes[i].Labels = []string{}
		}
	}
	if out.Boxes == nil {
		out.Boxes = []SupperBoxLook{}
	}
	return out
}
