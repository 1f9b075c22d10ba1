package recipe_test

import (
	"math"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/recipe"
	"cuerda/core/recipe/ingredient"
)

// told is a recipe of testdata/cooks with what a cook reads in it: after @@ the foods of
// a line, their grams from .. to and what is done to them, or the part they go to; in the
// head the rest, the chill, the piece and the heat.
type told struct {
	id, text string
	facts    map[string]string
	lines    []toldLine
}

type toldLine struct {
	text  string
	foods []toldFood
}

type toldFood struct {
	food, part string
	low, high  float64
	preps      []string
}

var checkbox = regexp.MustCompile(`^\s*(?:[-*•▢·]\s*)?(?:\[[ x]\]\s*)?`)

func cooks(t testing.TB, file string) (out []told) {
	data, err := os.ReadFile(filepath.Join("testdata", "cooks", file))
	require.NoError(t, err)
	for line := range strings.Lines(string(data)) {
		line = strings.TrimRight(line, "\n")
		if strings.HasPrefix(line, "#o") {
			head, facts, _ := strings.Cut(line[1:], " | ")
			r := told{id: strings.Fields(head)[0], facts: map[string]string{}}
			for f := range strings.FieldsSeq(facts) {
				name, v, _ := strings.Cut(f, "=")
				r.facts[name] = v
			}
			out = append(out, r)
			continue
		}
		r := &out[len(out)-1]
		text, notes, is := strings.Cut(line, " @@ ")
		r.text += text + "\n"
		if !is {
			continue
		}
		l := toldLine{text: strings.TrimSpace(checkbox.ReplaceAllString(text, ""))}
		for note := range strings.SplitSeq(notes, " ++ ") {
			what, preps, _ := strings.Cut(note, " | ")
			f := toldFood{preps: strings.Fields(preps)}
			if at := strings.Index(what, "["); at >= 0 {
				f.part, what = strings.Trim(what[at:], "[]"), what[:at]
			}
			if w := strings.Fields(what); len(w) > 0 {
				f.food = w[0]
				if len(w) == 3 {
					f.low, _ = strconv.ParseFloat(w[1], 64)
					f.high, _ = strconv.ParseFloat(w[2], 64)
				}
			}
			l.foods = append(l.foods, f)
		}
		r.lines = append(r.lines, l)
	}
	return out
}

func understand(t require.TestingT, text string) (recipe.Found, recipe.Understood) {
	found, err := recipe.Read([]byte(text))
	require.NoError(t, err, "%.60q", text)
	return found, recipe.Understand(&found, ofAll, food.Starter())
}

var ofAll = ingredient.NewReader(food.Starter())

// shares of what was right.
type score struct{ right, all float64 }

func (s *score) count(ok bool) bool {
	s.all++
	if ok {
		s.right++
	}
	return ok
}

func (s *score) share() float64 { return s.right / max(1, s.all) }

