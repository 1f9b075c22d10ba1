package api

import (
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"net/http"
	"strings"

	"github.com/gin-gonic/gin"
	"github.com/klauspost/compress/gzhttp"
)

// longAnswer is from how many bytes on an answer is squeezed: shorter ones, which a drag
// waits for, are there sooner as they are.
const longAnswer = 16 << 10

// squeezed compresses long answers for clients that take it.
func squeezed(next http.Handler) (http.Handler, error) {
	wrap, err := gzhttp.NewWrapper(gzhttp.MinSize(longAnswer), gzhttp.CompressionLevel(3), gzhttp.ContentTypes([]string{"application/json", "application/problem+json", "text/"}))
	if err != nil {
		return nil, err
	}
	whole := wrap(next)
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		// A drag waits for a prediction, which is short; a stream is never whole.
		if strings.HasSuffix(r.URL.Path, "/predict") || strings.HasSuffix(r.URL.Path, "/stream") {
			next.ServeHTTP(w, r)
			return
		}
		whole.ServeHTTP(w, r)
	}), nil
}

// settled are long answers that seldom change: asked for again, they are sent only where
// they have.
var settled = map[string]bool{"/api/foods": true, kitchenPath + "/foods": true, kitchenPath + "/figures": true, "/api/openapi.json": true}

// kept holds an answer back until it is whole.
type kept struct {
	gin.ResponseWriter
	body   bytes.Buffer
	status int
}

func (k *kept) Write(b []byte) (int, error)       { return k.body.Write(b) }
func (k *kept) WriteString(s string) (int, error) { return k.body.WriteString(s) }
func (k *kept) WriteHeader(status int)            { k.status = status }
func (k *kept) WriteHeaderNow()                   {}
func (k *kept) Status() int                       { return k.status }
func (k *kept) Written() bool                     { return k.body.Len() > 0 }

// tagged gives settled answers an ETag, and answers 304 where the client has it.
func tagged(c *gin.Context) {
	if c.Request.Method != http.MethodGet || !settled[c.FullPath()] {
		c.Next()
		return
	}
	whole := &kept{ResponseWriter: c.Writer, status: http.StatusOK}
	c.Writer = whole
	c.Next()
	c.Writer = whole.ResponseWriter
	if whole.status != http.StatusOK {
		c.Writer.WriteHeader(whole.status)
		_, _ = c.Writer.Write(whole.body.Bytes())
		return
	}
	sum := sha256.Sum256(whole.body.Bytes())
	tag := `W/"` + hex.EncodeToString(sum[:8]) + `"`
	h := c.Writer.Header()
	h.Set("ETag", tag)
	h.Set("Cache-Control", "private, no-cache")
	h.Add("Vary", "Accept-Language")
	for _, has := range strings.Split(c.GetHeader("If-None-Match"), ",") {
		if has = strings.TrimSpace(has); has == "*" || strings.TrimPrefix(has, "W/") == strings.TrimPrefix(tag, "W/") {
			h.Del("Content-Type")
			c.Writer.WriteHeader(http.StatusNotModified)
			c.Writer.WriteHeaderNow()
			return
		}
	}
	c.Writer.WriteHeader(http.StatusOK)
	_, _ = c.Writer.Write(whole.body.Bytes())
}
