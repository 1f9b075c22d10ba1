package main

import (
	"bytes"
	"cmp"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/api"
	"cuerda/internal/api/apitest"
	"cuerda/internal/problem"
	"cuerda/internal/store"
	"cuerda/internal/wire"
)

func command(in string, args ...string) (code int, out, errs string) {
	var o, e bytes.Buffer
	code = run(args, strings.NewReader(in), &o, &e)
	return code, o.String(), e.String()
}

const cakes = `{"format":"cuerda-build/1","lines":[{"food":"red-lentils-cooked","grams":420},{"food":"millet-flakes","grams":75}],"rest":{"minutes":15}}`

func TestPredictPrintsOneObject(t *testing.T) {
	file := filepath.Join(t.TempDir(), "cakes.json")
	require.NoError(t, os.WriteFile(file, []byte(cakes), 0o600))
	code, fromFile, _ := command("", "predict", file)
	assert.Zero(t, code)
	code, fromInput, _ := command(cakes, "predict", "-")
	assert.Zero(t, code)
	assert.Equal(t, fromFile, fromInput)
	var p wire.Prediction
	require.NoError(t, json.Unmarshal([]byte(fromInput), &p))
	assert.EqualValues(t, "tacky", p.Word)
}

func TestABadDocumentIsTheSameProblemAsOverHTTP(t *testing.T) {
	code, out, errs := command(strings.Replace(cakes, "millet-flakes", "milet flakes", 1), "predict", "-")
	assert.Equal(t, 2, code)
	assert.Empty(t, out)
	var p problem.Problem
	require.NoError(t, json.Unmarshal([]byte(errs), &p))
	assert.Equal(t, problem.BadDocument, p.Code)
	assert.Equal(t, "/lines/1/food", p.Errors[0].Pointer)
	assert.Equal(t, "millet-flakes", p.Errors[0].Nearest)

	code, _, _ = command(strings.Repeat("x", 10<<20), "predict", "-")
	assert.Equal(t, 2, code)
	code, _, errs = command("", "predict", "/no/such/file")
	assert.Equal(t, 1, code)
	assert.Contains(t, errs, "no such file")
	code, _, _ = command("", "bake-a-cake")
	assert.Equal(t, 1, code)
}

func TestBindAddsWaysToThePrediction(t *testing.T) {
	code, out, errs := command(cakes, "bind", "-", "--replace-binders", "--foods", "flax-meal,rice-flour")
	require.Zero(t, code, errs)
	var got struct {
		MassG   float64 `json:"mass_g"`
		Suggest []struct {
			Aim string `json:"aim"`
			Add []struct {
				Food  string  `json:"food"`
				Grams float64 `json:"grams"`
			} `json:"add"`
			RestMinutes float64 `json:"rest_minutes"`
			RawRatio    float64 `json:"raw_ratio"`
		} `json:"suggest"`
	}
	require.NoError(t, json.Unmarshal([]byte(out), &got))
	assert.Equal(t, 495., got.MassG)
	require.NotEmpty(t, got.Suggest)
	for _, s := range got.Suggest {
		assert.GreaterOrEqual(t, s.RawRatio, 1.49)
		for _, a := range s.Add {
			assert.Contains(t, []string{"flax-meal", "rice-flour", "water"}, a.Food)
		}
	}
	code, _, errs = command(cakes, "bind", "-", "--foods", "flax-mael")
	assert.Equal(t, 1, code)
	assert.Contains(t, errs, "flax-meal")
}

