// Package logbook is what cooks write down of a try: a build as it was really cooked, and how
// it came out. Everything but the build may be left out: ten seconds are enough.
package logbook

import (
	"fmt"
	"math"
	"slices"

	"cuerda/core/keepable"
	"cuerda/core/physics/mix"
)

// Limits of what is written down.
const (
	MaxPieces  = 500
	MaxPhotos  = 6
	MaxNote    = 8000 // characters
	MaxLikings = 40
	MaxEater   = 80
	MaxMinutes = 2880.
	MinCore    = -30.
	MaxCore    = 300.
	MaxGrams   = 100_000.
)

// Found is how a try came out.
type Found struct {
	// Hold is how it held in one word, Bite how it was to eat, Shaped how it was in the hand.
	Hold   string `json:"hold,omitempty" enum:"held,some-broke,fell-apart"`
	Bite   string `json:"bite,omitempty" enum:"dry,right,wet"`
	Shaped string `json:"shaped,omitempty" enum:"easy,sticky,crumbly"`
	// SqueezeFresh is the word of the mix as it was stirred, Squeeze when it was shaped.
	SqueezeFresh mix.Word `json:"squeeze_fresh,omitempty" enum:"crumbles,short,firm,tacky,slack,slumps"`
	Squeeze      mix.Word `json:"squeeze,omitempty" enum:"crumbles,short,firm,tacky,slack,slumps"`
	// Pieces is how many were made, Broke how many of them broke, and when.
	Pieces int    `json:"pieces,omitempty" minimum:"0" maximum:"500"`
	Broke  *Broke `json:"broke,omitempty"`
	// OffAtMinutes is when they came off the heat, CoreCelsius what they had inside then,
	// OvenCelsius what a thermometer in the oven showed, TurnedAtMinutes when they were turned.
	OffAtMinutes    *float64 `json:"off_at_minutes,omitempty" minimum:"0" maximum:"2880"`
	CoreCelsius     *float64 `json:"core_celsius,omitempty" minimum:"-30" maximum:"300"`
	OvenCelsius     *float64 `json:"oven_celsius,omitempty" minimum:"-30" maximum:"300"`
	TurnedAtMinutes *float64 `json:"turned_at_minutes,omitempty" minimum:"0" maximum:"2880"`
	// BeforeG and AfterG are what all pieces weighed raw and cooked, g.
	BeforeG *float64 `json:"before_g,omitempty" minimum:"0" maximum:"100000"`
	AfterG  *float64 `json:"after_g,omitempty" minimum:"0" maximum:"100000"`
	// RoomCelsius and FridgeCelsius were those of that day.
	RoomCelsius   *float64 `json:"room_celsius,omitempty" minimum:"-10" maximum:"50"`
	FridgeCelsius *float64 `json:"fridge_celsius,omitempty" minimum:"-10" maximum:"25"`
	// Texture is from -2 crumbly to 2 rubbery, Browning how brown.
	Texture  *int     `json:"texture,omitempty" minimum:"-2" maximum:"2"`
	Browning string   `json:"browning,omitempty" enum:"pale,golden,brown,dark"`
	Likings  []Liking `json:"likings,omitempty" maxItems:"40"`
	Note     string   `json:"note,omitempty" maxLength:"8000"`
	// Photos are the IDs of pictures that were kept; Photo the one of a course.
	Photos []string `json:"photos,omitempty" maxItems:"6"`
	Photo  string   `json:"photo,omitempty" maxLength:"64"`
	// Below is said where pieces were taken off the heat before the coldest place had come to its goal.
	Below *Below `json:"below,omitempty"`
	// Others are what other cooks said of the same pieces, where several did.
	Others []Voice `json:"others,omitempty" maxItems:"8"`
	// Unsure is why nothing is learned of it unless somebody asks for that.
	Unsure string `json:"unsure,omitempty" enum:"simulated,hurried,left-alone"`
}

// Below is how hot the coldest place was made out to be as pieces were taken off, and its goal, degC.
type Below struct {
	Celsius     float64 `json:"celsius" minimum:"-45" maximum:"300"`
	GoalCelsius float64 `json:"goal_celsius" minimum:"0" maximum:"300"`
}

// Voice is what one more cook said.
type Voice struct {
	By     string `json:"by,omitempty" maxLength:"80"`
	Hold   string `json:"hold,omitempty" enum:"held,some-broke,fell-apart"`
	Bite   string `json:"bite,omitempty" enum:"dry,right,wet"`
	Shaped string `json:"shaped,omitempty" enum:"easy,sticky,crumbly"`
	Note   string `json:"note,omitempty" maxLength:"2000"`
}

// MaxVoices is how many more cooks may say how pieces came out.
const MaxVoices = 8

// Why nothing is learned of a try.
const (
	Simulated = "simulated"  // its instruments made their figures up
	Hurried   = "hurried"    // its clock went faster than the world's
	LeftAlone = "left-alone" // nobody said when it came off the heat, until long after
)

