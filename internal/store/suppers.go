package store

import (
	"context"
	"encoding/json"
	"errors"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/core/plan/supper"
)

// Supper is a supper as it is kept. Of a supper there is its newest version alone.
type Supper struct {
	ID        string
	Version   int
	Document  supper.Supper
	CreatedAt time.Time
	UpdatedAt time.Time
	DeletedAt *time.Time
}

// SupperEntry is a supper in a list.
type SupperEntry struct {
	ID        string
	Name      string
	Table     time.Time
	Version   int
	Dishes    int
	UpdatedAt time.Time
}

// CreateSupper keeps a new supper as its version 1.
func (s *Store) CreateSupper(ctx context.Context, kitchen string, d *supper.Supper) (*Supper, error) {
	out := &Supper{Version: 1, Document: *d}
	err := s.pool.QueryRow(ctx, `insert into supper (kitchen_id, name, table_at, document) values ($1, $2, $3, $4) returning id::text, created_at, updated_at`,
		kitchen, d.Name, d.Table, d).Scan(&out.ID, &out.CreatedAt, &out.UpdatedAt)
	return out, tidy(err)
}

// FindSupper gives a supper. A deleted one is ErrDeleted.
func (s *Store) FindSupper(ctx context.Context, kitchen, id string) (*Supper, error) {
	rows, err := s.pool.Query(ctx, `select id::text, version, document, created_at, updated_at, deleted_at from supper where kitchen_id = $1 and id = $2`, kitchen, id)
	if err != nil {
		return nil, tidy(err)
	}
	row, err := pgx.CollectExactlyOneRow(rows, supperAsRow)
	switch {
	case err != nil:
		return nil, tidy(err)
	case row.DeletedAt != nil:
		return nil, ErrDeleted
	}
	out, err := row.read()
	return &out, err
}

// supperRow is a supper whose document is still to be read.
type supperRow struct {
	Supper
	document []byte
}

func supperAsRow(row pgx.CollectableRow) (out supperRow, err error) {
	if err := row.Scan(&out.ID, &out.Version, &out.document, &out.CreatedAt, &out.UpdatedAt, &out.DeletedAt); err != nil {
		return out, err
	}
	out.CreatedAt, out.UpdatedAt = out.CreatedAt.UTC(), out.UpdatedAt.UTC()
	if out.DeletedAt != nil {
		at := out.DeletedAt.UTC()
		out.DeletedAt = &at
	}
	return out, nil
}

func (r *supperRow) read() (Supper, error) {
	err := json.Unmarshal(r.document, &r.Document)
	if r.Document.Dishes == nil {
		r.Document.Dishes = []supper.SupperDish{}
	}
	return r.Supper, readable(err)
}

// SaveSupper keeps a changed supper, if it is still at the version that the change was made
// on; a *ConflictError otherwise. What stands there already is kept once, as Save does.
func (s *Store) SaveSupper(ctx context.Context, kitchen, id string, on int, d *supper.Supper) (*Supper, error) {
	out := &Supper{ID: id, Document: *d}
	err := pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		var deleted *time.Time
		var same bool
		err := tx.QueryRow(ctx, `select version, created_at, updated_at, deleted_at, document = $3::jsonb from supper
			where kitchen_id = $1 and id = $2 for update`, kitchen, id, d).Scan(&out.Version, &out.CreatedAt, &out.UpdatedAt, &deleted, &same)
		switch {
		case err != nil:
			return err
		case deleted != nil:
			return ErrDeleted
		case same:
			return nil
		case out.Version != on:
			return &ConflictError{Current: out.Version}
		}
		return tx.QueryRow(ctx, `update supper set version = version + 1, name = $2, table_at = $3, document = $4, updated_at = now() where id = $1
			returning version, updated_at`, id, d.Name, d.Table, d).Scan(&out.Version, &out.UpdatedAt)
	})
	if err != nil {
		return nil, tidy(err)
	}
	return out, nil
}

