package predict_test

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/document"
	"cuerda/core/document/documenttest"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	_ "cuerda/core/lawtest"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
	"cuerda/core/predict/squeeze"
)

func TestPredictAnswersAsTheFormatSays(t *testing.T) {
	p := predict.Predict(documenttest.Read(t, documenttest.PeaCakes), kitchen.Usual())
	// The figures are as learned; what they must agree with is each other.
	assert.Less(t, *p.Q, *p.JustMixedQ)
	assert.EqualValues(t, "firm", p.Word)
	assert.True(t, p.InBand)
	assert.InDelta(t, 0.687, p.RawNeedKPa, .001)
	assert.InEpsilon(t, p.RawNeedKPa*p.RawRatio, p.RawKPa, .01)
	assert.InEpsilon(t, p.CookedNeedKPa*p.CookedRatio, p.CookedKPa, .01)
	assert.Equal(t, min(p.ChanceRaw, p.ChanceCooked), p.Chance)
	assert.Equal(t, predict.TurnAndLift, p.Means)
	assert.Equal(t, predict.Holds, p.Verdict)
	assert.Nil(t, p.RawChilledKPa)
	assert.Equal(t, 8, p.Pieces)
	assert.Equal(t, food.Measure{Amount: 2.5, Unit: food.Cup}, *p.Lines[0].Measure)
	assert.Equal(t, []predict.Note{{Code: "raw-flour", Kind: "caution", Food: "chickpea-flour"}}, p.Notes)
	assert.Greater(t, p.Chance, .7)
}

func TestChillIsReportedBesideTheUnchilledHold(t *testing.T) {
	warm := predict.Predict(documenttest.Read(t, documenttest.PeaCakes), kitchen.Usual())
	cold := predict.Predict(documenttest.Read(t, strings.Replace(documenttest.PeaCakes, `"piece"`, `"chill":{"minutes":600,"celsius":4},"piece"`, 1)), kitchen.Usual())
	assert.Equal(t, warm.RawKPa, cold.RawKPa)
	assert.Greater(t, *cold.ChillFactor, 1.2, "an evening at 4 degC firms")
	assert.InEpsilon(t, *cold.ChillFactor*warm.RawKPa, *cold.RawChilledKPa, .01)
	assert.InEpsilon(t, *cold.ChillFactor*warm.RawRatio, cold.RawRatio, .01)
	assert.GreaterOrEqual(t, cold.CookedRatio, warm.CookedRatio, "starch that set in the cold stays set")
	assert.InDelta(t, 4, *cold.ChilledCelsius, .1)
}

func reasonsOf(p predict.Prediction) (out []string) {
	for _, n := range p.Notes {
		if n.Kind == "reason" {
			out = append(out, n.Code)
		}
	}
	return out
}

func TestAFailureSaysWhy(t *testing.T) {
	for _, c := range []struct{ lines, rest, want string }{
		{``, "0", "empty-mix"},
		{`{"food":"water","grams":300}`, "0", "no-paste"},
		{`{"food":"olive-oil","grams":300}`, "0", "no-paste"},
		{`{"food":"red-lentils-cooked","grams":400},{"food":"water","grams":150}`, "10", "too-wet"},
		{`{"food":"rice-flour","grams":400},{"food":"water","grams":50}`, "30", "too-dry"},
		{`{"food":"red-lentils-cooked","grams":400},{"food":"millet-flakes","grams":75}`, "0", "needs-rest"},
		{`{"food":"millet-cooked","grams":500},{"food":"fennel","grams":300}`, "0", "too-many-pieces"},
	} {
		text := strings.Replace(documenttest.WithLines(c.lines), `"lines"`, `"rest":{"minutes":`+c.rest+`},"lines"`, 1)
		p := predict.Predict(documenttest.Read(t, text), kitchen.Usual())
		assert.Contains(t, reasonsOf(p), c.want, "%s", c.lines)
		assert.False(t, p.Verdict == predict.Holds && p.InBand)
		_, err := json.Marshal(p)
		assert.NoError(t, err, "no NaN, no infinity")
	}
}

func TestFoodsAboveTheirLimitAreNamed(t *testing.T) {
	p := predict.Predict(documenttest.Read(t, documenttest.WithLines(`{"food":"red-lentils-cooked","grams":400},{"food":"flax-meal","grams":20},{"food":"flax-meal","grams":20}`)), kitchen.Usual())
	assert.Contains(t, p.Notes, predict.Note{Code: "over-limit", Kind: "limit", Food: "flax-meal", Value: 100 * 40. / 440, Limit: 6})
}

