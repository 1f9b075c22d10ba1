package document

import (
	"strings"
)

// Fault is one thing that is wrong with a document. It holds codes and
// figures; the interface makes the sentence.
type Fault struct {
	// Code is one of the Code constants.
	Code string `json:"code"`
	// Pointer is the place, a JSON pointer (RFC 6901); "" is the whole document.
	Pointer string `json:"pointer"`
	// Got is what stood there, shortened; "" where that says nothing.
	Got string `json:"got,omitempty"`
	// Nearest is the nearest right word.
	Nearest string `json:"nearest,omitempty"`
	// Min and Max are the limits of a figure, a length or a count.
	Min *float64 `json:"min,omitempty"`
	Max *float64 `json:"max,omitempty"`
}

// The codes of faults.
const (
	CodeBadJSON       = "bad-json"       // Got says where, "line 3, column 7"
	CodeMissing       = "missing-field"  // Pointer names the field
	CodeUnknownField  = "unknown-field"  //
	CodeUnknownFood   = "unknown-food"   //
	CodeUnknownPrep   = "unknown-prep"   //
	CodeUnknownKind   = "unknown-kind"   //
	CodeUnknownMethod = "unknown-method" //
	CodeUnknownWord   = "unknown-word"   // allergen, diet, format
	CodeWrongType     = "wrong-type"     // Nearest is the type that is wanted
	CodeOutOfRange    = "out-of-range"   // Min and Max say the range
	CodeTooLong       = "too-long"       // Max says how long may be
	CodeTooMany       = "too-many"       // Max says how many may be
	CodeBadText       = "bad-text"       // control characters
	CodeNotHere       = "not-here"       // a setting that belongs to another preparation or kind
	CodeTwice         = "twice"          // an id that stands twice
	CodeCircular      = "circular"       // a part that goes on itself, through others
	CodeMorePlaces    = "more-faults"    // the list was cut
)

// Faults is every fault found in a document, in document order.
type Faults []Fault

// Error lists codes and places, for logs.
func (f Faults) Error() string {
	parts := make([]string, len(f))
	for i, x := range f {
		parts[i] = x.Code + " at " + x.Pointer
	}
	return "build document: " + strings.Join(parts, "; ")
}
