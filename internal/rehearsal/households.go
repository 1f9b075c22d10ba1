package rehearsal

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"strconv"
	"strings"
	"sync"
	"time"

	"github.com/jackc/pgx/v5"
)

// pause is how long a household waits between two things that it keeps.
const pause = 500 * time.Millisecond

// household saves versions of a build; some cook, and follow what they cook.
type household struct {
	street *street
	number int

	kitchen, build, course string
	version                int

	mu sync.Mutex
	// saved are the amounts, each once, that a version was acknowledged of; done the IDs of events.
	saved map[int]bool
	done  map[string]bool
	// told is the number of the last event that its follower was told, and back whether it was told an earlier one after it.
	told int64
	back bool
}

// street is all households, and what is seen of them.
type street struct {
	url        string
	client     *http.Client
	households []*household

	mu    sync.Mutex
	phase string
	// longest is the longest time that a household was without an acknowledged save, by phase.
	longest map[string]time.Duration
	// acknowledged is how many writes were.
	acknowledged int
}

func newStreet(url string, households int) *street {
	s := &street{url: url, client: &http.Client{Timeout: 15 * time.Second, Transport: &http.Transport{MaxIdleConnsPerHost: 2 * households}}, longest: map[string]time.Duration{}}
	for i := range households {
		s.households = append(s.households, &household{street: s, number: i, saved: map[int]bool{}, done: map[string]bool{}})
	}
	return s
}

// enters says what is being done to the cluster from now on.
func (s *street) enters(phase string) {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.phase = phase
	if _, known := s.longest[phase]; !known {
		s.longest[phase] = 0
	}
}

func (s *street) acknowledges(waited time.Duration) {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.acknowledged++
	s.longest[s.phase] = max(s.longest[s.phase], waited)
}

// ask asks for something, and gives the status, 0 where nothing answered.
func (h *household) ask(ctx context.Context, method, path, body string, into any, headers ...string) int {
	r, err := http.NewRequestWithContext(ctx, method, h.street.url+path, strings.NewReader(body))
	if err != nil {
		return 0
	}
	r.Header.Set("Content-Type", "application/json")
	for i := 0; i+1 < len(headers); i += 2 {
		r.Header.Set(headers[i], headers[i+1])
	}
	got, err := h.street.client.Do(r)
	if err != nil {
		return 0
	}
	defer got.Body.Close()
	text, err := io.ReadAll(got.Body)
	if err != nil {
		return 0
	}
	if into != nil && got.StatusCode < 300 && json.Unmarshal(text, into) != nil {
		return 0
	}
	return got.StatusCode
}

// until asks again and again, as a browser does whose cook has not been told that it is kept.
func (h *household) until(ctx context.Context, method, path, body string, into any, headers ...string) bool {
	for ctx.Err() == nil {
		switch status := h.ask(ctx, method, path, body, into, headers...); {
		case status >= 200 && status < 300:
			return true
		case status >= 400 && status < 500 && status != http.StatusTooManyRequests:
			return false
		}
		select {
		case <-ctx.Done():
		case <-time.After(100 * time.Millisecond):
		}
	}
	return false
}

func document(grams int) string {
	return fmt.Sprintf(`{"format":"cuerda-build/1","name":"Cakes","lines":[{"food":"turkey-ground","grams":%d},{"food":"millet-flakes","grams":45},{"food":"salt","grams":7}],"rest":{"minutes":15},"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"still-oven","celsius":200}}`, grams)
}

func (h *household) at(path string) string { return "/api/kitchens/" + h.kitchen + path }

// mostKitchens are made: a server where nobody signs in has fifty at most. Further households share one with others.
const mostKitchens = 40

// movesIn makes the kitchen of a household, its build, and for every fourth a cooking.
func (h *household) movesIn(ctx context.Context) error {
	var made struct{ ID string }
	if h.number >= mostKitchens {
		made.ID = h.street.households[h.number%mostKitchens].kitchen
	} else if !h.until(ctx, "POST", "/api/kitchens", fmt.Sprintf(`{"name":"Household %d"}`, h.number+1), &made) {
		return fmt.Errorf("household %d has no kitchen", h.number)
	}
	h.kitchen = made.ID
	if !h.until(ctx, "POST", h.at("/builds"), document(100), &made) {
		return fmt.Errorf("household %d has no build", h.number)
	}
	h.build, h.version = made.ID, 1
	h.saved[100] = true
	if h.number%4 == 0 {
		if !h.until(ctx, "POST", h.at("/courses"), fmt.Sprintf(`{"build":%q}`, h.build), &made) {
			return fmt.Errorf("household %d does not cook", h.number)
		}
		h.course = made.ID
	}
	return nil
}

