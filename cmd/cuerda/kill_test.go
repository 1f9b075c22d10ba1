package main

import (
	"bufio"
	"bytes"
	"encoding/json"
	"fmt"
	"image"
	"image/jpeg"
	"io"
	"math/rand/v2"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"

	"cuerda/internal/api/apitest"

	"github.com/stretchr/testify/require"
)

// TestMain runs the program itself where a test has started this one as it.
func TestMain(m *testing.M) {
	if os.Getenv("CUERDA_TEST_AS_PROGRAM") != "" {
		main()
		return
	}
	os.Exit(m.Run())
}

// killed is a Cuerda that is ended without warning, and begun again over the same data.
type killed struct {
	kitchen string
	// more are flags of its start.
	more []string
	t    *testing.T
	data string
	cmd  *exec.Cmd
	url  string
}

var announced = regexp.MustCompile(`Cuerda is at (\S+)`)

func (k *killed) begin() {
	k.t.Helper()
	k.cmd = exec.Command(os.Args[0], append([]string{"start", "--port", "0", "--data", k.data}, k.more...)...)
	k.cmd.Env = append(os.Environ(), "CUERDA_TEST_AS_PROGRAM=1", "DATABASE_URL=")
	out, err := k.cmd.StdoutPipe()
	require.NoError(k.t, err)
	k.cmd.Stderr = io.Discard // it says what it cannot reach
	require.NoError(k.t, k.cmd.Start())
	lines := bufio.NewScanner(out)
	for lines.Scan() {
		if found := announced.FindStringSubmatch(lines.Text()); found != nil {
			k.url = found[1]
			go func() { _, _ = io.Copy(io.Discard, out) }()
			return
		}
	}
	require.Fail(k.t, "it never said where it is")
}

// killServer ends the program as a power cut does.
func (k *killed) killServer() {
	_ = k.cmd.Process.Kill()
	_ = k.cmd.Wait()
}

// killDatabase ends PostgreSQL's first process so; the program starts it again.
func (k *killed) killDatabase() {
	text, err := os.ReadFile(filepath.Join(k.data, "postgres", "data", "postmaster.pid"))
	if err != nil {
		return // it is about to begin
	}
	if pid, err := strconv.Atoi(strings.SplitN(string(text), "\n", 2)[0]); err == nil && pid > 1 {
		_ = syscall.Kill(pid, syscall.SIGKILL)
	}
}

func (k *killed) call(method, path string, body any, headers ...string) ([]byte, error) {
	text, raw := body.([]byte)
	if !raw {
		text, _ = json.Marshal(body) // bodies of tests can be written
	}
	r, err := http.NewRequest(method, k.url+apitest.In(k.kitchen, path), bytes.NewReader(text))
	if err != nil {
		return nil, err
	}
	r.Header.Set("Content-Type", map[bool]string{false: "application/json", true: "image/jpeg"}[raw])
	for i := 0; i < len(headers); i += 2 {
		r.Header.Set(headers[i], headers[i+1])
	}
	answer, err := (&http.Client{Timeout: 10 * time.Second}).Do(r)
	if err != nil {
		return nil, err
	}
	defer answer.Body.Close()
	got, err := io.ReadAll(answer.Body)
	if err == nil && answer.StatusCode >= 300 {
		err = fmt.Errorf("%s: %s", answer.Status, got)
	}
	return got, err
}

func (k *killed) must(method, path string, body, into any) {
	k.t.Helper()
	var err error
	for range 60 { // the database may be coming back
		var got []byte
		if got, err = k.call(method, path, body); err == nil {
			require.NoError(k.t, json.Unmarshal(got, into))
			return
		}
		time.Sleep(250 * time.Millisecond)
	}
	require.NoError(k.t, err)
}

// pause is how long a device waits that was not answered.
const pause = 20 * time.Millisecond

