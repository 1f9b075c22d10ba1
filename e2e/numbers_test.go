package e2e

import (
	"testing"

	"github.com/stretchr/testify/assert"
)

// What is typed is read as the page's language writes it, and what is shown is read as what it is.
func TestNumbersAreReadAsThePageWritesThem(t *testing.T) {
	a := start(t)
	for language, typed := range map[string]map[string]float64{
		"en-GB": {"1,500": 1500, "12,000": 12000, "1.5": 1.5, "2,5": 2.5, "1500": 1500, "12,000.5": 12000.5},
		"es-ES": {"1.500": 1500, "12.000": 12000, "1,5": 1.5, "2.5": 2.5, "1500": 1500, "12.000,5": 12000.5},
	} {
		id := a.build("Split-pea and parsnip cakes")
		w := a.openAs(a.person(), "/bench/"+id, language, 1280, 800)
		for text, want := range typed {
			w.fill(gramsOf("parsnip"), text)
			w.settled(func() bool { return a.kept(id, "parsnip") == want }, text+" is read, in "+language)
			// What the field then shows is the same number, read again.
			w.MustEval(`() => document.activeElement.blur()`)
			shown := w.value(gramsOf("parsnip"))
			w.fill(gramsOf("parsnip"), "7")
			w.settled(func() bool { return a.kept(id, "parsnip") == 7 }, "it is another")
			w.fill(gramsOf("parsnip"), shown)
			w.settled(func() bool { return a.kept(id, "parsnip") == want }, shown+" is what it was, in "+language)
		}
		assert.NotEmpty(t, typed)
	}
}
