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
	"sync"
)

// Topic is what a piece of evidence is about, as a cook is told it.
type Topic string

// The topics.
const (
	TopicShape  Topic = "shape" // how the pieces are formed and moved
	TopicGlue   Topic = "glue"  // what binds the mix, around the pieces that break it
	TopicSets   Topic = "sets"  // what heat sets
	TopicWet    Topic = "wet"   // wetter than the piece wants
	TopicDry    Topic = "dry"   // drier than that
	TopicChill  Topic = "chill"
	TopicEgg    Topic = "egg"
	TopicMeat   Topic = "meat"
	TopicStarch Topic = "starch"
	TopicGel    Topic = "gel"
	TopicFat    Topic = "fat" // fat, nuts and seeds
	TopicLeaf   Topic = "leaf"
	TopicHeat   Topic = "heat" // pan, deep oil or liquid
	TopicSize   Topic = "size" // what its weight asks
	TopicKin    Topic = "kin"  // how builds like it turned out, beyond all that
	TopicOwn    Topic = "own"  // what this kitchen's tries taught
)

// Topics lists every topic.
var Topics = []Topic{
	TopicShape, TopicGlue, TopicSets, TopicWet, TopicDry, TopicChill, TopicEgg, TopicMeat, TopicStarch, TopicGel,
	TopicFat, TopicLeaf, TopicHeat, TopicSize, TopicKin, TopicOwn,
}

// evidence names what the judges weigh, in the order of rawEvidence and cookedEvidence.
type evidence struct {
	name  string
	topic Topic
}

var rawTerms = []evidence{
	{"base", TopicShape}, {"ball", TopicShape}, {"tin", TopicShape}, {"stuffing", TopicShape}, {"fritter", TopicShape},
	{"shell", TopicShape}, {"free-loaf", TopicShape}, {"cohesion-firm", TopicGlue}, {"cohesion-held", TopicGlue},
	{"wet", TopicWet}, {"wet-moved", TopicWet}, {"dry", TopicDry}, {"dry-moved", TopicDry}, {"pieces", TopicGlue},
	{"chill", TopicChill}, {"egg", TopicEgg}, {"meat", TopicMeat}, {"starch", TopicStarch}, {"gel", TopicGel},
	{"pan", TopicHeat}, {"deep-oil", TopicHeat}, {"simmer", TopicHeat}, {"need", TopicSize}, {"sets-at-once", TopicSets},
	{"fat", TopicFat}, {"nut", TopicFat}, {"leaf", TopicLeaf}, {"runny-stuffing", TopicWet},
	{"soft", TopicWet}, {"stiff", TopicDry}, {"cohesion-soft", TopicGlue}, {"crowded", TopicGlue}, {"watery", TopicWet}, {"weeps", TopicWet}, {"powdery", TopicDry},
}

var cookedTerms = []evidence{
	{"base", TopicShape}, {"ball", TopicShape}, {"tin", TopicShape}, {"stuffing", TopicShape}, {"fritter", TopicShape},
	{"shell", TopicShape}, {"free-loaf", TopicShape}, {"set", TopicSets}, {"softens", TopicSets}, {"cohesion-firm", TopicGlue},
	{"wet", TopicWet}, {"dry", TopicDry}, {"wet-hot", TopicWet}, {"dry-hot", TopicDry}, {"pieces", TopicGlue}, {"pieces-stuffing", TopicGlue}, {"egg", TopicEgg}, {"meat", TopicMeat},
	{"starch", TopicStarch}, {"gel", TopicGel}, {"pan", TopicHeat}, {"deep-oil", TopicHeat}, {"simmer", TopicHeat},
	{"need", TopicSize}, {"fat", TopicFat}, {"nut", TopicFat}, {"leaf", TopicLeaf},
	{"set-simmer", TopicSets}, {"egg-held", TopicEgg}, {"runny-stuffing", TopicWet}, {"parched-stuffing", TopicDry}, {"chill", TopicChill},
	{"soft", TopicWet}, {"stiff", TopicDry}, {"cohesion-soft", TopicGlue}, {"crowded", TopicGlue}, {"watery", TopicWet},
	{"meat-simmer", TopicMeat}, {"weeps", TopicWet}, {"powdery", TopicDry},
}

