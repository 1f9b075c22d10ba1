package store

import (
	"context"
	"encoding/json"

	"github.com/jackc/pgx/v5"

	"cuerda/core/kitchen"
)

// Settings gives those of a kitchen; what it never set is usual.
func (s *Store) Settings(ctx context.Context, kitchenID string) (kitchen.Settings, error) {
	return settingsOf(ctx, s.pool, kitchenID)
}

func settingsOf(ctx context.Context, db reader, kitchenID string) (kitchen.Settings, error) {
	out := kitchen.UsualSettings()
	var kept []byte
	if err := db.QueryRow(ctx, `select settings from kitchen where id = $1`, kitchenID).Scan(&kept); err != nil {
		return out, tidy(err)
	}
	if kept == nil {
		return out, nil
	}
	return out, json.Unmarshal(kept, &out)
}

// SaveSettings keeps settings in place of the ones before.
func (s *Store) SaveSettings(ctx context.Context, kitchenID string, settings kitchen.Settings) error {
	return s.change(ctx, kitchenID, func(tx pgx.Tx) error { return saveSettings(ctx, tx, kitchenID, settings) })
}

func saveSettings(ctx context.Context, tx pgx.Tx, kitchenID string, settings kitchen.Settings) error {
	// What tries tell of an oven hangs on what is told of it: they are learned of anew.
	_, err := tx.Exec(ctx, `update kitchen set settings = $2, pantry_revision = pantry_revision + 1, tries_revision = tries_revision + 1 where id = $1`, kitchenID, settings)
	return err
}
