package supper_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/plan/supper"
)

// What a pin names is as long as a name may be.
func TestAPinNamesNoMoreThanAName(t *testing.T) {
	for field, other := range map[string]string{"step": "dish", "dish": "step"} {
		text := `{"format":"cuerda-supper/1","name":"Friday","table":"2026-10-02T19:00:00Z","dishes":[],"pins":[{"` + field + `":"` + strings.Repeat("x", 201) + `","` + other + `":"a"}]}`
		_, err := supper.Read([]byte(text))
		var fault *supper.Fault
		require.ErrorAs(t, err, &fault)
		assert.Equal(t, "/pins/0/"+field, fault.Pointer)
	}
}

// What is outside of the bounds that descriptions tell is refused where it is kept, and read all the same where it was kept
// before.
func TestWhatIsOutOfBoundsIsNotKept(t *testing.T) {
	long := strings.Repeat("a", 201)
	for pointer, text := range map[string]string{
		"":                               `[{"name":"Rice","steps":[{"name":"Boil","minutes":20,"hands":1,"oven":{"celsius":180}}]}]`,
		"/dishes/0/steps/0/minutes":      `[{"name":"Rice","steps":[{"name":"Boil","minutes":-1}]}]`,
		"/dishes/0/steps/0/name":         `[{"name":"Rice","steps":[{"name":"` + long + `","minutes":1}]}]`,
		"/dishes/0/steps/0/hands":        `[{"name":"Rice","steps":[{"name":"Boil","minutes":1,"hands":21}]}]`,
		"/dishes/1/steps/0/oven/racks":   `[{"name":"Peas","steps":[{"name":"Boil","minutes":1}]},{"name":"Rice","steps":[{"name":"Bake","minutes":1,"oven":{"celsius":180,"racks":99}}]}]`,
		"/dishes/0/steps/1/after/0/most": `[{"name":"Rice","steps":[{"name":"Boil","minutes":1},{"name":"Rest","minutes":1,"after":[{"step":"Boil","most":-5}]}]}]`,
		"/dishes/0/ready/most":           `[{"name":"Rice","steps":[{"name":"Boil","minutes":1}],"ready":{"least":0,"most":9999}}]`,
		"/dishes/0/pieces":               `[{"name":"Rice","pieces":-3,"steps":[{"name":"Boil","minutes":1}]}]`,
	} {
		d, err := supper.Read([]byte(`{"format":"cuerda-supper/1","table":"2026-12-04T19:00:00+01:00","dishes":` + text + `}`))
		require.NoError(t, err, pointer)
		err = d.CheckBounds()
		if pointer == "" {
			require.NoError(t, err)
			continue
		}
		var fault *supper.Fault
		require.ErrorAs(t, err, &fault, pointer)
		assert.Equal(t, supper.OutOfRange, fault.Code)
		assert.Equal(t, pointer, fault.Pointer)
	}
}

// An empty list of ovens is no oven, and no list is the ovens of the kitchen: one is never read as the other once it was kept.
func TestNoOvenIsKeptAsNone(t *testing.T) {
	for text, none := range map[string]bool{
		`{"kitchen":{}}`: false, `{"kitchen":{"ovens":null}}`: false, `{"kitchen":{"ovens":[]}}`: true, `{"kitchen":{"ovens":[{"id":"a","racks":2}]}}`: false,
	} {
		var given, kept supper.Supper
		require.NoError(t, json.Unmarshal([]byte(text), &given))
		again, err := json.Marshal(&given)
		require.NoError(t, err)
		require.NoError(t, json.Unmarshal(again, &kept))
		assert.Equal(t, given, kept, text)
		assert.Equal(t, none, kept.Kitchen.Ovens != nil && len(kept.Kitchen.Ovens) == 0, text)
	}
}
