package heat

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/physics/method"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
)

var lean = Composition{Water: .68, Protein: .18, Fat: .08, Carb: .03, Fibre: .01, Ash: .02}

func cooking(p piece.Piece, m method.Method, celsius, target float64) *Cooking {
	return &Cooking{Piece: p, Material: NewMaterial(lean, 100), Method: m, Celsius: celsius, Turn: m.Row().Turned, Room: 20, Target: Target{Celsius: target}}
}

func cooked(c *Cooking, start float64) Course { return c.Run(c.Begin(start)) }

var (
	ball28 = piece.Piece{Kind: piece.Ball, DiameterMM: 38}
	patty  = piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 18}
	inTin  = piece.Piece{Kind: piece.Loaf, LengthMM: 210, WidthMM: 110, HeightMM: 46}
)

func TestMinutesThatKitchensKnow(t *testing.T) {
	for _, c := range []struct {
		name               string
		cooking            *Cooking
		start, least, most float64
	}{
		{"a 28 g ball at 190", cooking(ball28, method.StillOven, 190, 71), 6, 14, 20},
		{"a 10 g ball in broth", cooking(piece.Piece{Kind: piece.Ball, DiameterMM: 26.5}, method.Simmer, 97, 71), 6, 4, 6},
		{"a kilo loaf in a tin at 177", cooking(inTin, method.StillOven, 177, 74), 6, 50, 62},
		{"a patty in a pan", cooking(patty, method.Pan, 180, 74), 6, 8, 14},
	} {
		got := cooked(c.cooking, c.start)
		assert.True(t, got.Reached, c.name)
		assert.GreaterOrEqual(t, got.ToTarget, c.least, c.name)
		assert.LessOrEqual(t, got.ToTarget, c.most, c.name)
		assert.LessOrEqual(t, got.Pull, got.ToTarget+0.5, c.name)
		assert.GreaterOrEqual(t, got.Peak, c.cooking.Target.Celsius-0.6, "%s: done while it rests", c.name)
	}
}

func TestAPattyFirmsInTheFridge(t *testing.T) {
	p := piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 15}
	b := (&Cooking{Piece: p, Material: NewMaterial(lean, 100)}).Begin(22)
	b.SurroundAll(Cold(&parameter.Usual().Heat, 3))
	b.Surround(Bottom, ColdTray(&parameter.Usual().Heat, 3))
	b.Advance(120*60, func() bool { _, hottest := b.Extreme(); return hottest <= 8 })
	assert.Greater(t, b.Seconds/60, 50.)
	assert.Less(t, b.Seconds/60, 90.)
}

func TestNoHeatIsLostInTheSums(t *testing.T) {
	for name, c := range map[string]*Cooking{
		"ball in oil":     cooking(ball28, method.DeepOil, 175, 74),
		"patty in a pan":  cooking(patty, method.Pan, 180, 74),
		"loaf in a tin":   cooking(inTin, method.FanOven, 180, 74),
		"ball from frost": cooking(ball28, method.StillOven, 190, 74),
	} {
		start := 6.
		if name == "ball from frost" {
			start = -18
		}
		b := c.Begin(start)
		before := b.Stored()
		c.surround(b, c.Method, c.Celsius)
		// What the skins show, from outside, by the trapezoidal rule alone.
		b.rates()
		shown, last, lastFlow := flow{}, 0., b.crossing()
		b.Advance(600, func() bool {
			now := b.crossing()
			shown = shown.plus((b.Seconds-last)/2, now.plus(1, lastFlow))
			last, lastFlow = b.Seconds, now
			return false
		})
		gained := b.Stored() - before + b.Boiled
		supplied := b.HeatIn + latentVapour*b.Vapour
		assert.InDelta(t, b.HeatIn, gained, 0.001*supplied, "%s: %.3f%% of what was supplied", name, 100*(gained-b.HeatIn)/supplied)
		assert.InEpsilon(t, shown.heat, b.HeatIn, 0.01, "%s: the skins show it", name)
		assert.InDelta(t, shown.vapour, b.Vapour-b.Boiled/latentVapour, 0.02*b.Vapour, "%s: and the vapour", name)
		water := 0.0
		for i, w := range b.water {
			water += (b.Material.water - w) * b.volume[i]
		}
		assert.InDelta(t, b.Boiled/latentVapour, water*b.times, 1e-9, "what boiled off is gone: %s", name)
		assert.GreaterOrEqual(t, b.Vapour+1e-12, b.Boiled/latentVapour)
	}
}

