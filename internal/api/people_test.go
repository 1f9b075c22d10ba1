package api_test

import (
	"encoding/json"
	"fmt"
	"io"
	"log/slog"
	"net/http"
	"net/netip"
	"strings"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/api"
	"cuerda/internal/demo/demotest"
	"cuerda/internal/people"
	"cuerda/internal/store"
)

func (h *house) refused(status int, code, who, method, path, body string) {
	h.t.Helper()
	answer, text := h.as(who, method, path, body)
	var p struct{ Code string }
	_ = json.Unmarshal(text, &p)
	assert.Equal(h.t, status, answer.StatusCode, "%s %s: %s", method, path, text)
	assert.Equal(h.t, code, p.Code, "%s %s", method, path)
}

// signInBody is what somebody says who they are with.
func signInBody(name, passphrase string) string {
	text, _ := json.Marshal(map[string]string{"account": name, "passphrase": passphrase}) // texts can be written
	return string(text)
}

func TestSigningInAndOut(t *testing.T) {
	t.Parallel()
	h := openHouse(t)
	c := h.cookies["cook"]
	assert.True(t, c.HttpOnly)
	assert.Equal(t, http.SameSiteLaxMode, c.SameSite)
	assert.Equal(t, "cuerda", c.Name)
	var me api.Me
	h.must("cook", "GET", "/api/me", "", &me)
	assert.Equal(t, "cook", me.Name)

	// However a name is written, it is one; each sign-in has a session of its own.
	answer, _ := h.as("", "POST", "/api/session", signInBody(" COOK ", passphrase))
	require.Equal(t, 200, answer.StatusCode)
	assert.NotEqual(t, c.Value, answer.Cookies()[0].Value)
	var sessions []api.OneSession
	h.must("cook", "GET", "/api/me/sessions", "", &sessions)
	require.Len(t, sessions, 2)
	for _, s := range sessions {
		if !s.Here {
			h.must("cook", "DELETE", "/api/me/sessions/"+s.ID, "", nil)
		}
	}
	h.cookies["ended"] = answer.Cookies()[0]
	h.refused(401, "sign-in", "ended", "GET", "/api/me", "")

	// Another passphrase ends every other session; who it is was asked for a moment ago.
	h.signIn("cook")
	h.cookies["other"] = c
	h.refused(422, "passphrase-short", "cook", "PUT", "/api/me/passphrase", `{"passphrase":"short"}`)
	h.must("cook", "PUT", "/api/me/passphrase", `{"passphrase":"a different one altogether"}`, nil)
	h.refused(401, "sign-in", "other", "GET", "/api/me", "")
	h.refused(401, "wrong-passphrase", "", "POST", "/api/session", signInBody("cook", passphrase))
	h.must("", "POST", "/api/session", signInBody("cook", "a different one altogether"), nil)

	h.must("cook", "DELETE", "/api/session", "", nil)
	h.refused(401, "sign-in", "cook", "GET", "/api/builds", "")

	// A recovery code lets in once.
	var codes api.RecoveryCodes
	h.must("guest", "POST", "/api/me/recovery-codes", "", &codes)
	with := fmt.Sprintf(`{"account":"guest","recovery_code":%q}`, strings.ToUpper(codes.Codes[4]))
	h.must("", "POST", "/api/session", with, nil)
	h.refused(401, "wrong-passphrase", "", "POST", "/api/session", with)

	require.NoError(t, h.store.DisableAccount(t.Context(), h.accounts["guest"]))
	h.refused(401, "sign-in", "guest", "GET", "/api/me", "")
	h.refused(401, "wrong-passphrase", "", "POST", "/api/session", signInBody("guest", passphrase))
}

