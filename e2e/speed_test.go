package e2e

import (
	"math"
	"slices"
	"testing"
)

// BenchmarkEditAnswers measures, in the browser, from a key press on the grams
// of a binder to the frame in which the new squeeze stands. It reports the
// median and the 95th percentile.
func BenchmarkEditAnswers(b *testing.B) {
	a := start(b)
	w := a.open(a.person(), "/bench/"+a.build(peas))
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
