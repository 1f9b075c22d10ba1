package web

import (
	"bytes"
	"compress/gzip"
	"io/fs"
	"regexp"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
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
