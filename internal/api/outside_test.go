package api_test

import (
	"bufio"
	"bytes"
	"compress/gzip"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"testing"
	"testing/fstest"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/api"
	"cuerda/internal/api/apitest"
	"cuerda/internal/demo"
	"cuerda/internal/demo/demotest"
	"cuerda/internal/postgres"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// What costs something is not worked out for another page, whatever the method.
func TestOtherPagesMakeABrowserAskForNothing(t *testing.T) {
	t.Parallel()
	c := start(t)
	for _, site := range []string{"cross-site", "same-site"} {
		c.problem(403, problem.CrossOrigin, "GET", "/api/archive", "", "Sec-Fetch-Site", site)
		c.problem(403, problem.CrossOrigin, "GET", "/api/builds", "", "Sec-Fetch-Site", site)
	}
	for _, site := range []string{"same-origin", "none"} {
		answer, _ := c.do("GET", "/api/builds", "", "Sec-Fetch-Site", site)
		assert.Equal(t, 200, answer.StatusCode)
	}
	answer, _ := c.do("GET", "/bench", "", "Sec-Fetch-Site", "cross-site")
	assert.Equal(t, 200, answer.StatusCode, "a link to a page is followed")
}

func TestFilesAndLongAnswersAreSentOnceAndSqueezed(t *testing.T) {
	t.Parallel()
	s, kitchen := demotest.Open(t)
	script := strings.Repeat("const rope = 'laid';\n", 500)
	pages := fstest.MapFS{"index.html": {Data: []byte("<!doctype html>the page")}, "assets/a.js": {Data: []byte(script)}, ".gitkeep": {}, "assets/.hidden": {Data: []byte("x")}}
	server := httptest.NewServer((&api.Server{Store: s, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler), Pages: pages, Hosts: []string{"boathouse.example"}}).Handler())
	defer server.Close()
	c := &client{t: t, url: server.URL, store: s, kitchen: kitchen}

	for _, path := range []string{"/assets/a.js", "/api/foods"} {
		plain, whole := c.do("GET", path, "", "Accept-Encoding", "identity")
		assert.Empty(t, plain.Header.Get("Content-Encoding"))
		squeezed, small := c.do("GET", path, "", "Accept-Encoding", "gzip")
		require.Equal(t, "gzip", squeezed.Header.Get("Content-Encoding"), path)
		assert.Less(t, len(small), len(whole)/2)
		r, err := gzip.NewReader(bytes.NewReader(small))
		require.NoError(t, err)
		text, err := io.ReadAll(r)
		require.NoError(t, err)
		assert.Equal(t, whole, text)
		for _, answer := range []*http.Response{plain, squeezed} {
			tag := answer.Header.Get("ETag")
			require.NotEmpty(t, tag, path)
			again, nothing := c.do("GET", path, "", "If-None-Match", tag, "Accept-Encoding", answer.Request.Header.Get("Accept-Encoding"))
			assert.Equal(t, http.StatusNotModified, again.StatusCode, path)
			assert.Empty(t, nothing)
		}
	}
	_, _ = c.do("PUT", "/api/pantry", `[{"food":"flax-meal","have":true,"pack":{"fat":30}}]`)
	for path, want := range map[string]int{"/.gitkeep": 404, "/assets/.hidden": 404, "/.env": 404, "/bench/..": 400} {
		answer, _ := c.do("GET", path, "")
		assert.Equal(t, want, answer.StatusCode, path)
	}
	answer, _ := c.do("GET", "/bench", "", "Host", "boathouse.example:8080")
	assert.Equal(t, 200, answer.StatusCode, "a name that was given")
	c.problem(403, problem.Forbidden, "GET", "/bench", "", "Host", "elsewhere.example")
}

// Logs tell what happened and to whom, without a name; the metrics count it.
func TestTheServerIsSeenFromOutside(t *testing.T) {
	t.Parallel()
	var lock sync.Mutex
	var log bytes.Buffer
	s, kitchen := demotest.Open(t)
	handler := &api.Server{Store: s, Foods: food.Starter(), Log: slog.New(slog.NewJSONHandler(locked{&lock, &log}, nil))}
	server := httptest.NewServer(handler.Handler())
	defer server.Close()
	c := &client{t: t, url: server.URL, store: s, kitchen: kitchen}
	answer, _ := c.do("POST", "/api/builds", buildText("For Ottoline", tofu))
	id := answer.Header.Get("X-Request-Id")
	require.NotEmpty(t, id)
	_, _ = c.do("GET", "/api/builds/00000000-0000-0000-0000-000000000001", "")
	lock.Lock()
	text := log.String()
	lock.Unlock()
	assert.NotContains(t, text, "Ottoline")
	var line map[string]any
	require.NoError(t, json.Unmarshal([]byte(strings.SplitN(text, "\n", 2)[0]), &line))
	assert.Equal(t, id, line["id"])
	assert.Equal(t, "/api/kitchens/:kitchen/builds", line["route"])
	assert.EqualValues(t, 201, line["status"])
	assert.Equal(t, kitchen, line["kitchen"])

	counts := httptest.NewRecorder()
	handler.Metrics().ServeHTTP(counts, httptest.NewRequest("GET", "/metrics", nil))
	for _, want := range []string{
		`cuerda_request_duration_seconds_count{method="POST",route="/api/kitchens/:kitchen/builds",status="201"} 1`,
		`cuerda_request_duration_seconds_count{method="GET",route="/api/kitchens/:kitchen/builds/:id",status="404"} 1`,
		"cuerda_computations_waiting 0", "cuerda_database_connections_most", "cuerda_versions_saved_total",
	} {
		assert.Contains(t, counts.Body.String(), want)
	}
}