func TestRefiningChangesLittle(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	// Behind the crust of a pan or of oil, thinner than a cell, the minutes are
	// surer than the water lost; section 7 of docs/model.md has the figures.
	for _, c := range []struct {
		name                  string
		cooking               *Cooking
		minutes, pull, vapour float64
	}{
		{"ball", cooking(ball28, method.StillOven, 190, 71), 0.02, 0.02, 0.004},
		{"patty", cooking(patty, method.FanOven, 180, 74), 0.02, 0.02, 0.004},
		{"loaf", cooking(inTin, method.StillOven, 177, 74), 0.02, 0.02, 0.004},
		{"ball in broth", cooking(ball28, method.Simmer, 97, 71), 0.02, 0.02, 0.004},
		{"patty under the grill", cooking(patty, method.Grill, 230, 74), 0.02, 0.02, 0.004},
		{"patty in a pan", cooking(patty, method.Pan, 180, 74), 0.03, 0.04, 0.015},
		{"patty in shallow oil", cooking(patty, method.ShallowOil, 180, 74), 0.03, 0.04, 0.015},
		{"patty in deep oil", cooking(patty, method.DeepOil, 175, 74), 0.03, 0.04, 0.015},
	} {
		usual := cooked(c.cooking, 6)
		u := usualResolution[GeometryOf(&c.cooking.Piece).Shape]
		c.cooking.Budget = &Budget{Most: 1e9} // of a finer grid than anybody's
		c.cooking.Resolution = Resolution{2 * u.Radial, 2 * u.Across, 2 * u.Up}
		fine := cooked(c.cooking, 6)
		assert.InEpsilon(t, fine.ToTarget, usual.ToTarget, c.minutes, c.name)
		assert.InEpsilon(t, fine.Pull, usual.Pull, c.pull, c.name)
		assert.InDelta(t, fine.VapourShare, usual.VapourShare, c.vapour, c.name)
		assert.Len(t, usual.Turns, len(fine.Turns), c.name)
	}
}

func TestAWetSkinCountsByItsMinutes(t *testing.T) {
	c := cooking(patty, method.Pan, 180, 74)
	b := c.Begin(72)
	_, _, over := b.Watch(0, c.Target)
	assert.InDelta(t, -2, over, 1e-9)
	for i := range b.heat {
		if b.inThickest(i) {
			b.heat[i] = b.Material.enthalpyAt(75)
		}
	}
	b.fresh = false
	_, _, over = b.Watch(0.5, c.Target)
	assert.Negative(t, over, "half a minute at 72 is not the equal of 2 at 70")
	_, lethal, over := b.Watch(1, c.Target)
	assert.Positive(t, over, "a minute and a half is")
	assert.InEpsilon(t, 1.5*math.Pow(10, 5/7.5), lethal, 0.001)
	_, _, over = b.Watch(0, Target{Celsius: 70, HoldMinutes: 3})
	assert.InDelta(t, 1.5*math.Pow(10, 2/7.5)-3, over, 0.001, "a rule in minutes asks all of it")
}

