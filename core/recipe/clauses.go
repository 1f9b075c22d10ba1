package recipe

import (
	"slices"
	"strings"
	"unicode/utf8"

	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// ownWords takes the verbs out of phrases that became ingredients: "a small courgette, grated and
// squeezed" tells of the courgette alone, and its own line has it.
func ownWords(tokens []words.Token, text string, step int, spoken []Told) {
	for _, p := range spoken {
		if p.Step != step {
			continue
		}
		for k := range tokens {
			at := utf8.RuneCountInString(text[:tokens[k].At])
			if at >= p.At && at < p.End {
				without(&tokens[k], "do.", "act.", "heat.", "piece.", "group.")
			}
		}
	}
}

// without takes the meanings of some families of lists from a word.
func without(t *words.Token, families ...string) {
	t.Means = slices.DeleteFunc(t.Means, func(m words.Meaning) bool {
		return slices.ContainsFunc(families, func(f string) bool { return strings.HasPrefix(m.List, f) })
	})
}

// mostDenied is how many words a "not" reaches.
const mostDenied = 9

// denied takes what is not to be done from the words behind "don't", "no need to" and the like, as far
// as they reach. "Don't mash them completely" is of how far: the beans are mashed.
func denied(tokens []words.Token) {
	for i := range tokens {
		n := tokens[i].In("word.deny").N
		if n == 0 || tokens[i].Under("do.").N > n {
			continue // "no longer watery"
		}
		end := i + n
		far := false
		for end < len(tokens) && end < i+mostDenied {
			t := &tokens[end]
			if t.Kind == words.Mark && !t.Is("-") && !t.Is("'") || t.Of("word.until") && end > i+n || t.Of("word.and") || amountAt(tokens, end) && end > i+n {
				break
			}
			far = far || t.Of("word.far")
			end++
		}
		if far && n < 3 && !toldBefore(tokens[:i], tokens[i+n:end]) {
			continue
		}
		for k := i + n; k < end; k++ {
			without(&tokens[k], "do.", "act.", "heat.", "level")
		}
	}
}

// amountAt says that an amount in a unit begins at a token: in a dictated text what comes next is told there.
func amountAt(tokens []words.Token, k int) bool {
	return (tokens[k].Kind == words.Number || tokens[k].Of("number")) && k+1 < len(tokens) && tokens[k+1].Under("unit.").N > 0
}

// toldBefore says that one of the verbs was told before, without a "not".
func toldBefore(before, after []words.Token) bool {
	for i := range after {
		for _, m := range after[i].Means {
			if strings.HasPrefix(m.List, "do.") && slices.ContainsFunc(before, func(t words.Token) bool { return t.Of(m.List) || t.Of("do.blitz") || t.Of("do.mash") }) {
				return true
			}
		}
	}
	return false
}

// longSentence is how many words a sentence has at most that is written, not dictated.
const longSentence = 40

// clauses finds where a dictated text without full stops has its sentences end: before "then", and
// before a verb that tells what to do next.
func clauses(tokens []words.Token, l words.Language) map[int]bool {
	out := map[int]bool{}
	from := 0
	for k := 0; k <= len(tokens); k++ {
		if k < len(tokens) && !(tokens[k].Is(".") || tokens[k].Is(";") || tokens[k].Is("!") || tokens[k].Is("?")) {
			continue
		}
		if k-from > longSentence {
			commas := 0
			for j := from; j < k; j++ {
				if tokens[j].Is(",") {
					commas++
				}
			}
			last := from
			for j := from + 1; j < k; j++ {
				if j-last >= 4 && begins(tokens, j, 12*commas < k-from, l) {
					out[j], last = true, j
				}
			}
		}
		from = k + 1
	}
	return out
}

// begins says that a clause begins at a token: with "then", or with a verb that is told to somebody;
// where a text has hardly a comma, any such verb.
func begins(tokens []words.Token, j int, breathless bool, l words.Language) bool {
	t := &tokens[j]
	if t.Of("word.then") && t.Plain != "before" {
		return !tokens[j-1].Of("word.and")
	}
	told := func(k int) bool {
		if k >= len(tokens) {
			return false
		}
		u := &tokens[k]
		return (u.Of("act.mix") || u.Of("act.rest") || u.Of("act.chill") || u.Of("act.shape") || u.Of("heat.oven") || u.Of("heat.fry") || u.Of("act.put")) &&
			u.Kind == words.Word && !strings.HasSuffix(u.Plain, "ed") && !tokens[k-1].Of("word.subject") && !tokens[k-1].Of("word.passing")
	}
	switch {
	case t.Of("word.and"):
		next := j + 1
		if next < len(tokens) && tokens[next].Of("word.then") {
			return true // "and then one onion"
		}
		if next < len(tokens) && tokens[next].Of("it") {
			next++
		}
		return told(next) || breathless && verbSoon(tokens, j+1, l)
	case !breathless:
		return false
	case intoTheCold(tokens, j):
		return true
	case t.Of("it") && told(j+1):
		return true
	}
	return told(j) && !tokens[j-1].Of("word.and") && !tokens[j-1].Of("it") && !tokens[j-1].Of("word.deny") && !tokens[j-1].Of("word.then")
}

// intoTheCold says that words at a token put the mix or the pieces into the cold for a time: "into the fridge for half an hour".
func intoTheCold(tokens []words.Token, j int) bool {
	const most = 3
	if !tokens[j].Of("word.into") {
		return false
	}
	for k := j; k < min(len(tokens)-1, j+most); k++ {
		if tokens[k].Of("act.chill") {
			v, _ := ingredient.Minutes(tokens, k+1)
			return v > 0 || tokens[k+1].Of("word.for")
		}
	}
	return false
}

// verbSoon says that one of the next words tells what to do: "and you stir", "and bake them".
func verbSoon(tokens []words.Token, from int, l words.Language) bool {
	if from < len(tokens) && tokens[from].Of("number") {
		return false // "centímetro y medio"
	}
	for k := from; k < min(len(tokens), from+3); k++ {
		t := &tokens[k]
		if t.Of("word.and") || t.Is(",") {
			return false
		}
		if (t.Under("act.").N > 0 || t.Under("do.").N > 0 || t.Under("heat.").N > 0 || t.Of("word.want")) && !words.Participle(t.Plain, l) {
			return true
		}
	}
	return false
}
