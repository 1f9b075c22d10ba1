package web_test

import (
	"encoding/json"
	"maps"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// said is where the words of each field of the interface stand whose values are codes; several where a value has
// words in any of them.
var said = map[string][]string{
	"Answer.becomes": {"eats.become"}, "Answer.obstacles": {"ways.obstacle"},
	"Piece.kind": {"piece.kinds"}, "Choice.kind": {"piece.kinds"}, "Ask.kind": {"compose.kinds", "piece.kinds"}, "CourseDish.kind": {"cook.one"},
	"Baked.browning_word": {"heat.browns"}, "Found.browning": {"logbook.form.brown"},
	"Baked.dryness": {"heat.dryness"}, "Effect.dryness": {"heat.dryness"},
	"Bit.form": {"handful.bits"}, "Part.kind": {"parts.kind"}, "Vocabulary.part_kinds": {"parts.kind"},
	"CourseBowl.expected": {"squeeze", "cook.should"}, "Predicted.word": {"squeeze.is", "squeeze.means"}, "Found.squeeze": {"squeeze"},
	"CourseFound.bite": {"cook.findings"}, "CourseFound.hold": {"cook.findings"}, "CourseFound.shaped": {"cook.findings"},
	"CourseNotice.code": {"cook.probe.notice"}, "CourseWeigh.apart": {"cook.apart"},
	"Eaters.avoid": {"eaters.allergen", "eaters.no"}, "Eaters.diet": {"eaters.diets"}, "Eaters.wants": {"eaters.wants"}, "Vocabulary.diets": {"eaters.diets", "supper.holds"},
	"Predicted.says": {"verdict"}, "Figure.grade": {"why.grades"}, "Food.group": {"groups"}, "Preparation.do": {"prep", "cord"},
	"Found.unsure": {"logbook.unsure"}, "FriedPatty.grade": {"patties.grade"}, "Ground.topic": {"why.topic"},
	"Handful.tells": {"handful.sign", "handful.eye"}, "Invitation.role": {"people.roles"}, "KeptTry.outcome": {"logbook.outcome"},
	"KitchenFirst.oven": {"door.ovens"}, "Settings.guidance": {"kitchen.guidances"}, "Load.on": {"heat.on", "heat.loads"},
	"Mend.verdict": {"mend.verdict"}, "Move.code": {"move.do", "move.why"}, "Part.when": {"parts.whens"},
	"Phrase.what": {"reading.what"}, "Plan.aim": {"supper.aim", "supper.aimSays"}, "PlanAhead.state": {"supper.ahead"}, "PlanUnheld.code": {"supper.unheld"},
	"PlanWash.through": {"supper.through"}, "PracticeDrill.kind": {"practice.kind", "practice.about", "practice.ask"}, "PracticeDrill.skill": {"practice.skill", "practice.teach"},
	"Predicted.costs": {"eats.cost"}, "Proposal.why": {"compose.why"}, "Question.code": {"reading.ask"},
	"School.question": {"schools.question"}, "Step.code": {"cord", "cord.how"}, "SupperBoxLook.next": {"supper.next"}, "SupperBoxLook.reheat": {"supper.reheat"},
	"SupperBoxLook.spoils": {"supper.spoils"}, "SupperContact.through": {"supper.through"}, "SupperPurchase.aisle": {"supper.aisle"},
	"Target.reason": {"heat.reason"}, "TryCause.code": {"logbook.cause"}, "Way.aim": {"ways.aim"}, "Way.kind": {"ways.kind"}, "WhatIf.change": {"heat.outlook"},
	"Yield.remainder": {"heat.remainder"}, "Recipe.kind": {"files.found"},
	"Units.clock": {"unitSetting"}, "Units.spanish": {"unitSetting"}, "Units.mass": {"unitSetting"}, "Units.temperature": {"unitSetting"}, "Units.length": {"unitSetting"},
}

// elsewhere are the codes that never come where their field is said: nothing chosen, and shapes that are not composed.
var elsewhere = map[string][]string{
	"Way.aim": {""}, "Eaters.diet": {""}, "PracticeDrill.kind": {""}, "Ask.kind": {"shell", "layered"}, "Yield.remainder": {"none"},
}

// unsaid are fields whose codes are drawn, sent, or choose among other words, and are never said themselves.
var unsaid = strings.Fields(`
	Ask.methods Change.kind Check.status Choice.method Cook.from Cook.method CookNote.kind CourseMeasured.place
	CourseReading.where CourseTask.do CourseWeigh.how Effect.verdict Entry.verdict Event.how Event.kind
	KeptEvent.how KeptEvent.kind KeptTry.kind Kind.method KitchenEntry.role KitchenFirst.guidance
	LearnedFigure.unit Measure.unit Method.medium Method.method Note.kind PartResult.each PartResult.status
	PracticeLesson.stage PracticeOption.code Predicted.chance_means Predicted.verdict Prep.setting ReadCook.method
	ReadRow.label ReadingFault.code Recipe.language Spoons.unit TakeFrom.kind TryEntry.kind
`)

// property is a field of the interface as it is described.
type property struct {
	Enum  []string
	Items *struct{ Enum []string }
}

func (p property) codes() []string {
	if p.Items != nil {
		return p.Items.Enum
	}
	return p.Enum
}

// Every code of the interface has its words in both languages, so that nobody ever reads a raw key.
func TestEveryCodeHasItsWords(t *testing.T) {
	text, err := os.ReadFile("../docs/formats/openapi.json")
	require.NoError(t, err)
	var described struct {
		Components struct {
			Schemas map[string]struct {
				Properties map[string]property
			}
		}
	}
	require.NoError(t, json.Unmarshal(text, &described))
	covered := map[string]bool{}
	for field := range said {
		schema, property, _ := strings.Cut(field, ".")
		covered[strings.Join(described.Components.Schemas[schema].Properties[property].codes(), " ")] = true
	}
	for name, schema := range described.Components.Schemas {
		for property, p := range schema.Properties {
			if codes := p.codes(); len(codes) > 1 && !covered[strings.Join(codes, " ")] {
				assert.Contains(t, unsaid, name+"."+property, "the words of %v", codes)
			}
		}
	}
	for _, language := range []string{"en", "es"} {
		words := catalogue(t, language)
		for field, groups := range said {
			schema, property, _ := strings.Cut(field, ".")
			p := described.Components.Schemas[schema].Properties[property]
			codes := p.codes()
			require.NotEmpty(t, codes, "the interface has no codes of %s", field)
			for _, code := range codes {
				if slices.Contains(elsewhere[field], code) {
					continue
				}
				for _, group := range groups {
					assert.True(t, hasWords(words, group+"."+code), "%s: %s %q has no words in %s", language, field, code, group)
				}
			}
		}
	}
}

// Both catalogues say the same things, with the same figures in each phrase.
func TestBothLanguagesSayTheSame(t *testing.T) {
	en, es := catalogue(t, "en"), catalogue(t, "es")
	figure := regexp.MustCompile(`\{\{(\w+)\}\}`)
	figures := func(s string) []string {
		var out []string
		for _, m := range figure.FindAllStringSubmatch(s, -1) {
			out = append(out, m[1])
		}
		slices.Sort(out)
		return slices.Compact(out)
	}
	assert.ElementsMatch(t, slices.Collect(maps.Keys(en)), slices.Collect(maps.Keys(es)))
	for key, words := range en {
		if strings.HasSuffix(key, "_one") || strings.HasSuffix(key, "_zero") {
			continue // one may be said without its figure
		}
		assert.Equal(t, figures(words), figures(es[key]), key)
	}
}

func hasWords(words map[string]string, key string) bool {
	for _, form := range []string{"", "_one", "_other"} {
		if strings.TrimSpace(words[key+form]) != "" {
			return true
		}
	}
	return false
}

var (
	opens  = regexp.MustCompile(`^"?([\w.-]+)"?: \{$`)
	phrase = regexp.MustCompile(`"?([\w.-]+)"?:\s*"((?:[^"\\]|\\.)*)"`)
	inline = regexp.MustCompile(`^"?([\w.-]+)"?: \{ (.*) \},?$`)
)

// catalogue reads the phrases of a language by their keys. It knows the form that the formatter gives the files.
func catalogue(t *testing.T, language string) map[string]string {
	t.Helper()
	files, err := filepath.Glob("src/i18n/" + language + "*.ts")
	require.NoError(t, err)
	out := map[string]string{}
	for _, file := range files {
		if strings.HasSuffix(file, "-region.ts") {
			continue
		}
		text, err := os.ReadFile(file)
		require.NoError(t, err)
		var path []string
		// Files whose object is named where it is spread have that name as their first key.
		switch filepath.Base(file) {
		case language + "-compose.ts":
			path = []string{"compose"}
		case language + "-reading.ts":
			path = []string{"reading"}
		case language + "-help.ts":
			path = []string{"help"}
		}
		lines := strings.Split(string(text), "\n")
		for i := 0; i < len(lines); i++ {
			line := strings.TrimSpace(lines[i])
			if strings.HasSuffix(line, ":") && i+1 < len(lines) {
				i++
				line += " " + strings.TrimSpace(lines[i])
			}
			switch {
			case opens.MatchString(line):
				path = append(path, opens.FindStringSubmatch(line)[1])
			case inline.MatchString(line):
				m := inline.FindStringSubmatch(line)
				for _, each := range phrase.FindAllStringSubmatch(m[2], -1) {
					out[strings.Join(append(slices.Clone(path), m[1], each[1]), ".")] = each[2]
				}
			case line == "}," || line == "};" || line == "}":
				if len(path) > 0 {
					path = path[:len(path)-1]
				}
			default:
				if m := phrase.FindStringSubmatch(line); m != nil {
					out[strings.Join(append(slices.Clone(path), m[1]), ".")] = m[2]
				}
			}
		}
	}
	return out
}
