package store

import (
	"context"
	"errors"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/internal/principal"
)

// Member is somebody in a kitchen.
type Member struct {
	Account  string         `json:"account"`
	Name     string         `json:"name"`
	Role     principal.Role `json:"role" enum:"owner,cook,guest"`
	JoinedAt time.Time      `json:"joined_at"`
}

// Members lists who is in a kitchen, owners first.
func (s *Store) Members(ctx context.Context, kitchen string) ([]Member, error) {
	rows, err := s.pool.Query(ctx, `select m.account_id::text, a.name, m.role, m.joined_at from member m join account a on a.id = m.account_id
		where m.kitchen_id = $1 order by m.role <> 'owner', m.role, a.key`, kitchen)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (m Member, err error) {
		err = row.Scan(&m.Account, &m.Name, &m.Role, &m.JoinedAt)
		return m, err
	})
}

// SetMember gives somebody in a kitchen another role; "" takes them out of it. The last owner stays one: ErrLastOwner.
func (s *Store) SetMember(ctx context.Context, kitchen, account string, role principal.Role) error {
	return s.change(ctx, kitchen, func(tx pgx.Tx) error {
		var was principal.Role
		var owners int
		if err := tx.QueryRow(ctx, `select role, (select count(*) from member where kitchen_id = $1 and role = 'owner') from member where kitchen_id = $1 and account_id = $2`, kitchen, account).
			Scan(&was, &owners); err != nil {
			return tidy(err)
		}
		if was == principal.Owner && role != principal.Owner && owners == 1 {
			return ErrLastOwner
		}
		if role == "" {
			return one(tx.Exec(ctx, `delete from member where kitchen_id = $1 and account_id = $2`, kitchen, account))
		}
		return one(tx.Exec(ctx, `update member set role = $3 where kitchen_id = $1 and account_id = $2`, kitchen, account, role))
	})
}

// Leave takes an account out of a kitchen at its own wish.
func (s *Store) Leave(ctx context.Context, kitchen, account string) error {
	return s.SetMember(principal.Server(ctx), kitchen, account, "")
}

// Invitation is a link that lets somebody in, once.
type Invitation struct {
	ID        string         `json:"id"`
	Role      principal.Role `json:"role" enum:"owner,cook,guest"`
	MadeAt    time.Time      `json:"made_at"`
	ExpiresAt time.Time      `json:"expires_at"`
	By        string         `json:"by"`
	// Kitchen and KitchenName say where it leads; "" for a new server's first owner.
	Kitchen     string `json:"-"`
	KitchenName string `json:"-"`
}

// Invite keeps an invitation by the hash of its token. Without a kitchen it makes the first owner.
func (s *Store) Invite(ctx context.Context, kitchen string, role principal.Role, hash []byte, until time.Time) (id string, err error) {
	err = s.pool.QueryRow(ctx, `insert into invitation (kitchen_id, role, hash, expires_at, made_by) values (nullif($1, '')::uuid, $2, $3, $4, cuerda_account()) returning id::text`,
		kitchen, role, hash, until).Scan(&id)
	return id, tidy(err)
}

// Invitations lists those of a kitchen that may still be used.
func (s *Store) Invitations(ctx context.Context, kitchen string) ([]Invitation, error) {
	rows, err := s.pool.Query(ctx, `select i.id::text, i.role, i.made_at, i.expires_at, coalesce(a.name, '') from invitation i left join account a on a.id = i.made_by
		where i.kitchen_id = $1 and i.used_at is null and i.ended_at is null and i.expires_at > now() order by i.made_at, i.id`, kitchen)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (i Invitation, err error) {
		err = row.Scan(&i.ID, &i.Role, &i.MadeAt, &i.ExpiresAt, &i.By)
		return i, err
	})
}

// EndInvitation takes one back.
func (s *Store) EndInvitation(ctx context.Context, kitchen, id string) error {
	return one(s.pool.Exec(ctx, `update invitation set ended_at = now() where kitchen_id = $1 and id = $2 and used_at is null and ended_at is null`, kitchen, id))
}

// A link for the first owner is for nobody once somebody can sign in.
const openInvitation = `i.hash = $1 and i.used_at is null and i.ended_at is null and i.expires_at > now()
	and (i.kitchen_id is not null or not exists (select from account where left_at is null and disabled_at is null))`

// FindInvitation gives one that may be used.
func (s *Store) FindInvitation(ctx context.Context, hash []byte) (*Invitation, error) {
	i := &Invitation{}
	err := s.pool.QueryRow(principal.Server(ctx), `select i.id::text, i.role, i.made_at, i.expires_at, coalesce(i.kitchen_id::text, ''), coalesce(k.name, ''), coalesce(a.name, '')
		from invitation i left join kitchen k on k.id = i.kitchen_id left join account a on a.id = i.made_by where `+openInvitation, hash).
		Scan(&i.ID, &i.Role, &i.MadeAt, &i.ExpiresAt, &i.Kitchen, &i.KitchenName, &i.By)
	return i, tidy(err)
}