// What lets somebody in is asked for again where it was long ago.
func TestWhoItIsIsAskedAgain(t *testing.T) {
	t.Parallel()
	h := openHouse(t)
	h.must("owner", "POST", h.whole("/invitations"), `{"role":"guest"}`, nil)
	require.NoError(t, h.store.ForgetProofs(t.Context()))
	h.refused(403, "prove-again", "owner", "POST", h.whole("/invitations"), `{"role":"guest"}`)
	h.refused(401, "wrong-passphrase", "owner", "POST", "/api/session/prove", `{"passphrase":"not this one"}`)
	answer, _ := h.as("owner", "POST", "/api/session/prove", `{"passphrase":"`+passphrase+`"}`)
	require.Equal(t, 200, answer.StatusCode)
	h.cookies["owner"] = answer.Cookies()[0]
	h.must("owner", "POST", h.whole("/invitations"), `{"role":"guest"}`, nil)
}

// Whoever guesses is slowed, and told how long; others sign in meanwhile; the owner hears of it.
func TestGuessesGetNowhere(t *testing.T) {
	t.Parallel()
	h := openHouse(t)
	slowed := 0
	for i := range 40 {
		answer, _ := h.as("", "POST", "/api/session", signInBody("cook", fmt.Sprint("a guess that is wrong ", i)))
		require.NotEqual(t, 200, answer.StatusCode)
		if answer.StatusCode == 429 {
			slowed++
			assert.NotEmpty(t, answer.Header.Get("Retry-After"))
		}
	}
	assert.Greater(t, slowed, 30)
	h.signIn("owner")
	var journal []store.JournalEntry
	h.must("owner", "GET", h.whole("/journal"), "", &journal)
	failed := 0
	for _, e := range journal {
		if e.What == "sign-in-failed" && e.Who == "cook" {
			failed++
			assert.Equal(t, "127.0.0.1", e.Address)
		}
	}
	assert.Equal(t, 5, failed)
	var me api.Me
	h.must("cook", "GET", "/api/me", "", &me)
	assert.Equal(t, 5, me.Failed)

	// Tokens of invitations and links are looked up ten times from one place, and then no more for a while.
	tokens := 0
	for i := range 30 {
		answer, _ := h.as("", "GET", fmt.Sprintf("/api/invitations/%032d", i), "")
		require.Contains(t, []int{404, 429}, answer.StatusCode)
		if answer.StatusCode == 429 {
			tokens++
		}
	}
	assert.GreaterOrEqual(t, tokens, 19)
	h.refused(429, "too-many", "", "GET", "/api/links/none", "")
	h.refused(429, "too-many", "", "POST", "/api/pairings", `{"code":"000000"}`)
}

// Three wrong codes end the one that is open, wherever they are typed; a right one works once.
func TestPairing(t *testing.T) {
	t.Parallel()
	h := openHouse(t)
	var one api.Pairing
	h.must("owner", "POST", "/api/pairing", "", &one)
	wrong := "000000"
	if one.Code == wrong {
		wrong = "000001"
	}
	for range 3 {
		h.refused(404, "not-found", "", "POST", "/api/pairings", `{"code":"`+wrong+`"}`)
	}
	h.refused(404, "not-found", "", "POST", "/api/pairings", `{"code":"`+one.Code+`"}`)

	h.must("owner", "POST", "/api/pairing", "", &one)
	var mu sync.Mutex
	var let []*http.Cookie
	var all sync.WaitGroup
	for range 4 { // typed in several places at once
		all.Go(func() {
			answer, _ := h.as("", "POST", "/api/pairings", `{"code":" `+one.Code[:3]+" "+one.Code[3:]+`","name":"tablet"}`)
			if answer.StatusCode == 200 {
				mu.Lock()
				defer mu.Unlock()
				let = append(let, answer.Cookies()[0])
			}
		})
	}
	all.Wait()
	require.Len(t, let, 1)
	h.cookies["tablet"] = let[0]
	h.must("tablet", "GET", "/api/courses", "", nil)
	var devices []store.Device
	h.must("owner", "GET", "/api/devices", "", &devices)
	require.Len(t, devices, 2)
	h.must("owner", "DELETE", "/api/devices/"+devices[1].ID, "", nil)
	h.refused(401, "sign-in", "tablet", "GET", "/api/courses", "")
}

