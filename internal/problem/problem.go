// Package problem is the error object that the HTTP interface and the commands
// share: RFC 9457 problem details with a code for programs and, for each fault
// of a document, its place.
package problem

import (
	"errors"
	"fmt"
	"net/http"
	"strconv"

	"cuerda/core/document"
)

// Problem is an RFC 9457 problem with extension members code, errors and
// current. Detail is English, for people who read a terminal or a log; the
// front end makes its own sentences from the codes.
type Problem struct {
	Type   string `json:"type"`
	Title  string `json:"title"`
	Status int    `json:"status"`
	Detail string `json:"detail,omitempty"`
	// Code says what is wrong, for programs.
	Code string `json:"code"`
	// Errors names each fault and its place.
	Errors []Item `json:"errors,omitempty"`
	// Current is the newest version of what was to be changed, in a conflict.
	Current int `json:"current,omitempty"`
}

// Item is one fault of a document or a parameter.
type Item struct {
	document.Fault
	Message string `json:"message"`
}

// The codes that are not about the inside of a document.
const (
	BadDocument    = "bad-document"
	BadRequest     = "bad-request"
	NotFound       = "not-found"
	Changed        = "changed-elsewhere"
	NeedsIfMatch   = "needs-if-match"
	TooLarge       = "too-large"
	Forbidden      = "forbidden"
	Unavailable    = "unavailable"
	Internal       = "internal"
	CrossOrigin    = "cross-origin"
	MethodRejected = "method-not-allowed"
)

// New makes a problem of a status, a code and an English detail.
func New(status int, code, detail string) *Problem {
	return &Problem{Type: "about:blank", Title: http.StatusText(status), Status: status, Code: code, Detail: detail}
}

// At makes a problem of one place of what was sent, by its JSON pointer (RFC 6901).
func At(status int, code, pointer, detail string) *Problem {
	p := New(status, code, detail)
	item := Item{Message: detail}
	item.Code, item.Pointer = "out-of-range", pointer
	p.Errors = []Item{item}
	return p
}

// Error gives the detail.
func (p *Problem) Error() string { return p.Detail }

// GetStatus gives the HTTP status.
func (p *Problem) GetStatus() int { return p.Status }

// ContentType gives the media type of RFC 9457.
func (p *Problem) ContentType(string) string { return "application/problem+json" }

// OfDocument makes the problem of a document that document.Read refused.
func OfDocument(err error) *Problem {
	p := New(http.StatusUnprocessableEntity, BadDocument, "The build document cannot be used.")
	var faults document.Faults
	if !errors.As(err, &faults) {
		p.Detail = err.Error()
		return p
	}
	for _, f := range faults {
		p.Errors = append(p.Errors, Item{Fault: f, Message: message(f)})
	}
	if len(p.Errors) > 0 {
		p.Detail += " " + p.Errors[0].Message
	}
	return p
}

func message(f document.Fault) string {
	at := f.Pointer
	if at == "" {
		at = "the document"
	}
	hint := ""
	if f.Nearest != "" {
		hint = fmt.Sprintf(" Did you mean %q?", f.Nearest)
	}
	switch f.Code {
	case document.CodeBadJSON:
		return "This is not one whole JSON value: see " + f.Got + "."
	case document.CodeMissing:
		return at + " is missing."
	case document.CodeUnknownField:
		return fmt.Sprintf("%s: there is no field %q here.%s", at, f.Got, hint)
	case document.CodeUnknownFood, document.CodeUnknownPrep, document.CodeUnknownKind, document.CodeUnknownMethod, document.CodeUnknownWord:
		return fmt.Sprintf("%s: %q is not known.%s", at, f.Got, hint)
	case document.CodeWrongType:
		return fmt.Sprintf("%s is %s; it should be a JSON %s.", at, f.Got, f.Nearest)
	case document.CodeOutOfRange:
		return fmt.Sprintf("%s is %s; it should lie between %s and %s.", at, f.Got, figure(f.Min), figure(f.Max))
	case document.CodeTooLong:
		return fmt.Sprintf("%s is too long: at most %s characters.", at, figure(f.Max))
	case document.CodeTooMany:
		return fmt.Sprintf("%s holds %s; at most %s are read.", at, f.Got, figure(f.Max))
	case document.CodeBadText:
		return at + " holds control characters."
	case document.CodeNotHere:
		return fmt.Sprintf("%s does not belong to %q.", at, f.Got)
	case document.CodeTwice:
		return at + " stands twice; which of them is meant is not known."
	case document.CodeCircular:
		return at + " goes on itself, through others."
	case document.CodeMorePlaces:
		return "There are more faults; mend these first."
	}
	return at + ": " + f.Code
}

func figure(v *float64) string {
	if v == nil {
		return "any"
	}
	return strconv.FormatFloat(*v, 'f', -1, 64)
}
