package mix

import (
	_ "embed"
	"encoding/csv"
	"errors"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"cuerda/core/food"
)

// likeTerms names by what mixes are alike, in the order of Likeness.
var likeTerms = slices.Concat([]string{
	"softens", "index", "hot-index", "moist", "pieces", "egg", "meat", "starch", "gel", "fat", "nut", "leaf",
	"ball", "tin", "stuffing", "fritter", "shell", "free-loaf",
}, food.StuffNames[:])

// likeFigures is how many numbers of a likeness are not shares of stuffs.
const likeFigures = 18

// LikeTerms is how many numbers a likeness has.
const LikeTerms = likeFigures + food.Stuffs

// Likeness places a mix and its shape among others, each number in steps that matter
// about as much as the next: the nearer two are, the more alike they turn out.
type Likeness [LikeTerms]float64

// Kin is a build that cooks have judged, and what it adds to the logarithm of the odds,
// raw and cooked, of a mix that is just like it, beside the evidence.
type Kin struct {
	// Name is that of the build, in core/learn.
	Name        string
	Like        Likeness
	Raw, Cooked float64
	// Eat is the same for how good it is to eat (package eating); 0 where nobody was asked.
	Eat float64
}

// kinReach is the distance over which likeness falls to exp (-1/2), as chosen on builds
// held out: docs/model.md, section 9.
const kinReach = 1.4

// Alike is how much two mixes are alike: 1 if in everything, near 0 beyond three reaches
// (the squared exponential kernel of Rasmussen and Williams 2006, eq. 4.9).
func (l *Likeness) Alike(o *Likeness) float64 {
	d := 0.
	for i := range l {
		x := l[i] - o[i]
		d += x * x
	}
	if d *= 1 / (2 * kinReach * kinReach); d < farthest {
		return math.Exp(-d)
	}
	return 0
}

// farthest is the exponent beyond which mixes are not alike at all: of a millionth no sum can tell.
const farthest = 14

// fades is exp (-k/fine) for k = 0, 1, ... fine farthest.
var fades = func() (out [fine*farthest + 1]float64) {
	for k := range out {
		out[k] = math.Exp(-float64(k) / fine)
	}
	return out
}()

const fine = 128

// fading is exp (-d) for d in [0, farthest), to a billionth of itself: a table and three terms of the series, since a
// prediction asks for some five hundred, which math.Exp takes half of its time for.
func fading(d float64) float64 {
	k := int(fine * d)
	r := float64(k)*(1./fine) - d
	return fades[k] * (1 + r*(1+r*(.5+r*(1./6))))
}

// kinEdge keeps what kin say from changing with an index that far out of the band: there
// water, or the want of it, speaks for itself.
const kinEdge = .3

// likeness leaves out how much glue there is, for more of it never hurts, and what the
// heat, the chill and the weight of the piece do.
func (e *Effect) likeness(d *Duty, lnSoft float64) Likeness {
	per := 1 / e.Mass
	within := func(q float64) float64 {
		return soften(min(max(q, d.Band.From-kinEdge), d.Band.To+kinEdge))
	}
	const shape, stuff = .8, 2.
	out := Likeness{
		(1 - d.stuffing) * (lnSoft - 1.5), within(e.Free / e.Span), within(e.FreeHot / max(e.SpanHot, leastSpan*e.Mass)),
		6 * e.Moist * per, e.Broken * per, 5 * e.Egg * per, e.Meat * per, 5 * e.Starch * per, math.Log1p(50 * e.Gel * per),
		3 * e.Fat * per, e.Nut * per, e.Leaf * per,
		shape * d.ball, shape * d.tin, shape * d.stuffing, shape * d.fritter, shape * d.shell, shape * d.free,
	}
	for i, m := range e.Stuff {
		out[likeFigures+i] = stuff * m * per
	}
	return out
}

// kinTable holds kin by columns, so that what a mix has none of costs nothing.
type kinTable struct {
	columns     [LikeTerms][]float64
	halfNorm    []float64 // half the sum of squares of each
	raw, cooked []float64
	eat         []float64
}

// mostKin is how many a judge may know.
const mostKin = 512

func newKinTable(kin []Kin) *kinTable {
	t := &kinTable{halfNorm: make([]float64, len(kin)), raw: make([]float64, len(kin)), cooked: make([]float64, len(kin)), eat: make([]float64, len(kin))}
	for n := range t.columns {
		t.columns[n] = make([]float64, len(kin))
	}
	for i := range kin {
		k := &kin[i]
		t.raw[i], t.cooked[i], t.eat[i] = k.Raw, k.Cooked, k.Eat
		for n, x := range k.Like {
			t.columns[n][i] = x
			t.halfNorm[i] += x * x / 2
		}
	}
	return t
}