// What evidence counts before any outcome where the builds that anyone writes down say
// little: few are too dry (a tenth of an index short of the band takes two fifths of the
// odds), few far heavier than usual (twice the weight on the same strength is half the
// hold, and so a quarter of the odds), and oil is a rougher hand than an oven.
var (
	rawMeans    = map[string]float64{"dry": -2.5, "dry-moved": -2.5, "need": -oddsPerHold, "deep-oil": -.4, "powdery": -1}
	cookedMeans = map[string]float64{"dry": -2.5, "dry-hot": -1.5, "need": -oddsPerHold, "powdery": -1}
)

// helps and hurts are pieces of evidence whose sign nature gives: more glue and a chill
// never hurt, a heavier piece, a rougher hand, too wet and too dry never help.
var (
	helps = []string{"cohesion-firm", "cohesion-soft", "cohesion-held", "set", "softens", "sets-at-once", "set-simmer", "chill", "egg", "egg-held"}
	hurts = []string{"wet", "wet-moved", "wet-hot", "dry", "dry-moved", "dry-hot", "runny-stuffing", "parched-stuffing", "soft", "stiff", "pieces", "crowded", "watery", "need", "deep-oil", "simmer", "leaf", "weeps", "powdery"}
)

// TermSign is the sign that the i-th piece of evidence, raw then cooked, must count with;
// 0 where either may be.
func TermSign(i int) float64 {
	terms := rawTerms
	if i >= RawTerms {
		i, terms = i-RawTerms, cookedTerms
	}
	switch {
	case slices.Contains(helps, terms[i].name):
		return 1
	case slices.Contains(hurts, terms[i].name):
		return -1
	}
	return 0
}

// TermMean is what the i-th piece of evidence, raw then cooked, counts before any outcome.
func TermMean(i int) float64 {
	if i < RawTerms {
		return rawMeans[rawTerms[i].name]
	}
	return cookedMeans[cookedTerms[i-RawTerms].name]
}

// RawTerms and CookedTerms are how many pieces of evidence each judge weighs.
const (
	RawTerms    = 35
	CookedTerms = 40
)

// Evidence is what speaks for and against a mix at a duty: one number for each term,
// 0 where it says nothing.
type Evidence struct {
	Raw    [RawTerms]float64
	Cooked [CookedTerms]float64
	// Q is the index, and LnCold the logarithm of the raw cohesion, which give
	// the word of the squeeze.
	Q, LnCold float64
	// Like places the mix among the builds that cooks have judged.
	Like Likeness
}

// heavyRaw and heavyCooked are twice what usual pieces ask, kPa: within usual sizes what
// a piece weighs hardly tells, beyond them it does.
const (
	heavyRaw    = 1.4
	heavyCooked = 7.
)

