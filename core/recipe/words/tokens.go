// Package words takes text as cooks write it apart: tokens that know where they
// stand, and lists of words and phrases by what they mean, in every language that
// words.csv has a column for.
package words

import (
	"strings"
	"unicode"
	"unicode/utf8"

	"golang.org/x/text/runes"
	"golang.org/x/text/transform"
	"golang.org/x/text/unicode/norm"
)

// Kind is what a token is made of.
type Kind uint8

// The kinds of token.
const (
	Word Kind = iota
	Number
	Mark
)

// Token is one word, number or mark of a text.
type Token struct {
	Kind Kind
	// Plain is the word in lower case without accents, the digits, or the mark.
	Plain string
	// At and End are where it stands in the text, bytes.
	At, End int
	// Value is that of a number.
	Value float64
	// Glued says that nothing stands between it and the token before.
	Glued bool
	// Means are the lists it begins a word or a phrase of, the longest first.
	Means []Meaning
}

// Meaning is a list that a phrase stands in, of N tokens, with the value it has there.
type Meaning struct {
	List  string
	Value float64
	N     int
}

// Is says whether the token is that mark.
func (t *Token) Is(mark string) bool { return t.Kind == Mark && t.Plain == mark }

// Plain makes text lower case and takes its accents away.
func Plain(s string) string {
	ascii := true
	for i := range len(s) {
		if s[i] >= 0x80 {
			ascii = false
			break
		}
	}
	if !ascii {
		t := transform.Chain(norm.NFD, runes.Remove(runes.In(unicode.Mn)), norm.NFC)
		s, _, _ = transform.String(t, s)
	}
	return strings.ToLower(s)
}

// fractions that stand as one character.
var fractions = map[rune]float64{
	'½': 1. / 2, '⅓': 1. / 3, '⅔': 2. / 3, '¼': 1. / 4, '¾': 3. / 4, '⅕': 1. / 5, '⅖': 2. / 5, '⅗': 3. / 5, '⅘': 4. / 5,
	'⅙': 1. / 6, '⅚': 5. / 6, '⅛': 1. / 8, '⅜': 3. / 8, '⅝': 5. / 8, '⅞': 7. / 8,
}

// marks that are written in several ways.
var marks = map[rune]string{
	'–': "-", '—': "-", '−': "-", '‑': "-", '×': "x", '⁄': "/", '’': "'", '‘': "'", '´': "'", 'º': "°", '˚': "°", '“': `"`, '”': `"`, '″': `"`,
	'[': "(", ']': ")", '{': "(", '}': ")", '&': "&",
}

// Tokens takes a text apart. A point between thousands is one in Spanish only; a
// comma is where three digits follow.
func Tokens(text string, l Language) []Token {
	out := make([]Token, 0, len(text)/4+1)
	end := 0
	for i := 0; i < len(text); {
		c, size := utf8.DecodeRuneInString(text[i:])
		at := i
		t := Token{At: at}
		switch {
		case c >= '0' && c <= '9':
			i += digits(text[i:])
			t.Kind, t.Plain = Number, text[at:i]
			t.Value = value(t.Plain, l)
			switch rest := text[i:]; {
			case strings.HasPrefix(rest, "-spice"): // "7-spice" is a mix of spices, and no seven
				i += len("-spice")
				t.Kind, t.Plain, t.Value = Word, "spice", 0
			case strings.HasPrefix(rest, "ish") && !startsWithLetter(rest[len("ish"):]): // "4ish minutes"
				i += len("ish")
			}
		case fractions[c] > 0:
			i += size
			t.Kind, t.Plain, t.Value = Number, text[at:i], fractions[c]
		case isWater(text[at:]):
			i += len("H2O")
			t.Kind, t.Plain = Word, [...]string{English: "water", Spanish: "agua"}[l]
		case unicode.IsLetter(c):
			for i < len(text) {
				c, size := utf8.DecodeRuneInString(text[i:])
				next, _ := utf8.DecodeRuneInString(text[min(i+size, len(text)):])
				if !unicode.IsLetter(c) && !unicode.Is(unicode.Mn, c) && !((c == '\'' || c == '’') && unicode.IsLetter(next)) {
					break
				}
				if c == 'º' || c == 'ª' {
					break
				}
				i += size
			}
			if i == at { // a º by itself
				i += size
				t.Kind, t.Plain = Mark, "°"
				break
			}
			t.Kind, t.Plain = Word, unstretched(strings.ReplaceAll(Plain(text[at:i]), "’", "'"))
			if l == English && (t.Plain == "till" || t.Plain == "til" || t.Plain == "'til") {
				t.Plain = "until"
			}
			if full := inFull()[l][t.Plain]; full != "" {
				t.Plain = full
				if pointsOn(text[i:]) {
					i++
				}
			}
			if l == English && t.Plain == "fl" && !strings.HasPrefix(strings.TrimLeft(text[i:], ". "), "oz") {
				t.Plain = "flour" // "1/2 c chickpea fl", but not "8 fl oz"
			}
			if l == English && t.Plain == "w" && strings.HasPrefix(text[i:], "/") {
				t.Plain, i = "with", i+1
				if strings.HasPrefix(text[i:], "o ") {
					t.Plain, i = "without", i+1
				}
			}
			if l == Spanish && t.Plain == "c" && strings.HasPrefix(text[i:], "/u") && !startsWithLetter(text[i+2:]) {
				t.Plain, i = "cada", i+2
			}
			if t.Plain == "x" && (i == len(text) || text[i] == ' ' || text[i] >= '0' && text[i] <= '9') {
				t.Kind = Mark
			}
		case c <= ' ' || unicode.IsSpace(c) || unicode.Is(unicode.Cf, c) || unicode.Is(unicode.Mn, c):
			i += size
			continue
		default:
			i += size
			t.Kind, t.Plain = Mark, text[at:i]
			if m, ok := marks[c]; ok {
				t.Plain = m
			}
		}
		t.End = i
		t.Glued = at == end && at > 0
		end = i
		out = append(out, t)
	}
	return out
}

