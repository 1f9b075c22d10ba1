package main

import (
	"context"
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"slices"
	"time"

	"cuerda/internal/load"
)

// asked is how often each question is put.
const asked = 200

// warming is how many of them come before any is timed.
const warming = 10

// percentile gives the one below which so many of a hundred lie.
func percentile(all []time.Duration, of int) time.Duration {
	if len(all) == 0 {
		return 0
	}
	sorted := slices.Sorted(slices.Values(all))
	return sorted[min(len(sorted)-1, len(sorted)*of/100)]
}

func millis(d time.Duration) float64 { return float64(d.Microseconds()) / 1000 }

// questions are what is asked of a kitchen's builds.
var questions = []string{"list", "search a name", "search a food", "search what is not there", "open", "save"}

// ask puts every question to kitchens, in turn, and gives how long 95 of 100 took at most, ms, by question.
func ask(ctx context.Context, p *program, kitchens []load.Kitchen) (map[string]float64, error) {
	random := rand.New(rand.NewPCG(7, 7))
	out := map[string]float64{}
	for _, question := range questions {
		var took []time.Duration
		for i := range asked + warming {
			k := &kitchens[i%len(kitchens)]
			build := k.Builds[random.IntN(len(k.Builds))]
			d, err := askOnce(ctx, p, question, k.ID, build)
			if err != nil {
				return nil, err
			}
			if i >= warming {
				took = append(took, d)
			}
		}
		out[question] = millis(percentile(took, 95))
	}
	return out, nil
}

func askOnce(ctx context.Context, p *program, question, kitchen, build string) (time.Duration, error) {
	paths := map[string]string{
		"list": "/builds", "search a name": "/builds?q=regatta", "search a food": "/builds?q=chickpea+flour", "search what is not there": "/builds?q=zzzzz", "open": "/builds/" + build,
	}
	began := time.Now()
	if path, reads := paths[question]; reads {
		_, _, err := p.do(ctx, "GET", kitchen, path, "")
		return time.Since(began), err
	}
	// A save is of what was opened, with an amount changed.
	text, header, err := p.do(ctx, "GET", kitchen, "/builds/"+build, "")
	if err != nil {
		return 0, err
	}
	var opened struct{ Document map[string]any }
	if err := json.Unmarshal(text, &opened); err != nil {
		return 0, err
	}
	lines, ok := opened.Document["lines"].([]any)
	if !ok || len(lines) == 0 {
		return 0, fmt.Errorf("build %s has no lines", build)
	}
	line := lines[0].(map[string]any)
	line["grams"] = line["grams"].(float64) + 1
	body, err := json.Marshal(opened.Document)
	if err != nil {
		return 0, err
	}
	began = time.Now()
	_, _, err = p.do(ctx, "PUT", kitchen, "/builds/"+build, string(body), "If-Match", header.Get("ETag"))
	return time.Since(began), err
}

// use has each kitchen do what a household does in a few minutes, and gives how long a round of all of it took, 95 of 100, ms.
func use(ctx context.Context, p *program, kitchens []load.Kitchen) (float64, error) {
	var took []time.Duration
	for i := range kitchens {
		k := &kitchens[i]
		build := k.Builds[i%len(k.Builds)]
		began := time.Now()
		for _, path := range []string{"/builds", "/builds/" + build, "/foods", "/learned", "/read-line?text=2+cups+cooked+red+lentils", "/tries?limit=20"} {
			if _, _, err := p.do(ctx, "GET", k.ID, path, ""); err != nil {
				return 0, err
			}
		}
		took = append(took, time.Since(began))
	}
	return millis(percentile(took, 95)), nil
}
