package api_test

import (
	"bytes"
	"encoding/json"
	"io"
	"log/slog"
	"math/rand/v2"
	"net/http"
	"net/http/httptest"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/lawtest"
	"cuerda/internal/api"
	"cuerda/internal/api/apitest"
	"cuerda/internal/archive"
	"cuerda/internal/demo/demotest"
	"cuerda/internal/people"
	"cuerda/internal/store"
)

// house is a server where people sign in, with somebody of every kind before its door.
type house struct {
	*client
	// cookies are what those who signed in are known by; instrument is a token of a cooking.
	cookies    map[string]*http.Cookie
	instrument string
	accounts   map[string]string
}

const passphrase = "twelve oars on mud"

// visitors in the order of what they may; a letter each in the table below.
var visitors = []string{"nobody", "stranger", "stove", "instrument", "guest", "cook", "owner"}

const visitorLetters = "nxsigco"

func openHouse(t *testing.T) *house {
	t.Helper()
	s, kitchen := demotest.OpenNow(t)
	require.NoError(t, s.SaveChoices(t.Context(), kitchen, &store.Choices{Off: true}))
	h := &house{cookies: map[string]*http.Cookie{}, accounts: map[string]string{}}
	h.client = h.serve(t, s, kitchen)
	for _, name := range []string{"owner", "stranger"} {
		hash, err := people.Hash(passphrase)
		require.NoError(t, err)
		h.accounts[name], err = s.AddAccount(t.Context(), name, name, hash)
		require.NoError(t, err)
		if name == "owner" {
			require.NoError(t, s.TakeOver(t.Context(), h.accounts[name]))
		}
		h.signIn(name)
	}
	for _, role := range []string{"cook", "guest"} {
		h.join(role, role)
	}
	var code api.Pairing
	h.must("owner", "POST", "/api/pairing", "", &code)
	answer, _ := h.as("", "POST", "/api/pairings", `{"code":"`+code.Code+`","name":"tablet"}`)
	require.Equal(t, 200, answer.StatusCode)
	h.cookies["stove"] = answer.Cookies()[0]
	return h
}

func (h *house) serve(t *testing.T, s *store.Store, kitchen string) *client {
	served := &api.Server{Store: s, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler), Accounts: true}
	server := httptest.NewServer(served.Handler())
	t.Cleanup(server.Close)
	t.Cleanup(served.Close)
	return &client{t, server.URL, s, kitchen, served}
}

// as sends a request of somebody.
func (h *house) as(who, method, path, body string) (*http.Response, []byte) {
	h.t.Helper()
	return h.send(who, method, h.at(path), body)
}

func (h *house) send(who, method, address, body string) (*http.Response, []byte) {
	h.t.Helper()
	r, err := http.NewRequest(method, address, strings.NewReader(body))
	require.NoError(h.t, err)
	if body != "" {
		r.Header.Set("Content-Type", "application/json")
	}
	if c := h.cookies[who]; c != nil {
		r.AddCookie(c)
	}
	if who == "instrument" {
		r.Header.Set("Authorization", "Bearer "+h.instrument)
	}
	answer, err := (&http.Client{Timeout: 20 * time.Second}).Do(r)
	require.NoError(h.t, err)
	defer answer.Body.Close()
	text, err := io.ReadAll(answer.Body)
	require.NoError(h.t, err)
	apitest.Check(h.t, method, r.URL.Path, answer.StatusCode, answer.Header, text)
	return answer, text
}

func (h *house) must(who, method, path, body string, into any) {
	h.t.Helper()
	answer, text := h.as(who, method, path, body)
	require.Less(h.t, answer.StatusCode, 300, "%s %s: %s", method, path, text)
	if into != nil {
		require.NoError(h.t, json.Unmarshal(text, into))
	}
}

func (h *house) signIn(name string) {
	h.t.Helper()
	answer, text := h.as("", "POST", "/api/session", `{"account":"`+name+`","passphrase":"`+passphrase+`"}`)
	require.Equal(h.t, 200, answer.StatusCode, string(text))
	h.cookies[name] = answer.Cookies()[0]
}

// join lets a new account into the kitchen in a role.
func (h *house) join(name, role string) {
	h.t.Helper()
	var invited api.Invited
	h.must("owner", "POST", h.whole("/invitations"), `{"role":"`+role+`"}`, &invited)
	answer, text := h.as("", "POST", "/api/invitations/"+invited.Token+"/accept", `{"account":"`+name+`","passphrase":"`+passphrase+`"}`)
	require.Equal(h.t, 200, answer.StatusCode, string(text))
	var in api.Accepted
	require.NoError(h.t, json.Unmarshal(text, &in))
	assert.Len(h.t, in.Codes, 10)
	h.cookies[name], h.accounts[name] = answer.Cookies()[0], in.Account
}

// whole is a path in the kitchen that also stands beside kitchens.
func (h *house) whole(path string) string { return "/api/kitchens/" + h.kitchen + path }

