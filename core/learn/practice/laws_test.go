package practice

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/kitchen"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/physics/safety"
	"cuerda/core/predict/bake"
)

// The scale of words rises without a jump, and each index lies where its word does.
func TestTheScaleOfWords(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		q := float64(rapid.IntRange(-300, 1299).Draw(t, "thousandths"))/1000 + .0005
		at := InWords(q)
		assert.Equal(t, mix.WordFor(q), mix.SqueezeWords[int(at)])
		more := q + rapid.Float64Range(1e-6, .1).Draw(t, "more")
		if more < wettest {
			assert.Greater(t, InWords(more), at)
			assert.Less(t, InWords(more)-at, 8*(more-q)+1e-9, "no jump: the narrowest word is an eighth of an index")
		}
		assert.InDelta(t, q, fromWords(at), 1e-6)
	})
	assert.Zero(t, InWords(-2))
	assert.InDelta(t, 6, InWords(7), 1e-12)
}

// A squeeze is right where its word is, off as far as it lies from the truth on that scale, and never both far off
// and right.
func TestSqueezesAreMarkedByTheScale(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		truth := rapid.Float64Range(-.6, 1.8).Draw(t, "truth")
		d := Drill{Kind: Squeeze, Skill: Roots, Index: truth, Word: mix.WordFor(truth)}
		said := rapid.Float64Range(driest, wettest).Draw(t, "said")
		sure := rapid.Float64Range(0, 1).Draw(t, "sure")
		c, err := d.Mark(Answer{Index: said, Sure: sure})
		require.NoError(t, err)
		assert.Equal(t, mix.WordFor(said) == d.Word, c.Right)
		assert.InDelta(t, InWords(said)-InWords(truth), c.Off, .5+1e-12, "half a word at the ends")
		if at := InWords(truth); at > .5 && at < 5.5 {
			assert.InDelta(t, InWords(said)-at, c.Off, 1e-12)
		}
		assert.Equal(t, truth >= wetFrom, c.Wet)
		assert.Equal(t, Roots, c.Skill)
		if c.Right {
			assert.LessOrEqual(t, math.Abs(c.Off), 1.)
		}
		if math.Abs(c.Off) > 1 {
			assert.False(t, c.Right)
		}
		from, to := d.RightBetween()
		if said > from && said < to {
			assert.True(t, c.Right, "what the page marks right is right")
		}
		if said < from || said > to {
			assert.False(t, c.Right)
		}
	})
}

// A mend is right where it leads into the band, too wet above it and too firm below.
func TestMendsAreMarkedByWhereTheyLead(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		band := piece.Band{From: .2, To: .6}
		indices := make([]float64, rapid.IntRange(3, 30).Draw(t, "steps"))
		for i := range indices {
			indices[i] = 1.21 - .05*float64(i) // none on an edge of the band
		}
		d := Drill{Kind: Mend, Band: band, Options: []Option{{Code: AFood, Indices: indices}}}
		n := rapid.IntRange(0, len(indices)-1).Draw(t, "step")
		c, err := d.Mark(Answer{Grams: StepGrams * float64(n), Sure: .5})
		require.NoError(t, err)
		led := indices[n]
		assert.Equal(t, band.Holds(led), c.Right)
		switch {
		case led > band.To:
			assert.Positive(t, c.Off)
		case led < band.From:
			assert.Negative(t, c.Off)
		default:
			assert.Zero(t, c.Off)
		}
		_, err = d.Mark(Answer{Grams: StepGrams * float64(len(indices))})
		assert.ErrorIs(t, err, ErrNoAnswer)
	})
}

// Marks follow what the difference does to the piece: an amount that leaves the mix sticky is not right
// because it reaches the band, and a minute at which the middle is as good as there is not wrong.
func TestMarksFollowWhatTheDifferenceDoes(t *testing.T) {
	d := Drill{Kind: Mend, Band: piece.Band{From: .15, To: .6}, Options: []Option{{
		Code: AFood, BestGrams: 60, Indices: []float64{1.2, 1.1, .95, .8, .65, .59, .56, .5, .46, .42, .4, .38, .35},
		Chances: []float64{.1, .2, .3, .5, .6, .7, .72, .75, .8, .84, .86, .87, .88},
	}}}
	right := func(grams float64) bool {
		c, err := d.Mark(Answer{Grams: grams, Sure: .5})
		require.NoError(t, err)
		return c.Right
	}
	assert.True(t, right(60))
	assert.True(t, right(50), "a little less does as well")
	assert.False(t, right(25), "it is in the band, sticky still, and breaks more often")
	assert.False(t, right(10))

	h := Drill{Kind: Done, Heat: &OnHeat{SeenMinutes: 8, Minutes: 16.5, Within: 1.3, LastMinutes: 30, Target: safety.Target{Celsius: 74}}}
	for m := range 31 {
		p := bake.Point{Minutes: float64(m), CoreCelsius: 74 - 8*math.Exp(-float64(m-8)/2) + math.Max(0, float64(m)-16)*.3}
		if m <= 8 {
			h.Heat.Curve = append(h.Heat.Curve, p)
		} else {
			h.Heat.After = append(h.Heat.After, p)
		}
	}
	at := func(minutes float64) bool {
		c, err := h.Mark(Answer{Minutes: minutes, Sure: .5})
		require.NoError(t, err)
		return c.Right
	}
	assert.True(t, at(16.5))
	assert.True(t, at(13), "the curve is within two degrees there")
	assert.False(t, at(9), "it is six degrees short")
	assert.False(t, at(29), "it is four degrees past it")
}

