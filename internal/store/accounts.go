package store

import (
	"context"
	"errors"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/jackc/pgx/v5/pgtype"

	"cuerda/internal/principal"
)

// Account is somebody who signs in.
type Account struct {
	ID, Name string
	// Passphrase is as Argon2id writes it; "" for none.
	Passphrase string
	CreatedAt  time.Time
	DisabledAt *time.Time
}

// ErrNameTaken is of a name that another account has.
var ErrNameTaken = errors.New("another account has this name")

// AddAccount makes one. key is the name as it is compared; passphrase is as Argon2id writes it.
func (s *Store) AddAccount(ctx context.Context, name, key, passphrase string) (id string, err error) {
	err = pgx.BeginFunc(principal.Server(ctx), s.pool, func(tx pgx.Tx) error {
		id, err = addAccount(ctx, tx, name, key, passphrase)
		return err
	})
	return id, err
}

func addAccount(ctx context.Context, tx pgx.Tx, name, key, passphrase string) (id string, err error) {
	err = tx.QueryRow(ctx, `insert into account (name, key, passphrase) values ($1, $2, nullif($3, '')) returning id::text`, name, key, passphrase).Scan(&id)
	var pg *pgconn.PgError
	if errors.As(err, &pg) && pg.Code == "23505" {
		return "", ErrNameTaken
	}
	return id, err
}

const accountColumns = `id::text, name, coalesce(passphrase, ''), created_at, disabled_at`

func accountRow(row pgx.CollectableRow) (a Account, err error) {
	err = row.Scan(&a.ID, &a.Name, &a.Passphrase, &a.CreatedAt, &a.DisabledAt)
	return a, err
}

func (s *Store) account(ctx context.Context, where string, arg any) (*Account, error) {
	rows, err := s.pool.Query(principal.Server(ctx), `select `+accountColumns+` from account where left_at is null and `+where, arg)
	if err != nil {
		return nil, err
	}
	a, err := pgx.CollectExactlyOneRow(rows, accountRow)
	return &a, tidy(err)
}

// AccountByKey finds who has a name, and Account who has an ID; ErrNotFound where nobody does, or they left.
func (s *Store) AccountByKey(ctx context.Context, key string) (*Account, error) {
	return s.account(ctx, `key = $1`, key)
}

// Account finds somebody by ID.
func (s *Store) Account(ctx context.Context, id string) (*Account, error) {
	return s.account(ctx, `id = $1`, id)
}

// Accounts lists everybody who signs in, by name.
func (s *Store) Accounts(ctx context.Context) ([]Account, error) {
	rows, err := s.pool.Query(principal.Server(ctx), `select `+accountColumns+` from account where left_at is null order by key`)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, accountRow)
}

// SetPassphrase gives an account another passphrase, and ends all its visits but one.
func (s *Store) SetPassphrase(ctx context.Context, account, passphrase, butVisit string) error {
	return pgx.BeginFunc(principal.Server(ctx), s.pool, func(tx pgx.Tx) error {
		if err := one(tx.Exec(ctx, `update account set passphrase = $2, disabled_at = null where id = $1 and left_at is null`, account, passphrase)); err != nil {
			return err
		}
		_, err := tx.Exec(ctx, `update visit set ended_at = now() where account_id = $1 and ended_at is null and id::text <> $2`, account, butVisit)
		return err
	})
}

// DisableAccount keeps somebody out, and ends their visits.
func (s *Store) DisableAccount(ctx context.Context, account string) error {
	return pgx.BeginFunc(principal.Server(ctx), s.pool, func(tx pgx.Tx) error {
		if err := one(tx.Exec(ctx, `update account set disabled_at = now() where id = $1 and left_at is null`, account)); err != nil {
			return err
		}
		_, err := tx.Exec(ctx, `update visit set ended_at = now() where account_id = $1 and ended_at is null`, account)
		return err
	})
}

// ErrLastOwner is of the last owner of a kitchen, who stays.
var ErrLastOwner = errors.New("a kitchen keeps at least one owner")

// EraseAccount takes name, passphrase, passkeys, codes, visits and memberships away; what they did in kitchens stays, done
// by somebody who left. Whoever is the last owner of a kitchen where others are cannot leave it: ErrLastOwner.
func (s *Store) EraseAccount(ctx context.Context, account string) error {
	return pgx.BeginFunc(principal.Server(ctx), s.pool, func(tx pgx.Tx) error {
		// Owners of the same kitchen leave one after another.
		if _, err := tx.Exec(ctx, `select from kitchen where id in (select kitchen_id from member where account_id = $1) order by id for no key update`, account); err != nil {
			return err
		}
		var last bool
		if err := tx.QueryRow(ctx, `select exists (select from member m where m.account_id = $1 and m.role = 'owner'
			and not exists (select from member o where o.kitchen_id = m.kitchen_id and o.role = 'owner' and o.account_id <> $1)
			and exists (select from member o where o.kitchen_id = m.kitchen_id and o.account_id <> $1))`, account).Scan(&last); err != nil {
			return err
		}
		if last {
			return ErrLastOwner
		}
		// A kitchen that nobody else is in goes with them, in seven days.
		if _, err := tx.Exec(ctx, `update kitchen set erase_at = coalesce(erase_at, now() + interval '7 days') where id in (select kitchen_id from member where account_id = $1)
			and not exists (select from member o where o.kitchen_id = kitchen.id and o.account_id <> $1)`, account); err != nil {
			return err
		}
		for _, statement := range []string{
			`delete from passkey where account_id = $1`, `delete from recovery_code where account_id = $1`, `delete from visit where account_id = $1`,
			`delete from member where account_id = $1`, `update journal set about = '', address = '' where account_id = $1`,
		} {
			if _, err := tx.Exec(ctx, statement, account); err != nil {
				return err
			}
		}
		return one(tx.Exec(ctx, `update account set name = '', key = null, passphrase = null, left_at = now() where id = $1 and left_at is null`, account))
	})
}

