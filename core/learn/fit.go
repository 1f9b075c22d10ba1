package learn

import (
	"math"
	"runtime"
	"slices"
	"sync"

	"gonum.org/v1/gonum/optimize"

	"cuerda/core/food"
	"cuerda/core/physics/eating"
	"cuerda/core/physics/mix"
)

// What a class of foods may be off by. Breaks and the share of glue that sets are
// shifted on the scale of log odds, chunk too; the rest are natural logarithms of
// factors.
const (
	drink = iota
	span
	leak
	chunk
	cold
	hot
	breaks
	tau
	hotDrink
	setShare
	classFigures
)

// classSD is one standard deviation of each before any outcome: about the grade of the
// figures (C is 0.30), wider where a rule of thumb gave them.
var classSD = [classFigures]float64{.24, .24, .5, .7, .42, .42, .5, .36, .5, 1.2}

// What a single food may be off by beside its class: how it drinks and binds.
const (
	ownDrink = iota
	ownGlue
	foodFigures
)

var foodSD = [foodFigures]float64{.12, .2}

const (
	weightSD = 1.2  // of what a piece of evidence counts; features are of order 1
	baseSD   = 3.   // of the constant
	wrongSD  = .03  // of one on the wrong side of nought
	handSD   = .16  // of a hand's word, in index
	handPart = .35  // of a word against a chance: words are coarse
	slip     = .03  // words that say nothing
	leastUse = 3    // builds that a food stands in before it has a deviation of its own
	step     = 1e-4 // of the differences that give slopes
)

// looseMean and joinedMean are where the word of the squeeze begins to depend on
// cohesion, before any outcome.
const looseMean, joinedMean = -1.5, 0.

// Fit is a set of figures and judges.
type Fit struct {
	foods   *food.Catalogue
	at      map[*food.Food]int
	classes []string
	class   []int // of each food, -1 where none
	own     []int // index of its own deviations, -1 where none
	owners  int
	x       []float64
	kin     []mix.Kin
	eating  *eating.Judge
}

// Options bound the work.
type Options struct {
	// Steps of the optimiser. Stopping early keeps figures nearer to their prior.
	Steps int
}

// Learn finds the most likely figures and judges for the builds: the mode of their
// posterior by limited-memory BFGS (Nocedal and Wright 2006, chapter 7), and then what
// builds tell of those like them. foods are those the builds were read with, as judged
// before any outcome.
func Learn(builds []*Build, foods *food.Catalogue, o Options) (*Fit, error) {
	f := newFit(builds, foods)
	var last, slope []float64
	var value float64
	eval := func(x []float64) {
		if last == nil || !slices.Equal(last, x) {
			last = append(last[:0], x...)
			slope = make([]float64, len(x))
			value = f.objective(builds, x, slope)
		}
	}
	result, err := optimize.Minimize(optimize.Problem{
		Func: func(x []float64) float64 { eval(x); return value },
		Grad: func(g, x []float64) { eval(x); copy(g, slope) },
	}, f.x, &optimize.Settings{MajorIterations: o.Steps, GradientThreshold: 1e-3}, &optimize.LBFGS{Store: 20})
	if result == nil {
		return nil, err
	}
	f.x = result.X
	for i := range f.x[f.judgeAt():] {
		if w := &f.x[f.judgeAt()+i]; mix.TermSign(i)**w < 0 {
			*w = 0
		}
	}
	if f.eating, err = f.eatOf(builds); err != nil {
		return nil, err
	}
	if f.kin, err = f.kinOf(builds); err != nil {
		return nil, err
	}
	return f, nil
}

func newFit(builds []*Build, foods *food.Catalogue) *Fit {
	all := foods.Foods()
	f := &Fit{foods: foods, at: map[*food.Food]int{}}
	uses := map[*food.Food]int{}
	for _, b := range builds {
		for _, one := range b.foodsIn() {
			uses[one]++
		}
	}
	for i := range all {
		one := all[i]
		f.at[one] = i
		class, own := -1, -1
		if name := ClassOf(one); name != "" {
			if class = slices.Index(f.classes, name); class < 0 {
				class = len(f.classes)
				f.classes = append(f.classes, name)
			}
			if uses[one] >= leastUse && name != "vegetable" {
				own = f.owners
				f.owners++
			}
		}
		f.class, f.own = append(f.class, class), append(f.own, own)
	}
	f.x = make([]float64, f.judgeAt()+mix.RawTerms+mix.CookedTerms)
	f.x[f.wordAt()], f.x[f.wordAt()+1] = looseMean, joinedMean
	for i := range mix.RawTerms + mix.CookedTerms {
		f.x[f.judgeAt()+i] = mix.TermMean(i)
	}
	return f
}

func (f *Fit) ownAt() int   { return len(f.classes) * classFigures }
func (f *Fit) wordAt() int  { return f.ownAt() + f.owners*foodFigures }
func (f *Fit) judgeAt() int { return f.wordAt() + 2 }

func (b *Build) foodsIn() []*food.Food {
	var out []*food.Food
	for i := range b.lines {
		if !slices.Contains(out, b.lines[i].Food) {
			out = append(out, b.lines[i].Food)
		}
	}
	return out
}

