package store_test

import (
	"fmt"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/cooking"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

var tuesday = time.Date(2026, 11, 24, 17, 0, 0, 0, time.UTC)

func coursePlan(name string) *cooking.Plan {
	return &cooking.Plan{Name: name, Table: tuesday.Add(2 * time.Hour), Dishes: []cooking.Dish{{Name: "Roots", Steps: []cooking.Step{{Name: "roast", Minutes: 30, Racks: 1, At: tuesday}}}}}
}

func timer(id string, at time.Time) cooking.Event {
	return cooking.Event{ID: id, At: at, Kind: cooking.TimerSet, Name: "Rice", Minutes: 3}
}

func TestEventsOfACourseAreOnlyAdded(t *testing.T) {
	t.Parallel()
	url := pgtest.URL(t)
	s, err := store.Open(t.Context(), url)
	require.NoError(t, err)
	t.Cleanup(s.Close)
	k, _, err := s.MadeUp(t.Context(), "club")
	require.NoError(t, err)
	made, err := s.CreateCourse(t.Context(), k, coursePlan("Roots"), tuesday, tuesday)
	require.NoError(t, err)
	added, err := s.AddEvents(t.Context(), made.ID, store.Whatever, tuesday, []cooking.Event{timer("a", tuesday), timer("b", tuesday), timer("a", tuesday)})
	require.NoError(t, err)
	assert.Len(t, added, 2, "twice is once")
	again, err := s.AddEvents(t.Context(), made.ID, store.Whatever, tuesday, []cooking.Event{timer("b", tuesday)})
	require.NoError(t, err)
	assert.Empty(t, again)
	_, err = s.AddEvents(t.Context(), made.ID, 1, tuesday, []cooking.Event{timer("c", tuesday)})
	require.ErrorIs(t, err, store.ErrBehind, "decided on without knowing the second")
	found, events, err := s.FindCourse(t.Context(), k, made.ID)
	require.NoError(t, err)
	assert.Equal(t, int64(2), found.Seq)
	require.Len(t, events, 2)
	assert.Equal(t, timer("b", tuesday), events[1].Event)
	kitchen, id, err := s.CourseOf(t.Context(), made.Token)
	require.NoError(t, err)
	assert.Equal(t, []string{k, made.ID}, []string{kitchen, id})
	_, _, err = s.CourseOf(t.Context(), "nothing")
	assert.ErrorIs(t, err, store.ErrNotFound)
	_, _, err = s.FindCourse(t.Context(), "3f0e7a52-0000-4000-8000-000000000000", made.ID)
	assert.ErrorIs(t, err, store.ErrNotFound, "of another kitchen")

	// Not even the program's own role changes one.
	conn := pgtest.Connect(t, url)
	_, _, err = s.AddReadings(t.Context(), map[string][]store.CourseReading{made.ID: {{Source: "p", Place: "core", At: tuesday, Celsius: 20}}})
	require.NoError(t, err)
	for _, change := range []string{`update course_event set at = now()`, `delete from course_event`, `update course_reading set celsius = 1`, `delete from course_reading`} {
		_, err = conn.Exec(t.Context(), change)
		assert.ErrorContains(t, err, "only ever added", change)
	}
}

func TestManyDevicesAddAtOnce(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	made, err := s.CreateCourse(t.Context(), k, coursePlan("Roots"), tuesday, tuesday)
	require.NoError(t, err)
	var devices sync.WaitGroup
	for d := range 8 {
		devices.Go(func() {
			for n := range 10 {
				_, err := s.AddEvents(t.Context(), made.ID, store.Whatever, tuesday, []cooking.Event{timer(fmt.Sprint(d, "-", n), tuesday), timer(fmt.Sprint("all-", n), tuesday)})
				assert.NoError(t, err)
			}
		})
	}
	devices.Wait()
	events, err := s.CourseEvents(t.Context(), made.ID, 0)
	require.NoError(t, err)
	assert.Len(t, events, 90)
	for i, e := range events {
		require.Equal(t, int64(i+1), e.Seq, "without a gap")
	}
}

func TestReadingsAreKeptOnce(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	made, err := s.CreateCourse(t.Context(), k, coursePlan("Roots"), tuesday, tuesday)
	require.NoError(t, err)
	one := store.CourseReading{Source: "p:core", Place: "core", Dish: -1, At: tuesday.Add(time.Second), Celsius: 20.5}
	fresh, _, err := s.AddReadings(t.Context(), map[string][]store.CourseReading{made.ID: {one, one}})
	require.NoError(t, err)
	assert.Equal(t, 1, fresh)
	all, err := s.Readings(t.Context(), made.ID)
	require.NoError(t, err)
	assert.Equal(t, []store.CourseReading{one}, all)
	next := one
	next.At = one.At.Add(time.Second)
	_, kept, err := s.AddReadings(t.Context(), map[string][]store.CourseReading{made.ID: {next}})
	require.NoError(t, err)
	assert.Equal(t, map[string]store.KeptReadings{made.ID: {From: 2, To: 3, Fresh: []bool{true}}}, kept, "numbers are never given twice")
	all, err = s.ReadingsAfter(t.Context(), made.ID, 2)
	require.NoError(t, err)
	assert.Equal(t, []store.CourseReading{next}, all)
	seq, readingSeq, err := s.CourseStands(t.Context(), made.ID)
	require.NoError(t, err)
	assert.Equal(t, []int64{0, 3}, []int64{seq, readingSeq})
}

// Of readings that come each second a forecast is given one in every five, and the last.
func TestSparseReadings(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	made, err := s.CreateCourse(t.Context(), k, coursePlan("Roots"), tuesday, tuesday)
	require.NoError(t, err)
	begin := tuesday.Truncate(5 * time.Second)
	var all []store.CourseReading
	for i := range 13 {
		all = append(all, store.CourseReading{Source: "p", Place: "core", At: begin.Add(time.Duration(i) * time.Second), Celsius: float64(i)})
	}
	_, _, err = s.AddReadings(t.Context(), map[string][]store.CourseReading{made.ID: all})
	require.NoError(t, err)
	sparse, err := s.SparseReadings(t.Context(), made.ID, 5000)
	require.NoError(t, err)
	assert.ElementsMatch(t, []store.CourseReading{all[0], all[5], all[10], all[12]}, sparse)
}

func TestCoursesThatGoOnComeFirst(t *testing.T) {
	t.Parallel()
	s, k := open(t)
	for n := range 3 {
		made, err := s.CreateCourse(t.Context(), k, coursePlan(fmt.Sprint("c", n)), tuesday.Add(time.Duration(n)*time.Hour), tuesday)
		require.NoError(t, err)
		if n == 2 {
			_, err = s.AddEvents(t.Context(), made.ID, store.Whatever, tuesday, []cooking.Event{{ID: "end", At: tuesday, Kind: cooking.Ended}})
			require.NoError(t, err)
		}
	}
	all, err := s.ListCourses(t.Context(), k, 10)
	require.NoError(t, err)
	require.Len(t, all, 3)
	assert.Equal(t, []string{"c1", "c0", "c2"}, []string{all[0].Name, all[1].Name, all[2].Name})
	assert.NotNil(t, all[2].Ended)
	require.NoError(t, s.DeleteCourse(t.Context(), k, all[0].ID))
	_, _, err = s.FindCourse(t.Context(), k, all[0].ID)
	assert.ErrorIs(t, err, store.ErrDeleted)
	require.NoError(t, s.RestoreCourse(t.Context(), k, all[0].ID))
	all, _ = s.ListCourses(t.Context(), k, 10)
	assert.Len(t, all, 3)
}
