package archive

import (
	"encoding/json"
	"errors"
	"fmt"
	"strings"
	"time"

	"github.com/google/uuid"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/keepable"
	"cuerda/core/learn"
	"cuerda/core/learn/patties"
	"cuerda/internal/jobs"
	"cuerda/internal/photos"
	"cuerda/internal/store"
)

// TryFormat is that of a try in an archive.
const TryFormat = "cuerda-kept-try/1"

// tryFile is a try, of a course or of none.
type tryFile struct {
	Format   string          `json:"format,omitempty"`
	ID       string          `json:"id,omitempty"`
	Kind     string          `json:"kind,omitempty"`
	Build    string          `json:"build,omitempty"`
	Version  int             `json:"version,omitempty"`
	Course   string          `json:"course,omitempty"`
	Dish     int             `json:"dish"`
	CookedAt time.Time       `json:"cooked_at"`
	Document json.RawMessage `json:"document"`
	Found    json.RawMessage `json:"found"`
	Said     json.RawMessage `json:"said,omitempty"`
	Patties  json.RawMessage `json:"patties,omitempty"`
	LeftOut  bool            `json:"left_out,omitempty"`
	// DeletedAt is when it was put away.
	DeletedAt *time.Time `json:"deleted_at,omitempty"`
	// Photos stood within it in older archives.
	Photos list[photoFile] `json:"photos,omitempty"`
}

type photoFile struct {
	ID   string `json:"id"`
	Data []byte `json:"data"` // a JPEG, base64
}

func tryOf(t *store.Try) tryFile {
	return tryFile{ID: t.ID, Kind: t.Kind, Build: t.Build, Version: t.Version, Course: t.Course, Dish: t.Dish, CookedAt: t.CookedAt, Document: t.Document, Found: t.Found, Said: t.Said, Patties: t.Patties, LeftOut: t.LeftOut, DeletedAt: t.DeletedAt}
}

// AddTry writes a try, of a course or of none.
func (w *Writer) AddTry(t *store.KeptTry) error {
	w.tries++
	f := tryOf(&t.Try)
	f.Format = TryFormat
	if err := w.addPhotos(t.Photos); err != nil {
		return err
	}
	var named struct{ Name string }
	_ = json.Unmarshal(t.Document, &named) // without a name the file has a plain one
	return w.file(fmt.Sprintf("tries/%05d-%s.json", w.tries, Slug(named.Name)), f)
}

func keptTry(name string, text []byte, foods *food.Catalogue) (*store.KeptTry, error) {
	var f tryFile
	if err := strict(text, &f); err != nil || f.Format != TryFormat {
		return nil, &Error{File: name, Code: "bad-json", Err: err}
	}
	t, err := f.read(foods)
	if err == nil && (!isID(t.ID) || t.Course != "" && !isID(t.Course)) {
		err = fmt.Errorf("no ID: %q", shorten(t.ID))
	}
	if err != nil {
		return nil, &Error{File: name, Code: "bad-try", Err: err}
	}
	out := &store.KeptTry{Try: *t}
	if out.Photos, err = readPhotos(f.Photos); err != nil {
		return nil, &Error{File: name, Code: "bad-try", Err: err}
	}
	return out, nil
}

func (f *tryFile) read(foods *food.Catalogue) (*store.Try, error) {
	if oddTime(f.CookedAt) || !keepable.Times(f.DeletedAt) || f.Version < 0 || f.Version > keepable.MaxNumber {
		return nil, errors.New("a time or a version out of range")
	}
	if f.Kind != "" && f.Kind != store.TryCooked && f.Kind != store.TryPatties {
		return nil, fmt.Errorf("of no kind: %q", shorten(f.Kind))
	}
	if _, err := document.Read(f.Document, foods); err != nil {
		return nil, err
	}
	if _, err := learn.ReadFound(f.Found); err != nil {
		return nil, err
	}
	if len(f.Said) > 0 && json.Unmarshal(f.Said, new(jobs.Said)) != nil {
		return nil, errors.New("what was said of it cannot be read")
	}
	if len(f.Patties) > 0 && json.Unmarshal(f.Patties, new(patties.FriedPatties)) != nil {
		return nil, errors.New("its test patties cannot be read")
	}
	return &store.Try{ID: f.ID, Kind: f.Kind, Build: f.Build, Version: f.Version, Course: f.Course, Dish: f.Dish, CookedAt: f.CookedAt, Document: f.Document, Found: f.Found, Said: f.Said, Patties: f.Patties, LeftOut: f.LeftOut, DeletedAt: f.DeletedAt}, nil
}

func isID(id string) bool { _, err := uuid.Parse(id); return err == nil && len(id) == 36 }

func keptPhoto(name string, text []byte, _ *food.Catalogue) (*store.Photo, error) {
	id := strings.TrimSuffix(strings.TrimPrefix(name, "photos/"), ".jpg")
	all, err := readPhotos(list[photoFile]{{id, text}})
	if err != nil {
		return nil, &Error{File: name, Code: "bad-photo", Err: err}
	}
	return &all[0], nil
}

func readPhotos(all list[photoFile]) (out []store.Photo, err error) {
	for _, p := range all {
		made, err := photos.Kept(p.Data)
		if err != nil || !isID(p.ID) {
			return nil, fmt.Errorf("photo: %w", err)
		}
		out = append(out, store.Photo{ID: p.ID, MediaType: made.MediaType, Width: made.Width, Height: made.Height, Data: made.Data})
	}
	return out, nil
}
