package advise

import (
	_ "embed"
	"fmt"
	"strconv"
	"strings"
	"sync"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/csvtable"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
)

// use is what a binder is for: how the pieces are made and heated.
type use int

// The uses, in the order of the columns of amounts.csv.
const (
	inPan     use = iota // shaped, turned in a pan, in shallow oil or under a grill
	inOven               // shaped, and lies still in an oven
	withMeat             // shaped, of raw meat or fish, which binds itself
	inDeepOil            // nothing holds it until its skin sets
	atSimmer
	asBatter
	asLoaf
	asStuffing
	uses
)

// amounts are the least and the most of a binder that is usual, g per 100 g of the mix with it.
type amounts struct{ least, most float64 }

// usual is a row of amounts.csv: what is usual of one binder.
type usual struct {
	by [uses]amounts
	// with are the foods that it is paired with.
	with []string
}

// forUse gives the most that is usual for a use, and the middle, g per 100 g; of a binder that nobody takes for it, the least that
// is usual for any.
func (u usual) forUse(of use) (most, middle float64) {
	a := u.by[of]
	for _, other := range u.by {
		if a.most == 0 || u.by[of].most == 0 && other.most > 0 && other.most < a.most {
			a = other
		}
	}
	return a.most, (a.least + a.most) / 2
}

//go:embed amounts.csv
var amountsCSV string

// usualAmounts are what good cooks use of a binder by what it is for, by its ID: from the sound builds among those with
// known outcomes (core/learn) and from recipes; what those leave open is kitchen judgement. All grade C. A food that
// is missing here (agar, gelatin, methylcellulose, gums, coconut flour, single proteins) is for those who ask for it.
var usualAmounts = sync.OnceValue(func() map[string]usual {
	out := map[string]usual{}
	for _, row := range csvtable.Rows("amounts.csv", amountsCSV) {
		var u usual
		for i := range u.by {
			if row[1+i] == "" {
				continue
			}
			from, to, ok := strings.Cut(row[1+i], "-")
			least, err1 := strconv.ParseFloat(from, 64)
			most, err2 := strconv.ParseFloat(to, 64)
			if !ok || err1 != nil || err2 != nil || least <= 0 || most < least {
				panic(fmt.Sprintf("amounts.csv: %s: %q", row[0], row[1+i])) // the tests read it
			}
			u.by[i] = amounts{least, most}
		}
		u.with = strings.Fields(row[1+int(uses)])
		out[row[0]] = u
	}
	return out
})

// usualOf gives the row of a food, and whether there is one. A kitchen's own food has the row of the food that it is like.
func usualOf(f *food.Food) (usual, bool) {
	id := f.ID
	if f.Own != "" {
		id = f.Own
	}
	u, ok := usualAmounts()[id]
	return u, ok
}

// rawMeatShare is the share of raw meat or fish from which a mix binds itself with it.
const rawMeatShare = .25

// useOf says which column of amounts.csv goes for a document: by its piece, its heat and whether it is of raw meat.
func useOf(d *document.Document, k *kitchen.Kitchen) use {
	p := d.PieceOrDefault()
	m, _ := d.MethodAndTurn()
	meat, all := 0., 0.
	for i := range d.Lines {
		all += d.Lines[i].Grams
		if k.Foods.Find(d.Lines[i].Food).IsRawMeat() {
			meat += d.Lines[i].Grams
		}
	}
	switch {
	case p.Kind == piece.Stuffing:
		return asStuffing
	case p.Kind == piece.Fritter:
		return asBatter
	case meat >= rawMeatShare*all && !m.Row().JudgedSimmer:
		return withMeat
	case p.Kind.IsLoaf():
		return asLoaf
	case m.Row().JudgedDeep:
		return inDeepOil
	case m.Row().JudgedSimmer:
		return atSimmer
	case m == method.StillOven || m == method.FanOven:
		return inOven
	}
	return inPan
}

// Usual is how much of a binder is usual in a mix with the piece and the heat of a document, g per 100 g of the mix with it, and
// the foods that it is paired with; false where no cook would use it so.
func Usual(k *kitchen.Kitchen, d *document.Document, f *food.Food) (least, most float64, with []string, ok bool) {
	row, known := usualOf(f)
	if !known {
		return 0, 0, nil, false
	}
	a := row.by[useOf(d, k)]
	return a.least, a.most, row.with, a.most > 0
}
