package api_test

import (
	"bytes"
	"encoding/json"
	"fmt"
	"net/http"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/api"
	"cuerda/internal/archive"
	"cuerda/internal/archive/archivetest"
	"cuerda/internal/store"
	"cuerda/internal/wire"
)

// wetTry is a try of pea cakes that slumped, of that build, on a day of January.
func wetTry(build string, day int) string {
	return fmt.Sprintf(`{"build":%q,"version":1,"cooked_at":"2026-01-%02dT18:00:00Z","found":{"squeeze":"slumps","pieces":8,"broke":{"turning":7},"note":"a puddle"}}`, build, day)
}

const peas = `{"format":"cuerda-build/1","name":"Pea patties","lines":[{"food":"split-peas-cooked","grams":480,"prep":[{"do":"blitz","level":0.5}]},` +
	`{"food":"chickpea-flour","grams":45},{"food":"flax-meal","grams":16},{"food":"salt","grams":6}],"rest":{"minutes":20},"cook":{"method":"pan"}}`

func TestATryIsWrittenDownAndTaught(t *testing.T) {
	t.Parallel()
	c := start(t)
	decode[api.KitchenLearned](c, "POST", "/api/learned/choose", `{"off":false}`)
	b, _ := c.build("POST", "/api/builds", peas)
	before := decode[wire.Prediction](c, "POST", "/api/predict", peas)
	var kept api.KeptTry
	for day := 1; day <= 6; day++ {
		kept = decode[api.KeptTry](c, "POST", "/api/tries", wetTry(b.ID, day))
	}
	assert.EqualValues(t, "fell-apart", kept.Outcome)
	assert.Equal(t, b.ID, kept.Build)
	assert.Equal(t, "Pea patties", kept.Name)
	require.NotNil(t, kept.Said)
	assert.NotEmpty(t, kept.Causes)
	assert.True(t, kept.Planned)
	after := decode[wire.Prediction](c, "POST", "/api/predict", peas)
	assert.Less(t, after.Chance, before.Chance-.1, "what was cooked six times counts")
	assert.Greater(t, *after.Q, *before.Q, "its peas are wetter")
	off := decode[api.KitchenLearned](c, "POST", "/api/learned/choose", `{"off":true}`)
	assert.True(t, off.Off)
	alone := decode[wire.Prediction](c, "POST", "/api/predict", peas)
	assert.Greater(t, alone.Chance, after.Chance)

	// Every one can be left out, put away and brought back.
	decode[api.KitchenLearned](c, "POST", "/api/learned/choose", `{"off":false,"figure":"own_mixes","used":false}`)
	without := decode[wire.Prediction](c, "POST", "/api/predict", peas)
	assert.Greater(t, without.Chance, after.Chance, "what became of its mixes is left out")
	l := decode[api.KitchenLearned](c, "POST", "/api/learned/choose", `{"figure":"water:split-peas-cooked","used":false}`)
	for _, f := range l.Figures {
		if f.Name == "water:split-peas-cooked" {
			assert.False(t, f.Used)
			assert.Contains(t, f.Tries, kept.ID)
		}
	}
	forgot := decode[api.KitchenLearned](c, "POST", "/api/learned/choose", `{"figure":"water:split-peas-cooked","forget":true}`)
	for _, f := range forgot.Figures {
		assert.NotEqual(t, "water:split-peas-cooked", f.Name, "nothing speaks for it any more")
	}
	assert.Contains(t, forgot.Forgotten, "water:split-peas-cooked")
	back := decode[api.KitchenLearned](c, "POST", "/api/learned/choose", `{"figure":"water:split-peas-cooked","forget":false}`)
	assert.Empty(t, back.Forgotten)
	c.problem(http.StatusUnprocessableEntity, "bad-request", "POST", "/api/learned/choose", `{"forget":true}`)

	answered, _ := c.do("DELETE", "/api/tries/"+kept.ID, "")
	assert.Equal(t, http.StatusNoContent, answered.StatusCode)
	c.problem(http.StatusNotFound, "not-found", "GET", "/api/tries/"+kept.ID, "")
	assert.Equal(t, kept.ID, decode[api.KeptTry](c, "POST", "/api/tries/"+kept.ID+"/restore", "").ID)
}