func TestInvitationsWorkOnce(t *testing.T) {
	t.Parallel()
	h := openHouse(t)
	var one api.Invited
	h.must("owner", "POST", h.whole("/invitations"), `{"role":"cook"}`, &one)
	var look api.InvitationLook
	h.must("", "GET", "/api/invitations/"+one.Token, "", &look)
	assert.Equal(t, "Saltmarsh Rowing Club", look.Kitchen)
	assert.Equal(t, "owner", look.By)
	at := "/api/invitations/" + one.Token + "/accept"
	h.refused(422, "account-name", "", "POST", at, `{"account":"\u202exoC","passphrase":"`+passphrase+`"}`)
	h.refused(422, "passphrase-usual", "", "POST", at, `{"account":"Stroke","passphrase":"passwordpassword"}`)
	h.refused(409, "name-taken", "", "POST", at, `{"account":"COOK","passphrase":"`+passphrase+`"}`)
	h.refused(409, "member", "cook", "POST", at, `{}`)
	// Of many who use it at once one comes in, and no half of another is left.
	var all sync.WaitGroup
	var mu sync.Mutex
	in := 0
	for i := range 6 {
		all.Go(func() {
			answer, _ := h.as("", "POST", at, fmt.Sprintf(`{"account":"Oar %d","passphrase":"%s"}`, i, passphrase))
			if answer.StatusCode == 200 {
				mu.Lock()
				defer mu.Unlock()
				in++
			}
		})
	}
	all.Wait()
	assert.Equal(t, 1, in)
	accounts, err := h.store.Accounts(t.Context())
	require.NoError(t, err)
	assert.Len(t, accounts, 5, "owner, stranger, cook, guest and one oar")

	h.must("owner", "POST", h.whole("/invitations"), `{"role":"guest"}`, &one)
	h.must("owner", "DELETE", h.whole("/invitations/")+one.ID, "", nil)
	h.refused(404, "not-found", "", "GET", "/api/invitations/"+one.Token, "")
	// Somebody who is signed in comes in as they are.
	h.must("owner", "POST", h.whole("/invitations"), `{"role":"guest"}`, &one)
	answer, text := h.as("stranger", "POST", "/api/invitations/"+one.Token+"/accept", "")
	require.Equal(t, 200, answer.StatusCode, string(text))
	h.cookies["before"], h.cookies["stranger"] = h.cookies["stranger"], answer.Cookies()[0]
	h.must("stranger", "GET", "/api/builds", "", nil)
	h.refused(401, "sign-in", "before", "GET", "/api/me", "")
}

func TestTheLastOwnerStays(t *testing.T) {
	t.Parallel()
	h := openHouse(t)
	h.refused(409, "last-owner", "owner", "POST", "/api/leave", "")
	h.refused(409, "last-owner", "owner", "PUT", "/api/people/"+h.accounts["owner"], `{"role":"cook"}`)
	h.refused(409, "last-owner", "owner", "DELETE", "/api/people/"+h.accounts["owner"], "")
	h.refused(409, "last-owner", "owner", "DELETE", "/api/me?name=owner", "")
	h.refused(422, "other-name", "cook", "DELETE", "/api/me?name=somebody", "")

	// What somebody did stays, done by somebody who left; their sessions do not.
	made, _ := h.as("cook", "POST", "/api/builds", buildText("Oar cakes", tofu))
	require.Equal(t, 201, made.StatusCode)
	var builds []api.Entry
	h.must("owner", "GET", "/api/builds?q=Oar", "", &builds)
	var sittings []api.Sitting
	h.must("owner", "GET", "/api/builds/"+builds[0].ID+"/sittings", "", &sittings)
	require.NotNil(t, sittings[0].By)
	assert.Equal(t, "cook", *sittings[0].By)
	answer, text := h.as("cook", "GET", "/api/me/data", "")
	assert.Equal(t, 200, answer.StatusCode)
	assert.Equal(t, "PK", string(text[:2]))
	h.must("cook", "DELETE", "/api/me?name=COOK", "", nil)
	h.refused(401, "sign-in", "cook", "GET", "/api/me", "")
	h.refused(401, "wrong-passphrase", "", "POST", "/api/session", signInBody("cook", passphrase))
	h.must("owner", "GET", "/api/builds/"+builds[0].ID+"/sittings", "", &sittings)
	require.NotNil(t, sittings[0].By)
	assert.Empty(t, *sittings[0].By)
	h.join("cook", "cook") // the name is free again
}

