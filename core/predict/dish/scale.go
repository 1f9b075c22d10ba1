package dish

import (
	"errors"
	"math"

	"cuerda/core/document"
	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// Aim is what a dish is scaled to; exactly one of its four is given.
type Aim struct {
	Pieces   int
	Portions int
	// Tin that a loaf is to fill, mm.
	Tin *piece.Tin
	// Food that there are Grams of, as it is weighed for its line.
	Food  string
	Grams float64
}

// The ways a dish cannot be scaled.
var (
	ErrNoAim      = errors.New("one of pieces, portions, tin and what there is")
	ErrNoMix      = errors.New("there is no mix to scale")
	ErrNoPortions = errors.New("it is not said how many portions the dish makes")
	ErrNoPieces   = errors.New("what it fills has no size")
	ErrNotThere   = errors.New("the food is in no line of the mix")
	ErrTooMuch    = errors.New("an amount would be more than can be handled")
	ErrTooLittle  = errors.New("an amount would be less than can be weighed")
)

// Scaled is a document in another amount.
type Scaled struct {
	Document document.Document
	// Factor is how many times the amounts were taken before they were rounded.
	Factor float64
	// QWas and Q are the index before and after: rounding moves it a little.
	QWas *float64
	Q    *float64
}

// Scale takes a document that Read has accepted to an aim. Amounts are
// rounded to what can be weighed. An aim that cannot be had is one of the
// errors of this package, or of package piece for a tin.
func Scale(d *document.Document, a Aim, k *kitchen.Kitchen) (Scaled, error) {
	factor, shape, err := factorOf(d, a, k)
	if err != nil {
		return Scaled{}, err
	}
	out := *d
	out.Piece = &shape
	if d.Portions > 0 {
		out.Portions = max(1, min(document.MaxPortions, int(math.Round(float64(d.Portions)*factor))))
	}
	if a.Portions > 0 {
		out.Portions = a.Portions
	}
	if out.Lines, err = scaled(d.Lines, factor); err != nil {
		return Scaled{}, err
	}
	out.Parts = append([]document.Part(nil), d.Parts...)
	for i := range out.Parts {
		if out.Parts[i].Lines, err = scaled(out.Parts[i].Lines, factor); err != nil {
			return Scaled{}, err
		}
	}
	if d.Hand != nil {
		hand := *d.Hand
		hand.WaterG = math.Round(10*hand.WaterG*factor) / 10
		if math.Abs(hand.WaterG) > document.MaxGrams {
			return Scaled{}, ErrTooMuch
		}
		out.Hand = &hand
	}
	if a.Pieces > 0 {
		// So many are so many: the piece takes what rounding the amounts took or gave.
		parts := mix.Parts(out.MixLines(k.Foods))
		fitted, err := k.Fit(&shape, piece.Aim{Pieces: a.Pieces}, massOf(parts), heat.CompositionOf(parts).Density())
		if err != nil {
			return Scaled{}, err
		}
		fitted.Count = a.Pieces
		out.Piece = &fitted
	} else if shape.Count > 0 {
		shape.Count = min(piece.MaxCount, max(1, int(math.Round(float64(shape.Count)*factor))))
	}
	return Scaled{Document: out, Factor: factor, QWas: indexOf(d, k), Q: indexOf(&out, k)}, nil
}

func factorOf(d *document.Document, a Aim, k *kitchen.Kitchen) (factor float64, shape piece.Piece, err error) {
	shape = d.PieceMade(k)
	given := 0
	for _, is := range []bool{a.Pieces > 0, a.Portions > 0, a.Tin != nil, a.Food != ""} {
		if is {
			given++
		}
	}
	parts := mix.Parts(d.MixLines(k.Foods))
	mass, density := massOf(parts), heat.CompositionOf(parts).Density()
	switch {
	case given != 1 || a.Food != "" && a.Grams <= 0:
		return 0, shape, ErrNoAim
	case mass <= 0:
		return 0, shape, ErrNoMix
	case a.Pieces > 0:
		each := k.PieceGrams(&shape, density)
		if each <= 0 {
			return 0, shape, ErrNoPieces
		}
		return float64(a.Pieces) * each / mass, shape, nil
	case a.Portions > 0:
		now := portionsOf(d)
		if now == 0 {
			return 0, shape, ErrNoPortions
		}
		return float64(a.Portions) / float64(now), shape, nil
	case a.Tin != nil:
		// A mix of whatever size fills the tin to its limit.
		const ample = 1e6
		shape, err = shape.Fit(piece.Aim{Tin: a.Tin}, ample, density)
		return shape.Grams(density) / mass, shape, err
	}
	have := 0.0
	for _, l := range d.Lines {
		if l.Food == a.Food {
			have += l.Grams
		}
	}
	if have <= 0 {
		return 0, shape, ErrNotThere
	}
	return a.Grams / have, shape, nil
}

func scaled(lines []document.Line, factor float64) ([]document.Line, error) {
	out := append([]document.Line{}, lines...) // a part without lines has an empty list, not none
	for i := range out {
		grams := out[i].Grams * factor
		switch {
		case grams > document.MaxGrams:
			return nil, ErrTooMuch
		case grams < 0.05:
			return nil, ErrTooLittle
		}
		out[i].Grams = Weighable(grams)
	}
	return out, nil
}

func indexOf(d *document.Document, k *kitchen.Kitchen) *float64 {
	s := mix.AssessParts(d.Bowl(mix.Parts(d.MixLines(k.Foods))), d.RestIn(k))
	if !s.HasPaste {
		return nil
	}
	q := s.Q
	return &q
}
