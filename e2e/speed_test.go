package e2e

import (
	"bytes"
	"encoding/json"
	"math"
	"net/http"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
)

// BenchmarkEditAnswers measures, in the browser, from a key press on the grams
// of a binder to the frame in which the new squeeze stands. It reports the
// median and the 95th percentile.
func BenchmarkEditAnswers(b *testing.B) {
	a := start(b)
	b.Run("demo", func(b *testing.B) { editAnswers(b, a, a.build(peas)) })
	b.Run("80-lines-6-parts", func(b *testing.B) { editAnswers(b, a, a.big(b)) })
}

// big keeps a build of a mix of 20 lines and six parts of ten.
func (a *app) big(b *testing.B) string {
	d := a.document(a.build(peas))
	d.Name, d.Parts = "Everything", nil
	foods := food.Starter().Foods()
	for i := 0; len(d.Lines) < 20; i += 7 {
		d.Lines = append(d.Lines, document.Line{Food: foods[i].ID, Grams: 20})
	}
	for _, kind := range document.PartKinds[:6] {
		d.Parts = append(d.Parts, document.Part{Kind: kind, Lines: d.Lines[:10]})
	}
	text, err := json.Marshal(d)
	require.NoError(b, err)
	answer, err := http.Post(a.at("/api/builds"), "application/json", bytes.NewReader(text))
	require.NoError(b, err)
	defer answer.Body.Close()
	require.Equal(b, http.StatusCreated, answer.StatusCode)
	var made struct{ ID string }
	require.NoError(b, json.NewDecoder(answer.Body).Decode(&made))
	return made.ID
}

func editAnswers(b *testing.B, a *app, id string) {
	w := a.open(a.person(), "/bench/"+id)
	w.see(gramsOf("flax-meal")).MustFocus()
	var all []float64
	press := func() float64 {
		return w.MustEval(`(selector) => new Promise((done) => {
			const field = document.querySelector(selector);
			const scale = document.querySelector(".squeeze-marks");
			const begun = performance.now();
			const seen = new MutationObserver(() => { seen.disconnect(); requestAnimationFrame(() => done(performance.now() - begun)); });
			seen.observe(scale, { attributes: true, subtree: true });
			field.dispatchEvent(new KeyboardEvent("keydown", { key: Number(field.value) < 60 ? "ArrowUp" : "ArrowDown", shiftKey: Number(field.value) >= 60, bubbles: true, cancelable: true }));
		})`, gramsOf("flax-meal")).Num()
	}
	for range 20 {
		press() // the page's own code warms up
	}
	for b.Loop() {
		all = append(all, press())
	}
	slices.Sort(all)
	at := func(share float64) float64 { return all[int(math.Ceil(share*float64(len(all))))-1] }
	b.ReportMetric(at(.5), "ms-p50")
	b.ReportMetric(at(.95), "ms-p95")
	b.ReportMetric(0, "ns/op")
}
