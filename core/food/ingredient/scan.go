package ingredient

import (
	"math"
	"regexp"
	"strconv"
	"strings"
	"unicode"

	"golang.org/x/text/runes"
	"golang.org/x/text/transform"
	"golang.org/x/text/unicode/norm"

	"cuerda/core/food"
)

// scanner holds a line as it is taken apart.
type scanner struct {
	tokens []string // plain: lower case, without accents
	notes  []string
	text   string // behind the amount and the unit
	// figured are preparations that the line gives with their minutes or level.
	figured []food.Preparation
	// pack is the size of one pack, g, where the line says so.
	pack float64
	// cooked, dry and canned are what the line says of the food's state.
	cooked, dry, canned, fresh bool
	whole                      bool // an amount in whole pieces was written
	spooned                    bool // by the teaspoon, the pinch or to taste
}

var fractions = strings.NewReplacer("½", " 1/2", "⅓", " 1/3", "⅔", " 2/3", "¼", " 1/4", "¾", " 3/4", "⅛", " 1/8", "⅜", " 3/8", "⅝", " 5/8", "⅞", " 7/8", "⁄", "/", "–", "-", "—", " - ", "’", "'", "×", " x ")

var (
	bullets = regexp.MustCompile(`^[\s\-*•·▢☐□–—]+|^\d+[.)]\s+`)
	bracket = regexp.MustCompile(`[(\[]([^()\[\]]*)[)\]]`)
	sizes   = regexp.MustCompile(`(\d+(?:[.,]\d+)?)\s*-?\s*(kgs?|g|grs?|grams?|gramos?|oz|ounces?|onzas?|ml|lb|lbs)\b`)
	glued   = regexp.MustCompile(`(\d)(kgs?|g|grs?|oz|ml|cl|lb|lbs|l|tbsp|tsp|cda|cdta)\b`)
	ranges  = regexp.MustCompile(`^(\d+(?:[.,]\d+)?|\d+/\d+|\d+ \d+/\d+)\s*(?:-|to|a|o|or|y)\s*(\d+ \d+/\d+|\d+/\d+|\d+(?:[.,]\d+)?)(?:\s|$)`)
	numbers = regexp.MustCompile(`^(\d+\s+\d+/\d+|\d+/\d+|\d+(?:[.,]\d+)?)(?:\s|$)`)
	words   = regexp.MustCompile(`[\p{L}\d']+(?:[-/][\p{L}\d]+)*|[,;:.&+]`)
)

// plain makes text lower case and takes its accents away.
func plain(s string) string {
	ascii := true
	for i := range len(s) {
		ascii = ascii && s[i] < 0x80
	}
	if !ascii {
		t := transform.Chain(norm.NFD, runes.Remove(runes.In(unicode.Mn)), norm.NFC)
		s, _, _ = transform.String(t, s)
	}
	return strings.ToLower(s)
}

func scan(line string) scanner {
	var s scanner
	text := bullets.ReplaceAllString(strings.TrimSpace(line), "")
	text = s.takeFigured(text)
	text = plain(fractions.Replace(text))
	text = bracket.ReplaceAllStringFunc(text, func(b string) string {
		inner := strings.TrimSpace(b[1 : len(b)-1])
		if m := sizes.FindStringSubmatch(inner); m != nil && s.pack == 0 {
			s.pack = number(m[1]) * massOf(m[2])
		} else if inner != "" {
			s.notes = append(s.notes, inner)
		}
		return " "
	})
	text = glued.ReplaceAllString(text, "$1 $2")
	s.tokens = []string{strings.Join(strings.Fields(text), " ")}
	return s
}

func number(s string) float64 {
	s = strings.ReplaceAll(s, ",", ".")
	total := 0.
	for part := range strings.FieldsSeq(s) {
		if over, under, ok := strings.Cut(part, "/"); ok {
			a, _ := strconv.ParseFloat(over, 64)
			b, _ := strconv.ParseFloat(under, 64)
			total += a / b
			continue
		}
		v, _ := strconv.ParseFloat(part, 64)
		total += v
	}
	return total
}

