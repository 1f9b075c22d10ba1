package archive_test

import (
	"archive/zip"
	"bytes"
	"encoding/json"
	"runtime"
	"strings"
	"sync"
	"sync/atomic"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/internal/archive"
	"cuerda/internal/archive/archivetest"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

func TestMain(m *testing.M) { pgtest.Main(m) }

var foods = food.Starter()

func doc(name string, grams float64) *document.Document {
	return &document.Document{Format: document.Format, Name: name, Lines: []document.Line{{Food: "tofu-firm", Grams: grams}},
		Parts: []document.Part{{Kind: document.Sauce, Lines: []document.Line{{Food: "tomato-passata", Grams: 90, Prep: []food.Preparation{{Do: food.Saute}}}}}}}
}

func pack(t *testing.T, s *store.Store, kitchen string) []byte {
	t.Helper()
	settings, err := s.Settings(t.Context(), kitchen)
	require.NoError(t, err)
	items, err := s.Pantry(t.Context(), kitchen)
	require.NoError(t, err)
	own, err := s.OwnFoods(t.Context(), kitchen)
	require.NoError(t, err)
	var out bytes.Buffer
	w, err := archive.NewWriter(&out, archive.Kitchen{Name: "Boathouse", Settings: settings, Pantry: items, OwnFoods: own})
	require.NoError(t, err)
	require.NoError(t, s.Histories(t.Context(), kitchen, w.Add))
	require.NoError(t, w.Close())
	return out.Bytes()
}

func histories(t *testing.T, s *store.Store, kitchen string) string {
	var all []store.History
	require.NoError(t, s.Histories(t.Context(), kitchen, func(h *store.History) error { all = append(all, *h); return nil }))
	text, err := json.Marshal(all)
	require.NoError(t, err)
	return string(text)
}

func TestAKitchenGoesOutAndComesBackWhole(t *testing.T) {
	t.Parallel()
	ctx := t.Context()
	s := pgtest.Open(t)
	k, _, err := s.MadeUp(ctx, "Boathouse")
	require.NoError(t, err)
	a, err := s.Create(ctx, k, doc("Cakes <&> 🫛", 100))
	require.NoError(t, err)
	_, err = s.Save(ctx, k, a.ID, 1, doc("Cakes", 120))
	require.NoError(t, err)
	require.NoError(t, s.NameVersion(ctx, k, a.ID, 1, "as mother made them"))
	try, err := s.Branch(ctx, k, a.ID, 1, "Cakes, wetter")
	require.NoError(t, err)
	gone, err := s.Create(ctx, k, doc("Gone", 5))
	require.NoError(t, err)
	require.NoError(t, s.Delete(ctx, k, gone.ID))
	require.NoError(t, s.SaveOwnFood(ctx, k, food.Own{ID: "own-dulse", Name: "Dulse flakes", Like: "nori", Allergens: []string{"molluscs"}}))
	_, err = s.Create(ctx, k, &document.Document{Format: document.Format, Name: "With dulse", Lines: []document.Line{{Food: "own-dulse", Grams: 4}}})
	require.NoError(t, err)
	price := 3.5
	require.NoError(t, s.SavePantry(ctx, k, kitchen.PantryItem{Food: "flax-meal", Have: true, PerKilo: &price, Pack: &food.PackLabel{Fat: 40}}))
	settings := kitchen.UsualSettings()
	settings.OvenOffset = -15
	require.NoError(t, s.SaveSettings(ctx, k, settings))
	data := pack(t, s, k)

	read, err := archivetest.Read(data, foods)
	require.NoError(t, err)
	assert.Equal(t, "Boathouse", read.Name)
	other := pgtest.Open(t)
	k2, _, err := other.MadeUp(ctx, "Empty")
	require.NoError(t, err)
	require.NoError(t, other.SavePantry(ctx, k2, kitchen.PantryItem{Food: "oats-rolled", Have: true}))
	count, err := other.TakeIn(ctx, k2, store.Taken{Histories: read.Histories, OwnFoods: read.OwnFoods, Replaces: true, Pantry: read.Pantry, Settings: read.Settings})
	require.NoError(t, err)
	assert.Equal(t, store.TakenIn{Added: 4}, count)
	assert.JSONEq(t, histories(t, s, k), histories(t, other, k2), "versions, names, times, deletions and origins")
	back, err := other.Find(ctx, k2, try.ID)
	require.NoError(t, err)
	assert.Equal(t, &store.Origin{ID: a.ID, Name: "Cakes", Version: 1}, back.From)
	gotSettings, err := other.Settings(ctx, k2)
	require.NoError(t, err)
	assert.Equal(t, settings, gotSettings)
	items, err := other.Pantry(ctx, k2)
	require.NoError(t, err)
	require.Len(t, items, 1, "the pantry is what the archive says: oats are no longer in it")
	assert.Equal(t, price, *items[0].PerKilo)
	own, err := other.OwnFoods(ctx, k2)
	require.NoError(t, err)
	assert.Equal(t, "Dulse flakes", own[0].Name)
	assert.Equal(t, 40., items[0].Pack.Fat)

	// Again: what is the same stays; what has gone on since is kept beside it.
	_, err = other.Save(ctx, k2, a.ID, 2, doc("Cakes", 130))
	require.NoError(t, err)
	count, err = other.TakeIn(ctx, k2, store.Taken{Histories: read.Histories})
	require.NoError(t, err)
	assert.Equal(t, store.TakenIn{Same: 3, Copied: 1}, count)
	now, err := other.Find(ctx, k2, a.ID)
	require.NoError(t, err)
	assert.Equal(t, 3, now.Version, "nothing is overwritten")

	// And again: the copy is found, what was deleted since comes back, names too.
	require.NoError(t, other.Delete(ctx, k2, try.ID))
	count, err = other.TakeIn(ctx, k2, store.Taken{Histories: read.Histories})
	require.NoError(t, err)
	assert.Equal(t, store.TakenIn{Same: 4}, count)
	_, err = other.Find(ctx, k2, try.ID)
	require.NoError(t, err, "a restored archive restores")
}

// An archive of later on continues what is there, and ties of what is there stay.
func TestALaterArchiveContinuesABuild(t *testing.T) {
	t.Parallel()
	ctx := t.Context()
	s := pgtest.Open(t)
	k, _, err := s.MadeUp(ctx, "Boathouse")
	require.NoError(t, err)
	early := store.History{ID: "11111111-1111-4111-8111-111111111111", Versions: []store.HistoryVersion{{Number: 1, Document: *doc("Cakes", 1)}}}
	from, one := "22222222-2222-4222-8222-222222222222", 1
	base := store.History{ID: from, Versions: []store.HistoryVersion{{Number: 1, Document: *doc("Base", 1)}}}
	count, err := s.TakeIn(ctx, k, store.Taken{Histories: []store.History{early, base}})
	require.NoError(t, err)
	assert.Equal(t, store.TakenIn{Added: 2}, count)
	late := early
	late.FromBuild, late.FromVersion = &from, &one
	late.Versions = append(late.Versions, store.HistoryVersion{Number: 2, Label: "drier", Document: *doc("Cakes", 2)})
	count, err = s.TakeIn(ctx, k, store.Taken{Histories: []store.History{late, base}})
	require.NoError(t, err)
	assert.Equal(t, store.TakenIn{Continued: 1, Same: 1}, count)
	now, err := s.Find(ctx, k, early.ID)
	require.NoError(t, err)
	assert.Equal(t, 2, now.Version)
	assert.Equal(t, *doc("Cakes", 2), now.Document)
	assert.Nil(t, now.From, "where a build that is there came from is its own affair")
	labelled, err := s.Versions(ctx, k, early.ID, 0, 10, true)
	require.NoError(t, err)
	require.Len(t, labelled, 1)
	assert.Equal(t, "drier", labelled[0].Label)
}

// Many at once: of one archive, and of pantries in opposite order. None fails, and the
// archive is there once.
func TestManyImportsAtOnce(t *testing.T) {
	t.Parallel()
	ctx := t.Context()
	s := pgtest.Open(t)
	k, _, err := s.MadeUp(ctx, "Boathouse")
	require.NoError(t, err)
	h := store.History{ID: "33333333-3333-4333-8333-333333333333", Versions: []store.HistoryVersion{{Number: 1, Document: *doc("Cakes", 1)}}}
	ids := []string{"flax-meal", "oats-rolled", "millet-flakes", "psyllium-husk", "tahini"}
	var there, back []kitchen.PantryItem
	for i := range ids {
		there, back = append(there, kitchen.PantryItem{Food: ids[i], Have: true}), append(back, kitchen.PantryItem{Food: ids[len(ids)-1-i]})
	}
	var wait sync.WaitGroup
	var added atomic.Int32
	for i := range 12 {
		wait.Go(func() {
			count, err := s.TakeIn(ctx, k, store.Taken{Histories: []store.History{h}})
			assert.NoError(t, err)
			added.Add(int32(count.Added))
			items := there
			if i%2 == 0 {
				items = back
			}
			assert.NoError(t, s.SavePantry(ctx, k, items...))
		})
	}
	wait.Wait()
	assert.EqualValues(t, 1, added.Load())
}

func TestNothingIsHalfTakenIn(t *testing.T) {
	t.Parallel()
	s := pgtest.Open(t)
	k, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	good := store.History{ID: "11111111-1111-4111-8111-111111111111", Versions: []store.HistoryVersion{{Number: 1, Document: *doc("Good", 1)}}}
	bad := store.History{ID: "22222222-2222-4222-8222-222222222222", Versions: []store.HistoryVersion{{Number: 1, Document: *doc("Bad", 1)}, {Number: 1, Document: *doc("Twice", 1)}}}
	_, err = s.TakeIn(t.Context(), k, store.Taken{Histories: []store.History{good, bad}})
	require.Error(t, err)
	list, err := s.List(t.Context(), k, "", nil, 10)
	require.NoError(t, err)
	assert.Empty(t, list)
}

func zipOf(t *testing.T, files ...string) []byte {
	t.Helper()
	var out bytes.Buffer
	w := zip.NewWriter(&out)
	for i := 0; i < len(files); i += 2 {
		f, err := w.Create(files[i])
		require.NoError(t, err)
		_, err = f.Write([]byte(files[i+1]))
		require.NoError(t, err)
	}
	require.NoError(t, w.Close())
	return out.Bytes()
}

func TestHostileArchives(t *testing.T) {
	t.Parallel()
	const plain = `{"format":"cuerda-kitchen/1","name":"K","settings":{},"pantry":[]}`
	usual, err := json.Marshal(kitchen.UsualSettings())
	require.NoError(t, err)
	good := strings.Replace(plain, `{}`, string(usual), 1)
	version := func(document string) string {
		return `{"format":"cuerda-history/1","id":"11111111-1111-4111-8111-111111111111","created_at":"2026-01-01T00:00:00Z","updated_at":"2026-01-01T00:00:00Z","versions":[{"number":1,"created_at":"2026-01-01T00:00:00Z","document":` + document + `}]}`
	}
	sound := version(`{"format":"cuerda-build/1","lines":[]}`)
	const supper = `{"format":"cuerda-kept-supper/1","id":"11111111-1111-4111-8111-111111111111","version":3,"created_at":"2026-01-01T00:00:00Z","updated_at":"2026-01-01T00:00:00Z",` +
		`"document":{"format":"cuerda-supper/1","table":"2026-11-27T19:00:00+01:00","dishes":[{"name":"Roots","steps":[{"name":"roast","minutes":30}],"foods":[{"food":"parsnip","grams":9}]}]}}`
	read, err := archivetest.Read(zipOf(t, "kitchen.json", good, "builds/1.json", sound, "suppers/1.json", supper), foods)
	require.NoError(t, err)
	require.Len(t, read.Suppers, 1)
	assert.Equal(t, 3, read.Suppers[0].Version)
	for name, c := range map[string]struct {
		data []byte
		code string
		file string
	}{
		"no zip":           {[]byte("PK but no zip"), "not-a-zip", ""},
		"cut off":          {zipOf(t, "kitchen.json", good)[:60], "not-a-zip", ""},
		"no kitchen":       {zipOf(t, "builds/1.json", sound), "no-kitchen", "kitchen.json"},
		"path trick":       {zipOf(t, "kitchen.json", good, "../../etc/passwd", "x"), "bad-name", "../../etc/passwd"},
		"absolute":         {zipOf(t, "kitchen.json", good, "/builds/1.json", sound), "bad-name", "/builds/1.json"},
		"backslash":        {zipOf(t, "kitchen.json", good, `builds\1.json`, sound), "bad-name", `builds\1.json`},
		"twice":            {zipOf(t, "kitchen.json", good, "kitchen.json", good), "bad-name", "kitchen.json"},
		"bomb":             {zipOf(t, "kitchen.json", good, "builds/1.json", strings.Repeat(" ", 40<<20)), "too-big", "builds/1.json"},
		"broken json":      {zipOf(t, "kitchen.json", `{"format":`), "bad-json", "kitchen.json"},
		"odd settings":     {zipOf(t, "kitchen.json", strings.Replace(good, `"racks":`, `"racks":99,"x":`, 1)), "bad-json", "kitchen.json"},
		"unknown food":     {zipOf(t, "kitchen.json", good, "builds/1.json", version(`{"format":"cuerda-build/1","lines":[{"food":"moonbeams","grams":1}]}`)), "bad-build", "builds/1.json"},
		"circular parts":   {zipOf(t, "kitchen.json", good, "builds/1.json", version(`{"format":"cuerda-build/1","lines":[],"parts":[{"kind":"sauce","id":"a","on":"a","lines":[]}]}`)), "bad-build", "builds/1.json"},
		"no versions":      {zipOf(t, "kitchen.json", good, "builds/1.json", strings.Replace(sound, `"versions":[`, `"versions":[],"x":[`, 1)), "bad-json", "builds/1.json"},
		"id":               {zipOf(t, "kitchen.json", good, "builds/1.json", strings.Replace(sound, "11111111-1111", "'; drop table", 1)), "bad-build", "builds/1.json"},
		"number":           {zipOf(t, "kitchen.json", good, "builds/1.json", strings.Replace(sound, `"number":1`, `"number":7`, 1)), "bad-build", "builds/1.json"},
		"supper of moon":   {zipOf(t, "kitchen.json", good, "suppers/1.json", strings.Replace(supper, "parsnip", "moonbeams", 1)), "bad-supper", "suppers/1.json"},
		"no supper":        {zipOf(t, "kitchen.json", good, "suppers/1.json", strings.Replace(supper, `"steps"`, `"stops"`, 1)), "bad-supper", "suppers/1.json"},
		"supper's id":      {zipOf(t, "kitchen.json", good, "suppers/1.json", strings.Replace(supper, "1111-4111", "--", 1)), "bad-supper", "suppers/1.json"},
		"far away in time": {zipOf(t, "kitchen.json", good, "builds/1.json", strings.Replace(sound, "2026", "9026", 1)), "bad-build", "builds/1.json"},
	} {
		_, err := archivetest.Read(c.data, foods)
		var bad *archive.Error
		if assert.ErrorAs(t, err, &bad, name) {
			assert.Equal(t, c.code, bad.Code, name)
			assert.Equal(t, c.file, bad.File, name)
		}
	}
}

// A small zip of nothing but brackets is refused before it is a gigabyte in memory.
func TestASmallZipTakesLittleMemory(t *testing.T) {
	const head = `{"format":"cuerda-history/1","id":"11111111-1111-4111-8111-111111111111","created_at":"2026-01-01T00:00:00Z","updated_at":"2026-01-01T00:00:00Z","versions":[`
	usual, err := json.Marshal(kitchen.UsualSettings())
	require.NoError(t, err)
	plain := `{"format":"cuerda-kitchen/1","name":"K","settings":` + string(usual) + `,"pantry":[]}`
	brackets := strings.Repeat("{},", 10<<20) + "{}"
	for name, files := range map[string][]string{
		"versions": {"kitchen.json", plain, "builds/a.json", head + brackets + "]}"},
		"lines":    {"kitchen.json", plain, "builds/a.json", head + `{"number":1,"created_at":"2026-01-01T00:00:00Z","document":{"format":"cuerda-build/1","lines":[` + brackets + "]}}]}"},
		"pantry":   {"kitchen.json", strings.Replace(plain, "[]", "["+brackets+"]", 1)},
	} {
		data := zipOf(t, files...)
		require.Less(t, len(data), 100<<10)
		var before, after runtime.MemStats
		runtime.ReadMemStats(&before)
		_, err := archivetest.Read(data, foods)
		runtime.ReadMemStats(&after)
		var bad *archive.Error
		require.ErrorAs(t, err, &bad, name)
		assert.Less(t, after.TotalAlloc-before.TotalAlloc, uint64(120<<20), name)
	}
	// The same within what a zip of that size may hold.
	few := strings.Repeat("{},", 2<<20) + "{}"
	data := zipOf(t, "kitchen.json", plain, "builds/a.json", head+`{"number":1,"created_at":"2026-01-01T00:00:00Z","document":{"format":"cuerda-build/1","lines":[`+few+"]}}]}")
	var bad *archive.Error
	_, err = archivetest.Read(data, foods)
	require.ErrorAs(t, err, &bad)
	assert.Equal(t, "too-big", bad.Code)
}
