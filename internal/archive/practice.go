package archive

import (
	"errors"
	"fmt"
	"math"
	"slices"
	"time"

	"cuerda/core/food"
	"cuerda/core/keepable"
	"cuerda/core/learn/practice"
	"cuerda/core/physics/mix"
	"cuerda/internal/store"
)

// PracticeFormat is that of a person who practises in an archive.
const PracticeFormat = "cuerda-practice/1"

type personFile struct {
	Format    string         `json:"format"`
	ID        string         `json:"id"`
	Name      string         `json:"name"`
	CreatedAt time.Time      `json:"created_at"`
	Gone      bool           `json:"gone,omitempty"`
	Calls     list[callFile] `json:"calls"`
}

type callFile struct {
	ID string `json:"id"`
	practice.Call
	Answer practice.Answer `json:"answer"`
}

func (w *Writer) addPerson(n int, p *store.Practised) error {
	f := personFile{Format: PracticeFormat, ID: p.ID, Name: p.Name, CreatedAt: p.CreatedAt, Gone: p.Gone, Calls: list[callFile]{}}
	for i := range p.Calls {
		c := &p.Calls[i]
		f.Calls = append(f.Calls, callFile{c.ID, c.Call, c.Answer})
	}
	name := "person"
	if p.Name != "" {
		name = Slug(p.Name)
	}
	return w.file(fmt.Sprintf("practice/%05d-%s.json", n, name), f)
}

func practised(name string, text []byte, _ *food.Catalogue) (*store.Practised, error) {
	var f personFile
	if err := strict(text, &f); err != nil || f.Format != PracticeFormat {
		return nil, &Error{File: name, Code: "bad-json", Err: err}
	}
	if !isID(f.ID) || oddTime(f.CreatedAt) || !keepable.Text(f.Name, MaxPersonName) {
		return nil, &Error{File: name, Code: "bad-practice", Err: errors.New("no person")}
	}
	out := &store.Practised{Person: store.Person{ID: f.ID, Name: f.Name, CreatedAt: f.CreatedAt.UTC(), Gone: f.Gone}, Calls: []store.PracticeCall{}}
	for i := range f.Calls {
		c := &f.Calls[i]
		call := store.PracticeCall{ID: c.ID, Number: -1, Call: c.Call, Answer: c.Answer}
		call.At = call.At.UTC()
		if err := CheckCall(&call); err != nil {
			return nil, &Error{File: name, Code: "bad-practice", Err: fmt.Errorf("call %d: %w", i+1, err)}
		}
		out.Calls = append(out.Calls, call)
	}
	return out, nil
}

// MaxPersonName is how long a name is at most, characters; mostOff how far a call is off, in words and in minutes.
const (
	MaxPersonName  = 60
	mostOffWords   = 6.
	mostOffMinutes = 2880.
)

// CheckCall says what of a call that is read cannot be.
func CheckCall(c *store.PracticeCall) error {
	switch {
	case !keepable.ID(c.ID):
		return errors.New("no ID")
	case oddTime(c.At):
		return errors.New("a time out of range")
	case !slices.Contains(practice.Kinds, c.Kind):
		return fmt.Errorf("of no kind: %q", shorten(string(c.Kind)))
	case !slices.Contains(practice.Skills, c.Skill):
		return fmt.Errorf("no skill: %q", shorten(string(c.Skill)))
	case !(math.Abs(c.Off) <= mostOffWords) || !(math.Abs(c.OffMinutes) <= mostOffMinutes) || !(c.Sure >= 0 && c.Sure <= 1):
		return errors.New("a number out of range")
	case c.Lies != nil && !(*c.Lies >= 0 && *c.Lies <= float64(len(mix.SqueezeWords))):
		return errors.New("a mix that lies beyond the scale")
	}
	return nil
}
