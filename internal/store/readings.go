package store

import (
	"context"
	"errors"
	"maps"
	"slices"
	"strings"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/core/cooking"
)

// CourseReading is a reading of a probe.
type CourseReading struct {
	Source, Place string
	Dish          int
	At            time.Time
	Celsius       float64
}

// KeptReadings says between which numbers readings of a course were kept: after From, up to To. Of a cooking so old that
// its readings have become curves (see ThinReadings) nothing more is kept.
type KeptReadings struct {
	From, To int64
	// Fresh says of each, in the order in which they were given, whether it was not there before.
	Fresh []bool
}

// AddReadings keeps readings of several courses at once, each once, and gives how many were new, and their
// numbers by course. What comes back has been kept.
func (s *Store) AddReadings(ctx context.Context, byCourse map[string][]CourseReading) (fresh int, kept map[string]KeptReadings, err error) {
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		fresh, kept, err = addReadings(ctx, tx, byCourse)
		return err
	})
	return fresh, kept, tidy(err)
}

func addReadings(ctx context.Context, tx pgx.Tx, byCourse map[string][]CourseReading) (fresh int, kept map[string]KeptReadings, err error) {
	// Rows of courses are locked in one order, by whichever server.
	ids := slices.Sorted(maps.Keys(byCourse))
	counts := make([]int64, len(ids))
	for i, id := range ids {
		counts[i] = int64(len(byCourse[id]))
	}
	kept = make(map[string]KeptReadings, len(ids))
	months := make([]time.Time, len(ids))
	var numbered pgx.Batch
	for i, id := range ids {
		numbered.Queue(`update course set reading_seq = reading_seq + case when thinned_at is null then $2 else 0 end where id = $1 returning reading_seq, readings_month, thinned_at is not null`,
			id, counts[i]).QueryRow(func(row pgx.Row) error {
			var to int64
			var thinned bool
			err := row.Scan(&to, &months[i], &thinned)
			from := to
			if !thinned {
				from = to - counts[i]
			}
			kept[id] = KeptReadings{from, to, make([]bool, counts[i])}
			return err
		})
	}
	if err := tx.SendBatch(ctx, &numbered).Close(); err != nil {
		return 0, nil, tidy(err)
	}
	var of, sources, places []string
	var dishes []int32
	var seqs []int64
	var at, in []time.Time
	var celsius []float64
	for c, id := range ids {
		if kept[id].From == kept[id].To {
			continue // its readings have become curves
		}
		for i, r := range byCourse[id] {
			in = append(in, months[c])
			of, seqs = append(of, id), append(seqs, kept[id].From+int64(i)+1)
			sources, places, dishes = append(sources, r.Source), append(places, r.Place), append(dishes, int32(r.Dish))
			at, celsius = append(at, r.At), append(celsius, r.Celsius)
		}
	}
	rows, err := tx.Query(ctx, `insert into reading (course_id, source, place, dish, at, celsius, seq, month)
		select * from unnest($1::uuid[], $2::text[], $3::text[], $4::int[], $5::timestamptz[], $6::float8[], $7::bigint[], $8::date[]) on conflict do nothing
		returning course_id::text, seq`, of, sources, places, dishes, at, celsius, seqs, in)
	if err != nil {
		return 0, nil, tidy(err)
	}
	var id string
	var seq int64
	_, err = pgx.ForEachRow(rows, []any{&id, &seq}, func() error {
		kept[id].Fresh[seq-kept[id].From-1] = true
		fresh++
		return nil
	})
	return fresh, kept, tidy(err)
}

// readingsOf is where the readings of a course lie: among all readings, or in its curves.
func readingsOf(ctx context.Context, db reader, id string) (table string, err error) {
	var thinned bool
	if err := db.QueryRow(ctx, `select thinned_at is not null from course where id = $1`, id).Scan(&thinned); err != nil && !errors.Is(err, pgx.ErrNoRows) {
		return "", tidy(err)
	}
	if thinned {
		return `(select course_id, source, place, dish, p.at, p.celsius from reading_curve c, unnest(c.at, c.celsius) p (at, celsius)) r`, nil
	}
	return `reading`, nil
}

// Readings gives those of a course in the order of their time.
func (s *Store) Readings(ctx context.Context, id string) ([]CourseReading, error) {
	return allReadings(ctx, s.pool, id)
}

func allReadings(ctx context.Context, db reader, id string) ([]CourseReading, error) {
	table, err := readingsOf(ctx, db, id)
	if err != nil {
		return nil, err
	}
	rows, err := db.Query(ctx, `select source, place, dish, at, celsius from `+table+` where course_id = $1 order by at, source, place, dish`, id)
	if err != nil {
		return nil, tidy(err)
	}
	out, err := pgx.CollectRows(rows, readingRow)
	return out, tidy(err)
}

// ReadingsAfter gives the readings of a course after that number, in the order in which they were kept.
func (s *Store) ReadingsAfter(ctx context.Context, id string, after int64) ([]CourseReading, error) {
	rows, err := s.pool.Query(ctx, `select source, place, dish, at, celsius from reading where course_id = $1 and seq > $2 order by seq`, id, after)
	if err != nil {
		return nil, tidy(err)
	}
	out, err := pgx.CollectRows(rows, readingRow)
	return out, tidy(err)
}

