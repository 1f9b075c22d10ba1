// Package document answers: what has the cook written down?
//
// A build document (docs/formats) is one mix, made into one kind of piece and cooked one way, for the eaters at one
// table. Read takes one strictly and says what is wrong and where; Schema describes it for others; Changes names what
// differs between two; Undo takes one change back; Reshape makes the same mix into another kind of piece. What becomes
// of the mix is for package predict to say.
//
// Begin with Document, the type, and with Read, which makes one of a text.
package document
