// Package demo is the demonstration kitchen: a rowing club by a salt marsh that
// cooks a Friday supper for twelve, one of them coeliac, one vegan, one who
// reacts to egg and one to hazelnut. All of it is made up.
package demo

import (
	"context"
	"embed"
	"fmt"

	"cuerda/core/build"
	"cuerda/core/food"
	"cuerda/internal/store"
)

//go:embed builds/*.json
var files embed.FS

// Kitchen is the name of the demonstration kitchen.
const Kitchen = "Saltmarsh Rowing Club"

// Builds gives the demonstration builds, the one to show first last.
func Builds(foods *food.Catalogue) ([]build.Document, error) {
	entries, err := files.ReadDir("builds")
	if err != nil {
		return nil, err
	}
	out := make([]build.Document, 0, len(entries))
	for _, e := range entries {
		text, err := files.ReadFile("builds/" + e.Name())
		if err != nil {
			return nil, err
		}
		d, err := build.Read(text, foods)
		if err != nil {
			return nil, fmt.Errorf("%s: %w", e.Name(), err)
		}
		out = append(out, *d)
	}
	return out, nil
}

// Seed gives the kitchen of an installation, and fills it with the
// demonstration builds where the database had none.
func Seed(ctx context.Context, s *store.Store, foods *food.Catalogue) (kitchen string, err error) {
	builds, err := Builds(foods)
	if err != nil {
		return "", err
	}
	kitchen, made, err := s.Kitchen(ctx, Kitchen)
	if err != nil || !made {
		return kitchen, err
	}
	for i := range builds {
		if _, err := s.Create(ctx, kitchen, &builds[i]); err != nil {
			return "", err
		}
	}
	return kitchen, s.SavePantry(ctx, kitchen, Pantry()...)
}