// may says of every operation who may do it, by their letters: nobody (n), a stranger (x), a stove (s), an instrument (i),
// a guest (g), a cook (c), an owner (o).
var may = func() map[string]string {
	out := map[string]string{}
	for who, operations := range map[string]string{
		"nxsigco": "getHealth getReady getVocabulary listShelf signIn signOut beginPasskeySignIn signInByPasskey lookAtInvitation acceptInvitation pair followLink",
		"i":       "sendReadings whatToMeasure",
		"xgco":    "makeDemonstration listKitchens makeKitchen eraseAccount packAccount setPassphrase makeRecoveryCodes listSessions endSession prove beginPasskey addPasskey listPasskeys removePasskey",
		"xsgco":   "getMe",
		"sgco":    "getKitchen listCourses getCourse listCourseEvents listFoods getPhoto lookPast",
		"sco":     "actOnCourse",
		"gco": `getUsage getCommonFigures listBuilds getBuild compare exportBuild pageOfBuild listSittings listVersions getVersion listCourseReadings listFigures weigh getLearned listLinks
			getPantry listMembers getPractice readLine getSettings listSides listSuppers getSupper listTries getTry compareTries nextTry
			bake bind compose lookAtDish explain fit mend lookOut fitPart startPart planPatties plan predict readRecipe reshape scale schools readSide lookAtSupper leaveKitchen`,
		"co": `packKitchen exportPractice exportTries exportSupper renameKitchen unpackKitchen createBuild deleteBuild saveBuild restoreBuild branch nameVersion goBack
			beginCourse deleteCourse simulate restoreCourse letInstrument chooseLearned makeLink endLink addOwnFood dropOwnFood changeOwnFood savePantryItem keepPhoto
			importPractice addPracticePerson savePracticePerson beginPractice callPractice endPractice saveSettings createSupper deleteSupper saveSupper restoreSupper
			takeFrom writeTry importTries deleteTry saveTry restoreTry`,
		"o": "giveTries eraseKitchen putAwayKitchen restoreKitchen listDevices openPairing endDevice invite listInvitations endInvitation readJournal setMember removeMember",
	} {
		for _, id := range strings.Fields(operations) {
			out[id] = who
		}
	}
	return out
}()

// asks makes requests of an operation that would do something, were they let.
type asks struct {
	*nearly
	ids map[string][]string
}

func (h *house) asks(schemas map[string]any) *asks {
	a := &asks{nearly: &nearly{Rand: rand.New(rand.NewPCG(lawtest.Seed(h.t), 2)), schemas: schemas, known: map[string][]string{
		"format": {"cuerda-build/1", "cuerda-supper/1"}, "food": {"turkey-ground", "flax-meal", "oats-rolled"}, "foods": {"flax-meal"}, "like": {"tahini"},
		"zone": {"UTC"}, "do": {"squeeze", "grate"}, "currency": {"EUR"}, "from": {h.kitchen},
	}}, ids: map[string][]string{}}
	for _, list := range []string{"builds", "suppers", "courses", "tries"} {
		var all []struct{ ID string }
		var text json.RawMessage
		h.must("owner", "GET", "/api/"+list, "", &text)
		var tries struct{ Tries []struct{ ID string } }
		if json.Unmarshal(text, &all) != nil {
			require.NoError(h.t, json.Unmarshal(text, &tries))
			all = tries.Tries
		}
		for _, one := range all {
			a.ids[list] = append(a.ids[list], one.ID)
		}
	}
	a.known["build"], a.known["supper"], a.known["id"] = a.ids["builds"], a.ids["suppers"], a.ids["builds"]
	return a
}

// request fills an operation's path and body.
func (a *asks) request(h *house, o operation) (path, body string) {
	parts := strings.Split(strings.Replace(o.path, "{kitchen}", h.kitchen, 1), "/")
	kind := parts[2]
	if kind == "kitchens" && len(parts) > 4 {
		kind = parts[4]
	}
	for j, part := range parts {
		switch {
		case part == "{id}" && len(a.ids[kind]) > 0:
			parts[j] = a.ids[kind][0]
		case part == "{food}":
			parts[j] = "flax-meal"
		case part == "{number}":
			parts[j] = "1"
		case part == "{account}" || part == "{id}":
			parts[j] = "00000000-0000-4000-8000-000000000000"
		case strings.HasPrefix(part, "{"):
			parts[j] = "none"
		}
	}
	if o.body != nil {
		text, err := json.Marshal(a.of(o.body, "", 0))
		require.NoError(h.t, err)
		body = string(text)
	}
	return strings.Join(parts, "/"), body
}

// sum is of everything that is kept of every kitchen, but for what may change without anybody's doing.
func (h *house) sum() (out []string) {
	h.t.Helper()
	var whole bytes.Buffer
	_, err := archive.WriteBackup(h.t.Context(), &whole, h.store, time.Unix(0, 0))
	require.NoError(h.t, err)
	b, err := archive.OpenBackup(bytes.NewReader(whole.Bytes()), int64(whole.Len()), food.Starter())
	require.NoError(h.t, err)
	for _, k := range b.List.Kitchens {
		out = append(out, k.Name+" "+k.SHA256)
	}
	return out
}

