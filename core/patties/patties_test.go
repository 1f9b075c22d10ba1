package patties

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"cuerda/core/food"
	"cuerda/core/formula"
	"cuerda/core/kitchen"
	"cuerda/core/mix"
)

func TestExplore(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	doc := func(g, rest float64, f string) *formula.Document {
		d, err := formula.Read([]byte(fmt.Sprintf(`{"format":"cuerda-build/1","name":"x","lines":[{"food":"split-peas-cooked","grams":480,"prep":[{"do":"blitz","level":0.5}]},{"food":"parsnip","grams":150,"prep":[{"do":"saute","minutes":10}]},{"food":"onion","grams":90,"prep":[{"do":"saute","minutes":10}]},{"food":"%s","grams":%g},{"food":"salt","grams":6}],"rest":{"minutes":%g,"celsius":20},"cook":{"method":"pan"}}`, f, g, rest)), food.Starter())
		if err != nil {
			t.Fatal(err)
		}
		return d
	}
	var qs []*Question
	for _, f := range []string{"chickpea-flour", "rolled-oats", "flax-meal"} {
		if food.Starter().Find(f) == nil {
			continue
		}
		for _, step := range []float64{10, 15} {
			var options []Option
			for i := range 5 {
				g := step * float64(i+1)
				options = append(options, Option{Document: doc(g, 20, f), Amount: g})
			}
			q, err := Ask(kitchen.Usual(), true, options...)
			if err != nil {
				t.Fatal(err)
			}
			qs = append(qs, q)
		}
	}
	q, _ := Ask(kitchen.Usual(), false, Option{Document: doc(40, 0, "chickpea-flour")}, Option{Document: doc(40, 20, "chickpea-flour")}, Option{Document: doc(25, 20, "flax-meal")})
	qs = append(qs, q)
	for _, q := range qs {
		for i := range q.Options {
			fmt.Printf("%.0f %.2f felt %.2f; ", q.Options[i].Amount, q.Options[i].Chance, q.Options[i].felt)
		}
		a := q.Decide(nil, 3)
		fmt.Println(a.Sure, a.Next, a.Gain)
		n, even, last := len(q.Options), 0, 0
		for _, how := range []string{"adaptive", "fixed", "even"} {
			total, right, runs, sure := 0, 0, 100, 0
			if how == "even" {
				even = 2 * last
			}
			for range runs {
				w := q.worlds()
				x, truth := r.Float64(), 0
				for i, p := range w.weight {
					if x -= p; x < 0 {
						truth = i
						break
					}
				}
				var fried []FriedPatty
				for len(fried) < 40 {
					a := q.Decide(fried, 1)
					if how != "even" && a.Sure || how == "even" && len(fried) == even {
						sure++
						best := a.Best
						if best < 0 {
							best = n
						}
						if best == w.best[truth] || q.Ordered && best == w.best[truth]+1 {
							right++
						}
						break
					}
					o := len(fried) % n
					if how == "adaptive" {
						if len(a.Next) == 0 {
							break
						}
						o = a.Next[0]
					}
					f := FriedPatty{Option: o}
					y := r.Float64()
					for i, p := range w.grades[truth][o] {
						if y -= p; y < 0 {
							f.Grade = Grades[i]
							break
						}
					}
					y = r.Float64()
					for i, p := range w.words[w.wet[truth]][o] {
						if y -= p; y < 0 {
							f.Word = mix.SqueezeWords[i]
							break
						}
					}
					fried = append(fried, f)
				}
				total += len(fried)
			}
			if how == "adaptive" {
				last = (total + 50) / 100
			}
			fmt.Println(n, how, float64(total)/float64(runs), sure, right)
		}
	}
}