func TestLawsOfCooking(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	rapid.Check(t, func(t *rapid.T) {
		kind := rapid.SampledFrom([]piece.Kind{piece.Ball, piece.Patty}).Draw(t, "kind")
		p := piece.Piece{Kind: kind, DiameterMM: rapid.Float64Range(20, 90).Draw(t, "d")}
		if kind == piece.Patty {
			p.ThicknessMM = rapid.Float64Range(10, 30).Draw(t, "h")
		}
		m := rapid.SampledFrom([]method.Method{method.StillOven, method.FanOven, method.DeepOil}).Draw(t, "method")
		celsius := rapid.Float64Range(150, 190).Draw(t, "celsius")
		// Behind the crust of deep oil the food boils whatever the oil is, so 20 K
		// change the minutes by less than the usual grid errs.
		fine := 1
		if m == method.DeepOil {
			fine = 2
		}
		course := func(p piece.Piece, celsius, target, start float64) Course {
			c := cooking(p, m, celsius, target)
			u := usualResolution[GeometryOf(&p).Shape]
			c.Resolution = Resolution{fine * u.Radial, fine * u.Across, fine * u.Up}
			return cooked(c, start)
		}
		base := course(p, celsius, 71, 6)
		bigger := p
		bigger.DiameterMM *= 1.2
		bigger.ThicknessMM *= 1.2
		assert.Greater(t, course(bigger, celsius, 71, 6).ToTarget, base.ToTarget, "bigger takes longer")
		hotter := course(p, celsius+20, 71, 6)
		assert.Less(t, hotter.ToTarget, base.ToTarget, "hotter is quicker")
		assert.Greater(t, hotter.VapourShare/hotter.Pull, base.VapourShare/base.Pull*0.999, "and loses no less a minute")
		assert.Greater(t, course(p, celsius, 71, 0).ToTarget, base.ToTarget, "colder takes longer")
		assert.Greater(t, course(p, celsius, 76, 6).ToTarget, base.ToTarget, "a higher target takes longer")
	})
}

func TestSearAndGrillAreMinutesOfTheWay(t *testing.T) {
	free := false
	standing := inTin
	standing.Tin = &free
	for _, p := range []piece.Piece{ball28, patty, standing, {Kind: piece.Patty, DiameterMM: 70, ThicknessMM: 10}, {Kind: piece.Cylinder, DiameterMM: 30, LengthMM: 70}} {
		plain := cooked(cooking(p, method.FanOven, 180, 74), 6)
		for _, c := range []struct{ sear, grill float64 }{{0, 2}, {0, 5}, {2, 0}, {1, 3}, {0, 10}} {
			how := cooking(p, method.FanOven, 180, 74)
			how.SearMinutes, how.GrillMinutes = c.sear, c.grill
			got := cooked(how, 6)
			name := fmt.Sprintf("%v, seared %g, grilled %g", p, c.sear, c.grill)
			assert.True(t, got.Reached, name)
			assert.GreaterOrEqual(t, got.Peak, 73.4, "%s: done while it rests", name)
			assert.Less(t, got.Pull, max(plain.Pull, c.grill)+1, "%s: quicker than the oven alone", name)
			if c.sear > 0 {
				sides := 1.
				if p.Kind == piece.Patty {
					sides = 2
				}
				assert.InDelta(t, min(sides*c.sear, got.Pull), min(*got.SearEnds, got.Pull), 0.01, name)
				assert.Len(t, got.Turns, int(sides)-1, name)
			}
			if c.grill > 0 {
				assert.InDelta(t, c.grill, got.Pull-*got.GrillFrom, 0.01, "%s: the last minutes", name)
				if c.sear > 0 {
					assert.GreaterOrEqual(t, *got.GrillFrom, *got.SearEnds, name)
				}
			}
			if c.sear == 0 && c.grill == 5 && p.Kind != piece.Cylinder {
				assert.Greater(t, got.Browning, plain.Browning, "%s: for its colour", name)
			}
		}
	}
}

