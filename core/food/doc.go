// Package food answers: what is this food, before anything is mixed?
//
// The catalogue (foods.csv and the tables beside it) gives each food its composition, how much water its paste
// takes before it crumbles or flows, how it sets when hot, what a preparation does to it, and how grams relate to
// cups, spoons, ounces and pieces. Figures are starting points graded A, B or C (see Grade); docs/model.md says how
// each column is used. Masses are in g, temperatures in degrees Celsius, times in min unless the name says otherwise.
//
// Begin with Food (one row), Catalogue (all of them) and Prepare (what draining, mashing or soaking does to one).
// Below it, package eaters says whom a food suits, and package csvtable reads the tables that ship with the program.
package food
