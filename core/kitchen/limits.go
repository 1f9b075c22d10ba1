package kitchen

// Limit is the range of a setting of a kitchen, and the step in which a form offers it. Field is its JSON name, Unit
// that of its value, "" for what is counted.
type Limit struct {
	Field, Unit     string
	Low, High, Step float64
	// AtOnce says that it is how much can be done at once.
	AtOnce bool
}

// limits has a row for each number of the settings.
var limits = []struct {
	Limit
	of func(*Settings) float64
}{
	{Limit{"oven_offset_celsius", "°C", -60, 60, 5, false}, func(s *Settings) float64 { return s.OvenOffset }},
	{Limit{"room_celsius", "°C", 5, 40, 1, false}, func(s *Settings) float64 { return s.RoomCelsius }},
	{Limit{"fridge_celsius", "°C", 0, 12, 1, false}, func(s *Settings) float64 { return s.FridgeCelsius }},
	{Limit{"freezer_celsius", "°C", -30, -10, 1, false}, func(s *Settings) float64 { return s.FreezerCelsius }},
	{Limit{"altitude_m", "m", -400, 5000, 100, false}, func(s *Settings) float64 { return s.AltitudeM }},
	{Limit{"tray_length_mm", "mm", 100, 1000, 10, false}, func(s *Settings) float64 { return s.TrayLengthMM }},
	{Limit{"tray_width_mm", "mm", 100, 1000, 10, false}, func(s *Settings) float64 { return s.TrayWidthMM }},
	{Limit{"racks", "", 1, 10, 1, false}, func(s *Settings) float64 { return float64(s.Racks) }},
	{Limit{"pan_diameter_mm", "mm", 80, 1000, 10, false}, func(s *Settings) float64 { return s.PanDiameterMM }},
	{Limit{"pot_diameter_mm", "mm", 80, 1000, 10, false}, func(s *Settings) float64 { return s.PotDiameterMM }},
	{Limit{"bowl_g", "g", 50, 20000, 50, false}, func(s *Settings) float64 { return s.BowlGrams }},
	{Limit{"cooks", "", 1, 8, 1, true}, func(s *Settings) float64 { return float64(s.Cooks) }},
	{Limit{"ovens", "", 0, 4, 1, true}, func(s *Settings) float64 { return float64(s.Ovens) }},
	{Limit{"burners", "", 0, 12, 1, true}, func(s *Settings) float64 { return float64(s.Burners) }},
	{Limit{"pans", "", 0, 12, 1, true}, func(s *Settings) float64 { return float64(s.Pans) }},
	{Limit{"bowls", "", 0, 6, 1, true}, func(s *Settings) float64 { return float64(s.Bowls) }},
}

// Limits lists the ranges of the settings, in the order in which a form asks for them.
func Limits() []Limit {
	out := make([]Limit, len(limits))
	for i := range limits {
		out[i] = limits[i].Limit
	}
	return out
}

// GasMark is the regulator's mark of a gas oven, and the degrees Celsius that cooks take it for.
type GasMark struct {
	Mark    string
	Celsius float64
}

// GasMarks are those of a British oven, from the coolest: 25 degrees Fahrenheit apart, 275 at mark 1, as tables in
// cook books round them.
var GasMarks = []GasMark{
	{"¼", 110}, {"½", 120}, {"1", 140}, {"2", 150}, {"3", 170}, {"4", 180}, {"5", 190}, {"6", 200}, {"7", 220}, {"8", 230}, {"9", 240}, {"10", 260},
}
