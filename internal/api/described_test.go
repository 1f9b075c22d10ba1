package api_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/api/apitest"
)

// Every operation has an answer that is described, and the description finds it by its path.
func TestEveryOperationIsDescribed(t *testing.T) {
	d, err := apitest.Described()
	require.NoError(t, err)
	require.Greater(t, len(d.Routes), 60)
	for i := range d.Routes {
		r := &d.Routes[i]
		path := strings.NewReplacer("{", "", "}", "").Replace(strings.Join(r.Parts, "/"))
		found := d.Find(r.Method, path)
		require.NotNil(t, found, path)
		assert.Equal(t, len(r.Parts), len(found.Parts))
		assert.NotEmpty(t, r.Answers, "%s %s", r.Method, path)
	}
	assert.Nil(t, d.Find("GET", "/api/nothing/of/the/kind"))
}
