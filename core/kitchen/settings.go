package kitchen

import (
	"errors"
	"fmt"
	"math"
	"regexp"
	"slices"

	"cuerda/core/food/eaters"
	"cuerda/core/physics/method"
	"cuerda/core/physics/parameter"
	"cuerda/core/physics/piece"
	"cuerda/core/physics/safety"
)

// Room is the temperature of a kitchen that does not say, degC.
const Room = 20.

// Settings are what is known of the kitchen itself.
type Settings struct {
	safety.Rule
	piece.Ware
	Workplace
	// OvenOffset is how much hotter the oven is than it says, K.
	OvenOffset float64 `json:"oven_offset_celsius" minimum:"-60" maximum:"60"`
	// AltitudeM sets where water boils, m.
	AltitudeM      float64 `json:"altitude_m" minimum:"-400" maximum:"5000"`
	RoomCelsius    float64 `json:"room_celsius" minimum:"5" maximum:"40"`
	FridgeCelsius  float64 `json:"fridge_celsius" minimum:"0" maximum:"12"`
	FreezerCelsius float64 `json:"freezer_celsius" minimum:"-30" maximum:"-10"`
	// Currency is that of its prices, by ISO 4217.
	Currency string `json:"currency" pattern:"^[A-Z]{3}$"`
	Units    Units  `json:"units"`
	Household
	// Own are the kitchen's own figures by their ID, over those of parameter.Usual.
	Own map[string]float64 `json:"figures,omitempty"`
}

// Workplace is how much can be done at once.
type Workplace struct {
	// Cooks is how many pairs of hands there are.
	Cooks   int `json:"cooks" minimum:"1" maximum:"8"`
	Ovens   int `json:"ovens" minimum:"0" maximum:"4"`
	Burners int `json:"burners" minimum:"0" maximum:"12"`
	Pans    int `json:"pans" minimum:"0" maximum:"12"`
	// Bowls is how many bowls of a processor there are.
	Bowls int `json:"bowls" minimum:"0" maximum:"6"`
}

// Household is what a new build begins with: who eats, and what there is to cook and measure with.
type Household struct {
	// Oven is how a new build is baked: fan-oven, still-oven (of still air or gas), or none; "" where nobody said.
	Oven string `json:"oven,omitempty" enum:"fan-oven,still-oven,none"`
	// Cups says that there is no scale: amounts are given in cups and spoons.
	Cups  bool `json:"cups,omitempty"`
	Probe bool `json:"probe,omitempty"`
	// Eaters are who eats here as a rule.
	Eaters *eaters.Eaters `json:"eaters,omitempty"`
}

var ovens = []string{"", string(method.FanOven), string(method.StillOven), "none"}

// Units are those that figures are shown in beside the grams, degrees Celsius and
// millimetres that are kept, and the clock and the words that go with them.
type Units struct {
	Mass        string `json:"mass" enum:"g,oz"`
	Temperature string `json:"temperature" enum:"C,F,gas"`
	Length      string `json:"length" enum:"mm,inch"`
	// Clock is how hours are shown, by 24 or by 12; "" is 24.
	Clock string `json:"clock,omitempty" enum:"24,12"`
	// Spanish is whose names foods have in Spanish: of Spain, Mexico, the River Plate or the Andes, or neutral ones; "" as the browser says.
	Spanish string `json:"spanish,omitempty" enum:"neutral,es,mx,rp,an"`
}

var units = map[string][]string{
	"mass": {"g", "oz"}, "temperature": {"C", "F", "gas"}, "length": {"mm", "inch"},
	"clock": {"", "24", "12"}, "spanish": {"", "neutral", "es", "mx", "rp", "an"},
}

func (u *Units) check() error {
	for _, each := range []struct{ name, got string }{{"mass", u.Mass}, {"temperature", u.Temperature}, {"length", u.Length}, {"clock", u.Clock}, {"spanish", u.Spanish}} {
		if !slices.Contains(units[each.name], each.got) {
			return fmt.Errorf("unit of %s %q is not one of %v", each.name, each.got, units[each.name])
		}
	}
	return nil
}

// UsualSettings are those of a home kitchen at sea level.
func UsualSettings() Settings {
	return Settings{
		Rule: safety.Rule{Guidance: safety.US}, Ware: piece.UsualWare, Workplace: Workplace{Cooks: 1, Ovens: 1, Burners: 4, Pans: 2, Bowls: 1},
		RoomCelsius: Room, FridgeCelsius: 4, FreezerCelsius: -18,
		Currency: "EUR", Units: Units{Mass: "g", Temperature: "C", Length: "mm"},
	}
}

// SettingError names a setting that is out of its range.
type SettingError struct {
	Field     string
	Got       float64
	Low, High float64
}

func (e *SettingError) Error() string {
	return fmt.Sprintf("%s is %g; it should lie between %g and %g", e.Field, e.Got, e.Low, e.High)
}

var currency = regexp.MustCompile(`^[A-Z]{3}$`)

// Check gives a *SettingError for the first setting out of its range.
func (s *Settings) Check() error {
	for i := range limits {
		r := &limits[i]
		if got := r.of(s); math.IsNaN(got) || got < r.Low || got > r.High {
			return &SettingError{r.Field, got, r.Low, r.High}
		}
	}
	if !currency.MatchString(s.Currency) {
		return fmt.Errorf("currency %q is not three letters of ISO 4217", s.Currency)
	}
	if err := s.Units.check(); err != nil {
		return err
	}
	if _, err := s.parameters(); err != nil {
		return err
	}
	if !slices.Contains(ovens, s.Oven) {
		return fmt.Errorf("oven %q is not one of %v", s.Oven, ovens[1:])
	}
	if s.Eaters != nil && !s.Eaters.Sound() {
		return errors.New("who eats cannot be kept: a name is at most 60 letters, and what is left out is one of the known words")
	}
	if !slices.Contains(safety.Guidances, s.Guidance) {
		return fmt.Errorf("guidance %q is not one of %v", s.Guidance, safety.Guidances)
	}
	if s.Guidance == safety.Own {
		if c := s.OwnCelsius; math.IsNaN(c) || c < 55 || c > 100 {
			return &SettingError{"own_celsius", c, 55, 100}
		}
		if m := s.OwnMinutes; math.IsNaN(m) || m < 0 || m > 60 {
			return &SettingError{"own_minutes", m, 0, 60}
		}
	}
	return nil
}

// parameters gives those of the kitchen; a *SettingError for one nobody would believe.
func (s *Settings) parameters() (*parameter.Set, error) {
	if len(s.Own) == 0 {
		return parameter.Usual(), nil
	}
	out, err := parameter.Usual().With(s.Own)
	if wrong := (*parameter.RangeError)(nil); errors.As(err, &wrong) {
		return nil, &SettingError{"figures/" + wrong.ID, wrong.Got, wrong.Low, wrong.High}
	}
	return out, err
}
