package people

import (
	"sync"
	"time"

	lru "github.com/hashicorp/golang-lru/v2"
	"golang.org/x/time/rate"
)

// Limits hold whoever guesses to few tries, by whatever they are counted by: an address, a name. Those that are seldom
// heard of are forgotten; the memory is bounded.
type Limits struct {
	every time.Duration
	burst int
	mu    sync.Mutex
	by    *lru.Cache[string, *rate.Limiter]
}

// most is how many are remembered.
const most = 20_000

// NewLimits lets so many tries go wrong at once, and one more in each stretch of time.
func NewLimits(burst int, every time.Duration) *Limits {
	by, err := lru.New[string, *rate.Limiter](most)
	if err != nil {
		panic(err) // the size is ours
	}
	return &Limits{every: every, burst: burst, by: by}
}

// Wait says how long somebody has to wait before they may try; 0 for now.
func (l *Limits) Wait(key string) time.Duration {
	l.mu.Lock()
	defer l.mu.Unlock()
	limit, known := l.by.Get(key)
	if !known {
		return 0
	}
	if left := limit.Tokens(); left < 1 {
		return time.Duration((1 - left) * float64(l.every))
	}
	return 0
}

// Wrong counts a try that went wrong. Right ones are not counted.
func (l *Limits) Wrong(key string) {
	l.mu.Lock()
	defer l.mu.Unlock()
	limit, known := l.by.Get(key)
	if !known {
		limit = rate.NewLimiter(rate.Every(l.every), l.burst)
		l.by.Add(key, limit)
	}
	limit.Allow()
}
