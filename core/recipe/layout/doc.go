// Package layout says what each line of a pasted text is: its title, a heading, an ingredient, a step
// of the method, or nothing of the recipe.
//
// People paste pages with their menus and ratings, forum answers below a quoted question, chats,
// e-mails, notes and scanned cards. No single mark tells an ingredient from a step in all of them, so
// the lines are labelled together: every line speaks for and against each label by its own features
// (labels.csv), every pair of neighbours by what usually follows what (follows.csv), and the sequence of
// labels with the highest sum is taken (dynamic programming, as A. J. Viterbi described it in 1967,
// doi:10.1109/TIT.1967.1054010). A cook who says what a line is fixes its label, and the others follow.
//
// Begin with Read in layout.go; features.go has what is seen of a line, chain.go the choice.
package layout
