package api

import (
	"reflect"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/advise"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/learn/practice"
	"cuerda/core/physics/eating"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/physics/safety"
	"cuerda/core/plan/supper"
	"cuerda/core/predict"
	"cuerda/core/predict/squeeze"
	"cuerda/core/recipe"
)

// enumsNow are the words that a type may hold, told once: every field of the type in the
// description of the interface lists them, unless its own tag says fewer.
func enumsNow() map[reflect.Type][]any {
	return map[reflect.Type][]any{
		reflect.TypeFor[food.Group]():        values(food.Groups),
		reflect.TypeFor[food.Do]():           values(food.Dos),
		reflect.TypeFor[food.Unit]():         values(food.Units),
		reflect.TypeFor[mix.Word]():          append(values(mix.SqueezeWords), string(mix.NoPaste)),
		reflect.TypeFor[mix.Topic]():         values(mix.Topics),
		reflect.TypeFor[piece.Kind]():        values(piece.Kinds),
		reflect.TypeFor[method.Medium]():     values(method.Media),
		reflect.TypeFor[method.Method]():     values(method.Methods()),
		reflect.TypeFor[document.PartKind](): values(document.PartKinds),
		reflect.TypeFor[predict.Verdict]():   values(predict.Verdicts),
		reflect.TypeFor[predict.Saying]():    values(predict.Sayings),
		reflect.TypeFor[predict.Means]():     values([]predict.Means{predict.TurnAndLift, predict.Slice, predict.TinAndSlice, predict.Spoon}),
		reflect.TypeFor[eaters.Status]():     values([]eaters.Status{eaters.Clear, eaters.Label, eaters.Out}),
		reflect.TypeFor[advise.Kind]():       values(advise.Kinds),
		reflect.TypeFor[advise.Aim]():        append(values(advise.Aims), "", string(advise.AsIs)),
		reflect.TypeFor[advise.Obstacle]():   values(advise.Obstacles),
		reflect.TypeFor[advise.MoveCode]():   values(advise.MoveCodes),
		reflect.TypeFor[advise.Becomes]():    values(advise.BecomesAll),
		reflect.TypeFor[eating.Cost]():       values(eating.Costs),
		reflect.TypeFor[recipe.Kind]():       values(recipe.Kinds),
		reflect.TypeFor[safety.Reason]():     values(safety.Reasons),
		reflect.TypeFor[supper.Aisle]():      values(supper.Aisles),
		reflect.TypeFor[logbook.Outcome]():   values(logbook.Outcomes),
		reflect.TypeFor[learn.CauseCode]():   values(learn.CauseCodes),
		reflect.TypeFor[practice.Kind]():     append(values(practice.Kinds), ""),
		reflect.TypeFor[practice.Skill]():    values(practice.Skills),
		reflect.TypeFor[practice.Choice]():   values(practice.Choices),
		reflect.TypeFor[squeeze.Sign]():      values(squeeze.Signs),
		reflect.TypeFor[squeeze.Form]():      values(squeeze.Forms),
	}
}

// fieldEnums are those of plain strings, by the name of the property in every object that
// has it.
var fieldEnums = map[string][]any{
	"avoid": values(eaters.Allergens), "allergens": values(eaters.Allergens),
	"diet": append(values(eaters.Diets), ""), "diets": values(eaters.Diets),
	"wants": values(eaters.Wants), "whens": values(document.Whens),
}

func values[T ~string](list []T) []any {
	out := make([]any, len(list))
	for i, v := range list {
		out[i] = string(v) // as it is read from JSON
	}
	return out
}

// describeEnums adds the words that fields may hold to the schemas of their objects.
func describeEnums(r huma.Registry) {
	enums := enumsNow()
	for name, schema := range r.Map() {
		t := r.TypeFromRef("#/components/schemas/" + name)
		for t != nil && t.Kind() == reflect.Pointer {
			t = t.Elem()
		}
		if t == nil || t.Kind() != reflect.Struct || strings.HasSuffix(name, "InputBody") {
			continue // what comes in is checked by the core, which names the nearest right word
		}
		for _, field := range reflect.VisibleFields(t) {
			property, _, _ := strings.Cut(field.Tag.Get("json"), ",")
			s := schema.Properties[property]
			if s == nil {
				continue
			}
			of := field.Type
			for of.Kind() == reflect.Pointer || of.Kind() == reflect.Slice {
				if of.Kind() == reflect.Slice && s.Items != nil {
					s = s.Items
				}
				of = of.Elem()
			}
			words := enums[of]
			if words == nil && of.Kind() == reflect.String {
				words = fieldEnums[property]
			}
			if words != nil && len(s.Enum) == 0 && s.Ref == "" {
				s.Enum = words
			}
		}
	}
}
