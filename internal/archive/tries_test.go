package archive_test

import (
	"bytes"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/internal/archive"
	"cuerda/internal/archive/archivetest"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

// triesZip is the archive of a kitchen with that try.
func triesZip(t *testing.T, one *store.KeptTry, choices store.Choices) []byte {
	t.Helper()
	var out bytes.Buffer
	w, err := archive.NewWriter(&out, archive.Kitchen{Name: "Boathouse", Settings: kitchen.UsualSettings(), Choices: choices})
	require.NoError(t, err)
	require.NoError(t, w.AddTry(one))
	require.NoError(t, w.Close())
	return out.Bytes()
}

func oneTry() *store.KeptTry {
	return &store.KeptTry{Try: store.Try{
		ID: "0f2a9d3c-1111-4222-8333-444455556666", Kind: store.TryCooked, CookedAt: began, Document: []byte(balls), Found: []byte(`{"hold":"held","note":"good"}`), Said: []byte(`{"chance":0.8}`), LeftOut: true,
	}}
}

func TestATryAndItsKitchensChoicesComeBackWhole(t *testing.T) {
	t.Parallel()
	choices := store.Choices{Off: true, LeftOut: []string{"scoop"}, Forgotten: map[string]time.Time{"oven_offset_celsius": began}}
	k, err := archivetest.Read(triesZip(t, oneTry(), choices), foods)
	require.NoError(t, err)
	require.Len(t, k.Tries, 1)
	got := k.Tries[0]
	assert.JSONEq(t, balls, string(got.Document))
	assert.JSONEq(t, `{"hold":"held","note":"good"}`, string(got.Found))
	assert.JSONEq(t, `{"chance":0.8}`, string(got.Said))
	assert.True(t, got.LeftOut)
	assert.Equal(t, choices, k.Choices)
	plain, err := archivetest.Read(triesZip(t, oneTry(), store.Choices{}), foods)
	require.NoError(t, err)
	assert.Equal(t, store.Choices{}, plain.Choices)

	// A backup holds them, and a restored kitchen finds its tries.
	s := pgtest.Open(t)
	id, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	one := oneTry().Try
	require.NoError(t, s.KeepTry(t.Context(), id, &one))
	require.NoError(t, s.SaveChoices(t.Context(), id, &choices))
	var file bytes.Buffer
	_, err = archive.WriteBackup(t.Context(), &file, s, began)
	require.NoError(t, err)
	to := pgtest.Open(t)
	count, err := archivetest.Restore(t.Context(), to, file.Bytes(), foods)
	require.NoError(t, err)
	assert.Equal(t, 1, count)
	tries, err := to.Tries(t.Context(), id, 10)
	require.NoError(t, err)
	require.Len(t, tries, 1)
	assert.Equal(t, one.ID, tries[0].ID)
	_, restored, err := to.Learned(t.Context(), id)
	require.NoError(t, err)
	assert.Equal(t, choices.LeftOut, restored.LeftOut)
}

func TestTriesThatMakeNoSenseAreRefused(t *testing.T) {
	t.Parallel()
	for name, spoil := range map[string]func(one *store.KeptTry){
		"no ID":                    func(one *store.KeptTry) { one.ID = "mine" },
		"of no kind":               func(one *store.KeptTry) { one.Kind = "dream" },
		"a food that is none":      func(one *store.KeptTry) { one.Document = []byte(strings.Replace(balls, "turkey", "dragon", 1)) },
		"more broke than were":     func(one *store.KeptTry) { one.Found = []byte(`{"pieces":2,"broke":{"turning":3}}`) },
		"a field nobody knows":     func(one *store.KeptTry) { one.Found = []byte(`{"taste":9}`) },
		"long before anyone":       func(one *store.KeptTry) { one.CookedAt = time.Date(20000, 1, 1, 0, 0, 0, 0, time.UTC) },
		"a picture that is none":   func(one *store.KeptTry) { one.Photos = []store.Photo{{ID: one.ID, Data: []byte("GIF89a")}} },
		"a picture without a name": func(one *store.KeptTry) { one.Photos = []store.Photo{{ID: "../x", Data: []byte("x")}} },
	} {
		one := oneTry()
		spoil(one)
		var out bytes.Buffer
		w, err := archive.NewWriter(&out, archive.Kitchen{Name: "Boathouse", Settings: kitchen.UsualSettings()})
		require.NoError(t, err)
		if w.AddTry(one) != nil {
			continue // it cannot even be written
		}
		require.NoError(t, w.Close())
		_, err = archivetest.Read(out.Bytes(), foods)
		var bad *archive.Error
		require.ErrorAs(t, err, &bad, name)
		assert.Regexp(t, "^(tries|photos)/", bad.File, name)
	}
}