func ExamplePredict() {
	doc, _ := document.Read([]byte(documenttest.PeaCakes), food.Starter())
	p := predict.Predict(doc, kitchen.Usual())
	fmt.Printf("%s, %s: raw %.1f and cooked %.1f times what the piece asks\n", p.Verdict, p.Word, p.RawRatio, p.CookedRatio)
	// Output: holds, firm: raw 2.4 and cooked 2.4 times what the piece asks
}

func BenchmarkReadAndPredict20Lines(b *testing.B) {
	text := documenttest.WithLines(strings.TrimSuffix(strings.Repeat(`{"food":"parsnip","grams":150,"prep":[{"do":"saute","minutes":10}]},{"food":"flax-meal","grams":9},`, 10), ","))
	d, foods := documenttest.Read(b, text), food.Starter()
	b.Run("predict", func(b *testing.B) {
		b.ReportAllocs()
		for b.Loop() {
			predict.Predict(d, kitchen.Usual())
		}
	})
	b.Run("read", func(b *testing.B) {
		b.ReportAllocs()
		for b.Loop() {
			_, _ = document.Read([]byte(text), foods)
		}
	})
}

// What is said of how a mix feels comes from one judgement: its word is that of the marker, the band is
// held by the marker, and no note speaks against the word.
func TestWordMarkerBandAndNotesAgree(t *testing.T) {
	k := kitchen.Usual()
	foods := k.Foods.Foods()
	rapid.Check(t, func(t *rapid.T) {
		d := &document.Document{Format: document.Format, Name: "Drawn", Piece: &piece.Piece{Kind: rapid.SampledFrom([]piece.Kind{piece.Patty, piece.Ball}).Draw(t, "kind"), DiameterMM: 60, ThicknessMM: 18}}
		for range rapid.IntRange(1, 7).Draw(t, "lines") {
			f := foods[rapid.IntRange(0, len(foods)-1).Draw(t, "food")]
			d.Lines = append(d.Lines, document.Line{Food: f.ID, Grams: float64(rapid.IntRange(1, 400).Draw(t, "grams"))})
		}
		p := predict.Predict(d, k)
		if p.Q == nil {
			return
		}
		require.Equal(t, p.Word, mix.WordFor(*p.FeltQ), "the marker stands in the zone of the word")
		require.LessOrEqual(t, *p.FeltQ, *p.Q+1e-9, "little that joins makes a mix feel drier, never wetter")
		require.Equal(t, p.InBand, p.Band.Holds(*p.FeltQ))
		for _, n := range p.Notes {
			switch n.Code {
			case "too-wet", "needs-rest":
				require.Greater(t, *p.FeltQ, p.Band.To, "%s of what feels %s", n.Code, p.Word)
				require.NotContains(t, []mix.Word{mix.Crumbles, mix.Short}, p.Word)
			case "too-dry", "nothing-joins", "wet-and-loose":
				require.Less(t, *p.FeltQ, p.Band.From, "%s of what feels %s", n.Code, p.Word)
				require.NotContains(t, []mix.Word{mix.Slack, mix.Slumps}, p.Word)
			}
		}
		switch p.Says {
		case predict.SaysWet:
			require.Greater(t, *p.FeltQ, p.Band.To)
		case predict.SaysDry:
			require.Less(t, *p.FeltQ, p.Band.From)
		case predict.SaysLikely:
			require.Equal(t, predict.Holds, p.Verdict)
		}
		if h, ok := squeeze.OfBuild(d, k); ok {
			require.Equal(t, p.Word, h.Word, "the picture shows what the word says")
		}
	})
}

func TestWhatHoldingMeansGoesByThePiece(t *testing.T) {
	for kind, means := range map[piece.Kind]predict.Means{
		piece.Patty: predict.TurnAndLift, piece.Ball: predict.TurnAndLift, piece.Shell: predict.TurnAndLift, piece.Fritter: predict.TurnAndLift,
		piece.Loaf: predict.TinAndSlice, piece.Layered: predict.TinAndSlice, piece.Stuffing: predict.Spoon,
	} {
		assert.Equal(t, means, predict.MeansOf(&piece.Piece{Kind: kind}), kind)
	}
	free := false
	assert.Equal(t, predict.Slice, predict.MeansOf(&piece.Piece{Kind: piece.Loaf, Tin: &free}), "shaped by hand on a tray")
}

