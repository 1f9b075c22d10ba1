// Package food holds what is known of each food before it is mixed: its
// composition, how its paste drinks and sets, what a kitchen preparation does
// to it, and how grams relate to cups, spoons, ounces and pieces.
//
// Masses are in grams, temperatures in degrees Celsius, times in minutes
// unless the name says otherwise. Figures of the catalogue are starting points
// graded A, B or C (see Grade); docs/model.md says how each column is used.
package food