// ErrMember is of somebody who is in the kitchen already.
var ErrMember = errors.New("already in this kitchen")

// NewAccount is one that is made with an invitation.
type NewAccount struct {
	Name, Key, Passphrase string
	// Codes are recovery codes, as hashes.
	Codes [][]byte
}

// Accept uses an invitation, for an account that there is or for one that is made with it: whole or not at all. It gives
// the account and the kitchen ("" for a server's first owner). ErrNotFound where it cannot be used any more.
func (s *Store) Accept(ctx context.Context, hash []byte, account string, made *NewAccount) (who, kitchen string, err error) {
	err = pgx.BeginFunc(principal.Server(ctx), s.pool, func(tx pgx.Tx) error {
		who = account
		var id string
		var role principal.Role
		if err := tx.QueryRow(ctx, `select i.id::text, i.role, coalesce(i.kitchen_id::text, '') from invitation i where `+openInvitation+` for update`, hash).Scan(&id, &role, &kitchen); err != nil {
			return tidy(err)
		}
		if made != nil {
			var err error
			if who, err = addAccount(ctx, tx, made.Name, made.Key, made.Passphrase); err != nil {
				return err
			}
			if err := setCodes(ctx, tx, who, made.Codes); err != nil {
				return err
			}
		}
		if kitchen != "" {
			tag, err := tx.Exec(ctx, `insert into member (kitchen_id, account_id, role) values ($1, $2, $3) on conflict do nothing`, kitchen, who, role)
			if err != nil {
				return err
			}
			if tag.RowsAffected() == 0 {
				return ErrMember
			}
		} else if _, err := tx.Exec(ctx, `insert into member (kitchen_id, account_id, role)
			select id, $1, 'owner' from kitchen k where not exists (select from member where kitchen_id = k.id) on conflict do nothing`, who); err != nil {
			// The first owner owns what was there before anybody signed in.
			return err
		}
		_, err := tx.Exec(ctx, `update invitation set used_at = now() where id = $1`, id)
		return err
	})
	return who, kitchen, err
}

// Owned says whether anybody at all can sign in and owns a kitchen, or may make one.
func (s *Store) Owned(ctx context.Context) (owned bool, err error) {
	err = s.pool.QueryRow(principal.Server(ctx), `select exists (select from account where left_at is null and disabled_at is null)`).Scan(&owned)
	return owned, err
}

// TakeOver has an account own the kitchens that nobody is in: those that were there before anybody signed in.
func (s *Store) TakeOver(ctx context.Context, account string) error {
	_, err := s.pool.Exec(principal.Server(ctx), `insert into member (kitchen_id, account_id, role)
		select id, $1, 'owner' from kitchen k where not exists (select from member where kitchen_id = k.id) on conflict do nothing`, account)
	return err
}

// JournalEntry is a line of the journal.
type JournalEntry struct {
	Seq     int64     `json:"seq"`
	At      time.Time `json:"at"`
	What    string    `json:"what"`
	Who     string    `json:"who"`
	About   string    `json:"about"`
	Address string    `json:"address"`
}

// Journal writes down what somebody did that owners should know of. Either ID may be "".
func (s *Store) Journal(ctx context.Context, kitchen, account, what, about, address string) error {
	_, err := s.pool.Exec(principal.Server(ctx), `insert into journal (kitchen_id, account_id, what, about, address) values (nullif($1, '')::uuid, nullif($2, '')::uuid, $3, left($4, 200), $5)`,
		kitchen, account, what, about, address)
	return err
}

const mostJournal = 500

// JournalOf lists what was written down of a kitchen, and of how its people signed in, the newest first.
func (s *Store) JournalOf(ctx context.Context, kitchen string) ([]JournalEntry, error) {
	rows, err := s.pool.Query(ctx, `select j.seq, j.at, j.what, coalesce(a.name, ''), j.about, j.address from journal j left join account a on a.id = j.account_id
		where j.kitchen_id = $1 or j.kitchen_id is null and j.account_id in (select account_id from member where kitchen_id = $1) order by j.seq desc limit $2`, kitchen, mostJournal)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, pgx.RowToStructByPos[JournalEntry])
}

// Failed counts the sign-ins of an account that failed since a moment.
func (s *Store) Failed(ctx context.Context, account string, since time.Time) (count int, err error) {
	err = s.pool.QueryRow(principal.Server(ctx), `select count(*) from journal where account_id = $1 and what = 'sign-in-failed' and at > $2`, account, since).Scan(&count)
	return count, err
}
