// Package recipe answers: what does this text tell a cook to do?
//
// A text (a web page, JSON-LD, Markdown, a list of values or plain words) is taken apart into its sections and
// lines; package words turns letters into tokens with meanings, package ingredient reads one line of ingredients,
// and this package reads the method: pieces, heat, rests and what is done to which line. The words stay as they were
// written. Package proposal makes a build document of it and asks what the recipe does not say.
//
// Begin with Read (which text is the recipe?), then Understand (what does it say?).
package recipe
