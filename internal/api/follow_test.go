package api_test

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"os"
	"runtime"
	"slices"
	"strconv"
	"strings"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"cuerda/internal/api"
)

// BenchmarkFollowing has 500 devices follow 100 courses, each with a dish on the heat whose probe
// sends a reading a second, for 20 s or as many as CUERDA_SECONDS says. It tells how long a reading
// takes from being sent to reaching a device (ms, median and 95th percentile), and what memory is
// held after a tenth, half and all of it (MB), that of the 500 clients with it.
func BenchmarkFollowing(b *testing.B) {
	const courses, devices = 100, 500
	seconds := 20
	if n, err := strconv.Atoi(os.Getenv("CUERDA_SECONDS")); err == nil {
		seconds = n
	}
	c := start(b)
	ids, tokens := make([]string, courses), make([]string, courses)
	for i := range ids {
		v, _ := onTheHeat(c)
		ids[i], tokens[i] = v.ID, v.Token
	}
	ctx, stop := context.WithCancel(context.Background())
	defer stop()
	client := &http.Client{Transport: &http.Transport{MaxIdleConnsPerHost: 2 * devices}}
	var mu sync.Mutex
	var took []time.Duration
	var following, ready sync.WaitGroup
	for d := range devices {
		ready.Add(1)
		following.Go(func() {
			r, err := http.NewRequestWithContext(ctx, http.MethodGet, c.at("/api/courses/"+ids[d%courses]+"/stream"), nil)
			if err != nil {
				b.Error(err)
				return
			}
			got, err := client.Do(r)
			ready.Done()
			if err != nil {
				b.Error(err)
				return
			}
			defer got.Body.Close()
			lines := bufio.NewScanner(got.Body)
			lines.Buffer(nil, 1<<20)
			readings, last := false, time.Time{}
			for lines.Scan() {
				line := lines.Text()
				if strings.HasPrefix(line, "event: ") {
					readings = line == "event: readings"
				}
				if !readings || !strings.HasPrefix(line, "data: ") {
					continue
				}
				now := time.Now()
				var news api.StreamReadings
				if json.Unmarshal([]byte(line[6:]), &news) != nil || len(news.Readings) == 0 || !news.Readings[0].At.After(last) {
					continue
				}
				last = news.Readings[0].At
				mu.Lock()
				took = append(took, now.Sub(last))
				mu.Unlock()
			}
		})
	}
	ready.Wait()
	heap := func() float64 {
		runtime.GC()
		var m runtime.MemStats
		runtime.ReadMemStats(&m)
		return float64(m.HeapInuse) / (1 << 20)
	}
	var late atomic.Int64
	for b.Loop() {
		took = took[:0]
		var sending sync.WaitGroup
		first, half := 0., 0.
		for i := range courses {
			sending.Go(func() {
				time.Sleep(time.Duration(i) * time.Second / courses)
				for n := range seconds {
					began := time.Now()
					body := pack(began, "core", 8+60*float64(n)/float64(seconds))
					r, _ := http.NewRequestWithContext(ctx, http.MethodPost, c.at("/api/readings"), strings.NewReader(body))
					r.Header.Set("Authorization", "Bearer "+tokens[i])
					got, err := client.Do(r)
					if err != nil {
						b.Error(err)
						return
					}
					var t api.TakenReadings
					_ = json.NewDecoder(got.Body).Decode(&t)
					late.Add(int64(t.Late))
					got.Body.Close()
					if got.StatusCode != http.StatusOK {
						b.Error(got.Status)
					}
					switch {
					case i == 0 && n == seconds/10:
						first = heap()
					case i == 0 && n == seconds/2:
						half = heap()
					}
					time.Sleep(time.Until(began.Add(time.Second)))
				}
			})
		}
		sending.Wait()
		time.Sleep(300 * time.Millisecond)
		last := heap()
		mu.Lock()
		slices.Sort(took)
		require.NotEmpty(b, took)
		ms := func(share float64) float64 {
			return float64(took[int(share*float64(len(took)-1))]) / float64(time.Millisecond)
		}
		b.ReportMetric(ms(0.5), "ms-p50")
		b.ReportMetric(ms(0.95), "ms-p95")
		b.ReportMetric(first, "MB-first")
		b.ReportMetric(half, "MB-half")
		b.ReportMetric(last, "MB-last")
		b.ReportMetric(float64(len(took)), "told")
		mu.Unlock()
		fmt.Fprintln(os.Stderr, "of", seconds*devices, "told", len(took), "late", late.Load())
	}
	stop()
	following.Wait()
}
