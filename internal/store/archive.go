package store

import (
	"context"
	"crypto/sha256"
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"

	"cuerda/core/document"
	"cuerda/core/food"
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
	Document  document.Document
}

// fetched is how many versions are read at a time: each is a statement of its own, so that
// whoever takes them slowly holds none open.
const fetched = 200

// Histories gives every build of a kitchen to each, the oldest first, deleted
// ones too; it stops at the first error of each.
func (s *Store) Histories(ctx context.Context, kitchen string, each func(*History) error) error {
	return pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		return histories(ctx, tx, kitchen, each)
	})
}

func histories(ctx context.Context, tx pgx.Tx, kitchen string, each func(*History) error) error {
	_, err := tx.Exec(ctx, `declare histories no scroll cursor for
		select b.id::text, b.created_at, b.updated_at, b.deleted_at, b.from_build::text, b.from_version,
			v.number, v.created_at, coalesce(n.name, ''), v.document
		from build b join build_version v on v.build_id = b.id left join version_name n on n.build_id = v.build_id and n.number = v.number
		where b.kitchen_id = $1 order by b.created_at, b.id, v.number`, pgx.QueryExecModeExec, kitchen)
	if err != nil {
		return tidy(err)
	}
	var now *History
	for {
		rows, err := tx.Query(ctx, fmt.Sprintf(`fetch %d from histories`, fetched), pgx.QueryExecModeExec)
		if err != nil {
			return err
		}
		some, err := pgx.CollectRows(rows, historyRow)
		if err != nil {
			return err
		}
		for i := range some {
			h := &some[i]
			if now != nil && now.ID == h.ID {
				now.Versions = append(now.Versions, h.Versions...)
				continue
			}
			if now != nil {
				if err := each(now); err != nil {
					return err
				}
			}
			now = h
		}
		if len(some) < fetched {
			break
		}
	}
	if _, err := tx.Exec(ctx, `close histories`); err != nil || now == nil {
		return err
	}
	return each(now)
}

// historyRow is a build with one of its versions.
func historyRow(row pgx.CollectableRow) (h History, err error) {
	var v HistoryVersion
	var document []byte
	if err := row.Scan(&h.ID, &h.CreatedAt, &h.UpdatedAt, &h.DeletedAt, &h.FromBuild, &h.FromVersion, &v.Number, &v.CreatedAt, &v.Label, &document); err != nil {
		return h, err
	}
	// The same bytes wherever it is read.
	h.CreatedAt, h.UpdatedAt, v.CreatedAt = h.CreatedAt.UTC(), h.UpdatedAt.UTC(), v.CreatedAt.UTC()
	if h.DeletedAt != nil {
		at := h.DeletedAt.UTC()
		h.DeletedAt = &at
	}
	err = json.Unmarshal(document, &v.Document)
	h.Versions = []HistoryVersion{v}
	return h, err
}

// TakenIn counts what became of the builds of an archive.
type TakenIn struct {
	Added int `json:"added"` // under their own ID
	// Same were there already, with the same history; one that was deleted is brought back.
	Same int `json:"same"`
	// Continued were there with the first versions of the history, and got the rest.
	Continued int `json:"continued"`
	Copied    int `json:"copied"`  // beside a build of the same ID with another history, or one that has gone on
	Suppers   int `json:"suppers"` // that were not there as they are
	Courses   int `json:"courses"` // that were not there
	Tries     int `json:"tries"`   // that were not there
	Calls     int `json:"calls"`   // of practice, that were not there
}

// Taken is what is brought into a kitchen.
type Taken struct {
	Histories []History
	Suppers   []Supper
	Courses   []KeptCourse
	Tries     []KeptTry
	Practised []Practised
	Choices   *Choices
	// OwnFoods stand beside those that are there; one of the same ID gives way.
	OwnFoods []food.Own
	// Replaces says that Pantry and Settings stand in place of those that are there:
	// what is not among them is then no longer in the pantry.
	Replaces bool
	Pantry   []kitchen.PantryItem
	Settings kitchen.Settings
}

