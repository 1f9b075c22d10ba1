package piece_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"cuerda/core/physics/method"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

func TestDemandsOfTheTable(t *testing.T) {
	off := false
	const pressure = 1050 * 9.81 / 1000 // kPa per m
	patty := piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 18}
	ball := piece.Piece{Kind: piece.Ball, DiameterMM: 38}
	tin := piece.Piece{Kind: piece.Loaf, LengthMM: 210, WidthMM: 110, HeightMM: 46, SliceMM: 12}
	free := tin
	free.Tin = &off
	for _, c := range []struct {
		name        string
		piece       piece.Piece
		method      method.Method
		turn        bool
		raw, cooked float64
	}{
		{"patty in a pan", patty, method.Pan, true, 0.6867, 2.7468},
		{"patty on a tray", patty, method.StillOven, false, 0.3434, 2.7468},
		{"patty on a tray, turned", patty, method.FanOven, true, 0.4807, 2.7468},
		{"patty on the grill", patty, method.Grill, true, 0.9614, 2.7468},
		{"ball baked", ball, method.StillOven, false, 0.5, 3*pressure*.038 + 1},
		{"ball in broth", ball, method.Simmer, false, 1.0, 3*pressure*.038 + 1},
		{"loaf in a tin", tin, method.StillOven, false, 0.25, 1.5 * pressure * .046 * .046 / .012},
		{"loaf standing free", free, method.StillOven, false, 1.3 * pressure * .046 / 2, 1.5 * pressure * .046 * .046 / .012},
		{"shell", piece.Piece{Kind: piece.Shell, DiameterMM: 60}, method.DeepOil, false, 1.2, 3},
		{"stuffing", piece.Piece{Kind: piece.Stuffing}, method.StillOven, false, .02, .02},
	} {
		d := c.piece.Demand(c.method, c.turn, &parameter.Usual().Handling)
		assert.InDelta(t, c.raw, d.Raw, .0005, c.name)
		assert.InDelta(t, c.cooked, d.Cooked, .0005, c.name)
	}
}

func TestSizesAndVolumes(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := piece.Piece{Kind: rapid.SampledFrom(piece.Kinds).Draw(t, "kind")}
		for _, s := range p.Kind.Sizes() {
			assert.True(t, p.Set(s.Field, rapid.Float64Range(5, 600).Draw(t, s.Field)))
		}
		v := p.Volume()
		assert.GreaterOrEqual(t, v, 0.)
		d := p.Demand(method.Pan, true, &parameter.Usual().Handling)
		assert.True(t, d.Raw > 0 && d.Cooked > 0)
		bigger := p
		for _, s := range p.Kind.Sizes() {
			bigger.Set(s.Field, 2*p.Get(s.Field))
		}
		assert.InDelta(t, 8*v, bigger.Volume(), 1e-9+1e-9*v)
	})
}

func ExamplePiece_Grams() {
	p := piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 18}
	fmt.Printf("%.0f g, bears %.2f kPa raw in a pan\n", p.Grams(1050), p.Demand(method.Pan, true, &parameter.Usual().Handling).Raw)
	// Output: 95 g, bears 0.69 kPa raw in a pan
}
