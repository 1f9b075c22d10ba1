package words

import (
	"strconv"
	"strings"
)

// spelledOut makes one number of several words for one: "a hundred and ninety", "thirty-five",
// "ciento ochenta", and "at three fifty" of an oven. Single words stay words: "two" may be of a pair.
func spelledOut(tokens []Token) []Token {
	out := tokens[:0]
	for i := 0; i < len(tokens); {
		v, n := spelled(tokens, i)
		if n == 0 {
			out = append(out, tokens[i])
			i++
			continue
		}
		t := Token{Kind: Number, Plain: strconv.Itoa(v), Value: float64(v), At: tokens[i].At, End: tokens[i+n-1].End, Glued: tokens[i].Glued}
		out = append(out, t)
		i += n
	}
	return out
}

// one gives the whole number that a single word stands for; 0 for none.
func one(tokens []Token, i int) int {
	if i >= len(tokens) || tokens[i].Kind != Word {
		return 0
	}
	for _, m := range tokens[i].Means {
		if m.List == "number" && m.N == 1 && m.Value >= 1 {
			return int(m.Value)
		}
	}
	return 0
}

// spelled gives the number that several words from i on are, and how many they are; 0 words for none.
func spelled(tokens []Token, i int) (v, n int) {
	if tokens[i].Kind != Word {
		return 0, 0
	}
	first := one(tokens, i)
	at := i
	switch {
	case (first >= 1 && first <= 19 || tokens[i].Of("article")) && i+1 < len(tokens) && tokens[i+1].Of("hundred"):
		v, at = max(first, 1)*100, i+2
	case first >= 100:
		v, at = first, i+1
	case first >= 2 && first <= 5 && i > 0 && (tokens[i-1].Plain == "at" || tokens[i-1].Plain == "to") && one(tokens, i+1) >= 20 && one(tokens, i+1) < 100:
		v, at = first*100, i+1 // "bake at three fifty"
	case first >= 3 && first <= 4 && i+2 < len(tokens) && (tokens[i+2].Plain == "for" || tokens[i+2].Plain == "degrees") && one(tokens, i+1) >= 20 && one(tokens, i+1) < 100:
		v, at = first*100, i+1 // "then three fifty for an hour"
	}
	ten := at
	if v > 0 && ten < len(tokens) && tokens[ten].Of("word.and") {
		ten++
	}
	switch tens := one(tokens, ten); {
	case tens >= 20 && tens < 100 && tens%10 == 0:
		v, at = v+tens, ten+1
		unit := at
		for unit < len(tokens) && (tokens[unit].Is("-") || tokens[unit].Of("word.and")) {
			unit++
		}
		joined := unit > at || !strings.HasSuffix(tokens[ten].Plain, "enta") // "ciento ochenta dos minutos" are two numbers
		if u := one(tokens, unit); u >= 1 && u <= 9 && joined && (unit == at || tokens[at].Plain != "and") {
			v, at = v+u, unit+1
		}
	case v > 0 && tens >= 1 && tens < 100:
		v, at = v+tens, ten+1
	}
	if at-i < 2 && v < 100 || at == i {
		return 0, 0
	}
	return v, at - i
}
