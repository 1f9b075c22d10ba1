package export_test

import (
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/kitchen"
	"cuerda/core/plan/supper"
	"cuerda/internal/export"
)

// A plan goes out as events for what somebody does or watches, and as values that no
// spreadsheet takes for a formula; what waits by itself is no event.
func TestAPlanGoesOut(t *testing.T) {
	d, err := supper.Read([]byte(`{"format":"cuerda-supper/1","name":"Friday","table":"2026-11-27T19:00:00+01:00","kitchen":{"cooks":1,"ovens":[{"id":"oven","racks":1}]},
		"dishes":[{"name":"=Roots; and, more","steps":[{"name":"Cut","minutes":10,"hands":1},{"name":"Wait","minutes":5,"after":[{"step":"Cut"}]},
		{"name":"Roast","minutes":30,"oven":{"celsius":200},"after":[{"step":"Wait"}]}]}]}`))
	require.NoError(t, err)
	p, err := supper.Make(d, kitchen.Usual(), nil)
	require.NoError(t, err)
	now := time.Date(2026, 11, 26, 12, 0, 0, 0, time.UTC)
	events := string(export.PlanCalendar("", d.Name, p, now, "en"))
	assert.Equal(t, 2, strings.Count(events, "BEGIN:VEVENT"))
	assert.Equal(t, 2, strings.Count(events, "BEGIN:VALARM"))
	assert.Contains(t, events, "DTSTAMP:20261126T120000Z")
	assert.Contains(t, events, "DTSTART:20261127T173000Z")
	assert.Contains(t, events, `SUMMARY:=Roots\; and\, more: Roast`)
	assert.Equal(t, events, string(export.PlanCalendar("", d.Name, p, now, "en")))
	values, err := export.PlanValues(p, "en")
	require.NoError(t, err)
	rows := strings.Split(strings.TrimSpace(string(values)), "\n")
	require.Len(t, rows, 4)
	assert.Equal(t, `2026-11-27T18:15:00+01:00,10,"'=Roots; and, more",Cut,1,`, rows[1])
	assert.Contains(t, rows[3], `"oven, 200 °C"`)
}
