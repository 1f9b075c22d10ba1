package api_test

import (
	"fmt"
	"math/rand/v2"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/internal/store"
)

// bigKitchen fills a kitchen with builds of 6 parts and 80 lines, of ten
// versions each.
func bigKitchen(b *testing.B, c *client, builds int) {
	foods := food.Starter().Foods()
	random := rand.New(rand.NewPCG(1, 2))
	words := []string{"bean", "lentil", "chestnut", "turkey", "millet", "marsh", "slipway", "regatta", "oar", "cox", "weir", "fennel"}
	lines := func(n int) []document.Line {
		out := make([]document.Line, n)
		for i := range out {
			out[i] = document.Line{Food: foods[random.IntN(len(foods))].ID, Grams: float64(5 + random.IntN(400))}
		}
		return out
	}
	now := time.Now()
	var all []store.History
	for i := range builds {
		h := store.History{ID: uuid.NewString(), CreatedAt: now, UpdatedAt: now.Add(-time.Duration(i) * time.Minute)}
		d := document.Document{Format: document.Format, Name: fmt.Sprintf("%s and %s cakes %d", words[random.IntN(len(words))], words[random.IntN(len(words))], i), Lines: lines(20)}
		for _, kind := range document.PartKinds[:6] {
			d.Parts = append(d.Parts, document.Part{Kind: kind, Lines: lines(10)})
		}
		for n := 1; n <= 10; n++ {
			d.Lines = append([]document.Line(nil), d.Lines...)
			d.Lines[0].Grams = float64(n)
			h.Versions = append(h.Versions, store.HistoryVersion{Number: n, CreatedAt: now, Document: d})
		}
		all = append(all, h)
	}
	_, err := c.store.TakeIn(b.Context(), c.kitchen, store.Taken{Histories: all})
	require.NoError(b, err)
}

// A kitchen of 2 000 builds and 20 000 versions.
func BenchmarkBigKitchen(b *testing.B) {
	c := start(b)
	bigKitchen(b, c, 2000)
	list := ask[[]struct{ ID string }](b, c, "GET", "/api/builds", "")
	for _, way := range []struct{ name, path string }{
		{"list", "/api/builds"},
		{"search", "/api/builds?q=regatta"},
		{"search-food", "/api/builds?q=chickpea+flour"},
		{"search-nothing", "/api/builds?q=zzzzz"},
		{"open", "/api/builds/" + list[100].ID},
		{"versions", "/api/builds/" + list[100].ID + "/versions"},
		{"compare", "/api/builds/" + list[100].ID + "/compare?from=1&to=10"},
	} {
		b.Run(way.name, func(b *testing.B) {
			for b.Loop() {
				answer, _ := c.do("GET", way.path, "")
				require.Equal(b, 200, answer.StatusCode)
			}
		})
	}
}