func TestATryIsChangedByOneAtATime(t *testing.T) {
	t.Parallel()
	c := start(t)
	b, _ := c.build("POST", "/api/builds", peas)
	answered, text := c.do("POST", "/api/tries", wetTry(b.ID, 3))
	require.Equal(t, http.StatusCreated, answered.StatusCode)
	var kept api.KeptTry
	require.NoError(t, json.Unmarshal(text, &kept))
	better := strings.Replace(wetTry(b.ID, 3), "a puddle", "drained for two minutes", 1)
	c.problem(http.StatusPreconditionRequired, "needs-if-match", "PUT", "/api/tries/"+kept.ID, better)
	again := decode[api.KeptTry](c, "PUT", "/api/tries/"+kept.ID, better, "If-Match", answered.Header.Get("ETag"))
	assert.Equal(t, "drained for two minutes", again.Note)
	assert.Equal(t, kept.Said, again.Said, "what was said stays said")
	c.problem(http.StatusPreconditionFailed, "changed-elsewhere", "PUT", "/api/tries/"+kept.ID, better, "If-Match", answered.Header.Get("ETag"))

	// Two change it in turn, each on the newest version: what is answered to either is what it wrote itself, never what
	// the other wrote right after it.
	var both sync.WaitGroup
	for n := range 2 {
		both.Go(func() {
			for round := 0; round < 8; {
				at, _ := c.do("GET", "/api/tries/"+kept.ID, "")
				words := fmt.Sprint("cook ", n, " in round ", round)
				answered, text := c.do("PUT", "/api/tries/"+kept.ID, strings.Replace(wetTry(b.ID, 3), "a puddle", words, 1), "If-Match", at.Header.Get("ETag"))
				if answered.StatusCode == http.StatusPreconditionFailed {
					continue
				}
				round++
				var mine api.KeptTry
				assert.NoError(t, json.Unmarshal(text, &mine))
				assert.Equal(t, words, mine.Note)
			}
		})
	}
	both.Wait()

	// A try of a build that was put away stays whole.
	answered, _ = c.do("DELETE", "/api/builds/"+b.ID, "")
	require.Equal(t, http.StatusNoContent, answered.StatusCode)
	whole := decode[api.KeptTry](c, "GET", "/api/tries/"+kept.ID, "")
	assert.Len(t, whole.Document.Lines, 4)
}

func TestWhatNoTryCouldBe(t *testing.T) {
	t.Parallel()
	c := start(t)
	b, _ := c.build("POST", "/api/builds", peas)
	for name, body := range map[string]string{
		"no JSON": `{`, "an unknown field": `{"build":"` + b.ID + `","version":1,"found":{"taste":"good"}}`,
		"more broke than were made": `{"build":"` + b.ID + `","version":1,"found":{"pieces":4,"broke":{"turning":9}}}`,
		"a core of 900 degrees":     `{"build":"` + b.ID + `","version":1,"found":{"core_celsius":900}}`,
		"a food that is none":       `{"document":` + strings.Replace(peas, "flax-meal", "moon-dust", 1) + `,"found":{}}`,
		"grams without end":         `{"document":` + strings.Replace(peas, "480", "9e99", 1) + `,"found":{}}`,
		"a day to come":             `{"build":"` + b.ID + `","version":1,"cooked_at":"2090-01-01T00:00:00Z","found":{}}`,
		"patties of no food":        `{"build":"` + b.ID + `","version":1,"found":{},"patties":{"question":{"food":"moon-dust","amounts":[1,2]},"fried":[{"option":0}]}}`,
		"patties of no question":    `{"build":"` + b.ID + `","version":1,"found":{},"patties":{"question":{},"fried":[]}}`,
	} {
		answered, text := c.do("POST", "/api/tries", body)
		assert.Equal(t, http.StatusUnprocessableEntity, answered.StatusCode, "%s: %s", name, text)
	}
	c.problem(http.StatusNotFound, "not-found", "POST", "/api/tries", `{"build":"00000000-0000-0000-0000-000000000000","version":1,"found":{}}`)
	c.problem(http.StatusUnprocessableEntity, "bad-question", "POST", "/api/patties", `{"document":`+peas+`,"question":{"food":"chickpea-flour","amounts":[45]}}`)
}

