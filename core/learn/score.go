package learn

import (
	"cmp"
	"math"
	"slices"

	"cuerda/core/food"
	"cuerda/core/physics/mix"
)

// Score is how well predictions fit outcomes.
type Score struct {
	Builds int
	// Brier is the mean square of the chance less the known one; Raw and Cooked are
	// those of the stages.
	Brier, Raw, Cooked float64
	// RightSide is the share on the right side of one half, Words the share, of those
	// that a hand felt, whose squeeze is one of those that are fair.
	RightSide, Words float64
	// Covered is the share of stages whose known chance lies where nine in ten should.
	Covered float64
	// Eat is how far what it says of eating is off, 0..1, on average over those that have a word for it.
	Eat float64
}

// ScoreOf scores what was said of builds.
func ScoreOf(builds []*Build, said []Said) Score {
	s := Score{Builds: len(builds)}
	per := 1 / float64(len(builds))
	asked, eaten := 0., 0.
	for _, b := range builds {
		if len(b.Hand) > 0 {
			asked++
		}
		if b.Eat != nil {
			eaten++
		}
	}
	within := func(said, sd, known float64) float64 {
		if math.Abs(mix.Odds(said, surestSay)-mix.Odds(known, surestSay)) <= mix.Ninety*sd {
			return per / 2
		}
		return 0
	}
	for i, b := range builds {
		p, want := min(said[i].Raw, said[i].Cooked), b.Chance()
		s.Brier += per * (p - want) * (p - want)
		s.Raw += per * (said[i].Raw - b.Raw) * (said[i].Raw - b.Raw)
		s.Cooked += per * (said[i].Cooked - b.Cooked) * (said[i].Cooked - b.Cooked)
		s.Covered += within(said[i].Raw, said[i].SD, b.Raw) + within(said[i].Cooked, said[i].SD, b.Cooked)
		if (p >= .5) == (want >= .5) {
			s.RightSide += per
		}
		if slices.Contains(b.Hand, said[i].Word) {
			s.Words += 1 / asked
		}
		if b.Eat != nil {
			s.Eat += math.Abs(said[i].Eat-*b.Eat) / eaten
		}
	}
	return s
}

// ScoresBy scores what was said of the builds of each group that by names.
func ScoresBy(builds []*Build, said []Said, by func(*Build) string) map[string]Score {
	of, as := map[string][]*Build{}, map[string][]Said{}
	for i, b := range builds {
		name := by(b)
		of[name], as[name] = append(of[name], b), append(as[name], said[i])
	}
	out := map[string]Score{}
	for name := range of {
		out[name] = ScoreOf(of[name], as[name])
	}
	return out
}

// Bin is a row of the table of reliability: what was said, and what was known, of the
// builds whose chance lies in a range.
type Bin struct {
	From, To    float64
	Builds      int
	Said, Known float64
}

// Reliability says what became of builds for which it said so and so much.
func Reliability(builds []*Build, said []Said) []Bin {
	out := []Bin{{From: 0, To: .1}, {From: .1, To: .3}, {From: .3, To: .5}, {From: .5, To: .7}, {From: .7, To: .9}, {From: .9, To: 1.01}}
	for i, b := range builds {
		p := min(said[i].Raw, said[i].Cooked)
		for k := range out {
			if p >= out[k].From && p < out[k].To {
				out[k].Builds++
				out[k].Said += p
				out[k].Known += b.Chance()
			}
		}
	}
	for k := range out {
		if n := float64(out[k].Builds); n > 0 {
			out[k].Said /= n
			out[k].Known /= n
		}
	}
	return out
}

// HeldOut predicts every build by a fit to the others: folds keep the builds of a ladder
// together.
func HeldOut(builds []*Build, foods *food.Catalogue, folds int, o Options) ([]Said, error) {
	ladders := map[string]int{}
	var names []string
	for _, b := range builds {
		if _, there := ladders[b.Ladder]; !there {
			ladders[b.Ladder] = 0
			names = append(names, b.Ladder)
		}
	}
	slices.SortFunc(names, cmp.Compare[string])
	for i, n := range names {
		ladders[n] = (5*i + 3) % folds
	}
	out := make([]Said, len(builds))
	for fold := range folds {
		var known, asked []*Build
		var at []int
		for i, b := range builds {
			if ladders[b.Ladder] == fold {
				asked, at = append(asked, b), append(at, i)
			} else {
				known = append(known, b)
			}
		}
		f, err := Learn(known, foods, o)
		if err != nil {
			return nil, err
		}
		for i, s := range f.Predict(asked) {
			out[at[i]] = s
		}
	}
	return out, nil
}
