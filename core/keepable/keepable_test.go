package keepable_test

import (
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"

	"cuerda/core/keepable"
)

func TestWhatCanBeKept(t *testing.T) {
	at := func(year int) time.Time { return time.Date(year, 6, 1, 0, 0, 0, 0, time.UTC) }
	assert.True(t, keepable.Time(at(1950)))
	assert.False(t, keepable.Time(at(1899)))
	assert.False(t, keepable.Time(at(9999)))
	assert.False(t, keepable.Time(time.Time{}))
	// The last hours of 2499 in the west are of 2500 by the clock of the world.
	assert.False(t, keepable.Time(time.Date(2499, 12, 31, 23, 0, 0, 0, time.FixedZone("west", -8*3600))))
	later := at(2600)
	assert.True(t, keepable.Times(nil))
	assert.False(t, keepable.Times(nil, &later))

	assert.True(t, keepable.ID(strings.Repeat("ñ", 64)), "characters are counted, not bytes")
	assert.False(t, keepable.ID(strings.Repeat("ñ", 65)))
	assert.False(t, keepable.ID(""))
	assert.False(t, keepable.Text("a\x00b", 10))
	assert.False(t, keepable.Text("\xff", 10))
}
