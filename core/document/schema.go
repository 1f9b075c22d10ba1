package document

import (
	"slices"

	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

type schema = map[string]any

// Schema gives the JSON Schema (2020-12) of the build document. What it cannot
// say, Read checks besides: that foods are in the catalogue and that names
// hold no control characters.
func Schema(foods *food.Catalogue) map[string]any {
	ids := make([]string, 0, len(foods.Foods()))
	for _, f := range foods.Foods() {
		ids = append(ids, f.ID)
	}
	slices.Sort(ids)
	celsius := numberIn("degrees Celsius", MinCelsius, MaxCelsius)
	wait := func(doc string, otherwise, coldest, hottest float64) schema {
		s := object(schema{
			"minutes": numberIn("minutes", 0, MaxMinutes),
			"celsius": with(numberIn("degrees Celsius", coldest, hottest), "default", otherwise),
		}, "minutes")
		return with(s, "description", doc)
	}
	line := object(schema{
		"food":  schema{"anyOf": []schema{{"enum": ids}, {"pattern": "^" + food.OwnPrefix + "[a-z0-9-]{1,60}$"}}, "description": "a food of the catalogue, or one of the kitchen's own"},
		"name":  schema{"type": "string", "maxLength": MaxLineName, "description": "what the cook calls it, where the food is one of many alike"},
		"grams": numberIn("grams before the preparations of the line", MinGrams, MaxGrams),
		"prep":  schema{"type": "array", "maxItems": MaxPreps, "items": schema{"oneOf": prepSchemas()}, "description": "preparations, in order"},
	}, "food", "grams")
	partName := schema{"type": "string", "pattern": partID.String()}
	doc := object(schema{
		"format": schema{"const": Format},
		"name":   schema{"type": "string", "maxLength": MaxName},
		"lines":  schema{"type": "array", "maxItems": MaxLines, "items": line},
		"mixing": object(schema{"minutes": numberIn("minutes that hands mix, and shape until the middle piece is done; by default as the steps take", 0, MaxMixing)}, "minutes"),
		"rest":   wait("the wait between mixing and shaping", kitchen.Room, MinRestCelsius, MaxRestCelsius),
		"chill":  wait("the wait in the cold after shaping", 4, MinChillCelsius, MaxChillCelsius),
		"piece":  schema{"oneOf": pieceSchemas(), "default": DefaultPiece},
		"cook": object(schema{
			"method":         schema{"enum": words(method.Methods())},
			"celsius":        with(celsius, "description", "degrees Celsius of the surroundings"),
			"turn":           schema{"type": "boolean", "description": "whether pieces are turned; by default for pan, shallow-oil and grill"},
			"from":           schema{"enum": Froms, "description": "where the pieces come from; by default as the rest or the chill leave them"},
			"start_celsius":  celsius,
			"target_celsius": celsius,
			"sear_minutes":   numberIn("minutes in a hot pan, each side, before an oven, a grill or a simmer", 0, MaxFinish),
			"grill_minutes":  numberIn("minutes under the grill at the end, after an oven or a pan", 0, MaxFinish),
		}, "method"),
		"eaters": object(with(leavesOut(), "people", schema{"type": "array", "maxItems": MaxPeople, "items": object(
			with(with(leavesOut(), "name", schema{"type": "string", "maxLength": 60}), "count", schema{"type": "integer", "minimum": 1, "maximum": 200}), "count")})),
		"hand": with(object(schema{
			"word":    schema{"enum": words(mix.SqueezeWords)},
			"water_g": numberIn("grams of water that the model missed in this bowl", -MaxGrams, MaxGrams),
		}, "word", "water_g"), "description", "what the hand said of the mix, against the model"),
		"parts": schema{"type": "array", "maxItems": MaxParts, "description": "mixes beside the main one", "items": object(schema{
			"id":           with(partName, "description", "names the part, for on; no two alike"),
			"kind":         schema{"enum": words(PartKinds)},
			"name":         schema{"type": "string", "maxLength": MaxName},
			"on":           with(partName, "description", "the part that this one goes on, never round in a circle; by default the mix"),
			"lines":        schema{"type": "array", "maxItems": MaxPartLines, "items": line},
			"rest":         wait("the wait after mixing the part", kitchen.Room, MinRestCelsius, MaxRestCelsius),
			"cook_minutes": numberIn("minutes it is cooked by itself", 0, MaxMinutes),
			"when":         schema{"enum": Whens, "description": "when it is brushed on"},
		}, "kind", "lines")},
		"portions": schema{"type": "integer", "minimum": 0, "maximum": MaxPortions},
		"method": schema{"type": "array", "maxItems": MaxInstructions, "description": "the words of the recipe it came from, and the steps of the cord that each became", "items": object(schema{
			"text":  schema{"type": "string", "maxLength": MaxInstruction},
			"steps": schema{"type": "array", "maxItems": len(MethodSteps), "items": schema{"enum": MethodSteps}},
		}, "text")},
		"note":       schema{"type": "string", "maxLength": MaxNote, "description": "the cook's own words, in lines"},
		"table_time": schema{"type": "string", "pattern": clockTime.String(), "description": "when it should be on the table"},
	}, "format", "lines")
	doc["$schema"] = "https://json-schema.org/draft/2020-12/schema"
	doc["$id"] = "urn:cuerda:build:1"
	doc["title"] = "Cuerda build document"
	doc["description"] = "One mix, made into one kind of piece, cooked one way, and the parts that go with it."
	return doc
}

func leavesOut() schema {
	return schema{
		"avoid": schema{"type": "array", "maxItems": len(eaters.Allergens), "items": schema{"enum": eaters.Allergens}},
		"diet":  schema{"enum": eaters.Diets},
		"wants": schema{"type": "array", "maxItems": len(eaters.Wants), "items": schema{"enum": eaters.Wants}},
	}
}

func prepSchemas() []schema {
	var out []schema
	for _, do := range food.Dos {
		fields := schema{"do": schema{"const": do}}
		needed := []string{"do"}
		switch setting := do.Setting(); setting {
		case "minutes":
			fields[setting] = numberIn("minutes", 0, MaxMinutes)
			needed = append(needed, setting)
		case "level":
			fields[setting] = numberIn("0 whole, 0.5 like ground meat, 1 paste", 0, 1)
			needed = append(needed, setting)
		case "hours":
			fields[setting] = numberIn("hours", 0, MaxHours)
			needed = append(needed, setting)
		}
		if do == food.Saute {
			fields["oil"] = schema{"type": "boolean", "default": true}
		}
		out = append(out, object(fields, needed...))
	}
	return out
}

func pieceSchemas() []schema {
	var out []schema
	for _, kind := range piece.Kinds {
		fields := schema{"kind": schema{"const": kind}}
		needed := []string{"kind"}
		for _, s := range kind.Sizes() {
			fields[s.Field] = numberIn("millimetres", MinMM, MaxMM)
			if s.Needed {
				needed = append(needed, s.Field)
			}
		}
		if kind != piece.Stuffing {
			fields["count"] = schema{"type": "integer", "minimum": 1, "maximum": piece.MaxCount, "description": "how many are asked for: their size follows the mix"}
		}
		switch kind {
		case piece.Loaf, piece.Layered:
			fields["tin"] = schema{"type": "boolean", "default": true}
		case piece.Stuffing:
			for _, name := range []string{"diameter_mm", "thickness_mm", "length_mm", "width_mm", "height_mm"} {
				fields[name] = numberIn("millimetres", MinMM, MaxMM)
			}
		}
		out = append(out, object(fields, needed...))
	}
	return out
}

func object(fields schema, needed ...string) schema {
	s := schema{"type": "object", "properties": fields, "additionalProperties": false}
	if len(needed) > 0 {
		s["required"] = needed
	}
	return s
}

func numberIn(doc string, low, high float64) schema {
	return schema{"type": "number", "minimum": low, "maximum": high, "description": doc}
}

func with(s schema, key string, value any) schema {
	out := schema{key: value}
	for k, v := range s {
		if _, there := out[k]; !there {
			out[k] = v
		}
	}
	return out
}
