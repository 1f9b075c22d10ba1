package store

import (
	"context"
	"encoding/json"

	"github.com/jackc/pgx/v5"

	"cuerda/core/food"
)

// OwnFoods gives the foods of a kitchen's own, the oldest first, those that are gone
// too.
func (s *Store) OwnFoods(ctx context.Context, kitchenID string) ([]food.Own, error) {
	return ownFoodsOf(ctx, s.pool, kitchenID)
}

func ownFoodsOf(ctx context.Context, db reader, kitchenID string) ([]food.Own, error) {
	rows, err := db.Query(ctx, `select food from own_food where kitchen_id = $1 order by created_at, id`, kitchenID)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (food.Own, error) {
		var text []byte
		var f food.Own
		if err := row.Scan(&text); err != nil {
			return f, err
		}
		return f, json.Unmarshal(text, &f)
	})
}

// SaveOwnFood keeps foods of a kitchen's own, in place of those of the same ID.
func (s *Store) SaveOwnFood(ctx context.Context, kitchenID string, foods ...food.Own) error {
	return s.change(ctx, kitchenID, func(tx pgx.Tx) error { return saveOwnFoods(ctx, tx, kitchenID, foods) })
}

func saveOwnFoods(ctx context.Context, tx pgx.Tx, kitchenID string, foods []food.Own) error {
	for i := range foods {
		// Each a little later than the one before: they are listed in the order of making.
		_, err := tx.Exec(ctx, `insert into own_food (kitchen_id, id, food, created_at) values ($1, $2, $3, clock_timestamp())
			on conflict (kitchen_id, id) do update set food = excluded.food`, kitchenID, foods[i].ID, &foods[i])
		if err != nil {
			return err
		}
	}
	_, err := tx.Exec(ctx, `update kitchen set pantry_revision = pantry_revision + 1 where id = $1`, kitchenID)
	return err
}

// FoodsUsed counts the builds of a kitchen that have each food in their mix.
func (s *Store) FoodsUsed(ctx context.Context, kitchenID string) (map[string]int, error) {
	rows, err := s.pool.Query(ctx, `select f, count(*) from build, unnest(foods) f where kitchen_id = $1 and deleted_at is null group by f`, kitchenID)
	if err != nil {
		return nil, err
	}
	out := map[string]int{}
	var id string
	var count int
	_, err = pgx.ForEachRow(rows, []any{&id, &count}, func() error { out[id] = count; return nil })
	return out, err
}
