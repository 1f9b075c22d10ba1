// Package advise answers: what would a cook change?
//
// A way to make a build hold is up to three moves: a cause undone (water wrung out, a liquid left out, a base mashed in
// part), a shape, a wait or a heat, and at most one binder within what is usual (amounts.csv). Every way is judged by
// package predict before it is shown, for holding and for eating, and nothing is brought in that is not clear for everyone
// at the table. Here are also conversions of recipes with egg and crumbs, the spoons that mend a mix by the feel of the
// hand, and what each school of cooking costs. It implements section 5 of docs/model.md.
//
// Begin with Bind; undo.go and binders.go say what a cook may do, search.go tries it, ways.go chooses. Then Mend.
package advise
