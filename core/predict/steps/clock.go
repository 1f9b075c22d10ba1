package steps

import (
	"fmt"
	"math"
)

const (
	day = 24 * 60.
	// missed is how long after its hour a table is still taken to be today's, min.
	missed = 60.
)

// Clock gives the time of day, hh:mm, of so many minutes after midnight of the day of
// the table, and which day that is: 0, or -1 and less for one before.
func Clock(minutes float64) (string, int) {
	m := int(math.Floor(minutes))
	on := 0
	for m < 0 {
		m += day
		on--
	}
	return fmt.Sprintf("%02d:%02d", m/60, m%60), on
}

// ClockMinutes gives the minutes after midnight of a time of day, hh:mm; false where it
// is none.
func ClockMinutes(clock string) (float64, bool) {
	var h, m int
	if n, _ := fmt.Sscanf(clock, "%2d:%2d", &h, &m); n != 2 {
		return 0, false
	}
	return float64(60*h + m), true
}

// Late is how long ago a step that begins so many minutes before the table should have
// begun, min, for a table at that minute of its day; 0 where now is below 0, not known.
// The clock has no date: the table meant is the next one, or the one of the last hour.
func Late(before, table, now float64) float64 {
	if now < 0 {
		return 0
	}
	until := math.Mod(table-now+day, day)
	if until > day-missed {
		until -= day
	}
	return max(0, before-until)
}
