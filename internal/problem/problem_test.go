package problem_test

import (
	"errors"
	"testing"

	"github.com/stretchr/testify/assert"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/internal/problem"
)

func TestProblemsSayWhatWhereAndWhatWouldBeRight(t *testing.T) {
	for text, want := range map[string]string{
		`{"format":"cuerda-build/1","lines":[{"food":"tofu-frim","grams":3}]}`: `/lines/0/food: "tofu-frim" is not known. Did you mean "tofu-firm"?`,
		`{"format":"cuerda-build/1","lines":[{"food":"salt","grams":0}]}`:      "/lines/0/grams is 0; it should lie between 0.1 and 100000.",
		`{"format":"cuerda-build/1","lines":[{"food":"salt"}]}`:                "/lines/0/grams is missing.",
		`{"format":"cuerda-build/1","lines":{}}`:                               "/lines is object; it should be a JSON array.",
		"{\n  nonsense":                                                        "This is not one whole JSON value: see line 2, column 3.",
	} {
		_, err := document.Read([]byte(text), food.Starter())
		p := problem.OfDocument(err)
		assert.Equal(t, problem.BadDocument, p.Code)
		assert.Equal(t, 422, p.GetStatus())
		assert.Equal(t, want, p.Errors[0].Message)
		assert.Contains(t, p.Error(), want)
	}
	assert.Equal(t, "lost", problem.OfDocument(errors.New("lost")).Error())
}