// told is what kin add to the logarithms of the odds, the sums of what each does times how much the mix is Alike, and
// how much the three most alike are, on average.
type told struct{ raw, cooked, eat, near float64 }

func (t *kinTable) add(l *Likeness) (out told) {
	if t == nil {
		return told{}
	}
	var room [mostKin]float64
	off := room[:len(t.halfNorm)]
	copy(off, t.halfNorm)
	half := 0.
	var xs [LikeTerms + 3]float64
	var columns [LikeTerms + 3][]float64
	some := 0
	for n, x := range l {
		if x == 0 {
			continue
		}
		half += x * x / 2
		xs[some], columns[some] = x, t.columns[n]
		some++
	}
	for ; some%4 != 0; some++ { // four at once, since reading and writing costs more than what is done between
		columns[some] = t.columns[0]
	}
	for n := 0; n < some; n += 4 {
		a, b, c, d := columns[n][:len(off)], columns[n+1][:len(off)], columns[n+2][:len(off)], columns[n+3][:len(off)]
		xa, xb, xc, xd := xs[n], xs[n+1], xs[n+2], xs[n+3]
		for i := range off {
			off[i] -= xa*a[i] + xb*b[i] + (xc*c[i] + xd*d[i])
		}
	}
	nearest := [3]float64{1e9, 1e9, 1e9}
	for i, d := range off {
		if d < nearest[2] {
			switch {
			case d < nearest[0]:
				nearest = [3]float64{d, nearest[0], nearest[1]}
			case d < nearest[1]:
				nearest[1], nearest[2] = d, nearest[1]
			default:
				nearest[2] = d
			}
		}
		if d = (d + half) * (1 / (kinReach * kinReach)); d < farthest {
			alike := fading(d)
			out.raw += alike * t.raw[i]
			out.cooked += alike * t.cooked[i]
			out.eat += alike * t.eat[i]
		}
	}
	for _, d := range nearest {
		if d = (d + half) * (1 / (kinReach * kinReach)); d < farthest {
			out.near += fading(d) / 3
		}
	}
	return out
}

// What a build held out was off by, on the scale of the logarithm of the odds, as a
// variance: with kin next to it, and what is more where there are none (cmd/fit -folds).
const (
	nearVariance    = .55
	strangeVariance = 3.5
)

// spread is one standard deviation of the logarithm of the odds of a mix with kin so near.
func spread(near float64) float64 { return math.Sqrt(nearVariance + strangeVariance*(1-near)) }

// LittleKnown is the spread from which a chance is little more than a guess: hardly a
// build like it is known.
const LittleKnown = 1.2

//go:embed kin.csv
var kinCSV string

var errKin = errors.New("bad table of kin")

func readKin(text string) ([]Kin, error) {
	rows, err := csv.NewReader(strings.NewReader(text)).ReadAll()
	if err != nil {
		return nil, fmt.Errorf("%w: %w", errKin, err)
	}
	if len(rows) == 0 || len(rows[0]) != LikeTerms+4 || len(rows) > mostKin {
		return nil, fmt.Errorf("%w: %d rows, want columns for %d numbers", errKin, len(rows), LikeTerms)
	}
	out := make([]Kin, len(rows)-1)
	for i, row := range rows[1:] {
		k := &out[i]
		k.Name = row[0]
		var errs error
		number := func(text string) float64 {
			x, err := strconv.ParseFloat(text, 64)
			errs = errors.Join(errs, err)
			return x
		}
		k.Raw, k.Cooked, k.Eat = number(row[1]), number(row[2]), number(row[3])
		for n := range k.Like {
			k.Like[n] = number(row[4+n])
		}
		if errs != nil {
			return nil, fmt.Errorf("%w: row %d: %w", errKin, i+1, errs)
		}
	}
	return out, nil
}

// KinTable gives kin as kin.csv has them.
func KinTable(kin []Kin) [][]string {
	out := [][]string{append([]string{"build", "raw", "cooked", "eat"}, likeTerms...)}
	for i := range kin {
		k := &kin[i]
		row := []string{k.Name}
		for _, x := range append([]float64{k.Raw, k.Cooked, k.Eat}, k.Like[:]...) {
			row = append(row, strconv.FormatFloat(x, 'f', 4, 64))
		}
		out = append(out, row)
	}
	return out
}