func startsWithLetter(s string) bool {
	c, _ := utf8.DecodeRuneInString(s)
	return unicode.IsLetter(c)
}

// unstretched is a word without the letters that somebody drew out: "nooo" is "no". No word of either
// language has one letter three times in a row.
func unstretched(w string) string {
	for at := 0; at+2 < len(w); at++ {
		end := at + 1
		for end < len(w) && w[end] == w[at] {
			end++
		}
		if end-at > 2 {
			w = w[:at+1] + w[end:]
		}
	}
	return w
}

// digits is how many bytes of the text are one number: digits with points or commas
// between them.
func digits(s string) int {
	i := 0
	for i < len(s) {
		switch c := s[i]; {
		case c >= '0' && c <= '9':
			i++
		case (c == '.' || c == ',') && i+1 < len(s) && s[i+1] >= '0' && s[i+1] <= '9':
			i++
		default:
			return i
		}
	}
	return i
}

// value of digits with marks between them: thousands are set off in threes, the last
// mark of another kind is the decimal one.
func value(s string, l Language) float64 {
	s = s[:min(len(s), 18)]
	last := strings.LastIndexAny(s, ".,")
	whole, fraction := s, ""
	if last >= 0 {
		mark := s[last]
		threes := last+4 == len(s) && s[0] != '0' && last <= 3
		if !(threes && (mark == ',' || l == Spanish) || strings.Count(s, string(mark)) > 1) {
			whole, fraction = s[:last], s[last+1:]
		}
	}
	total, scale := 0., 1.
	for i := range len(whole) {
		if whole[i] >= '0' && whole[i] <= '9' {
			total = 10*total + float64(whole[i]-'0')
		}
	}
	for i := range len(fraction) {
		scale /= 10
		total += scale * float64(fraction[i]-'0')
	}
	return total
}

// Stem makes one word of singular, plural and possessive.
func Stem(w string) string {
	w = strings.TrimSuffix(w, "'s")
	switch {
	case len(w) > 4 && strings.HasSuffix(w, "ies"):
		return w[:len(w)-3] + "y"
	case len(w) > 4 && strings.HasSuffix(w, "oes"):
		return w[:len(w)-2]
	case len(w) > 4 && strings.HasSuffix(w, "ves"):
		return w[:len(w)-3] + "f"
	case len(w) > 4 && strings.HasSuffix(w, "es") && strings.ContainsAny(w[len(w)-3:len(w)-2], "lnrdjx"):
		return w[:len(w)-2]
	case len(w) > 3 && strings.HasSuffix(w, "s") && !strings.HasSuffix(w, "ss") && !strings.HasSuffix(w, "us"):
		return w[:len(w)-1]
	}
	return w
}
