// Package advise answers: what would a cook change?
//
// It joins build documents to the searches of package binder: what else would bind a mix, what to put in place of
// egg and crumbs, how to mend a mix by the feel of the hand, and what each school of cooking costs. Every way is
// judged by package predict before it is shown, and nothing is suggested that is not clear for everyone at the table.
//
// Begin with Bind (ways to make a build hold), then Mend (what to add to the bowl now).
package advise
