package learn

import (
	"math"
	"runtime"
	"slices"
	"sync"
	"time"

	"gonum.org/v1/gonum/mat"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn/logbook"
	"cuerda/core/physics/mix"
)

// school is one learning of a kitchen.
type school struct {
	k          *kitchen.Kitchen
	o          KitchenOptions
	trials     []*trial
	quantities []Quantity
	// was is where tries before a figure was forgotten have theirs.
	was map[int]int
	// centres are the mixes of the kitchen, each unlike the others, and root the lower factor of how
	// much they are alike.
	centres []mix.Likeness
	root    mat.TriDense
	firstZ  int
	found   []Finding
	about   []*Try // of each finding
}

// sameMix is how much alike mixes are that count as one.
const sameMix = .97

// LearnKitchen gives what tries, the oldest first, teach of a kitchen: section 12 of
// docs/model.md. k is the kitchen as it is without them.
func LearnKitchen(tries []Try, k *kitchen.Kitchen, o KitchenOptions) (*Learned, error) {
	s, b, err := attend(tries, k, o)
	if err != nil {
		return nil, err
	}
	out := s.learned(b, tries)
	s.modest(out)
	return out, nil
}

// attend has tries speak, and gives what is believed after them.
func attend(tries []Try, k *kitchen.Kitchen, o KitchenOptions) (*school, *Belief, error) {
	if o.Known == nil {
		o.Known = &Warmings{}
	}
	s := &school{k: k, o: o, quantities: kitchenQuantities(k), was: map[int]int{}}
	for i := range firstFood {
		if since, ok := o.Forgotten[s.quantities[i].Name]; ok {
			s.of(i, &Try{At: since.Add(-1)})
		}
	}
	for i := max(0, len(tries)-mostTriesLearned); i < len(tries); i++ {
		s.trials = append(s.trials, newTrial(&tries[i], k, o.Known))
	}
	s.foods()
	s.mixes()
	warmings := s.heatFindings()
	b, err := Believe(s.quantities, nil)
	for range 2 {
		if err != nil {
			return nil, nil, err
		}
		s.found, s.about = s.found[:0], s.about[:0]
		s.align(b.Mode)
		for _, t := range s.trials {
			s.texture(t, b.Mode)
		}
		s.found, s.about = append(s.found, warmings.found...), append(s.about, warmings.about...)
		b, err = Believe(s.quantities, s.found)
	}
	return s, b, err
}

// align works out what is said of every try at x, on every core.
func (s *school) align(x []float64) {
	var wait sync.WaitGroup
	workers := runtime.GOMAXPROCS(0)
	for w := range workers {
		wait.Go(func() {
			for i := w; i < len(s.trials); i += workers {
				if s.trials[i].tells() {
					s.trials[i].align(s.quantities, x)
				}
			}
		})
	}
	wait.Wait()
}

// before says whether a figure was forgotten after that moment.
func (o *KitchenOptions) before(id string, at time.Time) bool {
	since, ok := o.Forgotten[id]
	return ok && at.Before(since)
}

// of is where a try has its quantity: its own where the figure was forgotten since.
func (s *school) of(i int, t *Try) int {
	if !s.o.before(s.quantities[i].Name, t.At) {
		return i
	}
	at, ok := s.was[i]
	if !ok {
		q := s.quantities[i]
		at = len(s.quantities)
		s.quantities = append(s.quantities, q)
		s.was[i] = at
	}
	return at
}

// leastFelt is how far a food must move the index within its spread to be learned of.
const leastFelt = .03

// foods finds the foods that tries tell of.
func (s *school) foods() {
	at := map[string]int{}
	for _, t := range s.trials {
		if !t.tells() {
			continue
		}
		t.foods = t.foodsIn(func(q Quantity) int { return -1 })
		probe, means := make([]Quantity, len(t.foods)), make([]float64, len(t.foods))
		for n := range t.foods {
			probe[n], _ = foodQuantity(t.lines[t.foods[n].lines[0]].Food)
			probe[n].Mean = s.o.About[probe[n].Name]
			means[n], t.foods[n].quantity = probe[n].Mean, n
		}
		t.align(probe, means)
		kept := t.foods[:0]
		for n, f := range t.foods {
			if math.Abs(f.felt)*probe[n].SD < leastFelt {
				continue
			}
			i, ok := at[probe[n].Name]
			if !ok {
				i = len(s.quantities)
				s.quantities = append(s.quantities, probe[n])
				at[probe[n].Name] = i
			}
			f.quantity = s.of(i, t.try)
			kept = append(kept, f)
		}
		t.foods = kept
	}
}

// foodsIn lists the foods of a try that something is not known of.
func (t *trial) foodsIn(number func(Quantity) int) (out []foodIn) {
	byName := map[string]int{}
	for i := range t.lines {
		q, ok := foodQuantity(t.lines[i].Food)
		if !ok {
			continue
		}
		n, had := byName[q.Name]
		if !had {
			n = len(out)
			byName[q.Name] = n
			out = append(out, foodIn{quantity: number(q)})
		}
		out[n].lines = append(out[n].lines, i)
	}
	return out
}

