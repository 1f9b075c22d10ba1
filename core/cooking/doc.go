// Package cooking answers: what is to be done now?
//
// A cooking is a plan and the events that were written down of it, which are only ever added: begun, done, weighed,
// added, found. State is their fold, whatever the order in which they came; Timings says when each step begins and
// ends by now, and Tasks what there is to do, the most pressing first. Package probe follows a piece on the heat by
// what thermometers tell of it.
//
// Begin with Plan and Event, then New and State.Add, then Tasks.
package cooking
