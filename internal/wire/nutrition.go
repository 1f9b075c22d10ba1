package wire

// Facts is nutrition.Facts as the interface tells it.
type Facts struct {
	KCal    float64 `json:"kcal" digits:"0+"`
	KJ      float64 `json:"kj" digits:"0+"`
	Protein float64 `json:"protein_g" digits:"1+"`
	Fat     float64 `json:"fat_g" digits:"1+"`
	Carb    float64 `json:"carb_g" digits:"1+"`
	Fibre   float64 `json:"fibre_g" digits:"1+"`
	Salt    float64 `json:"salt_g" digits:"2+"`
}