func TestWhatIsPulledGetsDone(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	rapid.Check(t, func(t *rapid.T) {
		p := piece.Piece{Kind: rapid.SampledFrom([]piece.Kind{piece.Patty, piece.Patty, piece.Ball, piece.Cylinder}).Draw(t, "kind")}
		p.DiameterMM = rapid.Float64Range(25, 110).Draw(t, "across")
		switch p.Kind {
		case piece.Patty:
			p.ThicknessMM = rapid.Float64Range(8, 35).Draw(t, "thick")
		case piece.Cylinder:
			p.DiameterMM, p.LengthMM = p.DiameterMM/2, p.DiameterMM
		}
		m := rapid.SampledFrom([]method.Method{method.Pan, method.ShallowOil, method.Grill, method.StillOven, method.DeepOil}).Draw(t, "method")
		c := cooking(p, m, rapid.Float64Range(150, 230).Draw(t, "celsius"), rapid.Float64Range(60, 80).Draw(t, "target"))
		c.SearMinutes = rapid.SampledFrom([]float64{0, 0, 1, 3}).Draw(t, "sear")
		if m == method.StillOven {
			c.GrillMinutes = rapid.SampledFrom([]float64{0, 0, 2, 6}).Draw(t, "grill")
		}
		if m == method.Pan {
			c.GrillMinutes = rapid.SampledFrom([]float64{0, 0, 2}).Draw(t, "grill")
		}
		if rapid.Bool().Draw(t, "held") {
			c.Target.Celsius, c.Target.HoldMinutes = 70, 2
		}
		got := cooked(c, rapid.SampledFrom([]float64{-18, 4, 20}).Draw(t, "start"))
		if !got.Reached {
			return
		}
		if c.Target.HoldMinutes > 0 {
			assert.GreaterOrEqual(t, got.Lethal, 1.85, "enough of it, at rest")
		} else {
			assert.GreaterOrEqual(t, got.Peak, c.Target.Celsius-0.6, "done, at rest")
		}
		before := 0.0
		for i, turn := range got.Turns {
			since := before
			if got.SearEnds != nil && *got.SearEnds < turn {
				since = max(since, *got.SearEnds)
			}
			if c.SearMinutes == 0 {
				assert.GreaterOrEqual(t, turn-since, leastTurn-1e-6, "nobody turns twice at once")
			}
			if i == len(got.Turns)-1 {
				assert.GreaterOrEqual(t, got.Pull, turn+leastSide*(turn-since)-1e-6, "a side turned down gets its time")
			}
			before = turn
		}
	})
}

func TestASymmetricPieceStaysSymmetric(t *testing.T) {
	b := cooking(patty, method.FanOven, 175, 74).Begin(6)
	b.SurroundAll(FanOven(&parameter.Usual().Heat, 175))
	b.Advance(600, nil)
	n, s := b.axes[2].n, b.stride[2]
	for z := range n / 2 {
		for x := range s {
			assert.InDelta(t, b.celsius[z*s+x], b.celsius[(n-1-z)*s+x], 1e-9)
		}
	}
	was := append([]float64(nil), b.heat...)
	b.Turn()
	for i, h := range b.heat {
		assert.InEpsilon(t, was[i], h, 1e-9)
	}
}

func TestHeatThatCannotDoIt(t *testing.T) {
	cold := cooked(cooking(patty, method.StillOven, 60, 74), 6)
	assert.False(t, cold.Reached)
	for _, p := range []piece.Piece{{Kind: piece.Ball, DiameterMM: 5}, {Kind: piece.Loaf, LengthMM: 600, WidthMM: 600, HeightMM: 600}} {
		for _, m := range method.Methods() {
			got := cooked(cooking(p, m, 300, 74), -30)
			for _, at := range got.Moments {
				assert.False(t, at.Core != at.Core || at.Surface != at.Surface, "no NaN")
			}
		}
	}
}

func TestBoilingAndFreezing(t *testing.T) {
	assert.InDelta(t, 100, BoilingPoint(0), 0.1)
	assert.InDelta(t, 94.9, BoilingPoint(1500), 0.5) // usual tables: 95 degC at 1500 m
	assert.InDelta(t, -1.1, lean.FreezingPoint(), 0.9)
	// Published figures for lean meat near 70% water: 1050 kg/m3, 0.45 W/mK, 3.5 kJ/kgK.
	density, k, cp := lean.properties(20)
	assert.InEpsilon(t, 1030, density, 0.03)
	assert.InEpsilon(t, 0.45, k, 0.08)
	assert.InEpsilon(t, 3450, cp, 0.04)
	_, frozen, _ := lean.properties(-20)
	assert.Greater(t, frozen, 2*k, "ice conducts")
}

