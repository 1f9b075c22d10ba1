// Command shots takes pictures of a running Cuerda with its demonstration
// kitchen: without arguments those of docs/screenshots, with -path one view.
package main

import (
	"encoding/json"
	"flag"
	"fmt"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/proto"

	"cuerda/e2e/browser"
)

type shot struct {
	name, path    string
	width, height int
	language      string
	theme         string
	signedIn      bool   // on a server where people sign in
	then          string // run after script, on the page that it went to
	script        string // run before the picture; names a build to open with open("...")
}

// views are the pictures of docs/screenshots.
var views = []shot{
	{name: "door", path: "/door", script: `await until(() => find("flax meal")); for (const food of ["rolled oats", "flax meal", "chickpea flour"]) await click(food)`},
	{name: "bench", path: "/bench", script: `open("Split-pea and parsnip"); await wait(600)`},
	{name: "piece", path: "/bench", script: `open("Chestnut"); await wait(1200); document.querySelector(".piece")?.scrollIntoView(); await wait(900)`},
	{name: "cord", path: "/bench", script: `open("Turkey, leek"); await wait(900); [...document.querySelectorAll(".cord button")].find((b) => b.textContent.includes("Chill")).click(); await wait(700)`},
	{name: "bench-fails", path: "/bench", script: `open("first try"); await wait(600)`},
	{name: "bench-es-dark", path: "/bench", language: "es", theme: "dark", script: `open("Turkey, leek"); await wait(600)`},
	{name: "convert", path: "/bench", script: `open("Grandmother"); await wait(600); await click("Take them out"); await wait(900)`},
	{name: "reading", path: "/bench", script: `open("Split-pea and parsnip"); await click("More for this build"); await click("Bring in a recipe");
		await until(() => document.querySelector("#paste-text"));
		await type(document.querySelector("#paste-text"), "Boathouse bean patties\n\nServes 6\n\n2 (15 oz) cans black beans, drained\n¾ cup rolled oats\n1 flax egg\n1 small onion, chopped and sautéed 8 minutes\n2 cloves garlic, minced\n1 tsp smoked paprika\n2 tbsp moonbeams\nsalt to taste\noil, for frying\n\n1. Mix everything but the oil with your hands.\n2. Let the mixture stand 15 minutes.\n3. Shape into 6 patties, 2 cm thick, and chill for half an hour.\n4. Fry in a skillet, 5 minutes per side.");
		await click("Read it"); await wait(900)`},
	{name: "compose", path: "/compose", script: `const must = await until(() => document.querySelector(".compose-ask select"));
		must.dispatchEvent(new PointerEvent("pointerover", { bubbles: true })); await wait(300);
		Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, "value").set.call(must, "lentils-cooked"); must.dispatchEvent(new Event("change", { bubbles: true }));
		document.querySelector(".compose-ask .form-check-input").click(); await wait(1500)`},
	{name: "pantry", path: "/pantry", script: `await wait(400); await click("Binders")`},
	{name: "parts", path: "/bench", script: `open("Amaranth"); await wait(900); await click("Mushroom middle"); document.querySelector(".piece").scrollIntoView(); document.querySelector(".plate").scrollIntoView(); await wait(500)`},
	{name: "sheet", path: "/bench", script: `open("Turkey, leek"); await wait(600); await click("More for this build"); await click("Kitchen page"); await wait(900)`},
	{name: "supper", path: "/supper", script: `await until(() => document.querySelector(".plan-knot")); await until(() => !document.querySelector(".plan-others").textContent.includes("…")); await wait(400)`},
	{name: "cook", path: "/cook", script: `(await until(() => document.querySelector("a.course-entry"))).click(); await until(() => document.querySelector(".probe-band")); await until(() => document.querySelector(".weigh-rope .rope:not(.rope-slack)")); await wait(1500)`},
	{name: "logbook", path: "/logbook", script: `await until(() => document.querySelector(".try-row")); document.querySelector(".try-row").click(); await until(() => document.querySelector(".change-best")); await wait(900)`},
	{name: "practice", path: "/practice", script: `(await until(() => document.querySelector(".practice-kinds button"))).click();
		const set = (index) => { const mark = document.querySelector(".strip-drag"); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(mark, index); mark.dispatchEvent(new Event("input", { bubbles: true })); };
		await until(() => document.querySelector(".strip-drag"));
		const { sitting } = await (await fetch("/api/kitchens/" + kitchen + "/practice")).json();
		for (const drill of sitting.drills.slice(0, 9)) {
			await until(() => document.querySelector(".strip-drag"));
			if (!drill.bare && !drill.try && drill.index > 0.6) break;
			set((drill.right_from + drill.right_to) / 2); await wait(200); document.querySelector(".practice-go").click();
			await until(() => document.querySelector(".practice-told")); await wait(200); document.querySelector(".practice-go").click();
		}
		await until(() => document.querySelector(".strip-drag")); set("0.72"); await wait(600)`},
	{name: "cook-phone", path: "/cook", width: 390, height: 844, script: `await click("Cook it: Split-pea and parsnip cakes"); await until(() => document.querySelector(".cook-go")); await wait(600)`},
	{name: "people", path: "/people", signedIn: true, script: `await type(await until(() => document.querySelector("input[autocomplete=username]")), "Cox");
		await type(document.querySelector("input[type=password]"), "twelve oars on mud"); document.querySelector("form .btn-primary").click()`, then: `await until(() => find("Make a link")); for (const what of ["Make a link", "Let a device in", "Make a link"]) await click(what); await wait(600)`},
	{name: "bench-phone", path: "/bench", width: 390, height: 844, script: `open("Split-pea and parsnip")`},
}