// A chance comes with the range that builds as well known were found in, and says where
// hardly one like it is known.
func TestAChanceSaysHowSureItIs(t *testing.T) {
	known := predict.Predict(documenttest.Read(t, documenttest.WithLines(`{"food":"turkey-ground","grams":500},{"food":"oats-quick","grams":40},{"food":"onion","grams":60},{"food":"salt","grams":7}`)), kitchen.Usual())
	strange := predict.Predict(documenttest.Read(t, documenttest.WithLines(`{"food":"sugar","grams":300},{"food":"wheat-gluten","grams":300},{"food":"cream","grams":300}`)), kitchen.Usual())
	for _, p := range []predict.Prediction{known, strange} {
		assert.Less(t, p.ChanceLow, p.Chance)
		assert.Greater(t, p.ChanceHigh, p.Chance)
	}
	assert.False(t, known.LittleKnown)
	assert.True(t, strange.LittleKnown)
	bare := predict.Predict(documenttest.Read(t, documenttest.WithLines(`{"food":"olive-oil","grams":300}`)), kitchen.Usual())
	assert.False(t, bare.LittleKnown, "nothing to hold is well known")
	assert.Zero(t, bare.ChanceHigh)
}

// Loose grains are told that nothing joins them, though they are moist enough.
func TestLooseGrainsAreToldWhy(t *testing.T) {
	p := predict.Predict(documenttest.Read(t, documenttest.WithLines(`{"food":"quinoa-cooked","grams":400},{"food":"flax-meal","grams":6},{"food":"salt","grams":4}`)), kitchen.Usual())
	assert.EqualValues(t, "crumbles", p.Word)
	assert.NotEqual(t, predict.Holds, p.Verdict)
	assert.NotEmpty(t, reasonsOf(p))
}

func TestNothingHoldsOutsideItsBand(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := documenttest.Read(t, documenttest.PeaCakes)
		d.Lines = append(d.Lines, document.Line{Food: "water", Grams: rapid.Float64Range(1, 250).Draw(t, "water")})
		d.Piece = &piece.Piece{Kind: rapid.SampledFrom(piece.Kinds).Draw(t, "kind")}
		*d.Piece = piece.Usual(d.Piece.Kind)
		p := predict.Predict(d, kitchen.Usual())
		if p.Verdict == predict.Holds {
			assert.True(t, p.InBand, "too wet or too dry for a %s is no plain yes", d.Piece.Kind)
		}
	})
}

func TestRoomAndFreezerAreTheKitchens(t *testing.T) {
	k := kitchen.Usual()
	k.RoomCelsius, k.FreezerCelsius, k.FridgeCelsius = 30, -25, 8
	d := documenttest.Read(t, documenttest.With(documenttest.PeaCakes, `"chill":{"minutes":600}`))
	assert.InDelta(t, 8, *predict.Predict(d, k).ChilledCelsius, 0.2, "the fridge it has")
	d.Cook = &document.Cook{Method: method.Pan, From: document.FromFreezer}
	assert.Equal(t, -25., *predict.Predict(d, k).ChilledCelsius)
	d.Cook.From = document.FromRoom
	assert.Nil(t, predict.Predict(d, k).ChilledCelsius, "what stands in the room is not chilled")
	d = documenttest.Read(t, strings.Replace(documenttest.PeaCakes, `"celsius":20`, `"celsius":20`, 1))
	d.Rest = &document.Wait{Minutes: 10}
	warm := predict.Predict(d, k)
	assert.Less(t, *warm.Q, *predict.Predict(d, kitchen.Usual()).Q, "a warm kitchen hydrates sooner")
}

func TestWhatTheHandSaidStaysTrueOfTheBowl(t *testing.T) {
	d := documenttest.Read(t, documenttest.PeaCakes)
	model := predict.Predict(d, kitchen.Usual())
	d.Hand = &document.Hand{Word: mix.Slack, WaterG: 60}
	wet := predict.Predict(d, kitchen.Usual())
	assert.Greater(t, *wet.Q, *model.Q+0.2)
	assert.Equal(t, model.MassG, wet.MassG, "what was felt weighs nothing")
	d.Lines = append(d.Lines, document.Line{Food: "psyllium-husk", Grams: 4})
	mended := predict.Predict(d, kitchen.Usual())
	d.Hand = nil
	forgotten := predict.Predict(d, kitchen.Usual())
	assert.Less(t, *mended.Q, *wet.Q)
	assert.Greater(t, *mended.Q, *forgotten.Q+0.1, "a spoonful does not make the hand forget")
}
