// Package physics answers: what happens to a mix in the hand and on the heat?
//
// Package mix says how a mix feels and how well it holds, package piece which shapes it is made into and what each of
// them must bear, package heat how a piece warms, cools, freezes and loses water, package safety what the usual
// guidance asks of it, and package parameter holds the figures that no law of nature fixes, each with its source.
// Nothing here knows of documents, people or clocks.
//
// Begin with mix.AssessParts (how it feels and holds) and heat.Cooking (how it warms). docs/model.md has the formulas.
package physics