// mixes finds the mixes of the kitchen, the newest first, and places each try among them.
func (s *school) mixes() {
	for i := len(s.trials) - 1; i >= 0 && len(s.centres) < mix.OwnKinMost; i-- {
		t := s.trials[i]
		if t.tells() && !slices.ContainsFunc(s.centres, func(l mix.Likeness) bool { return t.expected.Like.Alike(&l) >= sameMix }) {
			s.centres = append(s.centres, t.expected.Like)
		}
	}
	n := len(s.centres)
	if n == 0 {
		return
	}
	cov := mat.NewSymDense(n, nil)
	for i := range n {
		for j := i; j < n; j++ {
			cov.SetSym(i, j, s.centres[i].Alike(&s.centres[j]))
		}
		cov.SetSym(i, i, 1+1e-6)
	}
	var chol mat.Cholesky
	chol.Factorize(cov) // a kernel with something on its diagonal always has a factor
	chol.LTo(&s.root)
	s.firstZ = len(s.quantities)
	for _, stage := range []string{"raw", "cooked", "felt"} {
		for range n {
			s.quantities = append(s.quantities, Quantity{stage, 0, 1})
		}
	}
	for _, t := range s.trials {
		if t.tells() {
			t.near = s.whiten(&t.expected.Like)
		}
	}
}

// whiten places a mix among the centres: what is not known of it is this times numbers that
// are normal, each by itself.
func (s *school) whiten(l *mix.Likeness) []float64 {
	n := len(s.centres)
	k := mat.NewVecDense(n, nil)
	for i := range s.centres {
		k.SetVec(i, l.Alike(&s.centres[i]))
	}
	var out mat.VecDense
	_ = out.SolveVec(&s.root, k) // it is triangular with a diagonal above nought
	return out.RawVector().Data
}

// texture adds what a try found of its mix.
func (s *school) texture(t *trial, x []float64) {
	if ln, sd, ok := t.scooped(s.k); ok {
		s.add(t.try, Finding{
			Says: func(x []float64) float64 { return x[s.of(scoop, t.try)] }, Loss: Measured(ln, sd),
			About: []int{s.of(scoop, t.try)}, Slopes: func(_, to []float64) { to[0] = 1 },
		})
	}
	if !t.tells() {
		return
	}
	n, e := len(s.centres), t.expected
	if t.word != "" {
		s.add(t.try, s.linear(t, x, e.Felt, func(f *foodIn) float64 { return f.felt }, -1, s.firstZ+2*n, FeltSD, 0, Felt(t.word)))
	}
	rough := -1
	if e.Moved {
		rough = s.of(turning, t.try)
	}
	raw := func(c *logCount) Finding {
		return s.linear(t, x, e.Raw, func(f *foodIn) float64 { return f.raw }, rough, s.firstZ, e.SD, mix.RoughOdds, c.loss())
	}
	cooked := func(c *logCount) Finding {
		return s.linear(t, x, e.Cooked, func(f *foodIn) float64 { return f.cooked }, -1, s.firstZ+n, e.SD, 0, c.loss())
	}
	if t.raw != nil {
		s.add(t.try, raw((*logCount)(t.raw)))
	}
	if t.cooked != nil {
		s.add(t.try, cooked((*logCount)(t.cooked)))
	}
	if t.both != nil {
		// Of a piece that broke nobody knows when: the weaker stage speaks.
		a, b := raw((*logCount)(t.both)), cooked((*logCount)(t.both))
		if a.Says(x) > b.Says(x) {
			a = b
		}
		s.add(t.try, a)
	}
}

// logCount is a count against the logarithm of the odds.
type logCount logbook.Count

func (c *logCount) loss() Loss {
	counted := Counted(c.Held, c.Of, Alike)
	return func(said float64) (float64, float64, float64) {
		// The odds end where judgement can speak of them.
		z := mix.Surest(said)
		by := 1 - z*z/(mix.Surest(1e9)*mix.Surest(1e9))
		loss, slope, curve := counted(z)
		return loss, slope * by, curve * by * by
	}
}

func (s *school) add(t *Try, f Finding) {
	s.found, s.about = append(s.found, f), append(s.about, t)
}

// linear is a finding whose model is taken as straight about x: what is said there, the slopes
// of its foods, what roughness takes, and what is not known of the mix, by its spread.
func (s *school) linear(t *trial, x []float64, said float64, slope func(*foodIn) float64, rough, z int, spread, byRough float64, loss Loss) Finding {
	var about []int
	var by []float64
	for i := range t.foods {
		about, by = append(about, t.foods[i].quantity), append(by, slope(&t.foods[i]))
		said -= x[t.foods[i].quantity] * slope(&t.foods[i])
	}
	if rough >= 0 {
		about, by = append(about, rough), append(by, -byRough)
	}
	for i, a := range t.near {
		if math.Abs(a) > 1e-3 {
			about, by = append(about, z+i), append(by, spread*a)
		}
	}
	return Finding{
		Says: func(x []float64) float64 {
			out := said
			for n, i := range about {
				out += by[n] * x[i]
			}
			return out
		},
		Loss: loss, About: about, Slopes: func(_, to []float64) { copy(to, by) },
	}
}

