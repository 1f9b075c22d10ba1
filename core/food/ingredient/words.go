package ingredient

import (
	"slices"
	"strings"

	"cuerda/core/food"
)

// modifiers are words that describe and change nothing.
var modifiers = set(`large medium small big extra fresh freshly finely roughly coarsely thinly thickly chopped diced sliced minced peeled
	grated shredded cubed crumbled crushed ground drained rinsed packed loosely firmly heaped heaping level ripe raw uncooked organic good quality
	plain unsalted unsweetened salted low sodium reduced fat full firm thawed frozen cold warm hot lukewarm cooled leftover day old stale
	trimmed deseeded seeded cored halved quartered torn picked washed patted dry lightly beaten whisked softened melted room temperature
	skinless boneless lean flaked canned tinned cooked well very more to taste optional needed as if using each whole pitted smoked shelled hulled
	certified gluten-free gluten free vegan skin on off removed boiled steamed squeezed into pieces piece chunks cubes strips rounds thin thick fine coarse and with its their the of own
	ripe about roughly plus squeezed stems leaves leaf florets stalks only white green parts part yellow red brown baby young tender
	grande mediana mediano pequena pequeno grandes medianas medianos pequenas pequenos chica chico fresca fresco frescas frescos finamente muy bien
	picada picado picadas picados picadita rallada rallado ralladas rallados pelada pelado peladas pelados cortada cortado cortadas cortados
	troceada troceado troceadas troceados escurrida escurrido escurridas escurridos enjuagada enjuagado enjuagadas enjuagados lavada lavado lavadas lavados
	molida molido molidas molidos machacada machacado en cubos cubitos rodajas tiras trozos trocitos dados fina fino finas finos gruesa grueso juliana
	cruda crudo crudas crudos cocida cocido cocidas cocidos congelada congelado congelados congeladas fria frio tibia tibio caliente natural
	al gusto opcional necesario cantidad necesaria cn madura maduro sin piel semillas hueso sal azucar gluten y con de del la el los las a o por un poco poca
	hervida hervido hervidas hervidos desmenuzada desmenuzado desmenuzadas desmenuzados batido batida batidos ligeramente lata bote virgen suave dulce certificada certificado
	desgranado desgranados quitadas hojas solo las partes blanca blanco verde roja rojo amarilla temperatura ambiente organica organico entera entero enteras enteros secas secos seca seco`)

// preps are words that ask for a preparation.
var preps = map[string]food.Preparation{}

func init() {
	for _, p := range []struct {
		prep food.Preparation
		list string
	}{
		{food.Preparation{Do: food.Mash, Level: 0.8}, "mashed aplastada aplastado aplastadas aplastados machacada machacado machacadas machacados majada majado"},
		{food.Preparation{Do: food.Blitz, Level: 0.5}, "blitzed processed pulsed blended pureed triturada triturado trituradas triturados procesada procesado procesados procesadas"},
		{food.Preparation{Do: food.Saute, Minutes: 10}, "sauteed fried softened-in-oil caramelised caramelized sofrita sofrito sofritas sofritos salteada salteado salteadas salteados pochada pochado rehogada rehogado"},
		{food.Preparation{Do: food.OvenDry, Minutes: 12}, "oven-dried"},
		{food.Preparation{Do: food.SoakGel, Minutes: 10}, "gelled gelificado gelificada"},
		{food.Preparation{Do: food.Roast, Minutes: 30}, "roasted asada asado asadas asados horneada horneado"},
		{food.Preparation{Do: food.Press}, "pressed prensada prensado squeezed-dry"},
		{food.Preparation{Do: food.Soak, Hours: 4}, "soaked remojada remojado remojadas remojados"},
		{food.Preparation{Do: food.Toast}, "toasted tostada tostado tostadas tostados"},
		{food.Preparation{Do: food.Brown}, "browned dorada dorado"},
	} {
		for w := range strings.FieldsSeq(p.list) {
			preps[w] = p.prep
		}
	}
	preps["secado al horno"] = food.Preparation{Do: food.OvenDry, Minutes: 12}
}

// tails begin a part of the line that is only a note.
var tails = [][]string{
	{"for"}, {"plus", "more"}, {"plus", "extra"}, {"such", "as"}, {"cut", "into"}, {"cut", "in"}, {"to", "taste"}, {"or", "more"}, {"or", "to", "taste"}, {"at", "room"},
	{"in", "water"}, {"in", "oil"}, {"in", "brine"}, {"in", "its"}, {"en", "aceite"}, {"en", "agua"}, {"al", "natural"}, {"para"}, {"mas"}, {"como"}, {"cortada", "en"}, {"cortado", "en"}, {"cortadas", "en"}, {"cortados", "en"}, {"al", "gusto"}, {"o", "mas"}, {"o", "al", "gusto"}, {"c/n"}, {"a", "temperatura"},
}

// tail moves what follows a tail's first words to the notes.
func (s *scanner) tail(out *Reading) {
	for i := range s.tokens {
		for _, t := range tails {
			if i > 0 && i+len(t) <= len(s.tokens) && slices.Equal(s.tokens[i:i+len(t)], t) {
				if slices.Equal(t, []string{"mas"}) && i+1 < len(s.tokens) && units[s.tokens[i+1]].unit != "" {
					continue
				}
				s.notes = append(s.notes, strings.Join(s.tokens[i:], " "))
				s.tokens = s.tokens[:i]
				if out.Amount == 0 {
					out.GramsSure = 0.3
				}
				return
			}
		}
	}
}

// stem makes one word of singular and plural, in both languages.
func stem(w string) string {
	switch {
	case len(w) > 4 && strings.HasSuffix(w, "ies"):
		return w[:len(w)-3] + "y"
	case len(w) > 4 && strings.HasSuffix(w, "oes"):
		return w[:len(w)-2]
	case len(w) > 4 && strings.HasSuffix(w, "es") && strings.ContainsAny(w[len(w)-3:len(w)-2], "lnrdjx"):
		return w[:len(w)-2]
	case len(w) > 3 && strings.HasSuffix(w, "s") && !strings.HasSuffix(w, "ss") && !strings.HasSuffix(w, "us"):
		return w[:len(w)-1]
	}
	return w
}

// words sorts what is left of the line into preparations, notes and the rest.
func (s *scanner) words(out *Reading) {
	out.Prep = append(out.Prep, s.figured...)
	var rest []string
	for i, w := range s.tokens {
		switch p, isPrep := preps[w]; {
		case w == "":
		case isPrep && !(i > 0 && s.tokens[i-1] == "un" || w == "softened"):
			if !slices.ContainsFunc(out.Prep, func(q food.Preparation) bool { return q.Do == p.Do }) {
				out.Prep = append(out.Prep, p)
			}
		case modifiers[w]:
			s.notes = append(s.notes, w)
		case strings.ContainsAny(w, ",;:.&+"):
		default:
			rest = append(rest, w)
		}
	}
	out.Rest = strings.Join(rest, " ")
	out.Notes = strings.Join(s.notes, ", ")
}
