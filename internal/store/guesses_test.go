package store_test

import (
	"context"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/postgres/pgtest"
	"cuerda/internal/store"
)

// Two servers count together: what goes wrong at one is waited for at the other, and passes with time.
func TestGuessesAreCountedForAllServers(t *testing.T) {
	one, url := pgtest.OpenURL(t)
	other, err := store.Open(t.Context(), url)
	require.NoError(t, err)
	t.Cleanup(other.Close)
	here, there := one.Guesses("names", 3, time.Hour), other.Guesses("names", 3, time.Hour)
	try := func(g *store.Guesses, of string) time.Duration {
		wait, err := g.Try(t.Context(), of)
		require.NoError(t, err)
		return wait
	}
	for _, g := range []*store.Guesses{here, there, here} {
		assert.Zero(t, try(g, "cox"))
	}
	for _, g := range []*store.Guesses{here, there, there} {
		assert.InDelta(t, time.Hour.Seconds(), try(g, "cox").Seconds(), 60, "what is refused is not counted")
	}
	assert.Zero(t, try(there, "bow"), "somebody else")
	assert.Zero(t, try(one.Guesses("addresses", 3, time.Hour), "cox"), "counted by something else")
	require.NoError(t, there.Right(t.Context(), "cox"))
	assert.Zero(t, try(here, "cox"), "one was right")
	assert.NotZero(t, try(here, "cox"))

	// Many at once are no more than one after another.
	var let atomic.Int32
	var all sync.WaitGroup
	for i := range 40 {
		all.Go(func() {
			wait, err := []*store.Guesses{here, there}[i%2].Try(context.Background(), "crowd")
			if assert.NoError(t, err) && wait == 0 {
				let.Add(1)
			}
		})
	}
	all.Wait()
	assert.EqualValues(t, 3, let.Load())

	quick := one.Guesses("quick", 2, 40*time.Millisecond)
	assert.Zero(t, try(quick, "cox"))
	require.Eventually(t, func() bool { return try(quick, "cox") == 0 }, 5*time.Second, 5*time.Millisecond)
	time.Sleep(90 * time.Millisecond)
	require.NoError(t, one.ForgetGuesses(t.Context()))
	assert.NotZero(t, try(here, "cox"), "what is not over stays")
}
