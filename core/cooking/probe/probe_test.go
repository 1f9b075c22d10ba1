package probe_test

import (
	"math"
	"math/rand/v2"
	"runtime"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"golang.org/x/sync/errgroup"
	"pgregory.net/rapid"

	"cuerda/core/cooking/probe"
	"cuerda/core/lawtest"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
)

var mixed = heat.NewMaterial(heat.Composition{Water: .66, Protein: .15, Fat: .07, Carb: .08, Fibre: .03, Ash: .01}, 100)

func baked(p piece.Piece, celsius, target float64) heat.Cooking {
	return heat.Cooking{Piece: p, Material: mixed, Method: method.StillOven, Celsius: celsius, Room: 20, Target: heat.Target{Celsius: target}}
}

var pieces = []heat.Cooking{
	baked(piece.Piece{Kind: piece.Loaf, LengthMM: 210, WidthMM: 110, HeightMM: 46}, 177, 74),
	baked(piece.Piece{Kind: piece.Ball, DiameterMM: 45}, 200, 74),
	baked(piece.Piece{Kind: piece.Patty, DiameterMM: 80, ThicknessMM: 22}, 190, 74),
	baked(piece.Piece{Kind: piece.Ball, DiameterMM: 36}, 190, 74),
	baked(piece.Piece{Kind: piece.Loaf, LengthMM: 180, WidthMM: 90, HeightMM: 60}, 180, 90),
	baked(piece.Piece{Kind: piece.Patty, DiameterMM: 100, ThicknessMM: 18}, 220, 74),
}

// from has a piece meet the heat from so many degC.
func from(celsius float64) func(*heat.Cooking, float64) *heat.Body {
	return func(c *heat.Cooking, warmer float64) *heat.Body { return c.Begin(celsius + warmer) }
}

// shares of the way are where forecasts are looked at.
var shares = []float64{0, 0.25, 0.5, 0.75, 0.9}

type looked struct {
	forecast, third, fourth probe.Forecast
	truly                   float64
}

// follow bakes a truth with probes and looks at the forecast on the way. instruments are the
// kinds of probe there are.
func follow(c heat.Cooking, t probe.Truth, seed uint64, instruments ...probe.Where) (out []looked) {
	s := probe.Simulate(c, from(8), t, seed)
	whole := probe.Simulate(c, from(8), t, seed)
	f := probe.New(c, from(8), probe.Usual())
	// When it is truly done: it is asked again on the way, for the oven swings.
	end := whole.Forecast()
	for whole.Minutes() < end-0.1 {
		whole.Advance(min(end, whole.Minutes()+max(0.25, (end-whole.Minutes())/3)))
		end = whole.Forecast()
	}
	for minutes := 0.; len(out) < len(shares); minutes += 1. / 6 {
		s.Advance(minutes)
		for _, r := range s.Readings() {
			for _, w := range instruments {
				if w == r.Where {
					f.Read(r)
				}
			}
		}
		f.Advance(minutes)
		if minutes >= shares[len(out)]*end {
			out = append(out, looked{forecast: f.Forecast(), third: f.ForecastOf(probe.Third), fourth: f.ForecastOf(probe.Fourth), truly: end})
		}
	}
	return out
}

