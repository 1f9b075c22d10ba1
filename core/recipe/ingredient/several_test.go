package ingredient_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"cuerda/core/food"
)

// said writes a line's foods as "food grams prep; ...".
func said(line string) string {
	l := reader.Read(line)
	var out []string
	for _, i := range l.Items {
		text := fmt.Sprintf("%s %.4g", i.Food, i.Grams)
		for _, p := range i.Prep {
			text += " " + string(p.Do)
		}
		out = append(out, text)
	}
	return strings.Join(out, "; ")
}

func TestLinesOfSeveralFoods(t *testing.T) {
	for line, want := range map[string]string{
		"1 flax egg":  "flax-meal 7 gel; water 45",
		"2 flax eggs": "flax-meal 14 gel; water 90",
		"1 flax egg (1 tbsp ground flax + 3 tbsp water)":                      "flax-meal 6.5 gel; water 44.4",
		"1 huevo de linaza doble (2 cucharadas de linaza molida y 6 de agua)": "flax-meal 13 gel; water 88.9",
		"1 tsp cumin 1 tsp garlic powder 3/4 tsp salt":                        "dry-spice 2.1; garlic-powder 3.2; salt 4.6",
		"leek 1, carrots 2: sweat":                                            "leek 150 saute; carrot 122 saute",
		"flaxmeal 2T / water 6T":                                              "flax-meal 13 gel; water 88.9",
		"cumin, chili powder: 1 t. ea.":                                       "dry-spice 4.2",
		"walnuts 80 chopped":                                                  "walnuts 80",
		"corn, frozen: 1 c":                                                   "sweetcorn 164",
		"1 tin tuna in brine":                                                 "tuna-canned 102",
		"juice 1/2 lemon":                                                     "lemon-juice 22.5",
		"1 cda. de lino molido con 3 de agua":                                 "flax-meal 6.5 gel; water 44.4",
		"una cucharada de tahini y otra de salsa de soja":                     "tahini 15; soy-sauce 15.9",
		"2 puerros, 2 zanahorias y 1 apio":                                    "leek 300; carrot 122; celery 40",
		"salt and pepper":                                                     "salt 6; dry-spice 0.5",
		"sal, pimienta y nuez moscada":                                        "salt 6; dry-spice 1",
		"1 tsp each salt and pepper":                                          "salt 6.1; dry-spice 2.1",
		"½ tsp salt and lots of black pepper":                                 "salt 3; dry-spice 0.5",
		"3 tbsp chickpea flour mixed with 3 tbsp water":                       "chickpea-flour 17.3; water 44.4",
		"2 garlic cloves, crushed to a paste with 1 tsp salt":                 "garlic 8; salt 6.1",
		"2 dientes de ajo y un puñado de perejil":                             "garlic 8; parsley 12",
		"zest and juice of 1 lemon":                                           "lemon-juice 45; lemon-zest 6",
		"2 eggs, separated":                                                   "egg-yolk 34; egg-white 66",
		"1 cup plus 2 tbsp rolled oats":                                       "oats-rolled 101.3",
		"200 g/7 oz ground lamb":                                              "lamb-ground 200",
		"1,000 g ground pork":                                                 "pork-ground 1000",
		"1.000 g de carne molida de pavo":                                     "turkey-ground 1000",
		"2 T. tahini":                                                         "tahini 30",
		"100 g quinoa, cooked in 200 ml water":                                "quinoa-cooked 100",
		"flax 2 tbsp (14 g) + water 6 tbsp (90 g)":                            "flax-meal 14 gel; water 90",
		"300 g lentils (750 g cooked)":                                        "lentils-cooked 750",
		"400 g potatoes (350 g peeled)":                                       "potato-mashed 350",
		"two potatoes, about 300 g in all":                                    "potato-mashed 300",
		"pork shoulder, \"about two pound\" = 900g":                           "pork-ground 900",
		"150 potato, boiled":                                                  "potato-mashed 150",
		"20 olives":                                                           "olives 80",
		"stale bread NOT USED (he did), instead: 5 oz cold boiled rice":       "rice-cooked 141.7",
		"tomatoes, no seeds, 200 g":                                           "tomato 200",
		"1 bunch parsley and the same of coriander":                           "parsley 35; coriander 40",
		"a bit of red onion":                                                  "onion 40",
		"cornst. 30g + h2o 60g":                                               "corn-starch 30; water 60",
		"a tablespoon or two of chickpea flour":                               "chickpea-flour 8.6",
		"2 t. salt":                                                           "salt 12.2",
		"1 heaping tbsp tahini":                                               "tahini 18.8",
		"8 sage leaves":                                                       "fresh-herbs 4",
		"3 rashers bacon":                                                     "bacon 66",
		"1 sleeve crackers":                                                   "crackers 105",
		"1 lb russet potatoes, coarsely grated":                               "potato-grated 453.6",
		"1 bote de 400 g de lentejas cocidas":                                 "lentils-canned 235",
		"400g tin kidney beans in water":                                      "kidney-beans-canned 240",
		"2 carrots, grated, salt and pepper":                                  "carrot 122; salt 6; dry-spice 0.5",
		"1 tsp lemon zest, s + p":                                             "lemon-zest 2; salt 6; dry-spice 0.5",
		"Ground turkey, 85/15: 4.0 lb":                                        "turkey-ground 1814",
		"black beans (15 oz can, drained)":                                    "black-beans-canned 255.1",
		"salt (1 tsp) and pepper (1/2 tsp)":                                   "salt 6.1; dry-spice 1",
		"oats (60g), 1 tbsp tomato puree, mixed herbs (1 tsp), oil spray":     "oats-rolled 60; tomato-paste 16.4; dry-spice 2.1",
		"1 cup rolled oats, half of them ground":                              "oats-rolled 45 blitz; oats-rolled 45",
		"media cebolla y medio morrón":                                        "onion 55; bell-pepper 59.5",
		"1 lb mince, half beef half pork":                                     "beef-ground-15 226.8; pork-ground 226.8",
		"onion, pepper, celery":                                               "onion 120; bell-pepper 120; celery 120",
		"1 1/2 cups dried chickpeas soaked overnight":                         "chickpeas-dry 300 soak",
		"60g oats blitzed to flour":                                           "oats-rolled 60 blitz",
		"1 T each: chopped parsley, basil, oregano":                           "parsley 3.8; fresh-herbs 2.5; fresh-herbs 2.5",
		"1/2 tsp ea. cumin, coriander & paprika":                              "dry-spice 3",
		"3 cm piece ginger":                                                   "ginger 18",
		"approx. 100 g oats":                                                  "oats-rolled 100",
		"1 cebolla, ajo al gusto, sal y pimienta":                             "onion 110; garlic 12; salt 6; dry-spice 0.5",
		"1 manojito de cilantro":                                              "coriander 20",
		"1 c.c. de comino":                                                    "dry-spice 2.1",
		"1/2 block (200 g) firm tofu":                                         "tofu-firm 200",
		"8 saltines, crushed":                                                 "crackers 25.6",
		"oats... 1/2 cup":                                                     "oats-rolled 45",
		"1 large tin tomatoes":                                                "tomato-passata 500",
		"2 hamburger buns":                                                    " 0",
		"1 tbsp flax + 3 water":                                               "flax-meal 6.5 gel; water 44.4",
	} {
		assert.Equal(t, want, said(line), line)
	}
}

