package recipe

import (
	"bytes"
	"encoding/json"
	"regexp"
	"strconv"
	"strings"

	"github.com/go-json-experiment/json/jsontext"
)

// DocumentType is the media type of a build document within JSON-LD.
const DocumentType = "application/vnd.cuerda.build+json"

// readJSON reads JSON-LD: one thing, a list, or a graph of them. A build
// document itself is taken whole.
func readJSON(data []byte, kind Kind) (Found, error) {
	var tree any
	if err := sized(data); err != nil {
		return Found{}, err
	}
	if json.Unmarshal(data, &tree) != nil {
		return Found{}, ErrBadJSON
	}
	if o, ok := tree.(map[string]any); ok {
		if format, _ := o["format"].(string); strings.HasPrefix(format, "cuerda-build/") {
			return Found{Kind: Document, Whole: data}, nil
		}
	}
	r := search(tree, 0)
	if r == nil {
		return Found{}, ErrNoRecipe
	}
	return fromThing(r, kind), nil
}

// mostTokens is how many values, names and brackets JSON may have: that of a recipe has
// some hundred.
const mostTokens = 100_000

// sized refuses JSON nested past any recipe, or with more in it, before it is built in
// memory.
func sized(data []byte) error {
	dec := jsontext.NewDecoder(bytes.NewReader(data), jsontext.AllowDuplicateNames(true), jsontext.AllowInvalidUTF8(true))
	for tokens := 0; ; tokens++ {
		if _, err := dec.ReadToken(); err != nil {
			return nil // its end, or broken: json.Unmarshal says which
		}
		switch {
		case dec.StackDepth() > maxDepth:
			return ErrBadJSON
		case tokens >= mostTokens:
			return ErrTooLarge
		}
	}
}

// search finds the recipe in a tree; one with ingredients before one without.
func search(v any, depth int) map[string]any {
	if depth > maxDepth {
		return nil
	}
	var best map[string]any
	try := func(v any) bool {
		r := search(v, depth+1)
		if r == nil {
			return false
		}
		if best == nil || len(ingredientsOf(best)) == 0 {
			best = r
		}
		return len(ingredientsOf(best)) > 0
	}
	switch v := v.(type) {
	case []any:
		for _, each := range v {
			if try(each) {
				break
			}
		}
	case map[string]any:
		if isRecipe(v["@type"]) {
			return v
		}
		for _, key := range []string{"@graph", "mainEntity", "mainEntityOfPage", "itemListElement", "item", "about", "hasPart"} {
			if try(v[key]) {
				break
			}
		}
	}
	return best
}

func isRecipe(v any) bool {
	switch v := v.(type) {
	case string:
		name := strings.ToLower(v)
		return name == "recipe" || strings.HasSuffix(name, "schema.org/recipe") || name == "schema:recipe"
	case []any:
		for _, each := range v {
			if isRecipe(each) {
				return true
			}
		}
	}
	return false
}

func ingredientsOf(r map[string]any) []string {
	for _, key := range []string{"recipeIngredient", "ingredients", "ingredient", "schema:recipeIngredient"} {
		if out := lines(r[key]); len(out) > 0 {
			return out
		}
	}
	return nil
}

func fromThing(r map[string]any, kind Kind) Found {
	f := Found{Kind: kind, Name: first(r["name"], r["headline"], r["schema:name"]), Ingredients: ingredientsOf(r)}
	f.Portions = portions(r["recipeYield"])
	if f.Portions == 0 {
		f.Portions = portions(r["yield"])
	}
	f.Steps = steps(r["recipeInstructions"], 0)
	f.Whole = documentIn(r["encoding"])
	return f
}

// lines takes a list, or one text with a line each.
func lines(v any) []string {
	switch v := v.(type) {
	case string:
		return strings.Split(breaks.ReplaceAllString(v, "\n"), "\n")
	case []any:
		var out []string
		for _, each := range v {
			switch each := each.(type) {
			case string:
				out = append(out, each)
			case map[string]any: // a PropertyValue or a thing with a name
				if s := first(each["text"], each["name"]); s != "" {
					amount := strings.TrimSpace(first(each["amount"], each["value"]) + " " + first(each["unitText"], each["unitCode"]))
					out = append(out, strings.TrimSpace(amount+" "+s))
				}
			}
		}
		return out
	}
	return nil
}

// steps takes texts, HowToStep, HowToSection and lists of them.
func steps(v any, depth int) []string {
	if depth > maxDepth {
		return nil
	}
	switch v := v.(type) {
	case string:
		return strings.Split(breaks.ReplaceAllString(v, "\n"), "\n")
	case []any:
		var out []string
		for _, each := range v {
			out = append(out, steps(each, depth+1)...)
		}
		return out
	case map[string]any:
		if inner := steps(v["itemListElement"], depth+1); len(inner) > 0 {
			if name := first(v["name"]); name != "" {
				inner = append([]string{name + ":"}, inner...)
			}
			return inner
		}
		if s := first(v["text"], v["name"], v["description"]); s != "" {
			return []string{s}
		}
	}
	return nil
}

var breaks = regexp.MustCompile(`(?i)<br\s*/?>|</?(p|li|div)\b[^>]*>`)

func first(values ...any) string {
	for _, v := range values {
		switch v := v.(type) {
		case string:
			if strings.TrimSpace(v) != "" {
				return v
			}
		case float64:
			return strconv.FormatFloat(v, 'g', -1, 64)
		case []any:
			if s := first(v...); s != "" {
				return s
			}
		case map[string]any:
			if s := first(v["@value"], v["value"], v["name"]); s != "" {
				return s
			}
		}
	}
	return ""
}

var digits = regexp.MustCompile(`\d+`)

// portions is the first whole number in "12", "Serves 4 to 6" or [8, "8 cakes"].
func portions(v any) int {
	n, err := strconv.Atoi(digits.FindString(first(v)))
	if err != nil {
		return 0
	}
	return n
}

// documentIn gives the build document that Cuerda writes beside a recipe.
func documentIn(v any) json.RawMessage {
	if list, ok := v.([]any); ok {
		for _, each := range list {
			if d := documentIn(each); d != nil {
				return d
			}
		}
		return nil
	}
	o, ok := v.(map[string]any)
	if !ok || o["encodingFormat"] != DocumentType {
		return nil
	}
	if text, ok := o["text"].(string); ok && json.Valid([]byte(text)) {
		return json.RawMessage(text)
	}
	return nil
}
