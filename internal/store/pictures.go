package store

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/core/learn/logbook"
)

// Photo is a picture, without anything about where and by whom it was taken.
type Photo struct {
	ID            string
	MediaType     string
	Width, Height int
	Data          []byte
}

// Objects keeps the data of pictures outside of the database, each under its key: the kitchen's ID, a slash, and the SHA-256
// of the data in hexadecimal. What is kept under a key never changes.
type Objects interface {
	// Keep keeps data; doing so again changes nothing.
	Keep(ctx context.Context, key string, data []byte) error
	// Find gives what is kept; ErrNotFound where nothing is.
	Find(ctx context.Context, key string) ([]byte, error)
	// RemoveUnder removes all whose keys begin so.
	RemoveUnder(ctx context.Context, prefix string) error
}

// KeepPicturesIn has the data of new pictures kept there instead of in the database. Those that are in the database are
// found there still.
func (s *Store) KeepPicturesIn(o Objects) { s.objects = o }

func objectKey(kitchen string, hash []byte) string { return kitchen + "/" + hex.EncodeToString(hash) }

// KeepPhoto keeps a picture. The same data is kept once in a kitchen.
func (s *Store) KeepPhoto(ctx context.Context, kitchen string, p *Photo) error {
	if err := s.keepObject(ctx, kitchen, p.Data); err != nil {
		return err
	}
	return tidy(pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		hash, err := s.keepData(ctx, tx, kitchen, p.Data)
		if err != nil {
			return err
		}
		return tx.QueryRow(ctx, `insert into picture (kitchen_id, media_type, width, height, hash, size) values ($1, $2, $3, $4, $5, $6) returning id::text`,
			kitchen, p.MediaType, p.Width, p.Height, hash, len(p.Data)).Scan(&p.ID)
	}))
}

// ErrObjects is returned where the object store does not keep or give what it is asked for.
var ErrObjects = errors.New("the object store does not answer")

// objectsWithin is how long the object store may take.
const objectsWithin = 8 * time.Second

// keepObject keeps the data of a picture in the object store, where there is one, before any row speaks of it. No
// transaction waits for it.
func (s *Store) keepObject(ctx context.Context, kitchen string, data []byte) error {
	if s.objects == nil {
		return nil
	}
	within, stop := context.WithTimeout(ctx, objectsWithin)
	defer stop()
	sum := sha256.Sum256(data)
	if err := s.objects.Keep(within, objectKey(kitchen, sum[:]), data); err != nil {
		return errors.Join(ErrObjects, err)
	}
	return nil
}

// keepData keeps the data of a picture in the database, where there is no object store, and gives its hash.
func (s *Store) keepData(ctx context.Context, tx pgx.Tx, kitchen string, data []byte) (hash []byte, err error) {
	sum := sha256.Sum256(data)
	if s.objects != nil {
		return sum[:], nil
	}
	_, err = tx.Exec(ctx, `insert into picture_data (kitchen_id, hash, data) values ($1, $2, $3) on conflict do nothing`, kitchen, sum[:], data)
	return sum[:], err
}

// FindPhoto gives a picture.
func (s *Store) FindPhoto(ctx context.Context, kitchen, id string) (*Photo, error) {
	p, err := s.photo(ctx, s.pool, kitchen, id)
	if err != nil {
		return nil, tidy(err)
	}
	return p, nil
}

func (s *Store) photo(ctx context.Context, db rower, kitchen, id string) (*Photo, error) {
	p := &Photo{ID: id}
	var hash []byte
	err := db.QueryRow(ctx, `select p.media_type, p.width, p.height, p.hash, d.data from picture p
		left join picture_data d on d.kitchen_id = p.kitchen_id and d.hash = p.hash where p.kitchen_id = $1 and p.id::text = $2`, kitchen, id).
		Scan(&p.MediaType, &p.Width, &p.Height, &hash, &p.Data)
	if err != nil || p.Data != nil {
		return p, err
	}
	if s.objects == nil {
		return nil, fmt.Errorf("the data of picture %s lies in an object store, and none was named", id)
	}
	within, stop := context.WithTimeout(ctx, objectsWithin)
	defer stop()
	if p.Data, err = s.objects.Find(within, objectKey(kitchen, hash)); err != nil && !errors.Is(err, ErrNotFound) {
		err = errors.Join(ErrObjects, err)
	}
	return p, err
}

// photosOf are the pictures that tries speak of; one that is gone is left out.
func (s *Store) photosOf(ctx context.Context, tx pgx.Tx, kitchen string, tries []Try) (out []Photo, err error) {
	var ids []string
	for i := range tries {
		var found logbook.Found
		if json.Unmarshal(tries[i].Found, &found) != nil {
			continue
		}
		for _, id := range found.AllPhotos() {
			if !slices.Contains(ids, id) {
				ids = append(ids, id)
			}
		}
	}
	for _, id := range ids {
		p, err := s.photo(ctx, tx, kitchen, id)
		if errors.Is(err, pgx.ErrNoRows) || errors.Is(err, ErrNotFound) {
			continue
		}
		if err != nil {
			return nil, err
		}
		out = append(out, *p)
	}
	return out, nil
}

// photo takes a picture in: under its own ID, or, where that is another kitchen's, under one of its own here.
func (t *taking) photo(ctx context.Context, p *Photo) error {
	if err := t.store.keepObject(ctx, t.kitchen, p.Data); err != nil {
		return err
	}
	hash, err := t.store.keepData(ctx, t.tx, t.kitchen, p.Data)
	if err != nil {
		return err
	}
	for _, id := range []string{p.ID, t.ownID(p.ID)} {
		var owner string
		// Nothing changes, and the row that is there is given.
		if err := t.tx.QueryRow(ctx, `insert into picture as p (id, kitchen_id, media_type, width, height, hash, size) values ($1, $2, $3, $4, $5, $6, $7)
			on conflict (id) do update set width = p.width returning kitchen_id::text`, id, t.kitchen, p.MediaType, p.Width, p.Height, hash, len(p.Data)).Scan(&owner); err != nil {
			return err
		}
		if owner == t.kitchen {
			if id != p.ID {
				t.photoIDs[p.ID] = id
			}
			return nil
		}
	}
	return ErrTaken
}

// RemoveErasedPictures removes from the object store what kitchens left there that were erased.
func (s *Store) RemoveErasedPictures(ctx context.Context) error {
	if s.objects == nil {
		return nil
	}
	rows, err := s.pool.Query(ctx, `select kitchen_id::text from pictures_to_remove`)
	if err != nil {
		return err
	}
	kitchens, err := pgx.CollectRows(rows, pgx.RowTo[string])
	if err != nil {
		return err
	}
	for _, kitchen := range kitchens {
		if err := s.objects.RemoveUnder(ctx, kitchen+"/"); err != nil {
			return err
		}
		if _, err := s.pool.Exec(ctx, `delete from pictures_to_remove where kitchen_id = $1`, kitchen); err != nil {
			return err
		}
	}
	return nil
}