// Bakes of random truth, of which half have a probe in the oven's air too: the interval of
// 90% holds the truth in nine of ten, and draws in as the readings come.
func TestTheIntervalHoldsTheTruthNineTimesInTen(t *testing.T) {
	if testing.Short() {
		t.Skip("minutes under the race detector; it runs without")
	}
	bakes, from := lawtest.Draws(60, 200), lawtest.Seed(t)
	all := make([][]looked, bakes)
	var group errgroup.Group
	group.SetLimit(runtime.GOMAXPROCS(0))
	for i := range bakes {
		group.Go(func() error {
			truth := probe.Usual().Drawn(rand.New(rand.NewPCG(from+uint64(i), 7)))
			kinds := []probe.Where{probe.Core, probe.Oven}[:1+i%2]
			all[i] = follow(pieces[i%len(pieces)], truth, from+uint64(i), kinds...)
			return nil
		})
	}
	require.NoError(t, group.Wait())
	widths, errors := make([]float64, len(shares)), make([]float64, len(shares))
	for n, share := range shares {
		held := 0.
		for i := range all {
			l := &all[i][n]
			if off := &l.forecast.Off; l.truly >= off.Low-0.05 && l.truly <= off.High+0.05 {
				held += 1 / float64(bakes)
			}
			widths[n] += (l.forecast.Off.High - l.forecast.Off.Low) / l.truly / float64(bakes)
			errors[n] += math.Abs(l.forecast.Off.Value-l.truly) / l.truly / float64(bakes)
		}
		t.Logf("at %.2f of the way: held %.3f, %.3f of the time wide, out by %.3f", share, held, widths[n], errors[n])
		// 200 bakes tell 0.90 from what is more than 0.06 away, fewer from what is further.
		assert.InDelta(t, 0.90, held, 0.06*math.Sqrt(200/float64(bakes)), "at %g of the way", share)
	}
	// Some of the members say nearly the same.
	for name, of := range map[string]func(l *looked) *probe.Forecast{"a third": func(l *looked) *probe.Forecast { return &l.third }, "a fourth": func(l *looked) *probe.Forecast { return &l.fourth }} {
		held, off, apart := 0., 0., 0.
		for i := range all {
			for n := range all[i] {
				l := &all[i][n]
				some := of(l)
				if l.truly >= some.Off.Low-.05 && l.truly <= some.Off.High+.05 {
					held += 1 / float64(bakes*len(shares))
				}
				off += math.Abs(some.Off.Value-l.truly) / l.truly / float64(bakes*len(shares))
				apart += math.Abs(some.Off.Value-l.forecast.Off.Value) / l.truly / float64(bakes*len(shares))
			}
		}
		t.Logf("%s of the members: held %.3f, out by %.3f, apart from all by %.3f", name, held, off, apart)
		assert.Greater(t, held, .9-.06*math.Sqrt(200/float64(bakes)), name)
		assert.Less(t, apart, .03, name)
	}
	for n := 1; n < len(shares); n++ {
		assert.Less(t, widths[n], widths[n-1], "surer")
	}
	assert.Less(t, errors[len(errors)-1], 0.04, "a minute or two of a loaf's three quarters of an hour")
	assert.Less(t, errors[len(errors)-1], errors[0]/3)
}

// bake follows a simulated bake with both probes until a minute, and gives the two.
type bake struct {
	*probe.Simulation
	*probe.Follow
	took map[probe.Took]int
}

func begin(c heat.Cooking, t probe.Truth) *bake {
	return &bake{probe.Simulate(c, from(8), t, 3), probe.New(c, from(8), probe.Usual()), map[probe.Took]int{}}
}

func (b *bake) until(minutes float64) *probe.Forecast {
	for b.Simulation.Minutes() < minutes-1e-9 {
		b.Simulation.Advance(min(minutes, b.Simulation.Minutes()+1./12))
		for _, r := range b.Readings() {
			b.took[b.Read(r)]++
		}
	}
	out := b.Follow.Forecast()
	return &out
}

func (b *bake) codes(f *probe.Forecast) (out []probe.Code) {
	for _, n := range f.Notices {
		out = append(out, n.Code)
	}
	return out
}

var exact = probe.Truth{Transfer: 1, Pace: 1, Lag: 0.1, Noise: 0.2, Swing: 2, SwingMinutes: 5, Slips: -1}

func TestAnOvenThatDoesNotHoldIsFound(t *testing.T) {
	if testing.Short() {
		t.Skip("ten times as long under the race detector; it runs without")
	}
	cool := exact
	cool.Oven = -15
	b := begin(pieces[0], cool)
	before := b.Follow.Forecast()
	after := b.until(25)
	assert.InDelta(t, 177-15, after.Oven.Value, 5)
	assert.Contains(t, b.codes(after), probe.OvenCool)
	assert.Greater(t, after.Off.Value, before.Off.Value+2, "it takes longer")
	assert.Greater(t, after.Late, 1.)
	assert.Empty(t, b.codes(begin(pieces[0], exact).until(25)), "an oven that holds is none")
}

func TestAProbeThatSlippedIsNotBelieved(t *testing.T) {
	if testing.Short() {
		t.Skip("ten times as long under the race detector; it runs without")
	}
	b := begin(pieces[0], exact)
	before := b.until(20)
	b.Slip()
	slipped := b.until(23)
	assert.Contains(t, b.codes(slipped), probe.Slipped)
	assert.InDelta(t, before.Off.Value, slipped.Off.Value, 1, "what it says there is set aside")
	assert.Greater(t, b.took[probe.Aside], 20)
	b.PutIn(0.05)
	in := b.until(28)
	assert.NotContains(t, b.codes(in), probe.Slipped)
	assert.InDelta(t, before.Off.Value, in.Off.Value, 4)
}