// A kitchen that is erased is there for its owner for seven days, and then nowhere.
func TestErasingAKitchen(t *testing.T) {
	t.Parallel()
	h := openHouse(t)
	var own store.KitchenEntry
	h.must("owner", "POST", "/api/kitchens", `{"name":"  The   houseboat ","oven":"none","have":["flax-meal"],"eaters":{"people":[{"count":2}]}}`, &own)
	assert.Equal(t, "The houseboat", own.Name)
	for _, bad := range []string{"", "   ", strings.Repeat("x", 61), `a\u200bb`, `\u202eback`} {
		h.refused(422, "kitchen-name", "owner", "POST", "/api/kitchens", `{"name":"`+bad+`"}`)
	}
	h.must("owner", "POST", "/api/kitchens", `{"name":"`+strings.Repeat("м", 60)+`"}`, nil)
	club := h.kitchen
	h.kitchen = own.ID
	h.must("owner", "POST", "/api/builds", buildText("Boat cakes", tofu), nil)
	h.join("mate", "cook")
	h.refused(422, "other-name", "owner", "DELETE", h.whole(""), "")
	h.must("owner", "DELETE", h.whole("?name=The%20houseboat"), "", &own)
	require.NotNil(t, own.EraseAt)
	assert.InDelta(t, 7*24, time.Until(*own.EraseAt).Hours(), 1)
	h.refused(404, "not-found", "mate", "GET", "/api/builds", "")
	h.must("owner", "POST", h.whole("/restore"), "", nil)
	h.must("mate", "GET", "/api/builds", "", nil)
	h.must("owner", "DELETE", h.whole("?name=The%20houseboat"), "", nil)
	gone, err := h.store.EraseDue(t.Context(), time.Now().Add(6*24*time.Hour))
	require.NoError(t, err)
	assert.Empty(t, gone)
	gone, err = h.store.EraseDue(t.Context(), time.Now().Add(8*24*time.Hour))
	require.NoError(t, err)
	assert.Equal(t, []string{own.ID}, gone)
	h.refused(404, "not-found", "owner", "GET", "/api/builds", "")
	h.kitchen = club
	h.must("owner", "GET", "/api/builds", "", nil)
	require.NoError(t, h.store.EraseKitchen(t.Context(), club), "with its cookings, readings, calls and photos")
	left, err := h.store.RowsOf(t.Context(), club)
	require.NoError(t, err)
	assert.Zero(t, left)
}

// A link shows one recipe, without note and names, until it is taken back.
func TestLinks(t *testing.T) {
	t.Parallel()
	h := openHouse(t)
	var b api.Build
	h.must("cook", "POST", "/api/builds", `{"format":"cuerda-build/1","name":"Shared","note":"Inés hates this","lines":[`+tofu+`],"eaters":{"avoid":["egg"],"people":[{"name":"Inés","count":1,"avoid":["gluten"]}]}}`, &b)
	var link api.LinkMade
	h.must("cook", "POST", h.whole("/links"), `{"build":"`+b.ID+`","days":7}`, &link)
	answer, text := h.as("", "GET", "/api/links/"+link.Token, "")
	require.Equal(t, 200, answer.StatusCode)
	assert.Contains(t, string(text), "Shared")
	assert.NotContains(t, string(text), "Inés")
	h.must("cook", "DELETE", h.whole("/links/")+link.ID, "", nil)
	h.refused(404, "not-found", "", "GET", "/api/links/"+link.Token, "")
	h.refused(404, "not-found", "stranger", "POST", h.whole("/links"), `{"build":"`+b.ID+`"}`)
}