// A line may be a list of its own, with a label before it and what is said of each food beside that food.
func TestLinesThatAreLists(t *testing.T) {
	for line, want := range map[string]string{
		"veg: leek 2 (sweated), celeriac 200 (grated raw)":         "leek 300 saute; celeriac 200",
		"bind: potato starch 20, flax 12 (gel, 40 water)":          "potato-starch 20; flax-meal 12 gel; water 40",
		"base: chestnuts vac-packed 2x180g + cannellini 1 tin dr.": "chestnuts-cooked 360; white-beans-canned 240",
		"Binder: 2 tbsp chia in 90ml water, stand 10 mins":         "chia-whole 21.3 gel; water 90.2",
		"flax 2 tbsp (in 6 tbsp water)":                            "flax-meal 13 gel; water 88.9",
		"chickpea flour: 50 g":                                     "chickpea-flour 50", // a food is no label
		"2 carrots, grated":                                        "carrot 122",        // and a preparation no food of a list
	} {
		assert.Equal(t, want, said(line), line)
	}
}

// What stands for another food, or leads over to one, is not weighed with it.
func TestWhatIsReplacedOrOnlyLeadsOver(t *testing.T) {
	for line, want := range map[string]string{
		"200g bulgur -> swap: 180g buckwheat flour":                "buckwheat-flour 180",
		"egg - leave out!! use 1 tbsp chia":                        "chia-whole 10.6",
		"replaced by 70g oat flour.":                               "oat-flour 70",
		"So you want about half a pound of minced turkey, chilled": "turkey-ground 226.8",
		"Yes! Per 500 g mince":                                     "beef-ground-15 500",
		"lentils dry 250 g -> simmer in 500 ml water":              "lentils-dry 250", // an arrow that tells what to do replaces nothing
	} {
		assert.Equal(t, want, said(line), line)
	}
}

