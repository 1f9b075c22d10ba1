package export_test

import (
	"encoding/csv"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/physics/mix"
	"cuerda/internal/export"
)

func drawTry(t *rapid.T) export.Try {
	number := func(name string, most int) *float64 {
		if rapid.Bool().Draw(t, "no "+name) {
			return nil
		}
		x := float64(rapid.IntRange(0, most).Draw(t, name))
		return &x
	}
	f := logbook.Found{
		Hold: rapid.SampledFrom(logbook.Holds).Draw(t, "hold"), Bite: rapid.SampledFrom(append([]string{""}, logbook.Bites...)).Draw(t, "bite"),
		Squeeze: rapid.SampledFrom(mix.SqueezeWords).Draw(t, "word"), OffAtMinutes: number("minutes", 90), CoreCelsius: number("core", 99),
		Note: rapid.SampledFrom([]string{"", "=HYPERLINK(1)", "a, b; \"c\"", "one\ntwo"}).Draw(t, "note"),
	}
	d := document.Document{Format: document.Format, Name: rapid.SampledFrom([]string{"Cakes", "+Balls", "Pan de castañas"}).Draw(t, "name"), Lines: []document.Line{{Food: "tofu-firm", Grams: 400}}}
	return export.Try{CookedAt: time.Date(2026, 5, rapid.IntRange(1, 30).Draw(t, "day"), 18, 0, 0, 0, time.UTC), Document: d, Found: f}
}

// What goes out as a table or a diary, in either language, comes in again as it was told.
func TestTablesAndDiariesComeBack(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		all := rapid.SliceOfN(rapid.Custom(drawTry), 1, 5).Draw(t, "tries")
		language := rapid.SampledFrom(export.Languages).Draw(t, "language")
		table, err := export.TriesCSV(all, language)
		require.NoError(t, err)
		for name, text := range map[string][]byte{"table": table, "diary": export.TriesMarkdown(all, language)} {
			got, err := export.ReadTries(text)
			require.NoError(t, err, name)
			require.Len(t, got, len(all), name)
			for i := range got {
				want := &all[i]
				assert.Equal(t, want.Document.Name, got[i].Dish, name)
				assert.Equal(t, want.CookedAt.Format(time.DateOnly), got[i].At.Format(time.DateOnly), name)
				assert.Equal(t, want.Found.Outcome(), got[i].Found.Outcome(), name)
				assert.Equal(t, want.Found.Squeeze, got[i].Found.Squeeze, name)
				assert.Equal(t, want.Found.OffAtMinutes, got[i].Found.OffAtMinutes, name)
				assert.Equal(t, want.Found.CoreCelsius, got[i].Found.CoreCelsius, name)
				assert.Equal(t, want.Found.Note, got[i].Found.Note, name)
			}
		}
		rows, err := csv.NewReader(strings.NewReader(strings.TrimPrefix(string(table), "\ufeff"))).ReadAll()
		require.NoError(t, err)
		for _, row := range rows {
			for _, cell := range row {
				assert.NotContains(t, "=+@", cell[:min(1, len(cell))]+"#", "no spreadsheet runs it")
			}
		}
	})
}

func TestTriesAsJSONAreReadByLearn(t *testing.T) {
	d, err := document.Read([]byte(`{"format":"cuerda-build/1","name":"Cakes","lines":[{"food":"tofu-firm","grams":400}]}`), food.Starter())
	require.NoError(t, err)
	text, err := export.TriesJSON([]export.Try{{ID: "a", CookedAt: time.Date(2026, 5, 1, 18, 0, 0, 0, time.UTC), Document: *d, Found: logbook.Found{Hold: "held"}}})
	require.NoError(t, err)
	got, err := learn.ReadTries(text, food.Starter())
	require.NoError(t, err)
	require.Len(t, got, 1)
	assert.Equal(t, *d, *got[0].Document)
	assert.Equal(t, "held", got[0].Found.Hold)
}

func TestFilesWithoutTriesSayWhatIsWrong(t *testing.T) {
	for text, why := range map[string]string{
		"":                             "no try",
		"date,dish\n":                  "no try",
		"date,dish\nyesterday,Cakes\n": "row 2",
		"date,dish,\"core, °C\"\n2026-01-01,Cakes,hot": "no number",
		"date,dish,pieces\n2026-01-01,Cakes,9000":      "pieces",
		"date\n2026-01-01\n":                           "which dish",
		"# Logbook\n\nnothing here":                    "no try",
		"a;b;c\n1;2;3\n":                               "which dish",
	} {
		_, err := export.ReadTries([]byte(text))
		require.Error(t, err, text)
		assert.Contains(t, err.Error(), why, text)
	}
}
