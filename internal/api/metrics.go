package api

import (
	"net/http"
	"strconv"
	"sync/atomic"
	"time"

	"github.com/prometheus/client_golang/prometheus"
	"github.com/prometheus/client_golang/prometheus/collectors"
	"github.com/prometheus/client_golang/prometheus/promhttp"
)

// metrics count what the server does, for Prometheus. The zero value counts nothing.
type metrics struct {
	registry *prometheus.Registry
	took     *prometheus.HistogramVec
}

func newMetrics(s *Server) metrics {
	m := metrics{
		registry: prometheus.NewRegistry(),
		took: prometheus.NewHistogramVec(prometheus.HistogramOpts{
			Name: "cuerda_request_duration_seconds", Help: "How long requests took, by method, route and status.",
			Buckets: []float64{.001, .005, .02, .05, .1, .25, .5, 1, 2.5, 10, 30},
		}, []string{"method", "route", "status"}),
	}
	gauge := func(name, help string, of func() float64) prometheus.Collector {
		return prometheus.NewGaugeFunc(prometheus.GaugeOpts{Name: name, Help: help}, of)
	}
	count := func(name, help string, of func() float64) prometheus.Collector {
		return prometheus.NewCounterFunc(prometheus.CounterOpts{Name: name, Help: help}, of)
	}
	m.registry.MustRegister(m.took, collectors.NewGoCollector(), collectors.NewProcessCollector(collectors.ProcessCollectorOpts{}),
		gauge("cuerda_computations_waiting", "Computations that wait for a core.", func() float64 { return float64(s.gate.waiting.Load()) }),
		gauge("cuerda_computations_running", "Computations under way.", func() float64 { return float64(s.gate.running.Load()) }),
		gauge("cuerda_database_connections_open", "Connections to the database.", func() float64 { return float64(s.Store.Load().Open) }),
		gauge("cuerda_database_connections_busy", "Connections to the database in use.", func() float64 { return float64(s.Store.Load().Busy) }),
		gauge("cuerda_database_connections_most", "Connections to the database that there may be.", func() float64 { return float64(s.Store.Load().Most) }),
		gauge("cuerda_devices_following", "Devices that follow courses.", func() float64 { return float64(s.live.Counts.Following.Load()) }),
		count("cuerda_versions_saved_total", "Versions of builds that were kept.", func() float64 { return float64(s.Store.Load().Saved) }),
		count("cuerda_database_wait_seconds_total", "How long requests have waited for a connection.", func() float64 { return s.Store.Load().Waited.Seconds() }),
	)
	readings := &s.live.Counts
	for outcome, n := range map[string]*atomic.Int64{
		"used": &readings.Used, "noted": &readings.Noted, "aside": &readings.Aside, "late": &readings.Late, "doubled": &readings.Doubled,
		"malformed": &readings.Malformed, "impossible": &readings.Impossible, "unknown": &readings.Unknown, "refused": &readings.Refused,
	} {
		m.registry.MustRegister(prometheus.NewCounterFunc(prometheus.CounterOpts{
			Name: "cuerda_readings_total", Help: "Readings of instruments, by what became of them.", ConstLabels: prometheus.Labels{"outcome": outcome},
		}, func() float64 { return float64(n.Load()) }))
	}
	return m
}

func (m *metrics) request(method, route string, status int, took time.Duration) {
	if m.took != nil {
		m.took.WithLabelValues(method, route, strconv.Itoa(status)).Observe(took.Seconds())
	}
}

// Metrics serves the counts in the text format of Prometheus, with others beside its own; call it after Handler.
func (s *Server) Metrics(beside ...prometheus.Collector) http.Handler {
	s.metrics.registry.MustRegister(beside...)
	return promhttp.HandlerFor(s.metrics.registry, promhttp.HandlerOpts{})
}