type locked struct {
	lock *sync.Mutex
	to   io.Writer
}

func (l locked) Write(b []byte) (int, error) {
	l.lock.Lock()
	defer l.lock.Unlock()
	return l.to.Write(b)
}

// Five who take an archive a byte at a time hold two places, and nobody else's.
func TestSlowReadersOfArchivesHoldUpNobody(t *testing.T) {
	t.Parallel()
	c := start(t)
	many := make([]store.History, 300)
	for i := range many {
		b, _ := c.build("POST", "/api/builds", buildText(fmt.Sprintf("Cakes %d", i), tofu))
		many[i].ID = b.ID
	}
	address := strings.TrimPrefix(c.url, "http://")
	for range 5 {
		conn, err := net.Dial("tcp", address)
		require.NoError(t, err)
		defer conn.Close()
		_, err = fmt.Fprintf(conn, "GET %s HTTP/1.1\r\nHost: %s\r\n\r\n", apitest.In(c.kitchen, "/api/archive"), address)
		require.NoError(t, err)
	}
	for range 20 {
		soon, stop := context.WithTimeout(t.Context(), 5*time.Second)
		for _, path := range []string{"/api/ready", "/api/builds"} {
			r, err := http.NewRequestWithContext(soon, http.MethodGet, c.at(path), nil)
			require.NoError(t, err)
			answer, err := http.DefaultClient.Do(r)
			require.NoError(t, err, path)
			answer.Body.Close()
			assert.Equal(t, 200, answer.StatusCode)
		}
		stop()
	}
}

// An export whose database goes away in the middle does not pass for a whole one.
func TestHalfAnArchiveIsNoArchive(t *testing.T) {
	t.Parallel()
	c := start(t)
	answer, whole := c.do("GET", "/api/archive", "")
	assert.Equal(t, "application/zip", answer.Header.Get("Content-Type"))
	assert.Equal(t, "PK", string(whole[:2]))
	taken, text := c.do("POST", "/api/archive", string(whole), "Content-Type", "application/zip")
	require.Equal(t, 200, taken.StatusCode, string(text))
	assert.Contains(t, string(text), `"added":0`)
}

// A database that is frozen makes requests fail in time, and readiness too; the server
// says that it is alive all the while.
func TestAFrozenDatabaseIsToldInTime(t *testing.T) {
	if testing.Short() {
		t.Skip("waits for a time limit")
	}
	t.Parallel()
	folder, err := os.MkdirTemp("", "cuerda-frozen-")
	require.NoError(t, err)
	require.NoError(t, os.Chmod(folder, 0o755))
	t.Cleanup(func() { _ = os.RemoveAll(folder) })
	pg, err := postgres.Start(t.Context(), postgres.Options{Dir: filepath.Join(folder, "pg"), Fast: true})
	require.NoError(t, err)
	t.Cleanup(pg.Stop)
	require.NoError(t, pg.CreateDatabase(t.Context(), "cuerda", ""))
	s, err := store.Open(t.Context(), pg.URL("cuerda"))
	require.NoError(t, err)
	t.Cleanup(s.Close)
	kitchen, err := demo.Seed(t.Context(), s, food.Starter())
	require.NoError(t, err)
	server := httptest.NewServer((&api.Server{Store: s, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler)}).Handler())
	t.Cleanup(server.Close)
	c := &client{t: t, url: server.URL, store: s, kitchen: kitchen}
	answer, _ := c.do("GET", "/api/ready", "")
	require.Equal(t, 200, answer.StatusCode)

	processes := postgresOf(t, filepath.Join(folder, "pg", "data"))
	for _, pid := range processes {
		require.NoError(t, syscall.Kill(pid, syscall.SIGSTOP))
	}
	thaw := sync.OnceFunc(func() {
		for _, pid := range processes {
			_ = syscall.Kill(pid, syscall.SIGCONT)
		}
	})
	t.Cleanup(thaw)
	answer, _ = c.do("GET", "/api/health", "")
	assert.Equal(t, 200, answer.StatusCode)
	c.problem(503, problem.Unavailable, "GET", "/api/ready", "")
	c.problem(503, problem.Unavailable, "GET", "/api/builds", "")
	thaw()
	assert.Eventually(t, func() bool {
		answer, _ := c.do("GET", "/api/ready", "")
		return answer.StatusCode == 200
	}, 20*time.Second, 100*time.Millisecond)
}

// postgresOf gives the processes of a cluster: the one that leads, and its children.
func postgresOf(t *testing.T, data string) []int {
	t.Helper()
	file, err := os.Open(filepath.Join(data, "postmaster.pid"))
	require.NoError(t, err)
	defer file.Close()
	lines := bufio.NewScanner(file)
	require.True(t, lines.Scan())
	leader, err := strconv.Atoi(lines.Text())
	require.NoError(t, err)
	out := []int{leader}
	children, err := os.ReadFile(fmt.Sprintf("/proc/%d/task/%d/children", leader, leader))
	require.NoError(t, err)
	for _, word := range strings.Fields(string(children)) {
		pid, err := strconv.Atoi(word)
		require.NoError(t, err)
		out = append(out, pid)
	}
	return out
}