func ExampleCooking_Run() {
	c := Cooking{
		Piece: piece.Piece{Kind: piece.Ball, DiameterMM: 38}, Material: NewMaterial(Composition{Water: .68, Protein: .18, Fat: .08, Carb: .03, Fibre: .01, Ash: .02}, 100),
		Method: method.StillOven, Celsius: 190, Room: 20, Target: Target{Celsius: 71},
	}
	got := c.Run(c.Begin(6))
	fmt.Printf("71 degC inside after %.0f min\n", got.ToTarget)
	// Output: 71 degC inside after 15 min
}

func benchmark(b *testing.B, c *Cooking) {
	b.ReportAllocs()
	for b.Loop() {
		c.Run(c.Begin(6))
	}
}

func BenchmarkLoafWithItsRest(b *testing.B) { benchmark(b, cooking(inTin, method.StillOven, 177, 74)) }
func BenchmarkPattyInAPan(b *testing.B)     { benchmark(b, cooking(patty, method.Pan, 180, 74)) }
func BenchmarkPattyBaked(b *testing.B)      { benchmark(b, cooking(patty, method.StillOven, 190, 74)) }
func BenchmarkBall(b *testing.B)            { benchmark(b, cooking(ball28, method.StillOven, 190, 71)) }

// BenchmarkLoafHour is conduction alone: an hour of a free-standing loaf that
// is turned half-way.
func BenchmarkLoafHour(b *testing.B) {
	c := cooking(inTin, method.StillOven, 177, 74)
	free := false
	c.Piece.Tin = &free
	steps := 0
	for b.Loop() {
		body := c.Begin(6)
		c.surround(body, c.Method, c.Celsius)
		for range 2 {
			body.Advance(1800, func() bool { steps++; return false })
			body.Turn()
		}
	}
	b.ReportMetric(float64(steps)/float64(b.N), "steps")
}

// BenchmarkPattyToTarget is conduction alone, until the target.
func BenchmarkPattyToTarget(b *testing.B) {
	for _, m := range []method.Method{method.FanOven, method.Pan} {
		c := cooking(patty, m, 180, 74)
		c.ToTargetOnly = true
		b.Run(string(m), func(b *testing.B) {
			for b.Loop() {
				cooked(c, 6)
			}
		})
	}
}

func BenchmarkNewMaterial(b *testing.B) {
	for b.Loop() {
		NewMaterial(lean, 100)
	}
}

func TestSidesAreAlike(t *testing.T) {
	for _, c := range []struct {
		thick, celsius, start float64
		most                  int
	}{{12, 180, 20, 1}, {18, 180, 6, 1}, {18, 200, 6, 3}, {22, 175, 6, 3}, {30, 170, 4, 5}} {
		p := piece.Piece{Kind: piece.Patty, DiameterMM: 85, ThicknessMM: c.thick}
		got := cooked(cooking(p, method.Pan, c.celsius, 74), c.start)
		name := fmt.Sprintf("%g mm at %g degC, turned at %.1f, off at %.1f", c.thick, c.celsius, got.Turns, got.Pull)
		require.NotEmpty(t, got.Turns, name)
		assert.LessOrEqual(t, len(got.Turns), c.most, name)
		before := 0.0
		for _, turn := range got.Turns {
			assert.InEpsilon(t, got.Turns[0], turn-before, 0.01, "%s: a side", name)
			before = turn
		}
		assert.InEpsilon(t, got.Turns[0], got.Pull-before, 0.3, "%s: the last side", name)
	}
}

func TestAPattyInTheFridgeCoolsAsKitchensFind(t *testing.T) {
	after := func(p piece.Piece, minutes float64) float64 {
		c := cooking(p, method.Pan, 180, 74)
		b := c.Begin(22)
		c.Chill(b, 3, minutes)
		return b.Mean()
	}
	p := piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 15}
	assert.Greater(t, after(p, 50), 7., "not yet cold")
	assert.Less(t, after(p, 90), 8., "cold by now")
	thick := piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 30}
	assert.Greater(t, after(thick, 50), after(p, 50), "thicker cools slower")
}
