// Package archive writes everything of a kitchen as a zip of JSON files, and
// reads such a zip strictly: whole, or with an error that names the file.
//
// kitchen.json holds the name, the settings and the pantry; photos/*.jpg each one picture; builds/*.json each
// one build with its versions; suppers/*.json each one supper; courses/*.json each one cooking, readings/*.json more of what
// its probes read; tries/*.json each one try; practice/*.json each one person and what they called
// (docs/formats/kitchen-archive.md).
package archive

import (
	"archive/zip"
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"regexp"
	"strings"
	"time"

	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/internal/store"
)

// The formats within the zip.
const (
	KitchenFormat = "cuerda-kitchen/1"
	HistoryFormat = "cuerda-history/1"
	SupperFormat  = "cuerda-kept-supper/1"
)

// The limits of an archive. What a kitchen has many of stands in several files, each far below its limit: there is no
// bound on how much a kitchen holds but the length of the zip.
const (
	MaxBytes    = 1 << 30  // of the zip
	maxFiles    = 400_000  //
	maxFile     = 32 << 20 // of one file, unpacked
	maxList     = 100_000  // entries of one list
	maxDocument = 1 << 20  // of one version
	// Versions of a build are alike and squeeze well, but not without end.
	maxSqueeze = 200
	leastWhole = 8 << 20 // of all files, unpacked, however small the zip
	// How much of what there is much of stands in one file.
	partReadings = 20_000
	partCalls    = 20_000
)

// Error says which file of an archive cannot be used, and why.
type Error struct {
	File string
	// Code is not-a-zip, too-many-files, too-big, bad-name, bad-json, bad-build, bad-supper, bad-course, bad-try, bad-photo,
	// bad-practice, bad-settings or no-kitchen.
	Code string
	Err  error
}

// Error names the file.
func (e *Error) Error() string {
	if e.Err == nil {
		return fmt.Sprintf("archive: %s: %s", e.File, e.Code)
	}
	return fmt.Sprintf("archive: %s: %s: %v", e.File, e.Code, e.Err)
}

// Unwrap gives what was wrong inside.
func (e *Error) Unwrap() error { return e.Err }

// Kitchen is what an archive holds of a kitchen, but for what there may be much of: builds, suppers, cookings, tries,
// photos and calls, which are written and read one by one.
type Kitchen struct {
	Name      string
	Settings  kitchen.Settings
	Pantry    []kitchen.PantryItem
	OwnFoods  []food.Own
	Suppers   []store.Supper // where it is written
	Choices   store.Choices
	Practised []store.Practised // where it is written

	foods *food.Catalogue // with the own foods
}

type kitchenFile struct {
	Format   string           `json:"format"`
	Name     string           `json:"name"`
	Settings kitchen.Settings `json:"settings"`
	Pantry   list[pantryFile] `json:"pantry"`
	OwnFoods list[food.Own]   `json:"own_foods,omitempty"`
	// Choices are what its cooks do with what it learned.
	Choices *store.Choices `json:"choices,omitempty"`
}

// pantryFile is an item as the archive writes it. Older archives say label_checked,
// a tick that was made for gluten.
type pantryFile struct {
	kitchen.PantryItem
	LabelChecked *bool `json:"label_checked,omitempty"`
}

type historyFile struct {
	Format      string     `json:"format"`
	ID          string     `json:"id"`
	CreatedAt   time.Time  `json:"created_at"`
	UpdatedAt   time.Time  `json:"updated_at"`
	DeletedAt   *time.Time `json:"deleted_at,omitempty"`
	FromBuild   *string    `json:"from_build,omitempty"`
	FromVersion *int       `json:"from_version,omitempty"`
	// Total is how many versions there are, where they stand in several files.
	Total    int               `json:"total,omitempty"`
	Versions list[versionFile] `json:"versions"`
}

type supperFile struct {
	Format    string          `json:"format"`
	ID        string          `json:"id"`
	Version   int             `json:"version"`
	CreatedAt time.Time       `json:"created_at"`
	UpdatedAt time.Time       `json:"updated_at"`
	DeletedAt *time.Time      `json:"deleted_at,omitempty"`
	Document  json.RawMessage `json:"document"`
}

// list is read one by one, so that a file of nothing but brackets takes no memory.
type list[T any] []T

var errTooMany = errors.New("more entries than an archive may have")

// UnmarshalJSON reads a list of at most maxList entries, none with an unknown field.
func (l *list[T]) UnmarshalJSON(text []byte) error {
	d := json.NewDecoder(bytes.NewReader(text))
	d.DisallowUnknownFields()
	*l = nil
	switch open, err := d.Token(); {
	case err != nil:
		return err
	case open == nil:
		return nil
	case open != json.Delim('['):
		return errors.New("no list")
	}
	for d.More() {
		if len(*l) == maxList {
			return errTooMany
		}
		var one T
		if err := d.Decode(&one); err != nil {
			return err
		}
		*l = append(*l, one)
	}
	return nil
}

type versionFile struct {
	Number    int             `json:"number"`
	CreatedAt time.Time       `json:"created_at"`
	Label     string          `json:"label,omitempty"`
	Document  json.RawMessage `json:"document"`
}

