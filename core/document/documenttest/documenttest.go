// Package documenttest gives tests build documents, whole and by their parts.
package documenttest

import (
	"strings"

	"github.com/stretchr/testify/require"

	"cuerda/core/document"
	"cuerda/core/food"
)

// PeaCakes is a build that holds, for a table without egg and gluten.
const PeaCakes = `{
  "format": "cuerda-build/1",
  "name": "Split-pea and parsnip cakes",
  "lines": [
    {"food": "split-peas-cooked", "grams": 480, "prep": [{"do": "blitz", "level": 0.5}]},
    {"food": "parsnip", "grams": 150, "prep": [{"do": "saute", "minutes": 10}]},
    {"food": "onion", "grams": 90, "prep": [{"do": "saute", "minutes": 10}]},
    {"food": "chickpea-flour", "grams": 45},
    {"food": "flax-meal", "grams": 16},
    {"food": "pumpkin-seeds", "grams": 40},
    {"food": "salt", "grams": 6}
  ],
  "rest": {"minutes": 20, "celsius": 20},
  "piece": {"kind": "patty", "diameter_mm": 80, "thickness_mm": 18},
  "cook": {"method": "pan", "celsius": 180, "target_celsius": 74},
  "eaters": {"avoid": ["egg", "gluten"], "diet": "vegan"}
}`

// Read gives the document of a text that is one.
func Read(t require.TestingT, text string) *document.Document {
	d, err := document.Read([]byte(text), food.Starter())
	require.NoError(t, err)
	return d
}

// With gives the text with another field before its lines.
func With(text, field string) string {
	return strings.Replace(text, `"lines"`, field+`,"lines"`, 1)
}

// WithLines gives the text of a document of those lines.
func WithLines(lines string) string {
	return `{"format":"cuerda-build/1","lines":[` + lines + `]}`
}
