package e2e

import (
	"fmt"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/internal/api"
	"cuerda/internal/demo/demotest"
	"cuerda/internal/people"
	"cuerda/internal/store"
	"cuerda/web"
)

const recipeOfOnes = `Lentil patties
400 g cooked lentils, mashed
60 g rolled oats
1 onion, finely chopped
1 tbsp flax meal
1/2 tsp salt
Mix, rest 20 minutes, shape into 8 patties about 2 cm thick and fry.`

// The first minute: the door, half a minute of questions, one's own recipe, and the first verdict on it. Nothing has to be read.
func TestTheFirstMinute(t *testing.T) {
	a := start(t)
	p := a.person()
	began := time.Now()
	w := a.open(p, "/")
	w.see(".door-form")
	w.fill("#kitchen-name", "The houseboat")
	w.click("flax meal")
	w.click("Open this kitchen")
	w.see(".modal.show textarea")
	w.fill(".modal.show textarea", recipeOfOnes)
	w.click("Read it")
	w.tapped(".modal.show .btn-primary", "Take|Use|Make")
	w.see(".verdict")
	w.eventually(".verdict", "100")
	t.Logf("from the door to a verdict: %s", time.Since(began).Round(100*time.Millisecond))
	assert.Contains(t, w.words(".app-bar"), "The houseboat")
	assert.NotContains(t, w.words(".app-bar"), "made up")

	// Nothing of the made-up kitchen is here, and every screen says what it is for.
	here := strings.Split(w.MustInfo().URL, "/bench")[0]
	for path, says := range map[string]string{"/logbook": "", "/cook": "Cook one", "/supper": "several dishes", "/practice": "", "/pantry": ""} {
		w.MustNavigate(here + path).MustWaitLoad()
		w.see("main")
		w.settled(func() bool { return len(w.words("main")) > 40 && strings.Contains(w.words("main"), says) }, path+" says what it is for")
		assert.NotContains(t, w.words("main"), "Pea cakes")
	}

	// Whoever comes back goes on in their own kitchen; the other is reached by its name in the header.
	w.MustNavigate(a.url + "/").MustWaitLoad()
	w.eventually(".kitchen-name", "The houseboat")
	w.tap(".kitchen-name")
	w.tapped(".kitchen-menu .dropdown-item", "Saltmarsh")
	w.eventually(".kitchen-name", "Saltmarsh Rowing Club")
	w.eventually(".kitchen-name", "made up")
}

// A kitchen is renamed, erased with its name typed, and brought back at the door.
func TestAKitchenIsErasedAndBroughtBack(t *testing.T) {
	a := start(t)
	w := a.open(a.person(), "/door")
	w.fill("#kitchen-name", "Galley")
	w.tapped("label.btn-word", "an empty bowl")
	w.click("Open this kitchen")
	w.see(".empty-bowl")
	about := func() {
		w.tap(".kitchen-name")
		w.tapped(".kitchen-menu .dropdown-item", "^This kitchen")
		w.see(".this-kitchen")
	}
	about()
	w.fill(".this-kitchen form input", "Ship’s galley")
	w.click("Give it this name")
	w.eventually(".kitchen-name", "Ship’s galley")
	// Giving tries to the common figures is asked plainly, off at first, and taken back with the same tick.
	gives := func() bool { return w.see(".common-figures input").MustProperty("checked").Bool() }
	w.eventually(".common-figures", "No common figures are in use")
	assert.False(t, gives())
	w.tap(".common-figures input")
	assert.Eventually(t, gives, patience, 50*time.Millisecond)
	w.tap(".modal .btn-close")
	about()
	assert.True(t, gives(), "it is kept")
	w.tap(".common-figures input")
	assert.Eventually(t, func() bool { return !gives() }, patience, 50*time.Millisecond)
	button := w.see(".this-kitchen .btn-danger")
	assert.True(t, button.MustEval(`() => this.disabled`).Bool(), "not before its name is typed")
	w.fill(".this-kitchen section:last-of-type input", "Ship’s galley")
	w.click("Erase this kitchen")
	w.eventually(".door-kitchens", "All of it is erased on")
	w.click("Keep it after all")
	w.tapped(".door-kitchen", "Ship’s galley")
	w.see(".empty-bowl")
}

// signedIn serves the kitchen to people who sign in; its owner is Cox.
func signedIn(t *testing.T) *app {
	t.Helper()
	beside(t)
	s, kitchen := demotest.Open(t)
	hash, err := people.Hash(coxSays)
	require.NoError(t, err)
	id, err := s.AddAccount(t.Context(), "Cox", "cox", hash)
	require.NoError(t, err)
	require.NoError(t, s.TakeOver(t.Context(), id))
	require.NoError(t, s.SaveChoices(t.Context(), kitchen, &store.Choices{Off: true}))
	pages, err := web.Dist()
	require.NoError(t, err)
	served := &api.Server{Store: s, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler), Pages: pages, Accounts: true}
	handler := watched(t, served.Handler())
	server := httptest.NewServer(handler)
	t.Cleanup(server.Close)
	t.Cleanup(served.Close)
	return &app{t, server.URL, kitchen, handler}
}

const coxSays = "twelve oars on mud"

func (w *window) signIn(name, passphrase string) {
	w.t.Helper()
	w.fill(`input[autocomplete="username"]`, name)
	w.fill(`input[type="password"]`, passphrase)
	w.click("Sign in")
}

