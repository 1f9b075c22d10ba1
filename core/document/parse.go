package document

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"strconv"
	"sync"

	"github.com/go-json-experiment/json/jsontext"
)

// maxDepth is how deep a document may nest: its own deepest place is 8.
const maxDepth = 32

// mostValues is how many values a document may have: the longest that is accepted has
// some thousands.
const mostValues = 20_000

var (
	errTooDeep = errors.New("nested too deep")
	errTooMany = errors.New("too many values")
)

// node is one value of a document.
type node struct {
	kind jsontext.Kind
	// name is that of a field of an object.
	name string
	// text is a string, or a number as it was written.
	text string
	// first is the first of its count children; next the one behind it.
	first, next *node
	count       int
}

// field gives the field of that name; nil where there is none, or no object.
func (n *node) field(name string) *node {
	if n == nil {
		return nil
	}
	for f := n.first; f != nil; f = f.next {
		if f.name == name {
			return f
		}
	}
	return nil
}

// missing says whether it is not there, or null.
func (n *node) missing() bool { return n == nil || n.kind == 'n' }

// describe says what it is, shortened.
func (n *node) describe() string {
	switch n.kind {
	case 'n':
		return "null"
	case 't':
		return "true"
	case 'f':
		return "false"
	case '"':
		return shorten(strconv.Quote(n.text))
	case '0':
		return shorten(n.text)
	case '[':
		return "array"
	}
	return "object"
}

// parse reads exactly one JSON value, numbers kept as they were written. A name that
// stands twice in one object is refused: which of the two was meant is not known.
func (p *parser) parse(data []byte) (*node, *Fault) {
	p.source.Reset(data)
	p.dec.Reset(&p.source)
	p.text, p.used = string(data), 0
	dec := p.dec
	tree, err := p.value("", 0)
	if err == nil {
		if _, err = dec.ReadToken(); errors.Is(err, io.EOF) {
			return tree, nil
		} else if err == nil {
			err = errors.New("more than one value")
		}
	}
	if errors.Is(err, errTooMany) {
		most := float64(mostValues)
		return nil, &Fault{Code: CodeTooMany, Got: "more values", Max: &most}
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

// parser makes nodes of a text. Their strings are parts of it wherever they hold no
// escapes. What it gives is good until it is used again.
type parser struct {
	dec    *jsontext.Decoder
	source bytes.Reader
	text   string
	room   [][]node // of roomSize nodes each
	used   int
}

const (
	roomSize = 128 // a document of 20 lines has some 150 nodes
	mostRoom = 64  // kept for the next document
)

var parsers = sync.Pool{New: func() any { return &parser{dec: jsontext.NewDecoder(bytes.NewReader(nil))} }}

func (p *parser) release() {
	p.text = ""
	p.source.Reset(nil)
	if len(p.room) > mostRoom {
		p.room = p.room[:mostRoom:mostRoom]
	}
	for i := 0; i*roomSize < p.used && i < len(p.room); i++ {
		clear(p.room[i])
	}
	parsers.Put(p)
}

func (p *parser) node(name string) *node {
	i := p.used / roomSize
	if i == len(p.room) {
		p.room = append(p.room, make([]node, roomSize))
	}
	n := &p.room[i][p.used%roomSize]
	p.used++
	n.name = name
	return n
}

// scalar reads the next string or number.
func (p *parser) scalar() (string, error) {
	raw, err := p.dec.ReadValue()
	if err != nil {
		return "", err
	}
	end := int(p.dec.InputOffset())
	switch {
	case raw.Kind() != '"':
		return p.text[end-len(raw) : end], nil
	case bytes.IndexByte(raw, '\\') < 0:
		return p.text[end-len(raw)+1 : end-1], nil
	}
	plain, err := jsontext.AppendUnquote(nil, raw)
	return string(plain), err
}

// value reads the next value, that of a field where it has a name.
func (p *parser) value(name string, depth int) (*node, error) {
	switch {
	case depth > maxDepth:
		return nil, errTooDeep
	case p.used >= mostValues:
		return nil, errTooMany
	}
	n := p.node(name)
	n.kind = p.dec.PeekKind()
	var err error
	switch n.kind {
	case '"', '0':
		n.text, err = p.scalar()
		return n, err
	case '[', '{':
	default: // a literal, or what is none of JSON
		_, err = p.dec.ReadToken()
		return n, err
	}
	if _, err = p.dec.ReadToken(); err != nil {
		return nil, err
	}
	last, end := &n.first, jsontext.Kind(']')
	if n.kind == '{' {
		end = '}'
	}
	for p.dec.PeekKind() != end {
		field := ""
		if n.kind == '{' {
			if field, err = p.scalar(); err != nil {
				return nil, err
			}
		}
		if *last, err = p.value(field, depth+1); err != nil {
			return nil, err
		}
		last = &(*last).next
		n.count++
	}
	_, err = p.dec.ReadToken()
	return n, err
}