// speaks is the least that a try must tell of a figure to count among those that speak for it,
// as a share of what was known before.
const speaks = .02

// learned writes a belief down.
func (s *school) learned(b *Belief, tries []Try) *Learned {
	out := &Learned{Mixes: len(s.centres)}
	told := map[string]bool{} // test patties are several of one try
	for i := range tries {
		f := tries[i].Found
		if _, known := f.Both(); known || f.Squeeze != "" || f.CoreCelsius != nil || f.OvenCelsius != nil || tries[i].Document.Hand != nil {
			told[tries[i].ID] = true
		}
	}
	out.Tries = len(told)
	speak := s.speakers(b)
	last := len(s.quantities)
	if s.firstZ > 0 {
		last = s.firstZ
	}
	current := func(i int) bool {
		for _, was := range s.was {
			if was == i {
				return false
			}
		}
		return s.quantities[i].Name != "piece"
	}
	t := &out.Taught
	for i := range last {
		if !current(i) {
			continue
		}
		f := figureOf(s.quantities[i], b.Mode[i], b.SD(i))
		f.Tries = speak[i]
		f.Used = len(f.Tries) > 0 && !slices.Contains(s.o.LeftOut, f.ID)
		out.Figures = append(out.Figures, f)
		if f.Used {
			Teach(t, f.ID, b.Mode[i], b.SD(i))
		}
	}
	if n := len(s.centres); n > 0 && !slices.Contains(s.o.LeftOut, OwnMixes) {
		own := s.own(b)
		if t.Own == nil {
			t.Own = &mix.Own{}
		}
		t.Own.Kin = own
	}
	return out
}

// OwnMixes names, among the figures that may be left out, what became of the kitchen's own mixes
// beyond what the model says.
const OwnMixes = "own_mixes"

func Teach(t *kitchen.Taught, id string, value, sd float64) {
	switch id {
	case OvenOffset:
		t.OvenOffset = &value
	case OvenTransfer:
		t.OvenTransfer = value
	case PanTransfer:
		t.PanTransfer = value
	case Altitude:
		t.AltitudeM = &value
	case Turning:
		t.Own = &mix.Own{Rough: value}
	case Scoop:
		t.Scoop = value
	default:
		if d, ok := deviationOf(id, value, sd); ok {
			if t.Foods == nil {
				t.Foods = map[string]food.Deviation{}
			}
			t.Foods[FoodOf(id)] = d
		}
	}
}

// speakers are the tries that tell of each quantity, the newest first.
func (s *school) speakers(b *Belief) map[int][]string {
	out := map[int][]string{}
	by := make([]float64, len(s.quantities))
	x := slices.Clone(b.Mode)
	for n := len(s.found) - 1; n >= 0; n-- {
		f := &s.found[n]
		_, _, curve := f.Loss(f.Says(x))
		f.slopesAt(s.quantities, x, by)
		for a, i := range f.About {
			sd := s.quantities[i].SD
			if id := s.about[n].ID; curve*by[a]*by[a]*sd*sd >= speaks && !slices.Contains(out[i], id) {
				out[i] = append(out[i], id)
			}
		}
	}
	when := map[string]time.Time{}
	for _, t := range s.trials {
		when[t.try.ID] = t.try.At
	}
	for _, ids := range out {
		slices.SortStableFunc(ids, func(a, b string) int { return when[b].Compare(when[a]) })
	}
	return out
}

// own is what became of the mixes of the kitchen.
func (s *school) own(b *Belief) []mix.OwnKin {
	n := len(s.centres)
	weights := func(from int) []float64 {
		var out mat.VecDense
		_ = out.SolveVec(s.root.T(), mat.NewVecDense(n, b.Mode[from:from+n]))
		return out.RawVector().Data
	}
	left := func(from, i int) float64 {
		row := s.whiten(&s.centres[i])
		v := 0.
		for p := range n {
			for q := range n {
				v += row[p] * row[q] * b.Covariance.At(from+p, from+q)
			}
		}
		return v
	}
	raw, cooked := weights(s.firstZ), weights(s.firstZ+n)
	out := make([]mix.OwnKin, n)
	for i := range out {
		settled := 1 - max(left(s.firstZ, i), left(s.firstZ+n, i))
		out[i] = mix.OwnKin{Like: s.centres[i], Raw: raw[i], Cooked: cooked[i], Settled: min(max(settled, 0), 1)}
	}
	return out
}
