package version_test

import (
	"os"
	"regexp"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/version"
)

// The newest entry of the change log is the version that the program tells.
func TestTheChangeLogBeginsWithThisVersion(t *testing.T) {
	text, err := os.ReadFile("../../CHANGELOG.md")
	require.NoError(t, err)
	newest := regexp.MustCompile(`(?m)^## (\S+)`).FindSubmatch(text)
	require.NotNil(t, newest)
	assert.Equal(t, version.Number, string(newest[1]))
}
