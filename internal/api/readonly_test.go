package api_test

import (
	"log/slog"
	"net/http"
	"testing"

	"cuerda/core/food"
	"cuerda/internal/api"
	"cuerda/internal/postgres/pgtest"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// A database that takes no changes for a while says so; nothing is called a mistake of somebody's, and it goes on by itself.
func TestADatabaseThatOnlyReadsForAWhile(t *testing.T) {
	t.Parallel()
	s, url := pgtest.OpenURL(t)
	kitchen, _, err := s.MadeUp(t.Context(), "Boathouse")
	require.NoError(t, err)
	c := serve(t, &api.Server{Store: s, Foods: food.Starter(), Log: slog.New(slog.DiscardHandler)}, kitchen)
	database := pgtest.Connect(t, url)
	b, _ := c.build("POST", "/api/builds", bakedBalls)
	readOnly := func(on string) {
		_, err := database.Exec(t.Context(), `do $$ begin execute format('alter database %I set default_transaction_read_only = `+on+`', current_database()); end $$`)
		require.NoError(t, err)
		c.store.Reconnect()
	}
	readOnly("on")
	c.problem(http.StatusServiceUnavailable, "unavailable", "POST", "/api/builds", bakedBalls)
	got, _ := c.do("GET", "/api/builds/"+b.ID, "")
	assert.Equal(t, http.StatusOK, got.StatusCode, "what is there is read")
	readOnly("off")
	c.build("POST", "/api/builds", bakedBalls)
}
