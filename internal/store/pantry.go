package store

import (
	"context"
	"encoding/json"

	"github.com/jackc/pgx/v5"

	"cuerda/core/kitchen"
)

// Pantry gives every item of a kitchen, by food.
func (s *Store) Pantry(ctx context.Context, kitchenID string) ([]kitchen.PantryItem, error) {
	return pantryOf(ctx, s.pool, kitchenID)
}

func pantryOf(ctx context.Context, db reader, kitchenID string) ([]kitchen.PantryItem, error) {
	rows, err := db.Query(ctx, `select food, have, per_kilo, label_read, pack from pantry_item where kitchen_id = $1 order by food`, kitchenID)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (kitchen.PantryItem, error) {
		var i kitchen.PantryItem
		var pack []byte
		err := row.Scan(&i.Food, &i.Have, &i.PerKilo, &i.LabelRead, &pack)
		if len(i.LabelRead) == 0 {
			i.LabelRead = nil
		}
		if err != nil || pack == nil {
			return i, err
		}
		return i, json.Unmarshal(pack, &i.Pack)
	})
}

// PantryRevision grows with every change of a kitchen's pantry.
func (s *Store) PantryRevision(ctx context.Context, kitchenID string) (int64, error) {
	var revision int64
	err := s.pool.QueryRow(ctx, `select pantry_revision from kitchen where id = $1`, kitchenID).Scan(&revision)
	return revision, tidy(err)
}

// SavePantry keeps items, in place of what was known of their foods.
func (s *Store) SavePantry(ctx context.Context, kitchenID string, items ...kitchen.PantryItem) error {
	return s.change(ctx, kitchenID, func(tx pgx.Tx) error { return savePantry(ctx, tx, kitchenID, items) })
}

func savePantry(ctx context.Context, tx pgx.Tx, kitchenID string, items []kitchen.PantryItem) error {
	for i := range items {
		item := &items[i]
		_, err := tx.Exec(ctx, `insert into pantry_item (kitchen_id, food, have, per_kilo, label_read, pack)
			values ($1, $2, $3, $4, $5, $6)
			on conflict (kitchen_id, food) do update set have = excluded.have, per_kilo = excluded.per_kilo,
			label_read = excluded.label_read, pack = excluded.pack, updated_at = now()`,
			kitchenID, item.Food, item.Have, item.PerKilo, append([]string{}, item.LabelRead...), item.Pack)
		if err != nil {
			return err
		}
	}
	_, err := tx.Exec(ctx, `update kitchen set pantry_revision = pantry_revision + 1 where id = $1`, kitchenID)
	return err
}
