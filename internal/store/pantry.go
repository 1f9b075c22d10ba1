package store

import (
	"context"
	"encoding/json"

	"github.com/jackc/pgx/v5"

	"cuerda/core/food"
)

// PantryItem is what a kitchen knows of one food.
type PantryItem struct {
	Food string
	Have bool
	// PerKilo is the price in the kitchen's money; nil if unknown.
	PerKilo *float64
	// LabelChecked says that the label was read and is good for this table.
	LabelChecked bool
	// Pack is the label of the kitchen's own pack, where it differs.
	Pack *food.PackLabel
}

// Pantry gives every item of a kitchen, by food.
func (s *Store) Pantry(ctx context.Context, kitchen string) ([]PantryItem, error) {
	rows, err := s.pool.Query(ctx, `select food, have, per_kilo, label_checked, pack from pantry_item where kitchen_id = $1 order by food`, kitchen)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (PantryItem, error) {
		var i PantryItem
		var pack []byte
		if err := row.Scan(&i.Food, &i.Have, &i.PerKilo, &i.LabelChecked, &pack); err != nil || pack == nil {
			return i, err
		}
		return i, json.Unmarshal(pack, &i.Pack)
	})
}

// PantryRevision grows with every change of a kitchen's pantry.
func (s *Store) PantryRevision(ctx context.Context, kitchen string) (int64, error) {
	var revision int64
	err := s.pool.QueryRow(ctx, `select pantry_revision from kitchen where id = $1`, kitchen).Scan(&revision)
	return revision, tidy(err)
}

// SavePantry keeps items, in place of what was known of their foods.
func (s *Store) SavePantry(ctx context.Context, kitchen string, items ...PantryItem) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error { return savePantry(ctx, tx, kitchen, items) })
}

func savePantry(ctx context.Context, tx pgx.Tx, kitchen string, items []PantryItem) error {
	for i := range items {
		item := &items[i]
		_, err := tx.Exec(ctx, `insert into pantry_item (kitchen_id, food, have, per_kilo, label_checked, pack)
			values ($1, $2, $3, $4, $5, $6)
			on conflict (kitchen_id, food) do update set have = excluded.have, per_kilo = excluded.per_kilo,
			label_checked = excluded.label_checked, pack = excluded.pack, updated_at = now()`,
			kitchen, item.Food, item.Have, item.PerKilo, item.LabelChecked, item.Pack)
		if err != nil {
			return err
		}
	}
	_, err := tx.Exec(ctx, `update kitchen set pantry_revision = pantry_revision + 1 where id = $1`, kitchen)
	return err
}
