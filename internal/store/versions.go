package store

import (
	"context"

	"github.com/jackc/pgx/v5"

	"cuerda/core/document"
)

// Origin is the version of a build that another was branched from.
type Origin struct {
	ID      string
	Name    string
	Version int
}

// Versions gives the history of a build, newest first; before, if above 0,
// leaves out that version and what is newer. Named gives only those with a label.
func (s *Store) Versions(ctx context.Context, kitchen, id string, before, limit int, named bool) ([]Version, error) {
	if _, err := s.Find(ctx, kitchen, id); err != nil {
		return nil, err
	}
	rows, err := s.pool.Query(ctx, `select v.number, v.created_at, v.document->>'name', jsonb_array_length(v.document->'lines'), coalesce(n.name, '')
		from build_version v left join version_name n on n.build_id = v.build_id and n.number = v.number
		where v.build_id = $1 and ($2 = 0 or v.number < $2) and (not $4 or n.name is not null)
		order by v.number desc limit $3`, id, before, limit, named)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, pgx.RowToStructByPos[Version])
}

// NameVersion gives a version a label, or takes it away where the label is "".
func (s *Store) NameVersion(ctx context.Context, kitchen, id string, number int, label string) error {
	if _, err := s.FindVersion(ctx, kitchen, id, number); err != nil {
		return err
	}
	if label == "" {
		_, err := s.pool.Exec(ctx, `delete from version_name where build_id = $1 and number = $2`, id, number)
		return err
	}
	_, err := s.pool.Exec(ctx, `insert into version_name (build_id, number, name) values ($1, $2, $3)
		on conflict (build_id, number) do update set name = excluded.name`, id, number, label)
	return err
}

// Branch keeps a new build that starts from a version of another, under a name
// of its own.
func (s *Store) Branch(ctx context.Context, kitchen, id string, number int, name string) (*Build, error) {
	from, err := s.FindVersion(ctx, kitchen, id, number)
	if err != nil {
		return nil, err
	}
	d := from.Document
	d.Name = name
	return s.create(ctx, kitchen, &d, &Origin{ID: id, Name: from.Document.Name, Version: number})
}

// GoBack makes an earlier version the newest one again, by adding a copy.
func (s *Store) GoBack(ctx context.Context, kitchen, id string, on, to int) (*Build, error) {
	old, err := s.FindVersion(ctx, kitchen, id, to)
	if err != nil {
		return nil, err
	}
	return s.Save(ctx, kitchen, id, on, &old.Document)
}

// create is Create, with where the build comes from; nil for none.
func (s *Store) create(ctx context.Context, kitchen string, d *document.Document, from *Origin) (*Build, error) {
	b := &Build{Version: 1, Document: *d, From: from}
	var origin *string
	var version *int
	if from != nil {
		origin, version = &from.ID, &from.Version
	}
	err := pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		row := tx.QueryRow(ctx, `insert into build (kitchen_id, name, version, from_build, from_version, foods) values ($1, $2, 1, $3, $4, $5)
			returning id::text, updated_at`, kitchen, d.Name, origin, version, FoodsOf(d))
		if err := row.Scan(&b.ID, &b.UpdatedAt); err != nil {
			return err
		}
		return addVersion(ctx, tx, b)
	})
	if err != nil {
		return nil, tidy(err)
	}
	s.saved.Add(1)
	return b, nil
}
