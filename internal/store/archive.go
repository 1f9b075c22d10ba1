package store

import (
	"context"
	"encoding/json"
	"fmt"
	"time"

	"github.com/jackc/pgx/v5"

	"cuerda/core/document"
)

// History is a build with all that is kept of it.
type History struct {
	ID          string
	CreatedAt   time.Time
	UpdatedAt   time.Time
	DeletedAt   *time.Time
	FromBuild   *string
	FromVersion *int
	// Versions are in order. Those of a long history come in parts, one after another: the first begins with 1.
	Versions []HistoryVersion
	// Total is how many versions there are in all parts; 0 where these are all.
	Total int
}

// total says how many versions there are in all.
func (h *History) total() int { return max(h.Total, len(h.Versions)) }

// HistoryVersion is one version of a History.
type HistoryVersion struct {
	Number    int
	CreatedAt time.Time
	Label     string
	Document  document.Document
}

// fetched is how many versions are read at a time: each is a statement of its own, so that
// whoever takes them slowly holds none open.
const fetched = 200

// How many versions of a build come at once, and how many bytes of documents.
const (
	partVersions = 2000
	partBytes    = 8 << 20
)

// Unreadable is a row that is kept and cannot be read: a document that this program does not know. It is handed on as
// it is, so that it can be set aside and nothing else is lost with it.
type Unreadable struct {
	Table, ID string
	Row       []byte // as JSON
	Err       error
}

// Histories gives every build of a kitchen to each, the oldest first, deleted
// ones too, a long one in parts; it stops at the first error of each.
func (s *Store) Histories(ctx context.Context, kitchen string, each func(*History) error) error {
	return pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		return histories(ctx, tx, kitchen, each, refuse)
	})
}

func histories(ctx context.Context, tx pgx.Tx, kitchen string, each func(*History) error, odd func(*Unreadable) error) error {
	_, err := tx.Exec(ctx, `declare histories no scroll cursor for
		select b.id::text, b.created_at, b.updated_at, b.deleted_at, b.from_build::text, b.from_version, b.version,
			v.number, v.created_at, coalesce(n.name, ''), v.document
		from build b join build_version v on v.build_id = b.id left join version_name n on n.build_id = v.build_id and n.number = v.number
		where b.kitchen_id = $1 order by b.created_at, b.id, v.number`, pgx.QueryExecModeExec, kitchen)
	if err != nil {
		return tidy(err)
	}
	var now *History
	var bytes int
	var left string // a build of which a version cannot be read
	hand := func() error {
		if now == nil || len(now.Versions) == 0 {
			return nil
		}
		err := each(now)
		bytes = 0
		return err
	}
	for {
		rows, err := tx.Query(ctx, fmt.Sprintf(`fetch %d from histories`, fetched), pgx.QueryExecModeExec)
		if err != nil {
			return err
		}
		some, err := pgx.CollectRows(rows, historyRow)
		if err != nil {
			return err
		}
		for i := range some {
			r := &some[i]
			h := &r.History
			switch {
			case h.ID == left:
				continue
			case now == nil || now.ID != h.ID:
				if err := hand(); err != nil {
					return err
				}
				now = h
			case len(now.Versions) >= partVersions || bytes > partBytes:
				if err := hand(); err != nil {
					return err
				}
				now = h
			default:
				now.Versions = append(now.Versions, h.Versions...)
			}
			v := &now.Versions[len(now.Versions)-1]
			bytes += len(r.document)
			if err := json.Unmarshal(r.document, &v.Document); err != nil {
				left, now = h.ID, nil
				if err := odd(&Unreadable{"build", h.ID, r.document, fmt.Errorf("version %d: %w", v.Number, err)}); err != nil {
					return err
				}
			}
		}
		if len(some) < fetched {
			break
		}
	}
	if _, err := tx.Exec(ctx, `close histories`); err != nil {
		return err
	}
	return hand()
}

// refuse is what becomes of a row that cannot be read where nobody sets it aside.
func refuse(u *Unreadable) error { return fmt.Errorf("%s %s cannot be read: %w", u.Table, u.ID, u.Err) }

type historyAsRow struct {
	History
	document []byte
}

// historyRow is a build with one of its versions, whose document is still to be read.
func historyRow(row pgx.CollectableRow) (h historyAsRow, err error) {
	var v HistoryVersion
	if err := row.Scan(&h.ID, &h.CreatedAt, &h.UpdatedAt, &h.DeletedAt, &h.FromBuild, &h.FromVersion, &h.Total, &v.Number, &v.CreatedAt, &v.Label, &h.document); err != nil {
		return h, err
	}
	// The same bytes wherever it is read.
	h.CreatedAt, h.UpdatedAt, v.CreatedAt = h.CreatedAt.UTC(), h.UpdatedAt.UTC(), v.CreatedAt.UTC()
	if h.DeletedAt != nil {
		at := h.DeletedAt.UTC()
		h.DeletedAt = &at
	}
	h.Versions = []HistoryVersion{v}
	return h, nil
}