// Memory does not hang on the order of calls; being right never shortens it, being wrong never lengthens it.
func TestMemoryIsOfCallsNotOfTheirOrder(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		n := rapid.IntRange(1, 30).Draw(t, "calls")
		calls := make([]Call, n)
		for i := range calls {
			calls[i] = Call{Sure: rapid.Float64Range(0, 1).Draw(t, "sure"), Right: rapid.Bool().Draw(t, "right")}
		}
		of := func(calls []Call) Memory {
			var m Memory
			for _, c := range calls {
				before := m.HalfLifeDays
				m.Note(c, evening)
				if m.Calls > 1 && c.Right {
					assert.GreaterOrEqual(t, m.HalfLifeDays, before-1e-12)
				}
				if m.Calls > 1 && !c.Right {
					assert.LessOrEqual(t, m.HalfLifeDays, before+1e-12)
				}
				assert.True(t, m.HalfLifeDays >= shortestLife && m.HalfLifeDays <= longestLife)
			}
			return m
		}
		one := of(calls)
		shuffled := append([]Call(nil), calls...)
		rand.New(rand.NewPCG(uint64(n), 1)).Shuffle(n, func(i, j int) { shuffled[i], shuffled[j] = shuffled[j], shuffled[i] })
		other := of(shuffled)
		assert.InDelta(t, one.HalfLifeDays, other.HalfLifeDays, 1e-9)
		assert.Equal(t, one.Right, other.Right)
		half := one.Recall(evening.Add(time.Duration(one.HalfLifeDays * 24 * float64(time.Hour))))
		assert.InDelta(t, .5, half, 1e-6, "half is gone after the half-life")
	})
}

// A bias is odd in how calls were off, lies nearer to nought than they do, and grows surer with calls.
func TestABiasIsOddAndShrinks(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		n := rapid.IntRange(1, 40).Draw(t, "calls")
		calls, mirrored := make([]Call, n), make([]Call, n)
		for i := range calls {
			calls[i] = Call{Kind: Squeeze, Skill: Skills[rapid.IntRange(0, len(Skills)-1).Draw(t, "skill")], Off: rapid.Float64Range(-3, 3).Draw(t, "off"), Wet: rapid.Bool().Draw(t, "wet")}
			mirrored[i] = calls[i]
			mirrored[i].Off = -calls[i].Off
		}
		lying, backwards := slices.Clone(calls), slices.Clone(mirrored)
		for i := range lying {
			words := float64(len(mix.SqueezeWords))
			lies := words * rapid.Float64Range(0, 1).Draw(t, "lies")
			other := words - lies
			lying[i].Lies, backwards[i].Lies = &lies, &other
			lying[i].Off = min(max(lying[i].Off, -callable(lies)), words-callable(lies)) // a mark stands on the scale
			backwards[i].Off = -lying[i].Off
		}
		l, back := BiasOf(lying), BiasOf(backwards)
		assert.InDelta(t, l.Wet, -back.Wet, 1e-6)
		assert.InDelta(t, l.Dry, -back.Dry, 1e-6)
		assert.InDelta(t, l.WetSD, back.WetSD, 1e-6)
		b, m := BiasOf(calls), BiasOf(mirrored)
		assert.InDelta(t, b.Wet, -m.Wet, 1e-9)
		assert.InDelta(t, b.Dry, -m.Dry, 1e-9)
		assert.InDelta(t, b.Skills[RawWater].Off, -m.Skills[RawWater].Off, 1e-9)
		assert.LessOrEqual(t, math.Abs(b.Wet), 3.)
		twice := BiasOf(append(append([]Call(nil), calls...), calls...))
		assert.LessOrEqual(t, twice.WetSD, b.WetSD+1e-12)
		assert.LessOrEqual(t, twice.DrySD, b.DrySD+1e-12)
		others := BiasOf(append(append([]Call(nil), calls...), Call{Kind: Mend, Off: 3, Wet: true}))
		assert.InDelta(t, b.Wet, others.Wet, 1e-12, "only squeezes tell of it")
	})
}

// A mark at an end of the scale tells only that a call was off by as much or more: cooks who would call past the ends
// are found as far off as they are.
func TestMarksAtTheEndsTellABound(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 8))
	words := float64(len(mix.SqueezeWords))
	for _, off := range []float64{-1.2, -.6, 0, .6, 1.2} {
		var calls []Call
		for range 2000 {
			lies := words * r.Float64()
			called := min(max(lies+off+callSD*r.NormFloat64(), 0), words)
			calls = append(calls, Call{Kind: Squeeze, Skill: Plain, Off: called - callable(lies), Lies: &lies, Wet: lies > words/2})
		}
		b := BiasOf(calls)
		assert.InDelta(t, off, b.Wet, .06)
		assert.InDelta(t, off, b.Dry, .06)
	}
}

