package api

import (
	"context"
	"crypto/rand"
	"log/slog"
	"net/http"
	"time"

	"github.com/gin-gonic/gin"

	"cuerda/internal/principal"
	"cuerda/internal/problem"
)

// How long a request may take, from its first byte to its last. Archives are long and go
// by connections that are slow; of those each part may take as long as others take whole.
const (
	answerWithin  = 12 * time.Second
	computeWithin = 30 * time.Second // with the wait for a place
	sendWithin    = 30 * time.Second // a body
	archiveWithin = 10 * time.Minute
	stallWithin   = 30 * time.Second // of a part of an archive
)

const (
	archivePath = kitchenPath + "/archive"
	photosPath  = kitchenPath + "/photos"
)

// limits ends what takes too long: the work, by its context, and the connection, by its
// deadlines.
func (s *Server) limits(c *gin.Context) {
	if c.FullPath() == streamPath { // it lasts as long as somebody follows
		c.Next()
		return
	}
	within, reading := answerWithin, sendWithin
	switch {
	case c.FullPath() == archivePath:
		within, reading = archiveWithin, archiveWithin
	case s.isCostly(c):
		within = computeWithin
	}
	if c.FullPath() == archivePath { // of all else the server's own hold
		control := http.NewResponseController(c.Writer)
		_ = control.SetReadDeadline(time.Now().Add(reading))
		_ = control.SetWriteDeadline(time.Now().Add(reading + within))
	}
	if c.Request.ContentLength != 0 {
		within += reading
	}
	ctx, stop := context.WithTimeout(c.Request.Context(), within)
	defer stop()
	c.Request = c.Request.WithContext(ctx)
	c.Next()
}

// home refuses what another page makes a browser ask for: a GET changes nothing, but may
// cost a lot, and its length and time tell something (Fetch Metadata, W3C).
func home(c *gin.Context) {
	switch c.GetHeader("Sec-Fetch-Site") {
	case "", "same-origin", "none":
		c.Next()
		return
	}
	if !isAPI(c.Request.URL.Path) {
		c.Next()
		return
	}
	refuse(c, problem.New(http.StatusForbidden, problem.CrossOrigin, "Kitchens are only told to Cuerda's own pages."))
}

// observe gives a request an ID, and tells the log and the metrics what became of it: no
// names, of guests or of builds, only codes and the kitchen's ID.
func (s *Server) observe(c *gin.Context) {
	began := time.Now()
	id := rand.Text()[:12]
	c.Writer.Header().Set("X-Request-Id", id)
	finished := false
	defer func() {
		status := c.Writer.Status()
		if !finished {
			status = 499 // the connection was ended before an answer
		}
		took := time.Since(began)
		route := c.FullPath()
		if route == "" {
			route = "pages"
		}
		s.metrics.request(c.Request.Method, route, status, took)
		level := slog.LevelInfo
		if status >= http.StatusInternalServerError {
			level = slog.LevelWarn
		}
		who, _ := principal.From(c.Request.Context())
		s.Log.LogAttrs(c.Request.Context(), level, "request", slog.String("id", id), slog.String("method", c.Request.Method),
			slog.String("route", route), slog.Int("status", status), slog.Duration("took", took),
			slog.Int("bytes", max(0, c.Writer.Size())), slog.String("kitchen", who.Kitchen))
	}()
	c.Next()
	finished = true
}
