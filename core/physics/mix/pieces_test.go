package mix_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

// Pieces are not alike: the same mass of beans breaks a paste more than of quinoa.
func TestSmallGrainsBreakAPasteLess(t *testing.T) {
	cohesion := func(text string) float64 {
		e := mix.Sum(mix.Parts(lines(t, text)), mix.Rest{Minutes: 15, Celsius: 20, Hands: 6})
		cold, _ := e.Cohesion()
		return cold / e.GlueCold * e.Mass
	}
	paste := "white-beans-canned 300 mash 1; chickpea-flour 40; "
	assert.Greater(t, cohesion(paste+"quinoa-cooked 200"), cohesion(paste+"chickpeas-canned 200"))
}

// Hot is not cold: what has set before softens; starch drinks more once it is hot.
func TestHotIsNotCold(t *testing.T) {
	rest := mix.Rest{Minutes: 15, Celsius: 20, Hands: 6}
	share := func(text string) float64 {
		e := mix.Sum(mix.Parts(lines(t, text)), rest)
		return e.Set / e.GlueHot
	}
	for _, sets := range []string{"egg 100", "turkey-ground 300; salt 4", "chickpea-flour 80", "potato-starch 40"} {
		assert.Greater(t, share(sets), .7, sets)
	}
	for _, softens := range []string{"chickpeas-canned 300 mash 1", "quinoa-cooked 300", "tahini 100"} {
		assert.Less(t, share(softens), .5, softens)
	}
	starchy := mix.Sum(mix.Parts(lines(t, "red-lentils-cooked 300; potato-starch 40; water 40")), rest)
	assert.Less(t, starchy.FreeHot/starchy.SpanHot, starchy.Free/starchy.Span)
	leafy := mix.Sum(mix.Parts(lines(t, "turkey-ground 300; courgette 300; salt 4")), rest)
	assert.Greater(t, leafy.FreeHot/leafy.SpanHot, leafy.Free/leafy.Span, "raw vegetables sweat")
}

// More glue never makes a mix less sure, at any duty, all else the same.
func TestMoreGlueNeverHurts(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		_, _, s := drawPaste(t)
		more := s.Effect
		more.GlueCold *= rapid.Float64Range(1, 4).Draw(t, "raw glue")
		more.Set *= rapid.Float64Range(1, 4).Draw(t, "set glue")
		more.GlueHot = max(more.GlueHot, more.Set+s.Effect.GlueHot-s.Effect.Set)
		for _, d := range duties {
			was, is := s.Effect.Judge(&d, 0), more.Judge(&d, 0)
			assert.GreaterOrEqual(t, is.Raw, was.Raw-slack)
			assert.GreaterOrEqual(t, is.Cooked, was.Cooked-slack)
		}
	})
}

// A loose stuffing is moist or it is not: dry bread fails, and so does soup.
func TestAStuffingIsJudgedByItsMoisture(t *testing.T) {
	d := mix.NewDuty(&piece.Piece{Kind: piece.Stuffing}, method.StillOven, false, &parameter.Usual().Handling)
	chance := func(broth string) float64 {
		s := mix.Assess(lines(t, "bread-wheat 280; onion 110 saute; butter 50; broth "+broth), mix.Rest{Minutes: 10, Celsius: 20, Hands: 5})
		return s.Effect.Judge(&d, 0).Cooked
	}
	moist := chance("260")
	assert.Greater(t, moist, .6)
	assert.Less(t, chance("40"), moist-.2, "too little broth")
	assert.Less(t, chance("900"), moist-.2, "soup")
}

// The table of the judge says what its terms are; one that does not is refused.
func TestTheTableOfTheJudgeIsWhole(t *testing.T) {
	table := mix.Judges().Table()
	assert.Len(t, table, 1+mix.RawTerms+mix.CookedTerms+2)
	for i, row := range table[1 : 1+mix.RawTerms+mix.CookedTerms] {
		weight := number(t, row[2])
		assert.GreaterOrEqual(t, weight*mix.TermSign(i), 0., "%v has the sign that nature gives", row)
	}
}