func TestATipAtTheTinIsNoticed(t *testing.T) {
	if testing.Short() {
		t.Skip("ten times as long under the race detector; it runs without")
	}
	wrong := exact
	wrong.Place = -0.47
	b := begin(pieces[0], wrong)
	after := b.until(30)
	assert.Subset(t, []probe.Code{probe.Touching, probe.Slipped, probe.OvenHot}, b.codes(after))
	assert.NotEmpty(t, b.codes(after))
}

func TestADoorLeftOpenIsNoticedAndCounts(t *testing.T) {
	b := begin(pieces[1], exact)
	before := b.until(6)
	b.Open()
	assert.Contains(t, b.codes(b.until(6.7)), probe.DoorOpen)
	after := b.until(12)
	assert.NotContains(t, b.codes(after), probe.DoorOpen)
	assert.Greater(t, after.Off.Value, before.Off.Value-0.5)
}

func TestAProbeThatSaysNothingIsNoticed(t *testing.T) {
	b := begin(pieces[2], exact)
	b.until(4)
	b.Follow.Advance(6)
	silent := b.Follow.Forecast()
	assert.Equal(t, []probe.Code{probe.Silent}, b.codes(&silent))
}

func TestOffTheHeatIsOff(t *testing.T) {
	b := begin(pieces[2], exact)
	whole := b.until(8)
	b.Simulation.TakeOff()
	b.Follow.TakeOff(8)
	early := b.until(10)
	assert.Less(t, early.Peak.Value, whole.Peak.Value)
	assert.False(t, early.Reaches)
	assert.Empty(t, early.Notices)
}

// Whatever comes, in whatever order: figures stay figures, and a reading of before changes
// nothing.
func TestReadingsOfAnyKindLeaveFiguresThatAre(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		f := probe.New(pieces[1], from(rapid.Float64Range(-18, 30).Draw(t, "start")), probe.Usual())
		for range rapid.IntRange(1, 25).Draw(t, "readings") {
			r := probe.Reading{
				Minutes: f.Minutes() + rapid.Float64Range(-2, 3).Draw(t, "later"),
				Where:   rapid.SampledFrom([]probe.Where{probe.Core, probe.Oven, probe.Surface}).Draw(t, "where"),
				Celsius: rapid.Float64Range(-40, 300).Draw(t, "celsius"),
			}
			was := f.Minutes()
			if took := f.Read(r); took == probe.Late {
				require.Equal(t, was, f.Minutes())
			}
		}
		ahead := f.Forecast()
		for _, a := range []probe.About{ahead.Off, ahead.Core, ahead.Peak, ahead.Oven} {
			require.False(t, math.IsNaN(a.Value) || math.IsInf(a.Value, 0))
			require.LessOrEqual(t, a.Low, a.Value+1e-9)
			require.LessOrEqual(t, a.Value, a.High+1e-9)
		}
		require.GreaterOrEqual(t, ahead.Off.Low, ahead.Now)
		again := f.Forecast()
		require.Equal(t, ahead, again, "to forecast changes nothing")
	})
}

func BenchmarkReading(b *testing.B) {
	for n, name := range []string{"loaf", "ball", "patty"} {
		b.Run(name, func(b *testing.B) {
			f := probe.New(pieces[n], from(8), probe.Usual())
			i := 0
			for b.Loop() {
				if i++; i%200 == 0 {
					f = probe.New(pieces[n], from(8), probe.Usual())
					i = 1
				}
				minutes := float64(i) / 4
				f.Read(probe.Reading{Minutes: minutes, Where: probe.Core, Celsius: 8 + 60*minutes/50})
			}
		})
	}
}

func BenchmarkForecast(b *testing.B) {
	f := probe.New(pieces[0], from(8), probe.Usual())
	f.Advance(20)
	for name, of := range map[string]probe.Of{"all": probe.All, "third": probe.Third, "fourth": probe.Fourth} {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				f.ForecastOf(of)
			}
		})
	}
}

// Whoever leaves a piece on is told that it is past its goal, and when it should have come off stays
// where it was.
func TestAPieceThatIsLeftOnIsPastItsGoal(t *testing.T) {
	b := begin(pieces[1], exact)
	due := b.Follow.Forecast().Off.Value
	assert.NotContains(t, b.codes(b.until(due-1)), probe.PastGoal)
	assert.Contains(t, b.codes(b.until(due+12)), probe.PastGoal)
}
