package people

import (
	"crypto/rand"
	"crypto/sha256"
	_ "embed"
	"encoding/base32"
	"errors"
	"fmt"
	"math/big"
	"runtime"
	"strings"
	"unicode"
	"unicode/utf8"

	"github.com/alexedwards/argon2id"
	"golang.org/x/text/secure/precis"
)

// Why a name or a passphrase is not taken.
var (
	ErrName    = errors.New("a name is 1 to 60 letters, without marks that nobody sees")
	ErrShort   = errors.New("a passphrase has 12 characters or more")
	ErrLong    = errors.New("a passphrase has at most 500 characters")
	ErrUsual   = errors.New("this passphrase is one of those that are tried first")
	ErrUnusual = errors.New("a passphrase is text")
)

// Name gives a name as it is shown and the key by which it is compared: case, width and composition make no difference.
func Name(given string) (name, key string, err error) {
	// Letters of two directions, or marks that nobody sees, make a name that looks like another's.
	if strings.ContainsFunc(given, func(r rune) bool { return unicode.In(r, unicode.Cf, unicode.Cc, unicode.Co, unicode.Zl, unicode.Zp) }) {
		return "", "", ErrName
	}
	name, err = precis.Nickname.String(given)
	if err != nil || utf8.RuneCountInString(name) > 60 {
		return "", "", ErrName
	}
	key, err = precis.Nickname.CompareKey(given)
	if err != nil || key == "" {
		return "", "", ErrName
	}
	return name, key, nil
}

// Lengths of a passphrase, in characters (OWASP ASVS 5, 6.2).
const (
	leastPassphrase = 12
	mostPassphrase  = 500
)

//go:embed usual.txt
var usualText string

var usual = func() map[string]bool {
	out := map[string]bool{}
	for _, line := range strings.Fields(usualText) {
		out[line] = true
	}
	return out
}()

// Passphrase says whether a passphrase may be taken for somebody of that name.
func Passphrase(given, name string) error {
	if !utf8.ValidString(given) || strings.ContainsRune(given, 0) {
		return ErrUnusual
	}
	switch n := utf8.RuneCountInString(given); {
	case n < leastPassphrase:
		return ErrShort
	case n > mostPassphrase:
		return ErrLong
	}
	plain := strings.Map(func(r rune) rune {
		if unicode.IsLetter(r) || unicode.IsDigit(r) {
			return unicode.ToLower(r)
		}
		return -1
	}, given)
	bare := strings.TrimFunc(plain, unicode.IsDigit)
	switch {
	case usual[plain], usual[bare] && len(plain)-len(bare) <= 6, repeats(plain), runs(plain):
		return ErrUsual
	}
	if n := strings.ToLower(strings.ReplaceAll(name, " ", "")); utf8.RuneCountInString(n) >= 4 && utf8.RuneCountInString(plain)-utf8.RuneCountInString(n) < 6 && strings.Contains(plain, n) {
		return ErrUsual
	}
	return nil
}

// repeats says whether a text is a piece of at most 6 letters again and again, and runs whether it goes up or down the
// alphabet, the figures or a row of keys.
func repeats(s string) bool {
	for n := 1; n <= 6 && n*2 <= len(s); n++ {
		if strings.Repeat(s[:n], len(s)/n+1)[:len(s)] == s {
			return true
		}
	}
	return false
}

func runs(s string) bool {
	for _, row := range []string{"abcdefghijklmnopqrstuvwxyz", "0123456789", "qwertyuiopasdfghjklzxcvbnm", "1q2w3e4r5t6y7u8i9o0p", "qazwsxedcrfvtgbyhnujmikolp"} {
		twice := row + row
		if strings.Contains(twice, s) || strings.Contains(reversed(twice), s) {
			return true
		}
	}
	return false
}

func reversed(s string) string {
	b := []byte(s)
	for i, j := 0, len(b)-1; i < j; i, j = i+1, j-1 {
		b[i], b[j] = b[j], b[i]
	}
	return string(b)
}

// params are what OWASP's cheat sheet on keeping passwords asks of Argon2id: 19 MiB, two passes, one lane.
var params = &argon2id.Params{Memory: 19 * 1024, Iterations: 2, Parallelism: 1, SaltLength: 16, KeyLength: 32}

// working lets so many passphrases be worked on at once: each takes 19 MiB and a core.
var working = make(chan struct{}, max(1, runtime.GOMAXPROCS(0)))

// Hash gives a passphrase as it is kept.
func Hash(passphrase string) (string, error) {
	working <- struct{}{}
	defer func() { <-working }()
	return argon2id.CreateHash(passphrase, params)
}

var nobodys = func() string {
	hash, err := argon2id.CreateHash(rand.Text(), params)
	if err != nil {
		panic(err) // there is no randomness
	}
	return hash
}()

// Matches says whether a passphrase is the one that is kept. For somebody who is not known, or has none, it takes as long.
func Matches(passphrase, kept string) bool {
	working <- struct{}{}
	defer func() { <-working }()
	known := kept != ""
	if !known {
		kept = nobodys
	}
	same, err := argon2id.ComparePasswordAndHash(passphrase, kept)
	return known && err == nil && same
}

// Token gives a new token of 160 random bits, and what is kept of it.
func Token() (token string, hash []byte) {
	b := make([]byte, 20)
	_, _ = rand.Read(b) // never fails (crypto/rand)
	token = strings.ToLower(base32.StdEncoding.EncodeToString(b))
	return token, HashOf(token)
}

// HashOf is what is kept of a token or a code.
func HashOf(token string) []byte {
	sum := sha256.Sum256([]byte(token))
	return sum[:]
}

// Figures gives a code of six figures, and what is kept of it.
func Figures() (code string, hash []byte) {
	n, _ := rand.Int(rand.Reader, big.NewInt(1_000_000)) // never fails
	code = fmt.Sprintf("%06d", n.Int64())
	return code, HashOf(code)
}

// recoveryCodes is how many somebody gets.
const recoveryCodes = 10

// RecoveryCodes gives ten codes, each of 80 random bits, and what is kept of them.
func RecoveryCodes() (codes []string, hashes [][]byte) {
	for range recoveryCodes {
		b := make([]byte, 10)
		_, _ = rand.Read(b)
		plain := strings.ToLower(base32.StdEncoding.EncodeToString(b))
		codes = append(codes, plain[:4]+"-"+plain[4:8]+"-"+plain[8:12]+"-"+plain[12:])
		hashes = append(hashes, HashOf(plain))
	}
	return codes, hashes
}

// RecoveryCode is what is kept of a code that somebody typed, with or without its hyphens.
func RecoveryCode(typed string) []byte {
	return HashOf(strings.ToLower(strings.Map(func(r rune) rune {
		if r == '-' || unicode.IsSpace(r) {
			return -1
		}
		return r
	}, typed)))
}
