package proposal

import (
	"cmp"
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
	"cuerda/core/recipe"
)

// Question is something that the recipe does not say and that the chance hangs on.
type Question struct {
	// Code is fineness (whole, mashed or ground), juice (a wet vegetable as it is,
	// pressed or fried), gel (soaked in its water first, or not), rest, chill, kind, thickness, method or amount.
	Code string
	// Line is the line of the mix it is about; -1 for the whole.
	Line int
	Food string
	// Answers are the likeliest first.
	Answers []Choice
}

// Choice is one answer, what it makes of the chance, and what it sets.
type Choice struct {
	// Chance is that the pieces hold, with this answer and nothing else changed, 0..1.
	Chance float64
	// AsRead says that this is how the build stands now.
	AsRead bool
	Prep   []food.Preparation
	// Minutes are of the rest or the chill, Millimetres of the thickness, Grams of the
	// line; -1 where it is not about them.
	Minutes     float64
	Millimetres float64
	Grams       float64
	Kind        piece.Kind
	Method      method.Method

	weight float64 // how likely it is, beside the others
}

const (
	// mostQuestions is as many as are asked.
	mostQuestions = 3
	// worthAsking is the least that the likely answers differ by for a question, in
	// chance: less moves no verdict.
	worthAsking = 0.05
)

// ask finds the questions whose likely answers move the chance most: it tries each
// answer in the model, and weighs how far they spread by how likely they are.
func (d *Proposal) ask(u *recipe.Understood, k *kitchen.Kitchen) {
	d.Questions = []Question{}
	d.Chance = chance(&d.Document, k)
	if len(d.Document.Lines) == 0 {
		return
	}
	type scored struct {
		Question
		spread float64
	}
	var all []scored
	for _, q := range d.candidates(u, k) {
		for i := range q.Answers {
			a := &q.Answers[i]
			if a.AsRead {
				a.Chance = d.Chance
				continue
			}
			tried := d.with(&q, a)
			a.Chance = chance(&tried, k)
		}
		if s := spread(q.Answers); s >= worthAsking {
			slices.SortStableFunc(q.Answers, func(a, b Choice) int { return cmp.Compare(b.weight, a.weight) })
			for i := range q.Answers {
				q.Answers[i].Chance = math.Round(q.Answers[i].Chance*1000) / 1000
			}
			all = append(all, scored{q, s})
		}
	}
	slices.SortStableFunc(all, func(a, b scored) int { return cmp.Compare(b.spread, a.spread) })
	for _, q := range all[:min(len(all), mostQuestions)] {
		d.Questions = append(d.Questions, q.Question)
	}
	d.Chance = math.Round(d.Chance*1000) / 1000
}

// spread is twice the standard deviation of the chance over the answers.
func spread(answers []Choice) float64 {
	sum, mean, square := 0., 0., 0.
	for _, a := range answers {
		sum += a.weight
		mean += a.weight * a.Chance
		square += a.weight * a.Chance * a.Chance
	}
	mean /= sum
	return 2 * math.Sqrt(max(0, square/sum-mean*mean))
}

func chance(d *document.Document, k *kitchen.Kitchen) float64 { return predict.Predict(d, k).Chance }

// with gives the document with an answer in it.
func (d *Proposal) with(q *Question, a *Choice) document.Document {
	out := d.Document
	switch q.Code {
	case "fineness", "juice", "gel", "amount":
		out.Lines = slices.Clone(out.Lines)
		l := &out.Lines[q.Line]
		if q.Code == "amount" {
			l.Grams = a.Grams
		} else {
			l.Prep = a.Prep
		}
	case "rest":
		out.Rest = &document.Wait{Minutes: a.Minutes}
	case "chill":
		out.Chill = &document.Wait{Minutes: a.Minutes}
	case "kind":
		p := piece.Usual(a.Kind)
		out.Piece = &p
	case "thickness":
		p := out.PieceOrDefault()
		p.ThicknessMM = a.Millimetres
		out.Piece = &p
	case "method":
		out.Cook = &document.Cook{Method: a.Method}
	}
	return out
}

// candidates are all questions that a recipe leaves open, with their answers and how
// likely a cook means each: judgement, grade C.
func (d *Proposal) candidates(u *recipe.Understood, k *kitchen.Kitchen) (out []Question) {
	doc := &d.Document
	for i := range doc.Lines {
		f := k.Foods.Find(doc.Lines[i].Food)
		out = append(out, d.ofLine(i, f)...)
	}
	out = append(out, d.amounts(u)...)
	made := doc.PieceOrDefault()
	held := made.Held()
	// A method that goes on to the heat without a rest or a chill has said that there is
	// none.
	told := u.Cook != nil && len(doc.Method) > 0
	if u.Rest == nil && !told {
		out = append(out, waits("rest", 0.5, []float64{15, 30}, []float64{0.35, 0.15}))
	}
	if u.Chill == nil && !held && !told {
		out = append(out, waits("chill", 0.6, []float64{30, 60}, []float64{0.25, 0.15}))
	}
	switch {
	case u.Piece == nil:
		out = append(out, Question{Code: "kind", Line: -1, Answers: []Choice{
			blank(Choice{Kind: piece.Patty, AsRead: true, weight: 0.5}), blank(Choice{Kind: piece.Ball, weight: 0.3}), blank(Choice{Kind: piece.Loaf, weight: 0.2}),
		}})
	case u.Piece.Kind.IsFlat() && u.Piece.ThicknessMM == 0 && u.Piece.Count == 0:
		now := doc.Piece.ThicknessMM
		out = append(out, Question{Code: "thickness", Line: -1, Answers: []Choice{
			blank(Choice{Millimetres: now, AsRead: true, weight: 0.5}), blank(Choice{Millimetres: 12, weight: 0.25}), blank(Choice{Millimetres: 25, weight: 0.25}),
		}})
	}
	if u.Cook == nil {
		out = append(out, d.methods())
	}
	return out
}

