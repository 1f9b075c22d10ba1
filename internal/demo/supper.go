package demo

import (
	"encoding/json"
	"fmt"
	"time"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/plan/sides"
	"cuerda/core/plan/supper"
	"cuerda/core/recipe/words"
)

// onTheTable is the hour of the club's supper.
const onTheTable = 19

// Supper gives the club's supper of the first Friday on which it could still be begun; kept says which builds
// of a kitchen its files have become.
func Supper(builds []Build, kept map[string]supper.SupperFrom, foods *food.Catalogue, now time.Time) (*supper.Supper, error) {
	text, err := files.ReadFile("supper.json")
	if err != nil {
		return nil, err
	}
	var of struct {
		supper.Supper
		Dishes []struct {
			supper.SupperDish
			File  string `json:"file"`
			Boxes int    `json:"boxes"`
		} `json:"dishes"`
	}
	if err := json.Unmarshal(text, &of); err != nil {
		return nil, fmt.Errorf("supper.json: %w", err)
	}
	out := of.Supper
	out.Format, out.Table = supper.Format, friday(now)
	if zone := now.Location().String(); zone != "Local" {
		out.Zone = zone
	}
	club, err := kitchen.New(foods, kitchen.UsualSettings(), Pantry())
	if err != nil {
		return nil, err
	}
	usual := sides.All(out.Eaters.Count(), club, words.English)
	for _, d := range of.Dishes {
		dish := d.SupperDish
		for i := range builds {
			if builds[i].File != d.File {
				continue
			}
			if dish.Build, err = json.Marshal(&builds[i].Document); err != nil {
				return nil, err
			}
			if from, known := kept[d.File]; known {
				dish.From = &from
			}
		}
		for _, side := range usual {
			if dish.Side == side.Code {
				dish.Steps, dish.Foods = side.Steps, side.Foods
			}
		}
		if d.Boxes > 0 {
			dish.Boxes = []supper.SupperBox{{Day: out.Table.AddDate(0, 0, 1).Format(time.DateOnly), Pieces: d.Boxes}}
		}
		out.Dishes = append(out.Dishes, dish)
	}
	return &out, nil
}

// friday is the hour of the first supper that is more than a day away: there is time to soak for it.
func friday(now time.Time) time.Time {
	y, m, d := now.Date()
	table := time.Date(y, m, d, onTheTable, 0, 0, 0, now.Location())
	for table.Weekday() != time.Friday || table.Sub(now) < 25*time.Hour {
		table = table.AddDate(0, 0, 1)
	}
	return table
}
