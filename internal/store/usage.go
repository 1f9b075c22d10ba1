package store

import "context"

// Usage is how much of a server a kitchen takes.
type Usage struct {
	PhotoBytes int64 `json:"photo_bytes"`
	Readings   int64 `json:"readings"`
	Events     int64 `json:"events"`
	Versions   int64 `json:"versions"`
	Tries      int64 `json:"tries"`
}

// UsageOf counts what a kitchen has. Readings and events are counted by their numbers, versions by those of their builds: none
// is read for it.
func (s *Store) UsageOf(ctx context.Context, kitchen string) (u Usage, err error) {
	err = s.pool.QueryRow(ctx, `select
		(select coalesce(sum(size), 0) from picture where kitchen_id = $1),
		(select coalesce(sum(reading_seq), 0)::bigint from course where kitchen_id = $1),
		(select coalesce(sum(seq), 0)::bigint from course where kitchen_id = $1),
		(select coalesce(sum(version), 0) from build where kitchen_id = $1),
		(select count(*) from try where kitchen_id = $1 and deleted_at is null)`, kitchen).Scan(&u.PhotoBytes, &u.Readings, &u.Events, &u.Versions, &u.Tries)
	return u, tidy(err)
}
