// Package predict answers: what will become of this build?
//
// Predict joins a document to the physics of its mix and its piece: how a squeezed handful feels, how likely the
// pieces hold raw and cooked, and the notes, reasons and cautions that belong to it. Below it, package bake says what
// cooking does and how long it takes, package steps what work that is, package dish what comes to the table for
// whom, package nutrition what it gives an eater, package squeeze what a handful looks like, and package compare what
// a change did.
//
// Begin with Predict and its result, Prediction.
package predict
