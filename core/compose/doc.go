// Package compose answers: what can I make of this that holds?
//
// A cook says what must go in, what may, who eats and what it is to be. A grammar of builds (roles.csv) says which foods may be
// the body of a mix, which are vegetables in it, what makes it rich or savoury, what seasons it, with the amounts that cooks
// use; binders come in the amounts of package advise. Every skeleton of body, binder and heat is judged by package predict in
// usual amounts; the best are refined step by step on a grid that a kitchen can measure; and those shown are as good and as
// unlike each other as they can be. What it cannot know is taste beyond what roles.csv says of families of foods.
//
// Begin with Compose; ask.go has the question, bases.go what a mix is built on, search.go the amounts, choose.go the choice.
package compose
