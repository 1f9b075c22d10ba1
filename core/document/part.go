package document

import (
	"regexp"
	"slices"

	"cuerda/core/food"
	"cuerda/core/physics/mix"
)

// PartKind is what a part of a build does beside the mix.
type PartKind string

// The kinds of part.
const (
	Shell   PartKind = "shell"   // around the mix
	Filling PartKind = "filling" // inside a shell of the mix
	Middle  PartKind = "middle"  // a layer within a loaf
	Wrap    PartKind = "wrap"    // leaves or pastry around a piece
	Coating PartKind = "coating" // dry, on the outside
	Glaze   PartKind = "glaze"   // brushed on while it cooks
	Wash    PartKind = "wash"    // brushed on before
	Sauce   PartKind = "sauce"   // beside or over it
	Broth   PartKind = "broth"   // it is eaten in
	Vessel  PartKind = "vessel"  // a vegetable that holds it
)

// PartKinds lists every kind, from the inside out.
var PartKinds = []PartKind{Filling, Middle, Shell, Wrap, Vessel, Coating, Wash, Glaze, Sauce, Broth}

// Inside says whether the part lies within the piece.
func (k PartKind) Inside() bool { return k == Filling || k == Middle }

// OnPiece says whether the part is cooked with the piece.
func (k PartKind) OnPiece() bool { return k != Sauce && k != Broth }

// Brushed says whether the part is brushed on, at a time of the cook's choice.
func (k PartKind) Brushed() bool { return k == Glaze || k == Wash }

// When a part that is brushed on goes on.
const (
	FromStart = "start"
	HalfWay   = "half-way"
	AtEnd     = "end"
)

// Whens lists the times at which a part can be brushed on.
var Whens = []string{FromStart, HalfWay, AtEnd}

// Limits of the parts.
const (
	MaxParts     = 12
	MaxPartLines = 60
	MaxNote      = 8000 // characters
	MaxPortions  = 500
)

// Part is a mix of its own beside the main one.
type Part struct {
	// ID names the part within the document, for On.
	ID   string   `json:"id,omitempty" pattern:"^[a-z0-9-]{1,40}$"`
	Kind PartKind `json:"kind"`
	Name string   `json:"name,omitempty" maxLength:"200"`
	// On is the part that this one goes on or into; the mix where it is missing.
	On    string `json:"on,omitempty"`
	Lines []Line `json:"lines" maxItems:"60"`
	Rest  *Wait  `json:"rest,omitempty"`
	// CookMinutes is how long it is cooked by itself, such as a sauce.
	CookMinutes float64 `json:"cook_minutes,omitempty" minimum:"0" maximum:"2880"`
	// When is start, half-way or end, for what is brushed on.
	When string `json:"when,omitempty" enum:"start,half-way,end"`
}

// MixLines gives the lines of a part of a document that Read has accepted.
func (p *Part) MixLines(foods *food.Catalogue) []mix.Line { return mixLines(p.Lines, foods) }

// RestAt gives the rest of the part in a kitchen of that temperature, degC.
func (p *Part) RestAt(room float64) mix.Rest { return p.Rest.at(room) }

// WhenOrUsual is when a part that is brushed on goes on: a wash from the
// start, a glaze half-way, whose sugar would burn before.
func (p *Part) WhenOrUsual() string {
	switch {
	case p.When != "":
		return p.When
	case p.Kind == Wash:
		return FromStart
	}
	return HalfWay
}

var partID = regexp.MustCompile(`^[a-z0-9-]{1,40}$`)

var partFields = []string{"kind", "id", "name", "on", "lines", "rest", "cook_minutes", "when"}

func (r *reader) part(v *node) Part {
	p := Part{Lines: []Line{}}
	for name, v := range r.fields(r.object(v, partFields, "kind", "lines"), partFields) {
		switch name {
		case "kind":
			p.Kind = PartKind(r.word(v, CodeUnknownKind, partWords))
		case "id":
			p.ID = r.partID(v)
		case "name":
			p.Name = r.text(v, MaxName)
		case "on":
			p.On = r.partID(v)
		case "lines":
			for l := range r.list(v, MaxPartLines) {
				p.Lines = append(p.Lines, r.line(l))
			}
		case "rest":
			p.Rest = r.rest(v)
		case "cook_minutes":
			p.CookMinutes = r.number(v, 0, MaxMinutes)
		case "when":
			p.When = r.word(v, CodeUnknownWord, Whens)
		}
	}
	return p
}

func (r *reader) partID(v *node) string {
	s, ok := r.str(v)
	if ok && !partID.MatchString(s) {
		r.fault(Fault{Code: CodeBadText, Got: shorten(s), Nearest: "a-z, 0-9, -"})
	}
	return s
}

// parts reads the parts and follows what each goes on: to a part that there is,
// and never round in a circle.
func (r *reader) parts(v *node) []Part {
	var out []Part
	for p := range r.list(v, MaxParts) {
		out = append(out, r.part(p))
	}
	var ids []string
	for i := range out {
		id := out[i].ID
		if id != "" && slices.Contains(ids, id) {
			r.faultOfPart(i, "id", Fault{Code: CodeTwice, Got: id})
		}
		ids = append(ids, id)
	}
	for i := range out {
		next := i
		for hops := 0; out[next].On != ""; hops++ {
			on := out[next].On
			next = slices.Index(ids, on)
			if next < 0 {
				if hops == 0 {
					r.faultOfPart(i, "on", Fault{Code: CodeUnknownWord, Got: on, Nearest: nearest(on, ids)})
				}
				break
			}
			if next == i || hops > len(out) {
				r.faultOfPart(i, "on", Fault{Code: CodeCircular, Got: on})
				break
			}
		}
	}
	return out
}

func (r *reader) faultOfPart(i int, field string, f Fault) {
	r.path = append(r.path, place{item: i})
	r.faultIn(field, f)
	r.path = r.path[:len(r.path)-1]
}
