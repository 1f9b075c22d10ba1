package archive_test

import (
	"bytes"
	"errors"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/core/learn/practice"
	"cuerda/internal/archive"
	"cuerda/internal/archive/archivetest"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

func onePerson() store.Practised {
	return store.Practised{
		Person: store.Person{ID: "0f2a9d3c-1111-4222-8333-444455557777", Name: "Stroke", CreatedAt: began},
		Calls: []store.PracticeCall{{
			ID: "c1", Number: -1, Answer: practice.Answer{Index: .7, Sure: .6},
			Call: practice.Call{Kind: practice.Squeeze, Skill: practice.RawWater, At: began, Off: -.5, Sure: .6, Wet: true},
		}},
	}
}

func practiceZip(t *testing.T, p store.Practised) []byte {
	t.Helper()
	var out bytes.Buffer
	w, err := archive.NewWriter(&out, archive.Kitchen{Name: "Boathouse", Settings: kitchen.UsualSettings(), Practised: []store.Practised{p}})
	require.NoError(t, err)
	require.NoError(t, w.Close())
	return out.Bytes()
}

// A person comes back with every call, from an archive and from a backup; what cannot be is named.
func TestPracticeComesBackWhole(t *testing.T) {
	t.Parallel()
	k, err := archivetest.Read(practiceZip(t, onePerson()), foods)
	require.NoError(t, err)
	assert.Equal(t, []store.Practised{onePerson()}, k.Practised)

	s := pgtest.Open(t)
	id, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	count, err := s.TakeIn(t.Context(), id, store.Taken{Practised: k.Practised})
	require.NoError(t, err)
	assert.Equal(t, 1, count.Calls)
	var file bytes.Buffer
	_, err = archive.WriteBackup(t.Context(), &file, s, began)
	require.NoError(t, err)
	restored := pgtest.Open(t)
	_, err = archivetest.Restore(t.Context(), restored, file.Bytes(), foods)
	require.NoError(t, err)
	all, err := restored.Practised(t.Context(), id)
	require.NoError(t, err)
	assert.Equal(t, []store.Practised{onePerson()}, all)

	for what, spoil := range map[string]func(p *store.Practised){
		"no person":   func(p *store.Practised) { p.ID = "me" },
		"a long name": func(p *store.Practised) { p.Name = strings.Repeat("x", 61) },
		"no kind":     func(p *store.Practised) { p.Calls[0].Kind = "guess" },
		"no skill":    func(p *store.Practised) { p.Calls[0].Skill = "luck" },
		"no ID":       func(p *store.Practised) { p.Calls[0].ID = "" },
		"too sure":    func(p *store.Practised) { p.Calls[0].Sure = 2 },
		"far off":     func(p *store.Practised) { p.Calls[0].Off = 99 },
		"no time":     func(p *store.Practised) { p.Calls[0].At = began.AddDate(5000, 0, 0) },
	} {
		p := onePerson()
		spoil(&p)
		_, err := archivetest.Read(practiceZip(t, p), foods)
		var bad *archive.Error
		require.True(t, errors.As(err, &bad), what)
		assert.Contains(t, bad.File, "practice/", what)
	}
}