// SetRecoveryCodes puts codes, as hashes, in place of those before.
func (s *Store) SetRecoveryCodes(ctx context.Context, account string, hashes [][]byte) error {
	return pgx.BeginFunc(principal.Server(ctx), s.pool, func(tx pgx.Tx) error {
		return setCodes(ctx, tx, account, hashes)
	})
}

func setCodes(ctx context.Context, tx pgx.Tx, account string, hashes [][]byte) error {
	if _, err := tx.Exec(ctx, `delete from recovery_code where account_id = $1`, account); err != nil {
		return err
	}
	for _, hash := range hashes {
		if _, err := tx.Exec(ctx, `insert into recovery_code (hash, account_id) values ($1, $2)`, hash, account); err != nil {
			return err
		}
	}
	return nil
}

// CameFrom says whether somebody has signed in from an address in the last months.
func (s *Store) CameFrom(ctx context.Context, account, address string) (came bool, err error) {
	err = s.pool.QueryRow(principal.Server(ctx), `select exists (select from journal where account_id = $1 and what = 'signed-in' and address = $2 and at > now() - interval '90 days')`, account, address).Scan(&came)
	return came, tidy(err)
}

// UseRecoveryCode takes a code of an account away, and says whether it was one.
func (s *Store) UseRecoveryCode(ctx context.Context, account string, hash []byte) (bool, error) {
	tag, err := s.pool.Exec(principal.Server(ctx), `delete from recovery_code where account_id = $1 and hash = $2`, account, hash)
	return tag.RowsAffected() == 1, tidy(err)
}

// Visit is a browser that somebody signed in with, or a device.
type Visit struct {
	ID       string    `json:"id"`
	Agent    string    `json:"agent"`
	BeganAt  time.Time `json:"began_at"`
	SeenAt   time.Time `json:"seen_at"`
	ProvedAt time.Time `json:"-"`
	// Account and Name are of who signed in; Device and Kitchen of a device.
	Account string `json:"-"`
	Name    string `json:"-"`
	Device  string `json:"-"`
	Kitchen string `json:"-"`
}

// BeginVisit keeps that an account or a device came in.
func (s *Store) BeginVisit(ctx context.Context, account, device, agent string) (id string, err error) {
	err = s.pool.QueryRow(principal.Server(ctx), `insert into visit (account_id, device_id, agent) values (nullif($1, '')::uuid, nullif($2, '')::uuid, left($3, 300)) returning id::text`,
		account, device, agent).Scan(&id)
	return id, tidy(err)
}

// FindVisit gives a visit that goes on, of somebody who may come in.
func (s *Store) FindVisit(ctx context.Context, id string) (*Visit, error) {
	v := &Visit{ID: id}
	var account, name, device, kitchen pgtype.Text
	err := s.pool.QueryRow(principal.Server(ctx), `select v.agent, v.began_at, v.seen_at, v.proved_at, a.id::text, a.name, d.id::text, d.kitchen_id::text
		from visit v left join account a on a.id = v.account_id and a.disabled_at is null and a.left_at is null
		left join device d on d.id = v.device_id and d.ended_at is null
		where v.id = $1 and v.ended_at is null and (a.id is not null or d.id is not null)`, id).
		Scan(&v.Agent, &v.BeganAt, &v.SeenAt, &v.ProvedAt, &account, &name, &device, &kitchen)
	v.Account, v.Name, v.Device, v.Kitchen = account.String, name.String, device.String, kitchen.String
	return v, tidy(err)
}

// SeeVisit keeps when a visit was last seen; ProveVisit that who it is was asked for again.
func (s *Store) SeeVisit(ctx context.Context, id string) error {
	_, err := s.pool.Exec(principal.Server(ctx), `update visit set seen_at = now() where id = $1`, id)
	return err
}

// ProveVisit keeps that who it is was asked for again.
func (s *Store) ProveVisit(ctx context.Context, id string) error {
	return one(s.pool.Exec(principal.Server(ctx), `update visit set proved_at = now() where id = $1 and ended_at is null`, id))
}

// Visits lists those of an account that go on, the one seen last first.
func (s *Store) Visits(ctx context.Context, account string) ([]Visit, error) {
	rows, err := s.pool.Query(ctx, `select id::text, agent, began_at, seen_at from visit where account_id = $1 and ended_at is null order by seen_at desc, id`, account)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (v Visit, err error) {
		err = row.Scan(&v.ID, &v.Agent, &v.BeganAt, &v.SeenAt)
		return v, err
	})
}

// EndVisit ends one of an account's, or of a device's.
func (s *Store) EndVisit(ctx context.Context, account, id string) error {
	return one(s.pool.Exec(principal.Server(ctx), `update visit set ended_at = coalesce(ended_at, now()) where id = $1 and coalesce(account_id::text, '') = $2`, id, account))
}

// ForgetProofs has everybody asked again who they are before they change who may come in.
func (s *Store) ForgetProofs(ctx context.Context) error {
	_, err := s.pool.Exec(principal.Server(ctx), `update visit set proved_at = proved_at - interval '1 day'`)
	return err
}

// CountOf says how many recovery codes an account has, and in how many kitchens it is.
func (s *Store) CountOf(ctx context.Context, account string) (codes, kitchens int, err error) {
	err = s.pool.QueryRow(principal.Server(ctx), `select (select count(*) from recovery_code where account_id = $1), (select count(*) from member where account_id = $1)`, account).Scan(&codes, &kitchens)
	return codes, kitchens, tidy(err)
}
