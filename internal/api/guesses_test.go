package api_test

import (
	"fmt"
	"io"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"net/netip"
	"os"
	"strings"
	"sync"
	"sync/atomic"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/api"
	"cuerda/internal/demo/demotest"
	"cuerda/internal/people"
	"cuerda/internal/store"
)

// Guesses of a passphrase, of codes, links and invitations, from a few hundred addresses at once: none gets in, nearly all are
// slowed, the owner is told, and others sign in meanwhile, the one who is guessed at too. There are 300 of each, or 10 000 with
// CUERDA_SIEGE.
func TestNoGuessGetsIn(t *testing.T) {
	if testing.Short() {
		t.Skip("it runs without the race detector")
	}
	total := 300
	if os.Getenv("CUERDA_SIEGE") != "" {
		total = 10_000
	}
	s, kitchen := demotest.Open(t)
	h := &house{cookies: map[string]*http.Cookie{}, accounts: map[string]string{}}
	served := &api.Server{Store: s, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler), Accounts: true, Proxies: []netip.Prefix{netip.MustParsePrefix("127.0.0.0/8")}}
	server := httptest.NewServer(served.Handler())
	t.Cleanup(server.Close)
	t.Cleanup(served.Close)
	h.client = &client{t, server.URL, s, kitchen, served}
	hash, err := people.Hash(passphrase)
	require.NoError(t, err)
	id, err := s.AddAccount(t.Context(), "owner", "owner", hash)
	require.NoError(t, err)
	require.NoError(t, s.TakeOver(t.Context(), id))
	_, err = s.AddAccount(t.Context(), "other", "other", hash)
	require.NoError(t, err)

	from := func(address, method, path, body string) (int, *http.Response) {
		r, err := http.NewRequest(method, h.url+path, strings.NewReader(body))
		require.NoError(t, err)
		r.Header.Set("X-Forwarded-For", address)
		if body != "" {
			r.Header.Set("Content-Type", "application/json")
		}
		answer, err := http.DefaultClient.Do(r)
		require.NoError(t, err)
		_, _ = io.Copy(io.Discard, answer.Body)
		_ = answer.Body.Close()
		return answer.StatusCode, answer
	}
	status, answer := from("192.0.2.1", "POST", "/api/session", signInBody("owner", passphrase))
	require.Equal(t, 200, status, "from home, before all this")
	h.cookies["owner"] = answer.Cookies()[0]
	var one api.Pairing
	h.must("owner", "POST", "/api/pairing", "", &one)

	var in, slowed, asked atomic.Int32
	var all sync.WaitGroup
	work := make(chan int)
	for range 8 {
		all.Go(func() {
			for i := range work {
				address := fmt.Sprintf("198.51.%d.%d", i%3, i/3%100)
				for _, guess := range [][3]string{
					{"POST", "/api/session", signInBody("owner", fmt.Sprint("a guess that is wrong ", i))},
					{"POST", "/api/pairings", fmt.Sprintf(`{"code":"%06d"}`, i)},
					{"GET", fmt.Sprintf("/api/links/%032d", i), ""},
					{"GET", fmt.Sprintf("/api/invitations/%032d", i), ""},
				} {
					status, answer := from(address, guess[0], guess[1], guess[2])
					asked.Add(1)
					switch status {
					case 200, 201:
						in.Add(1)
					case 429:
						slowed.Add(1)
						assert.NotEmpty(t, answer.Header.Get("Retry-After"))
					}
				}
			}
		})
	}
	for i := range total {
		work <- i
		if i == total/2 {
			status, _ := from("203.0.113.9", "POST", "/api/session", signInBody("other", passphrase))
			assert.Equal(t, 200, status, "somebody else, meanwhile")
			status, _ = from("192.0.2.1", "POST", "/api/session", signInBody("owner", passphrase))
			assert.Equal(t, 200, status, "the one who is guessed at, from home")
		}
	}
	close(work)
	all.Wait()
	assert.Zero(t, in.Load())
	var journal []store.JournalEntry
	h.must("owner", "GET", h.whole("/journal"), "", &journal)
	told := 0
	for _, e := range journal {
		if e.What == "sign-in-failed" || e.What == "pairing-failed" {
			told++
		}
	}
	assert.Greater(t, told, 20)
	t.Logf("%d guesses, %d let in, %d slowed", asked.Load(), in.Load(), slowed.Load())
	if total > 1000 {
		assert.Greater(t, slowed.Load(), asked.Load()*7/10)
	}
}

// How long a sign-in takes that is wrong: of a name that is known, and of one that is not.
func BenchmarkWrongSignIn(b *testing.B) {
	s, kitchen := demotest.Open(b)
	hash, err := people.Hash(passphrase)
	require.NoError(b, err)
	_, err = s.AddAccount(b.Context(), "owner", "owner", hash)
	require.NoError(b, err)
	// In turns: what comes first warms up.
	for _, name := range []string{"nobody at all", "owner", "nobody at all", "owner"} {
		b.Run(strings.Fields(name)[0], func(b *testing.B) {
			for n := 0; b.Loop(); n++ {
				if n%4 == 0 { // before anybody is slowed
					b.StopTimer()
					served := &api.Server{Store: s, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler), Accounts: true}
					server := httptest.NewServer(served.Handler())
					b.Cleanup(server.Close)
					b.Cleanup(served.Close)
					h := &house{client: &client{b, server.URL, s, kitchen, served}, cookies: map[string]*http.Cookie{}}
					signIn = func() { h.as("", "POST", "/api/session", signInBody(name, "a guess that is wrong")) }
					b.StartTimer()
				}
				signIn()
			}
		})
	}
}

var signIn func()
