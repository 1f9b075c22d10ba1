package formula

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"

	"github.com/go-json-experiment/json/jsontext"
)

// maxDepth is how deep a document may nest: its own deepest place is 8.
const maxDepth = 32

var errTooDeep = errors.New("nested too deep")

// parse reads exactly one JSON value, numbers kept as they were written. A name that
// stands twice in one object is refused: which of the two was meant is not known.
func parse(data []byte) (any, *Fault) {
	dec := jsontext.NewDecoder(bytes.NewReader(data))
	tree, err := value(dec, 0)
	if err == nil {
		if _, err = dec.ReadToken(); errors.Is(err, io.EOF) {
			return tree, nil
		} else if err == nil {
			err = errors.New("more than one value")
		}
	}
	offset := int(dec.InputOffset())
	var syntax *jsontext.SyntacticError
	if errors.As(err, &syntax) {
		if errors.Is(syntax.Err, jsontext.ErrDuplicateName) {
			return nil, &Fault{Code: CodeTwice, Pointer: shorten(string(syntax.JSONPointer))}
		}
	}
	// The standard library says more nearly where.
	var other *json.SyntaxError
	if errors.As(json.Unmarshal(data, new(any)), &other) {
		offset = max(0, int(other.Offset)-1) // it stands behind the byte that is wrong
	}
	before := data[:min(offset, len(data))]
	line := 1 + bytes.Count(before, []byte("\n"))
	column := len(before) - bytes.LastIndexByte(before, '\n')
	return nil, &Fault{Code: CodeBadJSON, Got: fmt.Sprintf("line %d, column %d", line, column)}
}

// value reads the next value: nil, bool, string, json.Number, []any or
// map[string]any.
func value(dec *jsontext.Decoder, depth int) (any, error) {
	if depth > maxDepth {
		return nil, errTooDeep
	}
	token, err := dec.ReadToken()
	if err != nil {
		return nil, err
	}
	switch token.Kind() {
	case 'n':
		return nil, nil
	case 't', 'f':
		return token.Bool(), nil
	case '"':
		return token.String(), nil
	case '0':
		return json.Number(token.String()), nil
	case '[':
		out := []any{}
		for dec.PeekKind() != ']' {
			v, err := value(dec, depth+1)
			if err != nil {
				return nil, err
			}
			out = append(out, v)
		}
		_, err = dec.ReadToken()
		return out, err
	}
	out := make(map[string]any, 4)
	for dec.PeekKind() != '}' {
		name, err := dec.ReadToken()
		if err != nil {
			return nil, err
		}
		key := name.String()
		if out[key], err = value(dec, depth+1); err != nil {
			return nil, err
		}
	}
	_, err = dec.ReadToken()
	return out, err
}
