
// groups are the foods that one word names, by its list.
var groups = map[string]func(*food.Food) bool{
	"group.vegetable": func(f *food.Food) bool {
		return f.Group == food.Vegetable && f.State == food.Raw && !ingredient.Aromatic(f)
	},
	"group.onion":  anyOf("onion", "shallot", "leek"),
	"group.herb":   anyOf("parsley", "coriander", "fresh-herbs"),
	"group.yolk":   anyOf("egg-yolk"),
	"group.white":  anyOf("egg-white"),
	"group.spice":  of(food.Flavour),
	"group.meat":   of(food.Meat),
	"group.nut":    of(food.Nut),
	"group.seed":   of(food.Seed),
	"group.bean":   of(food.Legume),
	"group.fish":   of(food.Fish),
	"group.egg":    of(food.Egg),
	"group.grain":  of(food.Grain),
	"group.flour":  named("flour"),
	"group.cheese": named("cheese", "feta", "mozzarella"),
	"group.crumbs": named("crumbs", "panko", "bread-"),
	"group.dry":    func(f *food.Food) bool { return f.Group.IsBinder() || f.Group == food.Flavour },
}
