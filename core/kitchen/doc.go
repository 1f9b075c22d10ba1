// Package kitchen answers: in whose kitchen is this?
//
// A Kitchen is a value that holds what predictions depend on beside the build: its foods with its own packs, what is
// on its shelf, what is known of its oven, its cold and its vessels, its own figures for handling, and what its tries
// taught. Whatever is predicted, planned or suggested is worked out for one of these.
//
// Begin with Kitchen, the type. Usual gives one with the usual settings; Settings is what a cook can change.
package kitchen
