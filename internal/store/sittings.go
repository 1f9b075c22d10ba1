package store

import (
	"context"
	"encoding/json"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/core/document"
)

// Sitting is a run of versions that were kept at one go, one soon after the other.
type Sitting struct {
	// Number is its newest version and First its oldest.
	Number, First      int
	BeganAt, CreatedAt time.Time
	Label              string
	// By is who kept the newest: nil where nobody signed in, "" for somebody who left.
	By *string
	// Document is the newest, and Before the one that the sitting began from; nil where
	// it began with the build.
	Document document.Document
	Before   *document.Document
}

// pause is how long nothing is kept before the next version is of another sitting.
const pause = 15 * time.Minute

// Sittings folds the history of a build, newest first: a pause begins another sitting,
// and a label ends one. before, if above 0, leaves out sittings from that version on.
func (s *Store) Sittings(ctx context.Context, kitchen, id string, before, limit int) ([]Sitting, error) {
	if _, err := s.Find(ctx, kitchen, id); err != nil {
		return nil, err
	}
	rows, err := s.pool.Query(ctx, `with v as (
			select v.number, v.created_at, n.name is not null as named,
				v.created_at - lag(v.created_at) over w > $4 or coalesce(lag(n.name) over w, '') <> '' as begins
			from build_version v left join version_name n on n.build_id = v.build_id and n.number = v.number
			where v.build_id = $1 window w as (order by v.number)
		), g as (select *, sum(coalesce(begins, true)::int) over (order by number) as sitting from v
		), f as (select max(number) as newest, min(number) as first, min(created_at) as began, max(created_at) as ended from g group by sitting)
		select f.newest, f.first, f.began, f.ended, coalesce(n.name, ''), (select name from account where id = d.by_account), d.document, b.document
		from f join build_version d on d.build_id = $1 and d.number = f.newest
			left join build_version b on b.build_id = $1 and b.number = f.first - 1
			left join version_name n on n.build_id = $1 and n.number = f.newest
		where $2 = 0 or f.newest < $2 order by f.newest desc limit $3`, id, before, limit, pause)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (Sitting, error) {
		var out Sitting
		var now, was []byte
		if err := row.Scan(&out.Number, &out.First, &out.BeganAt, &out.CreatedAt, &out.Label, &out.By, &now, &was); err != nil {
			return out, err
		}
		if was != nil {
			out.Before = &document.Document{}
			if err := json.Unmarshal(was, out.Before); err != nil {
				return out, err
			}
		}
		return out, json.Unmarshal(now, &out.Document)
	})
}
