package jobs

import (
	"context"
	"errors"
	"log/slog"
	"runtime"
	"sync/atomic"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/riverqueue/river"
	"github.com/riverqueue/river/riverdriver/riverpgxv5"
	"github.com/riverqueue/river/rivertype"

	"cuerda/core/learn"
	"cuerda/internal/store"
)

// Queue has work done in the background, by whichever program of those on one database is free: jobs are rows of that
// database, so that none is lost with a program.
type Queue struct {
	Teacher *Teacher
	Log     *slog.Logger
	// FineReadings is how long every reading of a cooking is kept, before a curve stands for them; 0 for ever.
	FineReadings time.Duration

	client *river.Client[pgx.Tx]
	counts Counts
}

// Counts are what this program did in the background since it began, for the metrics.
type Counts struct {
	// Learned are kitchens that learned, and Thinned cookings whose readings became curves.
	Learned, Thinned atomic.Int64
	// Learning is how many kitchens learn now.
	Learning atomic.Int64
	// LearningNanos is how long learning took in all.
	LearningNanos atomic.Int64
	// Failed are jobs that ended with an error, and are tried again.
	Failed atomic.Int64
}

// The queues: what a cook may wait for, and what nobody does.
const (
	queueSoon  = river.QueueDefault
	queueQuiet = "quiet"
)

// Learned by somebody's deed comes before what a new version of the model asks for.
const (
	soon  = 1
	later = 3
)

// learnJob has a kitchen learn of its tries as they are at a revision, or later.
type learnJob struct {
	Kitchen  string `json:"kitchen"`
	Revision int64  `json:"revision"`
	Model    string `json:"model"`
}

func (learnJob) Kind() string { return "learn" }

// waiting are the states of a job that will still be done, or is being done.
var waiting = []rivertype.JobState{
	rivertype.JobStateAvailable, rivertype.JobStatePending, rivertype.JobStateRunning, rivertype.JobStateRetryable, rivertype.JobStateScheduled,
}

func (learnJob) InsertOpts() river.InsertOpts {
	return river.InsertOpts{MaxAttempts: 8, UniqueOpts: river.UniqueOpts{ByArgs: true, ByState: waiting}}
}

// sweepJob looks for kitchens that are to learn and that nobody asked it for: where the program ended between a try and its
// job, and where the model is another than that by which they learned.
type sweepJob struct{}

func (sweepJob) Kind() string { return "sweep" }
func (sweepJob) InsertOpts() river.InsertOpts {
	return river.InsertOpts{MaxAttempts: 1, Queue: queueQuiet}
}

// tidyJob erases what is due, and has old readings become curves.
type tidyJob struct{}

func (tidyJob) Kind() string { return "tidy" }
func (tidyJob) InsertOpts() river.InsertOpts {
	return river.InsertOpts{MaxAttempts: 1, Queue: queueQuiet}
}

// How often each is done.
const (
	sweepEvery = time.Minute
	tidyEvery  = time.Hour
	// jobWithin is how long a job may take.
	jobWithin = time.Minute
	// sweptAtOnce is how many kitchens a sweep asks to learn: at most what they learn until the next.
	sweptAtOnce = 2000
)

// Start has the queue worked on until Stop.
func (q *Queue) Start(ctx context.Context) error {
	workers := river.NewWorkers()
	river.AddWorker(workers, &learnWorker{queue: q})
	river.AddWorker(workers, &sweepWorker{queue: q})
	river.AddWorker(workers, &tidyWorker{queue: q})
	every := func(interval time.Duration, job river.JobArgs) *river.PeriodicJob {
		return river.NewPeriodicJob(river.PeriodicInterval(interval), func() (river.JobArgs, *river.InsertOpts) { return job, nil }, &river.PeriodicJobOpts{RunOnStart: true})
	}
	client, err := river.NewClient(riverpgxv5.New(q.Teacher.Store.Jobs()), &river.Config{
		// Half of the cores learn, and the others answer.
		Queues:       map[string]river.QueueConfig{queueSoon: {MaxWorkers: max(1, runtime.GOMAXPROCS(0)/2)}, queueQuiet: {MaxWorkers: 1}},
		Workers:      workers,
		PeriodicJobs: []*river.PeriodicJob{every(sweepEvery, sweepJob{}), every(tidyEvery, tidyJob{})},
		Logger:       slog.New(quieter{q.Log.Handler()}),
		ErrorHandler: failures{q},
		// A kitchen learns in some thirty milliseconds: the next is fetched soon after.
		FetchCooldown: 15 * time.Millisecond,
		JobTimeout:    jobWithin,
		// What a program that was killed had begun is begun anew by another.
		RescueStuckJobsAfter: 2 * jobWithin,
		// What is done is forgotten within the hour: nobody asks for it.
		CompletedJobRetentionPeriod: time.Hour,
	})
	if err != nil {
		return err
	}
	q.client = client
	return client.Start(ctx)
}

// Stop lets what is under way end, and gives it back to the queue where that takes longer than ctx has.
func (q *Queue) Stop(ctx context.Context) {
	if q.client == nil {
		return
	}
	if err := q.client.Stop(ctx); err != nil {
		canceled, stop := context.WithTimeout(context.WithoutCancel(ctx), time.Second)
		defer stop()
		_ = q.client.StopAndCancel(canceled)
	}
}