// Recipes written as differently as people write, in English of both sides of the
// Atlantic and Spanish of both. Some were set aside while the reader was made, some were
// written after it: docs/reading.md has what was right at their first reading.
func TestRecipesAsCooksWriteThem(t *testing.T) {
	for _, file := range []string{"worked-on.txt", "set-aside.txt", "written-after.txt"} {
		var foods, grams, parts, facts score
		var hit, extra, missed float64
		for _, r := range cooks(t, file) {
			_, got := understand(t, r.text)
			for _, l := range r.lines {
				at := slices.IndexFunc(got.Lines, func(g recipe.ReadLine) bool {
					return strings.Join(strings.Fields(g.Text), " ") == strings.Join(strings.Fields(l.text), " ")
				})
				if !parts.count(at >= 0) {
					t.Logf("%s: no line %q", r.id, l.text)
					continue
				}
				line := &got.Lines[at]
				mix := slices.ContainsFunc(l.foods, func(f toldFood) bool { return f.part == "" })
				if !parts.count((line.Part == "mix") == mix) {
					t.Logf("%s: %q goes to %s", r.id, l.text, line.Part)
				}
				items := slices.Clone(line.Items)
				for _, f := range l.foods {
					if f.part != "" || f.food == "" {
						continue
					}
					k := slices.IndexFunc(items, func(i recipe.ReadFood) bool { return i.Food == f.food })
					if !foods.count(k >= 0) {
						t.Logf("%s: %q is no %s: %+v", r.id, l.text, f.food, line.Items)
						continue
					}
					item := items[k]
					items = slices.Delete(items, k, k+1)
					if !grams.count(item.Grams >= .95*f.low-.3 && item.Grams <= 1.05*f.high+.3) {
						t.Logf("%s: %q weighs %g g", r.id, l.text, item.Grams)
					}
					have := map[string]bool{}
					for _, p := range item.Prep {
						have[string(p.Do)] = true
					}
					for _, want := range f.preps {
						if have[want] {
							hit++
							delete(have, want)
							continue
						}
						missed++
						t.Logf("%s: %q without %s", r.id, l.text, want)
					}
					extra += float64(len(have))
				}
				for _, i := range items {
					assert.False(t, mix && i.Sure && i.Part == "" && len(l.foods) > 0, "%s: %q: sure of %s", r.id, l.text, i.Food)
				}
			}
			wrong := checkFacts(&facts, r.facts, &got)
			if len(wrong) > 0 {
				t.Logf("%s: %v", r.id, wrong)
			}
		}
		f1 := 2 * hit / (2*hit + extra + missed)
		t.Logf("%s: food %.3f, with grams %.3f, part %.3f, preparations %.3f, facts %.3f", file, foods.share(), grams.share(), parts.share(), f1, facts.share())
		assert.GreaterOrEqual(t, foods.share(), .98, file)
		assert.GreaterOrEqual(t, grams.share(), .95, file)
		assert.GreaterOrEqual(t, parts.share(), .95, file)
		assert.GreaterOrEqual(t, f1, .92, file)
		assert.GreaterOrEqual(t, facts.share(), .92, file)
	}
}

// checkFacts compares the figures of a recipe's head: what it does not give is not said.
func checkFacts(s *score, want map[string]string, got *recipe.Understood) (wrong []string) {
	piece, cook := got.Piece, got.Cook
	if piece == nil {
		piece = &recipe.ReadPiece{}
	}
	if cook == nil {
		cook = &recipe.ReadCook{}
	}
	minutes := func(w *recipe.ReadWait) float64 {
		if w == nil {
			return 0
		}
		return w.Minutes
	}
	if k := want["kind"]; !s.count(string(piece.Kind) == k) {
		wrong = append(wrong, "kind "+string(piece.Kind))
	}
	if !s.count(string(cook.Method) == want["method"]) {
		wrong = append(wrong, "method "+string(cook.Method))
	}
	for name, have := range map[string]float64{
		"rest": minutes(got.Rest), "chill": minutes(got.Chill), "count": float64(piece.Count), "th": piece.ThicknessMM,
		"dia": piece.DiameterMM, "c": cook.Celsius, "min": cook.Minutes,
	} {
		if want[name] == "" && name != "rest" && name != "chill" {
			continue
		}
		v, _ := strconv.ParseFloat(want[name], 64)
		if !s.count(math.Abs(have-v) <= max(1, .12*v)) {
			wrong = append(wrong, name+" "+strconv.FormatFloat(have, 'g', 4, 64))
		}
	}
	return wrong
}

func BenchmarkRecipeOf60Lines(b *testing.B) {
	var text strings.Builder
	all := cooks(b, "worked-on.txt")
	for _, r := range all {
		for line := range strings.Lines(r.text) {
			if strings.Count(text.String(), "\n") < 60 {
				text.WriteString(line)
			}
		}
	}
	data := []byte(text.String())
	foods := food.Starter()
	for b.Loop() {
		found, _ := recipe.Read(data)
		recipe.Understand(&found, ofAll, foods)
	}
}
