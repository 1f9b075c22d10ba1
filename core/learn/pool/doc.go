// Package pool answers: what do many kitchens know of foods that none of them knows alone?
//
// Kitchens that give their tries differ about what a food is like on average: how wet cooked beans are, how much oats drink.
// The average of each food, how far foods of a group lie from each other, and how far kitchens do, are estimated together
// (section 15 of docs/model.md). What comes out is a table of figures with what they are worth, and no try: a figure has at
// least twenty households behind it, none of them moves one far, and each carries as much noise as one of them could have
// moved it.
//
// Begin with Fit, which makes the table, and Table.Deviations, by which a catalogue goes by it.
package pool
