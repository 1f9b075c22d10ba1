package piece_test

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	_ "cuerda/core/lawtest"
	"cuerda/core/physics/method"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

const density = 1050.

func usual(k piece.Kind) piece.Piece {
	p := piece.Piece{Kind: k}
	for _, s := range k.Sizes() {
		p.Set(s.Field, s.Default)
	}
	return p
}

func TestPiecesTimesMassIsTheMix(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := usual(rapid.SampledFrom(piece.Kinds).Draw(t, "kind"))
		n := rapid.IntRange(1, 60).Draw(t, "n")
		mix := float64(n) * rapid.Float64Range(12, 400).Draw(t, "each")
		fit, err := p.Fit(piece.Aim{Pieces: n}, mix, density)
		if err != nil {
			assert.True(t, err == piece.ErrTooBig || err == piece.ErrTooSmall)
			return
		}
		y := fit.Yield(mix, density)
		assert.Equal(t, n, y.Pieces)
		assert.InEpsilon(t, mix, float64(y.Pieces)*y.PieceG+y.RemainderG, 0.021)
		assert.Equal(t, p.Kind, fit.Kind)
	})
}

func TestAllWaysOfSizingAgree(t *testing.T) {
	for _, k := range piece.Kinds {
		p := usual(k)
		grams := 42.
		if k.IsLoaf() {
			grams = 630
		}
		byGrams, err := p.Fit(piece.Aim{Grams: grams}, 1000, density)
		require.NoError(t, err, k)
		byVolume, err := p.Fit(piece.Aim{Millilitres: grams * 1000 / density}, 1000, density)
		require.NoError(t, err, k)
		assert.InEpsilon(t, grams, byGrams.Grams(density), 0.01, k)
		assert.InEpsilon(t, byGrams.Volume(), byVolume.Volume(), 0.005, k)
	}
}

func TestDishersHoldWhatTheirNumberSays(t *testing.T) {
	seen := 0
	last := 0.
	for _, s := range piece.Scoops {
		var n float64
		if _, err := fmt.Sscanf(s.Name, "disher-%f", &n); err == nil {
			assert.InEpsilon(t, 946.353, n*s.Millilitres, 1e-6)
			assert.Greater(t, s.Millilitres, last)
			last = s.Millilitres
			seen++
		}
	}
	assert.Equal(t, 13, seen)
}

func TestTins(t *testing.T) {
	require.Len(t, piece.Tins, 9)
	loaf := usual(piece.Loaf)
	tin := piece.Tins[3]
	half, err := loaf.Fit(piece.Aim{Tin: &tin}, 700, density)
	require.NoError(t, err)
	assert.Equal(t, 1, half.Yield(700, density).Pieces)
	assert.Less(t, half.Fill(), piece.FillLimit)
	full, err := loaf.Fit(piece.Aim{Tin: &tin}, 3000, density)
	require.NoError(t, err)
	assert.InDelta(t, piece.FillLimit, full.Fill(), 0.001, "never fuller")
	assert.Equal(t, 2, full.Yield(3000, density).Pieces)
	_, err = loaf.Fit(piece.Aim{Tin: &piece.Tin{LengthMM: 10, WidthMM: 10, HeightMM: 5}}, 3000, density)
	assert.ErrorIs(t, err, piece.ErrTooSmall, "too small a tin")
	patty := usual(piece.Patty)
	_, err = patty.Fit(piece.Aim{Tin: &tin}, 700, density)
	assert.ErrorIs(t, err, piece.ErrNoLoaf)
}

func TestSizesThatCannotBeHad(t *testing.T) {
	ball := usual(piece.Ball)
	for _, c := range []struct {
		aim piece.Aim
		mix float64
		err error
	}{
		{piece.Aim{}, 500, piece.ErrNoAim},
		{piece.Aim{Pieces: 3, Grams: 4}, 500, piece.ErrNoAim},
		{piece.Aim{Pieces: 3}, 0, piece.ErrNoMix},
		{piece.Aim{Grams: 0.01}, 500, piece.ErrTooSmall},
		{piece.Aim{Millilitres: 1e9}, 500, piece.ErrTooBig},
	} {
		_, err := ball.Fit(c.aim, c.mix, density)
		assert.ErrorIs(t, err, c.err)
	}
}

func TestRemaindersAreOfUse(t *testing.T) {
	p := piece.Piece{Kind: piece.Ball, DiameterMM: 38}
	each := p.Grams(density)
	assert.Equal(t, "none", p.Yield(10*each, density).Remainder)
	assert.Equal(t, "share-out", p.Yield(20.8*each, density).Remainder)
	one := p.Yield(1.05*each, density)
	assert.Equal(t, "larger", one.Remainder, "one piece shares with no other")
	assert.InDelta(t, 1.05*each, one.ShareG, 1e-9)
	assert.Equal(t, "one-small", p.Yield(3.4*each, density).Remainder)
	assert.Equal(t, "nearly-one", p.Yield(3.8*each, density).Remainder)
}

func TestPiecesLieApart(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := usual(rapid.SampledFrom(piece.Kinds).Draw(t, "kind"))
		m := rapid.SampledFrom(method.Methods()).Draw(t, "method")
		if p.Kind == piece.Ball || p.Kind == piece.Patty {
			p.DiameterMM = rapid.Float64Range(10, 150).Draw(t, "d")
		}
		ware := piece.UsualWare
		n := rapid.IntRange(1, 90).Draw(t, "n")
		l := p.Lay(n, m, ware, &parameter.Usual().Lay)
		if l.Holds == 0 {
			assert.Empty(t, l.Places)
			return
		}
		assert.GreaterOrEqual(t, l.Batches*l.AtOnce, n, "all find a place")
		assert.GreaterOrEqual(t, l.Loads*l.Holds, n)
		assert.Less(t, (l.Batches-1)*l.AtOnce, n, "and no batch is for nothing")
		for i, a := range l.Places {
			assert.True(t, a.X >= 0 && a.X <= l.LengthMM && a.Y >= 0 && a.Y <= l.WidthMM)
			if l.AcrossMM != l.AlongMM {
				continue
			}
			for _, b := range l.Places[:i] {
				assert.GreaterOrEqual(t, math.Hypot(a.X-b.X, a.Y-b.Y), l.AcrossMM+9.9, "a gap between")
			}
		}
	})
}

func BenchmarkLay(b *testing.B) {
	p := usual(piece.Patty)
	for b.Loop() {
		p.Lay(12, method.Pan, piece.UsualWare, &parameter.Usual().Lay)
	}
}
