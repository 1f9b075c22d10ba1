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
	"time"

	"github.com/google/uuid"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/keepable"
	"cuerda/core/kitchen"
	"cuerda/core/plan/supper"
	"cuerda/internal/store"
)

// Archive is one whose kitchen.json has been read. The rest of it is read file by file, as often as is asked for.
type Archive struct {
	Kitchen
	files []*zip.File
	most  limits
	now   Aside // what is being taken
}

// limits are how many bytes an archive may hold, and how many files.
type limits struct {
	left  int64
	files int
}

// kinds are the folders of an archive, in the order in which they are taken in: what is spoken of comes before what speaks
// of it.
var kinds = []struct {
	folder string
	name   *regexp.Regexp
	read   func(name string, text []byte, foods *food.Catalogue) (any, error)
}{
	{"photos", regexp.MustCompile(`^photos/[0-9a-f-]{36}\.jpg$`), readAs(keptPhoto)},
	{"builds", fileIn("builds"), readAs(history)},
	{"suppers", fileIn("suppers"), readAs(keptSupper)},
	{"courses", fileIn("courses"), readAs(keptCourse)},
	{"readings", fileIn("readings"), readAs(moreReadings)},
	{"tries", fileIn("tries"), readAs(keptTry)},
	{"practice", fileIn("practice"), readAs(practised)},
}

var (
	asideName = fileIn("aside")
	ownID     = regexp.MustCompile(`^own-[a-z0-9-]{1,60}$`)
)

func fileIn(folder string) *regexp.Regexp {
	return regexp.MustCompile(`^` + folder + `/[a-z0-9][a-z0-9-]{0,80}\.json$`)
}

func readAs[T any](read func(name string, text []byte, foods *food.Catalogue) (*T, error)) func(string, []byte, *food.Catalogue) (any, error) {
	return func(name string, text []byte, foods *food.Catalogue) (any, error) { return read(name, text, foods) }
}

// kindOf is which of the kinds a file is; -1 where it is none.
func kindOf(name string) int {
	for i := range kinds {
		if kinds[i].name.MatchString(name) {
			return i
		}
	}
	return -1
}

// Open opens an archive of that many bytes; an error is an *Error. Names are never taken for paths, and no file is
// unpacked past its limit.
func Open(r io.ReaderAt, size int64, foods *food.Catalogue) (*Archive, error) {
	if size > MaxBytes {
		return nil, &Error{Code: "too-big"}
	}
	return open(r, size, foods, limits{maxSqueeze*size + leastWhole, maxFiles}, func(err error) error { return err })
}

func open(r io.ReaderAt, size int64, foods *food.Catalogue, most limits, odd func(error) error) (*Archive, error) {
	z, err := zip.NewReader(r, size)
	if err != nil {
		return nil, &Error{Code: "not-a-zip", Err: err}
	}
	if len(z.File) > most.files {
		return nil, &Error{Code: "too-many-files"}
	}
	out := &Archive{most: most}
	var of *zip.File
	seen := map[string]bool{}
	for _, f := range z.File {
		if seen[f.Name] || f.Name != "kitchen.json" && kindOf(f.Name) < 0 && !asideName.MatchString(f.Name) {
			return nil, &Error{File: shorten(f.Name), Code: "bad-name"}
		}
		seen[f.Name] = true
		if f.Name == "kitchen.json" {
			of = f
		} else {
			out.files = append(out.files, f)
		}
	}
	if of == nil {
		return nil, &Error{File: "kitchen.json", Code: "no-kitchen"}
	}
	slices.SortStableFunc(out.files, func(a, b *zip.File) int { return cmp.Compare(kindOf(a.Name), kindOf(b.Name)) })
	text, err := unpack(of, min(most.left, maxFile))
	if err != nil {
		return nil, err
	}
	out.most.left -= int64(len(text))
	return out, out.kitchen(text, foods, odd)
}

// Aside is a file that cannot be taken in, as it stands, and why.
type Aside struct {
	File string
	Text []byte // as far as it could be unpacked
	Err  error
}

// Each reads the archive file by file and hands on what each holds: see store.Taken. What cannot be read is told to aside,
// and the rest is read all the same; where aside is nil it ends there, with an *Error.
func (a *Archive) Each(take func(one any) error, aside func(*Aside) error) error {
	left := a.most.left
	versions := map[string]int{} // of each build, how many have come
	for _, f := range a.files {
		text, err := unpack(f, min(left, maxFile))
		left -= int64(len(text))
		var one any
		kind := kindOf(f.Name)
		switch {
		case err != nil:
		case kind >= 0:
			one, err = kinds[kind].read(f.Name, text, a.foods)
			if h, ok := one.(*store.History); ok && err == nil {
				if h.Versions[0].Number != versions[h.ID]+1 {
					err = &Error{File: f.Name, Code: "bad-build", Err: fmt.Errorf("version %d is missing", versions[h.ID]+1)}
				}
				versions[h.ID] += len(h.Versions)
			}
		case aside != nil:
			err = setAside(text)
		default:
			continue // it was set aside before, and is nothing to take in
		}
		if c, ok := one.(*store.KeptCourse); ok && err == nil {
			// One event that cannot be read does not take the cooking with it.
			for _, odd := range c.Odd {
				if aside == nil {
					return odd
				}
				if err := aside(&Aside{f.Name, text, odd}); err != nil {
					return err
				}
			}
		}
		switch {
		case err == nil:
			a.now = Aside{File: f.Name, Text: text}
			err = take(one)
		case aside != nil:
			err = aside(&Aside{f.Name, text, err})
		}
		if err != nil {
			return err
		}
	}
	return nil
}

