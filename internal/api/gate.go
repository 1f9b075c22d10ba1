package api

import (
	"bytes"
	"context"
	"io"
	"net/http"
	"runtime"
	"sync"
	"sync/atomic"
	"time"

	"github.com/gin-gonic/gin"
	"golang.org/x/sync/semaphore"

	"cuerda/internal/archive"
	"cuerda/internal/problem"
)

// mostExports is how many archives go out and come in at once: each holds a connection to
// the database, and one that comes in is held whole.
const mostExports = 2

// mostPictures is how many pictures are decoded at once: each takes memory (photos.Read).
const mostPictures = 2

const (
	mostWaiting = 256             // computations, before one more is refused
	longestWait = 8 * time.Second // in the queue
	retryAfter  = "2"             // seconds
)

// gate lets as many computations run at once as there are cores; the others wait in the
// order in which they came, not for ever and not too many.
type gate struct {
	most    int // at once; as many as there are cores where it is 0
	once    sync.Once
	room    *semaphore.Weighted
	waiting atomic.Int32
	running atomic.Int32
}

// compute lets computations in.
func (s *Server) compute(c *gin.Context) {
	if !s.isCostly(c) {
		c.Next()
		return
	}
	// The body comes first: whoever sends slowly takes nobody's place.
	sent, err := io.ReadAll(io.LimitReader(c.Request.Body, maxBody+1))
	if err != nil {
		refuse(c, problem.New(http.StatusBadRequest, problem.BadRequest, "The body ended before its end."))
		return
	}
	all := c.Request.Body
	rest := io.Reader(all)
	if len(sent) > maxBody { // the few that take more wait for it in a file
		more, done, ok := spooled(c, maxTriesFile)
		if !ok {
			return
		}
		defer done()
		rest = more
	}
	c.Request.Body = struct {
		io.Reader
		io.Closer
	}{io.MultiReader(bytes.NewReader(sent), rest), all}
	s.gate.pass(c)
}

// exchange lets archives and pictures in and out: those that come in are in a file before they wait for their place.
func (s *Server) exchange(c *gin.Context) {
	switch post := c.Request.Method == http.MethodPost; {
	case c.FullPath() == archivePath && post:
		spool(c, archive.MaxBytes)
	case c.FullPath() == photosPath && post:
		spool(c, maxPhoto)
	case c.FullPath() == archivePath:
		s.exports.pass(c)
	default:
		c.Next()
	}
}

// takeIn lets archives and pictures that have come whole in.
func (s *Server) takeIn(c *gin.Context) {
	switch post := c.Request.Method == http.MethodPost; {
	case c.FullPath() == archivePath && post:
		s.exports.pass(c)
	case c.FullPath() == photosPath && post:
		s.pictures.pass(c)
	default:
		c.Next()
	}
}

func (g *gate) pass(c *gin.Context) {
	g.once.Do(func() {
		if g.most == 0 {
			g.most = runtime.GOMAXPROCS(0)
		}
		g.room = semaphore.NewWeighted(int64(g.most))
	})
	if !g.room.TryAcquire(1) && !g.wait(c) {
		return
	}
	g.running.Add(1)
	defer func() { g.running.Add(-1); g.room.Release(1) }()
	c.Next()
}

// wait waits for room; false where the request has been answered, or its client is gone.
func (g *gate) wait(c *gin.Context) bool {
	defer g.waiting.Add(-1)
	if g.waiting.Add(1) <= mostWaiting {
		patient, stop := context.WithTimeout(c.Request.Context(), longestWait)
		defer stop()
		if g.room.Acquire(patient, 1) == nil {
			return true
		}
		if c.Request.Context().Err() != nil {
			c.Abort()
			return false
		}
	}
	c.Writer.Header().Set("Retry-After", retryAfter)
	refuse(c, problem.New(http.StatusServiceUnavailable, problem.Unavailable, "Too much is being worked out at once: try again in a moment."))
	return false
}
