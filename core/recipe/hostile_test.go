package recipe_test

import (
	"fmt"
	"runtime"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"cuerda/core/recipe"
)

// hostile are pages and files made to take memory and time: each as long as asked, bytes.
var hostile = map[string]func(n int) string{
	"nested properties":     func(n int) string { return "<html>" + fill(`<p itemprop="recipeIngredient">1 cup oats`, n) },
	"nested blocks":         func(n int) string { return "<html>" + fill(`<div itemprop="recipeInstructions"><b>`, n) },
	"tiny elements":         func(n int) string { return "<html>" + fill("<a>", n) },
	"ends without begins":   func(n int) string { return "<html><p>" + fill("</a>", n) },
	"open and never closed": func(n int) string { return "<html>" + fill("<x><li>", n) },
	"attributes":            func(n int) string { return "<html><p " + fill("a=b ", n) + ">" },
	"a comment":             func(n int) string { return "<html><!--" + fill("-", n) },
	"scripts":               func(n int) string { return "<html>" + fill(`<script type="application/ld+json">{}</script>`, n) },
	"a script of brackets":  func(n int) string { return `<script type="application/ld+json">[` + fill("{},", n) + "{}]</script>" },
	"brackets":              func(n int) string { return "[" + fill("{},", n) + "{}]" },
	"deep brackets":         func(n int) string { return fill("[", n) },
	"a string of tags":      func(n int) string { return `{"@type":"Recipe","recipeIngredient":["` + fill("<a>", n) + `"]}` },
	"lines that go on":      func(n int) string { return "Cakes\n\n" + fill("and\n", n) },
	"items":                 func(n int) string { return "Cakes\n" + fill("- 1\n", n) },
	"one line":              func(n int) string { return "Cakes\n- 1 cup " + fill("oat", n) },
	"values":                func(n int) string { return "food,grams\n" + fill("a,1\n", n) },
	"columns":               func(n int) string { return "food,grams\n" + fill("a,", n) },
}

func fill(with string, n int) string { return strings.Repeat(with, n/len(with)) }

// No text makes more garbage in all than so many times itself, much of which is gone when
// the rest is made: nested properties took 800 times their length at once.
func TestHostileTextsTakeLinearMemory(t *testing.T) {
	if testing.Short() {
		t.Skip("the race detector takes memory of its own; it runs without")
	}
	const size = 1 << 21
	for name, make := range hostile {
		text := []byte(make(size))
		var before, after runtime.MemStats
		runtime.ReadMemStats(&before)
		_, _ = recipe.Read(text, ofAll, nil)
		runtime.ReadMemStats(&after)
		times := float64(after.TotalAlloc-before.TotalAlloc) / float64(len(text))
		assert.Less(t, times, 12., name)
		t.Logf("%-24s %4.1f times", name, times)
	}
}

// How long the worst of them takes, by kind.
func BenchmarkHostileTexts(b *testing.B) {
	for name, make := range hostile {
		for _, size := range []int{1 << 19, 1 << 21} {
			text := []byte(make(size))
			b.Run(fmt.Sprintf("%s/%d", name, size), func(b *testing.B) {
				for b.Loop() {
					_, _ = recipe.Read(text, ofAll, nil)
				}
			})
		}
	}
}
