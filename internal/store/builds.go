package store

import (
	"context"
	"encoding/json"
	"slices"
	"strings"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/core/document"
)

// Build is a build at one of its versions.
type Build struct {
	ID        string
	Version   int
	Document  document.Document
	UpdatedAt time.Time
	// From is where it was branched from; nil for none, or where that is gone.
	From *Origin
	// Unreadable says, in a list, that of its document nothing but the name can be read.
	Unreadable bool
}

// UnreadableError is that of something that is kept and that this program cannot read.
type UnreadableError struct{ Err error }

// Error says why.
func (e *UnreadableError) Error() string { return "what is kept cannot be read: " + e.Err.Error() }

// Unwrap gives what was wrong inside.
func (e *UnreadableError) Unwrap() error { return e.Err }

func readable(err error) error {
	if err != nil {
		return &UnreadableError{err}
	}
	return nil
}

// Version is one entry of a build's history.
type Version struct {
	Number    int
	CreatedAt time.Time
	Name      string
	Lines     int
	// Label is what the cook calls it; "" for none.
	Label string
}

// Create keeps a new build as its version 1.
func (s *Store) Create(ctx context.Context, kitchen string, d *document.Document) (*Build, error) {
	return s.create(ctx, kitchen, d, nil)
}

func addVersion(ctx context.Context, tx pgx.Tx, b *Build) error {
	_, err := tx.Exec(ctx, `insert into build_version (build_id, number, document) values ($1, $2, $3)`,
		b.ID, b.Version, &b.Document)
	return err
}

// FoodsOf are the foods of a mix, each once.
func FoodsOf(d *document.Document) []string {
	out := []string{}
	for i := range d.Lines {
		if !slices.Contains(out, d.Lines[i].Food) {
			out = append(out, d.Lines[i].Food)
		}
	}
	return out
}

// Find gives a build at its newest version. A deleted one is ErrDeleted.
func (s *Store) Find(ctx context.Context, kitchen, id string) (*Build, error) {
	return find(ctx, s.pool, kitchen, id, 0)
}

// FindVersion gives a build as it was at a version.
func (s *Store) FindVersion(ctx context.Context, kitchen, id string, number int) (*Build, error) {
	return find(ctx, s.pool, kitchen, id, number)
}

// reader is the pool, or a transaction.
type reader interface {
	Query(ctx context.Context, sql string, args ...any) (pgx.Rows, error)
	QueryRow(ctx context.Context, sql string, args ...any) pgx.Row
}

// find gives the newest version where number is 0.
func find(ctx context.Context, db reader, kitchen, id string, number int) (*Build, error) {
	b := &Build{ID: id}
	var deleted *time.Time
	var document []byte
	var from, fromName *string
	var fromVersion *int
	err := db.QueryRow(ctx, `select v.number, v.document, case when v.number = b.version then b.updated_at else v.created_at end, b.deleted_at,
			o.id::text, o.name, b.from_version
		from build b join build_version v on v.build_id = b.id left join build o on o.id = b.from_build and o.deleted_at is null
		where b.kitchen_id = $1 and b.id = $2 and v.number = case when $3 = 0 then b.version else $3 end`,
		kitchen, id, number).Scan(&b.Version, &document, &b.UpdatedAt, &deleted, &from, &fromName, &fromVersion)
	if err != nil {
		return nil, tidy(err)
	}
	if deleted != nil {
		return nil, ErrDeleted
	}
	if from != nil && fromVersion != nil {
		b.From = &Origin{*from, *fromName, *fromVersion}
	}
	return b, readable(json.Unmarshal(document, &b.Document))
}

// Save keeps a changed document as a new version, if the build is still at the
// version the change was made on; a *ConflictError otherwise. A document that
// is the newest one already is kept once: a save that is sent again because
// its answer was lost neither conflicts nor adds a version.
func (s *Store) Save(ctx context.Context, kitchen, id string, on int, d *document.Document) (*Build, error) {
	b := &Build{ID: id, Document: *d}
	kept := false
	err := pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		// The lock first, by itself: a statement that waits for it would compare
		// the build as it now is with versions as they were when it began.
		var deleted *time.Time
		err := tx.QueryRow(ctx, `select version, updated_at, deleted_at from build
			where kitchen_id = $1 and id = $2 for update`, kitchen, id).Scan(&b.Version, &b.UpdatedAt, &deleted)
		if err != nil {
			return err
		}
		var same bool
		err = tx.QueryRow(ctx, `select document = $3::jsonb from build_version where build_id = $1 and number = $2`,
			id, b.Version, d).Scan(&same)
		switch {
		case err != nil:
			return err
		case deleted != nil:
			return ErrDeleted
		case same:
			return nil
		case b.Version != on:
			return &ConflictError{Current: b.Version}
		}
		b.Version++
		row := tx.QueryRow(ctx, `update build set version = $2, name = $3, foods = $4, updated_at = now() where id = $1 returning updated_at`, id, b.Version, d.Name, FoodsOf(d))
		if err := row.Scan(&b.UpdatedAt); err != nil {
			return err
		}
		kept = true
		return addVersion(ctx, tx, b)
	})
	if err != nil {
		return nil, tidy(err)
	}
	if kept {
		s.saved.Add(1)
	}
	return b, nil
}

// List gives the builds whose name holds the text, in any case, or that have a
// line of one of the foods, the one changed last first; at most limit of them.
func (s *Store) List(ctx context.Context, kitchen, text string, foods []string, limit int) ([]Build, error) {
	pattern := "%" + strings.NewReplacer(`\`, `\\`, `%`, `\%`, `_`, `\_`).Replace(text) + "%"
	// Which builds they are is found first, and their documents, which are large, are read of those alone.
	found, args := ``, []any{kitchen, limit}
	if text != "" || len(foods) > 0 {
		found, args = `and (name ilike $3 or foods && $4)`, append(args, pattern, foods)
	}
	rows, err := s.pool.Query(ctx, `with page as materialized (
			select id, version, updated_at, name from build where kitchen_id = $1 and deleted_at is null `+found+` order by updated_at desc, id limit $2)
		select p.id::text, p.version, v.document - '{parts,note}'::text[], p.updated_at, p.name
		from page p join build_version v on v.build_id = p.id and v.number = p.version order by p.updated_at desc, p.id`, args...)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (Build, error) {
		var b Build
		var text []byte
		var name string
		if err := row.Scan(&b.ID, &b.Version, &text, &b.UpdatedAt, &name); err != nil {
			return b, err
		}
		if json.Unmarshal(text, &b.Document) != nil {
			b.Unreadable, b.Document = true, document.Document{Name: name}
		}
		return b, nil
	})
}

// Delete puts a build away; Restore brings it back, with all its versions.
func (s *Store) Delete(ctx context.Context, kitchen, id string) error {
	return s.setDeleted(ctx, kitchen, id, `update build set deleted_at = coalesce(deleted_at, now()) where kitchen_id = $1 and id = $2`)
}

// Restore brings a deleted build back.
func (s *Store) Restore(ctx context.Context, kitchen, id string) error {
	return s.setDeleted(ctx, kitchen, id, `update build set deleted_at = null where kitchen_id = $1 and id = $2`)
}

func (s *Store) setDeleted(ctx context.Context, kitchen, id, sql string) error {
	tag, err := s.pool.Exec(ctx, sql, kitchen, id)
	if err == nil && tag.RowsAffected() == 0 {
		return ErrNotFound
	}
	return tidy(err)
}
