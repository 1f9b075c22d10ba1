package archive_test

import (
	"archive/zip"
	"bytes"
	"encoding/json"
	"fmt"
	"image"
	"image/jpeg"
	"io"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/cooking"
	"cuerda/core/food"
	"cuerda/core/lawtest"
	"cuerda/internal/archive"
	"cuerda/internal/archive/archivetest"
	"cuerda/internal/demo/demotest"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

// backup is a backup of a store, and what of it could not be taken in.
func backup(t *testing.T, s *store.Store) (data []byte, asides []string) {
	t.Helper()
	var file bytes.Buffer
	_, err := archive.WriteBackup(t.Context(), &file, s, began)
	require.NoError(t, err)
	_, err = archive.Verify(bytes.NewReader(file.Bytes()), int64(file.Len()), foods, func(_ string, what *archive.Aside) error {
		asides = append(asides, what.File)
		return nil
	})
	require.NoError(t, err)
	return file.Bytes(), asides
}

func packed(t *testing.T, s *store.Store, kitchen string) []byte {
	t.Helper()
	var out bytes.Buffer
	require.NoError(t, s.OneKitchen(t.Context(), kitchen, func(k *store.Whole, rows store.Rows) error {
		_, err := archive.Write(&out, k, rows)
		return err
	}))
	return out.Bytes()
}

// What is accepted can be restored: a cooking with a third of a million readings, a build with thousands of versions, IDs
// of 64 letters of two bytes each, tries of long ago and tries that were put away.
func TestMuchIsRestoredWhole(t *testing.T) {
	t.Parallel()
	s := pgtest.Open(t)
	k, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	c := cooked(t, s, k)
	_, err = s.AddEvents(t.Context(), c.ID, store.Whatever, began, []cooking.Event{{ID: strings.Repeat("ñ", 64), At: began, Kind: cooking.TimerSet, Name: "Rice", Minutes: 9}})
	require.NoError(t, err)
	readings := lawtest.Draws(27_500, 330_000)
	for from := 0; from < readings; from += 27_500 {
		var some []store.CourseReading
		for i := range 27_500 {
			some = append(some, store.CourseReading{Source: "p:core", Place: "core", At: began.Add(time.Duration(from+i+1) * 250 * time.Millisecond), Celsius: 20 + float64(i%400)/10})
		}
		_, _, err := s.AddReadings(t.Context(), map[string][]store.CourseReading{c.ID: some})
		require.NoError(t, err)
	}
	b := &store.History{ID: "0f2a9d3c-4444-4222-8333-444455556666", CreatedAt: began, UpdatedAt: began}
	const versions = 2100 // more than stand in one file
	for v := range versions {
		b.Versions = append(b.Versions, store.HistoryVersion{Number: v + 1, CreatedAt: began, Document: *doc("Often", float64(v+1))})
	}
	_, err = s.TakeIn(t.Context(), k, store.Taken{Histories: []store.History{*b}})
	require.NoError(t, err)
	old := oneTry().Try
	old.CookedAt = time.Date(1950, 3, 1, 18, 0, 0, 0, time.UTC)
	require.NoError(t, s.KeepTry(t.Context(), k, &old))
	require.NoError(t, s.DeleteTry(t.Context(), k, old.ID))

	data, asides := backup(t, s)
	assert.Empty(t, asides)
	to := pgtest.Open(t)
	_, err = archivetest.Restore(t.Context(), to, data, foods)
	require.NoError(t, err)
	again, _ := backup(t, to)
	assert.Equal(t, sums(t, data), sums(t, again), "to the byte")
	require.NoError(t, to.RestoreTry(t.Context(), k, old.ID), "what was put away can be brought back there too")

	// The archive goes into a kitchen that has the first part of it, and into the same again.
	elsewhere := pgtest.Open(t)
	there, _, err := elsewhere.MadeUp(t.Context(), "Elsewhere")
	require.NoError(t, err)
	zip := packed(t, s, k)
	for n := range 2 {
		taken, err := archivetest.Taken(zip, foods)
		require.NoError(t, err)
		out, err := elsewhere.TakeIn(t.Context(), there, taken)
		require.NoError(t, err)
		assert.Equal(t, 1-n, out.Courses)
	}
	all, err := elsewhere.Readings(t.Context(), c.ID)
	require.NoError(t, err)
	assert.Len(t, all, readings+1)
	list, err := elsewhere.Versions(t.Context(), there, b.ID, 0, 10_000, false)
	require.NoError(t, err)
	assert.Len(t, list, versions)
}

// sums are those of the kitchens of a backup.
func sums(t *testing.T, data []byte) (out []string) {
	t.Helper()
	b, err := archive.OpenBackup(bytes.NewReader(data), int64(len(data)), foods)
	require.NoError(t, err)
	for _, k := range b.List.Kitchens {
		out = append(out, k.SHA256)
	}
	return out
}

// One bad row costs nothing but itself: all else is in the backup and is restored, and what is bad is told and kept aside.
func TestOneBadRowCostsOnlyItself(t *testing.T) {
	t.Parallel()
	s, url := pgtest.OpenURL(t)
	k, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	good, err := s.Create(t.Context(), k, doc("Good", 1))
	require.NoError(t, err)
	bad, err := s.Create(t.Context(), k, doc("Bad", 1))
	require.NoError(t, err)
	cooked(t, s, k)
	odd := oneTry().Try
	require.NoError(t, s.KeepTry(t.Context(), k, &odd))
	conn := pgtest.Connect(t, url)
	for _, spoil := range []string{
		`insert into build_version (build_id, number, document) values ('` + bad.ID + `', 2, '{"lines":7}')`,
		`update try set said = '[1]' where id = '` + odd.ID + `'`,
		`update try set cooked_at = '1066-10-14' where id <> '` + odd.ID + `'`,
		`insert into supper (kitchen_id, name, table_at, document) values ('` + k + `', 'S', now(), '{"format":3}')`,
		`insert into pantry_item (kitchen_id, food) values ('` + k + `', 'moonbeams')`,
	} {
		_, err := conn.Exec(t.Context(), spoil)
		require.NoError(t, err, spoil)
	}
	data, asides := backup(t, s)
	assert.Len(t, asides, 5, asides)

	to := pgtest.Open(t)
	var put []string
	b, err := archive.OpenBackup(bytes.NewReader(data), int64(len(data)), foods)
	require.NoError(t, err)
	aside := func(_ string, what *archive.Aside) error {
		put = append(put, what.File+": "+what.Err.Error())
		return nil
	}
	_, err = to.RestoreKitchens(t.Context(), false, func() (*store.Whole, error) { return b.Next(aside) },
		func(kitchen string, _ any, err error) error { return aside(kitchen, b.Refused(err)) })
	require.NoError(t, err)
	assert.Len(t, put, 5, put)
	_, err = to.Find(t.Context(), k, good.ID)
	assert.NoError(t, err)
	courses, err := to.ListCourses(t.Context(), k, 9)
	require.NoError(t, err)
	assert.Len(t, courses, 1, "its one try of 1066 takes nothing else with it")
}

// A kitchen's archive goes into another kitchen of the same server whole, with its tries, cookings and photos under IDs of
// their own; the first one keeps its.
func TestAnArchiveGoesBesideItsOwnKitchen(t *testing.T) {
	t.Parallel()
	s, url := pgtest.OpenURL(t)
	k, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	cooked(t, s, k)
	p := picture(t)
	require.NoError(t, s.KeepPhoto(t.Context(), k, p))
	for i := range 4 {
		one := oneTry().Try
		one.ID, one.Found = "", fmt.Appendf(nil, `{"hold":"held","note":"%d","photos":[%q]}`, i, p.ID)
		require.NoError(t, s.KeepTry(t.Context(), k, &one))
	}
	var other string
	conn := pgtest.Connect(t, url)
	require.NoError(t, conn.QueryRow(t.Context(), `insert into kitchen (name) values ('Other') returning id::text`).Scan(&other))
	taken, err := archivetest.Taken(packed(t, s, k), foods)
	require.NoError(t, err)
	for n := range 2 {
		out, err := s.TakeIn(t.Context(), other, taken)
		require.NoError(t, err)
		assert.Equal(t, []int{1 - n, 5 * (1 - n)}, []int{out.Courses, out.Tries})
	}
	here, err := s.Tries(t.Context(), k, 50)
	require.NoError(t, err)
	there, err := s.Tries(t.Context(), other, 50)
	require.NoError(t, err)
	require.Len(t, there, len(here))
	ids := map[string]bool{}
	for i := range here {
		ids[here[i].ID] = true
	}
	for i := range there {
		assert.False(t, ids[there[i].ID])
		var found struct{ Photos []string }
		require.NoError(t, json.Unmarshal(there[i].Found, &found))
		for _, id := range found.Photos {
			_, err := s.FindPhoto(t.Context(), other, id)
			assert.NoError(t, err, "its photos are here too")
		}
	}
}

// One kitchen of a backup is restored alone, beside others.
func TestOneKitchenOfABackup(t *testing.T) {
	t.Parallel()
	s, k := demotest.Open(t)
	data, _ := backup(t, s)
	b, err := archive.OpenBackup(bytes.NewReader(data), int64(len(data)), food.Starter())
	require.NoError(t, err)
	require.False(t, b.Only("nowhere"))
	require.True(t, b.Only(k))
	to := pgtest.Open(t)
	_, _, err = to.MadeUp(t.Context(), "One that is there")
	require.NoError(t, err)
	count, err := to.RestoreKitchens(t.Context(), true, func() (*store.Whole, error) { return b.Next(nil) }, nil)
	require.NoError(t, err)
	assert.Equal(t, 1, count)
	name, err := to.KitchenName(t.Context(), k)
	require.NoError(t, err)
	assert.NotEmpty(t, name)
}

func picture(t *testing.T) *store.Photo {
	t.Helper()
	var out bytes.Buffer
	require.NoError(t, jpeg.Encode(&out, image.NewRGBA(image.Rect(0, 0, 4, 3)), nil))
	return &store.Photo{MediaType: "image/jpeg", Width: 4, Height: 3, Data: out.Bytes()}
}

// Older archives hold photos within their tries: they are read all the same.
func TestPhotosWithinTriesAreRead(t *testing.T) {
	t.Parallel()
	one := oneTry()
	p := picture(t)
	p.ID = "0f2a9d3c-2222-4222-8333-444455556666"
	one.Photos = []store.Photo{*p}
	var kept, old bytes.Buffer
	_, err := kept.Write(triesZip(t, one, store.Choices{}))
	require.NoError(t, err)
	z, err := zip.NewReader(bytes.NewReader(kept.Bytes()), int64(kept.Len()))
	require.NoError(t, err)
	w := zip.NewWriter(&old)
	for _, f := range z.File {
		r, err := f.Open()
		require.NoError(t, err)
		text, err := io.ReadAll(r)
		require.NoError(t, err)
		switch {
		case strings.HasPrefix(f.Name, "photos/"):
			continue
		case strings.HasPrefix(f.Name, "tries/"):
			within, err := json.Marshal([]map[string]any{{"id": p.ID, "data": p.Data}})
			require.NoError(t, err)
			text = bytes.Replace(text, []byte(`"cooked_at"`), append(append([]byte(`"photos":`), within...), []byte(`,"cooked_at"`)...), 1)
		}
		to, err := w.Create(f.Name)
		require.NoError(t, err)
		_, err = to.Write(text)
		require.NoError(t, err)
	}
	require.NoError(t, w.Close())
	read, err := archivetest.Read(old.Bytes(), foods)
	require.NoError(t, err)
	require.Len(t, read.Tries, 1)
	require.Len(t, read.Tries[0].Photos, 1)
	assert.Equal(t, p.Data, read.Tries[0].Photos[0].Data)
}