func TestTriesAreSought(t *testing.T) {
	t.Parallel()
	c := start(t)
	all := decode[api.TryList](c, "GET", "/api/tries?limit=500", "")
	assert.Equal(t, all.All, len(all.Tries))
	assert.Greater(t, all.All, 40)
	for path, sure := range map[string]func(api.TryEntry) bool{
		"outcome=broke":  func(e api.TryEntry) bool { return e.Outcome == "some-broke" || e.Outcome == "fell-apart" },
		"outcome=held":   func(e api.TryEntry) bool { return e.Outcome == "held" },
		"kind=patties":   func(e api.TryEntry) bool { return e.Kind == "patties" && len(e.Grades) > 2 },
		"text=hungry":    func(e api.TryEntry) bool { return strings.Contains(e.Note, "hungry") },
		"text=KOFTAS":    func(e api.TryEntry) bool { return strings.Contains(e.Name, "kofta") },
		"text=chestnuts": func(e api.TryEntry) bool { return strings.Contains(e.Name, "Chestnut") },
		"text=leek":      func(e api.TryEntry) bool { return strings.Contains(e.Name, "Turkey") },
	} {
		got := decode[api.TryList](c, "GET", "/api/tries?limit=500&"+path, "").Tries
		assert.NotEmpty(t, got, path)
		assert.Less(t, len(got), len(all.Tries), path)
		for i, e := range got {
			assert.True(t, sure(e), "%s: %s", path, e.Name)
			if i > 0 {
				assert.False(t, e.CookedAt.After(got[i-1].CookedAt), "the last first")
			}
		}
	}
	assert.Empty(t, decode[api.TryList](c, "GET", "/api/tries?text=%25_nothing", "").Tries)
	first := decode[api.TryList](c, "GET", "/api/tries?limit=10", "").Tries
	next := decode[api.TryList](c, "GET", "/api/tries?limit=10&before="+first[9].CookedAt.Format(time.RFC3339), "").Tries
	assert.Equal(t, all.Tries[10].ID, next[0].ID)
	spanish := decode[api.TryList](c, "GET", "/api/tries?text=hungry", "", "Accept-Language", "es").Tries
	assert.Contains(t, spanish[0].Note, "hambre")
}

func TestTwoTriesSideBySideAndTheNextOne(t *testing.T) {
	t.Parallel()
	c := start(t)
	list := decode[api.TryList](c, "GET", "/api/tries?text=Split-pea&outcome=broke", "").Tries
	require.Greater(t, len(list), 2)
	got := decode[api.ComparedTries](c, "GET", "/api/tries/"+list[0].ID+"/compare?with="+list[len(list)-1].ID, "")
	assert.Equal(t, list[0].ID, got.A.ID)
	assert.NotEmpty(t, got.Changes)
	assert.NotNil(t, got.Settings, "none is a list of none")
	assert.NotEqual(t, got.Before.Chance, got.After.Chance)
	next := decode[api.NextTry](c, "GET", "/api/tries/"+list[0].ID+"/next", "")
	require.NotEmpty(t, next.Ways)
	for _, w := range next.Ways {
		assert.Greater(t, w.Chance, next.Chance)
		settings := map[string]bool{}
		for _, s := range w.Settings {
			settings[strings.Split(s.Field, "/")[1]] = true
		}
		assert.Equal(t, 1, len(w.Changes)+len(settings), "one thing")
	}
}