// blank is an answer that sets no figure beside those that it names.
func blank(a Choice) Choice {
	if a.Millimetres == 0 {
		a.Millimetres = -1
	}
	if a.Grams == 0 {
		a.Grams = -1
	}
	a.Minutes = -1
	return a
}

func waits(code string, none float64, minutes, weights []float64) Question {
	q := Question{Code: code, Line: -1, Answers: []Choice{{Minutes: 0, Millimetres: -1, Grams: -1, AsRead: true, weight: none}}}
	for i, m := range minutes {
		q.Answers = append(q.Answers, Choice{Minutes: m, Millimetres: -1, Grams: -1, weight: weights[i]})
	}
	return q
}

func (d *Proposal) methods() Question {
	usual, _ := d.Document.MethodAndTurn()
	q := Question{Code: "method", Line: -1, Answers: []Choice{blank(Choice{Method: usual, AsRead: true, weight: 0.5})}}
	made := d.Document.PieceOrDefault()
	for _, m := range []method.Method{method.Pan, method.StillOven, method.DeepOil} {
		if m != usual && !(made.Held() && m != method.StillOven) {
			q.Answers = append(q.Answers, blank(Choice{Method: m, weight: 0.25}))
		}
	}
	return q
}

// ofLine asks of one food whether it goes in whole or broken, and whether its juice
// goes in with it, where the recipe does nothing to it.
func (d *Proposal) ofLine(i int, f *food.Food) (out []Question) {
	l := &d.Document.Lines[i]
	if f == nil || d.share(i) < 0.04 {
		return nil
	}
	done := func(dos ...food.Do) bool {
		return slices.ContainsFunc(l.Prep, func(p food.Preparation) bool { return slices.Contains(dos, p.Do) })
	}
	also := func(p ...food.Preparation) []food.Preparation { return append(slices.Clone(l.Prep), p...) }
	now := blank(Choice{Prep: l.Prep, AsRead: true})
	switch {
	case f.Group == food.Legume && f.Chunk > 0.3 && !done(food.Mash, food.Blitz) && !d.broken(i):
		now.weight = 0.2
		out = append(out, Question{Code: "fineness", Line: i, Food: f.ID, Answers: []Choice{
			now, blank(Choice{Prep: also(food.Preparation{Do: food.Mash, Level: 0.8}), weight: 0.5}), blank(Choice{Prep: also(food.Preparation{Do: food.Blitz, Level: 0.5}), weight: 0.3}),
		}})
	case (f.Group == food.GrainBinder || f.Group == food.Nut) && f.Chunk > 0.3 && food.Blitz.Suits(f) && !done(food.Mash, food.Blitz):
		now.weight = 0.7
		out = append(out, Question{Code: "fineness", Line: i, Food: f.ID, Answers: []Choice{
			now, blank(Choice{Prep: also(food.Preparation{Do: food.Blitz, Level: 0.8}), weight: 0.3}),
		}})
	}
	if f.Group == food.Vegetable && f.State == food.Raw && f.Leak > 0.05 && d.share(i) >= 0.08 && !done(food.Press, food.Saute, food.Roast, food.OvenDry) {
		now.weight = 0.5
		out = append(out, Question{Code: "juice", Line: i, Food: f.ID, Answers: []Choice{
			now, blank(Choice{Prep: also(food.Preparation{Do: food.Press}), weight: 0.3}), blank(Choice{Prep: also(food.Preparation{Do: food.Saute, Minutes: 8}), weight: 0.2}),
		}})
	}
	if food.SoakGel.Suits(f) && !done(food.SoakGel) {
		now.weight = 0.6
		out = append(out, Question{Code: "gel", Line: i, Food: f.ID, Answers: []Choice{now, blank(Choice{Prep: also(food.Preparation{Do: food.SoakGel, Minutes: 10}), weight: 0.4})}})
	}
	return out
}

// broken says that the recipe has the food crumbled or flaked already.
func (d *Proposal) broken(i int) bool {
	it := d.items[i]
	return it != nil && it.Tells("word.broken")
}

// share is that of a line in the mix, by mass.
func (d *Proposal) share(i int) float64 {
	total := 0.
	for k := range d.Document.Lines {
		total += d.Document.Lines[k].Grams
	}
	return d.Document.Lines[i].Grams / total
}

// amounts asks of foods whose amount the recipe does not give.
func (d *Proposal) amounts(u *recipe.Understood) (out []Question) {
	for i := range u.Lines {
		for j := range u.Lines[i].Items {
			it, at := &u.Lines[i].Items[j], d.Spots[i][j]
			if at.Part != 0 || it.GramsSure > 0.3 || it.Said {
				continue
			}
			g := d.Document.Lines[at.Line].Grams
			out = append(out, Question{Code: "amount", Line: at.Line, Food: it.Food, Answers: []Choice{
				blank(Choice{Grams: g, AsRead: true, weight: 0.5}), blank(Choice{Grams: max(1, math.Round(g/2)), weight: 0.25}), blank(Choice{Grams: 2 * g, weight: 0.25}),
			}})
		}
	}
	return out
}