// spelled are numbers in words.
var spelled = map[string]float64{
	"a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "eight": 8, "ten": 10, "dozen": 12,
	"half": .5, "quarter": .25, "couple": 2, "few": 3, "several": 4,
	"un": 1, "una": 1, "uno": 1, "dos": 2, "tres": 3, "cuatro": 4, "cinco": 5, "seis": 6, "ocho": 8, "diez": 10, "docena": 12,
	"medio": .5, "media": .5, "cuarto": .25, "unas": 3, "unos": 3, "algunas": 3, "algunos": 3,
}

// lead are words before an amount that change nothing.
var lead = set("about approximately approx around roughly ca circa scant heaped heaping level generous good the aproximadamente aprox cerca unos unas rasa colmada el la los las")

func set(list string) map[string]bool {
	out := map[string]bool{}
	for w := range strings.FieldsSeq(list) {
		out[w] = true
	}
	return out
}

// amount takes the amount and the unit off the front of the line.
func (s *scanner) amount(out *Reading) {
	text := s.tokens[0]
	for {
		first, after, ok := strings.Cut(text, " ")
		if !ok || !lead[strings.Trim(first, ".,")] || first == "unas" || first == "unos" {
			break
		}
		s.notes, text = append(s.notes, first), after
	}
	text = inFront(text)
	// "juice of 1 lemon", "el zumo de medio limon": the amount stands inside.
	inside := ""
	for _, p := range []string{"juice of ", "zest of ", "jugo de ", "zumo de ", "ralladura de "} {
		if after, ok := strings.CutPrefix(text, p); ok {
			inside, text = strings.Fields(p)[0], after
		}
	}
	if m := ranges.FindStringSubmatch(text); m != nil {
		low, high := number(m[1]), number(m[2])
		if high > low {
			out.Amount, out.High = (low+high)/2, high
		} else {
			out.Amount = low + high // "1 y 1/2"
		}
		text = text[len(m[0]):]
	} else if m := numbers.FindStringSubmatch(text); m != nil {
		out.Amount = number(m[1])
		text = text[len(m[0]):]
	} else {
		text = s.spelledAmount(text, out)
	}
	if after, ok := strings.CutPrefix(text, "y "); ok && out.Amount > 0 {
		// "1 taza y media de"
		if first, rest, ok := strings.Cut(after, " "); ok && spelled[first] == .5 {
			out.Amount += .5
			text = rest
		}
	}
	if math.IsInf(out.Amount, 0) || math.IsNaN(out.Amount) || out.Amount > 1e5 {
		out.Amount = 0
		out.Faults = append(out.Faults, "bad-amount")
	}
	s.whole = out.Amount > 0
	text = strings.TrimSpace(text)
	if inside != "" {
		text = inside + " of " + text
	} else {
		text = s.unit(text, out)
	}
	s.text = text
	s.tokens = words.FindAllString(text, -1)
}

func (s *scanner) spelledAmount(text string, out *Reading) string {
	found := false
	for range 3 {
		first, rest, _ := strings.Cut(text, " ")
		v, ok := spelled[first]
		if !ok {
			break
		}
		switch {
		case !found:
			out.Amount = v
		case v < 1 || v == 12:
			out.Amount *= v // "half a", "a half", "a dozen"
		case out.Amount < 1, v == 1:
		default:
			out.Amount = v // "a couple"
		}
		found, text = true, rest
		if rest, ok := strings.CutPrefix(text, "of "); ok && !strings.HasPrefix(rest, "the ") {
			if w, _, _ := strings.Cut(rest, " "); spelled[w] > 0 {
				text = rest
			}
		}
	}
	return text
}

// units are words of measure: mass in g, volume in cups, or one of pack,
// pinch, splash, handful, stick and piece.
var units = map[string]struct {
	unit string
	per  float64
}{}

