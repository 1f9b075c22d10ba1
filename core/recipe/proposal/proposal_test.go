package proposal_test

import (
	"encoding/json"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/piece"
	"cuerda/core/predict"
	"cuerda/core/recipe"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/proposal"
)

var reader = ingredient.NewReader(food.Starter())

func draftOf(t testing.TB, text string) (recipe.Found, recipe.Understood, proposal.Proposal) {
	found, err := recipe.Read([]byte(text), reader, nil)
	require.NoError(t, err)
	u := recipe.Understand(&found, reader, food.Starter())
	return found, u, proposal.Of(&found, &u, kitchen.Usual())
}

// Every recipe becomes a document that is one, keeps every word, and says of each food
// where it went.
func TestRecipesBecomeBuilds(t *testing.T) {
	for _, file := range []string{"worked-on.txt", "set-aside.txt", "written-after.txt"} {
		data, err := os.ReadFile(filepath.Join("..", "testdata", "cooks", file))
		require.NoError(t, err)
		for _, part := range strings.Split(string(data), "\n#o")[1:] {
			_, body, _ := strings.Cut(part, "\n")
			var text strings.Builder
			for line := range strings.Lines(body) {
				line, _, _ = strings.Cut(strings.TrimRight(line, "\n"), " @@ ")
				text.WriteString(line + "\n")
			}
			found, u, d := draftOf(t, text.String())
			raw, err := json.Marshal(d.Document)
			require.NoError(t, err)
			again, err := document.Read(raw, food.Starter())
			require.NoError(t, err, "%s", raw)
			assert.Equal(t, predict.Predict(again, kitchen.Usual()).Chance, predict.Predict(&d.Document, kitchen.Usual()).Chance)
			require.Len(t, d.Spots, len(u.Lines))
			for i, spots := range d.Spots {
				require.Len(t, spots, len(u.Lines[i].Items))
				kept := false
				for j, s := range spots {
					switch {
					case s.Part == 0:
						assert.Equal(t, u.Lines[i].Items[j].Food, d.Document.Lines[s.Line].Food)
					case s.Part > 0:
						assert.Equal(t, u.Lines[i].Items[j].Food, d.Document.Parts[s.Part-1].Lines[s.Line].Food)
					}
					kept = kept || s.Part >= 0
				}
				if !kept {
					assert.Contains(t, d.Document.Note, u.Lines[i].Text, "what is no line is a note")
				}
			}
			assert.Len(t, d.Document.Method, len(found.Steps))
			assert.LessOrEqual(t, len(d.Questions), 3)
			for _, q := range d.Questions {
				read := 0
				for _, a := range q.Answers {
					if a.AsRead {
						read++
						assert.Equal(t, d.Chance, a.Chance, "as read is as it stands")
					}
				}
				assert.Equal(t, 1, read, "%+v", q)
			}
		}
	}
}

const patties = "Bean patties\n\n2 (15 oz) cans black beans, drained\n3/4 cup rolled oats\n1 flax egg\n1 tsp salt\n\n1. Mix everything.\n2. Shape into 6 patties, 2 cm thick.\n3. Fry in a skillet, 5 minutes per side.\n"

func TestWhatDecidesIsAsked(t *testing.T) {
	_, _, d := draftOf(t, patties)
	require.Len(t, d.Questions, 1)
	q := d.Questions[0]
	assert.Equal(t, "fineness", q.Code)
	assert.Equal(t, "black-beans-canned", d.Document.Lines[q.Line].Food)
	assert.Equal(t, food.Mash, q.Answers[0].Prep[0].Do, "the likeliest answer is first")
	for _, a := range q.Answers {
		tried := d.Document
		tried.Lines = append([]document.Line{}, tried.Lines...)
		tried.Lines[q.Line].Prep = a.Prep
		assert.InDelta(t, predict.Predict(&tried, kitchen.Usual()).Chance, a.Chance, 0.001, "each answer says what it would do")
	}
	_, _, said := draftOf(t, strings.Replace(patties, "drained", "drained and mashed", 1))
	for _, q := range said.Questions {
		assert.NotEqual(t, "fineness", q.Code, "what the recipe says is not asked")
	}
	_, _, list := draftOf(t, "2 (15 oz) cans black beans, mashed\n3/4 cup rolled oats\n1 flax egg\n1 tsp salt\n")
	var codes []string
	for _, q := range list.Questions {
		codes = append(codes, q.Code)
	}
	assert.Contains(t, codes, "rest", "a list without a method leaves the waits open: %v", codes)
}

func TestThePieceIsAsLargeAsItsCountLeaves(t *testing.T) {
	_, _, d := draftOf(t, patties)
	require.NotNil(t, d.Document.Piece)
	assert.Equal(t, piece.Patty, d.Document.Piece.Kind)
	assert.Equal(t, 20., d.Document.Piece.ThicknessMM, "what the recipe says stands")
	p := predict.Predict(&d.Document, kitchen.Usual())
	assert.InDelta(t, 6, p.Pieces, 1, "and the width is what six of them leave")
	_, _, said := draftOf(t, strings.Replace(patties, "2 cm thick", "2 cm thick and 9 cm across", 1))
	assert.Equal(t, 90., said.Document.Piece.DiameterMM)
	_, _, none := draftOf(t, "2 cups cooked lentils\n1 cup oats\n")
	assert.Nil(t, none.Document.Piece)
	assert.Nil(t, none.Document.Cook)
}

func TestPartsAndWhatStaysBeside(t *testing.T) {
	_, _, d := draftOf(t, "Kofta\n\nFor the kofta:\n- 500 g ground lamb\n- 1 tsp salt\n\nFor the yogurt sauce:\n- 1 cup Greek yogurt\n- 1 clove garlic\n\n- oil, for frying\n- 2 cups moonbeams\n")
	require.Len(t, d.Document.Parts, 1)
	assert.Equal(t, document.Sauce, d.Document.Parts[0].Kind)
	assert.Equal(t, "For the yogurt sauce", d.Document.Parts[0].Name)
	assert.Len(t, d.Document.Parts[0].Lines, 2)
	assert.Len(t, d.Document.Lines, 2)
	assert.Contains(t, d.Document.Note, "moonbeams")
	assert.Contains(t, d.Document.Note, "oil, for frying")
}

func BenchmarkDraft(b *testing.B) {
	found, err := recipe.Read([]byte(patties), reader, nil)
	require.NoError(b, err)
	u := recipe.Understand(&found, reader, food.Starter())
	k := kitchen.Usual()
	for b.Loop() {
		proposal.Of(&found, &u, k)
	}
}
