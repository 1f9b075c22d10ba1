package store

import (
	"context"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgxpool"
	"github.com/riverqueue/river/riverdriver/riverpgxv5"
	"github.com/riverqueue/river/rivermigrate"
)

// jobConnections is how many connections the work in the background may hold: one hears of new jobs, one takes and ends
// them, and the others hold locks of what is worked on.
const jobConnections = 6

// Jobs are the connections for work in the background, beside those that requests are answered with.
func (s *Store) Jobs() *pgxpool.Pool { return s.jobs }

// migrateJobs brings the tables of the queue up to date. Several programs may do so at once.
func migrateJobs(ctx context.Context, pool *pgxpool.Pool) error {
	migrator, err := rivermigrate.New(riverpgxv5.New(pool), nil)
	if err != nil {
		return err
	}
	conn, err := pool.Acquire(ctx)
	if err != nil {
		return err
	}
	defer conn.Release()
	// Each of River's migrations is a transaction of its own: the lock is the connection's.
	if _, err := conn.Exec(ctx, `select pg_advisory_lock(hashtext('migrate_jobs'))`); err != nil {
		return err
	}
	_, err = migrator.Migrate(ctx, rivermigrate.DirectionUp, nil)
	if _, unlock := conn.Exec(ctx, `select pg_advisory_unlock(hashtext('migrate_jobs'))`); err == nil {
		err = unlock
	}
	return err
}

// Alone waits until no other program, nor any other part of this one, works on what has that name, and keeps them off it
// until done.
func (s *Store) Alone(ctx context.Context, name string) (done func(), err error) {
	conn, err := s.jobs.Acquire(ctx)
	if err != nil {
		return nil, err
	}
	// A lock may be waited for as long as whoever asks has time.
	if _, err = conn.Exec(ctx, `set lock_timeout = 0; set statement_timeout = 0`); err == nil {
		_, err = conn.Exec(ctx, `select pg_advisory_lock(hashtextextended($1, 0))`, name)
	}
	if err != nil {
		s.giveBack(conn)
		return nil, err
	}
	return func() { s.giveBack(conn) }, nil
}

// giveBack ends the connection rather than give it to somebody else with a lock on it.
func (s *Store) giveBack(conn *pgxpool.Conn) {
	ctx, stop := context.WithTimeout(context.Background(), time.Second)
	defer stop()
	if _, err := conn.Exec(ctx, `select pg_advisory_unlock_all(); reset lock_timeout; reset statement_timeout`); err != nil {
		_ = conn.Conn().Close(ctx)
	}
	conn.Release()
}

// Lesson is a kitchen that is to learn, of its tries at that revision.
type Lesson struct {
	Kitchen  string
	Revision int64
}

// StaleLessons gives kitchens whose tries say more than was learned of them, or learned by another version of the model; at
// most limit of them.
func (s *Store) StaleLessons(ctx context.Context, model string, limit int) ([]Lesson, error) {
	rows, err := s.pool.Query(ctx, `select k.id::text, k.tries_revision from kitchen k left join kitchen_learned l on l.kitchen_id = k.id
		where k.tries_revision > 0 and (l.kitchen_id is null or l.of_revision <> k.tries_revision or l.model <> $1) order by coalesce(l.model, $1) <> $1, k.id limit $2`, model, limit)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, pgx.RowToStructByPos[Lesson])
}

// CountStaleLessons says how many kitchens StaleLessons would give.
func (s *Store) CountStaleLessons(ctx context.Context, model string) (count int, err error) {
	err = s.pool.QueryRow(ctx, `select count(*) from kitchen k left join kitchen_learned l on l.kitchen_id = k.id
		where k.tries_revision > 0 and (l.kitchen_id is null or l.of_revision <> k.tries_revision or l.model <> $1)`, model).Scan(&count)
	return count, err
}
