package export_test

import (
	"encoding/csv"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/learn/practice"
	"cuerda/internal/export"
	"cuerda/internal/store"
)

func drawPractised(t *rapid.T) store.Practised {
	p := store.Practised{Person: store.Person{Name: rapid.SampledFrom([]string{"", "Bow", "=cmd()", "-1", "Ñandú, \"el 2\"", "two\nlines"}).Draw(t, "name")}}
	for i := range rapid.IntRange(0, 6).Draw(t, "calls") {
		var lies *float64
		if rapid.Bool().Draw(t, "known") {
			x := rapid.Float64Range(0, 6).Draw(t, "lies")
			lies = &x
		}
		p.Calls = append(p.Calls, store.PracticeCall{ID: rapid.SampledFrom([]string{"a", "+b", "c-c", "@d"}).Draw(t, "id") + string(rune('0'+i)), Number: -1, Call: practice.Call{
			Kind: rapid.SampledFrom(practice.Kinds).Draw(t, "kind"), Skill: rapid.SampledFrom(practice.Skills).Draw(t, "skill"),
			At:  time.Date(2026, 5, 1, rapid.IntRange(0, 23).Draw(t, "hour"), 0, 0, rapid.IntRange(0, 999).Draw(t, "ns")*1000, time.UTC),
			Off: rapid.Float64Range(-6, 6).Draw(t, "off"), OffMinutes: rapid.Float64Range(-90, 90).Draw(t, "minutes"), Sure: rapid.Float64Range(0, 1).Draw(t, "sure"),
			Right: rapid.Bool().Draw(t, "right"), Wet: rapid.Bool().Draw(t, "wet"), Lies: lies,
		}})
	}
	return p
}

// Calls that go out as a table come in as they were, and no cell of it is a formula.
func TestCallsComeBackFromATable(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		one := drawPractised(t)
		text, err := export.PracticeCSV([]store.Practised{one})
		require.NoError(t, err)
		rows, err := csv.NewReader(strings.NewReader(strings.TrimPrefix(string(text), "\ufeff"))).ReadAll()
		require.NoError(t, err)
		for _, row := range rows[1:] {
			for _, at := range []int{0, 2} {
				if row[at] != "" {
					assert.NotContains(t, "=+-@\t\r", string(row[at][0]))
				}
			}
		}
		back, err := export.ReadPracticeCSV(text)
		require.NoError(t, err)
		require.Len(t, back, len(one.Calls))
		for i := range back {
			assert.Equal(t, strings.TrimSpace(one.Name), back[i].Person)
			assert.Equal(t, one.Calls[i], back[i].PracticeCall)
		}
	})
}

// Whatever text comes in is a table of calls or an error, and an error names its row.
func TestTablesThatAreNone(t *testing.T) {
	head := "id,at,person,kind,skill,off_words,off_minutes,sure,right,wet\n"
	good := "a,2026-05-01T18:00:00Z,,squeeze,plain,0,0,0.5,true,false\n"
	_, err := export.ReadPracticeCSV([]byte(head + good))
	require.NoError(t, err)
	_, err = export.ReadPracticeCSV([]byte("wet,right,sure,off_minutes,off_words,skill,kind,person,at,id,more\nfalse,true,0.5,0,0,plain,squeeze,,2026-05-01T18:00:00Z,a,ignored\n"))
	require.NoError(t, err, "columns in any order")
	for _, bad := range []string{"a,b\n", "a,2026-05-01T18:00:00Z,,squeeze,plain,far,0,0.5,true,false\n", "a,2026-05-01T18:00:00Z,,guess,plain,0,0,0.5,true,false\n", ",2026-05-01T18:00:00Z,,squeeze,plain,0,0,0.5,true,false\n"} {
		_, err := export.ReadPracticeCSV([]byte(head + good + bad))
		require.Error(t, err, bad)
		assert.Contains(t, err.Error(), "3", "it names the row or the line")
	}
	rapid.Check(t, func(t *rapid.T) {
		_, _ = export.ReadPracticeCSV([]byte(rapid.String().Draw(t, "text"))) // it never panics
	})
}