// What was acknowledged is there after the server or the database was killed at any moment of a
// course. It is tried ten times, or as often as CUERDA_KILLS says (scripts/kill.sh: a hundred).
func TestKilledAtAnyMomentNothingAcknowledgedIsLost(t *testing.T) {
	if testing.Short() {
		t.Skip("half a minute")
	}
	kills := 10
	if n, err := strconv.Atoi(os.Getenv("CUERDA_KILLS")); err == nil {
		kills = n
	}
	// The database runs as its own user, who has to reach the folder.
	data, err := os.MkdirTemp("", "cuerda-kill")
	require.NoError(t, err)
	require.NoError(t, os.Chmod(data, 0o755))
	t.Cleanup(func() { _ = os.RemoveAll(data) })
	k := &killed{t: t, data: data}
	k.begin()
	t.Cleanup(func() { k.killServer() })

	var courses []struct{ ID string }
	k.kitchen = kitchenAt(t, k.url)
	k.must("GET", "/api/courses", nil, &courses)
	var c struct{ ID, Token string }
	c.ID = courses[0].ID
	k.must("POST", "/api/courses/"+c.ID+"/tokens", nil, &c)
	var builds []struct{ ID string }
	k.must("GET", "/api/builds", nil, &builds)

	events, readings := map[string]bool{}, 0
	others := &acknowledged{ids: map[string]map[string]bool{}}
	var mu sync.Mutex
	chance := rand.New(rand.NewPCG(1, 2))
	for round := range kills {
		acknowledgedBefore := readings
		stop := make(chan struct{})
		var writers sync.WaitGroup
		writers.Go(func() { others.write(k, stop, builds[0].ID) })
		for w := range 3 {
			writers.Go(func() {
				for n := 0; ; n++ {
					select {
					case <-stop:
						return
					default:
					}
					id := fmt.Sprintf("k-%d-%d-%d", round, w, n)
					if w == 2 {
						pack := []map[string]any{{"n": "urn:dev:" + id + ":core", "u": "Cel", "v": 20 + float64(n%50)}}
						if _, err := k.call("POST", "/api/readings", pack, "Authorization", "Bearer "+c.Token); err == nil {
							mu.Lock()
							readings++
							mu.Unlock()
						} else {
							time.Sleep(pause)
						}
						continue
					}
					event := map[string]any{"events": []map[string]any{{"id": id, "kind": "timer", "name": id, "minutes": 1}}}
					if _, err := k.call("POST", "/api/courses/"+c.ID+"/events", event); err == nil {
						mu.Lock()
						events[id] = true
						mu.Unlock()
					} else {
						time.Sleep(pause)
					}
				}
			})
		}
		for waited := time.Duration(0); waited < 5*time.Second; waited += pause {
			mu.Lock()
			some := readings > acknowledgedBefore
			mu.Unlock()
			if some {
				break // on a slow machine the moment would else come before anything could be lost
			}
			time.Sleep(pause)
		}
		time.Sleep(time.Duration(20+chance.IntN(400)) * time.Millisecond)
		if round%2 == 0 {
			k.killServer()
		} else {
			k.killDatabase()
			time.Sleep(time.Duration(chance.IntN(300)) * time.Millisecond)
		}
		close(stop)
		writers.Wait()
		if round%2 == 0 {
			k.begin()
		}
		var kept struct{ Events []struct{ ID string } }
		k.must("GET", "/api/courses/"+c.ID+"/events", nil, &kept)
		there := map[string]bool{}
		for _, e := range kept.Events {
			require.False(t, there[e.ID], "twice: %s", e.ID)
			there[e.ID] = true
		}
		for id := range events {
			require.True(t, there[id], "round %d lost %s of %d", round, id, len(events))
		}
		var measured []struct{ Source string }
		k.must("GET", "/api/courses/"+c.ID+"/readings", nil, &measured)
		own := 0
		for _, m := range measured {
			if strings.HasPrefix(m.Source, "urn:dev:k-") {
				own++
			}
		}
		require.GreaterOrEqual(t, own, readings, "round %d", round)
		others.check(k)
	}
	require.NotEmpty(t, events)
	require.Positive(t, readings)
	t.Logf("%d kills, %d events, %d readings, %d suppers, %d tries and %d photos acknowledged, none lost", kills, len(events), readings,
		len(others.ids["suppers"]), len(others.ids["tries"]), len(others.ids["photos"]))
}

// acknowledged are the IDs of what was written down and acknowledged, by their kinds.
type acknowledged struct {
	mu  sync.Mutex
	ids map[string]map[string]bool
}

// write writes suppers, tries and photos until stop.
func (a *acknowledged) write(k *killed, stop chan struct{}, build string) {
	var picture bytes.Buffer
	_ = jpeg.Encode(&picture, image.NewGray(image.Rect(0, 0, 8, 8)), nil) // into memory
	bodies := []struct {
		kind string
		body any
	}{
		{"suppers", map[string]any{"format": "cuerda-supper/1", "name": "Kill", "table": "2030-01-01T19:00:00Z", "dishes": []any{}}},
		{"photos", picture.Bytes()},
		{"tries", map[string]any{"build": build, "version": 1, "found": map[string]any{"hold": "held"}}},
	}
	for n := 0; ; n++ {
		select {
		case <-stop:
			return
		default:
		}
		one := bodies[n%len(bodies)]
		text, err := k.call("POST", "/api/"+one.kind, one.body)
		var made struct{ ID string }
		if err != nil || json.Unmarshal(text, &made) != nil {
			time.Sleep(pause)
			continue
		}
		a.mu.Lock()
		if a.ids[one.kind] == nil {
			a.ids[one.kind] = map[string]bool{}
		}
		a.ids[one.kind][made.ID] = true
		a.mu.Unlock()
	}
}

// check looks for the newest of each kind, and for all of them where there are few.
func (a *acknowledged) check(k *killed) {
	k.t.Helper()
	a.mu.Lock()
	defer a.mu.Unlock()
	for kind, ids := range a.ids {
		for id := range ids {
			var found struct{ ID string }
			if kind == "photos" {
				require.Eventually(k.t, func() bool { // the database may be coming back
					_, err := k.call("GET", "/api/photos/"+id, nil)
					return err == nil
				}, 15*time.Second, 250*time.Millisecond, "a photo is lost")
				continue
			}
			k.must("GET", "/api/"+kind+"/"+id, nil, &found)
			require.Equal(k.t, id, found.ID, "%s lost one", kind)
		}
	}
}