// Learned is what the fit says of a food.
func (f *Fit) Learned(one *food.Food) food.Learned { return f.learned(f.x, f.at[one]) }

func (f *Fit) learned(x []float64, i int) food.Learned {
	one := f.foods.Foods()[i]
	l := one.AsJudged()
	c := f.class[i]
	if c < 0 {
		return l
	}
	t := x[c*classFigures : (c+1)*classFigures]
	d, g := t[drink], 0.
	if o := f.own[i]; o >= 0 {
		d += x[f.ownAt()+o*foodFigures+ownDrink]
		g = x[f.ownAt()+o*foodFigures+ownGlue]
	}
	shift := func(share, by float64) float64 {
		if share <= 0 || share >= 1 {
			return share
		}
		return 1 / (1 + (1-share)/share*math.Exp(-by))
	}
	l.Drink, l.Span, l.Leak, l.Tau = math.Exp(d), math.Exp(t[span]), math.Exp(t[leak]), math.Exp(t[tau])
	l.Cold, l.Hot = math.Exp(t[cold]+g), math.Exp(t[hot]+g)
	l.Chunk, l.SetShare = shift(one.Chunk, t[chunk]), shift(one.SetShare, t[setShare])
	l.Breaks = min(1, one.Breaks*math.Exp(t[breaks]))
	l.HotDrink = 1 + (one.HotDrink-1)*math.Exp(t[hotDrink])
	return l
}

// judge gives the judge of a point, who knows no kin.
func (f *Fit) judge(x []float64) mix.Judge {
	j := mix.Judge{Loose: math.Exp(x[f.wordAt()]), Joined: x[f.wordAt()+1]}
	copy(j.Raw[:], x[f.judgeAt():])
	copy(j.Cooked[:], x[f.judgeAt()+mix.RawTerms:])
	return j
}

// Judge gives the fitted judge, with the middling evidence of builds.
func (f *Fit) Judge(builds []*Build) *mix.Judge {
	j := f.judge(f.x)
	j.Know(f.kin)
	v := f.view(f.x)
	for _, b := range builds {
		e := v.evidence(b)
		for i := range e.Raw {
			j.UsualRaw[i] += e.Raw[i] / float64(len(builds))
		}
		for i := range e.Cooked {
			j.UsualCooked[i] += e.Cooked[i] / float64(len(builds))
		}
	}
	return &j
}

// view holds the foods as a point has them.
type view struct {
	f     *Fit
	x     []float64
	foods []food.Food
	parts []mix.Part
	// effect is that of the parts of the build whose evidence was asked for last.
	effect mix.Effect
}

func (f *Fit) view(x []float64) *view {
	v := &view{f: f, x: slices.Clone(x), foods: make([]food.Food, len(f.class))}
	for i := range v.foods {
		v.teach(i)
	}
	return v
}

func (v *view) teach(i int) {
	v.foods[i] = v.f.foods.Foods()[i].Taught(v.f.learned(v.x, i))
}

func (v *view) evidence(b *Build) mix.Evidence {
	v.parts = v.parts[:0]
	for i := range b.lines {
		l := b.lines[i]
		l.Food = &v.foods[v.f.at[l.Food]]
		v.parts = append(v.parts, l.Part())
	}
	v.effect = mix.Sum(v.parts, b.rest)
	return v.effect.Evidence(&b.duty, b.coldness)
}

// Predict is what the fit says of a build.
func (f *Fit) Predict(builds []*Build) []Said {
	j := f.judge(f.x)
	j.Know(f.kin)
	v := f.view(f.x)
	out := make([]Said, len(builds))
	for i, b := range builds {
		e := v.evidence(b)
		raw, cooked := j.Weigh(&e)
		felt := j.Felt(&e)
		s := Said{Raw: mix.Logistic(raw), Cooked: mix.Logistic(cooked), Word: mix.WordFor(felt), SD: j.Spread(&e)}
		bite := v.bite(b, felt, s.Raw, s.Cooked)
		s.Eat = f.eating.Weigh(&bite, j.Eat(&e))
		out[i] = s
	}
	return out
}

// Said is a prediction.
type Said struct {
	Raw, Cooked float64
	Word        mix.Word
	// SD is one standard deviation of the logarithm of the odds.
	SD float64
	// Eat is how good it is to eat, 0..1.
	Eat float64
}

// loss is minus the logarithm of how likely the outcome of a build is.
func loss(b *Build, e *mix.Evidence, j *mix.Judge) float64 {
	raw, cooked := j.Weigh(e)
	return mix.Softplus(raw) - b.Raw*raw + mix.Softplus(cooked) - b.Cooked*cooked + wordLoss(b, j.Felt(e))
}

// wordLoss takes the squeeze as an ordered word with the zones of the index as its
// thresholds and a noise of its own; words that are as fair count a little less. q is
// the index that a hand feels.
func wordLoss(b *Build, q float64) float64 {
	p := 0.
	for said, word := range b.Hand {
		low, high := mix.Between(word)
		weight := 1.
		if said > 0 {
			weight = .6
		}
		p += weight * (Normal((high-q)/handSD) - Normal((low-q)/handSD))
	}
	return -handPart * math.Log(slip+(1-slip)*min(p, 1))
}

