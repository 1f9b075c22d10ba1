package layout

import (
	"bytes"
	"strings"
	"unicode"

	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// mender puts right what a scan took for another character: "l/2 cup", "0ats", "mo1ida", "2O minutes",
// "h arina". It changes characters only for others as long, so that every place in the text stays where
// it was, and only where what comes out is a number or a word that the reader knows.
type mender struct {
	reader *ingredient.Reader
	l      words.Language
}

func newMender(r *ingredient.Reader, l words.Language) *mender { return &mender{r, l} }

// digitFor are characters that a scan takes for each other: what each may be as a digit.
var digitFor = map[byte]byte{'l': '1', 'I': '1', 'O': '0', 'o': '0'}

func (m *mender) mend(line string) string {
	if !suspect(line) {
		return line
	}
	out := []byte(line)
	previous := ""
	for at := 0; at < len(out); {
		end := at
		for end < len(out) && partOfWord(out[end]) && !degree(out[end:]) {
			end++
		}
		if end == at {
			at++
			continue
		}
		word := string(out[at:end])
		if fixed := m.word(word, previous, out[end:]); fixed != word {
			copy(out[at:], fixed)
			for k := at + len(fixed); k < end; k++ {
				out[k] = ' ' // an m that was read as rn is one letter less
			}
			word = fixed
		}
		if end+1 < len(out) && out[end] == ' ' {
			next := end + 1
			for next < len(out) && partOfWord(out[next]) {
				next++
			}
			if m.broken(word, string(out[end+1:next])) { // "h arina": the space goes behind it
				copy(out[end:], out[end+1:next])
				out[next-1] = ' '
				end = next - 1
				word = string(out[at:end])
			}
		}
		previous, at = word, max(end, at+1)
	}
	return string(out)
}

// suspect says that a line has characters that a scan mixes up.
func suspect(line string) bool {
	if strings.Contains(line, "rn") {
		return true
	}
	for i := range len(line) {
		c := line[i]
		alone := (i == 0 || line[i-1] == ' ') && (i+1 == len(line) || line[i+1] == ' ' || line[i+1] == '/' || line[i+1] == '.' || line[i+1] == ')')
		switch {
		case c == 'l' && i+1 < len(line) && strings.IndexAny(line[i+1:], "¼½¾⅓⅔⅛") == 0:
			return true
		case alone && unicode.IsLetter(rune(c)):
			return true
		case i > 0 && (c >= '0' && c <= '9') != (line[i-1] >= '0' && line[i-1] <= '9') && letter(c) != letter(line[i-1]) && (letter(c) || letter(line[i-1])):
			return true
		}
	}
	return false
}

func letter(c byte) bool { return c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= 0x80 }

// degree says that a text begins with the sign of a degree, or what is set for it.
func degree(text []byte) bool {
	return bytes.HasPrefix(text, []byte("°")) || bytes.HasPrefix(text, []byte("º"))
}

func digit(c byte) bool               { return c >= '0' && c <= '9' }
func partOfWord(c byte) bool          { return letter(c) || digit(c) }
func (m *mender) knows(w string) bool { return m.reader.Knows(w, m.l) }

// word mends one run of letters and digits, with the word before it and what stands behind it.
func (m *mender) word(w, previous string, behind []byte) string {
	digits, letters, mixed := 0, 0, 0
	for i := range len(w) {
		switch {
		case digit(w[i]):
			digits++
		case digitFor[w[i]] != 0:
			mixed++
		default:
			letters++
		}
	}
	if count, is := strings.CutPrefix(strings.ToLower(w), "x"); is && digitsOnly(count) {
		return w // "onion x1" is one, and not extra large
	}
	if rest, is := strings.CutPrefix(w, "l"); is && len([]rune(rest)) == 1 && strings.Contains("¼½¾⅓⅔⅛", rest) {
		return "1" + rest // "l¼ hours"
	}
	switch {
	case w == "l" || w == "I":
		next := nextWord(behind)
		fraction := len(behind) > 1 && behind[0] == '/' && digit(behind[1])
		ordinal := w == "l" && previous == "" && len(behind) > 1 && (behind[0] == '.' || behind[0] == ')')
		counts := m.measures(next) && !endsInDigit(previous)
		if fraction || ordinal || counts || w == "l" && previous == "" && m.knows(next) {
			return "1"
		}
		return w
	case mixed > 0 && digits > 0 && letters == 0, mixed > 0 && digits == 0 && letters == 0 && len(w) == 2 && w[0] == 'l' && w[1] != 'l' && m.measures(nextWord(behind)):
		return figures(w)
	case digits == 0:
		if fixed := strings.ReplaceAll(w, "rn", "m"); fixed != w && !m.knows(w) && m.knows(fixed) {
			return fixed
		}
		for at := range len(w) {
			if fixed := w[:at] + strings.Replace(w[at:], "m", "rn", 1); w[at] == 'm' && !m.knows(w) && m.knows(fixed) {
				return fixed // "com meal"
			}
		}
		return w
	}
	// A number with its unit: "l50g", "2O0ml".
	for i := len(w) - 1; i > 0; i-- {
		if unit := w[i:]; m.unit(unit) && digitsOnly(figures(w[:i])) && (digit(w[i-1]) || digitFor[w[i-1]] != 0) {
			return figures(w[:i]) + unit
		}
	}
	if fixed := m.spelled(w); letters > 0 && fixed != w && m.unit(fixed) && (len(fixed) == 2 || endsInDigit(previous)) {
		return fixed // "2 0z", "3 1b"
	}
	if first := strings.TrimLeft(w, "0123456789"); first != w && (first == "" || w[0] != '0') && (m.knows(first) || len(first) < 3) {
		return w // "2onions"
	}
	return m.spelled(w)
}

// spelled gives the known word that a word with digits in it is.
func (m *mender) spelled(w string) string {
	for _, one := range []string{"l", "i"} {
		upper := strings.ToUpper(w) == w
		zero := "o"
		if upper {
			one, zero = strings.ToUpper(one), "O"
		}
		b, ess := "b", "s"
		if upper {
			b, ess = "B", "S"
		}
		if fixed := strings.NewReplacer("0", zero, "1", one, "5", ess, "8", b).Replace(w); fixed != w && m.knows(fixed) {
			return fixed
		}
	}
	return w
}

// mostTorn is how many letters a scan tears off a word.
const mostTorn = 3

// broken says that the first letters of a word were torn off: what is left is none, and the whole is.
func (m *mender) broken(first, second string) bool {
	if len(first) == 0 || len(second) < 2 || digit(first[0]) || digit(second[0]) || m.knows(second) {
		return false
	}
	if len(first) == 1 {
		return !strings.ContainsAny(first, "aeiouyAEIOUY") && m.knows(first+second)
	}
	return len(first) <= mostTorn && !m.knows(first) && m.knows(first+second)
}

func figures(w string) string {
	out := []byte(w)
	for i := range out {
		if d := digitFor[out[i]]; d != 0 {
			out[i] = d
		}
	}
	return string(out)
}

func digitsOnly(w string) bool {
	for i := range len(w) {
		if !digit(w[i]) {
			return false
		}
	}
	return w != ""
}

func endsInDigit(w string) bool { return w != "" && digit(w[len(w)-1]) }

func nextWord(behind []byte) string {
	s := strings.TrimLeft(string(behind[:min(len(behind), 40)]), " ")
	end := 0
	for end < len(s) && partOfWord(s[end]) {
		end++
	}
	return s[:end]
}

// measures says that a word is a unit or a size: an amount stands before it.
func (m *mender) measures(w string) bool {
	if w == "" {
		return false
	}
	t := words.Read(w, m.l)
	return len(t) == 1 && (t[0].Under("unit.").N > 0 || t[0].Of("size") || t[0].Of("time"))
}

func (m *mender) unit(w string) bool {
	t := words.Read(w, m.l)
	return len(t) == 1 && (t[0].Under("unit.").N > 0 || t[0].Of("length") || t[0].Of("celsius") || t[0].Of("fahrenheit") || t[0].Of("time"))
}
