package words_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	_ "cuerda/core/lawtest"
	"cuerda/core/recipe/words"
)

func TestNumbersAsTheyAreWritten(t *testing.T) {
	for _, c := range []struct {
		text     string
		language words.Language
		want     float64
	}{
		{"1,000", words.English, 1000}, {"1.000", words.Spanish, 1000}, {"1.000", words.English, 1}, {"1,5", words.Spanish, 1.5}, {"1.5", words.Spanish, 1.5},
		{"0,125", words.Spanish, 0.125}, {"2.500,75", words.Spanish, 2500.75}, {"2,500.75", words.English, 2500.75}, {"1,000,000", words.English, 1e6}, {"½", words.English, 0.5}, {"007", words.English, 7},
	} {
		got := words.Tokens(c.text, c.language)
		if assert.Len(t, got, 1, c.text) {
			assert.InDelta(t, c.want, got[0].Value, 1e-9, "%s in %s", c.text, c.language)
		}
	}
}

func TestALanguageIsToldByItsSmallWords(t *testing.T) {
	for text, want := range map[string]words.Language{
		"2 cups of oats and a pinch of salt": words.English, "2 tazas de avena y una pizca de sal": words.Spanish,
		"": words.English, "500 g turkey": words.English, "Añade la cebolla y el ajo": words.Spanish,
	} {
		assert.Equal(t, want, words.LanguageOf(text), text)
	}
	assert.Equal(t, words.Spanish, words.Likelier("500 g", words.Spanish), "what tells nothing leaves it as it was")
}

// Every list has words in every language, but for the few that a language has no word
// for: someone who adds a language sees here what is still missing.
func TestEveryListIsInEveryLanguage(t *testing.T) {
	none := map[string]bool{"article": true, "place.spain": true, "place.america": true, "tin size": true, "word.subject": true, "word.mark": true, "word.it": true, "word.few": true}
	en, es := words.Lists(words.English), words.Lists(words.Spanish)
	for list := range en {
		assert.True(t, es[list] || none[list], "no Spanish words for %q", list)
	}
	for list := range es {
		assert.True(t, en[list] || none[list], "no English words for %q", list)
	}
}

func TestThePhraseThatIsLongestComesFirst(t *testing.T) {
	tokens := words.Read("per side", words.English)
	assert.Equal(t, 2, tokens[0].In("side").N)
	frozen := words.Read("oven-dried beans", words.English)
	assert.Equal(t, 3, frozen[0].In("do.bake").N, "a hyphen parts no phrase")
	for _, verb := range []string{"sofríe", "sofreír", "sofríela", "sofritas"} {
		assert.Positive(t, words.Read(verb, words.Spanish)[0].In("do.fry").N, verb)
	}
}

// Tokens lie in their order within the text, and between them is nothing but space.
func TestTokensCoverTheText(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		text := rapid.OneOf(rapid.String(), rapid.StringMatching(`[a-zñáé0-9½ .,()/°-]{0,60}`)).Draw(t, "text")
		language := words.Language(rapid.IntRange(0, 1).Draw(t, "language"))
		end := 0
		for _, token := range words.Read(text, language) {
			assert.GreaterOrEqual(t, token.At, end)
			assert.Greater(t, token.End, token.At)
			assert.LessOrEqual(t, token.End, len(text))
			assert.False(t, token.Value < 0)
			end = token.End
		}
	})
}
