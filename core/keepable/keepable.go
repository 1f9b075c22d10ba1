// Package keepable answers: what can be kept? Whatever is taken over (by HTTP, of a file, of an instrument) is held to
// this one definition before it is kept, so that every database, every archive and every backup can hold it, and give it
// back.
//
// A time is between the years 1900 and 2500. A text is UTF-8 without the character 0, which PostgreSQL cannot hold, and is
// measured in characters, not in bytes. Begin reading at Time and Text.
package keepable

import (
	"strings"
	"time"
	"unicode/utf8"
)

// The years between which times are kept: the first one that is, and the first one that no longer is.
const (
	FirstYear = 1900
	LastYear  = 2500
)

// MaxID is how long an ID is that a device or a file gives, in characters.
const MaxID = 64

// MaxNumber is the highest version or count that is kept: that of PostgreSQL's integer.
const MaxNumber = 1<<31 - 1

// Time says whether a time can be kept.
func Time(t time.Time) bool {
	return min(t.Year(), t.UTC().Year()) >= FirstYear && max(t.Year(), t.UTC().Year()) < LastYear
}

// Times says whether all of them can be; one that is nil can.
func Times(all ...*time.Time) bool {
	for _, t := range all {
		if t != nil && !Time(*t) {
			return false
		}
	}
	return true
}

// Text says whether a text can be kept that may have at most that many characters.
func Text(s string, most int) bool {
	return utf8.RuneCountInString(s) <= most && utf8.ValidString(s) && !strings.ContainsRune(s, 0)
}

// ID says whether an ID of a device or of a file can be kept: it is there, and a text of at most MaxID characters.
func ID(s string) bool { return s != "" && Text(s, MaxID) }
