package people_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/people"
)

func TestNamesThatLookAlikeAreOne(t *testing.T) {
	key := func(name string) string {
		_, k, err := people.Name(name)
		require.NoError(t, err, name)
		return k
	}
	assert.Equal(t, key("Cox"), key("  cOX "))
	assert.Equal(t, key("Inés  Marsh"), key("Ine\u0301s marsh"), "composed or not")
	assert.Equal(t, key("Ｃｏｘ"), key("cox"), "wide letters")
	assert.NotEqual(t, key("Cox"), key("Coxswain"))
	name, _, err := people.Name("  Łucja   Mokradło ")
	require.NoError(t, err)
	assert.Equal(t, "Łucja Mokradło", name)
	for _, bad := range []string{"", "   ", strings.Repeat("x", 61), "Co\u200bx", "\u202exoc", "Co\x00x", "Co\nx", "\xff"} {
		_, _, err := people.Name(bad)
		assert.ErrorIs(t, err, people.ErrName, "%q", bad)
	}
}

func TestPassphrases(t *testing.T) {
	for given, why := range map[string]error{
		"short one":                  people.ErrShort,
		strings.Repeat("long ", 101): people.ErrLong,
		"passwordpassword":           people.ErrUsual,
		"Password-1234567":           nil, // more figures than are put behind a usual one
		"My Password 123":            people.ErrUsual,
		"aaaaaaaaaaaaaa":             people.ErrUsual,
		"abcabcabcabcabc":            people.ErrUsual,
		"123456789012":               people.ErrUsual,
		"qwertyuiopas":               people.ErrUsual,
		"saltmarsh cox":              people.ErrUsual, // little more than the name
		"twelve oars on mud":         nil,
		"doce remos en el barro":     nil,
		"pésame ñu 10 kg!":           nil,
		"with\x00a nought in":        people.ErrUnusual,
	} {
		if why == nil {
			assert.NoError(t, people.Passphrase(given, "Saltmarsh"), given)
		} else {
			assert.ErrorIs(t, people.Passphrase(given, "Saltmarsh"), why, given)
		}
	}
}

func TestWhatIsKeptOfAPassphraseTellsNothing(t *testing.T) {
	one, err := people.Hash("twelve oars on mud")
	require.NoError(t, err)
	two, err := people.Hash("twelve oars on mud")
	require.NoError(t, err)
	assert.NotEqual(t, one, two, "each with a salt of its own")
	assert.True(t, strings.HasPrefix(one, "$argon2id$v=19$m=19456,t=2,p=1$"), one)
	assert.True(t, people.Matches("twelve oars on mud", one))
	assert.False(t, people.Matches("twelve oars on mut", one))
	assert.False(t, people.Matches("", ""), "nobody has no passphrase")
}

func TestTokensAndCodes(t *testing.T) {
	token, hash := people.Token()
	assert.Len(t, token, 32)
	assert.Equal(t, hash, people.HashOf(token))
	codes, hashes := people.RecoveryCodes()
	require.Len(t, codes, 10)
	assert.Equal(t, hashes[3], people.RecoveryCode(" "+strings.ToUpper(strings.ReplaceAll(codes[3], "-", " "))))
	seen := map[string]bool{}
	for range 200 {
		code, _ := people.Figures()
		assert.Regexp(t, `^\d{6}$`, code)
		seen[code] = true
	}
	assert.Greater(t, len(seen), 190)
}

// What a sign-in costs: that is what a guess costs too.
func BenchmarkHash(b *testing.B) {
	for b.Loop() {
		if _, err := people.Hash("twelve oars on mud"); err != nil {
			b.Fatal(err)
		}
	}
}
