package web

import (
	"bytes"
	"compress/gzip"
	"io/fs"
	"os"
	"regexp"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
)

// The first view of a kitchen asks for few scripts, each gzipped by itself as it is sent, the words of one language with
// them, and for nothing from elsewhere. What only later screens need is not among them.
func TestTheFirstViewIsLight(t *testing.T) {
	files, err := Dist()
	require.NoError(t, err)
	page, err := fs.ReadFile(files, "index.html")
	require.NoError(t, err)
	assert.NotRegexp(t, `(src|href)="(https?:)?//`, string(page))
	var open []string
	for _, s := range regexp.MustCompile(`(?:src|href)="/([^"]+\.(?:js|css))"`).FindAllSubmatch(page, -1) {
		open = append(open, string(s[1]))
	}
	for _, pattern := range []string{"assets/app-*.js", "assets/en-*.js"} {
		found, err := fs.Glob(files, pattern)
		require.NoError(t, err)
		found = slices.DeleteFunc(found, func(name string) bool { return strings.Contains(name, "en-later") })
		require.Len(t, found, 1, pattern)
		open = append(open, found...)
	}
	imports := regexp.MustCompile(`(?:from|import)\s*"\./([^"]+\.js)"`)
	size := map[string]int{}
	scripts, script, style := 0, 0, 0
	for len(open) > 0 {
		name := open[0]
		open = open[1:]
		if _, seen := size[name]; seen {
			continue
		}
		text, err := fs.ReadFile(files, name)
		require.NoError(t, err)
		size[name] = gzipped(t, text)
		if strings.HasSuffix(name, ".css") {
			style += size[name]
			continue
		}
		scripts++
		script += size[name]
		for _, other := range imports.FindAllSubmatch(text, -1) {
			open = append(open, "assets/"+string(other[1]))
		}
	}
	t.Logf("%d scripts of %d bytes, styles of %d bytes: %v", scripts, script, style, size)
	assert.LessOrEqual(t, scripts, 12)
	assert.Less(t, script, 250_000)
	assert.Less(t, style, 21_000)
	for name := range size {
		assert.NotRegexp(t, `later|supper|cook|logbook|practice`, name)
	}
}

func gzipped(t *testing.T, text []byte) int {
	t.Helper()
	var sent bytes.Buffer
	zip := gzip.NewWriter(&sent)
	_, err := zip.Write(text)
	require.NoError(t, err)
	require.NoError(t, zip.Close())
	return sent.Len()
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
