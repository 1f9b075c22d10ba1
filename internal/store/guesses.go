package store

import (
	"context"
	"crypto/sha256"
	"errors"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/internal/principal"
)

// Guesses hold whoever guesses to few tries that go wrong, by whatever they are counted by: an address, a name. They are
// counted in the database, for all servers together.
type Guesses struct {
	store *Store
	name  string
	burst int
	every time.Duration
}

// Guesses lets so many tries go wrong at once, and one more in each stretch of time. name tells them from others.
func (s *Store) Guesses(name string, burst int, every time.Duration) *Guesses {
	return &Guesses{s, name, burst, every}
}

func (g *Guesses) key(of string) []byte {
	sum := sha256.Sum256([]byte(g.name + "\x00" + of))
	return sum[:]
}

// Try counts a try before it is looked at, so that many at once are no more than one after another. Where there were too many
// it counts nothing, and says how long to wait.
func (g *Guesses) Try(ctx context.Context, of string) (wait time.Duration, err error) {
	ctx = principal.Server(ctx)
	tag, err := g.store.pool.Exec(ctx, `insert into guess as g (key, full_at) values ($1, now() + $2::interval)
		on conflict (key) do update set full_at = greatest(g.full_at, now()) + $2::interval
		where greatest(g.full_at, now()) + $2::interval <= now() + $3::interval`, g.key(of), g.every, time.Duration(g.burst)*g.every)
	if err != nil || tag.RowsAffected() > 0 {
		return 0, err
	}
	var left float64 // until the bucket is full, s
	err = g.store.pool.QueryRow(ctx, `select extract(epoch from full_at - now())::float8 from guess where key = $1`, g.key(of)).Scan(&left)
	if errors.Is(err, pgx.ErrNoRows) {
		return time.Millisecond, nil // it was let go of meanwhile
	}
	// One more fits where the bucket is full again within the time of all but one.
	return max(time.Millisecond, time.Duration(left*float64(time.Second))-time.Duration(g.burst-1)*g.every), err
}

// Right takes back that a try was counted: it was no guess.
func (g *Guesses) Right(ctx context.Context, of string) error {
	_, err := g.store.pool.Exec(principal.Server(ctx), `update guess set full_at = full_at - $2::interval where key = $1`, g.key(of), g.every)
	return err
}

// ForgetGuesses lets go of what is full again.
func (s *Store) ForgetGuesses(ctx context.Context) error {
	_, err := s.pool.Exec(principal.Server(ctx), `delete from guess where full_at < now()`)
	return err
}
