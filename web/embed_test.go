package web

import (
	"bytes"
	"compress/gzip"
	"io/fs"
	"os"
	"regexp"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
)

// The first view loads less than 250 kB of script, gzipped, and nothing from
// elsewhere.
func TestTheFirstViewIsLight(t *testing.T) {
	files, err := Dist()
	require.NoError(t, err)
	page, err := fs.ReadFile(files, "index.html")
	require.NoError(t, err)
	assert.NotRegexp(t, `(src|href)="(https?:)?//`, string(page))
	scripts := regexp.MustCompile(`(?:src|href)="/(assets/[^"]+\.js)"`).FindAllSubmatch(page, -1)
	require.NotEmpty(t, scripts)
	var size bytes.Buffer
	zip := gzip.NewWriter(&size)
	for _, s := range scripts {
		text, err := fs.ReadFile(files, string(s[1]))
		require.NoError(t, err)
		_, err = zip.Write(text)
		require.NoError(t, err)
	}
	require.NoError(t, zip.Close())
	assert.Less(t, size.Len(), 250_000)
	t.Logf("%d bytes of script", size.Len())
}

// Every caution of the catalogue has its words in both languages.
func TestCautionsHaveTheirWords(t *testing.T) {
	for _, language := range []string{"en", "es"} {
		words, err := os.ReadFile("src/i18n/" + language + ".ts")
		require.NoError(t, err)
		_, notes, found := strings.Cut(string(words), "  notes: {")
		require.True(t, found)
		for i := range food.Starter().Foods() {
			for _, code := range food.Starter().Foods()[i].Cautions {
				assert.Regexp(t, `(?m)^    "?`+code+`"?:`, notes, language)
			}
		}
	}
}