// TakeIn brings a kitchen's things into another: all or, on an error, nothing. Taken in
// again, the same things change nothing more.
func (s *Store) TakeIn(ctx context.Context, kitchenID string, in Taken) (TakenIn, error) {
	var out TakenIn
	err := s.change(ctx, kitchenID, func(tx pgx.Tx) (err error) {
		out, err = takeIn(ctx, tx, kitchenID, in)
		return err
	})
	return out, err
}

func takeIn(ctx context.Context, tx pgx.Tx, kitchenID string, in Taken) (TakenIn, error) {
	var out TakenIn
	taking := taking{tx, kitchenID, map[string]string{}, map[string]bool{}, &out}
	for i := range in.Histories {
		if err := taking.build(ctx, &in.Histories[i]); err != nil {
			return out, err
		}
	}
	if err := taking.origins(ctx, in.Histories); err != nil {
		return out, err
	}
	if err := taking.suppers(ctx, in.Suppers); err != nil {
		return out, err
	}
	if err := taking.courses(ctx, in.Courses); err != nil {
		return out, err
	}
	if err := taking.tries(ctx, in.Tries); err != nil {
		return out, err
	}
	if err := taking.practised(ctx, in.Practised); err != nil {
		return out, err
	}
	if in.Choices != nil && in.Replaces {
		if err := saveChoices(ctx, tx, kitchenID, in.Choices); err != nil {
			return out, err
		}
	}
	if err := saveOwnFoods(ctx, tx, kitchenID, in.OwnFoods); err != nil || !in.Replaces {
		return out, err
	}
	if _, err := tx.Exec(ctx, `delete from pantry_item where kitchen_id = $1`, kitchenID); err != nil {
		return out, err
	}
	if err := savePantry(ctx, tx, kitchenID, in.Pantry); err != nil {
		return out, err
	}
	return out, saveSettings(ctx, tx, kitchenID, in.Settings)
}

type taking struct {
	tx      pgx.Tx
	kitchen string
	ids     map[string]string // of the archive to of the kitchen
	fresh   map[string]bool   // of the archive: not there before
	out     *TakenIn
}

// build takes one in under its own ID; where that is another history's, under one that
// follows from its own, so that the same archive finds its copies again.
func (t *taking) build(ctx context.Context, h *History) error {
	copied := false
	for _, id := range []string{h.ID, t.copyID(h)} {
		common, has, mine, err := t.common(ctx, id, h)
		switch {
		case err != nil:
			return err
		case has == 0:
			t.ids[h.ID], t.fresh[h.ID] = id, true
			if copied {
				t.out.Copied++
			} else {
				t.out.Added++
			}
			return t.insert(ctx, id, h)
		case mine && common == has && has == len(h.Versions):
			t.ids[h.ID] = id
			t.out.Same++
			return t.bringBack(ctx, id, h)
		case mine && common == has:
			t.ids[h.ID] = id
			t.out.Continued++
			return t.continued(ctx, id, h, has)
		}
		copied = true
	}
	return fmt.Errorf("build %s: its copy is another's: %w", h.ID, ErrTaken)
}

// ErrTaken is returned where neither a build's ID nor that of its copy is free.
var ErrTaken = errors.New("no ID is free")

// copyID follows from the kitchen, the build and its history.
func (t *taking) copyID(h *History) string {
	sum := sha256.New()
	for i := range h.Versions {
		text, err := json.Marshal(&h.Versions[i].Document)
		if err == nil {
			sum.Write(text)
		}
	}
	space, err := uuid.Parse(t.kitchen)
	if err != nil {
		space = uuid.Nil
	}
	return uuid.NewSHA1(space, append([]byte(h.ID), sum.Sum(nil)...)).String()
}

