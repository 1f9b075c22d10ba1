package cooking

import (
	"math"
	"time"
)

// Scale reads a kitchen scale on which a bowl stands: amounts go in one by one, and each is
// what the reading rose by since the last was taken. The zero value is ready.
type Scale struct {
	// zero is what stood on it when the last amount was taken, last what it says now, g.
	zero, last float64
	// since is from when on it has stood still, at that reading.
	since, at time.Time
	still     float64
	known     bool
}

const (
	// stillWithin is how much a reading may move that rests, g, and a share of what it says.
	stillWithin      = 0.4
	stillWithinShare = 0.002
	// restsFor is how long it stands still before it rests.
	restsFor = 1500 * time.Millisecond
	// MostOnScale is more than a kitchen scale bears, g.
	MostOnScale = 30_000
	// lifted is what a reading falls by, g, where the bowl is taken off.
	lifted = 60.
)

// Read takes a reading over, g, and gives how much of the amount is in, and whether the
// reading rests. One of before the last, or that no scale gives, changes nothing.
func (s *Scale) Read(at time.Time, grams float64) (in float64, rests bool) {
	if math.IsNaN(grams) || math.Abs(grams) > MostOnScale || s.known && at.Before(s.at) {
		return s.In(), s.rests()
	}
	if !s.known {
		s.zero, s.known = grams, true
	}
	if math.Abs(grams-s.still) > max(stillWithin, stillWithinShare*math.Abs(grams)) || s.since.IsZero() {
		s.still, s.since = grams, at
	}
	s.last, s.at = grams, at
	if grams < s.zero-lifted { // the bowl was taken off: what stands there next begins anew
		s.zero = grams
	}
	return s.In(), s.rests()
}

func (s *Scale) rests() bool { return s.known && s.at.Sub(s.since) >= restsFor }

// In is how much of the amount is in, g.
func (s *Scale) In() float64 { return math.Round(10*(s.last-s.zero)) / 10 }

// Known says whether it has said anything.
func (s *Scale) Known() bool { return s.known }

// At is when it last said something.
func (s *Scale) At() time.Time { return s.at }

// Tare begins the next amount.
func (s *Scale) Tare() { s.zero, s.since = s.last, s.at }