// Write writes all of a kitchen, and gives how many builds there are. What of it cannot be read is set aside within it.
func Write(w io.Writer, k *store.Whole, rows store.Rows) (builds int, err error) {
	a, err := NewWriter(w, Kitchen{Name: k.Name, Settings: k.Settings, Pantry: k.Pantry, OwnFoods: k.OwnFoods, Suppers: k.Suppers, Choices: k.Choices, Practised: k.Practised})
	if err != nil {
		return 0, err
	}
	for _, write := range []func() error{
		func() error { return rows.Courses(a.AddCourse) },
		func() error { return rows.Tries(a.AddTry) },
		func() error { return rows.Builds(a.Add) },
	} {
		if err := write(); err != nil {
			return 0, err
		}
	}
	for _, u := range rows.Unreadable() {
		if err := a.AddAside(&u); err != nil {
			return 0, err
		}
	}
	return a.count, a.Close()
}

// Writer writes an archive as it goes: Kitchen, then each build, then Close.
type Writer struct {
	zip                           *zip.Writer
	count, courses, tries, asides int
	part                          int // of the last build
	last                          string
	photos                        map[string]bool
}

// NewWriter begins an archive with what is known of the kitchen, and its suppers.
// Its histories are written by Add.
func NewWriter(w io.Writer, of Kitchen) (*Writer, error) {
	out := &Writer{zip: zip.NewWriter(w), photos: map[string]bool{}}
	k := kitchenFile{Format: KitchenFormat, Name: of.Name, Settings: of.Settings, Pantry: list[pantryFile]{}, OwnFoods: of.OwnFoods}
	for _, p := range of.Pantry {
		k.Pantry = append(k.Pantry, pantryFile{PantryItem: p})
	}
	if of.Choices.Off || len(of.Choices.LeftOut)+len(of.Choices.Forgotten) > 0 {
		k.Choices = &of.Choices
	}
	if err := out.file("kitchen.json", k); err != nil {
		return out, err
	}
	for i := range of.Suppers {
		if err := out.supper(i+1, &of.Suppers[i]); err != nil {
			return out, err
		}
	}
	n := 0
	for i := range of.Practised {
		one := of.Practised[i]
		for first := true; first || len(one.Calls) > 0; first = false {
			part := one
			part.Calls, one.Calls = one.Calls[:min(partCalls, len(one.Calls))], one.Calls[min(partCalls, len(one.Calls)):]
			n++
			if err := out.addPerson(n, &part); err != nil {
				return out, err
			}
		}
	}
	return out, nil
}

// addPhotos writes pictures that are not there yet.
func (w *Writer) addPhotos(all []store.Photo) error {
	for i := range all {
		p := &all[i]
		if w.photos[p.ID] {
			continue
		}
		w.photos[p.ID] = true
		f, err := w.zip.CreateHeader(&zip.FileHeader{Name: "photos/" + p.ID + ".jpg", Method: zip.Store}) // a JPEG squeezes no further
		if err != nil {
			return err
		}
		if _, err := f.Write(p.Data); err != nil {
			return err
		}
	}
	return nil
}

// AsideFormat is that of what could not be read.
const AsideFormat = "cuerda-aside/1"

type asideFile struct {
	Format string          `json:"format"`
	Table  string          `json:"table"`
	ID     string          `json:"id"`
	Error  string          `json:"error"`
	Row    json.RawMessage `json:"row"`
}

// AddAside writes a row that cannot be read as it is, so that it is not lost.
func (w *Writer) AddAside(u *store.Unreadable) error {
	w.asides++
	return w.file(fmt.Sprintf("aside/%05d-%s.json", w.asides, Slug(u.Table)), asideFile{AsideFormat, u.Table, u.ID, u.Err.Error(), u.Row})
}

func (w *Writer) supper(n int, s *store.Supper) error {
	document, err := json.Marshal(&s.Document)
	if err != nil {
		return err
	}
	return w.file(fmt.Sprintf("suppers/%05d-%s.json", n, Slug(s.Document.Name)), supperFile{SupperFormat, s.ID, s.Version, s.CreatedAt, s.UpdatedAt, s.DeletedAt, document})
}

// Add writes a build, or a further part of the last one.
func (w *Writer) Add(h *store.History) error {
	if w.last == h.ID {
		w.part++
	} else {
		w.count, w.part, w.last = w.count+1, 1, h.ID
	}
	f := historyFile{Format: HistoryFormat, ID: h.ID, CreatedAt: h.CreatedAt, UpdatedAt: h.UpdatedAt, DeletedAt: h.DeletedAt, FromBuild: h.FromBuild, FromVersion: h.FromVersion}
	for i := range h.Versions {
		v := &h.Versions[i]
		document, err := json.Marshal(&v.Document)
		if err != nil {
			return err
		}
		f.Versions = append(f.Versions, versionFile{v.Number, v.CreatedAt, v.Label, document})
	}
	if h.Total > len(h.Versions) {
		f.Total = h.Total
	}
	name := fmt.Sprintf("builds/%05d-%s", w.count, Slug(h.Versions[len(h.Versions)-1].Document.Name))
	if w.part > 1 {
		name = fmt.Sprintf("builds/%05d-part-%04d", w.count, w.part)
	}
	return w.file(name+".json", f)
}

var notSlug = regexp.MustCompile(`[^a-z0-9]+`)

// Slug is a name as part of a file's: small letters, digits and hyphens.
func Slug(name string) string {
	s := strings.Trim(notSlug.ReplaceAllString(strings.ToLower(name), "-"), "-")
	if s == "" {
		return "build"
	}
	return strings.Trim(s[:min(len(s), 40)], "-")
}

func (w *Writer) file(name string, v any) error {
	f, err := w.zip.Create(name)
	if err != nil {
		return err
	}
	e := json.NewEncoder(f)
	e.SetIndent("", " ")
	return e.Encode(v)
}

// Close ends the archive.
func (w *Writer) Close() error { return w.zip.Close() }