// common says how many versions the build of that ID has (0 where there is none), how many
// of them from the first on are those of the history, and whether it is this kitchen's.
func (t *taking) common(ctx context.Context, id string, h *History) (common, has int, mine bool, err error) {
	var owner string
	err = t.tx.QueryRow(ctx, `select kitchen_id::text, version from build where id = $1`, id).Scan(&owner, &has)
	if errors.Is(err, pgx.ErrNoRows) {
		return 0, 0, false, nil
	}
	mine = owner == t.kitchen
	if err != nil || !mine {
		return 0, has, mine, err
	}
	for common < min(has, len(h.Versions)) {
		v := &h.Versions[common]
		var equal bool
		err := t.tx.QueryRow(ctx, `select document = $3::jsonb from build_version where build_id = $1 and number = $2`, id, v.Number, &v.Document).Scan(&equal)
		if err != nil {
			return 0, has, mine, err
		}
		if !equal {
			break
		}
		common++
	}
	return common, has, mine, nil
}

// bringBack makes a build that is there what the archive says beside its versions: not
// deleted, with the archive's labels.
func (t *taking) bringBack(ctx context.Context, id string, h *History) error {
	if h.DeletedAt == nil {
		if _, err := t.tx.Exec(ctx, `update build set deleted_at = null where id = $1 and deleted_at is not null`, id); err != nil {
			return err
		}
	}
	return t.labels(ctx, id, h)
}

func (t *taking) continued(ctx context.Context, id string, h *History, from int) error {
	last := &h.Versions[len(h.Versions)-1]
	_, err := t.tx.Exec(ctx, `update build set version = $2, name = $3, foods = $4, updated_at = $5 where id = $1`,
		id, last.Number, last.Document.Name, foodsOf(&last.Document), h.UpdatedAt)
	if err != nil {
		return err
	}
	if err := t.versions(ctx, id, h.Versions[from:]); err != nil {
		return err
	}
	return t.bringBack(ctx, id, h)
}

func (t *taking) insert(ctx context.Context, id string, h *History) error {
	last := &h.Versions[len(h.Versions)-1]
	_, err := t.tx.Exec(ctx, `insert into build (id, kitchen_id, name, version, created_at, updated_at, deleted_at, foods)
		values ($1, $2, $3, $4, $5, $6, $7, $8)`,
		id, t.kitchen, last.Document.Name, last.Number, h.CreatedAt, h.UpdatedAt, h.DeletedAt, foodsOf(&last.Document))
	if err != nil {
		return err
	}
	if err := t.versions(ctx, id, h.Versions); err != nil {
		return err
	}
	return t.labels(ctx, id, h)
}

func (t *taking) versions(ctx context.Context, id string, all []HistoryVersion) error {
	var batch pgx.Batch
	for i := range all {
		v := &all[i]
		batch.Queue(`insert into build_version (build_id, number, document, created_at) values ($1, $2, $3, $4)`, id, v.Number, &v.Document, v.CreatedAt)
	}
	return t.tx.SendBatch(ctx, &batch).Close()
}

func (t *taking) labels(ctx context.Context, id string, h *History) error {
	var batch pgx.Batch
	for i := range h.Versions {
		if v := &h.Versions[i]; v.Label != "" {
			batch.Queue(`insert into version_name (build_id, number, name) values ($1, $2, $3)
				on conflict (build_id, number) do update set name = excluded.name`, id, v.Number, v.Label)
		}
	}
	return t.tx.SendBatch(ctx, &batch).Close()
}

// origins ties what was taken in anew to what it was branched from in the archive; what was
// there before keeps its own.
func (t *taking) origins(ctx context.Context, histories []History) error {
	for i := range histories {
		h := &histories[i]
		if h.FromBuild == nil || !t.fresh[h.ID] {
			continue
		}
		from, known := t.ids[*h.FromBuild]
		if !known {
			continue
		}
		if _, err := t.tx.Exec(ctx, `update build set from_build = $2, from_version = $3 where id = $1`, t.ids[h.ID], from, h.FromVersion); err != nil {
			return err
		}
	}
	return nil
}
