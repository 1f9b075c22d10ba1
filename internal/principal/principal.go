// Package principal says for whom a request is answered. It goes with the context from
// the door to the store; nothing between keeps a kitchen of its own.
package principal

import "context"

// Role is what somebody may do in a kitchen.
type Role string

// The roles, from the one that may do everything. A guest looks, prints and takes copies without names; a stove is a
// device of the kitchen that follows cookings and taps in them.
const (
	Owner Role = "owner"
	Cook  Role = "cook"
	Guest Role = "guest"
	Stove Role = "stove"
)

// Scope is whose rows the database shows.
type Scope string

// The scopes: see the migration that makes the second wall.
const (
	OfServer  Scope = "server"
	OfHouse   Scope = "house"
	OfAccount Scope = "account"
	OfDevice  Scope = "device"
	OfNobody  Scope = "nobody"
)

// Principal is who asks, and in which kitchen.
type Principal struct {
	// Kitchen is the ID of the kitchen that is worked in; "" for none.
	Kitchen string
	// Account is the ID of who signed in, and Name what they are called.
	Account, Name string
	// Device is the ID of a device of the kitchen.
	Device string
	// House says that nobody signs in here: whoever sits at the machine is the cook.
	House bool
	// Role is what they are in the kitchen; "" for strangers.
	Role Role
	// Visit is what the browser came with, where somebody signed in.
	Visit string
	// Address is where they ask from.
	Address string
}

// Scope says whose rows the database shows them.
func (p *Principal) Scope() Scope {
	switch {
	case p.Account != "":
		return OfAccount
	case p.Device != "":
		return OfDevice
	case p.House:
		return OfHouse
	}
	return OfNobody
}

type key struct{}

// With gives a context for a principal.
func With(ctx context.Context, p Principal) context.Context { return context.WithValue(ctx, key{}, p) }

// From gives the principal of a context; ok is false where there is none: it is the program's own work.
func From(ctx context.Context) (p Principal, ok bool) {
	p, ok = ctx.Value(key{}).(Principal)
	return p, ok
}

// Server gives a context for the program's own work, within what its parent has of time.
func Server(ctx context.Context) context.Context { return context.WithValue(ctx, key{}, nil) }

// InKitchen gives a context for the program's own work in one kitchen.
func InKitchen(ctx context.Context, kitchen string) context.Context {
	return With(ctx, Principal{Kitchen: kitchen, House: true, Role: Owner})
}
