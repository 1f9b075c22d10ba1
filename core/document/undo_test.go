package document_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"cuerda/core/document"
	"cuerda/core/food"
)

// Whatever was done otherwise than planned: each change put back leaves one change fewer, and all of them none.
func TestWhatWasDoneOtherwiseIsPutBack(t *testing.T) {
	foods := []string{"split-peas-cooked", "onion", "flax-meal", "chickpea-flour", "salt", "carrot"}
	rapid.Check(t, func(t *rapid.T) {
		draw := func(what string) *document.Document {
			out := &document.Document{Format: document.Format}
			for i, id := range foods {
				if i > 0 && rapid.Bool().Draw(t, what+" leaves out "+id) {
					continue
				}
				l := document.Line{Food: id, Grams: float64(rapid.IntRange(1, 400).Draw(t, what+" grams"))}
				if id == "onion" && rapid.Bool().Draw(t, what+" sautes") {
					l.Prep = []food.Preparation{{Do: food.Saute, Minutes: 10}}
				}
				out.Lines = append(out.Lines, l)
			}
			out.Rest = &document.Wait{Minutes: float64(rapid.IntRange(0, 60).Draw(t, what+" rests"))}
			return out
		}
		planned, done := draw("the plan"), draw("the day")
		for left := 20; left > 0; left-- {
			changes, settings := document.Changes(planned, done)
			if len(changes)+len(settings) == 0 {
				return
			}
			var next *document.Document
			ok := false
			if len(changes) > 0 {
				next, ok = document.Undo(done, planned, &changes[0])
			} else {
				next, ok = document.UndoSetting(done, planned, &settings[0])
			}
			require.True(t, ok, fmt.Sprint(changes, settings))
			after, afterSettings := document.Changes(planned, next)
			if next.Lines != nil && len(changes) > 0 && changes[0].Kind == "prep" {
				// The grams of a line that was also prepared otherwise are a change of their own.
				assert.LessOrEqual(t, len(after), len(changes))
			} else {
				assert.Less(t, len(after)+len(afterSettings), len(changes)+len(settings))
			}
			done = next
		}
		t.Fatal("it never comes to the plan")
	})
	none := &document.Document{Name: "a", Lines: []document.Line{{Food: "salt", Grams: 1}}}
	_, ok := document.Undo(none, none, &document.Change{Part: 1, Kind: "grams"})
	assert.False(t, ok, "a part's")
	_, ok = document.UndoSetting(none, none, &document.Setting{Field: "/name"})
	assert.False(t, ok, "a name holds nothing together")
}
