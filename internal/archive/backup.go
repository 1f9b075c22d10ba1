package archive

import (
	"archive/zip"
	"context"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"hash"
	"io"
	"math"
	"slices"
	"time"

	"cuerda/core/food"
	"cuerda/core/keepable"
	"cuerda/internal/store"
)

// BackupFormat is that of the list within a backup: a zip with the archive of every
// kitchen under kitchens, and backup.json, which comes last (docs/formats/backup.md).
const BackupFormat = "cuerda-backup/1"

// Backup is the list of a backup.
type Backup struct {
	Format   string          `json:"format"`
	MadeAt   time.Time       `json:"made_at"`
	Kitchens []BackupKitchen `json:"kitchens"`
}

// BackupKitchen is one kitchen of a backup.
type BackupKitchen struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// MadeUp says that it is the demonstration's.
	MadeUp    bool      `json:"made_up,omitempty"`
	CreatedAt time.Time `json:"created_at"`
	File      string    `json:"file"`
	Bytes     int64     `json:"bytes"`
	SHA256    string    `json:"sha256"`
	Builds    int       `json:"builds"`
}

// WriteBackup writes every kitchen as it is at one moment, while others go on. It holds no
// more than a build in memory.
func WriteBackup(ctx context.Context, w io.Writer, s *store.Store, now time.Time) (*Backup, error) {
	out := zip.NewWriter(w)
	list := &Backup{Format: BackupFormat, MadeAt: now.UTC().Truncate(time.Second), Kitchens: []BackupKitchen{}}
	err := s.Kitchens(ctx, func(k *store.Whole, rows store.Rows) error {
		one := BackupKitchen{ID: k.ID, Name: k.Name, MadeUp: k.MadeUp, CreatedAt: k.CreatedAt, File: "kitchens/" + k.ID + ".zip"}
		f, err := out.CreateHeader(&zip.FileHeader{Name: one.File, Method: zip.Store})
		if err != nil {
			return err
		}
		sum := summed{to: f, hash: sha256.New()}
		builds, err := Write(&sum, k, rows)
		if err != nil {
			return err
		}
		one.Bytes, one.SHA256, one.Builds = sum.bytes, hex.EncodeToString(sum.hash.Sum(nil)), builds
		list.Kitchens = append(list.Kitchens, one)
		return nil
	})
	if err != nil {
		return nil, err
	}
	f, err := out.Create("backup.json")
	if err != nil {
		return nil, err
	}
	e := json.NewEncoder(f)
	e.SetIndent("", " ")
	if err := e.Encode(list); err != nil {
		return nil, err
	}
	return list, out.Close()
}

// summed counts and sums up what goes through it.
type summed struct {
	to    io.Writer
	hash  hash.Hash
	bytes int64
}

func (s *summed) Write(b []byte) (int, error) {
	n, err := s.to.Write(b)
	s.hash.Write(b[:n])
	s.bytes += int64(n)
	return n, err
}

// ErrBadBackup is returned, with what is wrong, of a file that is no whole backup.
var ErrBadBackup = errors.New("not a whole backup")

// BackupReader reads a backup, kitchen by kitchen.
type BackupReader struct {
	List  Backup
	files map[string]*zip.File
	foods *food.Catalogue
	from  io.ReaderAt
	at    int
	now   *Archive
}

// OpenBackup reads the list of a backup.
func OpenBackup(r io.ReaderAt, size int64, foods *food.Catalogue) (*BackupReader, error) {
	z, err := zip.NewReader(r, size)
	if err != nil {
		return nil, fmt.Errorf("%w: %w", ErrBadBackup, err)
	}
	out := &BackupReader{files: map[string]*zip.File{}, foods: foods, from: r}
	for _, f := range z.File {
		out.files[f.Name] = f
	}
	text, err := out.file("backup.json", maxFile)
	if err != nil {
		return nil, err
	}
	if err := strict(text, &out.List); err != nil || out.List.Format != BackupFormat {
		return nil, fmt.Errorf("%w: backup.json cannot be read: %w", ErrBadBackup, err)
	}
	return out, nil
}

func (b *BackupReader) file(name string, limit int64) ([]byte, error) {
	f := b.files[name]
	if f == nil {
		return nil, fmt.Errorf("%w: %s is missing", ErrBadBackup, name)
	}
	text, err := unpack(f, limit)
	if err != nil {
		return nil, fmt.Errorf("%w: %w", ErrBadBackup, err)
	}
	return text, nil
}