// What is taken into another kitchen brings its own foods, and two that differ are never made one.
func TestTakenIntoAnotherKitchen(t *testing.T) {
	t.Parallel()
	h := openHouse(t)
	club := h.kitchen
	var made struct{ ID string }
	h.must("owner", "POST", "/api/own-foods", `{"name":"Marsh seed","like":"tahini","allergens":["sesame"]}`, &made)
	var b api.Build
	h.must("owner", "POST", "/api/builds", buildText("Seed cakes", tofu+`,{"food":"`+made.ID+`","grams":20}`), &b)
	var own store.KitchenEntry
	h.must("owner", "POST", "/api/kitchens", `{"name":"Houseboat"}`, &own)
	h.kitchen = own.ID
	var other struct{ ID string }
	h.must("owner", "POST", "/api/own-foods", `{"name":"Marsh seed","like":"tahini","allergens":["peanut"]}`, &other)
	require.Equal(t, made.ID, other.ID, "both are called the same")
	var taken api.TakenFrom
	h.must("owner", "POST", "/api/take", `{"from":"`+club+`","kind":"build","id":"`+b.ID+`"}`, &taken)
	var here api.Build
	h.must("owner", "GET", "/api/builds/"+taken.ID, "", &here)
	assert.Equal(t, "Seed cakes", here.Document.Name)
	assert.NotEqual(t, made.ID, here.Document.Lines[1].Food)
	var foods []api.Food
	h.must("owner", "GET", "/api/foods", "", &foods)
	for _, f := range foods {
		if f.ID == here.Document.Lines[1].Food {
			assert.Contains(t, f.Allergens, "sesame")
		}
	}
	h.must("owner", "POST", "/api/take", `{"from":"`+club+`","kind":"build","id":"`+b.ID+`"}`, &taken)
	var again []api.Food
	h.must("owner", "GET", "/api/foods", "", &again)
	assert.Len(t, again, len(foods), "taken again, its food is there already")
	h.kitchen = club
	h.refused(404, "not-found", "stranger", "POST", "/api/take", `{"from":"`+own.ID+`","kind":"build","id":"`+taken.ID+`"}`)
	h.refused(404, "not-found", "cook", "POST", "/api/take", `{"from":"`+own.ID+`","kind":"build","id":"`+taken.ID+`"}`)
}

// Only proxies that were named are believed about where a request comes from.
func TestWhereARequestComesFrom(t *testing.T) {
	ask := func(s *api.Server, remote string, forwarded ...string) string {
		r, err := http.NewRequest("GET", "/", nil)
		require.NoError(t, err)
		r.RemoteAddr = remote
		for _, f := range forwarded {
			r.Header.Add("X-Forwarded-For", f)
		}
		return s.AddressOf(r)
	}
	bare := &api.Server{}
	assert.Equal(t, "10.0.0.9", ask(bare, "10.0.0.9:4000", "1.2.3.4"))
	behind := &api.Server{Proxies: []netip.Prefix{netip.MustParsePrefix("10.0.0.0/24")}}
	assert.Equal(t, "1.2.3.4", ask(behind, "10.0.0.9:4000", "1.2.3.4"))
	assert.Equal(t, "1.2.3.4", ask(behind, "10.0.0.9:4000", "6.6.6.6, 1.2.3.4, 10.0.0.7"), "what a client made up is not believed")
	assert.Equal(t, "9.9.9.9", ask(behind, "9.9.9.9:4000", "1.2.3.4"), "nor somebody who is no proxy")
	assert.Equal(t, "10.0.0.9", ask(behind, "10.0.0.9:4000", "no address"))
	assert.Equal(t, "2001:db8:1:2::", ask(bare, "[2001:db8:1:2:3:4:5:6]:4000"), "a household has all of a /64")
}

