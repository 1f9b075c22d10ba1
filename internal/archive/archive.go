// Package archive writes everything of a kitchen as a zip of JSON files, and
// reads such a zip strictly: whole, or with an error that names the file.
//
// kitchen.json holds the name, the settings and the pantry; builds/*.json each
// one build with all its versions; suppers/*.json each one supper; courses/*.json each one course;
// tries/*.json each one try; practice/*.json each one person and what they called (docs/formats/kitchen-archive.md).
package archive

import (
	"archive/zip"
	"bytes"
	"cmp"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"regexp"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/kitchen"
	"cuerda/core/plan/supper"
	"cuerda/internal/store"
)

// The formats within the zip.
const (
	KitchenFormat = "cuerda-kitchen/1"
	HistoryFormat = "cuerda-history/1"
	SupperFormat  = "cuerda-kept-supper/1"
)

// The limits of an archive.
const (
	MaxBytes    = 64 << 20  // of the zip
	maxFiles    = 20_000    //
	maxFile     = 32 << 20  // of one file, unpacked
	maxWhole    = 400 << 20 // of all files, unpacked
	maxVersions = 100_000   // of all builds
	maxDocument = 1 << 20   // of one version
	// Versions of a build are alike and squeeze well, but not without end.
	maxSqueeze = 200
	leastWhole = 8 << 20 // of all files, unpacked, however small the zip
)

