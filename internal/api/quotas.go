package api

import (
	"context"
	"fmt"
	"net/http"
	"sync"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"

	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// Quotas are how much of a server one kitchen may take, so that none takes all of it.
type Quotas struct {
	PhotoBytes int64 `json:"photo_bytes"`
	Readings   int64 `json:"readings"`
	Events     int64 `json:"events"`
	Versions   int64 `json:"versions"`
	Tries      int64 `json:"tries"`
	// AtOnce is how many computations of a kitchen may run or wait.
	AtOnce int `json:"at_once"`
}

// UsualQuotas are ample for a household: a photo of each of a thousand dishes, a reading a second for two months.
var UsualQuotas = Quotas{PhotoBytes: 1 << 30, Readings: 5_000_000, Events: 2_000_000, Versions: 500_000, Tries: 50_000, AtOnce: 32}

// KitchenUsage is what a kitchen has, and what it may have.
type KitchenUsage struct {
	Used store.Usage `json:"used"`
	May  Quotas      `json:"may"`
}

// usageFor is how long a count is good for: a kitchen does not fill up in a moment.
const usageFor = 20 * time.Second

// usage keeps counts of kitchens, and how much each has computed at once.
type usage struct {
	mu      sync.Mutex
	counted map[string]counted
	running map[string]int
}

type counted struct {
	store.Usage
	at time.Time
}

func (s *Server) quotas() *Quotas {
	if s.Quotas != nil {
		return s.Quotas
	}
	return &UsualQuotas
}

func (s *Server) registerQuotas(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/usage", "getUsage", "What the kitchen has of photos, readings and versions, and may have"), func(ctx context.Context, _ *struct{}) (*body[KitchenUsage], error) {
		used, err := s.Store.UsageOf(ctx, kitchenID(ctx))
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &body[KitchenUsage]{KitchenUsage{used, *s.quotas()}}, nil
	})
}

// room says whether a kitchen may have more of something. What fills it is said with what would make room.
func (s *Server) room(ctx context.Context, kitchen string, of func(u *store.Usage, q *Quotas) (used, may int64), what string) error {
	u, err := s.usageNow(ctx, kitchen)
	if err != nil {
		return s.problemOf(ctx, err)
	}
	if used, may := of(&u, s.quotas()); used >= may {
		return problem.New(http.StatusInsufficientStorage, "kitchen-full", fmt.Sprintf("This kitchen has as many %s as it may (%d). Save its file and erase what is no longer needed, or ask whoever runs the server for more.", what, may))
	}
	return nil
}

func (s *Server) usageNow(ctx context.Context, kitchen string) (store.Usage, error) {
	s.used.mu.Lock()
	was, known := s.used.counted[kitchen]
	s.used.mu.Unlock()
	if known && time.Since(was.at) < usageFor {
		return was.Usage, nil
	}
	u, err := s.Store.UsageOf(ctx, kitchen)
	if err != nil {
		return u, err
	}
	s.used.mu.Lock()
	defer s.used.mu.Unlock()
	if s.used.counted == nil || len(s.used.counted) > 10_000 {
		s.used.counted = map[string]counted{}
	}
	s.used.counted[kitchen] = counted{u, time.Now()}
	return u, nil
}

// What can be full.
func ofPhotos(u *store.Usage, q *Quotas) (int64, int64)   { return u.PhotoBytes, q.PhotoBytes }
func ofReadings(u *store.Usage, q *Quotas) (int64, int64) { return u.Readings, q.Readings }
func ofEvents(u *store.Usage, q *Quotas) (int64, int64)   { return u.Events, q.Events }
func ofVersions(u *store.Usage, q *Quotas) (int64, int64) { return u.Versions, q.Versions }
func ofTries(u *store.Usage, q *Quotas) (int64, int64)    { return u.Tries, q.Tries }

// filling are the operations that add to a kitchen, by what they add to.
var filling = map[string]struct {
	of   func(*store.Usage, *Quotas) (int64, int64)
	what string
}{
	"keepPhoto":   {ofPhotos, "bytes of photos"},
	"actOnCourse": {ofEvents, "events of cookings"},
	"createBuild": {ofVersions, "versions"}, "saveBuild": {ofVersions, "versions"}, "branch": {ofVersions, "versions"}, "goBack": {ofVersions, "versions"}, "takeFrom": {ofVersions, "versions"},
	"writeTry": {ofTries, "tries"}, "importTries": {ofTries, "tries"},
}

// fill refuses what a kitchen has no room for, and more computations at once than one kitchen may have.
func (s *Server) fill(c *gin.Context) {
	asked := s.operations[c.Request.Method+" "+c.FullPath()]
	kitchen := c.Param("kitchen")
	if f, adds := filling[asked.id]; adds {
		if err := s.room(c.Request.Context(), kitchen, f.of, f.what); err != nil {
			s.refuseAs(c, err)
			return
		}
	}
	if kitchen == "" || !s.isCostly(c) {
		c.Next()
		return
	}
	if !s.used.begin(kitchen, s.quotas().AtOnce) {
		c.Writer.Header().Set("Retry-After", retryAfter)
		refuse(c, problem.New(http.StatusTooManyRequests, "too-many", "This kitchen has many things worked out at once: try again in a moment."))
		return
	}
	defer s.used.end(kitchen)
	c.Next()
}

func (u *usage) begin(kitchen string, most int) bool {
	u.mu.Lock()
	defer u.mu.Unlock()
	if u.running[kitchen] >= most {
		return false
	}
	if u.running == nil {
		u.running = map[string]int{}
	}
	u.running[kitchen]++
	return true
}

func (u *usage) end(kitchen string) {
	u.mu.Lock()
	defer u.mu.Unlock()
	if u.running[kitchen]--; u.running[kitchen] <= 0 {
		delete(u.running, kitchen)
	}
}
