package method

import "cuerda/core/physics/parameter"

func half(*parameter.Heat) float64 { return 0.5 }

// usualRows are the ways of cooking that ship. Temperatures are kitchen practice (grade C); the sources of the heat
// transfer are those of section 7 of docs/model.md, and of the handling those of its section 3.
func usualRows() []Row {
	pattyPan := func(h *parameter.Handling) float64 { return h.PattyPan }
	pattyOven := func(h *parameter.Handling) float64 { return h.PattyOven }
	pattyOvenTurned := func(h *parameter.Handling) float64 { return h.PattyOvenTurned }
	pattyRough := func(h *parameter.Handling) float64 { return h.PattyRough }
	ballPan := func(h *parameter.Handling) float64 { return h.BallPan }
	ballOven := func(h *parameter.Handling) float64 { return h.BallOven }
	rolling := func(h *parameter.Heat) float64 { return h.Rolling }
	waist := func(h *parameter.Heat) float64 { return h.Waist }
	toTheWaist := Face{Of: HotOil, Share: waist, Else: BesidePan}

	return []Row{
		{
			Method: Pan, Names: map[string]string{"en": "in a pan", "es": "en sartén"},
			Medium: Metal, Celsius: 180, Turned: true, Turnable: true, Finishes: true, BrownsBelow: true,
			Transfer: Transfer{Round: Face{Of: HotPan, Share: rolling, Else: Room}, Around: Face{Of: BesidePan}, Bottom: Face{Of: HotPan}},
			Ware:     Skillet, Attended: true, OilPanfulG: 8,
			Patty: pattyPan, PattyTurned: pattyPan, Ball: ballPan, JudgedPan: true,
		},
		{
			Method: StillOven, Names: map[string]string{"en": "in a still oven", "es": "en horno estático"},
			Medium: Air, Celsius: 190, Turnable: true, Sears: true, Finishes: true,
			Transfer: Transfer{Round: Face{Of: StillAir}, Around: Face{Of: StillAir}, Bottom: Face{Of: HotMetal}, Held: Face{Of: HotMetal}},
			Ware:     Tray, Oven: true, Preheated: true,
			Patty: pattyOven, PattyTurned: pattyOvenTurned, Ball: ballOven,
		},
		{
			Method: FanOven, Names: map[string]string{"en": "in a fan oven", "es": "en horno con aire"},
			Medium: Air, Celsius: 180, Turnable: true, Sears: true, Finishes: true,
			Transfer: Transfer{Round: Face{Of: MovedAir}, Around: Face{Of: MovedAir}, Bottom: Face{Of: HotMetal}, Held: Face{Of: HotMetal}},
			Ware:     Tray, Oven: true, Preheated: true,
			Patty: pattyOven, PattyTurned: pattyOvenTurned, Ball: ballOven,
		},
		{
			Method: ShallowOil, Names: map[string]string{"en": "in shallow oil", "es": "en poco aceite"},
			Medium: Fat, Celsius: 175, Turned: true, Turnable: true, BrownsBelow: true,
			Transfer: Transfer{Round: toTheWaist, Around: toTheWaist, Bottom: Face{Of: HotOil}, Top: Face{Of: BesidePan}},
			Ware:     Skillet, Attended: true, OilMM: 6, Cautions: []string{"hot-oil"},
			Patty: pattyPan, PattyTurned: pattyPan, Ball: ballPan, JudgedPan: true,
		},
		{
			Method: DeepOil, Names: map[string]string{"en": "in deep oil", "es": "en mucho aceite"},
			Medium: Fat, Celsius: 175,
			Transfer: Transfer{Round: Face{Of: HotOil}, Around: Face{Of: HotOil}},
			Ware:     Pot, Attended: true, OilMM: 60, Cautions: []string{"hot-oil"},
			Patty: pattyRough, PattyTurned: pattyRough, Ball: func(h *parameter.Handling) float64 { return h.BallDeep }, JudgedDeep: true,
		},
		{
			Method: Simmer, Names: map[string]string{"en": "at a simmer", "es": "a fuego lento"},
			Medium: Water, Celsius: 97, Sears: true,
			Transfer: Transfer{Round: Face{Of: Liquid}, Around: Face{Of: Liquid}},
			Ware:     Pot,
			Patty:    pattyRough, PattyTurned: pattyRough, Ball: func(h *parameter.Handling) float64 { return h.BallSimmer }, JudgedSimmer: true,
		},
		{
			Method: Grill, Names: map[string]string{"en": "under or on a grill", "es": "a la parrilla o al grill"},
			Medium: Glow, Celsius: 230, Turned: true, Turnable: true, Sears: true,
			Transfer: Transfer{Round: Face{Of: Element, Share: half, Else: UnderElement}, Around: Face{Of: UnderElement}, Bottom: Face{Of: MetalUnderGlow}, Top: Face{Of: Element}},
			Ware:     Tray, OneTray: true, Oven: true,
			Patty: pattyRough, PattyTurned: pattyRough, Ball: ballPan, JudgedPan: true,
		},
	}
}