// objective is minus the logarithm of the posterior, with its slopes: exact for the
// judge, by differences for the figures of foods.
func (f *Fit) objective(builds []*Build, x, slopes []float64) float64 {
	total := 0.
	var lock sync.Mutex
	var wait sync.WaitGroup
	workers := runtime.GOMAXPROCS(0)
	for w := range workers {
		wait.Go(func() {
			v, part := f.view(x), make([]float64, len(x))
			sum := 0.
			for i := w; i < len(builds); i += workers {
				sum += v.slopes(builds[i], part)
			}
			lock.Lock()
			defer lock.Unlock()
			total += sum
			for i := range part {
				slopes[i] += part[i]
			}
		})
	}
	wait.Wait()
	return total + f.prior(x, slopes)
}

// slopes adds those of one build, and gives its loss.
func (v *view) slopes(b *Build, to []float64) float64 {
	j := v.f.judge(v.x)
	e := v.evidence(b)
	raw, cooked := j.Weigh(&e)
	q := j.Felt(&e)
	offRaw, offCooked := mix.Logistic(raw)-b.Raw, mix.Logistic(cooked)-b.Cooked
	offWord := (wordLoss(b, q+step) - wordLoss(b, q-step)) / (2 * step)
	for _, d := range v.answers(b, &e, &j) {
		to[d.of] += offRaw*d.raw + offCooked*d.cooked + offWord*d.felt
	}
	return loss(b, &e, &j)
}

// answer is how one number of a point moves what is said of a build: the logarithms of
// the odds, raw and cooked, and the index that a hand feels.
type answer struct {
	of                int
	raw, cooked, felt float64
}

// answers gives those of a build at the point of the view: exact for the judge, by
// differences for the figures of foods.
func (v *view) answers(b *Build, e *mix.Evidence, j *mix.Judge) []answer {
	f := v.f
	raw, cooked := j.Weigh(e)
	felt := j.Felt(e)
	var out []answer
	for i, x := range &e.Raw {
		out = append(out, answer{of: f.judgeAt() + i, raw: x})
	}
	for i, x := range &e.Cooked {
		out = append(out, answer{of: f.judgeAt() + mix.RawTerms + i, cooked: x})
	}
	for i := range 2 {
		k := f.wordAt() + i
		was := v.x[k]
		v.x[k] += step
		moved := f.judge(v.x)
		v.x[k] = was
		out = append(out, answer{of: k, felt: (moved.Felt(e) - felt) / step})
	}
	try := func(k int, foods []int) {
		was := v.x[k]
		v.x[k] += step
		for _, i := range foods {
			v.teach(i)
		}
		e := v.evidence(b)
		r, c := j.Weigh(&e)
		out = append(out, answer{k, (r - raw) / step, (c - cooked) / step, (j.Felt(&e) - felt) / step})
		v.x[k] = was
		for _, i := range foods {
			v.teach(i)
		}
	}
	byClass := map[int][]int{}
	for _, one := range b.foodsIn() {
		i := f.at[one]
		if c := f.class[i]; c >= 0 {
			byClass[c] = append(byClass[c], i)
		}
		if o := f.own[i]; o >= 0 {
			for k := range foodFigures {
				try(f.ownAt()+o*foodFigures+k, []int{i})
			}
		}
	}
	for c, foods := range byClass {
		for k := range classFigures {
			try(c*classFigures+k, foods)
		}
	}
	return out
}

// prior is minus the logarithm of how likely a point is before any outcome.
func (f *Fit) prior(x, slopes []float64) float64 {
	total := 0.
	f.eachPrior(x, func(i int, mean, sd float64) {
		d := (x[i] - mean) / sd
		total += d * d / 2
		slopes[i] += d / sd
	})
	return total
}

// eachPrior calls with the mean and the standard deviation of each number of a point
// before any outcome. A number on the side of nought that nature forbids is held there.
func (f *Fit) eachPrior(x []float64, normal func(i int, mean, sd float64)) {
	for c := range f.classes {
		for k, sd := range classSD {
			normal(c*classFigures+k, 0, sd)
		}
	}
	for o := range f.owners {
		for k, sd := range foodSD {
			normal(f.ownAt()+o*foodFigures+k, 0, sd)
		}
	}
	normal(f.wordAt(), looseMean, 1)
	normal(f.wordAt()+1, joinedMean, .5)
	for i := f.judgeAt(); i < len(x); i++ {
		sd := weightSD
		if i == f.judgeAt() || i == f.judgeAt()+mix.RawTerms {
			sd = baseSD
		}
		mean := mix.TermMean(i - f.judgeAt())
		if sign := mix.TermSign(i - f.judgeAt()); sign*x[i] < 0 || sign != 0 && x[i] == 0 {
			mean, sd = 0, wrongSD
		}
		normal(i, mean, sd)
	}
}

// Normal is the cumulative distribution of a standard normal number.
func Normal(z float64) float64 { return 0.5 * math.Erfc(-z/math.Sqrt2) }
