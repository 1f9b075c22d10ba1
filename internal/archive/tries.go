package archive

import (
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"github.com/google/uuid"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/learn"
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
	Dish     int             `json:"dish"`
	CookedAt time.Time       `json:"cooked_at"`
	Document json.RawMessage `json:"document"`
	Found    json.RawMessage `json:"found"`
	Said     json.RawMessage `json:"said,omitempty"`
	Patties  json.RawMessage `json:"patties,omitempty"`
	LeftOut  bool            `json:"left_out,omitempty"`
	Photos   list[photoFile] `json:"photos,omitempty"`
}

type photoFile struct {
	ID   string `json:"id"`
	Data []byte `json:"data"` // a JPEG, base64
}

func tryOf(t *store.Try) tryFile {
	return tryFile{ID: t.ID, Kind: t.Kind, Build: t.Build, Version: t.Version, Dish: t.Dish, CookedAt: t.CookedAt, Document: t.Document, Found: t.Found, Said: t.Said, Patties: t.Patties, LeftOut: t.LeftOut}
}

// AddTry writes a try that belongs to no course.
func (w *Writer) AddTry(t *store.KeptTry) error {
	w.tries++
	f := tryOf(&t.Try)
	f.Format, f.Photos = TryFormat, photosOf(t.Photos)
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
	if err == nil && !isID(t.ID) {
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
	if oddTime(f.CookedAt) {
		return nil, errors.New("a time out of range")
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
	return &store.Try{ID: f.ID, Kind: f.Kind, Build: f.Build, Version: f.Version, Dish: f.Dish, CookedAt: f.CookedAt, Document: f.Document, Found: f.Found, Said: f.Said, Patties: f.Patties, LeftOut: f.LeftOut}, nil
}

func isID(id string) bool { _, err := uuid.Parse(id); return err == nil && len(id) == 36 }

func photosOf(all []store.Photo) (out list[photoFile]) {
	for i := range all {
		out = append(out, photoFile{all[i].ID, all[i].Data})
	}
	return out
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