// A kitchen that is full says so, and what would make room; the others go on.
func TestQuotas(t *testing.T) {
	t.Parallel()
	s, kitchen := demotest.Open(t)
	require.NoError(t, s.SaveChoices(t.Context(), kitchen, &store.Choices{Off: true}))
	quotas := api.UsualQuotas
	quotas.Versions, quotas.AtOnce = 1, 1
	c := serve(t, &api.Server{Store: s, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler), Quotas: &quotas}, kitchen)
	p := c.problem(507, "kitchen-full", "POST", "/api/builds", buildText("One more", tofu))
	assert.Contains(t, p.Detail, "Save its file")
	var used api.KitchenUsage
	_, text := c.do("GET", "/api/usage", "")
	require.NoError(t, json.Unmarshal(text, &used))
	assert.Greater(t, used.Used.Versions, int64(10))
	assert.Positive(t, used.Used.PhotoBytes+used.Used.Readings+used.Used.Tries)
	_, text = c.do("POST", "/api/kitchens", `{"name":"Other"}`)
	var other store.KitchenEntry
	require.NoError(t, json.Unmarshal(text, &other))
	c.kitchen = other.ID
	answer, _ := c.do("POST", "/api/builds", buildText("First", tofu))
	assert.Equal(t, 201, answer.StatusCode)
	// Of many computations at once one runs, and the others are asked to come again.
	var all sync.WaitGroup
	var again, done atomic.Int32
	for range 12 {
		all.Go(func() {
			answer, _ := c.do("POST", "/api/bake", turkey)
			switch answer.StatusCode {
			case 200:
				done.Add(1)
			case 429:
				again.Add(1)
				assert.NotEmpty(t, answer.Header.Get("Retry-After"))
			}
		})
	}
	all.Wait()
	assert.Equal(t, int32(12), again.Load()+done.Load())
	assert.Positive(t, done.Load())
}

// A stream that somebody follows ends once they may no longer.
func TestWhoeverIsTakenOutFollowsNoLonger(t *testing.T) {
	t.Parallel()
	h := openHouse(t)
	h.served.AskAgain(50 * time.Millisecond)
	var courses []struct{ ID string }
	h.must("owner", "GET", "/api/courses", "", &courses)
	r, err := http.NewRequest("GET", h.at("/api/courses/"+courses[0].ID+"/stream"), nil)
	require.NoError(t, err)
	r.AddCookie(h.cookies["cook"])
	stream, err := http.DefaultClient.Do(r)
	require.NoError(t, err)
	defer stream.Body.Close()
	require.Equal(t, 200, stream.StatusCode)
	h.must("owner", "DELETE", "/api/people/"+h.accounts["cook"], "", nil)
	ended := make(chan error, 1)
	go func() { _, err := io.Copy(io.Discard, stream.Body); ended <- err }()
	for end := time.Now().Add(20 * time.Second); ; { // news come, and with them it is asked
		h.as("owner", "POST", "/api/courses/"+courses[0].ID+"/events", fmt.Sprintf(`{"events":[{"id":"k%d","kind":"timer","name":"Kettle","minutes":3}]}`, time.Now().UnixNano()))
		select {
		case err := <-ended:
			require.NoError(t, err)
			return
		case <-time.After(60 * time.Millisecond):
		}
		require.True(t, time.Now().Before(end), "it never ended")
	}
}

// The link for the first owner makes one, who owns what was there, and nobody after that.
func TestTheFirstOwner(t *testing.T) {
	t.Parallel()
	s, kitchen := demotest.Open(t)
	h := &house{cookies: map[string]*http.Cookie{}, accounts: map[string]string{}}
	h.client = h.serve(t, s, kitchen)
	var tokens []string
	for range 2 {
		token, hash := people.Token()
		_, err := s.Invite(t.Context(), "", "owner", hash, time.Now().Add(time.Hour))
		require.NoError(t, err)
		tokens = append(tokens, token)
	}
	h.refused(422, "account-name", "", "POST", "/api/invitations/"+tokens[0]+"/accept", "")
	answer, text := h.as("", "POST", "/api/invitations/"+tokens[0]+"/accept", signInBody("Cox", passphrase))
	require.Equal(t, 200, answer.StatusCode, string(text))
	h.cookies["cox"] = answer.Cookies()[0]
	var own store.KitchenEntry
	h.must("cox", "GET", h.whole(""), "", &own)
	assert.Equal(t, "owner", string(own.Role))
	assert.Positive(t, *own.Builds)
	h.refused(404, "not-found", "", "POST", "/api/invitations/"+tokens[1]+"/accept", signInBody("Bow", passphrase))
}
