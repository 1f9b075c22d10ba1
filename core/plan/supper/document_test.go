package supper_test

import (
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