func main() {
	var one shot
	url := flag.String("url", "http://127.0.0.1:8080", "address of a running Cuerda")
	out := flag.String("out", "docs/screenshots", "folder, or with -path the file")
	signedIn := flag.String("signed-in", "", "address of a kitchen where Cox signs in, for the pictures of people")
	flag.StringVar(&one.path, "path", "", "one view only")
	flag.IntVar(&one.width, "width", 1280, "CSS pixels")
	flag.IntVar(&one.height, "height", 800, "CSS pixels")
	flag.StringVar(&one.language, "language", "en", "en or es")
	flag.StringVar(&one.theme, "theme", "light", "light or dark")
	flag.StringVar(&one.script, "script", "", "run in the page before the picture")
	flag.Parse()
	if err := run(*url, *signedIn, *out, one); err != nil {
		fmt.Fprintln(os.Stderr, "shots:", err)
		os.Exit(1)
	}
}

func run(url, signedIn, out string, one shot) error {
	b, end, err := browser.Start()
	if err != nil {
		return err
	}
	defer end()
	if one.path != "" {
		return take(b, url, one, out)
	}
	if err := os.MkdirAll(out, 0o755); err != nil {
		return err
	}
	for _, v := range views {
		at := url
		if v.signedIn {
			if at = signedIn; at == "" {
				continue
			}
		}
		if err := take(b, at, v, filepath.Join(out, v.name+".png")); err != nil {
			return fmt.Errorf("%s: %w", v.name, err)
		}
	}
	return nil
}

// helpers are for the scripts: open finds a build by name, click a control by
// its words or label, wait is a pause in milliseconds.
const helpers = `
const wait = (ms) => new Promise((r) => setTimeout(r, ms));
const until = async (f) => { for (let i = 0; i < 100; i++) { const v = f(); if (v) return v; await wait(50); } throw new Error("not found: " + f); };
const find = (words, within = document) => [...within.querySelectorAll("button,a,summary,[role=tab],label,select,input,textarea")].find((e) => e.offsetParent && (e.getAttribute("aria-label") ?? e.textContent).includes(words));
const click = async (words) => { (await until(() => find(words))).click(); await wait(350); };
const kitchen = location.pathname.split("/")[2];
const open = async (name) => {
  const list = await (await fetch("/api/kitchens/" + kitchen + "/builds?q=" + encodeURIComponent(name))).json();
  await until(() => !location.pathname.endsWith("/bench")); // the Bench first opens the build that was last
  history.pushState({}, "", "/k/" + kitchen + "/bench/" + list[0].id); dispatchEvent(new PopStateEvent("popstate")); await wait(700);
};
const type = async (element, text) => { const p = element.tagName === "TEXTAREA" ? HTMLTextAreaElement : HTMLInputElement; Object.getOwnPropertyDescriptor(p.prototype, "value").set.call(element, text); element.dispatchEvent(new Event("input", { bubbles: true })); await wait(400); };
`

func take(b *rod.Browser, url string, s shot, file string) error {
	if s.width == 0 {
		s.width, s.height = 1280, 800
	}
	page, err := b.Page(proto.TargetCreateTarget{})
	if err != nil {
		return err
	}
	defer page.Close()
	page = page.Timeout(60 * time.Second)
	if err := browser.Resize(page, s.width, s.height); err != nil {
		return err
	}
	if _, err := page.EvalOnNewDocument(fmt.Sprintf(`localStorage.setItem("cuerda.language", %q); localStorage.setItem("cuerda.theme", %q); for (const s of ["bench", "supper", "cook", "logbook", "pantry", "practice", "compose"]) localStorage.setItem("cuerda.next." + s, "away")`,
		or(s.language, "en"), or(s.theme, "light"))); err != nil {
		return err
	}
	at, err := addressOf(strings.TrimSuffix(url, "/"), s)
	if err != nil {
		return err
	}
	if err := page.Navigate(at); err != nil {
		return err
	}
	if err := page.WaitLoad(); err != nil {
		return err
	}
	if s.signedIn {
		time.Sleep(2 * time.Second) // the way to the page that asks who it is
	}
	if _, err := page.Eval(`async () => {` + helpers + `await document.fonts.ready; await wait(600);` +
		strings.ReplaceAll(s.script, "open(", "await open(") + map[bool]string{true: ` }`, false: `; await wait(300); }`}[s.then != ""]); err != nil {
		return err
	}
	if s.then != "" {
		time.Sleep(2 * time.Second) // the way to the next page
		if _, err := page.Eval(`async () => {` + helpers + s.then + `; await wait(300); }`); err != nil {
			return err
		}
	}
	picture, err := page.Screenshot(false, &proto.PageCaptureScreenshot{Format: proto.PageCaptureScreenshotFormatPng})
	if err != nil {
		return err
	}
	return os.WriteFile(file, picture, 0o644)
}

// addressOf is where a view is: in the first kitchen, but for the door. Where people sign in they go on by themselves.
func addressOf(url string, s shot) (string, error) {
	if s.path == "/door" {
		return url + s.path, nil
	}
	if s.signedIn { // the page goes on into the kitchen that was given
		return url + s.path, nil
	}
	answer, err := http.Get(url + "/api/kitchens")
	if err != nil {
		return "", err
	}
	defer answer.Body.Close()
	var kitchens []struct{ ID string }
	if err := json.NewDecoder(answer.Body).Decode(&kitchens); err != nil || len(kitchens) == 0 {
		return "", fmt.Errorf("no kitchen at %s: %w", url, err)
	}
	return url + "/k/" + kitchens[0].ID + s.path, nil
}

func or(v, otherwise string) string {
	if v == "" {
		return otherwise
	}
	return v
}
