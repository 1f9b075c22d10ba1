package kitchen

import (
	"bytes"
	"encoding/json"
	"fmt"

	"cuerda/core/food"
)

// File is a kitchen as a file holds it: settings, of which any may be missing, beside what is on its
// shelf, its own foods, and what its tries taught.
type File struct {
	Settings
	Pantry   []PantryItem `json:"pantry,omitempty"`
	OwnFoods []food.Own   `json:"own_foods,omitempty"`
	Learned  *Taught      `json:"learned,omitempty"`
}

// ReadFile reads the kitchen of a file, strictly; what it leaves out is usual. The answer of learning
// is read too: it holds the kitchen it taught. Settings among the figures are taken as such.
func ReadFile(text []byte, foods *food.Catalogue) (*Kitchen, error) {
	var outer struct {
		Kitchen json.RawMessage `json:"kitchen"`
	}
	if err := json.Unmarshal(text, &outer); err != nil {
		return nil, err
	}
	if len(outer.Kitchen) > 0 {
		text = outer.Kitchen
	}
	f := File{Settings: UsualSettings()}
	d := json.NewDecoder(bytes.NewReader(text))
	d.DisallowUnknownFields()
	if err := d.Decode(&f); err != nil {
		return nil, err
	}
	for id, to := range map[string]*float64{"oven_offset_celsius": &f.OvenOffset, "altitude_m": &f.AltitudeM} {
		if v, ok := f.Own[id]; ok {
			*to = v
			delete(f.Own, id)
		}
	}
	if err := f.Settings.Check(); err != nil {
		return nil, err
	}
	if err := f.Learned.Check(); err != nil {
		return nil, err
	}
	k, err := New(foods, f.Settings, f.Pantry, f.OwnFoods...)
	if err != nil {
		return nil, err
	}
	return k.Learned(f.Learned), nil
}

// Check gives an error for what no try could teach.
func (t *Taught) Check() error {
	if t == nil {
		return nil
	}
	within := func(name string, x, least, most float64) error {
		if !(x >= least && x <= most) {
			return &SettingError{"learned/" + name, x, least, most}
		}
		return nil
	}
	for _, r := range []struct {
		name     string
		x        float64
		from, to float64
	}{{"oven_transfer", t.OvenTransfer, -1, 1}, {"pan_transfer", t.PanTransfer, -1.5, 1.5}, {"scoop", t.Scoop, -1, 1}} {
		if err := within(r.name, r.x, r.from, r.to); err != nil {
			return err
		}
	}
	for id, d := range t.Foods {
		if err := within("foods/"+id+"/water", d.Water, -40, 40); err != nil {
			return err
		}
		if err := within("foods/"+id+"/drink", d.Drink, -1.5, 1.5); err != nil {
			return err
		}
	}
	if t.Own != nil && len(t.Own.Kin) > 512 {
		return fmt.Errorf("learned/own: %d mixes are more than are judged by", len(t.Own.Kin))
	}
	return nil
}