// What converts a recipe in the dialog converts it here: nothing with egg or wheat is left, and how it eats is said.
func TestBindConvertsAClassicRecipe(t *testing.T) {
	const classic = `{"format":"cuerda-build/1","lines":[{"food":"turkey-ground","grams":500},{"food":"egg","grams":50},{"food":"breadcrumbs-dry","grams":60},
		{"food":"milk","grams":60},{"food":"salt","grams":7}],"rest":{"minutes":10},"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"still-oven"}}`
	code, out, errs := command(classic, "bind", "-", "--replace", "classic")
	require.Zero(t, code, errs)
	var got struct {
		Eat     float64 `json:"eat"`
		Suggest []struct {
			Eat   float64 `json:"eat"`
			Moves []struct {
				Code string `json:"code"`
			} `json:"moves"`
			Document struct {
				Lines []struct {
					Food string `json:"food"`
				} `json:"lines"`
			} `json:"document"`
		} `json:"suggest"`
	}
	require.NoError(t, json.Unmarshal([]byte(out), &got))
	assert.Positive(t, got.Eat)
	require.NotEmpty(t, got.Suggest)
	for _, s := range got.Suggest {
		assert.Greater(t, s.Eat, .6)
		require.NotEmpty(t, s.Moves)
		assert.Equal(t, "panade", s.Moves[0].Code)
		for _, l := range s.Document.Lines {
			assert.NotContains(t, []string{"egg", "breadcrumbs-dry"}, l.Food)
		}
	}
	code, _, errs = command(classic, "bind", "-", "--replace", "everything")
	assert.Equal(t, 1, code)
	assert.Contains(t, errs, "classic")
}

func TestBakeAddsTheHeatToThePrediction(t *testing.T) {
	type answer struct {
		MassG    float64 `json:"mass_g"`
		To       float64 `json:"minutes_to_target"`
		Pull     float64 `json:"pull_at_minutes"`
		Peak     float64 `json:"peak_celsius"`
		Loss     float64 `json:"weight_loss_pct"`
		Around   float64 `json:"around_celsius"`
		Guidance struct{ Celsius, Minutes float64 }
		Yield    struct{ Pieces int }
		Curve    []struct {
			Minutes float64
			Core    float64 `json:"core_celsius"`
		}
		Section *struct{} `json:"section"`
	}
	bake := func(args ...string) (a answer) {
		code, out, errs := command(cakes, append([]string{"bake", "-"}, args...)...)
		require.Zero(t, code, errs)
		require.NoError(t, json.Unmarshal([]byte(out), &a))
		return a
	}
	usual := bake()
	assert.Greater(t, usual.To, 3.)
	assert.LessOrEqual(t, usual.Pull, usual.To+0.1)
	assert.Positive(t, usual.Yield.Pieces)
	assert.InDelta(t, usual.Peak, slices.MaxFunc(usual.Curve, func(a, b struct {
		Minutes float64
		Core    float64 `json:"core_celsius"`
	}) int {
		return cmp.Compare(a.Core, b.Core)
	}).Core, 1)
	assert.Nil(t, usual.Section)
	assert.NotNil(t, bake("--section").Section)
	assert.Equal(t, usual.MassG, bake("--altitude", "1500").MassG)

	for _, wrong := range [][]string{{"--guidance", "mine"}, {"--altitude", "9000"}, {"--oven-offset", "NaN"}, {"--guidance", "own", "--own-celsius", "20"}} {
		code, _, errs := command(cakes, append([]string{"bake", "-"}, wrong...)...)
		assert.Equal(t, 1, code, wrong)
		assert.NotEmpty(t, errs)
	}
}

func TestExportWritesWhatOthersRead(t *testing.T) {
	code, out, errs := command(cakes, "export", "-", "--format", "markdown", "--language", "es")
	require.Zero(t, code, errs)
	assert.Contains(t, out, "## Ingredientes")
	code, out, errs = command(cakes, "export", "-")
	require.Zero(t, code, errs)
	var recipe map[string]any
	require.NoError(t, json.Unmarshal([]byte(out), &recipe))
	assert.Equal(t, "Recipe", recipe["@type"])
	for _, wrong := range [][]string{{"--format", "pdf"}, {"--language", "fr"}} {
		code, _, errs = command(cakes, append([]string{"export", "-"}, wrong...)...)
		assert.Equal(t, 1, code)
		assert.Contains(t, errs, "are [")
	}
}

