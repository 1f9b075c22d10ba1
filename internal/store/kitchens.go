package store

import (
	"context"
	"errors"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/core/kitchen"
	"cuerda/internal/principal"
)

// KitchenEntry is a kitchen as it is listed.
type KitchenEntry struct {
	ID        string     `json:"id"`
	Name      string     `json:"name"`
	MadeUp    bool       `json:"made_up" doc:"it is the demonstration's: all in it is invented"`
	CreatedAt time.Time  `json:"created_at"`
	PutAwayAt *time.Time `json:"put_away_at,omitempty"`
	// EraseAt is when all of it is erased; its owners can take that back until then.
	EraseAt *time.Time `json:"erase_at,omitempty"`
	// Role is what whoever asks is in it.
	Role principal.Role `json:"role" enum:"owner,cook,guest,stove"`
	// Gives says whether its tries go into the common figures of foods.
	Gives bool `json:"gives"`
	// How much is in it is counted where one is asked for, not in lists.
	Builds  *int `json:"builds,omitempty"`
	Suppers *int `json:"suppers,omitempty"`
	Tries   *int `json:"tries,omitempty"`
}

const kitchenColumns = `k.id::text, k.name, k.made_up, k.created_at, k.put_away_at, k.erase_at, k.gives`

// ListKitchens gives the kitchens of whoever asks, the oldest first; those that are put away last.
func (s *Store) ListKitchens(ctx context.Context) ([]KitchenEntry, error) {
	rows, err := s.pool.Query(ctx, `select `+kitchenColumns+`, coalesce(m.role, 'owner') from kitchen k
		left join member m on m.kitchen_id = k.id and m.account_id = cuerda_account()
		where cuerda_scope() <> 'account' or m.role is not null
		order by k.put_away_at is not null, k.made_up, k.created_at, k.id`)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (k KitchenEntry, err error) {
		err = row.Scan(&k.ID, &k.Name, &k.MadeUp, &k.CreatedAt, &k.PutAwayAt, &k.EraseAt, &k.Gives, &k.Role)
		return k, err
	})
}

// FindKitchen gives one, with how much is in it.
func (s *Store) FindKitchen(ctx context.Context, id string) (*KitchenEntry, error) {
	k := &KitchenEntry{}
	err := s.pool.QueryRow(ctx, `select `+kitchenColumns+`, coalesce(cuerda_role(), 'owner'),
			(select count(*) from build where kitchen_id = k.id and deleted_at is null),
			(select count(*) from supper where kitchen_id = k.id and deleted_at is null),
			(select count(*) from try where kitchen_id = k.id and deleted_at is null)
		from kitchen k where k.id = $1`, id).
		Scan(&k.ID, &k.Name, &k.MadeUp, &k.CreatedAt, &k.PutAwayAt, &k.EraseAt, &k.Gives, &k.Role, &k.Builds, &k.Suppers, &k.Tries)
	return k, tidy(err)
}

// KitchenName gives what a kitchen is called.
func (s *Store) KitchenName(ctx context.Context, kitchen string) (name string, err error) {
	err = s.pool.QueryRow(ctx, `select name from kitchen where id = $1`, kitchen).Scan(&name)
	return name, tidy(err)
}

// unfinishedFor is how long a demonstration may take to be filled: one that is not done by then was given up, and is erased.
const unfinishedFor = time.Hour

// NewKitchen is a kitchen that is to be made.
type NewKitchen struct {
	Name     string
	MadeUp   bool
	Settings *kitchen.Settings
	Have     []kitchen.PantryItem
	// Unfinished has it erased in an hour, unless Finish is called before.
	Unfinished bool
	// Owner is the account that owns it; "" where nobody signs in.
	Owner string
}

