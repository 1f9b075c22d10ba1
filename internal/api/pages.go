package api

import (
	"io/fs"
	"mime"
	"net/http"
	"path"
	"strings"

	"github.com/gin-gonic/gin"
)

func init() {
	_ = mime.AddExtensionType(".webmanifest", "application/manifest+json")
	_ = mime.AddExtensionType(".woff2", "font/woff2")
}

// page serves a file of the front end; any other path is the application's
// own, and gets its page.
func (s *Server) page(c *gin.Context) {
	if c.Request.Method != http.MethodGet && c.Request.Method != http.MethodHead {
		c.Status(http.StatusMethodNotAllowed)
		return
	}
	name := strings.TrimPrefix(path.Clean(c.Request.URL.Path), "/")
	info, err := fs.Stat(s.Pages, name)
	found := err == nil && !info.IsDir()
	switch {
	case !found && strings.HasPrefix(name, "assets/"):
		c.Status(http.StatusNotFound)
		return
	case !found:
		name = "index.html"
	}
	if strings.HasPrefix(name, "assets/") {
		c.Header("Cache-Control", "public, max-age=31536000, immutable") // names hold a hash
	} else {
		c.Header("Cache-Control", "no-cache")
	}
	c.Status(http.StatusOK)
	http.ServeFileFS(c.Writer, c.Request, s.Pages, name)
}
