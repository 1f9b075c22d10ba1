// Package nutrition adds up what lines give an eater, from the composition of
// their foods, as a pack's label would.
package nutrition

import "cuerda/core/physics/mix"

// Facts are amounts of an amount of food: kcal, kJ, and g of the others. Carb is
// available carbohydrate, without the fibre.
type Facts struct {
	KCal    float64
	KJ      float64
	Protein float64
	Fat     float64
	Carb    float64
	Fibre   float64
	Salt    float64
}

// The energy of a gram: EU Regulation 1169/2011, Annex XIV.
const (
	kcalProtein, kcalFat, kcalCarb, kcalFibre = 4., 9., 4., 2.
	kjProtein, kjFat, kjCarb, kjFibre         = 17., 37., 17., 8.
)

// Of adds up parts as they enter a mix: fat taken up in a saute counts, what
// drips or fries off later does not.
func Of(parts []mix.Part) Facts {
	var out Facts
	for i := range parts {
		p := &parts[i]
		f := p.Food
		listed := f.Protein + f.Carb + f.Fibre + f.Ash
		per := 0.0
		if listed > 0 {
			per = p.Solids() / listed
		}
		out.add(per*f.Protein, p.Fat, per*f.Carb, per*f.Fibre, p.Salt)
	}
	return out
}

func (n *Facts) add(protein, fat, carb, fibre, salt float64) {
	n.Protein += protein
	n.Fat += fat
	n.Carb += carb
	n.Fibre += fibre
	n.Salt += salt
	n.KCal += kcalProtein*protein + kcalFat*fat + kcalCarb*carb + kcalFibre*fibre
	n.KJ += kjProtein*protein + kjFat*fat + kjCarb*carb + kjFibre*fibre
}

// Plus is both together.
func (n Facts) Plus(o Facts) Facts {
	return Facts{n.KCal + o.KCal, n.KJ + o.KJ, n.Protein + o.Protein, n.Fat + o.Fat, n.Carb + o.Carb, n.Fibre + o.Fibre, n.Salt + o.Salt}
}

// Times is so many of it.
func (n Facts) Times(x float64) Facts {
	return Facts{n.KCal * x, n.KJ * x, n.Protein * x, n.Fat * x, n.Carb * x, n.Fibre * x, n.Salt * x}
}