// MakeKitchen makes one, whole or not at all.
func (s *Store) MakeKitchen(ctx context.Context, in NewKitchen) (id string, err error) {
	err = pgx.BeginFunc(principal.Server(ctx), s.pool, func(tx pgx.Tx) error {
		if err := tx.QueryRow(ctx, `insert into kitchen (name, made_up, erase_at) values ($1, $2, case when $3 then now() + $4::interval end) returning id::text`, in.Name, in.MadeUp, in.Unfinished, unfinishedFor).Scan(&id); err != nil {
			return err
		}
		if in.Owner != "" {
			if _, err := tx.Exec(ctx, `insert into member (kitchen_id, account_id, role) values ($1, $2, 'owner')`, id, in.Owner); err != nil {
				return err
			}
		}
		if in.Settings != nil {
			if err := saveSettings(ctx, tx, id, *in.Settings); err != nil {
				return err
			}
		}
		return savePantry(ctx, tx, id, in.Have)
	})
	return id, err
}

// Finish says that a kitchen which was made in steps is complete: from then on it is shown, and no sweep erases it.
func (s *Store) Finish(ctx context.Context, id string) error {
	return s.EraseKitchenAt(principal.Server(ctx), id, nil)
}

// MadeUp gives the demonstration kitchen, making an empty one where there is no kitchen at all; made says so. Only one of
// several callers makes it. Where it was put away or erased there is none: "".
func (s *Store) MadeUp(ctx context.Context, name string) (id string, made bool, err error) {
	return s.madeUp(ctx, name, false)
}

// MadeUpToFill is MadeUp for who fills it: what is made is unfinished, until Finish.
func (s *Store) MadeUpToFill(ctx context.Context, name string) (id string, made bool, err error) {
	return s.madeUp(ctx, name, true)
}

func (s *Store) madeUp(ctx context.Context, name string, unfinished bool) (id string, made bool, err error) {
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, "lock table kitchen in share row exclusive mode"); err != nil {
			return err
		}
		err := tx.QueryRow(ctx, `select id::text from kitchen where made_up and put_away_at is null and erase_at is null order by created_at desc, id limit 1`).Scan(&id)
		if !errors.Is(err, pgx.ErrNoRows) {
			return err
		}
		var others bool
		if err := tx.QueryRow(ctx, `select exists (select from kitchen where not (made_up and erase_at is not null))`).Scan(&others); err != nil || others {
			return err
		}
		made = true
		return tx.QueryRow(ctx, "insert into kitchen (name, made_up, erase_at) values ($1, true, case when $2 then now() + $3::interval end) returning id::text", name, unfinished, unfinishedFor).Scan(&id)
	})
	return id, made, err
}

// RenameKitchen gives a kitchen another name.
func (s *Store) RenameKitchen(ctx context.Context, id, name string) error {
	return s.change(ctx, id, func(tx pgx.Tx) error {
		return one(tx.Exec(ctx, `update kitchen set name = $2 where id = $1`, id, name))
	})
}

// Give says whether the kitchen gives its tries to the common figures of foods. The demonstration's are invented: it gives
// none, and the error is ErrMadeUp.
func (s *Store) Give(ctx context.Context, id string, gives bool) error {
	return s.change(ctx, id, func(tx pgx.Tx) error {
		var madeUp bool
		if err := tx.QueryRow(ctx, `update kitchen set gives = $2 and not made_up where id = $1 returning made_up`, id, gives).Scan(&madeUp); err != nil {
			return tidy(err)
		}
		if madeUp && gives {
			return ErrMadeUp
		}
		return nil
	})
}

// Giver is a kitchen that gives its tries.
type Giver struct {
	Kitchen string
	// Household is the same for kitchens of one owner; one without an owner, where nobody signs in, is a household.
	Household string
}

// Givers lists the kitchens that give their tries and are neither put away nor to be erased, those that were made first
// first.
func (s *Store) Givers(ctx context.Context) ([]Giver, error) {
	rows, err := s.pool.Query(ctx, `select k.id::text, coalesce((select min(m.account_id::text) from member m where m.kitchen_id = k.id and m.role = 'owner'), k.id::text)
		from kitchen k where k.gives and not k.made_up and k.put_away_at is null and k.erase_at is null order by k.created_at, k.id`)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, pgx.RowToStructByPos[Giver])
}

// PutAwayKitchen hides a kitchen, or brings it back.
func (s *Store) PutAwayKitchen(ctx context.Context, id string, away bool) error {
	return s.change(ctx, id, func(tx pgx.Tx) error {
		return one(tx.Exec(ctx, `update kitchen set put_away_at = case when $2 then coalesce(put_away_at, now()) end where id = $1`, id, away))
	})
}

