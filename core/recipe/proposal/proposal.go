// Package proposal makes a build of a recipe that was read, and asks what the recipe does
// not say and the verdict hangs on, by trying the answers in the model.
package proposal

import (
	"cmp"
	"math"
	"slices"
	"strings"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/physics/heat"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
	"cuerda/core/recipe"
)

// Spot is where a food of a recipe stands in the build: Part is its part, from 1, 0
// for the mix, and Line its line there; both -1 where it is not in the build.
type Spot struct {
	Line int
	Part int
}

// Proposal is the build that a recipe becomes.
type Proposal struct {
	Document document.Document
	// Spots are those of the foods of every ingredient line.
	Spots [][]Spot
	// Chance is that the pieces hold, as far as the recipe says, 0..1.
	Chance    float64
	Questions []Question

	items []*recipe.ReadFood // of the lines of the mix
}

// Of makes the build of a recipe for a kitchen. What cannot be a line of it stays in
// its note, so that no word is lost.
func Of(f *recipe.Found, u *recipe.Understood, k *kitchen.Kitchen) Proposal {
	d := Proposal{Document: document.Document{Format: document.Format, Name: f.Name, Portions: f.Portions, Lines: []document.Line{}}}
	var left []string
	for i := range u.Lines {
		l := &u.Lines[i]
		places := make([]Spot, len(l.Items))
		kept := false
		for j := range l.Items {
			places[j] = d.take(l, &l.Items[j], k.Foods)
			kept = kept || places[j].Part >= 0
		}
		if !kept && l.Text != "" {
			left = append(left, l.Text)
		}
		d.Spots = append(d.Spots, places)
	}
	doc := &d.Document
	for i, text := range f.Steps {
		if len(doc.Method) < document.MaxInstructions {
			doc.Method = append(doc.Method, document.Instruction{Text: recipe.Short(text, document.MaxInstruction), Steps: u.Became[i]})
		} else {
			left = append(left, text)
		}
	}
	doc.Note = recipe.Short(strings.Join(append(left, f.Notes...), "\n"), document.MaxNote)
	if u.Rest != nil {
		doc.Rest = &document.Wait{Minutes: min(u.Rest.Minutes, document.MaxMinutes)}
	}
	if u.Chill != nil {
		doc.Chill = &document.Wait{Minutes: min(u.Chill.Minutes, document.MaxMinutes)}
	}
	doc.Piece = pieceOf(u.Piece, doc, k)
	doc.Cook = cookOf(u.Cook, doc)
	d.ask(u, k)
	return d
}

// take puts a food into the mix or into a part; what is fried in, served with or
// not understood goes into neither.
func (d *Proposal) take(l *recipe.ReadLine, it *recipe.ReadFood, foods *food.Catalogue) Spot {
	out := Spot{-1, -1}
	if foods.Find(it.Food) == nil || !(it.Grams > 0) || it.Grams > document.MaxGrams {
		return out
	}
	line := document.Line{Food: it.Food, Name: recipe.Short(it.Name, document.MaxLineName), Grams: math.Round(it.Grams*10) / 10}
	if line.Grams <= 0 {
		return out
	}
	doc := &d.Document
	if it.Part == "" {
		line.Prep = it.Prep[:min(len(it.Prep), document.MaxPreps)]
		if len(doc.Lines) == document.MaxLines {
			return out
		}
		doc.Lines = append(doc.Lines, line)
		d.items = append(d.items, it)
		return Spot{len(doc.Lines) - 1, 0}
	}
	kind := document.PartKind(it.Part)
	if !slices.Contains(document.PartKinds, kind) {
		return out
	}
	at := slices.IndexFunc(doc.Parts, func(p document.Part) bool { return p.Kind == kind && p.Name == l.Section })
	if at < 0 {
		if len(doc.Parts) == document.MaxParts {
			return out
		}
		doc.Parts = append(doc.Parts, document.Part{Kind: kind, Name: l.Section, Lines: []document.Line{}})
		at = len(doc.Parts) - 1
	}
	if len(doc.Parts[at].Lines) == document.MaxPartLines {
		return out
	}
	doc.Parts[at].Lines = append(doc.Parts[at].Lines, line)
	return Spot{len(doc.Parts[at].Lines) - 1, at + 1}
}

// pieceOf gives the piece in the sizes that the recipe says, and in those that its
// count leaves for the rest.
func pieceOf(said *recipe.ReadPiece, d *document.Document, k *kitchen.Kitchen) *piece.Piece {
	if said == nil {
		return nil
	}
	p := piece.Usual(said.Kind)
	fixed := map[string]float64{
		"diameter_mm": said.DiameterMM, "thickness_mm": said.ThicknessMM, "length_mm": said.LengthMM, "width_mm": said.WidthMM, "height_mm": said.HeightMM,
	}
	if said.Kind == piece.Loaf && said.DiameterMM > 0 { // a roll is as high as it is wide
		fixed["width_mm"], fixed["height_mm"] = cmp.Or(said.WidthMM, said.DiameterMM), cmp.Or(said.HeightMM, said.DiameterMM)
	}
	own := map[string]bool{}
	for _, s := range said.Kind.Sizes() {
		own[s.Field] = true
	}
	for field, mm := range fixed {
		if mm >= document.MinMM && mm <= document.MaxMM && own[field] {
			p.Set(field, mm)
		}
	}
	if said.Kind == piece.Loaf && !said.Tin {
		no := false
		p.Tin = &no
	}
	if said.Count == 0 || said.Kind == piece.Stuffing {
		return &p
	}
	parts := mix.Parts(d.MixLines(k.Foods))
	c := heat.CompositionOf(parts)
	grams := 0.
	for i := range parts {
		grams += parts[i].Mass
	}
	fitted, err := k.Fit(&p, piece.Aim{Pieces: said.Count}, grams, c.Density())
	if err != nil {
		return &p
	}
	// What the recipe says stands; the count gives the sizes that it leaves open.
	for field, mm := range fixed {
		if mm >= document.MinMM && mm <= document.MaxMM && own[field] {
			fitted.Set(field, mm)
		}
	}
	fitted.Tin = p.Tin
	// So many were asked for: so many come out, whatever is changed of the mix.
	if said.Count <= piece.MaxCount {
		fitted.Count = said.Count
	}
	return &fitted
}

func cookOf(said *recipe.ReadCook, d *document.Document) *document.Cook {
	if said == nil {
		return nil
	}
	c := &document.Cook{Method: said.Method, Turn: said.Turn}
	if said.Celsius >= 60 && said.Celsius <= document.MaxCelsius {
		c.Celsius = &said.Celsius
	}
	if d.Piece != nil && d.Piece.Held() {
		c.Turn = nil
	}
	return c
}