// Amounts as cooks write them that are neither plain grams nor plain spoons.
func TestAmountsOfManyKinds(t *testing.T) {
	for line, want := range map[string]string{
		"cooking apples x2, peeled":                                      "apple 364",
		"a teacup of porridge oats":                                      "oats-rolled 67.5",
		"Onion, 1 small":                                                 "onion 77",
		"2 green onions, tbsp dijon, squeeze of lemon":                   "spring-onion 30; mustard 15.6; lemon-juice 8",
		"1 tbsp soya flour + 2 tbsp water as the egg":                    "soy-flour 5.3; water 29.6",
		"1 tsp yeast paste in 100ml hot water":                           "water 100.2",
		"two 6oz pouches pink salmon":                                    "salmon-cooked 340.2",
		"2 pouches lentils":                                              "lentils-cooked 500",
		"2 c. cooked black-eyed peas (mash 1/2)":                         "black-eyed-peas-cooked 171 mash; black-eyed-peas-cooked 171",
		"1 large onion + 2 carrots, fry in a knob of marge":              "onion 154 saute; carrot 122 saute; margarine 15",
		"1 small head cauliflower, riced (4 cups)":                       "cauliflower 428",
		"1 sobre de gelatina":                                            "gelatin 8",
		"ah y 2 cdas de harina de garbanzo":                              "chickpea-flour 11.5",
		"and 2 tbsp gram flour":                                          "chickpea-flour 11.5",
		"50 g walnuts, 30 g seeds":                                       "walnuts 50; sunflower-seeds 30",
		"2 parsnips boiled & mashed, about 250g":                         "parsnip 250",
		"Una cucharada colmada de harina de garbanzos":                   "chickpea-flour 7.2",
		"Garbanzos cocidos, 1 bote (570 g escurridos 400 g)":             "chickpeas-canned 400",
		"psyllium 8, water 60":                                           "psyllium-husk 8 gel; water 60",
		"spinach 200 g, thawed and well drained":                         "spinach 200 press",
		"sweetcorn 100 g, well drained":                                  "sweetcorn 100",
		"S & P":                                                          "salt 6; dry-spice 0.5",
		"200 g corn flour (cornstarch)":                                  "corn-starch 200",
		"100 g corn flour ()":                                            "corn-flour 100",
		"1 tsp each cumin + smoked paprika":                              "dry-spice 4.2",
		"1/2 cup frozen spinach, thawed and squeezed dry":                "spinach 78 press",
		"1 medium-large onion, minced (about 1 1/4 cups)":                "onion 200",
		"Lemon 1 (zest)":                                                 "lemon-zest 6",
		"para las albóndigas pones 500 de ternera picada y 200 de cerdo": "veal-ground 500; pork-ground 200",
		"en vez de pan y huevo yo pongo 60 g de avena":                   "oats-rolled 60",
		"instead of egg and breadcrumbs I use 2 tbsp ground flax":        "flax-meal 13",
		"ajo perejil sal":                                                "garlic 12; parsley 12; salt 6",
		"s+p":                                                            "salt 6; dry-spice 0.5",
		"sal pimienta comino al gusto":                                   "salt 6; dry-spice 1",
		"1 15-oz. can cannellini beans, rinsed":                          "white-beans-canned 255.1",
		"350g leftover roast lamb":                                       "beef-cooked 350",
		"queso cremoso 100 en cubitos":                                   "cheese-semi 100",
		"1 bote de lentejas (400 g neto, 250 escurrido)":                 "lentils-canned 250",
		"un calabacín de unos 300 g rallado":                             "courgette 300",
		"2 potatoes of 150 g":                                            "potato-mashed 300",
		"a 300g courgette, grated":                                       "courgette 300",
		"3 150 g potatoes":                                               "potato-mashed 450",
		"2 latas de 400 g de garbanzos":                                  "chickpeas-canned 480",
		"1 cp de comino":                                                 "dry-spice 2.1",
		"2 leeks (sweated 10 min in butter 25g)":                         "leek 300 saute; butter 25",
		"1 cebolla (pochada en 2 cucharadas de aceite)":                  "onion 110 saute; olive-oil 27",
	} {
		assert.Equal(t, want, said(line), line)
	}
	dry := reader.Read("180g quinoa (dry), cooked")
	assert.True(t, dry.Items[0].Boiled, "its amount is that of the dry grain")
}