// EraseKitchenAt has a kitchen erased from a moment on, or takes that back with nil.
func (s *Store) EraseKitchenAt(ctx context.Context, id string, at *time.Time) error {
	return s.change(ctx, id, func(tx pgx.Tx) error {
		return one(tx.Exec(ctx, `update kitchen set erase_at = $2 where id = $1`, id, at))
	})
}

// erasing is everything of a kitchen, in the order in which it can go.
var erasing = []string{
	`delete from kitchen_learned where kitchen_id = $1`,
	`delete from try where kitchen_id = $1`,
	`delete from picture where kitchen_id = $1`,
	`delete from picture_data where kitchen_id = $1`,
	`delete from reading_curve where course_id in (select id from course where kitchen_id = $1)`,
	`delete from reading where course_id in (select id from course where kitchen_id = $1)`,
	`delete from course_event where course_id in (select id from course where kitchen_id = $1)`,
	`delete from course where kitchen_id = $1`,
	`delete from practice_call where person_id in (select id from practice_person where kitchen_id = $1)`,
	`delete from practice_sitting where person_id in (select id from practice_person where kitchen_id = $1)`,
	`delete from practice_person where kitchen_id = $1`,
	`delete from supper where kitchen_id = $1`,
	`delete from pantry_item where kitchen_id = $1`,
	`delete from own_food where kitchen_id = $1`,
	`delete from build where kitchen_id = $1`,
	`delete from kitchen where id = $1`,
}

// EraseKitchen erases all of a kitchen now: rows, photos, readings, what it learned, and who may come in.
func (s *Store) EraseKitchen(ctx context.Context, id string) error {
	return pgx.BeginFunc(principal.Server(ctx), s.pool, func(tx pgx.Tx) error {
		// A kitchen may hold millions of readings: that takes longer than a request may.
		if _, err := tx.Exec(ctx, `select set_config('cuerda.erasing', 'on', true), set_config('statement_timeout', '0', true)`); err != nil {
			return err
		}
		if _, err := tx.Exec(ctx, `select from kitchen where id = $1 for update`, id); err != nil {
			return tidy(err)
		}
		if s.objects != nil {
			if _, err := tx.Exec(ctx, `insert into pictures_to_remove (kitchen_id) values ($1) on conflict do nothing`, id); err != nil {
				return err
			}
		}
		for _, statement := range erasing {
			if _, err := tx.Exec(ctx, statement, id); err != nil {
				return err
			}
		}
		return nil
	})
}

// EraseDue erases the kitchens whose time has come, and says which.
func (s *Store) EraseDue(ctx context.Context, now time.Time) ([]string, error) {
	rows, err := s.pool.Query(ctx, `select id::text from kitchen where erase_at <= $1`, now)
	if err != nil {
		return nil, err
	}
	due, err := pgx.CollectRows(rows, pgx.RowTo[string])
	if err != nil {
		return nil, err
	}
	for i, id := range due {
		if err := s.EraseKitchen(ctx, id); err != nil {
			return due[:i], err
		}
	}
	return due, nil
}

// KitchenThere says whether a kitchen is there for whoever asks, and what they are in it: strangers get ErrNotFound as
// if it had never been. One that is to be erased is there for its owners alone.
func (s *Store) KitchenThere(ctx context.Context, id string) (role principal.Role, err error) {
	err = s.pool.QueryRow(ctx, `select cuerda_role() from kitchen where id = $1 and cuerda_role() is not null
		and (erase_at is null or cuerda_role() = 'owner')`, id).Scan(&role)
	return role, tidy(err)
}

// RowsOf counts what is left of a kitchen in every table that has a kitchen's rows.
func (s *Store) RowsOf(ctx context.Context, id string) (count int, err error) {
	for _, table := range []string{"kitchen_learned", "try", "picture", "picture_data", "course", "practice_person", "supper", "pantry_item", "own_food", "build", "member", "device", "invitation", "link", "journal"} {
		var n int
		if err := s.pool.QueryRow(ctx, `select count(*) from `+table+` where kitchen_id = $1`, id).Scan(&n); err != nil {
			return count, tidy(err)
		}
		count += n
	}
	return count, nil
}
