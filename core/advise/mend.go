package advise

import (
	"cmp"
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// Mend is what to do about a mix that is in the bowl and feels wrong. It starts
// from what the hand says, not from what was predicted.
type Mend struct {
	// Felt is the word the cook chose, and Q the index it stands for.
	Felt mix.Word
	// WaterG is the water that the model must have missed for it to feel so, g: what
	// the document keeps as its hand.
	WaterG    float64
	Q         float64
	Predicted mix.Word
	Band      piece.Band
	// Verdict is fine, too-wet or too-dry.
	Verdict string
	// Additions are foods to add by the spoon, the best first.
	Additions []Spoons
	// RestMinutes is how long to wait instead; 0 where waiting does not do it.
	RestMinutes float64
	// Chill says that an hour of cold firms it enough to shape.
	Chill bool
	// Reshape lists other pieces that want what the mix is now: loaf, stuffing
	// or fritter.
	Reshape []string
}

// Spoons is one food added spoon by spoon.
type Spoons struct {
	Food string
	Have bool
	// SpoonG is the mass of a level tablespoon (or teaspoon for gels), g.
	SpoonG float64
	Unit   food.Unit
	// Steps says how the mix feels after each spoon.
	Steps []SpoonStep
	// Enough is how many spoons bring it into the band; 0 if none does.
	Enough int
	// Stop is the most spoons that are usual, or that do not taste or feel of
	// themselves; 0 if there is no such limit.
	Stop int
	// Minutes is how long to wait before feeling again.
	Minutes float64
}

// SpoonStep is the mix after that many spoons.
type SpoonStep struct {
	Q    float64
	Word mix.Word
}

// maxSpoons is how many spoons of one food are thought through.
const maxSpoons = 12

// feltIndex is the index a word stands for: what was predicted if it has that
// word, else the middle of the word's zone (of a fifth of an index at the open
// ends).
func feltIndex(felt mix.Word, predicted float64) float64 {
	if mix.WordFor(predicted) == felt {
		return predicted
	}
	switch at := slices.Index(mix.SqueezeWords, felt); felt {
	case mix.Crumbles:
		return -0.1
	case mix.Slumps:
		return mix.Zones[at].From + 0.1
	default:
		return (mix.Zones[at].From + mix.Zones[at+1].From) / 2
	}
}

// MendBy says what would bring a mix to its piece's band. ok is false where the
// mix has nothing that drinks.
func MendBy(k *kitchen.Kitchen, d *document.Document, felt mix.Word) (Mend, bool) {
	rest := d.RestIn(k)
	parts := mix.Parts(d.MixLines(k.Foods))
	e := mix.Sum(parts, rest)
	predicted, ok := e.Index()
	if !ok {
		return Mend{}, false
	}
	p := d.PieceOrDefault()
	duty := d.DutyOf(&p, k)
	band := duty.Band
	// What the model missed is taken to be water; what was said of this bowl before
	// stands as long as it comes to the same word.
	loose := e.Loosens()
	q := feltIndex(felt, predicted-loose) + loose
	off := (q - predicted) * e.Span
	if d.Hand != nil {
		if was := predicted + d.Hand.WaterG/e.Span; mix.WordFor(max(was-loose, mix.DriestIndex)) == felt {
			q, off = was, d.Hand.WaterG
		}
	}
	missed := mix.Missed(off)
	e = e.Plus(missed.Effect(rest), 1)
	out := Mend{Felt: felt, WaterG: off, Q: q, Predicted: mix.WordFor(max(predicted-loose, mix.DriestIndex)), Band: band, Verdict: "fine", Additions: []Spoons{}}
	t := table(d)
	switch {
	case q > band.To:
		out.Verdict = "too-wet"
		for _, m := range []float64{5, 10, 15, 20, 30, 45, 60} {
			later := mix.Sum(parts, mix.Rest{Minutes: rest.Minutes + m, Celsius: rest.Celsius, Hands: rest.Hands})
			if (later.Free+off)/later.Span <= band.To {
				out.RestMinutes = m
				break
			}
		}
		duty := d.Duty(k)
		out.Chill = q <= 0.85 && e.Judge(&duty, mix.Coldness(8)).RawRatio >= 1.2
		search := newSearch(k, d, Options{})
		for _, f := range search.binders(search.weigh(*d, nil)) {
			if !f.Group.IsBinder() {
				continue // nobody stirs a mash in by the spoon
			}
			if s := spoons(k, d, e, f, band); len(s.Steps) > 0 {
				out.Additions = append(out.Additions, s)
			}
		}
		out.Reshape = reshape(p.Kind, q)
	case q < band.From:
		out.Verdict = "too-dry"
		for _, f := range k.Foods.Having(food.Thins) {
			id := f.ID
			if t.Check(f, k.LabelRead(id)).Status != eaters.Clear {
				continue
			}
			if s := spoons(k, d, e, f, band); s.Enough > 0 {
				s.Have = s.Have || id == "water"
				out.Additions = append(out.Additions, s)
			}
		}
	}
	slices.SortStableFunc(out.Additions, func(a, b Spoons) int { return cmp.Compare(a.effort(band), b.effort(band)) })
	out.Additions = out.Additions[:min(5, len(out.Additions))]
	return out, true
}

// effort orders additions: what is at hand and does it alone first, then what
// does it alone, then what comes nearest; a spoon counts as much as waiting
// four minutes.
func (s *Spoons) effort(band piece.Band) float64 {
	out := s.Minutes / 4
	if !s.Have {
		out += 100
	}
	if s.Enough > 0 {
		return out + float64(s.Enough)
	}
	last := s.Steps[len(s.Steps)-1].Q
	return out + 60 + 100*max(last-band.To, band.From-last)
}

// spoons follows the index as a food is added to the mix by the spoon.
func spoons(k *kitchen.Kitchen, d *document.Document, e mix.Effect, f *food.Food, band piece.Band) Spoons {
	s := Spoons{Food: f.ID, Have: k.Have(f.ID), Unit: food.Tablespoon, Steps: []SpoonStep{}}
	if f.Group == food.Gel {
		s.Unit = food.Teaspoon
	}
	s.SpoonG, _ = f.GramsPer(s.Unit)
	// Two and a half time constants drink nine tenths.
	s.Minutes = math.Ceil(2.5 * f.Tau)
	l := mix.Line{Food: f, Grams: 1}
	part := l.Part()
	unit := part.Effect(mix.Rest{Minutes: s.Minutes, Celsius: d.RestIn(k).Celsius})
	there := 0.
	for _, l := range d.Lines {
		if l.Food == f.ID {
			there += l.Grams
		}
	}
	most := f.MaxPct
	if row, known := usualOf(f); known {
		if usual := row.by[useOf(d, k)].most; usual > 0 && (most == 0 || usual < most) {
			most = usual
		}
	}
	for n := 1; n <= maxSpoons && s.SpoonG > 0; n++ {
		grams := float64(n) * s.SpoonG
		now := e.Plus(unit, grams)
		if most > 0 && 100*(there+grams)/now.Mass > most {
			break
		}
		q := now.Free / now.Span
		s.Steps = append(s.Steps, SpoonStep{q, mix.WordFor(max(q, mix.DriestIndex))})
		if s.Enough == 0 && band.Holds(q) {
			s.Enough = n
		}
	}
	if most > 0 && len(s.Steps) < maxSpoons {
		s.Stop = len(s.Steps)
	}
	return s
}

// reshape names other pieces that want a mix of that index.
func reshape(kind piece.Kind, q float64) (out []string) {
	if kind != piece.Loaf && q <= 0.75 {
		out = append(out, "loaf")
	}
	if q >= 0.6 && q <= 1 {
		out = append(out, "fritter")
	}
	if kind != piece.Stuffing && q <= 1.3 {
		out = append(out, "stuffing")
	}
	return out
}