// started runs the program on a data folder until stop is called.
func started(t *testing.T, data string) (url string, stop func() error) {
	t.Helper()
	return startedWith(t, startOptions{listen: "127.0.0.1", data: data})
}

func startedWith(t *testing.T, o startOptions) (url string, stop func() error) {
	t.Helper()
	ctx, cancel := context.WithCancel(context.Background())
	r, w := io.Pipe()
	ended := make(chan error, 1)
	go func() {
		err := start(ctx, w, io.Discard, o)
		_ = w.CloseWithError(io.EOF)
		ended <- err
	}()
	text := make([]byte, 4096)
	n, err := r.Read(text)
	if err != nil {
		t.Fatalf("start: %v", <-ended)
	}
	go func() { _, _ = io.Copy(io.Discard, r) }()
	url = regexp.MustCompile(`http://[0-9.:]+`).FindString(string(text[:n]))
	require.NotEmpty(t, url, string(text[:n]))
	return url, func() error { cancel(); return <-ended }
}

func TestStartKeepsAKitchenFromOneTimeToTheNext(t *testing.T) {
	data, err := os.MkdirTemp("", "cuerda-start-")
	require.NoError(t, err)
	require.NoError(t, os.Chmod(data, 0o755))
	t.Cleanup(func() { _ = os.RemoveAll(data) })
	url, stop := started(t, data)
	answer, err := http.Post(url+apitest.In(kitchenAt(t, url), "/api/builds"), "application/json", strings.NewReader(cakes))
	require.NoError(t, err)
	answer.Body.Close()
	assert.Equal(t, http.StatusCreated, answer.StatusCode)
	page, err := http.Get(url + "/bench")
	require.NoError(t, err)
	page.Body.Close()
	assert.Equal(t, http.StatusOK, page.StatusCode)

	var second bytes.Buffer
	require.NoError(t, start(context.Background(), &second, io.Discard, startOptions{listen: "127.0.0.1", data: data}))
	assert.Equal(t, "Cuerda is already running at "+url+"\n", second.String())

	before := builds(t, url)
	file := filepath.Join(t.TempDir(), "kitchens.backup")
	code, out, errs := command("", "backup", "--verify", "--data", data, "--database", "", file)
	require.Zero(t, code, errs)
	assert.Contains(t, out, "1 kitchens")
	code, _, errs = command("", "restore", "--data", data, "--database", "", file)
	assert.Equal(t, 1, code)
	assert.Contains(t, errs, "running at "+url)
	require.NoError(t, stop())
	_, err = http.Get(url + "/api/health")
	assert.Error(t, err, "it has stopped")

	url, stop = started(t, data)
	assert.Equal(t, before, builds(t, url), "nothing is lost, and the demonstration kitchen is made once")
	require.NoError(t, stop())
	code, _, errs = command("", "backup", "--data", data, "--database", "", file)
	require.Zero(t, code, "without a server too: %s", errs)

	elsewhere, err := os.MkdirTemp("", "cuerda-restored-")
	require.NoError(t, err)
	require.NoError(t, os.Chmod(elsewhere, 0o755))
	t.Cleanup(func() { _ = os.RemoveAll(elsewhere) })
	code, out, errs = command("", "restore", "--verify", file)
	require.Zero(t, code, errs)
	assert.Contains(t, out, "sound")
	code, _, errs = command("", "restore", "--data", elsewhere, "--database", "", file)
	require.Zero(t, code, errs)
	url, stop = started(t, elsewhere)
	assert.Equal(t, before, builds(t, url), "the same kitchen in another place")
	require.NoError(t, stop())
}