// What comes next is one of what may be asked, never three times in a row where there is another, and rather what
// was never called than what is known well.
func TestWhatComesNext(t *testing.T) {
	known := &Memory{}
	for range 12 {
		known.Note(Call{Right: true, Sure: 1}, evening)
	}
	r := rand.New(rand.NewPCG(9, 9))
	of := []Skill{RawWater, Roots}
	memories := map[Skill]*Memory{RawWater: known}
	count := map[Skill]int{}
	var last []Skill
	for range 400 {
		s := Next(of, memories, last, evening, r)
		require.Contains(t, of, s)
		if n := len(last); n >= 2 {
			assert.False(t, last[n-1] == s && last[n-2] == s, "thrice")
		}
		last = append(last, s)
		count[s]++
	}
	assert.Greater(t, count[Roots], count[RawWater])
	for range 20 {
		assert.Equal(t, Lag, Next([]Skill{Lag}, nil, []Skill{Lag, Lag}, evening, r), "where there is no other")
	}
}

// An eye adds up, whatever calls there are: every call once among kinds, sureness and skills, every squeeze in the trail.
func TestAnEyeAddsUp(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		calls := make([]Call, rapid.IntRange(0, 60).Draw(t, "calls"))
		squeezes, right := 0, 0
		for i := range calls {
			calls[i] = Call{
				Kind: Kinds[rapid.IntRange(0, len(Kinds)-1).Draw(t, "kind")], Skill: Skills[rapid.IntRange(0, len(Skills)-1).Draw(t, "skill")],
				At: evening.Add(time.Duration(rapid.IntRange(0, 2000).Draw(t, "hour")) * time.Hour), Sure: rapid.Float64Range(0, 1).Draw(t, "sure"), Right: rapid.Bool().Draw(t, "right"),
				Off: rapid.Float64Range(-3, 3).Draw(t, "off"),
			}
			if calls[i].Kind == Squeeze {
				squeezes++
			}
			if calls[i].Right {
				right++
			}
		}
		e := EyeOf(calls, evening.AddDate(0, 3, 0))
		sum := [4]int{}
		for _, tally := range e.Kinds {
			sum[0] += tally.Calls
		}
		for _, s := range e.Sureness {
			sum[1] += s.Calls
			assert.True(t, s.Said >= 0 && s.Said <= 1 && s.Right >= 0 && s.Right <= 1)
		}
		for _, s := range e.Skills {
			sum[2] += s.Calls
			assert.True(t, s.Recall >= 0 && s.Recall <= 1)
		}
		for _, s := range e.Trail {
			sum[3] += s.Calls
			assert.True(t, s.Off >= 0 && s.Off <= 3)
		}
		assert.Equal(t, [4]int{len(calls), len(calls), len(calls), squeezes}, sum)
		assert.Equal(t, right, e.Right)
		for i := 1; i < len(e.Skills); i++ {
			assert.GreaterOrEqual(t, e.Skills[i-1].Weak, e.Skills[i].Weak)
		}
		assert.LessOrEqual(t, len(e.Bias.Mislead()), 2)
	})
}

// A lesson says why in the terms of the judge: what gives and drinks most first, the weaker stage, and what it would
// feel like without what misleads.
func TestALessonSaysWhy(t *testing.T) {
	k := kitchen.Usual()
	for _, skill := range []Skill{RawWater, NoWait, Roots, Plain} {
		for seed := range uint64(12) {
			d, ok := Make(Squeeze, skill, seed, k)
			require.True(t, ok)
			l := LessonOf(&d, k)
			require.NotEmpty(t, l.Water)
			for i := 1; i < len(l.Water); i++ {
				assert.GreaterOrEqual(t, math.Max(l.Water[i-1].Gives, l.Water[i-1].Drinks), math.Max(l.Water[i].Gives, l.Water[i].Drinks))
			}
			assert.LessOrEqual(t, len(l.Grounds), mostGrounds)
			assert.Contains(t, []string{"raw", "cooked"}, l.Stage)
			switch skill {
			case RawWater, NoWait:
				require.NotNil(t, l.Otherwise)
				assert.Less(t, l.Otherwise.Index, d.Index, "cooked down or rested it is drier")
				assert.Equal(t, mix.WordFor(l.Otherwise.Index), l.Otherwise.Word)
			default:
				assert.Nil(t, l.Otherwise)
			}
		}
	}
}

// Of a mix whose binder was to be chosen the lesson is that of the mix with the right one in it.
func TestTheLessonOfABinderIsOfTheMixWithIt(t *testing.T) {
	k := kitchen.Usual()
	for seed := range uint64(8) {
		d, ok := Make(Binder, NoWait, seed, k)
		require.True(t, ok)
		lines := len(d.Document.Lines)
		l := LessonOf(&d, k)
		assert.InDelta(t, d.Options[d.Answer].Chance, l.Chance, 1e-9)
		assert.Len(t, d.Document.Lines, lines, "what was asked stays as it was")
	}
}