// Error says which file of an archive cannot be used, and why.
type Error struct {
	File string
	// Code is not-a-zip, too-many-files, too-big, bad-name, bad-json, bad-build, bad-supper,
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

// Kitchen is what an archive holds.
type Kitchen struct {
	Name      string
	Settings  kitchen.Settings
	Pantry    []kitchen.PantryItem
	OwnFoods  []food.Own
	Histories []store.History
	Suppers   []store.Supper
	Courses   []store.KeptCourse
	Tries     []store.KeptTry
	Choices   store.Choices
	Practised []store.Practised

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
	Format      string            `json:"format"`
	ID          string            `json:"id"`
	CreatedAt   time.Time         `json:"created_at"`
	UpdatedAt   time.Time         `json:"updated_at"`
	DeletedAt   *time.Time        `json:"deleted_at,omitempty"`
	FromBuild   *string           `json:"from_build,omitempty"`
	FromVersion *int              `json:"from_version,omitempty"`
	Versions    list[versionFile] `json:"versions"`
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

// UnmarshalJSON reads a list of at most maxVersions entries, none with an unknown field.
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
		if len(*l) == maxVersions {
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

// Writer writes an archive as it goes: Kitchen, then each build, then Close.
type Writer struct {
	zip     *zip.Writer
	count   int
	courses int
	tries   int
}

// NewWriter begins an archive with what is known of the kitchen, and its suppers.
// Its histories are written by Add.
func NewWriter(w io.Writer, of Kitchen) (*Writer, error) {
	out := &Writer{zip: zip.NewWriter(w)}
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
	for i := range of.Practised {
		if err := out.addPerson(i+1, &of.Practised[i]); err != nil {
			return out, err
		}
	}
	return out, nil
}

func (w *Writer) supper(n int, s *store.Supper) error {
	document, err := json.Marshal(&s.Document)
	if err != nil {
		return err
	}
	return w.file(fmt.Sprintf("suppers/%05d-%s.json", n, Slug(s.Document.Name)), supperFile{SupperFormat, s.ID, s.Version, s.CreatedAt, s.UpdatedAt, s.DeletedAt, document})
}

// Add writes a build.
func (w *Writer) Add(h *store.History) error {
	w.count++
	f := historyFile{Format: HistoryFormat, ID: h.ID, CreatedAt: h.CreatedAt, UpdatedAt: h.UpdatedAt, DeletedAt: h.DeletedAt, FromBuild: h.FromBuild, FromVersion: h.FromVersion}
	for i := range h.Versions {
		v := &h.Versions[i]
		document, err := json.Marshal(&v.Document)
		if err != nil {
			return err
		}
		f.Versions = append(f.Versions, versionFile{v.Number, v.CreatedAt, v.Label, document})
	}
	return w.file(fmt.Sprintf("builds/%05d-%s.json", w.count, Slug(h.Versions[len(h.Versions)-1].Document.Name)), f)
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

var ownID = regexp.MustCompile(`^own-[a-z0-9-]{1,60}$`)

var (
	buildName  = regexp.MustCompile(`^builds/[a-z0-9][a-z0-9-]{0,80}\.json$`)
	supperName = regexp.MustCompile(`^suppers/[a-z0-9][a-z0-9-]{0,80}\.json$`)
	tryName    = regexp.MustCompile(`^tries/[a-z0-9][a-z0-9-]{0,80}\.json$`)
	personName = regexp.MustCompile(`^practice/[a-z0-9][a-z0-9-]{0,80}\.json$`)
	courseName = regexp.MustCompile(`^courses/[a-z0-9][a-z0-9-]{0,80}\.json$`)
)

// Read reads an archive; an error is an *Error, and then nothing of it is to be
// used. Names are never taken for paths, and no file is unpacked past its limit.
func Read(data []byte, foods *food.Catalogue) (*Kitchen, error) {
	if len(data) > MaxBytes {
		return nil, &Error{Code: "too-big"}
	}
	return read(data, foods, limits{min(int64(maxWhole), maxSqueeze*int64(len(data))+leastWhole), maxFiles, maxVersions})
}

// limits are how many bytes an archive may hold, and how many files and versions.
type limits struct {
	left            int64
	files, versions int
}

// read is Read with limits of the caller's.
func read(data []byte, foods *food.Catalogue, most limits) (*Kitchen, error) {
	r, err := zip.NewReader(bytes.NewReader(data), int64(len(data)))
	if err != nil {
		return nil, &Error{Code: "not-a-zip", Err: err}
	}
	if len(r.File) > most.files {
		return nil, &Error{Code: "too-many-files"}
	}
	out := &Kitchen{}
	found, versions := false, 0
	seen := map[string]bool{}
	files := slices.Clone(r.File)
	// The kitchen first: its own foods may be in the builds.
	slices.SortStableFunc(files, func(a, b *zip.File) int { return cmp.Compare(isBuild(a), isBuild(b)) })
	for _, f := range files {
		read := out.reader(f.Name)
		if seen[f.Name] || f.Name != "kitchen.json" && read == nil {
			return nil, &Error{File: shorten(f.Name), Code: "bad-name"}
		}
		seen[f.Name] = true
		text, err := unpack(f, min(most.left, maxFile))
		if err != nil {
			return nil, err
		}
		most.left -= int64(len(text))
		if f.Name == "kitchen.json" {
			found = true
			if err := out.kitchen(text, foods); err != nil {
				return nil, err
			}
			continue
		}
		if !found {
			break
		}
		if err := read(f.Name, text); err != nil {
			return nil, err
		}
		if n := len(out.Histories); buildName.MatchString(f.Name) {
			if versions += len(out.Histories[n-1].Versions); versions > most.versions {
				return nil, &Error{File: f.Name, Code: "too-big"}
			}
		}
	}
	if !found {
		return nil, &Error{File: "kitchen.json", Code: "no-kitchen"}
	}
	return out, nil
}

// reader gives what reads a file of that name into the kitchen; nil where no file has such a name.
func (k *Kitchen) reader(name string) func(name string, text []byte) error {
	switch {
	case buildName.MatchString(name):
		return into(k, &k.Histories, history)
	case supperName.MatchString(name):
		return into(k, &k.Suppers, keptSupper)
	case courseName.MatchString(name):
		return into(k, &k.Courses, keptCourse)
	case tryName.MatchString(name):
		return into(k, &k.Tries, keptTry)
	case personName.MatchString(name):
		return into(k, &k.Practised, practised)
	}
	return nil
}

// into adds what one file holds to a list.
func into[T any](k *Kitchen, list *[]T, read func(name string, text []byte, foods *food.Catalogue) (*T, error)) func(string, []byte) error {
	return func(name string, text []byte) error {
		one, err := read(name, text, k.foods)
		if err == nil {
			*list = append(*list, *one)
		}
		return err
	}
}

func isBuild(f *zip.File) int {
	if f.Name == "kitchen.json" {
		return 0
	}
	return 1
}

// unpack reads one file and never more than its limit, whatever its head says.
func unpack(f *zip.File, limit int64) ([]byte, error) {
	if f.UncompressedSize64 > uint64(limit) {
		return nil, &Error{File: f.Name, Code: "too-big"}
	}
	r, err := f.Open()
	if err != nil {
		return nil, &Error{File: f.Name, Code: "not-a-zip", Err: err}
	}
	defer r.Close()
	text, err := io.ReadAll(io.LimitReader(r, limit+1))
	if err != nil {
		return nil, &Error{File: f.Name, Code: "not-a-zip", Err: err}
	}
	if int64(len(text)) > limit {
		return nil, &Error{File: f.Name, Code: "too-big"}
	}
	return text, nil
}

func strict(text []byte, v any) error {
	d := json.NewDecoder(bytes.NewReader(text))
	d.DisallowUnknownFields()
	if err := d.Decode(v); err != nil {
		return err
	}
	if _, err := d.Token(); !errors.Is(err, io.EOF) {
		return errors.New("more than one value")
	}
	return nil
}

func (k *Kitchen) kitchen(text []byte, foods *food.Catalogue) error {
	const name = "kitchen.json"
	f := kitchenFile{Settings: kitchen.UsualSettings()}
	if err := strict(text, &f); err != nil || f.Format != KitchenFormat {
		return &Error{File: name, Code: "bad-json", Err: err}
	}
	if err := f.Settings.Check(); err != nil {
		return &Error{File: name, Code: "bad-settings", Err: err}
	}
	k.Name, k.Settings, k.OwnFoods = f.Name, f.Settings, f.OwnFoods
	if f.Choices != nil {
		k.Choices = *f.Choices
	}
	for i := range f.OwnFoods {
		o := &f.OwnFoods[i]
		if !ownID.MatchString(o.ID) || o.Name == "" || len([]rune(o.Name)) > 80 || o.Label != nil && !sound(o.Label) || slices.ContainsFunc(o.Allergens, func(a string) bool { return !eaters.Known(a) }) {
			return &Error{File: name, Code: "bad-settings", Err: fmt.Errorf("own food %q", shorten(o.ID))}
		}
	}
	all, err := foods.With(nil, f.OwnFoods)
	if err != nil {
		return &Error{File: name, Code: "bad-settings", Err: err}
	}
	foods, k.foods = all, all
	for _, p := range f.Pantry {
		if foods.Find(p.Food) == nil {
			return &Error{File: name, Code: "bad-settings", Err: fmt.Errorf("no food %q", shorten(p.Food))}
		}
		if p.PerKilo != nil && !(*p.PerKilo >= 0 && *p.PerKilo <= 1e6) {
			return &Error{File: name, Code: "bad-settings", Err: fmt.Errorf("price of %s", p.Food)}
		}
		if p.Pack != nil && !sound(p.Pack) {
			return &Error{File: name, Code: "bad-settings", Err: fmt.Errorf("pack of %s", p.Food)}
		}
		if p.LabelChecked != nil && *p.LabelChecked && len(p.LabelRead) == 0 {
			p.LabelRead = []string{"gluten"}
		}
		for _, code := range p.LabelRead {
			if !eaters.Code(code) {
				return &Error{File: name, Code: "bad-settings", Err: fmt.Errorf("label of %s: %q", p.Food, shorten(code))}
			}
		}
		k.Pantry = append(k.Pantry, p.PantryItem)
	}
	return nil
}

func sound(p *food.PackLabel) bool {
	for _, x := range []float64{p.Fat, p.Carb, p.Fibre, p.Protein, p.Salt} {
		if !(x >= 0 && x <= 100) {
			return false
		}
	}
	return p.Adds() && p.GramsPerCup >= 0 && p.GramsPerCup <= 1000
}

func history(name string, text []byte, foods *food.Catalogue) (*store.History, error) {
	var f historyFile
	if err := strict(text, &f); err != nil || f.Format != HistoryFormat {
		return nil, &Error{File: name, Code: "bad-json", Err: err}
	}
	bad := func(err error) error { return &Error{File: name, Code: "bad-build", Err: err} }
	ids := []string{f.ID}
	if f.FromBuild != nil {
		ids = append(ids, *f.FromBuild)
	}
	for _, id := range ids {
		if _, err := uuid.Parse(id); err != nil || len(id) != 36 {
			return nil, bad(fmt.Errorf("no ID: %q", shorten(id)))
		}
	}
	switch {
	case len(f.Versions) == 0:
		return nil, bad(errors.New("no versions"))
	case (f.FromBuild == nil) != (f.FromVersion == nil), f.FromVersion != nil && *f.FromVersion < 1:
		return nil, bad(errors.New("from_build and from_version belong together"))
	case slices.ContainsFunc([]time.Time{f.CreatedAt, f.UpdatedAt}, oddTime), f.DeletedAt != nil && oddTime(*f.DeletedAt):
		return nil, bad(errors.New("a time out of range"))
	}
	h := &store.History{ID: f.ID, CreatedAt: f.CreatedAt, UpdatedAt: f.UpdatedAt, DeletedAt: f.DeletedAt, FromBuild: f.FromBuild, FromVersion: f.FromVersion}
	for i, v := range f.Versions {
		if v.Number != i+1 || oddTime(v.CreatedAt) || len([]rune(v.Label)) > 200 || strings.ContainsRune(v.Label, 0) {
			return nil, bad(fmt.Errorf("version %d", i+1))
		}
		if len(v.Document) > maxDocument {
			return nil, &Error{File: name, Code: "too-big"}
		}
		d, err := document.Read(v.Document, foods)
		if err != nil {
			return nil, bad(fmt.Errorf("version %d: %w", v.Number, err))
		}
		h.Versions = append(h.Versions, store.HistoryVersion{Number: v.Number, CreatedAt: v.CreatedAt, Label: v.Label, Document: *d})
	}
	return h, nil
}

func keptSupper(name string, text []byte, foods *food.Catalogue) (*store.Supper, error) {
	var f supperFile
	if err := strict(text, &f); err != nil || f.Format != SupperFormat {
		return nil, &Error{File: name, Code: "bad-json", Err: err}
	}
	bad := func(err error) error { return &Error{File: name, Code: "bad-supper", Err: err} }
	if _, err := uuid.Parse(f.ID); err != nil || len(f.ID) != 36 {
		return nil, bad(fmt.Errorf("no ID: %q", shorten(f.ID)))
	}
	if f.Version < 1 || oddTime(f.CreatedAt) || oddTime(f.UpdatedAt) || f.DeletedAt != nil && oddTime(*f.DeletedAt) {
		return nil, bad(errors.New("a version or a time out of range"))
	}
	if len(f.Document) > supper.MaxBytes {
		return nil, &Error{File: name, Code: "too-big"}
	}
	d, err := supper.Read(f.Document)
	if err == nil {
		err = d.Check(foods)
	}
	if err != nil {
		return nil, bad(err)
	}
	return &store.Supper{ID: f.ID, Version: f.Version, CreatedAt: f.CreatedAt, UpdatedAt: f.UpdatedAt, DeletedAt: f.DeletedAt, Document: *d}, nil
}

// oddTime is one that PostgreSQL, or a cook, would not know.
func oddTime(t time.Time) bool { return t.Year() < 1970 || t.Year() > 2500 }

func shorten(s string) string {
	if r := []rune(s); len(r) > 60 {
		return string(r[:59]) + "…"
	}
	return s
}