// kitchenAt gives the ID of the demonstration kitchen.
func kitchenAt(t *testing.T, url string) string {
	t.Helper()
	answer, err := http.Get(url + "/api/kitchens")
	require.NoError(t, err)
	defer answer.Body.Close()
	var all []store.KitchenEntry
	require.NoError(t, json.NewDecoder(answer.Body).Decode(&all))
	require.Len(t, all, 1)
	assert.True(t, all[0].MadeUp)
	return all[0].ID
}

func builds(t *testing.T, url string) (names []string) {
	t.Helper()
	client := http.Client{Timeout: 10 * time.Second}
	answer, err := client.Get(url + apitest.In(kitchenAt(t, url), "/api/builds"))
	require.NoError(t, err)
	defer answer.Body.Close()
	var list []api.Entry
	require.NoError(t, json.NewDecoder(answer.Body).Decode(&list))
	for _, e := range list {
		names = append(names, e.ID+" "+e.Name)
	}
	return names
}

func TestStartSaysWhatIsWrong(t *testing.T) {
	for want, o := range map[string]startOptions{
		"--data":           {listen: "127.0.0.1"},
		"the port should":  {listen: "127.0.0.1", port: 70000},
		"database address": {listen: "127.0.0.1", database: "postgres://%zz"},
	} {
		assert.ErrorContains(t, start(t.Context(), io.Discard, io.Discard, o), want)
	}
}

func TestARecipeIsReadAndPredicted(t *testing.T) {
	const text = "Lentil cakes\n\n2 cups cooked lentils, mashed\n1/2 cup oats\n1 flax egg\n\n1. Mix everything and leave 10 minutes.\n2. Shape into 8 cakes, 2 cm thick.\n3. Fry in a skillet, 4 minutes per side.\n"
	code, out, errs := command(text, "read", "-")
	require.Zero(t, code, errs)
	var got struct {
		Lines []struct {
			Text, Part string
			Items      []struct {
				Food  string
				Grams float64
				Sure  bool
			}
		}
		Rest     struct{ Minutes float64 }
		Piece    struct{ Count int }
		Cook     struct{ Method string }
		Document json.RawMessage
	}
	require.NoError(t, json.Unmarshal([]byte(out), &got))
	assert.Equal(t, "lentils-cooked", got.Lines[0].Items[0].Food)
	assert.True(t, got.Lines[0].Items[0].Sure)
	assert.Equal(t, "mix", got.Lines[0].Part)
	assert.Equal(t, 10., got.Rest.Minutes)
	assert.Equal(t, 8, got.Piece.Count)
	assert.Equal(t, "pan", got.Cook.Method)

	code, build, errs := command(text, "read", "--build", "-")
	require.Zero(t, code, errs)
	assert.JSONEq(t, string(got.Document), build)
	code, out, errs = command(build, "predict", "-")
	require.Zero(t, code, errs)
	var p wire.Prediction
	require.NoError(t, json.Unmarshal([]byte(out), &p))
	assert.Positive(t, p.Chance)

	code, out, _ = command(build, "read", "-")
	require.Zero(t, code, "a build document is read as what it is")
	assert.Contains(t, out, "lentils-cooked")
	code, _, errs = command("Once upon a time there was a recipe without any list. It went on and on, and nobody wrote down what was in it.", "read", "-")
	assert.Equal(t, 2, code)
	assert.Contains(t, errs, "no-recipe")
}