// Evidence weighs nothing yet. The mix must have a paste. coldness is Coldness of the
// chilled pieces, 0 where they are not chilled.
func (e *Effect) Evidence(d *Duty, coldness float64) Evidence {
	var out Evidence
	per := 1 / e.Mass
	cold, set := e.Cohesion()
	softens := continuity(e.Broken*per) * 400 * per * (e.GlueHot - e.Set)
	q := soften(e.Free / e.Span)
	hot := soften(e.FreeHot / max(e.SpanHot, leastSpan*e.Mass))
	lnCold, lnSet, lnSoft := math.Log(cold+.05), math.Log(set+.5), math.Log(softens+.5)
	held := d.tin + d.stuffing + d.fritter
	moved, solid := 1-held, 1-d.stuffing
	// What a loose stuffing wants is moisture, whether a paste holds it or not, without
	// liquid that nothing takes up.
	runs := d.stuffing * 12 * max(0, (e.Free-e.Span)*per-.08)
	wet, dry := solid*beyond(q-d.Band.To), solid*beyond(d.Band.From-q)
	softer, stiffer := solid*Logistic((q-d.Band.To-.15)/.06), solid*Logistic((d.Band.From+.1-q)/.06)
	pieces := e.Broken * per
	crowded := 5 * max(0, pieces-.35)
	watery := solid * 10 * max(0, e.Moist*per-.7)
	egg, meat, starch := 5*e.Egg*per, e.Meat*per, 5*e.Starch*per
	gel := solid * math.Log1p(50*e.Gel*per)
	fat, nut, leaf := 3*e.Fat*per, e.Nut*per, e.Leaf*per
	moist := e.Moist * per
	powdery := solid * 5 * beyond(e.Powder*per-.32)
	weeps := solid * 10 * max(0, e.Weep*per-.02)
	out.Q, out.LnCold = e.Free/e.Span, lnCold
	out.Like = e.likeness(d, lnSoft)
	out.Raw = [RawTerms]float64{
		1, d.ball, d.tin, d.stuffing, d.fritter, d.shell, d.free,
		(moved - softer*moved) * (lnCold + 1), held * (lnCold - .7), wet, wet * moved, dry, dry * moved, pieces,
		coldness * moved, egg, meat, starch, gel,
		d.pan * moved, d.deep, d.simmer, moved * max(0, math.Log(d.Need.Raw/heavyRaw)), -(d.deep + d.simmer + .5*d.pan) * max(0, 2.5-lnSet),
		fat, nut, leaf, runs,
		softer, stiffer, moved * softer * (lnCold + 1), crowded, watery, weeps, powdery,
	}
	out.Cooked = [CookedTerms]float64{
		1, d.ball, d.tin, d.stuffing, d.fritter, d.shell, d.free,
		solid * (lnSet - 1.5), solid * (lnSoft - 1.5), (solid - softer) * (lnCold + 1),
		wet, dry, solid * beyond(hot-.9), solid * beyond(-hot), pieces, pieces * d.stuffing,
		egg, meat, starch, gel, d.pan, d.deep, d.simmer, solid * max(0, math.Log(d.Need.Cooked/heavyCooked)), fat, nut, leaf,
		d.simmer * (lnSet - 1.5), egg * held, runs, d.stuffing * 25 * max(0, .66-moist) * max(0, 1-2*meat), coldness * moved,
		softer, stiffer, softer * (lnCold + 1), crowded, watery, meat * d.simmer, weeps, powdery,
	}
	return out
}

// Judge holds what each piece of evidence counts.
type Judge struct {
	Raw    [RawTerms]float64
	Cooked [CookedTerms]float64
	// Loose and Joined say from which raw cohesion a handful joins: below it the mix
	// feels drier than its index.
	Loose, Joined float64
	// UsualRaw and UsualCooked are the evidence of the middling build, which a cook's
	// is told against.
	UsualRaw    [RawTerms]float64
	UsualCooked [CookedTerms]float64
	kin         *kinTable
}

// Know lets the judge go by builds with known outcomes as well, up to 511 of them.
func (j *Judge) Know(kin []Kin) { j.kin = newKinTable(kin) }

//go:embed judge.csv
var judgeCSV string

// Judges gives what shipped with the program: fitted to builds with known outcomes by
// cmd/fit, as docs/model.md says.
var Judges = sync.OnceValue(func() *Judge {
	j, err := readJudge(judgeCSV)
	kin, err2 := readKin(kinCSV)
	if err := errors.Join(err, err2); err != nil {
		panic(err) // the tests check the tables
	}
	j.Know(kin)
	return j
})

var errJudge = errors.New("bad table of the judge")