func TestPreparationsAreTheFoods(t *testing.T) {
	for line, want := range map[string]string{
		"1 onion, fried until golden":                "onion 110 saute",
		"100 g bacon, fried until crisp":             "bacon 100 brown",
		"1 can chickpeas, baked 15 minutes":          "chickpeas-canned 240 oven-dry",
		"2 garlic cloves, crushed":                   "garlic 8",
		"1 tsp ground cumin":                         "dry-spice 2.1",
		"100 g walnuts, ground to a meal":            "walnuts 100 blitz",
		"300 g mashed potato":                        "potato-mashed 300",
		"200 g spinach, wilted and squeezed dry":     "spinach 200 saute press",
		"200 g beans, not mashed":                    "white-beans-canned 200",
		"1 calabacín rallado y estrujado en un paño": "courgette 196 press",
		"100 g de avena, molida en la licuadora":     "oats-rolled 100 blitz",
		// Each verb is of the food that it stands with; one of heat behind them all is of all.
		"1 zanahoria rallada, media cebolla picadita, 1 calabacita rallada y exprimida": "carrot 61; onion 55; courgette 196 press",
		"1 carrot, grated, 1 courgette, grated and squeezed, 1 onion, fried":            "carrot 61; courgette 196 press; onion 110 saute",
		"cebolla 1, morrón rojo 1/2, todo rehogado":                                     "onion 110 saute; bell-pepper 59.5 saute",
		"3 carrots, 2 parsnips, roasted":                                                "carrot 183 roast; parsnip 240 roast",
		"grated carrot 1, courgette 1 squeezed":                                         "carrot 61; courgette 196 press",
	} {
		assert.Equal(t, want, said(line), line)
	}
}

// However a food is written in its catalogue, an amount of it is read as that food.
func TestEveryFoodIsReadByItsName(t *testing.T) {
	foods := food.Starter().Foods()
	rapid.Check(t, func(t *rapid.T) {
		f := foods[rapid.IntRange(0, len(foods)-1).Draw(t, "food")]
		name, of := f.Name, "of"
		if rapid.Bool().Draw(t, "spanish") {
			name, of = f.NameES, "de"
		}
		grams := rapid.IntRange(1, 900).Draw(t, "grams")
		for _, line := range []string{fmt.Sprintf("%d g %s", grams, name), fmt.Sprintf("%d g %s %s", grams, of, strings.ToLower(name))} {
			got := reader.Read(line)
			assert.Equal(t, f.ID, got.First().Food, line)
			assert.InDelta(t, grams, got.First().Grams, 0.06, line)
		}
	})
}