func init() {
	for _, u := range []struct {
		unit, list string
		per        float64
	}{
		{"g", "g gr grs gram grams gramo gramos gms", 1}, {"g", "kg kgs kilo kilos kilogram kilograms kilogramo kilogramos", 1000},
		{"oz", "oz ounce ounces onza onzas", 1}, {"oz", "lb lbs pound pounds libra libras", 16}, {"stick", "stick sticks", 1},
		{"cup", "cup cups c taza tazas vaso vasos", 1}, {"cup", "ml milliliter milliliters millilitre millilitres mililitro mililitros", 1 / food.MLPerCup},
		{"cup", "l liter liters litre litres litro litros", 1000 / food.MLPerCup}, {"cup", "dl", 100 / food.MLPerCup}, {"cup", "cl", 10 / food.MLPerCup},
		{"cup", "pint pints pinta", 2}, {"cup", "quart quarts", 4},
		{"tbsp", "tbsp tbsps tbs tbl tablespoon tablespoons cda cdas cucharada cucharadas cs", 1},
		{"tsp", "tsp tsps teaspoon teaspoons cdta cdtas cdita cditas cucharadita cucharaditas cc", 1},
		{"pack", "can cans tin tins lata latas jar jars bote botes tarro carton cartons block blocks bloque bloques package packages packet packets pack packs paquete paquetes bag bags bolsa bolsas box boxes caja cajas tub tubs tarrina", 1},
		{"pinch", "pinch pinches pizca pizcas dash dashes", 1}, {"splash", "splash drizzle glug chorro chorrito chorritos", 1}, {"handful", "handful handfuls punado punados", 1},
		{"piece", "clove cloves diente dientes slice slices rebanada rebanadas rodaja rodajas loncha lonchas stalk stalks rama ramas rib ribs tallo tallos bunch bunches manojo manojos head heads cabeza cabezas bulb bulbs bulbo bulbos piece pieces pieza piezas unidad unidades sprig sprigs ramita ramitas leaf link links", 1},
	} {
		for w := range strings.FieldsSeq(u.list) {
			if _, there := units[w]; !there {
				units[w] = struct {
					unit string
					per  float64
				}{u.unit, u.per}
			}
		}
	}
}

func massOf(unit string) float64 {
	u := units[unit]
	if u.unit == "oz" {
		return u.per * food.GramsPerOunce
	}
	if u.unit == "cup" { // a can of 400 ml
		return 1
	}
	return u.per
}

// unit takes a unit off the front; a size before a pack, as in "1 400 g can" or
// "2 x 400 g tins", becomes the pack's.
func (s *scanner) unit(text string, out *Reading) string {
	text = strings.TrimPrefix(text, "x ")
	text = strings.TrimPrefix(text, "- ")
	if m := sizes.FindStringSubmatch(text); m != nil && strings.HasPrefix(text, m[0]) {
		after := strings.TrimSpace(text[len(m[0]):])
		first, _, _ := strings.Cut(after, " ")
		if units[first].unit == "pack" {
			s.pack = number(m[1]) * massOf(m[2])
			text = after
		}
	}
	for range 2 { // "heaped tablespoon", "large handful"
		first, rest, _ := strings.Cut(text, " ")
		if lead[first] || first == "large" || first == "small" || first == "big" || first == "gran" || first == "buen" {
			next, _, _ := strings.Cut(rest, " ")
			if _, ok := units[strings.TrimRight(next, ".,")]; ok {
				s.notes, text = append(s.notes, first), rest
				continue
			}
		}
		break
	}
	first, rest, _ := strings.Cut(text, " ")
	u, ok := units[strings.TrimRight(first, ".,")]
	if !ok || out.Amount == 0 && u.unit != "pinch" && u.unit != "handful" && u.unit != "splash" {
		return text
	}
	if out.Amount == 0 {
		out.Amount = 1
	}
	out.Unit = u.unit
	out.Amount *= u.per
	out.High *= u.per
	// "1 taza y media de avena", "1 cup plus 2 tbsp oats"
	if after, ok := strings.CutPrefix(rest, "y media "); ok && u.per == 1 {
		out.Amount += .5
		rest = after
	}
	return rest
}
