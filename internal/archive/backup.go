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
	"time"

	"github.com/google/uuid"

	"cuerda/core/food"
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
	ID        string    `json:"id"`
	Name      string    `json:"name"`
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
		one := BackupKitchen{ID: k.ID, Name: k.Name, CreatedAt: k.CreatedAt, File: "kitchens/" + k.ID + ".zip"}
		f, err := out.CreateHeader(&zip.FileHeader{Name: one.File, Method: zip.Store})
		if err != nil {
			return err
		}
		sum := summed{to: f, hash: sha256.New()}
		a, err := NewWriter(&sum, Kitchen{Name: k.Name, Settings: k.Settings, Pantry: k.Pantry, OwnFoods: k.OwnFoods, Suppers: k.Suppers, Choices: k.Choices, Practised: k.Practised})
		if err != nil {
			return err
		}
		if err := rows.Courses(a.AddCourse); err != nil {
			return err
		}
		if err := rows.Tries(a.AddTry); err != nil {
			return err
		}
		if err := rows.Builds(a.Add); err != nil {
			return err
		}
		if err := a.Close(); err != nil {
			return err
		}
		one.Bytes, one.SHA256, one.Builds = sum.bytes, hex.EncodeToString(sum.hash.Sum(nil)), a.count
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
	at    int
}

// OpenBackup reads the list of a backup.
func OpenBackup(r io.ReaderAt, size int64, foods *food.Catalogue) (*BackupReader, error) {
	z, err := zip.NewReader(r, size)
	if err != nil {
		return nil, fmt.Errorf("%w: %w", ErrBadBackup, err)
	}
	out := &BackupReader{files: map[string]*zip.File{}, foods: foods}
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

// Next gives the next kitchen, checked against its sum; nil after the last.
func (b *BackupReader) Next() (*store.Whole, []store.History, error) {
	if b.at == len(b.List.Kitchens) {
		return nil, nil, nil
	}
	one := &b.List.Kitchens[b.at]
	b.at++
	if _, err := uuid.Parse(one.ID); err != nil || len(one.ID) != 36 {
		return nil, nil, fmt.Errorf("%w: no ID: %q", ErrBadBackup, shorten(one.ID))
	}
	data, err := b.file(one.File, math.MaxInt32)
	if err != nil {
		return nil, nil, err
	}
	if sum := sha256.Sum256(data); hex.EncodeToString(sum[:]) != one.SHA256 || int64(len(data)) != one.Bytes {
		return nil, nil, fmt.Errorf("%w: %s is not what was written", ErrBadBackup, one.File)
	}
	k, err := read(data, b.foods, limits{math.MaxInt64, math.MaxInt32, math.MaxInt32})
	if err != nil {
		return nil, nil, fmt.Errorf("%w: %s: %w", ErrBadBackup, one.File, err)
	}
	if len(k.Histories) != one.Builds {
		return nil, nil, fmt.Errorf("%w: %s has %d builds, not %d", ErrBadBackup, one.File, len(k.Histories), one.Builds)
	}
	w := &store.Whole{ID: one.ID, Name: k.Name, CreatedAt: one.CreatedAt, Settings: k.Settings, Pantry: k.Pantry, OwnFoods: k.OwnFoods, Suppers: k.Suppers, Courses: k.Courses, Tries: k.Tries, Choices: k.Choices, Practised: k.Practised}
	return w, k.Histories, nil
}

// Verify reads a backup from the first kitchen to the last, and keeps nothing.
func Verify(r io.ReaderAt, size int64, foods *food.Catalogue) (*Backup, error) {
	b, err := OpenBackup(r, size, foods)
	if err != nil {
		return nil, err
	}
	for {
		w, _, err := b.Next()
		if err != nil {
			return nil, err
		}
		if w == nil {
			return &b.List, nil
		}
	}
}