func setAside(text []byte) error {
	var f asideFile
	if err := strict(text, &f); err != nil || f.Format != AsideFormat {
		return errors.Join(errors.New("what was set aside cannot be read"), err)
	}
	return fmt.Errorf("%s %s could not be read: %s", shorten(f.Table), shorten(f.ID), f.Error)
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

// kitchen reads kitchen.json. What of its settings, its pantry or its own foods cannot be used is told to odd, and left out.
func (k *Kitchen) kitchen(text []byte, foods *food.Catalogue, odd func(error) error) error {
	const name = "kitchen.json"
	f := kitchenFile{Settings: kitchen.UsualSettings()}
	if err := strict(text, &f); err != nil || f.Format != KitchenFormat {
		return &Error{File: name, Code: "bad-json", Err: err}
	}
	bad := func(format string, args ...any) error {
		return odd(&Error{File: name, Code: "bad-settings", Err: fmt.Errorf(format, args...)})
	}
	k.Name, k.Settings = f.Name, f.Settings
	if !keepable.Text(f.Name, 200) {
		if err := bad("no name"); err != nil {
			return err
		}
		k.Name = ""
	}
	if err := f.Settings.Check(); err != nil {
		if err := odd(&Error{File: name, Code: "bad-settings", Err: err}); err != nil {
			return err
		}
		k.Settings = kitchen.UsualSettings()
	}
	if f.Choices != nil {
		k.Choices = *f.Choices
	}
	for _, o := range f.OwnFoods {
		err := checkOwn(&o)
		if err == nil {
			_, err = foods.With(nil, append(slices.Clone(k.OwnFoods), o))
		}
		if err != nil {
			if err := bad("own food %q: %w", shorten(o.ID), err); err != nil {
				return err
			}
			continue
		}
		k.OwnFoods = append(k.OwnFoods, o)
	}
	all, err := foods.With(nil, k.OwnFoods)
	if err != nil {
		return &Error{File: name, Code: "bad-settings", Err: err}
	}
	k.foods = all
	for _, p := range f.Pantry {
		if p.LabelChecked != nil && *p.LabelChecked && len(p.LabelRead) == 0 {
			p.LabelRead = []string{"gluten"}
		}
		if what := oddItem(&p.PantryItem, all); what != "" {
			if err := bad("%s of %q", what, shorten(p.Food)); err != nil {
				return err
			}
			continue
		}
		k.Pantry = append(k.Pantry, p.PantryItem)
	}
	return nil
}

func checkOwn(o *food.Own) error {
	if !ownID.MatchString(o.ID) || o.Name == "" || !keepable.Text(o.Name, 80) || o.Label != nil && !sound(o.Label) || slices.ContainsFunc(o.Allergens, func(a string) bool { return !eaters.Known(a) }) {
		return errors.New("no food that could be")
	}
	return nil
}

// oddItem says what of an item of the pantry cannot be.
func oddItem(p *kitchen.PantryItem, foods *food.Catalogue) string {
	switch {
	case foods.Find(p.Food) == nil:
		return "no food"
	case p.PerKilo != nil && !(*p.PerKilo >= 0 && *p.PerKilo <= 1e6):
		return "price"
	case p.Pack != nil && !sound(p.Pack):
		return "pack"
	case slices.ContainsFunc(p.LabelRead, func(code string) bool { return !eaters.Code(code) }):
		return "label"
	}
	return ""
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
	case (f.FromBuild == nil) != (f.FromVersion == nil), f.FromVersion != nil && (*f.FromVersion < 1 || *f.FromVersion > keepable.MaxNumber):
		return nil, bad(errors.New("from_build and from_version belong together"))
	case slices.ContainsFunc([]time.Time{f.CreatedAt, f.UpdatedAt}, oddTime), f.DeletedAt != nil && oddTime(*f.DeletedAt):
		return nil, bad(errors.New("a time out of range"))
	}
	h := &store.History{ID: f.ID, CreatedAt: f.CreatedAt, UpdatedAt: f.UpdatedAt, DeletedAt: f.DeletedAt, FromBuild: f.FromBuild, FromVersion: f.FromVersion}
	first := max(1, f.Versions[0].Number)
	if f.Total < 0 || f.Total > 0 && f.Total < first+len(f.Versions)-1 || first > keepable.MaxNumber-len(f.Versions) {
		return nil, bad(errors.New("versions that do not go on from each other"))
	}
	h.Total = f.Total
	for i, v := range f.Versions {
		if v.Number != first+i || oddTime(v.CreatedAt) || !keepable.Text(v.Label, 200) {
			return nil, bad(fmt.Errorf("version %d", first+i))
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
	if f.Version < 1 || f.Version > keepable.MaxNumber || oddTime(f.CreatedAt) || oddTime(f.UpdatedAt) || f.DeletedAt != nil && oddTime(*f.DeletedAt) {
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

func oddTime(t time.Time) bool { return !keepable.Time(t) }

func shorten(s string) string {
	if r := []rune(s); len(r) > 60 {
		return string(r[:59]) + "…"
	}
	return s
}
