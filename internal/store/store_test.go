package store_test

import (
	"context"
	"fmt"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

func TestMain(m *testing.M) { pgtest.Main(m) }

func doc(name string, grams float64) *document.Document {
	return &document.Document{Format: document.Format, Name: name, Lines: []document.Line{{Food: "tofu-firm", Grams: grams}}}
}

func open(t testing.TB) (*store.Store, string) {
	s := pgtest.Open(t)
	kitchen, made, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	require.True(t, made)
	return s, kitchen
}

func TestEverySaveIsAVersionToGoBackTo(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	ctx := t.Context()
	b, err := s.Create(ctx, k, doc("Cakes", 100))
	require.NoError(t, err)
	for i := 2; i <= 4; i++ {
		saved, err := s.Save(ctx, k, b.ID, i-1, doc("Cakes", float64(100*i)))
		require.NoError(t, err)
		assert.Equal(t, i, saved.Version)
	}
	list, err := s.Versions(ctx, k, b.ID, 0, 10, false)
	require.NoError(t, err)
	assert.Equal(t, []int{4, 3, 2, 1}, []int{list[0].Number, list[1].Number, list[2].Number, list[3].Number})
	older, err := s.Versions(ctx, k, b.ID, 3, 1, false)
	require.NoError(t, err)
	assert.Equal(t, 2, older[0].Number)

	back, err := s.GoBack(ctx, k, b.ID, 4, 1)
	require.NoError(t, err)
	assert.Equal(t, 5, back.Version)
	now, err := s.Find(ctx, k, b.ID)
	require.NoError(t, err)
	assert.Equal(t, *doc("Cakes", 100), now.Document)
	third, err := s.FindVersion(ctx, k, b.ID, 3)
	require.NoError(t, err)
	assert.Equal(t, *doc("Cakes", 300), third.Document)
	_, err = s.FindVersion(ctx, k, b.ID, 99)
	assert.ErrorIs(t, err, store.ErrNotFound)
}

func TestASecondWriterGetsAConflict(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	ctx := t.Context()
	b, err := s.Create(ctx, k, doc("Cakes", 100))
	require.NoError(t, err)
	var won, lost sync.Map
	var wait sync.WaitGroup
	for i := range 8 {
		wait.Go(func() {
			_, err := s.Save(ctx, k, b.ID, 1, doc("Cakes", float64(200+i)))
			if err == nil {
				won.Store(i, true)
				return
			}
			var conflict *store.ConflictError
			if assert.ErrorAs(t, err, &conflict) {
				assert.Equal(t, 2, conflict.Current)
			}
			lost.Store(i, true)
		})
	}
	wait.Wait()
	count := func(m *sync.Map) (n int) { m.Range(func(_, _ any) bool { n++; return true }); return n }
	assert.Equal(t, 1, count(&won))
	assert.Equal(t, 7, count(&lost))

	now, err := s.Find(ctx, k, b.ID)
	require.NoError(t, err)
	again, err := s.Save(ctx, k, b.ID, 1, &now.Document)
	require.NoError(t, err, "a save sent twice is no conflict")
	assert.Equal(t, 2, again.Version)
}

func TestDeletedBuildsComeBackWhole(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	ctx := t.Context()
	b, err := s.Create(ctx, k, doc("Cakes", 100))
	require.NoError(t, err)
	require.NoError(t, s.Delete(ctx, k, b.ID))
	_, err = s.Find(ctx, k, b.ID)
	assert.ErrorIs(t, err, store.ErrDeleted)
	_, err = s.Save(ctx, k, b.ID, 1, doc("Cakes", 5))
	assert.ErrorIs(t, err, store.ErrDeleted)
	list, err := s.List(ctx, k, "", nil, 10)
	require.NoError(t, err)
	assert.Empty(t, list)
	require.NoError(t, s.Restore(ctx, k, b.ID))
	found, err := s.Find(ctx, k, b.ID)
	require.NoError(t, err)
	assert.Equal(t, b.Document, found.Document)
}

func TestKitchensDoNotSeeEachOther(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	ctx := t.Context()
	again, made, err := s.MadeUp(ctx, "Another name")
	require.NoError(t, err)
	assert.False(t, made)
	assert.Equal(t, k, again)
	b, err := s.Create(ctx, k, doc("Cakes", 100))
	require.NoError(t, err)
	const stranger = "00000000-0000-0000-0000-000000000001"
	_, err = s.Find(ctx, stranger, b.ID)
	assert.ErrorIs(t, err, store.ErrNotFound)
	assert.ErrorIs(t, s.Delete(ctx, stranger, b.ID), store.ErrNotFound)
	_, err = s.Find(ctx, k, "no-uuid")
	assert.ErrorIs(t, err, store.ErrNotFound)
}

func TestListSearchesNamesLiterally(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	ctx := t.Context()
	for _, name := range []string{"100% lentil", "Lentil loaf", "Croquetas de maíz", "كفتة"} {
		_, err := s.Create(ctx, k, doc(name, 1))
		require.NoError(t, err)
	}
	for text, want := range map[string]int{"": 4, "LENTIL": 2, "%": 1, "_": 0, "maíz": 1, `\`: 0, "كفتة": 1} {
		list, err := s.List(ctx, k, text, nil, 10)
		require.NoError(t, err)
		assert.Len(t, list, want, text)
	}
}

func TestVersionsCannotBeRewritten(t *testing.T) {
	t.Parallel()
	url := pgtest.URL(t)
	s, err := store.Open(t.Context(), url)
	require.NoError(t, err)
	t.Cleanup(s.Close)
	k, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	_, err = s.Create(t.Context(), k, doc("Cakes", 1))
	require.NoError(t, err)
	conn := pgtest.Connect(t, url)
	_, err = conn.Exec(t.Context(), "update build_version set document = '{}'")
	assert.ErrorContains(t, err, "never changed")
}

func TestThePantryReplacesWhatWasKnown(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	ctx := t.Context()
	first, err := s.PantryRevision(ctx, k)
	require.NoError(t, err)
	price := 4.5
	item := kitchen.PantryItem{Food: "tofu-firm", Have: true, PerKilo: &price, LabelRead: []string{"gluten"}, Pack: &food.PackLabel{Fat: 4, Protein: 12}}
	require.NoError(t, s.SavePantry(ctx, k, item, kitchen.PantryItem{Food: "salt", Have: true}))
	items, err := s.Pantry(ctx, k)
	require.NoError(t, err)
	assert.Equal(t, []kitchen.PantryItem{{Food: "salt", Have: true}, item}, items)
	require.NoError(t, s.SavePantry(ctx, k, kitchen.PantryItem{Food: "tofu-firm"}))
	items, err = s.Pantry(ctx, k)
	require.NoError(t, err)
	assert.Equal(t, kitchen.PantryItem{Food: "tofu-firm"}, items[1])
	later, err := s.PantryRevision(ctx, k)
	require.NoError(t, err)
	assert.Equal(t, first+2, later)
	bad := -1.
	assert.Error(t, s.SavePantry(ctx, k, kitchen.PantryItem{Food: "salt"}, kitchen.PantryItem{Food: "oil", PerKilo: &bad}))
	items, _ = s.Pantry(ctx, k)
	assert.True(t, items[0].Have, "nothing is half kept")
}

func BenchmarkSave(b *testing.B) {
	s := pgtest.Open(b)
	ctx := context.Background()
	k, _, _ := s.MadeUp(ctx, "Boathouse")
	made, err := s.Create(ctx, k, doc("Cakes", 1))
	require.NoError(b, err)
	on := 1
	for i := 0; b.Loop(); i++ {
		saved, err := s.Save(ctx, k, made.ID, on, doc(fmt.Sprint("Cakes ", i), 1))
		if err != nil {
			b.Fatal(err)
		}
		on = saved.Version
	}
}

func TestAWatchHearsOfEveryChange(t *testing.T) {
	s := pgtest.Open(t)
	id, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	ctx, stop := context.WithCancel(t.Context())
	heard, changed, ended := make(chan bool, 8), make(chan string, 8), make(chan struct{})
	go func() {
		defer close(ended)
		s.Watch(ctx, func(on bool) { heard <- on }, func(id string) { changed <- id }, func(string, int64, int64) {})
	}()
	require.True(t, <-heard)
	require.NoError(t, s.SavePantry(t.Context(), id, kitchen.PantryItem{Food: "rice-flour", Have: true}))
	assert.Equal(t, id, <-changed)
	require.NoError(t, s.SaveSettings(t.Context(), id, kitchen.UsualSettings()))
	assert.Equal(t, id, <-changed)
	stop()
	<-ended
	assert.False(t, <-heard, "what is no longer heard is said")
}

// A database whose every connection is taken is alive; tables of a newer program are left alone.
func TestABusyDatabaseIsAliveAndANewerOneRefused(t *testing.T) {
	t.Parallel()
	url := pgtest.URL(t)
	s, err := store.Open(t.Context(), url)
	require.NoError(t, err)
	defer s.Close()
	k, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	release, holding := make(chan struct{}), make(chan struct{}, 100)
	var wait sync.WaitGroup
	_, err = s.Create(t.Context(), k, doc("Cakes", 1))
	require.NoError(t, err)
	for range s.Load().Most {
		wait.Go(func() {
			_ = s.Histories(t.Context(), k, func(*store.History) error { holding <- struct{}{}; <-release; return nil })
		})
	}
	for range s.Load().Most {
		<-holding
	}
	assert.Equal(t, s.Load().Most, s.Load().Busy)
	require.NoError(t, s.Ping(t.Context()))
	soon, stop := context.WithTimeout(t.Context(), 100*time.Millisecond)
	defer stop()
	_, err = s.Pantry(soon, k)
	require.ErrorIs(t, err, context.DeadlineExceeded, "who waits for a connection does not wait for ever")
	close(release)
	wait.Wait()

	conn := pgtest.Connect(t, url)
	_, err = conn.Exec(t.Context(), `insert into goose_db_version (version_id, is_applied) values (9999, true)`)
	require.NoError(t, err)
	_, err = store.Open(t.Context(), url)
	require.ErrorIs(t, err, store.ErrNewer)
}
