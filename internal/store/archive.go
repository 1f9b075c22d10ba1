package store

import (
	"context"
	"encoding/json"
	"errors"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/core/food"
	"cuerda/core/formula"
	"cuerda/core/kitchen"
)

// History is a build with all that is kept of it.
type History struct {
	ID          string
	CreatedAt   time.Time
	UpdatedAt   time.Time
	DeletedAt   *time.Time
	FromBuild   *string
	FromVersion *int
	// Versions are in order, from 1.
	Versions []HistoryVersion
}

// HistoryVersion is one version of a History.
type HistoryVersion struct {
	Number    int
	CreatedAt time.Time
	Label     string
	Document  formula.Document
}

// Histories gives every build of a kitchen to each, the oldest first, deleted
// ones too; it stops at the first error of each.
func (s *Store) Histories(ctx context.Context, kitchen string, each func(*History) error) error {
	return pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		rows, err := tx.Query(ctx, `select b.id::text, b.created_at, b.updated_at, b.deleted_at, b.from_build::text, b.from_version,
				v.number, v.created_at, coalesce(n.name, ''), v.document
			from build b join build_version v on v.build_id = b.id left join version_name n on n.build_id = v.build_id and n.number = v.number
			where b.kitchen_id = $1 order by b.created_at, b.id, v.number`, kitchen)
		if err != nil {
			return err
		}
		defer rows.Close()
		var now *History
		for rows.Next() {
			var h History
			var v HistoryVersion
			var document []byte
			if err := rows.Scan(&h.ID, &h.CreatedAt, &h.UpdatedAt, &h.DeletedAt, &h.FromBuild, &h.FromVersion, &v.Number, &v.CreatedAt, &v.Label, &document); err != nil {
				return err
			}
			if err := json.Unmarshal(document, &v.Document); err != nil {
				return err
			}
			if now == nil || now.ID != h.ID {
				if now != nil {
					if err := each(now); err != nil {
						return err
					}
				}
				now = &h
			}
			now.Versions = append(now.Versions, v)
		}
		if err := rows.Err(); err != nil || now == nil {
			return err
		}
		return each(now)
	})
}

// TakenIn counts what became of the builds of an archive.
type TakenIn struct {
	Added  int `json:"added"`  // under their own ID
	Same   int `json:"same"`   // there already, with the same history
	Copied int `json:"copied"` // beside a build of the same ID with another history
}

// Taken is what is brought into a kitchen.
type Taken struct {
	Histories []History
	// OwnFoods stand beside those that are there; one of the same ID gives way.
	OwnFoods []food.Own
	// Replaces says that Pantry and Settings stand in place of those that are there:
	// what is not among them is then no longer in the pantry.
	Replaces bool
	Pantry   []kitchen.PantryItem
	Settings kitchen.Settings
}

// TakeIn brings a kitchen's things into another: all or, on an error, nothing.
func (s *Store) TakeIn(ctx context.Context, kitchenID string, in Taken) (TakenIn, error) {
	histories := in.Histories
	var out TakenIn
	err := pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		out = TakenIn{}
		ids := make(map[string]string, len(histories)) // of the archive to of the kitchen
		for i := range histories {
			h := &histories[i]
			same, taken, err := there(ctx, tx, kitchenID, h)
			switch {
			case err != nil:
				return err
			case same:
				ids[h.ID] = h.ID
				out.Same++
				continue
			case taken:
				out.Copied++
			default:
				out.Added++
			}
			if ids[h.ID], err = insert(ctx, tx, kitchenID, h, !taken); err != nil {
				return err
			}
		}
		for i := range histories {
			h := &histories[i]
			if h.FromBuild == nil {
				continue
			}
			if from, known := ids[*h.FromBuild]; known {
				if _, err := tx.Exec(ctx, `update build set from_build = $2, from_version = $3 where id = $1`, ids[h.ID], from, h.FromVersion); err != nil {
					return err
				}
			}
		}
		if err := saveOwnFoods(ctx, tx, kitchenID, in.OwnFoods); err != nil || !in.Replaces {
			return err
		}
		if _, err := tx.Exec(ctx, `delete from pantry_item where kitchen_id = $1`, kitchenID); err != nil {
			return err
		}
		if err := savePantry(ctx, tx, kitchenID, in.Pantry); err != nil {
			return err
		}
		return saveSettings(ctx, tx, kitchenID, in.Settings)
	})
	return out, err
}

// there says whether the build is in the kitchen with the same history, and
// whether its ID is taken by any other.
func there(ctx context.Context, tx pgx.Tx, kitchen string, h *History) (same, taken bool, err error) {
	var owner string
	var version int
	err = tx.QueryRow(ctx, `select kitchen_id::text, version from build where id = $1`, h.ID).Scan(&owner, &version)
	if errors.Is(err, pgx.ErrNoRows) {
		return false, false, nil
	}
	if err != nil || owner != kitchen || version != len(h.Versions) {
		return false, true, err
	}
	for i := range h.Versions {
		var equal bool
		err := tx.QueryRow(ctx, `select document = $3::jsonb from build_version where build_id = $1 and number = $2`, h.ID, h.Versions[i].Number, &h.Versions[i].Document).Scan(&equal)
		if err != nil || !equal {
			return false, true, err
		}
	}
	return true, true, nil
}

func insert(ctx context.Context, tx pgx.Tx, kitchen string, h *History, keepID bool) (id string, err error) {
	var own *string
	if keepID {
		own = &h.ID
	}
	last := &h.Versions[len(h.Versions)-1]
	err = tx.QueryRow(ctx, `insert into build (id, kitchen_id, name, version, created_at, updated_at, deleted_at, foods)
		values (coalesce($1::uuid, gen_random_uuid()), $2, $3, $4, $5, $6, $7, $8) returning id::text`,
		own, kitchen, last.Document.Name, last.Number, h.CreatedAt, h.UpdatedAt, h.DeletedAt, foodsOf(&last.Document)).Scan(&id)
	if err != nil {
		return "", err
	}
	var batch pgx.Batch
	for i := range h.Versions {
		v := &h.Versions[i]
		batch.Queue(`insert into build_version (build_id, number, document, created_at) values ($1, $2, $3, $4)`, id, v.Number, &v.Document, v.CreatedAt)
		if v.Label != "" {
			batch.Queue(`insert into version_name (build_id, number, name) values ($1, $2, $3)`, id, v.Number, v.Label)
		}
	}
	return id, tx.SendBatch(ctx, &batch).Close()
}