// SparseReadings gives the readings of a course that a forecast goes by: of each place of a dish the first in
// every so many milliseconds of the clock, and the last of all.
func (s *Store) SparseReadings(ctx context.Context, id string, everyMillis int64) ([]CourseReading, error) {
	table, err := readingsOf(ctx, s.pool, id)
	if err != nil {
		return nil, err
	}
	rows, err := s.pool.Query(ctx, `(select distinct on (place, dish, floor(extract(epoch from at) * 1000 / $2)) source, place, dish, at, celsius from `+table+`
			where course_id = $1 order by place, dish, floor(extract(epoch from at) * 1000 / $2), at, source)
		union (select distinct on (place, dish) source, place, dish, at, celsius from `+table+` where course_id = $1 order by place, dish, at desc, source)`, id, everyMillis)
	if err != nil {
		return nil, tidy(err)
	}
	out, err := pgx.CollectRows(rows, readingRow)
	return out, tidy(err)
}

// haveMonths makes the partitions that readings of a cooking go into which begins now.
const haveMonths = `select have_reading_months()`

// PointsOfCurve is how many points are left of a probe's readings in an old cooking.
const PointsOfCurve = 200

// thinnedAtOnce is how many cookings become curves before the others are looked for again.
const thinnedAtOnce = 100

// ThinReadings has the readings of cookings that were begun here before a moment become curves of PointsOfCurve points for
// each probe, and drops the months of readings that nothing is left to be read in. It says how many cookings it thinned.
// Several programs may do so at once.
func (s *Store) ThinReadings(ctx context.Context, before time.Time) (thinned int, err error) {
	for {
		rows, err := s.pool.Query(ctx, `select id::text from course where thinned_at is null and created_at < $1 order by created_at limit $2`, before, thinnedAtOnce)
		if err != nil {
			return thinned, err
		}
		ids, err := pgx.CollectRows(rows, pgx.RowTo[string])
		if err != nil {
			return thinned, err
		}
		for _, id := range ids {
			if err := s.thin(ctx, id); err != nil {
				return thinned, err
			}
			thinned++
		}
		if len(ids) < thinnedAtOnce {
			return thinned, s.dropMonths(ctx, before)
		}
	}
}

// thin makes curves of the readings of a course.
func (s *Store) thin(ctx context.Context, id string) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		var done bool
		// Whoever adds readings holds the row too.
		if err := tx.QueryRow(ctx, `select thinned_at is not null from course where id = $1 for no key update`, id).Scan(&done); err != nil || done {
			if errors.Is(err, pgx.ErrNoRows) {
				return nil // erased meanwhile
			}
			return err
		}
		rows, err := tx.Query(ctx, `select source, place, dish, at, celsius from reading where course_id = $1 order by source, place, dish, at`, id)
		if err != nil {
			return err
		}
		all, err := pgx.CollectRows(rows, readingRow)
		if err != nil {
			return err
		}
		for len(all) > 0 {
			n := slices.IndexFunc(all, func(r CourseReading) bool {
				return r.Source != all[0].Source || r.Place != all[0].Place || r.Dish != all[0].Dish
			})
			if n < 0 {
				n = len(all)
			}
			at, celsius := curveOf(all[:n])
			if _, err := tx.Exec(ctx, `insert into reading_curve (course_id, source, place, dish, at, celsius) values ($1, $2, $3, $4, $5, $6)`,
				id, all[0].Source, all[0].Place, all[0].Dish, at, celsius); err != nil {
				return err
			}
			all = all[n:]
		}
		_, err = tx.Exec(ctx, `update course set thinned_at = now() where id = $1`, id)
		return err
	})
}

func curveOf(all []CourseReading) (at []time.Time, celsius []float64) {
	points := make([]cooking.Reading, len(all))
	for i, r := range all {
		points[i] = cooking.Reading{At: r.At, Celsius: r.Celsius}
	}
	for _, i := range cooking.Thin(points, PointsOfCurve) {
		at, celsius = append(at, all[i].At), append(celsius, all[i].Celsius)
	}
	return at, celsius
}

// dropMonths drops the partitions of readings in which none is left that is not in a curve. A month is first taken out of
// the whole without holding up who reads or writes (detach concurrently), which is done outside of a transaction.
func (s *Store) dropMonths(ctx context.Context, before time.Time) error {
	conn, err := s.owner(ctx)
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	// One program at a time: the others leave it to that one.
	var mine bool
	if err := conn.QueryRow(ctx, `select pg_try_advisory_lock(hashtext('drop_reading_months'))`).Scan(&mine); err != nil || !mine {
		return err
	}
	rows, err := conn.Query(ctx, `select c.relname, pg_get_expr(c.relpartbound, c.oid) is null or i.inhdetachpending from pg_class c left join pg_inherits i on i.inhrelid = c.oid
		where c.relname ~ '^reading_[0-9]{4}_[0-9]{2}$' and c.relkind = 'r' and pg_table_is_visible(c.oid)
			and to_date(right(c.relname, 7), 'YYYY_MM') + interval '1 month' <= $1::timestamptz at time zone 'UTC'
			and not exists (select from course where thinned_at is null and readings_month = to_date(right(c.relname, 7), 'YYYY_MM'))
		order by c.relname`, before)
	if err != nil {
		return err
	}
	type month struct {
		Table     string
		Detaching bool // a detaching was begun that was broken off, or done without the dropping
	}
	months, err := pgx.CollectRows(rows, pgx.RowToStructByPos[month])
	if err != nil {
		return err
	}
	for _, m := range months {
		table := pgx.Identifier{m.Table}.Sanitize()
		detach := `alter table reading detach partition ` + table + ` concurrently`
		if m.Detaching {
			detach = strings.Replace(detach, "concurrently", "finalize", 1)
		}
		var attached bool
		if err := conn.QueryRow(ctx, `select exists (select from pg_inherits where inhrelid = $1::regclass)`, m.Table).Scan(&attached); err != nil {
			return err
		}
		if attached {
			if _, err := conn.Exec(ctx, detach); err != nil {
				return err
			}
		}
		if _, err := conn.Exec(ctx, `drop table `+table); err != nil {
			return err
		}
	}
	return nil
}
