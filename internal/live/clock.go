package live

import "time"

// clock is that of a course: it may go faster than the world's, for tests and simulated
// instruments. Its own time never goes back.
type clock struct {
	base, real time.Time
	speed      float64
}

// at is the course's time when it is that in the world.
func (c clock) at(real time.Time) time.Time {
	since := max(0, real.Sub(c.real))
	return c.base.Add(time.Duration(float64(since) * c.speed))
}

// turned is the clock that goes on from then so many times as fast.
func (c clock) turned(real time.Time, speed float64) clock {
	return clock{c.at(real), real, min(max(speed, 1), 60)}
}

// until is how long it is in the world until that time by the course's clock.
func (c clock) until(at, real time.Time) time.Duration {
	return time.Duration(float64(at.Sub(c.at(real))) / c.speed)
}
