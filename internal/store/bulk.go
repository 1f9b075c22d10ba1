package store

import (
	"context"

	"github.com/jackc/pgx/v5"
)

// Bulk puts many rows at once into a database that is empty, past the checks that each row has otherwise: for trials of how
// much a server bears (package load), not for anybody's kitchen.
type Bulk struct{ tx pgx.Tx }

// filling makes the tables take rows as fast as they can, and made is what has to be done afterwards.
var (
	filling = []string{
		`alter table kitchen no force row level security`, `alter table build no force row level security`, `alter table build_version no force row level security`,
		`alter table pantry_item no force row level security`, `alter table try no force row level security`, `alter table course no force row level security`,
		`alter table course_event no force row level security`,
		`alter table try disable trigger tries_changed`,
		`select have_reading_months()`,
		// Readings are put into this month's table before it has an index, and is part of the whole.
		`create table reading_heap (like reading including defaults including constraints)`,
	}
	filled = []string{
		`alter table reading_heap add primary key (course_id, source, place, dish, at, month)`,
		`create index on reading_heap (course_id, seq)`,
		`do $$ declare
			first date := date_trunc('month', now() at time zone 'UTC')::date;
			part text := 'reading_' || to_char(first, 'YYYY_MM');
		begin
			execute format('drop table %I', part);
			execute format('alter table reading_heap rename to %I', part);
			execute format('alter table %I enable row level security, force row level security', part);
			execute format('alter table reading attach partition %I for values from (%L) to (%L)', part, first, (first + interval '1 month')::date);
		end $$`,
		`alter table try enable trigger tries_changed`,
		`alter table kitchen force row level security`, `alter table build force row level security`, `alter table build_version force row level security`,
		`alter table pantry_item force row level security`, `alter table try force row level security`, `alter table course force row level security`,
		`alter table course_event force row level security`,
	}
)

// Fill has an empty database filled, all or nothing; ErrNotEmpty where there are kitchens in it.
func (s *Store) Fill(ctx context.Context, fill func(*Bulk) error) error {
	conn, err := s.owner(ctx)
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	err = pgx.BeginFunc(ctx, conn, func(tx pgx.Tx) error {
		var there bool
		if err := tx.QueryRow(ctx, `select exists (select from kitchen)`).Scan(&there); err != nil {
			return err
		}
		if there {
			return ErrNotEmpty
		}
		if err := all(ctx, tx, append([]string{`set local maintenance_work_mem = '512MB'`}, filling...)); err != nil {
			return err
		}
		if err := fill(&Bulk{tx}); err != nil {
			return err
		}
		return all(ctx, tx, filled)
	})
	if err != nil {
		return err
	}
	_, err = conn.Exec(ctx, `vacuum analyze`)
	return err
}

func all(ctx context.Context, tx pgx.Tx, statements []string) error {
	for _, statement := range statements {
		if _, err := tx.Exec(ctx, statement); err != nil {
			return err
		}
	}
	return nil
}

// Rows puts count rows into a table; row gives the values of one, in the order of the columns.
func (b *Bulk) Rows(ctx context.Context, table string, columns []string, count int, row func(i int) ([]any, error)) error {
	_, err := b.tx.CopyFrom(ctx, pgx.Identifier{table}, columns, pgx.CopyFromSlice(count, row))
	return err
}

// Readings gives every course of these as many readings as count, a second apart from its start on, of one probe that
// warms up.
func (b *Bulk) Readings(ctx context.Context, courses []string, count int) error {
	_, err := b.tx.Exec(ctx, `insert into reading_heap (month, course_id, source, place, dish, at, celsius, seq)
		select c.readings_month, c.id, 'probe:core', 'core', 0, c.start_at + i * interval '1 second', 74 - 66 * exp(-i::float8 / 900), i
		from course c, generate_series(1, $2::int) i where c.id = any($1::uuid[])`, courses, count)
	return err
}