func TestALogbookGoesOutAndIn(t *testing.T) {
	t.Parallel()
	c := start(t)
	_, table := c.do("GET", "/api/tries/export?format=csv&language=es", "")
	assert.Contains(t, string(table), "cómo aguantó")
	assert.Contains(t, string(table), "se deshizo")
	_, diary := c.do("GET", "/api/tries/export?format=markdown", "")
	assert.Contains(t, string(diary), "# Logbook")
	assert.Contains(t, string(diary), "> The crew was hungry: no rest.")
	_, file := c.do("GET", "/api/tries/export?format=json", "")
	assert.Zero(t, decode[api.Imported](c, "POST", "/api/tries/import", string(file)).Tries, "they are there")

	other := startElsewhere(t)
	for _, e := range decode[api.TryList](other, "GET", "/api/tries?limit=500", "").Tries {
		other.do("DELETE", "/api/tries/"+e.ID, "")
	}
	took := decode[api.Imported](other, "POST", "/api/tries/import", string(file)).Tries
	assert.Equal(t, 41, took)
	got := decode[api.TryList](other, "GET", "/api/tries?limit=500", "")
	assert.Equal(t, took, got.All)
	learned := decode[api.KitchenLearned](other, "GET", "/api/learned", "")
	assert.Equal(t, took, learned.Tries, "the kitchen learned of all of them")
	require.NotEmpty(t, learned.Figures)
	// A table and a diary name their builds, in either language.
	for name, text := range map[string][]byte{"table": table, "diary": diary} {
		for _, e := range decode[api.TryList](other, "GET", "/api/tries?limit=500", "").Tries {
			other.do("DELETE", "/api/tries/"+e.ID, "")
		}
		assert.Equal(t, 41, decode[api.Imported](other, "POST", "/api/tries/import", string(text)).Tries, name)
		held := decode[api.TryList](other, "GET", "/api/tries?limit=500", "").Held
		assert.Equal(t, 11, held, name)
	}
	other.problem(http.StatusUnprocessableEntity, "bad-tries", "POST", "/api/tries/import", "date,dish\n2026-01-01,Moon pie\n")
	other.problem(http.StatusUnprocessableEntity, "bad-tries", "POST", "/api/tries/import", "date,dish,core\nyesterday,Turkey,hot\n")
	other.problem(http.StatusUnprocessableEntity, "bad-tries", "POST", "/api/tries/import", `[{"build":{},"found":{}}]`)
}

// The archive of a kitchen holds its tries, their pictures and what its cooks left out.
func TestTriesAreInTheArchive(t *testing.T) {
	t.Parallel()
	c := start(t)
	decode[api.KitchenLearned](c, "POST", "/api/learned/choose", `{"off":false,"figure":"scoop","used":false}`)
	_, zip := c.do("GET", "/api/archive", "")
	k, err := archivetest.Read(zip, food.Starter())
	require.NoError(t, err)
	assert.Equal(t, []string{"scoop"}, k.Choices.LeftOut)
	assert.Len(t, k.Tries, 42)
	assert.Greater(t, len(k.Photos), 4)
	var again bytes.Buffer
	w, err := archive.NewWriter(&again, archive.Kitchen{Name: k.Name, Settings: k.Settings, Choices: k.Choices})
	require.NoError(t, err)
	for i := range k.Tries {
		require.NoError(t, w.AddTry(&k.Tries[i]))
	}
	require.NoError(t, w.Close())
	read, err := archivetest.Read(again.Bytes(), food.Starter())
	require.NoError(t, err)
	assert.Equal(t, k.Tries, read.Tries)
}