// Every operation, for every kind of visitor, with real sessions: whoever may is let, whoever may not is not, and a
// stranger cannot tell a kitchen from one that never was.
func TestWhoMayDoWhat(t *testing.T) {
	if testing.Short() {
		t.Skip("it runs without the race detector")
	}
	t.Parallel()
	h := openHouse(t)
	operations, schemas := described(t)
	a := h.asks(schemas)
	var token api.InstrumentToken
	h.must("owner", "POST", "/api/courses/"+a.ids["courses"][0]+"/tokens", "", &token)
	h.instrument = token.Token
	asked := 0
	// What ends a visit or a membership comes last.
	last := []string{"deleteCourse", "leaveKitchen", "signOut"}
	slices.SortStableFunc(operations, func(x, y operation) int { return slices.Index(last, x.id) - slices.Index(last, y.id) })
	for _, o := range operations {
		who, known := may[o.id]
		if !assert.True(t, known, "%s %s (%s) says not who may do it", o.method, o.path, o.id) {
			continue
		}
		for i, visitor := range visitors {
			let := strings.Contains(who, visitorLetters[i:i+1])
			path, body := a.request(h, o)
			if o.body != nil {
				body = "{}" // who may not is sent away before the body is read
			}
			if o.id == "sendReadings" {
				body = "[]"
			}
			if let && o.method != http.MethodGet && slices.Contains([]string{"leaveKitchen", "putAwayKitchen"}, o.id) && visitor == "owner" {
				continue // it would be the last one; tests of their own do it
			}
			answer, text := h.send(visitor, o.method, h.url+path, body)
			asked++
			var p struct{ Code, Detail string }
			_ = json.Unmarshal(text, &p)
			sent := answer.StatusCode == 401 && p.Code != "wrong-passphrase" || answer.StatusCode == 403 && p.Code != "prove-again" || p.Detail == "There is no such kitchen."
			assert.Equal(t, let, !sent, "%s: %s %s: %d %s", visitor, o.method, path, answer.StatusCode, text)
			if visitor == "stranger" && !let && strings.Contains(o.path, "{kitchen}") {
				none, said := h.send(visitor, o.method, h.url+strings.Replace(path, h.kitchen, "00000000-0000-4000-8000-000000000000", 1), body)
				assert.Equal(t, answer.StatusCode, none.StatusCode, path)
				assert.JSONEq(t, string(text), string(said), "as if it had never been")
			}
		}
	}
	t.Logf("%d operations, %d requests", len(operations), asked)
}

// With the application's own checks switched off the database lets nobody see or change what is not theirs.
func TestTheSecondWall(t *testing.T) {
	if testing.Short() {
		t.Skip("it runs without the race detector")
	}
	t.Parallel()
	h := openHouse(t)
	operations, schemas := described(t)
	a := h.asks(schemas)
	before := h.sum()
	people, err := h.store.Members(t.Context(), h.kitchen)
	require.NoError(t, err)
	// Names that are only in this kitchen.
	secrets := []string{"Saltmarsh", "Pea cakes", "peas-split"}
	asked := 0
	for _, visitor := range []string{"nobody", "stranger", "guest"} {
		// A server of its own: nothing of the kitchen is in its memory.
		bare := *h
		bare.client = h.serve(t, h.store, h.kitchen)
		bare.served.Unchecked()
		for _, o := range operations {
			if slices.Contains([]string{"signOut", "leaveKitchen", "eraseAccount", "makeKitchen", "setPassphrase"}, o.id) {
				continue // on oneself, not on the kitchen
			}
			for range 2 {
				path, body := a.request(h, o)
				answer, text := bare.send(visitor, o.method, bare.url+path, body)
				asked++
				assert.Less(t, answer.StatusCode, 500, "%s: %s %s: %s", visitor, o.method, path, text)
				if visitor == "guest" || strings.HasSuffix(o.path, "/foods") || strings.HasSuffix(o.path, "/vocabulary") {
					continue
				}
				for _, secret := range secrets {
					assert.NotContains(t, string(text), secret, "%s: %s %s", visitor, o.method, path)
				}
			}
		}
		assert.Equal(t, before, h.sum(), "%s changed nothing", visitor)
	}
	after, err := h.store.Members(t.Context(), h.kitchen)
	require.NoError(t, err)
	assert.Equal(t, people, after)
	var open []store.Invitation
	h.must("owner", "GET", h.whole("/invitations"), "", &open)
	assert.Empty(t, open)
	t.Logf("%d requests", asked)
	// The same requests of an owner do change things: the wall is what they ran against.
	for _, o := range operations {
		if path, body := a.request(h, o); o.method != http.MethodGet && strings.Contains(o.path, "/builds") {
			h.send("owner", o.method, h.url+path, body)
		}
	}
	assert.NotEqual(t, before, h.sum())
}