func readJudge(text string) (*Judge, error) {
	rows, err := csv.NewReader(strings.NewReader(text)).ReadAll()
	if err != nil {
		return nil, fmt.Errorf("%w: %w", errJudge, err)
	}
	j := &Judge{}
	want := len(rawTerms) + len(cookedTerms) + 2
	if len(rows) != want+1 {
		return nil, fmt.Errorf("%w: %d rows, want %d", errJudge, len(rows)-1, want)
	}
	for i, row := range rows[1:] {
		weight, err1 := strconv.ParseFloat(row[2], 64)
		usual, err2 := strconv.ParseFloat(row[3], 64)
		if err := errors.Join(err1, err2); err != nil {
			return nil, fmt.Errorf("%w: row %d: %w", errJudge, i+1, err)
		}
		stage, name := "word", []string{"loose", "joined"}[max(0, i-want+2)]
		switch n := i - len(rawTerms); {
		case n < 0:
			stage, name = "raw", rawTerms[i].name
			j.Raw[i], j.UsualRaw[i] = weight, usual
		case n < len(cookedTerms):
			stage, name = "cooked", cookedTerms[n].name
			j.Cooked[n], j.UsualCooked[n] = weight, usual
		case n == len(cookedTerms):
			j.Loose = weight
		default:
			j.Joined = weight
		}
		if row[0] != stage || row[1] != name {
			return nil, fmt.Errorf("%w: row %d is %s %s, want %s %s", errJudge, i+1, row[0], row[1], stage, name)
		}
	}
	return j, nil
}

// Table gives the judge as judge.csv has it.
func (j *Judge) Table() [][]string {
	out := [][]string{{"stage", "term", "weight", "usual"}}
	row := func(stage, name string, weight, usual float64) {
		out = append(out, []string{stage, name, strconv.FormatFloat(weight, 'f', 3, 64), strconv.FormatFloat(usual, 'f', 3, 64)})
	}
	for i, t := range rawTerms {
		row("raw", t.name, j.Raw[i], j.UsualRaw[i])
	}
	for i, t := range cookedTerms {
		row("cooked", t.name, j.Cooked[i], j.UsualCooked[i])
	}
	row("word", "loose", j.Loose, 0)
	row("word", "joined", j.Joined, 0)
	return out
}

// Weigh adds up the evidence, and what builds like it tell: the logarithms of the odds
// that the pieces hold raw and cooked.
func (j *Judge) Weigh(e *Evidence) (raw, cooked float64) {
	kin := j.kin.add(&e.Like)
	return j.evidenceOf(e, kin.raw, kin.cooked)
}

// Eat is what builds like it add to the logarithm of the odds that it is good to eat, beside the evidence for that.
func (j *Judge) Eat(e *Evidence) float64 { return j.kin.add(&e.Like).eat }

func (j *Judge) evidenceOf(e *Evidence, raw, cooked float64) (float64, float64) {
	for i, x := range &e.Raw {
		raw += j.Raw[i] * x
	}
	for i, x := range &e.Cooked {
		cooked += j.Cooked[i] * x
	}
	return raw, cooked
}

// Spread is one standard deviation of the logarithm of the odds.
func (j *Judge) Spread(e *Evidence) float64 {
	return spread(j.kin.add(&e.Like).near)
}

// Felt is the index that a hand feels: lower than the index where little joins the mix.
func (j *Judge) Felt(e *Evidence) float64 {
	return e.Q - j.Loose*.3*Softplus((j.Joined-e.LnCold)/.3)
}

// Loosens is how much drier than its index a mix feels because little joins it. It must
// have a paste.
func (e *Effect) Loosens() float64 {
	v := e.Evidence(&anyDuty, 0)
	return v.Q - Judges().Felt(&v)
}

