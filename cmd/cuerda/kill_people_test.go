package main

import (
	"bytes"
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"net/http"
	"os"
	"strconv"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/people"
)

// A server that is killed while somebody signs up, is invited, makes a kitchen or has one erased leaves none of it half done.
// It is tried six times, or as often as CUERDA_KILLS says.
func TestKilledWhilePeopleComeAndGo(t *testing.T) {
	if testing.Short() {
		t.Skip("half a minute")
	}
	kills := 6
	if n, err := strconv.Atoi(os.Getenv("CUERDA_KILLS")); err == nil {
		kills = n
	}
	data, err := os.MkdirTemp("", "cuerda-kill-people")
	require.NoError(t, err)
	require.NoError(t, os.Chmod(data, 0o755))
	t.Cleanup(func() { _ = os.RemoveAll(data) })
	k := &killed{t: t, data: data, more: []string{"--accounts"}}
	k.begin()
	t.Cleanup(func() { k.killServer() })
	code, _, errs := command("twelve oars on mud\n", "account", "add", "Cox", "--data", data, "--database", "")
	require.Zero(t, code, errs)
	acknowledged := map[string]bool{}
	for kill := range kills {
		h := &http.Client{Timeout: 10 * time.Second}
		cookie := k.signedIn(h, "Cox")
		ask := func(method, path, body string, into any) bool {
			r, err := http.NewRequest(method, k.url+path, strings.NewReader(body))
			if err != nil {
				return false
			}
			r.Header.Set("Content-Type", "application/json")
			r.AddCookie(cookie)
			answer, err := h.Do(r)
			if err != nil {
				return false
			}
			defer answer.Body.Close()
			var text bytes.Buffer
			_, err = text.ReadFrom(answer.Body)
			return err == nil && answer.StatusCode < 300 && (into == nil || json.Unmarshal(text.Bytes(), into) == nil)
		}
		dead := make(chan struct{})
		go func() {
			time.Sleep(time.Duration(200+rand.IntN(1500)) * time.Millisecond)
			k.killServer()
			close(dead)
		}()
		for n := 0; ; n++ {
			var kitchen struct{ ID string }
			if !ask("POST", "/api/kitchens", fmt.Sprintf(`{"name":"Boat %d.%d","have":["flax-meal","oats-rolled"]}`, kill, n), &kitchen) {
				break
			}
			at := "/api/kitchens/" + kitchen.ID
			var invited struct{ Token string }
			if !ask("POST", at+"/invitations", `{"role":"cook"}`, &invited) {
				break
			}
			name := fmt.Sprintf("Oar %d.%d", kill, n)
			r, err := http.NewRequest("POST", k.url+"/api/invitations/"+invited.Token+"/accept", strings.NewReader(fmt.Sprintf(`{"account":%q,"passphrase":"salt marsh at low tide"}`, name)))
			require.NoError(t, err)
			r.Header.Set("Content-Type", "application/json")
			answer, err := h.Do(r)
			if err != nil {
				break
			}
			_ = answer.Body.Close()
			if answer.StatusCode != 200 {
				break
			}
			acknowledged[name] = true
			if n%3 == 2 && !ask("DELETE", at+"?name="+strings.ReplaceAll(fmt.Sprintf("Boat %d.%d", kill, n), " ", "%20"), "", nil) {
				break
			}
		}
		<-dead
		k.begin()
	}
	k.killServer()
	s, done, err := (&place{data: data}).open(t.Context(), false)
	require.NoError(t, err)
	defer done()
	accounts, err := s.Accounts(t.Context())
	require.NoError(t, err)
	known := map[string]bool{}
	for _, a := range accounts {
		known[a.Name] = true
		if a.Name == "Cox" {
			continue
		}
		// Whoever is there has a passphrase, ten codes and the kitchen that they were invited into.
		assert.True(t, people.Matches("salt marsh at low tide", a.Passphrase))
		codes, kitchens, err := s.CountOf(t.Context(), a.ID)
		require.NoError(t, err)
		assert.Equal(t, []int{10, 1}, []int{codes, kitchens}, a.Name)
	}
	for name := range acknowledged {
		assert.True(t, known[name], "%s was let in", name)
	}
	all, err := s.ListKitchens(t.Context())
	require.NoError(t, err)
	for i := range all {
		if all[i].MadeUp {
			continue
		}
		members, err := s.Members(t.Context(), all[i].ID)
		require.NoError(t, err)
		assert.NotEmpty(t, members, "%s has its owner", all[i].Name)
		have, err := s.Pantry(t.Context(), all[i].ID)
		require.NoError(t, err)
		assert.Len(t, have, 2, all[i].Name)
	}
	// Erasing is whole too.
	gone, err := s.EraseDue(t.Context(), time.Now().Add(8*24*time.Hour))
	require.NoError(t, err)
	for _, id := range gone {
		left, err := s.RowsOf(t.Context(), id)
		require.NoError(t, err)
		assert.Zero(t, left)
	}
	t.Logf("%d kills, %d accounts, %d kitchens, %d erased", kills, len(accounts), len(all), len(gone))
}

// signedIn signs somebody in, once the server answers.
func (k *killed) signedIn(h *http.Client, name string) *http.Cookie {
	k.t.Helper()
	var last any
	for range 100 {
		answer, err := h.Post(k.url+"/api/session", "application/json", strings.NewReader(fmt.Sprintf(`{"account":%q,"passphrase":"twelve oars on mud"}`, name)))
		if last = err; err == nil {
			_ = answer.Body.Close()
			if cookies := answer.Cookies(); len(cookies) > 0 {
				return cookies[0]
			}
			last = answer.Status
		}
		time.Sleep(100 * time.Millisecond)
	}
	require.Fail(k.t, "nobody is let in", "%v", last)
	return nil
}
