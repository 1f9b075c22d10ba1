package bake

import (
	"fmt"
	"math"
	"slices"

	"cuerda/core/safety"
)

// SettingError names a setting that is out of its range.
type SettingError struct {
	Field     string
	Got       float64
	Low, High float64
}

func (e *SettingError) Error() string {
	return fmt.Sprintf("%s is %g; it should lie between %g and %g", e.Field, e.Got, e.Low, e.High)
}

// Check gives a *SettingError for the first setting out of its range.
func (s *Settings) Check() error {
	for _, r := range []struct {
		field          string
		got, low, high float64
	}{
		{"oven_offset_celsius", s.OvenOffset, -60, 60},
		{"altitude_m", s.AltitudeM, -400, 5000},
		{"room_celsius", s.RoomCelsius, 5, 40},
		{"fridge_celsius", s.FridgeCelsius, 0, 12},
		{"freezer_celsius", s.FreezerCelsius, -30, -10},
		{"tray_length_mm", s.TrayLengthMM, 100, 1000},
		{"tray_width_mm", s.TrayWidthMM, 100, 1000},
		{"racks", float64(s.Racks), 1, 10},
		{"pan_diameter_mm", s.PanDiameterMM, 80, 1000},
		{"pot_diameter_mm", s.PotDiameterMM, 80, 1000},
		{"bowl_g", s.BowlGrams, 50, 20000},
	} {
		if math.IsNaN(r.got) || r.got < r.low || r.got > r.high {
			return &SettingError{r.field, r.got, r.low, r.high}
		}
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
