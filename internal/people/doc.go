// Package people answers: who is it? It knows what a name and a passphrase may be, keeps passphrases so that whoever reads
// the database learns none, makes the tokens that let somebody in once, and slows those who guess.
//
// Names are compared as nicknames are (RFC 8266); passphrases are kept by Argon2id (RFC 9106); tokens are random and kept
// as their SHA-256. Begin reading at Name and Hash.
package people
