package main

import (
	"context"
	"encoding/json"
	"io"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/core/food"
	"cuerda/core/learn/pool"
	"cuerda/internal/api"
	"cuerda/internal/store"
)

// Kitchens give when their owners say so, what they give becomes a table, and a server goes by it.
func TestKitchensGiveToCommonFigures(t *testing.T) {
	data, err := os.MkdirTemp("", "cuerda-pool-")
	require.NoError(t, err)
	require.NoError(t, os.Chmod(data, 0o755))
	t.Cleanup(func() { _ = os.RemoveAll(data) })
	file := filepath.Join(t.TempDir(), "figures.json")
	code, out, errs := command("", "load", "--data", data, "--database", "", "--households", "24", "--versions", "240", "--tries", "480", "--readings", "0")
	require.Zero(t, code, errs)
	var kitchens []struct{ ID string }
	require.NoError(t, json.Unmarshal([]byte(out), &kitchens))

	code, _, errs = command("", "pool", "--data", data, "--database", "", "--out", file)
	assert.Equal(t, 1, code, "nobody gives without having said so")
	assert.Contains(t, errs, "only 0 households")
	url, stop := started(t, data)
	give := func(kitchen, says string) (entry store.KitchenEntry) {
		r, err := http.NewRequest(http.MethodPut, url+"/api/kitchens/"+kitchen+"/giving", strings.NewReader(says))
		require.NoError(t, err)
		r.Header.Set("Content-Type", "application/json")
		answer, err := http.DefaultClient.Do(r)
		require.NoError(t, err)
		defer answer.Body.Close()
		require.Equal(t, http.StatusOK, answer.StatusCode)
		require.NoError(t, json.NewDecoder(answer.Body).Decode(&entry))
		return entry
	}
	for _, k := range kitchens[:22] {
		assert.True(t, give(k.ID, `{"gives":true}`).Gives)
	}
	// It runs beside a server.
	code, _, errs = command("", "pool", "--data", data, "--database", "", "--out", file, "--anyway")
	require.Zero(t, code, errs)
	text, err := os.ReadFile(file)
	require.NoError(t, err)
	table, err := pool.Read(text)
	require.NoError(t, err)
	assert.Equal(t, 20, table.Made.Households)
	require.NotEmpty(t, table.Figures)
	for _, k := range kitchens {
		assert.NotContains(t, string(text), k.ID)
	}
	// What is taken back is not given any more, nor is what is put away.
	for _, k := range kitchens[:2] {
		assert.False(t, give(k.ID, `{"gives":false}`).Gives)
	}
	answer, err := http.Post(url+"/api/kitchens/"+kitchens[2].ID+"/put-away", "application/json", nil)
	require.NoError(t, err)
	answer.Body.Close()
	code, _, errs = command("", "pool", "--data", data, "--database", "", "--out", file, "--anyway")
	assert.Equal(t, 1, code)
	assert.Contains(t, errs, "only 19 households")
	require.NoError(t, stop())

	url, stop = startedWith(t, startOptions{listen: "127.0.0.1", data: data, figures: file})
	read := func(path string, into any) {
		answer, err := http.Get(url + "/api/kitchens/" + kitchens[23].ID + path)
		require.NoError(t, err)
		defer answer.Body.Close()
		require.Equal(t, http.StatusOK, answer.StatusCode)
		require.NoError(t, json.NewDecoder(answer.Body).Decode(into))
	}
	var common api.CommonFigures
	read("/common-figures", &common)
	require.NotNil(t, common.Made)
	assert.Equal(t, table.Made, *common.Made)
	assert.Equal(t, len(table.Deviations(food.Starter())), common.Foods)
	// Foods of the table are predicted otherwise than by the catalogue alone: each by itself, where no deviation makes up for another.
	by := func(url string) (all []float64) {
		for _, line := range lines(table) {
			mix := `{"format":"cuerda-build/1","lines":[` + line + `,{"food":"water","grams":80}]}`
			answer, err := http.Post(url+"/api/kitchens/"+kitchens[23].ID+"/predict", "application/json", strings.NewReader(mix))
			require.NoError(t, err)
			require.Equal(t, http.StatusOK, answer.StatusCode)
			var p struct{ Q float64 }
			require.NoError(t, json.NewDecoder(answer.Body).Decode(&p))
			answer.Body.Close()
			all = append(all, p.Q)
		}
		return all
	}
	said := by(url)
	require.NoError(t, stop())
	url, stop = started(t, data)
	assert.NotEqual(t, by(url), said)
	require.NoError(t, stop())
	require.NoError(t, os.WriteFile(file, []byte(`{"format":"cuerda-figures/2"}`), 0o600))
	err = start(context.Background(), io.Discard, io.Discard, startOptions{listen: "127.0.0.1", data: data, figures: file})
	assert.ErrorIs(t, err, pool.ErrTable)
}

// lines are of a mix with every food of a table.
func lines(table *pool.Table) (out []string) {
	seen := map[string]bool{}
	for _, f := range table.Figures {
		if !seen[f.Food] {
			seen[f.Food] = true
			out = append(out, `{"food":"`+f.Food+`","grams":100}`)
		}
	}
	return out
}
