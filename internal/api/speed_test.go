package api_test

import (
	"io"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"

	"github.com/gin-gonic/gin"
	"github.com/stretchr/testify/require"
)

// twentyLines is a build as a busy cook has one.
func twentyLines() string {
	return buildText("Cakes", strings.TrimSuffix(strings.Repeat(
		`{"food":"parsnip","grams":150,"prep":[{"do":"saute","minutes":10}]},{"food":"flax-meal","grams":9},`, 10), ","))
}

// How often a prediction is answered beside a bare handler that takes and returns the
// same bytes, on every core.
func BenchmarkPredictBesideABareHandler(b *testing.B) {
	c := start(b)
	text := twentyLines()
	answer, want := c.do(http.MethodPost, "/api/predict", text)
	require.Equal(b, http.StatusOK, answer.StatusCode)

	gin.SetMode(gin.ReleaseMode)
	bare := gin.New()
	bare.POST("/api/predict", func(g *gin.Context) {
		_, _ = io.Copy(io.Discard, g.Request.Body)
		g.Data(http.StatusOK, "application/json", want)
	})
	beside := httptest.NewServer(bare)
	defer beside.Close()

	var took [2]float64
	for i, server := range []struct{ name, url string }{{"bare", beside.URL + "/api/predict"}, {"predict", c.at("/api/predict")}} {
		b.Run(server.name, func(b *testing.B) {
			b.ReportAllocs()
			client := &http.Client{Transport: &http.Transport{MaxIdleConnsPerHost: 64}}
			b.SetParallelism(8)
			b.RunParallel(func(pb *testing.PB) {
				for pb.Next() {
					r, err := client.Post(server.url, "application/json", strings.NewReader(text))
					if err != nil || r.StatusCode != http.StatusOK {
						b.Error("no answer", err)
						return
					}
					_, _ = io.Copy(io.Discard, r.Body)
					_ = r.Body.Close()
				}
			})
			took[i] = float64(b.Elapsed()) / float64(b.N)
			if took[0] > 0 {
				b.ReportMetric(took[0]/took[i], "of-bare")
			}
		})
	}
}
