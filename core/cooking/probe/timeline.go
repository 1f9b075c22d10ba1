package probe

import (
	"maps"
	"slices"
)

// Did is what a cook did with a piece on the heat.
type Did string

// What cooks do. None of them is a reading.
const (
	None      Did = ""
	TurnedIt  Did = "turned"
	PlacedIt  Did = "placed" // the probe was put in anew
	TookItOff Did = "off"
)

// Happening is one thing that happened to a piece on the heat: what its cook did, or what a probe read.
type Happening struct {
	Did Did
	Reading
}

// Clone is a following of its own that stands where this one does.
func (f *Follow) Clone() *Follow {
	out := *f
	out.used = maps.Clone(f.used)
	out.watch.last, out.watch.high = maps.Clone(f.watch.last), slices.Clone(f.watch.high)
	for i := range out.all {
		out.all[i].progress = f.all[i].progress.Clone()
	}
	return &out
}

// happen takes one thing over.
func (f *Follow) happen(h *Happening) Took {
	switch h.Did {
	case TurnedIt:
		f.Turn(h.Minutes)
	case PlacedIt:
		f.Placed(h.Minutes)
	case TookItOff:
		f.TakeOff(h.Minutes)
	default:
		return f.Read(h.Reading)
	}
	return Used
}

// Timeline follows a piece by all that is known to have happened to it, whenever it came to be known: what
// comes late counts where it belongs, and the whole is the same as if everything had come in its order.
// It is for one goroutine at a time.
type Timeline struct {
	begin func() *Follow
	taken []Happening
	took  []Took
	at    *Follow
	// kept are states on the way, to go back to where something belongs before the last.
	kept []checkpoint
}

type checkpoint struct {
	taken int
	at    *Follow
}

const (
	// A state on the way is kept after so many happenings, and so many of them, the last.
	checkpointEvery = 48
	mostCheckpoints = 2
)

// NewTimeline is that of a piece of which nothing is known but how it begins.
func NewTimeline(begin func() *Follow) *Timeline { return &Timeline{begin: begin} }

// GoesOn says whether these begin with all that was taken over, so that they only go on from there.
func (t *Timeline) GoesOn(all []Happening) bool {
	return t.at != nil && len(all) >= len(t.taken) && slices.Equal(all[:len(t.taken)], t.taken)
}

// Take makes it what those come to, which are in the order of their time, and says what became of each. What
// was taken over before need not be followed again.
func (t *Timeline) Take(all []Happening) []Took {
	same := 0
	for same < min(len(all), len(t.taken)) && all[same] == t.taken[same] {
		same++
	}
	if t.at == nil || same < len(t.taken) {
		t.back(same)
	}
	for i := len(t.taken); i < len(all); i++ {
		t.took = append(t.took, t.at.happen(&all[i]))
		t.taken = append(t.taken, all[i])
		if len(t.taken)%checkpointEvery == 0 {
			t.kept = append(t.kept, checkpoint{len(t.taken), t.at.Clone()})
			t.kept = t.kept[max(0, len(t.kept)-mostCheckpoints):]
		}
	}
	return slices.Clone(t.took)
}

// back goes back to where no more than so many have happened.
func (t *Timeline) back(most int) {
	t.kept = slices.DeleteFunc(t.kept, func(c checkpoint) bool { return c.taken > most })
	from := 0
	if n := len(t.kept); n > 0 {
		from = t.kept[n-1].taken
		t.at = t.kept[n-1].at.Clone()
	} else {
		t.at = t.begin()
	}
	t.taken, t.took = t.taken[:from], t.took[:from]
}

// Forecast is what is to be expected at that minute, or as of the last that happened where that is later.
// It changes nothing.
func (t *Timeline) Forecast(minutes float64, every Of) Forecast {
	if t.at == nil {
		t.back(0)
	}
	now := t.at.Clone()
	now.Advance(minutes)
	return now.ForecastOf(every)
}