// Unsures lists them all.
var Unsures = []string{Simulated, Hurried, LeftAlone}

// Broke is how many pieces broke at each stage.
type Broke struct {
	Shaping int `json:"shaping,omitempty" minimum:"0" maximum:"500"`
	Turning int `json:"turning,omitempty" minimum:"0" maximum:"500"`
	Lifting int `json:"lifting,omitempty" minimum:"0" maximum:"500"`
	Cutting int `json:"cutting,omitempty" minimum:"0" maximum:"500"`
}

// Liking is how an eater liked it, 1 not at all to 5 very much.
type Liking struct {
	Eater  string `json:"eater" minLength:"1" maxLength:"80"`
	Liking int    `json:"liking" minimum:"1" maximum:"5"`
}

// The words of findings.
var (
	Holds     = []string{"held", "some-broke", "fell-apart"}
	Bites     = []string{"dry", "right", "wet"}
	Shapes    = []string{"easy", "sticky", "crumbly"}
	Brownings = []string{"pale", "golden", "brown", "dark"}
)

// WrongError names what was written that cannot be.
type WrongError struct {
	Field string
	Got   string
}

func (e *WrongError) Error() string { return fmt.Sprintf("%s cannot be %q", e.Field, e.Got) }

// Check gives a *WrongError for the first thing that cannot be so.
func (f *Found) Check() error {
	for _, w := range []struct {
		field, said string
		words       []string
	}{{"hold", f.Hold, Holds}, {"bite", f.Bite, Bites}, {"shaped", f.Shaped, Shapes}, {"browning", f.Browning, Brownings}, {"unsure", f.Unsure, Unsures}} {
		if w.said != "" && !slices.Contains(w.words, w.said) {
			return &WrongError{w.field, w.said}
		}
	}
	for _, w := range []struct {
		field string
		said  mix.Word
	}{{"squeeze", f.Squeeze}, {"squeeze_fresh", f.SqueezeFresh}} {
		if w.said != "" && !slices.Contains(mix.SqueezeWords, w.said) {
			return &WrongError{w.field, string(w.said)}
		}
	}
	for _, n := range []struct {
		field     string
		got       *float64
		low, high float64
	}{
		{"off_at_minutes", f.OffAtMinutes, 0, MaxMinutes}, {"turned_at_minutes", f.TurnedAtMinutes, 0, MaxMinutes},
		{"core_celsius", f.CoreCelsius, MinCore, MaxCore}, {"oven_celsius", f.OvenCelsius, MinCore, MaxCore},
		{"before_g", f.BeforeG, 0, MaxGrams}, {"after_g", f.AfterG, 0, MaxGrams},
		{"room_celsius", f.RoomCelsius, -10, 50}, {"fridge_celsius", f.FridgeCelsius, -10, 25},
	} {
		if n.got != nil && (math.IsNaN(*n.got) || *n.got < n.low || *n.got > n.high) {
			return &WrongError{n.field, fmt.Sprint(*n.got)}
		}
	}
	if f.Texture != nil && (*f.Texture < -2 || *f.Texture > 2) {
		return &WrongError{"texture", fmt.Sprint(*f.Texture)}
	}
	if f.Pieces < 0 || f.Pieces > MaxPieces {
		return &WrongError{"pieces", fmt.Sprint(f.Pieces)}
	}
	if len(f.Photos) > MaxPhotos {
		return &WrongError{"photos", fmt.Sprint(len(f.Photos))}
	}
	for _, photo := range append([]string{f.Photo}, f.Photos...) {
		if !keepable.Text(photo, keepable.MaxID) {
			return &WrongError{"photos", "a name that is none"}
		}
	}
	if !keepable.Text(f.Note, MaxNote) {
		return &WrongError{"note", fmt.Sprint(len([]rune(f.Note)))}
	}
	if err := f.checkBroke(); err != nil {
		return err
	}
	if err := f.checkVoices(); err != nil {
		return err
	}
	return f.checkLikings()
}

// checkVoices holds what other cooks said, and how cool pieces came off, to what can be.
func (f *Found) checkVoices() error {
	if b := f.Below; b != nil && !(b.Celsius >= -45 && b.Celsius <= MaxCore && b.GoalCelsius >= 0 && b.GoalCelsius <= MaxCore) {
		return &WrongError{"below", fmt.Sprint(*b)}
	}
	if len(f.Others) > MaxVoices {
		return &WrongError{"others", fmt.Sprint(len(f.Others))}
	}
	for _, v := range f.Others {
		one := Found{Hold: v.Hold, Bite: v.Bite, Shaped: v.Shaped, Note: v.Note}
		if err := one.Check(); err != nil {
			return err
		}
		if len([]rune(v.By)) > MaxEater {
			return &WrongError{"others/by", v.By}
		}
	}
	return nil
}

