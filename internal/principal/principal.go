// Package principal says for whom a request is answered. It goes with the context from
// the door to the store; nothing between keeps a kitchen of its own.
package principal

import "context"

// Principal is who asks: one kitchen, for now with all its people.
type Principal struct {
	// Kitchen is the ID of the kitchen.
	Kitchen string
}

type key struct{}

// With gives a context for a principal.
func With(ctx context.Context, p Principal) context.Context { return context.WithValue(ctx, key{}, p) }

// From gives the principal of a context; ok is false where there is none.
func From(ctx context.Context) (p Principal, ok bool) {
	p, ok = ctx.Value(key{}).(Principal)
	return p, ok
}
