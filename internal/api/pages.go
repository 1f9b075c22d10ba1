package api

import (
	"bytes"
	"compress/gzip"
	"crypto/sha256"
	"encoding/hex"
	"io/fs"
	"mime"
	"net/http"
	"path"
	"slices"
	"strings"
	"sync"
	"time"

	"github.com/gin-gonic/gin"
)

func init() {
	_ = mime.AddExtensionType(".webmanifest", "application/manifest+json")
	_ = mime.AddExtensionType(".woff2", "font/woff2")
}

// file is one of the front end's, read and squeezed once.
type file struct {
	body, zipped []byte // zipped is nil where that gains little
	tag          string // of the body, as ETag has it
}

// files are those that were asked for so far, by name.
type files struct {
	lock sync.Mutex
	kept map[string]*file
}

// zippedFiles keeps each file of the front end once it was compressed, under the SHA-256 of its content. All servers that run in one
// program, as in the tests, serve the same files and share it.
var zippedFiles sync.Map

// zippedOnce compresses a file the first time it is asked for; nil where that saves less than a tenth.
func zippedOnce(sum [sha256.Size]byte, body []byte) []byte {
	if kept, there := zippedFiles.Load(sum); there {
		return kept.([]byte)
	}
	var zipped bytes.Buffer
	var gained []byte
	if w, err := gzip.NewWriterLevel(&zipped, gzip.BestCompression); err == nil {
		_, err1 := w.Write(body)
		if err2 := w.Close(); err1 == nil && err2 == nil && zipped.Len() < len(body)*9/10 {
			gained = zipped.Bytes()
		}
	}
	zippedFiles.Store(sum, gained)
	return gained
}

func (f *files) read(from fs.FS, name string) (*file, error) {
	f.lock.Lock()
	defer f.lock.Unlock()
	if one, there := f.kept[name]; there {
		return one, nil
	}
	body, err := fs.ReadFile(from, name)
	if err != nil {
		return nil, err
	}
	sum := sha256.Sum256(body)
	one := &file{body: body, zipped: zippedOnce(sum, body), tag: hex.EncodeToString(sum[:8])}
	if f.kept == nil {
		f.kept = map[string]*file{}
	}
	f.kept[name] = one
	return one, nil
}

// page serves a file of the front end; any other path is the application's
// own, and gets its page. What begins with a dot is nobody's.
func (s *Server) page(c *gin.Context) {
	if c.Request.Method != http.MethodGet && c.Request.Method != http.MethodHead {
		c.Header("Allow", "GET, HEAD")
		c.Status(http.StatusMethodNotAllowed)
		return
	}
	if slices.Contains(strings.Split(c.Request.URL.Path, "/"), "..") {
		c.Status(http.StatusBadRequest)
		return
	}
	name := strings.TrimPrefix(path.Clean(c.Request.URL.Path), "/")
	if strings.HasPrefix(name, ".") || strings.Contains(name, "/.") {
		c.Status(http.StatusNotFound)
		return
	}
	info, err := fs.Stat(s.Pages, name)
	found := err == nil && !info.IsDir()
	switch {
	case !found && strings.HasPrefix(name, "assets/"):
		c.Status(http.StatusNotFound)
		return
	case !found:
		name = "index.html"
	}
	one, err := s.files.read(s.Pages, name)
	if err != nil {
		c.Status(http.StatusNotFound)
		return
	}
	if strings.HasPrefix(name, "assets/") {
		c.Header("Cache-Control", "public, max-age=31536000, immutable") // names hold a hash
	} else {
		c.Header("Cache-Control", "no-cache")
	}
	body, tag := one.body, one.tag
	if one.zipped != nil {
		c.Header("Vary", "Accept-Encoding")
		if c.GetHeader("Range") == "" && takesGzip(c.GetHeader("Accept-Encoding")) {
			c.Header("Content-Encoding", "gzip")
			body, tag = one.zipped, tag+"-gzip"
		}
	}
	if kind := mime.TypeByExtension(path.Ext(name)); kind != "" {
		c.Header("Content-Type", kind)
	}
	c.Header("ETag", `"`+tag+`"`)
	c.Status(http.StatusOK)
	http.ServeContent(c.Writer, c.Request, name, time.Time{}, bytes.NewReader(body))
}

// takesGzip says whether a client names gzip among the codings that it takes, and not
// with a quality of nought (RFC 9110, 12.5.3).
func takesGzip(accepts string) bool {
	for _, each := range strings.Split(accepts, ",") {
		coding, weight, _ := strings.Cut(strings.TrimSpace(each), ";")
		if coding = strings.TrimSpace(coding); coding != "gzip" && coding != "*" {
			continue
		}
		weight = strings.TrimSpace(weight)
		return weight != "q=0" && !strings.HasPrefix(weight, "q=0.000") && weight != "q=0.0" && weight != "q=0.00"
	}
	return false
}