// Next gives the next kitchen, checked against its sum; nil after the last. What of it cannot be read is told to aside.
func (b *BackupReader) Next(aside func(kitchen string, what *Aside) error) (*store.Whole, error) {
	if b.at == len(b.List.Kitchens) {
		return nil, nil
	}
	one := &b.List.Kitchens[b.at]
	b.at++
	bad := func(format string, args ...any) error {
		return fmt.Errorf("%w: "+format, append([]any{ErrBadBackup}, args...)...)
	}
	if !isID(one.ID) || !keepable.Time(one.CreatedAt) {
		return nil, bad("no kitchen: %q", shorten(one.ID))
	}
	at, size, err := b.within(one)
	if err != nil {
		return nil, err
	}
	tell := func(what *Aside) error {
		if aside == nil {
			return bad("%s: %w", one.File, &Error{File: what.File, Code: "unreadable", Err: what.Err})
		}
		return aside(one.ID, what)
	}
	a, err := open(at, size, b.foods, limits{math.MaxInt64, math.MaxInt32}, func(err error) error { return tell(&Aside{File: "kitchen.json", Err: err}) })
	if err != nil {
		return nil, bad("%s: %w", one.File, err)
	}
	w := &store.Whole{ID: one.ID, Name: a.Name, MadeUp: one.MadeUp, CreatedAt: one.CreatedAt, Settings: a.Settings, Pantry: a.Pantry, OwnFoods: a.OwnFoods, Choices: a.Choices}
	w.Each = func(take func(any) error) error {
		builds := map[string]bool{}
		put := 0
		err := a.Each(func(v any) error {
			if h, ok := v.(*store.History); ok {
				builds[h.ID] = true
			}
			return take(v)
		}, func(what *Aside) error {
			put++
			return tell(what)
		})
		if err == nil && put == 0 && len(builds) != one.Builds {
			return bad("%s has %d builds, not %d", one.File, len(builds), one.Builds)
		}
		return err
	}
	b.now = a
	return w, nil
}

// Refused is the file of what is being taken in, which the database refuses.
func (b *BackupReader) Refused(err error) *Aside { return &Aside{b.now.now.File, b.now.now.Text, err} }

// Only leaves out all kitchens but the one of that ID or name; it says whether there is one, and only one.
func (b *BackupReader) Only(kitchen string) bool {
	of := slices.DeleteFunc(slices.Clone(b.List.Kitchens), func(k BackupKitchen) bool { return k.ID != kitchen && k.Name != kitchen })
	if len(of) == 1 {
		b.List.Kitchens = of
	}
	return len(of) == 1
}

// within is the archive of a kitchen where it lies in the backup, which stores it as it is, held against its sum.
func (b *BackupReader) within(k *BackupKitchen) (io.ReaderAt, int64, error) {
	f := b.files[k.File]
	if f == nil {
		return nil, 0, fmt.Errorf("%w: %s is missing", ErrBadBackup, k.File)
	}
	from, err := f.DataOffset()
	if err != nil || f.Method != zip.Store || f.CompressedSize64 > math.MaxInt64 {
		return nil, 0, fmt.Errorf("%w: %s cannot be read", ErrBadBackup, k.File)
	}
	size := int64(f.CompressedSize64)
	at := io.NewSectionReader(b.from, from, size)
	sum := sha256.New()
	if _, err := io.Copy(sum, at); err != nil {
		return nil, 0, fmt.Errorf("%w: %s: %w", ErrBadBackup, k.File, err)
	}
	if hex.EncodeToString(sum.Sum(nil)) != k.SHA256 || size != k.Bytes {
		return nil, 0, fmt.Errorf("%w: %s is not what was written", ErrBadBackup, k.File)
	}
	return at, size, nil
}

// Verify reads a backup from the first kitchen to the last, and keeps nothing. It tells aside of what could not be taken in
// again; where aside is nil that makes the backup a bad one.
func Verify(r io.ReaderAt, size int64, foods *food.Catalogue, aside func(kitchen string, what *Aside) error) (*Backup, error) {
	b, err := OpenBackup(r, size, foods)
	if err != nil {
		return nil, err
	}
	for {
		w, err := b.Next(aside)
		if err != nil {
			return nil, err
		}
		if w == nil {
			return &b.List, nil
		}
		if err := w.Each(func(any) error { return nil }); err != nil {
			return nil, err
		}
	}
}
