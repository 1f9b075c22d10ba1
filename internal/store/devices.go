package store

import (
	"context"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/internal/principal"
)

// Device is one of a kitchen's, at the stove.
type Device struct {
	ID       string    `json:"id"`
	Name     string    `json:"name"`
	PairedAt time.Time `json:"paired_at"`
	SeenAt   time.Time `json:"seen_at"`
}

// wrongCodes is how many wrong codes end every code that is open: with a million of them and three tries, somebody who
// guesses gets in three times in a million.
const wrongCodes = 3

// OpenPairing keeps a code, by its hash, that lets one device into a kitchen; it ends the one before it.
func (s *Store) OpenPairing(ctx context.Context, kitchen string, hash []byte, until time.Time) error {
	return s.change(ctx, kitchen, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, `delete from pairing where kitchen_id = $1`, kitchen); err != nil {
			return err
		}
		_, err := tx.Exec(ctx, `insert into pairing (hash, kitchen_id, expires_at) values ($1, $2, $3)`, hash, kitchen, until)
		return err
	})
}

// Pair uses a code and gives the new device. A code that is none counts against all that are open: ErrNotFound.
func (s *Store) Pair(ctx context.Context, hash []byte, name string) (device, kitchen string, err error) {
	ctx = principal.Server(ctx)
	found := false
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		err := tx.QueryRow(ctx, `delete from pairing where hash = $1 and expires_at > now() and wrong < $2 returning kitchen_id::text`, hash, wrongCodes).Scan(&kitchen)
		if err = tidy(err); err == ErrNotFound {
			_, err := tx.Exec(ctx, `update pairing set wrong = wrong + 1 where expires_at > now()`)
			return err
		}
		if err != nil {
			return err
		}
		found = true
		return tx.QueryRow(ctx, `insert into device (kitchen_id, name) values ($1, $2) returning id::text`, kitchen, name).Scan(&device)
	})
	if err == nil && !found {
		err = ErrNotFound
	}
	return device, kitchen, err
}

// OpenPairings lists the kitchens that have a code open.
func (s *Store) OpenPairings(ctx context.Context) ([]string, error) {
	rows, err := s.pool.Query(principal.Server(ctx), `select kitchen_id::text from pairing where expires_at > now()`)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, pgx.RowTo[string])
}

// Devices lists those of a kitchen that may come in.
func (s *Store) Devices(ctx context.Context, kitchen string) ([]Device, error) {
	rows, err := s.pool.Query(ctx, `select d.id::text, d.name, d.paired_at, coalesce((select max(seen_at) from visit where device_id = d.id), d.paired_at)
		from device d where d.kitchen_id = $1 and d.ended_at is null order by d.paired_at, d.id`, kitchen)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, pgx.RowToStructByPos[Device])
}

// EndDevice keeps a device out from now on.
func (s *Store) EndDevice(ctx context.Context, kitchen, id string) error {
	return one(s.pool.Exec(ctx, `update device set ended_at = now() where kitchen_id = $1 and id = $2 and ended_at is null`, kitchen, id))
}

// Link lets whoever has it read one build, until a day.
type Link struct {
	ID        string    `json:"id"`
	Build     string    `json:"build"`
	BuildName string    `json:"build_name"`
	MadeAt    time.Time `json:"made_at"`
	ExpiresAt time.Time `json:"expires_at"`
	By        string    `json:"by"`
}

// MakeLink keeps a link to a build by the hash of its token.
func (s *Store) MakeLink(ctx context.Context, kitchen, build string, hash []byte, until time.Time) (id string, err error) {
	err = s.pool.QueryRow(ctx, `insert into link (kitchen_id, build_id, hash, expires_at, made_by) select b.kitchen_id, b.id, $3, $4, cuerda_account() from build b
		where b.kitchen_id = $1 and b.id = $2 and b.deleted_at is null returning id::text`, kitchen, build, hash, until).Scan(&id)
	return id, tidy(err)
}

// Links lists those of a kitchen that lead somewhere.
func (s *Store) Links(ctx context.Context, kitchen string) ([]Link, error) {
	rows, err := s.pool.Query(ctx, `select l.id::text, l.build_id::text, b.name, l.made_at, l.expires_at, coalesce(a.name, '') from link l join build b on b.id = l.build_id
		left join account a on a.id = l.made_by where l.kitchen_id = $1 and l.ended_at is null and l.expires_at > now() order by l.made_at, l.id`, kitchen)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, pgx.RowToStructByPos[Link])
}

// EndLink takes one back.
func (s *Store) EndLink(ctx context.Context, kitchen, id string) error {
	return one(s.pool.Exec(ctx, `update link set ended_at = now() where kitchen_id = $1 and id = $2 and ended_at is null`, kitchen, id))
}

// FollowLink gives the kitchen and the build that a link leads to.
func (s *Store) FollowLink(ctx context.Context, hash []byte) (kitchen, build string, err error) {
	err = s.pool.QueryRow(principal.Server(ctx), `select l.kitchen_id::text, l.build_id::text from link l join build b on b.id = l.build_id join kitchen k on k.id = l.kitchen_id
		where l.hash = $1 and l.ended_at is null and l.expires_at > now() and b.deleted_at is null and k.erase_at is null`, hash).Scan(&kitchen, &build)
	return kitchen, build, tidy(err)
}