// People sign in, invite others, and let a device at the stove in; each sees what they may.
func TestPeopleAndDevices(t *testing.T) {
	a := signedIn(t)
	check := accessible(t)
	w := a.open(a.person(), "/people")
	w.see(`input[type="password"]`)
	w.signIn("cox", "not this one at all")
	w.eventually("[role=alert]", "do not belong together")
	w.signIn("cox", coxSays)
	// They go on where they wanted to go.
	w.eventually(".people-page", "People in this kitchen")
	w.eventually(".people-page", "Cox")
	check(w, "people and devices")
	w.see(`[aria-labelledby="invite-title"] select`).MustSelect("guest")
	w.click("Make a link")
	link := w.see(".people-once input").MustProperty("value").Str()
	require.Contains(t, link, "/invitation/")

	// The guest chooses a name, keeps the codes, and looks around.
	guest := a.open(a.person(), "/door")
	guest.see(`input[type="password"]`)
	guest.MustNavigate(link).MustWaitLoad()
	guest.eventually("main", "Cox invites you into the kitchen Saltmarsh Rowing Club")
	check(guest, "an invitation")
	guest.fill(`input[autocomplete="username"]`, "Bow")
	guest.fill(`input[type="password"]`, "passwordpassword")
	guest.MustElement("form .btn-primary").MustClick()
	guest.eventually("[role=alert]", "tried first")
	guest.fill(`input[type="password"]`, "salt marsh at low tide")
	guest.MustElement("form .btn-primary").MustClick()
	guest.eventually(".recovery", "Ten recovery codes")
	guest.click("I have them")
	guest.see(".verdict")
	// What a guest changes is tried, and not kept.
	before := guest.value(gramsOf("salt"))
	guest.grams("salt", "11")
	guest.eventually(".save-sign", "Only tried")
	guest.grams("salt", "12")
	guest.eventually(".save-sign", "Only tried")
	guest.MustReload().MustWaitLoad()
	guest.see(".verdict")
	assert.Equal(t, before, guest.value(gramsOf("salt")))

	// A device at the stove: six figures, and then nothing but cookings.
	w.click("Let a device in")
	code := strings.ReplaceAll(w.see(".people-code").MustText(), " ", "")
	require.Len(t, code, 6)
	stove := a.open(a.person(), "/door")
	stove.see("#device-code")
	stove.fill("#device-code", code)
	require.NoError(t, stove.Keyboard.Type(input.Enter))
	stove.see(".cook-home")

	w.MustReload().MustWaitLoad()
	w.eventually(".people-page", "Bow")
	w.click("Show it")
	w.eventually(".people-journal", "came in by an invitation")
	w.eventually(".people-journal", "a sign-in failed")

	// Signed out, the kitchen is closed.
	w.tap(".kitchen-name")
	w.tapped(".kitchen-menu .dropdown-item", "Sign out")
	w.see(`input[type="password"]`)
	w.MustNavigate(a.at("/bench")).MustWaitLoad()
	w.see(`input[type="password"]`)
	answer, err := http.Get(a.at("/api/builds"))
	require.NoError(t, err)
	require.NoError(t, answer.Body.Close())
	assert.Equal(t, http.StatusUnauthorized, answer.StatusCode)
}

// The door fits a phone and text of twice the size, and is accessible, in both languages and themes.
func TestTheDoorIsAccessible(t *testing.T) {
	a := start(t)
	check := accessible(t)
	for _, width := range []int{360, 820, 1280} {
		for _, language := range []string{"en-GB", "es-ES"} {
			w := a.openAs(a.person(), "/door", language, width, 800)
			w.see(".door-form")
			w.settled(func() bool { return len(w.MustElements(".door-form [aria-pressed]")) >= 12 }, "the foods are there")
			check(w, fmt.Sprint(language, " at ", width))
			assert.LessOrEqual(t, w.MustEval(`() => document.documentElement.scrollWidth`).Int(), width)
			require.NoError(t, w.Close())
		}
	}
}

// A passkey is made in the account and lets in without a passphrase.
func TestAPasskeySignsIn(t *testing.T) {
	a := signedIn(t)
	// A passkey is of a name: an address has none.
	a.url = strings.Replace(a.url, "127.0.0.1", "localhost", 1)
	w := a.open(a.person(), "/account")
	require.NoError(t, proto.WebAuthnEnable{}.Call(w.Page))
	_, err := proto.WebAuthnAddVirtualAuthenticator{Options: &proto.WebAuthnVirtualAuthenticatorOptions{
		Protocol: proto.WebAuthnAuthenticatorProtocolCtap2, Transport: proto.WebAuthnAuthenticatorTransportInternal,
		HasResidentKey: true, HasUserVerification: true, IsUserVerified: true, AutomaticPresenceSimulation: true,
	}}.Call(w.Page)
	require.NoError(t, err)
	w.see(`input[type="password"]`)
	w.signIn("Cox", coxSays)
	w.click("Add a passkey of this device")
	w.eventually(".people-page", "not used yet")
	w.tap(".kitchen-name")
	w.tapped(".kitchen-menu .dropdown-item", "Sign out")
	w.click("Sign in with a passkey")
	w.eventually("main", "look around first")
	w.MustNavigate(a.at("/account")).MustWaitLoad()
	w.eventually(".people-page", "last seen")
	w.click("Take it away")
	w.settled(func() bool { return !strings.Contains(w.words(".people-page"), "Take it away") }, "it is gone")
}