// What cooks told of their kitchen stays told: settings and figures are theirs whatever was learned, and what they
// say of the oven counts beside what its tries do.
func TestWhatWasToldStaysToldWhateverIsLearned(t *testing.T) {
	t.Parallel()
	c := start(t)
	decode[api.KitchenLearned](c, "POST", "/api/learned/choose", `{"off":false}`)
	settings := decode[map[string]any](c, "GET", "/api/settings", "")
	assert.Zero(t, settings["oven_offset_celsius"], "the oven is known to be cool, and nobody said so")
	for _, f := range decode[[]api.Figure](c, "GET", "/api/figures", "") {
		assert.InDelta(t, f.Usual, f.Value, 1e-9, f.ID)
	}
	oven := func() wire.LearnedFigure {
		for _, f := range decode[api.KitchenLearned](c, "GET", "/api/learned", "").Figures {
			if f.Name == "oven_offset_celsius" {
				return f
			}
		}
		t.Fatal("nothing is learned of the oven")
		return wire.LearnedFigure{}
	}
	before := oven()
	settings["oven_offset_celsius"] = -20
	text, err := json.Marshal(settings)
	require.NoError(t, err)
	decode[map[string]any](c, "PUT", "/api/settings", string(text))
	after := oven()
	assert.InDelta(t, -20, after.Prior.Mean, 1e-9)
	assert.Less(t, after.Prior.SD, before.Prior.SD)
	assert.Less(t, after.Posterior.Mean, before.Posterior.Mean)
	assert.Greater(t, after.Posterior.Mean, -20., "its tries say otherwise")
}

// What a backup brings of test patties may name foods that are gone: they teach nothing, and no more.
func TestPattiesOfAFoodThatIsGoneTeachNothing(t *testing.T) {
	t.Parallel()
	c := start(t)
	before := decode[api.KitchenLearned](c, "GET", "/api/learned", "")
	for _, bad := range []string{`{"question":{"food":"moon-dust","amounts":[1,2]},"fried":[{"option":1,"word":"firm","grade":"held"}]}`, `{"question":{}}`, `[]`} {
		require.NoError(t, c.store.KeepTry(t.Context(), c.kitchen, &store.Try{Kind: store.TryPatties, CookedAt: time.Now(), Document: []byte(peas), Found: []byte(`{}`), Patties: []byte(bad)}))
	}
	b, _ := c.build("POST", "/api/builds", peas)
	decode[api.KeptTry](c, "POST", "/api/tries", fmt.Sprintf(`{"build":%q,"version":1,"found":{"hold":"held"}}`, b.ID))
	assert.Equal(t, before.Tries+1, decode[api.KitchenLearned](c, "GET", "/api/learned", "").Tries)
}

// BenchmarkFiveThousandTries lists and finds among five thousand, and learns anew of them.
func BenchmarkFiveThousandTries(b *testing.B) {
	c := start(b)
	kept, _ := c.build("POST", "/api/builds", peas)
	for i := range 5000 {
		f := fmt.Sprintf(`{"squeeze":%q,"pieces":8,"broke":{"turning":%d},"note":"try %d"}`, []string{"firm", "tacky"}[i%2], i%3, i)
		document := strings.Replace(peas, `"grams":45`, fmt.Sprintf(`"grams":%d`, 30+i%40), 1)
		require.NoError(b, c.store.KeepTry(b.Context(), c.kitchen, &store.Try{Build: kept.ID, Version: 1, CookedAt: time.Now().Add(-time.Duration(i) * time.Hour), Document: []byte(document), Found: []byte(f)}))
	}
	for name, path := range map[string]string{"list": "/api/tries?limit=60", "words": "/api/tries?text=4321&limit=60", "food": "/api/tries?text=leek&limit=60", "broke": "/api/tries?outcome=broke&limit=60"} {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				answered, _ := c.do("GET", path, "")
				require.Equal(b, http.StatusOK, answered.StatusCode)
			}
		})
	}
	b.Run("learn", func(b *testing.B) {
		for b.Loop() {
			answered, _ := c.do("POST", "/api/learned/choose", `{"figure":"scoop","used":true}`)
			require.Equal(b, http.StatusOK, answered.StatusCode)
		}
	})
}
