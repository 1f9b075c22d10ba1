// Package plan answers: when does each step begin, so that everything is ready at the table?
//
// Package supper is the document of several dishes for one table: it turns builds and sides into steps with hands,
// ovens and pans, and says what to shop for and who can eat what. Package sides reads a side as a cook writes it
// down. Package schedule finds the plan: a search under limits that proves its plan best or says how far off it may be.
//
// Begin with supper.Read and supper.Baker, then schedule.Make.
package plan