func TestASupperIsPlanned(t *testing.T) {
	const roots = `{"format":"cuerda-supper/1","table":"2026-11-27T19:00:00+01:00","kitchen":{"cooks":1,"ovens":[{"id":"oven","racks":1,"heat_up_minutes":15}]},
		"dishes":[{"name":"Roots","steps":[{"name":"Cut","minutes":10,"hands":1},{"name":"Roast","minutes":30,"oven":{"celsius":200},"after":[{"step":"Cut","most":60}]}]}]}`
	code, out, errs := command(roots, "plan", "-")
	require.Zero(t, code, errs)
	var p wire.Plan
	require.NoError(t, json.Unmarshal([]byte(out), &p))
	assert.True(t, p.Proved)
	assert.Equal(t, "2026-11-27T18:20:00+01:00", p.Start.Format(time.RFC3339))
	assert.Equal(t, []int{1}, p.Steps[0].Cooks)
	assert.Equal(t, &wire.PlanOven{ID: "oven", Racks: []int{1}, Celsius: 200}, p.Steps[1].Oven)
	assert.Equal(t, "2026-11-27T18:15:00+01:00", p.Heats[0].Start.Format(time.RFC3339))

	code, first, errs := command(roots, "plan", "--format", "ics", "-")
	require.Zero(t, code, errs)
	assert.Equal(t, 2, strings.Count(first, "BEGIN:VEVENT"))
	assert.Contains(t, first, "DTSTART:20261127T172000Z")
	assert.Contains(t, first, "BEGIN:VALARM")
	uid := regexp.MustCompile(`(?m)^UID:.*$`)
	_, later, _ := command(strings.Replace(roots, "T19:00", "T20:00", 1), "plan", "--format", "ics", "-")
	assert.Equal(t, uid.FindAllString(first, -1), uid.FindAllString(later, -1), "a second export moves the first one's events")
	code, out, _ = command(roots, "plan", "--format", "csv", "-")
	require.Zero(t, code)
	assert.Contains(t, out, "2026-11-27T18:20:00+01:00,10,Roots,Cut,1,\n")

	coded := strings.NewReplacer(`"Cut"`, `"cut"`, `"Roast"`, `"roast"`).Replace(roots)
	_, out, _ = command(coded, "plan", "--format", "csv", "--language", "es", "-")
	assert.Contains(t, out, "Roots,Cortar,1", "steps that are known are said in the language")
	code, _, errs = command(roots, "plan", "--language", "fr", "-")
	assert.NotZero(t, code)
	assert.Contains(t, errs, "en or es")
	code, out, errs = command(strings.Replace(roots, `"dishes"`, `"aim":"least-oven","dishes"`, 1), "plan", "-")
	require.Zero(t, code, errs)
	require.NoError(t, json.Unmarshal([]byte(out), &p))
	assert.Equal(t, 30, p.Oven)
	require.NotNil(t, p.OvenBound)
	assert.Equal(t, 30, *p.OvenBound)

	code, _, errs = command(strings.Replace(roots, `"cooks":1`, `"cooks":0`, 1), "plan", "-")
	assert.Equal(t, 2, code)
	assert.Contains(t, errs, "lacks-hands")
	late := strings.Replace(roots, `"most":60}]}]`, `"least":5,"most":5}]}],"ready":{"least":0,"most":0}},{"name":"Rolls","ready":{"least":0,"most":0},"steps":[{"name":"Toast","minutes":9,"oven":{"celsius":230}}]`, 1)
	code, _, errs = command(late, "plan", "-")
	assert.Equal(t, 2, code)
	assert.Contains(t, errs, "needs-at-odds")
	assert.Contains(t, errs, "Rolls")
	code, out, _ = command("", "schema", "supper")
	require.Zero(t, code)
	assert.Contains(t, out, "share_oven")
}

