package cooking

import (
	"time"

	"cuerda/core/plan/schedule"
)

// Snapshot is all there is to see of a course at one moment.
type Snapshot struct {
	Now     time.Time
	Speed   float64
	Seq     int64
	Devices int
	Plan    *Plan
	State   *State
	Timings []Timing
	Tasks   []Task
	Ready   time.Time
	Ahead   map[schedule.Ref]*Ahead
	Bowls   map[int]Bowl
	Scale   ScaleState
	Version int64
}

// ScaleState is what the scale says.
type ScaleState struct {
	Known bool
	In    float64 // g
	At    time.Time
}
