package jobs

import (
	"context"
	"time"

	"github.com/prometheus/client_golang/prometheus"
)

// askedWithin is how long the metrics wait for the database.
const askedWithin = 2 * time.Second

// Metrics are the counts of a queue, for Prometheus.
func (q *Queue) Metrics() []prometheus.Collector {
	gauge := func(name, help string, of func() float64) prometheus.Collector {
		return prometheus.NewGaugeFunc(prometheus.GaugeOpts{Name: name, Help: help}, of)
	}
	count := func(name, help string, of func() float64) prometheus.Collector {
		return prometheus.NewCounterFunc(prometheus.CounterOpts{Name: name, Help: help}, of)
	}
	return []prometheus.Collector{
		count("cuerda_kitchens_learned_total", "Kitchens that learned of their tries in this program.", func() float64 { return float64(q.counts.Learned.Load()) }),
		gauge("cuerda_kitchens_learning", "Kitchens that learn in this program now.", func() float64 { return float64(q.counts.Learning.Load()) }),
		gauge("cuerda_kitchens_to_learn", "Kitchens whose tries say more than was learned of them, or learned by another version; -1 where the database does not say.", q.stale),
		count("cuerda_learning_seconds_total", "How long learning took in this program.", func() float64 { return time.Duration(q.counts.LearningNanos.Load()).Seconds() }),
		count("cuerda_cookings_thinned_total", "Cookings whose readings this program made curves of.", func() float64 { return float64(q.counts.Thinned.Load()) }),
		count("cuerda_jobs_failed_total", "Jobs of this program that ended with an error, and are tried again.", func() float64 { return float64(q.counts.Failed.Load()) }),
	}
}

func (q *Queue) stale() float64 {
	ctx, stop := context.WithTimeout(context.Background(), askedWithin)
	defer stop()
	n, err := q.Stale(ctx)
	if err != nil {
		return -1
	}
	return float64(n)
}
