// Package demotest gives tests the made-up kitchen, each a copy of its own.
package demotest

import (
	"context"
	"testing"

	"cuerda/core/food"
	"cuerda/internal/demo"
	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

func fill(ctx context.Context, s *store.Store) error {
	_, err := demo.Seed(ctx, s, food.Starter())
	return err
}

// Open gives a store with the made-up kitchen in it, as it was when the first test of the program asked for it, and the
// kitchen's ID.
func Open(t testing.TB) (s *store.Store, kitchen string) {
	t.Helper()
	s = pgtest.OpenFilled(t, "demo", fill)
	return s, idOf(t, s)
}

// OpenNow makes the kitchen anew, for tests that join its cooking: that is half-way through when it is made.
func OpenNow(t testing.TB) (s *store.Store, kitchen string) {
	t.Helper()
	s = pgtest.Open(t)
	if err := fill(t.Context(), s); err != nil {
		t.Fatalf("the made-up kitchen: %v", err)
	}
	return s, idOf(t, s)
}

func idOf(t testing.TB, s *store.Store) string {
	t.Helper()
	kitchen, made, err := s.MadeUp(t.Context(), demo.Kitchen)
	if err != nil || made {
		t.Fatalf("the made-up kitchen: made anew %t, %v", made, err)
	}
	return kitchen
}