// What learn prints is a kitchen for predict and bake, and its oven is what the tries tell.
func TestAKitchenIsLearnedAndUsed(t *testing.T) {
	balls := `{"format":"cuerda-build/1","name":"Balls","lines":[{"food":"turkey-ground","grams":520},{"food":"millet-flakes","grams":45},{"food":"salt","grams":7}],` +
		`"rest":{"minutes":15},"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"still-oven","celsius":190}}`
	var tries []string
	for i := range 8 {
		tries = append(tries, fmt.Sprintf(`{"build":%s,"found":{"squeeze":"firm","pieces":19,"broke":{"turning":%d},"off_at_minutes":16,"core_celsius":%d,"oven_celsius":179}}`, balls, i%2, 68+i%3))
	}
	list := "[" + strings.Join(tries, ",") + "]"
	code, out, errs := command(list, "learn", "-")
	require.Zero(t, code, errs)
	var learned struct {
		Figures map[string]wire.LearnedFigure `json:"figures"`
		Kitchen struct {
			Learned struct {
				Offset float64 `json:"oven_offset_celsius"`
			} `json:"learned"`
		} `json:"kitchen"`
	}
	require.NoError(t, json.Unmarshal([]byte(out), &learned))
	oven := learned.Figures["oven_offset_celsius"]
	assert.InDelta(t, -11, oven.Posterior.Mean, 4)
	assert.Less(t, oven.Posterior.SD, oven.Prior.SD)
	assert.Contains(t, oven.Tries, "8")
	file := filepath.Join(t.TempDir(), "kitchen.json")
	require.NoError(t, os.WriteFile(file, []byte(out), 0o600))
	around := func(args ...string) float64 {
		code, out, errs := command(balls, append([]string{"bake", "-"}, args...)...)
		require.Zero(t, code, errs)
		var b wire.Baked
		require.NoError(t, json.Unmarshal([]byte(out), &b))
		return b.AroundCelsius
	}
	assert.InDelta(t, 190+learned.Kitchen.Learned.Offset, around("--kitchen", file), .1)
	assert.InDelta(t, 190, around(), 1e-9)
	assert.InDelta(t, 185, around("--kitchen", file, "--oven-offset", "-5"), .1, "a flag stands over the file")
	code, _, _ = command(balls, "predict", "-", "--kitchen", file)
	assert.Zero(t, code)

	told := filepath.Join(t.TempDir(), "told.json")
	require.NoError(t, os.WriteFile(told, []byte(`{"oven_offset_celsius":-11,"altitude_m":900}`), 0o600))
	assert.InDelta(t, 179, around("--kitchen", told), 1e-9)
	require.NoError(t, os.WriteFile(told, []byte(`{"oven_ofset":-11}`), 0o600))
	for _, bad := range [][2]string{{list, told}, {`[{"build":{},"found":{}}]`, file}, {strings.Replace(list, "turkey", "turky", 1), file}, {`[{"build":` + balls + `,"found":{"pieces":-1}}]`, file}} {
		code, out, errs := command(bad[0], "learn", "-", "--kitchen", bad[1])
		assert.Equal(t, 2, code, errs)
		assert.Empty(t, out)
	}
}

func TestComposeProposesMixesThatHold(t *testing.T) {
	code, out, errs := command(`{"format":"cuerda-ask/1","must":[{"food":"black-beans-canned","grams":480}],"may":["onion","oats-quick","walnuts"],"eaters":{"avoid":["egg"]},"kind":"loaf"}`, "compose", "-")
	require.Zero(t, code, errs)
	var got struct {
		Proposals []struct {
			Document json.RawMessage `json:"document"`
			Chance   float64         `json:"chance"`
		} `json:"proposals"`
	}
	require.NoError(t, json.Unmarshal([]byte(out), &got))
	require.NotEmpty(t, got.Proposals)
	code, out, errs = command(string(got.Proposals[0].Document), "predict", "-")
	require.Zero(t, code, errs)
	var said struct{ Chance float64 }
	require.NoError(t, json.Unmarshal([]byte(out), &said))
	assert.Equal(t, said.Chance, got.Proposals[0].Chance, "predict says the same of it")
	for ask, why := range map[string]string{`{"format":"cuerda-ask/2"}`: "bad-ask", `{"format":"cuerda-ask/1","musts":[]}`: "bad-ask", `{`: "bad-ask", `{"format":"cuerda-ask/1","must":[{"food":"onion"}]}`: "no-body"} {
		code, out, errs = command(ask, "compose", "-")
		assert.NotZero(t, code)
		assert.Contains(t, out+errs, why)
	}
}