func (f *Found) checkBroke() error {
	b := f.Broke
	if b == nil {
		return nil
	}
	for _, n := range []struct {
		field string
		got   int
	}{{"broke/shaping", b.Shaping}, {"broke/turning", b.Turning}, {"broke/lifting", b.Lifting}, {"broke/cutting", b.Cutting}} {
		if n.got < 0 || n.got > MaxPieces {
			return &WrongError{n.field, fmt.Sprint(n.got)}
		}
	}
	if all := b.All(); all > f.Pieces && f.Pieces > 0 {
		return &WrongError{"broke", fmt.Sprintf("%d of %d", all, f.Pieces)}
	}
	return nil
}

func (f *Found) checkLikings() error {
	if len(f.Likings) > MaxLikings {
		return &WrongError{"likings", fmt.Sprint(len(f.Likings))}
	}
	for _, l := range f.Likings {
		if l.Liking < 1 || l.Liking > 5 || l.Eater == "" || len([]rune(l.Eater)) > MaxEater {
			return &WrongError{"likings", fmt.Sprintf("%s %d", l.Eater, l.Liking)}
		}
	}
	return nil
}

// All is how many broke.
func (b *Broke) All() int { return b.Shaping + b.Turning + b.Lifting + b.Cutting }

// Count is how many pieces held of so many.
type Count struct{ Held, Of int }

// Ratio is the hold over the need that goes with the share of pieces that held. Half a piece is taken
// to be at stake beside those counted, so that all or none of few are not sure for ever.
func (c Count) Ratio() float64 {
	return mix.Ratio(mix.Odds((float64(c.Held)+.25)/(float64(c.Of)+.5), 0))
}

// usualPieces are counted where nobody counted, and someBreak of them break where some did.
const usualPieces, someBreak = 8, 2

// Raw and Cooked are how many pieces came through being shaped, moved and turned, and how many
// of those through being lifted and cut; false where nobody counted.
func (f *Found) Raw() (c Count, known bool) {
	if f.Broke == nil {
		return Count{}, false
	}
	of := f.counted()
	return Count{of - min(of, f.Broke.Shaping+f.Broke.Turning), of}, true
}

// Cooked is the second stage of Raw.
func (f *Found) Cooked() (c Count, known bool) {
	raw, known := f.Raw()
	if !known || raw.Held == 0 {
		return Count{}, false
	}
	return Count{raw.Held - min(raw.Held, f.Broke.Lifting+f.Broke.Cutting), raw.Held}, true
}

func (f *Found) counted() int {
	if f.Pieces > 0 {
		return f.Pieces
	}
	return max(usualPieces, f.Broke.All())
}

// Both is how many came through both stages: as counted, else as the one word says.
func (f *Found) Both() (c Count, known bool) {
	if raw, ok := f.Raw(); ok {
		return Count{raw.Of - min(raw.Of, f.Broke.All()), raw.Of}, true
	}
	of := f.Pieces
	if of == 0 {
		of = usualPieces
	}
	switch f.Hold {
	case "held":
		return Count{of, of}, true
	case "some-broke":
		return Count{of - max(1, of*someBreak/usualPieces), of}, true
	case "fell-apart":
		return Count{0, of}, true
	}
	return Count{}, false
}

// IsCounted says whether somebody counted how many held; what all of them did needs no counting.
func (f *Found) IsCounted() bool { return f.Broke != nil || f.Pieces > 0 && f.Hold == string(Held) }

// Outcome is how a try came out, in a word.
type Outcome string

// The outcomes, from the best; Unsaid where nothing was written of it.
const (
	Held      Outcome = "held"
	SomeBroke Outcome = "some-broke"
	FellApart Outcome = "fell-apart"
	Unsaid    Outcome = "unsaid"
)

// Outcomes lists every outcome.
var Outcomes = []Outcome{Held, SomeBroke, FellApart, Unsaid}

// Outcome gives the word: fell apart where not half of the pieces held.
func (f *Found) Outcome() Outcome {
	c, known := f.Both()
	switch {
	case !known:
		return Unsaid
	case c.Held == c.Of:
		return Held
	case 2*c.Held < c.Of:
		return FellApart
	}
	return SomeBroke
}

// AllPhotos are the IDs of its pictures.
func (f *Found) AllPhotos() []string {
	out := slices.Clone(f.Photos)
	if f.Photo != "" && !slices.Contains(out, f.Photo) {
		out = append(out, f.Photo)
	}
	return out
}

// LossPct is the weight lost in cooking, per cent; false where it was not weighed.
func (f *Found) LossPct() (pct float64, known bool) {
	if f.BeforeG == nil || f.AfterG == nil || *f.BeforeG <= 0 {
		return 0, false
	}
	return 100 * (1 - *f.AfterG / *f.BeforeG), true
}