// lives saves a version again and again, and does something at the stove, until asked to stop; what was begun is ended.
func (h *household) lives(ctx context.Context, stop <-chan struct{}) {
	last := time.Now()
	for grams := 101; ; grams++ {
		select {
		case <-stop:
			return
		case <-ctx.Done():
			return
		case <-time.After(pause):
		}
		var kept struct{ Version int }
		wanted := time.Now()
		if !h.until(ctx, "PUT", h.at("/builds/"+h.build), document(grams), &kept, "If-Match", fmt.Sprintf(`"%d"`, h.version)) {
			return
		}
		h.version = kept.Version
		h.mu.Lock()
		h.saved[grams] = true
		h.mu.Unlock()
		h.street.acknowledges(time.Since(laterOf(wanted, last.Add(pause))))
		last = time.Now()
		if h.course == "" {
			continue
		}
		id := fmt.Sprintf("h%d-%d", h.number, grams)
		if !h.until(ctx, "POST", h.at("/courses/"+h.course+"/events"), fmt.Sprintf(`{"events":[{"id":%q,"kind":"timer","name":"Kettle","minutes":4}]}`, id), nil) {
			return
		}
		h.mu.Lock()
		h.done[id] = true
		h.mu.Unlock()
	}
}

func laterOf(a, b time.Time) time.Time {
	if a.After(b) {
		return a
	}
	return b
}

// follows follows the household's cooking, and comes back whenever it is cut off.
func (h *household) follows(ctx context.Context) {
	client := &http.Client{Transport: h.street.client.Transport}
	for ctx.Err() == nil {
		r, err := http.NewRequestWithContext(ctx, "GET", h.street.url+h.at("/courses/"+h.course+"/stream"), nil)
		if err != nil {
			return
		}
		h.mu.Lock()
		if h.told > 0 { // as a browser does
			r.Header.Set("Last-Event-ID", strconv.FormatInt(h.told, 10))
		}
		h.mu.Unlock()
		if got, err := client.Do(r); err == nil {
			if got.StatusCode == http.StatusOK {
				h.listens(got.Body)
			}
			got.Body.Close()
		}
		select {
		case <-ctx.Done():
		case <-time.After(200 * time.Millisecond):
		}
	}
}

func (h *household) listens(stream io.Reader) {
	lines := bufio.NewReaderSize(stream, 64<<10)
	event := ""
	for {
		line, err := lines.ReadString('\n')
		if err != nil {
			return
		}
		if name, ok := strings.CutPrefix(line, "event: "); ok {
			event = strings.TrimSpace(name)
		}
		data, ok := strings.CutPrefix(line, "data: ")
		if !ok || event != "course" {
			continue
		}
		var course struct{ Seq int64 }
		if json.Unmarshal([]byte(data), &course) != nil {
			continue
		}
		h.mu.Lock()
		h.back = h.back || course.Seq < h.told
		h.told = course.Seq
		h.mu.Unlock()
	}
}

// Counts are what was found in the end.
type Counts struct {
	Acknowledged, Lost, Doubled int
	// Followers are those of cookings; Gaps counts those that were told an earlier state after a later one (Back), or were not at
	// the last event in the end (Behind).
	Followers, Gaps, Back, Behind int
}

// count holds what was acknowledged against what the database has.
func (s *street) count(ctx context.Context, db *pgx.Conn) (out Counts, err error) {
	out.Acknowledged = s.acknowledged
	for _, h := range s.households {
		rows, err := db.Query(ctx, `select (document->'lines'->0->>'grams')::float8::int, count(*) from build_version where build_id = $1 group by 1`, h.build)
		if err != nil {
			return out, err
		}
		there := map[int]int{}
		var grams, times int
		if _, err := pgx.ForEachRow(rows, []any{&grams, &times}, func() error { there[grams] = times; return nil }); err != nil {
			return out, err
		}
		for grams := range h.saved {
			switch n := there[grams]; {
			case n == 0:
				out.Lost++
			case n > 1:
				out.Doubled++
			}
		}
		if h.course == "" {
			continue
		}
		rows, err = db.Query(ctx, `select id, count(*) from course_event where course_id = $1 group by 1`, h.course)
		if err != nil {
			return out, err
		}
		events := map[string]int{}
		var id string
		if _, err := pgx.ForEachRow(rows, []any{&id, &times}, func() error { events[id] = times; return nil }); err != nil {
			return out, err
		}
		for id := range h.done {
			switch n := events[id]; {
			case n == 0:
				out.Lost++
			case n > 1:
				out.Doubled++
			}
		}
		out.Acknowledged += len(h.done)
		out.Followers++
		var seq int64
		if err := db.QueryRow(ctx, `select seq from course where id = $1`, h.course).Scan(&seq); err != nil {
			return out, err
		}
		if h.back {
			out.Back++
		}
		if h.told != seq {
			out.Behind++
		}
		if h.back || h.told != seq {
			out.Gaps++
		}
	}
	return out, nil
}