// Background has kitchens learn beside what is going on.
type Background interface {
	// Learn asks for a kitchen to learn, and does not wait for it.
	Learn(ctx context.Context, kitchen string) error
}

// Learn asks for a kitchen to learn, once for all who ask about the same tries.
func (q *Queue) Learn(ctx context.Context, kitchen string) error {
	tries, _, err := q.Teacher.Store.Lessons(ctx, kitchen)
	if err != nil {
		return err
	}
	_, err = q.client.Insert(ctx, learnJob{kitchen, tries, q.Teacher.Model()}, &river.InsertOpts{Priority: soon})
	return err
}

// Counts are what this program did.
func (q *Queue) Counts() *Counts { return &q.counts }

// Stale is how many kitchens wait to learn, asked for or not.
func (q *Queue) Stale(ctx context.Context) (int, error) {
	return q.Teacher.Store.CountStaleLessons(ctx, q.Teacher.Model())
}

type learnWorker struct {
	river.WorkerDefaults[learnJob]
	queue *Queue
}

func (w *learnWorker) Work(ctx context.Context, job *river.Job[learnJob]) error {
	counts := &w.queue.counts
	counts.Learning.Add(1)
	began := time.Now()
	defer func() {
		counts.Learning.Add(-1)
		counts.LearningNanos.Add(int64(time.Since(began)))
	}()
	_, err := w.queue.Teacher.Learn(ctx, job.Args.Kitchen)
	switch {
	case errors.Is(err, store.ErrNotFound):
		return nil // it was erased meanwhile
	case errors.Is(err, learn.ErrNoBelief):
		w.queue.Log.Warn("a kitchen's tries make no sense together: what it learned before stands", "kitchen", job.Args.Kitchen)
	case err != nil:
		return err
	}
	counts.Learned.Add(1)
	return nil
}

type sweepWorker struct {
	river.WorkerDefaults[sweepJob]
	queue *Queue
}

func (w *sweepWorker) Work(ctx context.Context, _ *river.Job[sweepJob]) error {
	return w.queue.Sweep(ctx)
}

// Sweep asks kitchens to learn that have something to, and that nobody asked.
func (q *Queue) Sweep(ctx context.Context) error {
	stale, err := q.Teacher.Store.StaleLessons(ctx, q.Teacher.Model(), sweptAtOnce)
	if err != nil || len(stale) == 0 {
		return err
	}
	jobs := make([]river.InsertManyParams, len(stale))
	for i, l := range stale {
		jobs[i] = river.InsertManyParams{Args: learnJob{l.Kitchen, l.Revision, q.Teacher.Model()}, InsertOpts: &river.InsertOpts{Priority: later}}
	}
	// The fast way stops at the first job that is waiting already.
	_, err = q.client.InsertMany(ctx, jobs)
	return err
}

type tidyWorker struct {
	river.WorkerDefaults[tidyJob]
	queue *Queue
}

// Timeout is none: a kitchen with millions of readings takes what it takes to be erased.
func (w *tidyWorker) Timeout(*river.Job[tidyJob]) time.Duration { return -1 }

func (w *tidyWorker) Work(ctx context.Context, _ *river.Job[tidyJob]) error {
	return w.queue.Tidy(ctx, time.Now())
}

// Tidy erases kitchens whose time has come, sessions that are over and pictures that nobody has any more, and has the readings
// of old cookings become curves. What goes wrong with one of these does not keep the others.
func (q *Queue) Tidy(ctx context.Context, now time.Time) error {
	s := q.Teacher.Store
	gone, err := s.EraseDue(ctx, now)
	for _, id := range gone {
		q.Log.Info("a kitchen was erased", "kitchen", id)
	}
	err = errors.Join(err, s.SweepSessions(ctx), s.ForgetGuesses(ctx), s.RemoveErasedPictures(ctx))
	if q.FineReadings > 0 {
		thinned, thinning := s.ThinReadings(ctx, now.Add(-q.FineReadings))
		q.counts.Thinned.Add(int64(thinned))
		err = errors.Join(err, thinning)
	}
	return err
}

// failures tells of jobs that did not end well.
type failures struct{ queue *Queue }

func (f failures) HandleError(ctx context.Context, job *rivertype.JobRow, err error) *river.ErrorHandlerResult {
	if ctx.Err() == nil {
		f.queue.counts.Failed.Add(1)
		f.queue.Log.Warn("a job failed", "kind", job.Kind, "attempt", job.Attempt, "error", err)
	}
	return nil
}

func (f failures) HandlePanic(_ context.Context, job *rivertype.JobRow, panicked any, trace string) *river.ErrorHandlerResult {
	f.queue.counts.Failed.Add(1)
	f.queue.Log.Error("a job broke off", "kind", job.Kind, "panic", panicked, "stack", trace)
	return nil
}

// quieter leaves out what River says of its own working, but for errors: its jobs' failures are told by failures.
type quieter struct{ slog.Handler }

func (h quieter) Enabled(ctx context.Context, level slog.Level) bool {
	return level >= slog.LevelError && h.Handler.Enabled(ctx, level)
}

func (h quieter) WithAttrs(attrs []slog.Attr) slog.Handler {
	return quieter{h.Handler.WithAttrs(attrs)}
}
func (h quieter) WithGroup(name string) slog.Handler { return quieter{h.Handler.WithGroup(name)} }
