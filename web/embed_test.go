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

// The first view asks for few scripts, each gzipped by itself as it is sent, the words of one language with them, and for
// nothing from elsewhere.
func TestTheFirstViewIsLight(t *testing.T) {
	files, err := Dist()
	require.NoError(t, err)
	page, err := fs.ReadFile(files, "index.html")
	require.NoError(t, err)
	assert.NotRegexp(t, `(src|href)="(https?:)?//`, string(page))
	var scripts []string
	for _, s := range regexp.MustCompile(`(?:src|href)="/([^"]+\.js)"`).FindAllSubmatch(page, -1) {
		scripts = append(scripts, string(s[1]))
	}
	words, err := fs.Glob(files, "assets/en-*.js")
	require.NoError(t, err)
	require.NotEmpty(t, words)
	scripts = append(scripts, words...)
	size := 0
	for _, name := range scripts {
		text, err := fs.ReadFile(files, name)
		require.NoError(t, err)
		var sent bytes.Buffer
		zip := gzip.NewWriter(&sent)
		_, err = zip.Write(text)
		require.NoError(t, err)
		require.NoError(t, zip.Close())
		size += sent.Len()
	}
	t.Logf("%d scripts, %d bytes", len(scripts), size)
	assert.LessOrEqual(t, len(scripts), 12)
	assert.Less(t, size, 270_000)
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
