package compose

import (
	_ "embed"
	"fmt"
	"strconv"
	"strings"
	"sync"

	"cuerda/core/food"
	"cuerda/core/food/csvtable"
)

// role is what a food plays in a mix.
type role string

// The roles. Binders have theirs in package advise.
const (
	body    role = "body"
	grain   role = "grain"
	veg     role = "veg"
	rich    role = "rich"
	savoury role = "savoury"
	season  role = "season"
)

// sweet is the family of what goes in only where somebody asks for it.
const sweet = "sweet"

// part is a row of roles.csv.
type part struct {
	role        role
	least, most float64 // g per 100 g
	ways        [][]food.Preparation
	family      string
}

//go:embed roles.csv
var rolesCSV string

var parts = sync.OnceValue(func() map[string]part {
	out := map[string]part{}
	for _, row := range csvtable.Rows("roles.csv", rolesCSV) {
		p := part{role: role(row[1]), family: row[5]}
		var err1, err2 error
		p.least, err1 = strconv.ParseFloat(row[2], 64)
		p.most, err2 = strconv.ParseFloat(row[3], 64)
		if err1 != nil || err2 != nil || p.most < p.least {
			panic(fmt.Sprintf("roles.csv: %s", row[0])) // the tests read it
		}
		for way := range strings.SplitSeq(row[4], "|") {
			p.ways = append(p.ways, wayOf(row[0], way))
		}
		out[row[0]] = p
	}
	return out
})

// wayOf reads "press+mash:0.7".
func wayOf(id, text string) (out []food.Preparation) {
	if text == "" {
		return nil
	}
	for step := range strings.SplitSeq(text, "+") {
		do, figure, _ := strings.Cut(step, ":")
		p := food.Preparation{Do: food.Do(do)}
		v, err := strconv.ParseFloat(figure, 64)
		if figure != "" && err != nil {
			panic("roles.csv: " + id + ": " + text)
		}
		switch p.Do.Setting() {
		case "minutes":
			if p.Minutes = v; v == 0 {
				p.Minutes = p.Do.Default()
			}
		case "hours":
			if p.Hours = v; v == 0 {
				p.Hours = p.Do.Default()
			}
		case "level":
			if p.Level = v; v == 0 {
				p.Level = p.Do.Default()
			}
		}
		out = append(out, p)
	}
	return out
}

// roleOf is what a food plays; a kitchen's own food plays what the food does that it is like.
func roleOf(f *food.Food) (part, bool) {
	id := f.ID
	if f.Own != "" {
		id = f.Own
	}
	p, ok := parts()[id]
	return p, ok
}

// never are families that do not go into one mix; unasked are those that nobody is given together who did not ask for both: tuna
// and white beans are a mix, but whoever has lentils wants no fish with them.
var (
	never   = map[[2]string]bool{{"fish", "meat"}: true}
	unasked = map[[2]string]bool{
		{"fish", "cheese"}: true, {"fish", "nut"}: true, {"fish", "soy"}: true, {"meat", "soy"}: true, {"fish", "bean"}: true,
	}
)

// neverTogether says that two families do not go into one mix even where both are asked for.
func neverTogether(a, b string) bool { return never[[2]string{a, b}] || never[[2]string{b, a}] }

// apart says that two families do not go into one mix unless both are asked for.
func apart(a, b string) bool {
	return neverTogether(a, b) || unasked[[2]string{a, b}] || unasked[[2]string{b, a}]
}
