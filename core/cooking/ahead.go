package cooking

import (
	"time"

	"cuerda/core/cooking/probe"
	"cuerda/core/physics/safety"
)

// Last is the last reading of a kind.
type Last struct {
	At      time.Time
	Celsius float64
}

// Reading is one reading of a probe, as it was taken.
type Reading struct {
	Dish    int
	Where   probe.Where
	Source  string
	At      time.Time
	Celsius float64
}

// Ahead is what is to be expected of a dish on the heat, by the course's clock.
type Ahead struct {
	Forecast probe.Forecast
	Begun    time.Time
	Last     map[probe.Where]Last
	History  []Reading
	// Offset is how much hotter than it says the oven is known to be, K.
	Offset float64
}

// Off is when to take it off, and the interval of 90% of it.
func (a *Ahead) Off() (at, low, high time.Time) {
	off := a.Forecast.Off
	return a.Time(off.Value), a.Time(off.Low), a.Time(off.High)
}

// Below says whether taking it off now leaves meat, fish, egg or what was cooked before short of its goal: it is
// not to come off yet, and the coldest place has not come to the goal by itself.
func (a *Ahead) Below(target safety.Target, now time.Time) bool {
	_, low, _ := a.Off()
	return target.Reason != safety.Plants && low.After(now) && a.Forecast.Core.Value < target.Celsius-1
}

// Time is that of so many minutes on the heat.
func (a *Ahead) Time(minutes float64) time.Time {
	return a.Begun.Add(time.Duration(minutes * float64(time.Minute)))
}