// ListSuppers gives the suppers of a kitchen, the last table first; at most limit of them.
func (s *Store) ListSuppers(ctx context.Context, kitchen string, limit int) ([]SupperEntry, error) {
	rows, err := s.pool.Query(ctx, `select id::text, name, document->>'table', version, case jsonb_typeof(document->'dishes') when 'array' then jsonb_array_length(document->'dishes') else 0 end, table_at, updated_at from supper
		where kitchen_id = $1 and deleted_at is null order by table_at desc, id limit $2`, kitchen, limit)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (e SupperEntry, err error) {
		var table *string
		if err = row.Scan(&e.ID, &e.Name, &table, &e.Version, &e.Dishes, &e.Table, &e.UpdatedAt); err == nil && table != nil {
			if own, err := time.Parse(time.RFC3339, *table); err == nil {
				e.Table = own // in its own zone
			}
		}
		return e, err
	})
}

// DeleteSupper puts a supper away; RestoreSupper brings it back.
func (s *Store) DeleteSupper(ctx context.Context, kitchen, id string) error {
	return s.setDeleted(ctx, kitchen, id, `update supper set deleted_at = coalesce(deleted_at, now()) where kitchen_id = $1 and id = $2`)
}

// RestoreSupper brings a deleted supper back.
func (s *Store) RestoreSupper(ctx context.Context, kitchen, id string) error {
	return s.setDeleted(ctx, kitchen, id, `update supper set deleted_at = null where kitchen_id = $1 and id = $2`)
}

// Suppers gives every supper of a kitchen, the oldest first, deleted ones too.
func (s *Store) Suppers(ctx context.Context, kitchen string) ([]Supper, error) {
	return suppersOf(ctx, s.pool, kitchen, refuse)
}

func suppersOf(ctx context.Context, db reader, kitchen string, odd func(*Unreadable) error) (out []Supper, err error) {
	rows, err := db.Query(ctx, `select id::text, version, document, created_at, updated_at, deleted_at from supper where kitchen_id = $1 order by created_at, id`, kitchen)
	if err != nil {
		return nil, tidy(err)
	}
	all, err := pgx.CollectRows(rows, supperAsRow)
	if err != nil {
		return nil, err
	}
	for i := range all {
		one, err := all[i].read()
		if err != nil {
			if err := odd(&Unreadable{"supper", all[i].ID, all[i].document, err}); err != nil {
				return nil, err
			}
			continue
		}
		out = append(out, one)
	}
	return out, nil
}

// supper takes one in: under their own ID, or beside another of that ID under one that follows
// from what it is, so that the same archive finds its copies again. One that is there as it is
// comes back if it was deleted.
func (t *taking) supper(ctx context.Context, one *Supper) error {
	text, err := json.Marshal(&one.Document)
	if err != nil {
		return err
	}
	for _, id := range []string{one.ID, t.ownID(one.ID + string(text))} {
		var same, mine bool
		err := t.tx.QueryRow(ctx, `select document = $2::jsonb, kitchen_id = $3 from supper where id = $1`, id, &one.Document, t.kitchen).Scan(&same, &mine)
		if errors.Is(err, pgx.ErrNoRows) {
			t.out.Suppers++
			_, err := t.tx.Exec(ctx, `insert into supper (id, kitchen_id, name, table_at, version, document, created_at, updated_at, deleted_at)
				values ($1, $2, $3, $4, $5, $6, $7, $8, $9)`, id, t.kitchen, one.Document.Name, one.Document.Table, max(1, one.Version), &one.Document,
				one.CreatedAt, one.UpdatedAt, one.DeletedAt)
			return err
		}
		if err != nil {
			return err
		}
		if same && mine {
			if one.DeletedAt != nil {
				return nil
			}
			_, err := t.tx.Exec(ctx, `update supper set deleted_at = null where id = $1 and deleted_at is not null`, id)
			return err
		}
	}
	return ErrTaken
}