// Judged is how a mix will do at a duty.
type Judged struct {
	// Raw and Cooked are the chances, 0..1, that pieces hold raw (shaped, moved, turned,
	// through the start of cooking) and cooked (rested, lifted and cut).
	Raw, Cooked float64
	// RawRatio and CookedRatio are the holds over what the pieces need: 1 at even odds,
	// 1.5 at a chance of 7 in 10.
	RawRatio, CookedRatio float64
	// SD is one standard deviation of the logarithm of the odds: how far builds as well
	// known as this one were found off.
	SD float64
	// Eat is what builds like it add to the logarithm of the odds that it is good to eat (package eating).
	Eat float64
	// Felt is the index that a hand feels.
	Felt float64
}

// Chance is that it holds, raw and cooked: that of the weaker stage.
func (j Judged) Chance() float64 { return min(j.Raw, j.Cooked) }

// Ninety is how many standard deviations hold nine tenths of a normal distribution.
const Ninety = 1.6449

// Between gives a range in which the chance lies nine times in ten.
func (j Judged) Between() (low, high float64) {
	p := j.Chance()
	if p <= 0 {
		return 0, 0
	}
	z := math.Log(p / (1 - p))
	return Logistic(z - Ninety*j.SD), Logistic(z + Ninety*j.SD)
}

// oddsPerHold is how the logarithm of the odds goes with that of the hold over the
// need: ln (7/3) / ln 1.5, so that 1.5 times the need is a chance of 7 in 10.
const oddsPerHold = 2.0896965

// SureRatio is the hold over the need at which a piece is said to hold: a chance of 7 in 10.
var SureRatio = math.Exp(math.Log(7./3) / oddsPerHold)

// surest keeps the odds where judgement can speak of them: 1 to 400.
const surest = 6.

// OddsOf are the logarithms of the odds of a mix at a duty before they are kept where judgement can speak of them.
type OddsOf struct {
	raw, cooked, eat, felt, sd float64
	moved, paste               bool
}

// Odds are those of the mix at the duty. Without a paste nothing holds.
func (e *Effect) Odds(d *Duty, coldness float64) (o OddsOf) {
	if !e.HasPaste() {
		return OddsOf{}
	}
	v := e.Evidence(d, coldness)
	j := Judges()
	kin := j.kin.add(&v.Like)
	o = OddsOf{moved: d.Moved(), paste: true, eat: kin.eat, felt: j.Felt(&v)}
	o.raw, o.cooked = j.evidenceOf(&v, kin.raw, kin.cooked)
	var ownRaw, ownCooked float64
	ownRaw, ownCooked, o.sd = d.Own.add(d, &v.Like, spread(kin.near))
	o.raw += ownRaw
	o.cooked += ownCooked
	return o
}

// Chances are those where hands are so much rougher than the duty says, as a logarithm of what pieces need.
func (o OddsOf) Chances(rough float64) (raw, cooked float64) {
	if !o.paste {
		return 0, 0
	}
	if o.moved {
		o.raw -= RoughOdds * rough
	}
	return Logistic(Surest(o.raw)), Logistic(Surest(o.cooked))
}

// Judge says how the mix does. Without a paste nothing holds.
func (e *Effect) Judge(d *Duty, coldness float64) Judged {
	o := e.Odds(d, coldness)
	if !o.paste {
		return Judged{}
	}
	raw, cooked := Surest(o.raw), Surest(o.cooked)
	return Judged{Logistic(raw), Logistic(cooked), Ratio(raw), Ratio(cooked), o.sd, o.eat, max(DriestIndex, o.felt)}
}

// Odds is the logarithm of the odds of a chance that lies between least and 1 - least.
func Odds(p, least float64) float64 {
	p = min(max(p, least), 1-least)
	return math.Log(p / (1 - p))
}

// Ratio is the hold over the need that goes with such odds.
func Ratio(odds float64) float64 { return math.Exp(odds / oddsPerHold) }

// Logistic is the chance of a logarithm of odds.
func Logistic(z float64) float64 { return 1 / (1 + math.Exp(-z)) }
