package store

import (
	"context"
	"crypto/sha256"
	"encoding/json"
	"errors"
	"fmt"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"

	"cuerda/core/food"
	"cuerda/core/kitchen"
)

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
	// Each gives what there is too much of to hold: *Photo, *History, *Supper, *KeptCourse, *MoreReadings, *KeptTry and
	// *Practised, one by one, in this order; nil where there is no more than the lists.
	Each func(take func(one any) error) error
	// Aside is told of one that the database refuses; the others are taken in all the same. Where it is nil nothing is.
	Aside   func(one any, err error) error
	Choices *Choices
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
		if err := asServer(ctx, tx); err != nil {
			return err
		}
		out, err = s.takeIn(ctx, tx, kitchenID, in)
		return err
	})
	return out, err
}

func (s *Store) takeIn(ctx context.Context, tx pgx.Tx, kitchenID string, in Taken) (TakenIn, error) {
	var out TakenIn
	t := taking{store: s, tx: tx, kitchen: kitchenID, ids: map[string]string{}, fresh: map[string]bool{}, courseIDs: map[string]string{}, photoIDs: map[string]string{}, out: &out}
	take := func(one any) error {
		if in.Aside == nil {
			return t.one(ctx, one)
		}
		// What is refused is taken back by itself.
		counts := out
		err := pgx.BeginFunc(ctx, tx, func(within pgx.Tx) error {
			t.tx = within
			defer func() { t.tx = tx }()
			return t.one(ctx, one)
		})
		if err == nil || ctx.Err() != nil {
			return err
		}
		out = counts
		return in.Aside(one, err)
	}
	if err := in.each(take); err != nil {
		return out, err
	}
	if err := t.origins(ctx); err != nil {
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

// each gives all of it, one by one.
func (in *Taken) each(take func(any) error) error {
	for i := range in.Histories {
		if err := take(&in.Histories[i]); err != nil {
			return err
		}
	}
	for i := range in.Suppers {
		if err := take(&in.Suppers[i]); err != nil {
			return err
		}
	}
	for i := range in.Courses {
		if err := take(&in.Courses[i]); err != nil {
			return err
		}
	}
	for i := range in.Tries {
		if err := take(&in.Tries[i]); err != nil {
			return err
		}
	}
	for i := range in.Practised {
		if err := take(&in.Practised[i]); err != nil {
			return err
		}
	}
	if in.Each == nil {
		return nil
	}
	return in.Each(take)
}

// one takes one thing in.
func (t *taking) one(ctx context.Context, one any) error {
	switch v := one.(type) {
	case *Photo:
		return t.photo(ctx, v)
	case *History:
		return t.history(ctx, v)
	case *Supper:
		return t.supper(ctx, v)
	case *KeptCourse:
		return t.course(ctx, v)
	case *MoreReadings:
		return t.moreReadings(ctx, v)
	case *KeptTry:
		for i := range v.Photos {
			if err := t.photo(ctx, &v.Photos[i]); err != nil {
				return err
			}
		}
		return t.try(ctx, &v.Try)
	case *Practised:
		return t.practised(ctx, v)
	}
	return fmt.Errorf("%T is not kept in a kitchen", one)
}

// ownID gives the ID of something of another kitchen here, where its own is taken there: it follows from both, so that the
// same archive finds it again.
func (t *taking) ownID(id string) string {
	space, err := uuid.Parse(t.kitchen)
	if err != nil {
		space = uuid.Nil
	}
	return uuid.NewSHA1(space, []byte(id)).String()
}

type taking struct {
	store   *Store
	tx      pgx.Tx
	kitchen string
	ids     map[string]string // of the archive to of the kitchen
	fresh   map[string]bool   // of the archive: not there before
	// branched are builds that came of others; courseIDs and photoIDs as ids.
	branched            []History
	courseIDs, photoIDs map[string]string
	out                 *TakenIn
}

// history takes a build in, or a further part of one.
func (t *taking) history(ctx context.Context, h *History) error {
	if len(h.Versions) == 0 {
		return errors.New("a build without versions")
	}
	if h.Versions[0].Number > 1 {
		return t.furtherPart(ctx, h)
	}
	if h.FromBuild != nil {
		t.branched = append(t.branched, History{ID: h.ID, FromBuild: h.FromBuild, FromVersion: h.FromVersion})
	}
	return t.build(ctx, h)
}

// furtherPart takes in a part of a build whose first versions were taken in before it.
func (t *taking) furtherPart(ctx context.Context, h *History) error {
	id := t.ids[h.ID]
	if id == "" {
		return fmt.Errorf("build %s: the part before version %d is missing", h.ID, h.Versions[0].Number)
	}
	var has int
	if err := t.tx.QueryRow(ctx, `select max(number) from build_version where build_id = $1`, id).Scan(&has); err != nil {
		return err
	}
	first := h.Versions[0].Number
	if has < first-1 {
		return fmt.Errorf("build %s: versions before %d are missing", h.ID, first)
	}
	for i := range min(has-first+1, len(h.Versions)) {
		if equal, err := t.equal(ctx, id, &h.Versions[i]); err != nil {
			return err
		} else if !equal {
			return fmt.Errorf("build %s: version %d is another here: %w", h.ID, h.Versions[i].Number, ErrTaken)
		}
	}
	if has >= first+len(h.Versions)-1 {
		return t.labels(ctx, id, h)
	}
	return t.continued(ctx, id, h, has-first+1)
}

func (t *taking) equal(ctx context.Context, id string, v *HistoryVersion) (equal bool, err error) {
	err = t.tx.QueryRow(ctx, `select document = $3::jsonb from build_version where build_id = $1 and number = $2`, id, v.Number, &v.Document).Scan(&equal)
	return equal, err
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
		case mine && common == has && has == len(h.Versions), mine && common == len(h.Versions) && has <= h.total():
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
	return t.ownID(h.ID + string(sum.Sum(nil)))
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
		equal, err := t.equal(ctx, id, &h.Versions[common])
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
		id, last.Number, last.Document.Name, FoodsOf(&last.Document), h.UpdatedAt)
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
		id, t.kitchen, last.Document.Name, last.Number, h.CreatedAt, h.UpdatedAt, h.DeletedAt, FoodsOf(&last.Document))
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
func (t *taking) origins(ctx context.Context) error {
	for i := range t.branched {
		h := &t.branched[i]
		if !t.fresh[h.ID] {
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
