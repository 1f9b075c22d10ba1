// Package rehearsal holds the cluster of deploy/ up to what happens to machines: it starts three PostgreSQLs under Patroni
// with etcd, HAProxy and three Cuerdas on one machine, has households save, cook and follow, and takes one thing after
// another away. "make rehearse" runs all of it, the tests a short form.
package rehearsal

import (
	"context"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"sync"
	"syscall"
	"time"
)

// Plan says what is rehearsed.
type Plan struct {
	// Binary is the Cuerda that is tried, Before the version that it is upgraded from; "" for none.
	Binary, Before string
	// Deploy is the folder deploy/ of the project, Folder where everything is written.
	Deploy, Folder string
	Households     int
	// Short leaves out what takes long: it kills a Cuerda, and the primary.
	Short bool
	Say   io.Writer
}

// Report says how a rehearsal went: what was lost, and how long households waited.
type Report struct {
	Counts
	// Longest is, for each thing that was done to the cluster, the longest time in which a household had no save acknowledged.
	// Order lists those things as they were done.
	Longest map[string]time.Duration
	Order   []string
}

// The longest that households may wait where a primary is gone, and where a Cuerda is.
const (
	PrimaryWithin = 30 * time.Second
	CuerdaWithin  = time.Second
)

// What is done to the cluster.
const (
	Quiet      = "nothing"
	Upgrade    = "a rolling upgrade from the version before"
	OneCuerda  = "a Cuerda is killed"
	TwoCuerdas = "two Cuerdas are killed"
	Replica    = "a copy is killed, and comes back"
	Etcd       = "an etcd is killed, and comes back"
	Primary    = "the primary is killed, and comes back as a copy"
	CutOff     = "a copy is cut off for twenty seconds"
	FullDisk   = "the disk of the copy that has all is full for twenty seconds"
	Proxy      = "HAProxy is killed and started anew"
)

// Rehearse does it all.
func Rehearse(ctx context.Context, p Plan) (*Report, error) {
	// PostgreSQL's user must be able to reach its folders.
	if err := os.Chmod(p.Folder, 0o755); err != nil {
		return nil, err
	}
	c, err := newCluster(p.Folder, p.Deploy, !p.Short && os.Geteuid() == 0)
	if err != nil {
		return nil, err
	}
	defer c.down()
	say := func(what string) { fmt.Fprintf(p.Say, "%s %s\n", time.Now().Format("15:04:05"), what) }
	say("starting etcd, PostgreSQL, HAProxy")
	if err := c.up(ctx); err != nil {
		return nil, err
	}
	first := p.Binary
	if p.Before != "" {
		first = p.Before
	}
	say("starting three Cuerdas")
	for _, node := range nodes {
		if err := c.startCuerda(node, first); err != nil {
			return nil, err
		}
	}
	for _, node := range nodes {
		if err := c.healthy(ctx, node); err != nil {
			return nil, err
		}
	}
	s := newStreet(fmt.Sprintf("http://127.0.0.1:%d", c.ports["PROXY_KITCHENS"]), p.Households)
	if err := eventually(ctx, 30*time.Second, "the way to Cuerda", func() bool { return answers(s.url + "/api/health") }); err != nil {
		return nil, err
	}
	say(fmt.Sprintf("%d households move in", p.Households))
	for _, h := range s.households {
		if err := h.movesIn(ctx); err != nil {
			return nil, err
		}
	}
	s.enters(Quiet)
	var living, following sync.WaitGroup
	stop := make(chan struct{})
	watching, unwatch := context.WithCancel(ctx)
	defer unwatch()
	for _, h := range s.households {
		living.Go(func() { h.lives(ctx, stop) })
		if h.course != "" {
			following.Go(func() { h.follows(watching) })
		}
	}
	order, err := p.faults(ctx, c, s, say)
	close(stop)
	living.Wait()
	if err != nil {
		return nil, err
	}
	say("counting")
	time.Sleep(3 * time.Second) // the last is told
	unwatch()
	following.Wait()
	db, err := c.admin(ctx, "cuerda")
	if err != nil {
		return nil, err
	}
	defer db.Close(ctx)
	counts, err := s.count(ctx, db)
	return &Report{counts, s.longest, order}, err
}

// faults takes one thing after another away.
func (p *Plan) faults(ctx context.Context, c *cluster, s *street, say func(string)) (order []string, err error) {
	wait := func(d time.Duration) {
		select {
		case <-ctx.Done():
		case <-time.After(d):
		}
	}
	again := func(node string) error {
		if err := c.startCuerda(node, p.Binary); err != nil {
			return err
		}
		return c.healthy(ctx, node)
	}
	whole := func() error { return eventually(ctx, 3*time.Minute, "the cluster is whole again", c.whole) }
	other := func() string { // a copy
		for _, node := range nodes {
			if node != c.primary() {
				return node
			}
		}
		return ""
	}
	steps := []struct {
		phase string
		long  bool
		do    func() error
	}{
		{Quiet, false, func() error { wait(5 * time.Second); return nil }},
		{Upgrade, false, func() error {
			if p.Before == "" {
				return nil
			}
			for _, node := range nodes {
				c.end("cuerda-"+node, syscall.SIGTERM)
				if err := again(node); err != nil {
					return err
				}
				wait(5 * time.Second)
			}
			return nil
		}},
		{OneCuerda, false, func() error {
			c.end("cuerda-one", syscall.SIGKILL)
			wait(5 * time.Second)
			return again("one")
		}},
		{TwoCuerdas, true, func() error {
			c.end("cuerda-one", syscall.SIGKILL)
			c.end("cuerda-two", syscall.SIGKILL)
			wait(10 * time.Second)
			if err := again("one"); err != nil {
				return err
			}
			return again("two")
		}},
		{Replica, true, func() error {
			node := other()
			c.killPostgres(node)
			wait(20 * time.Second)
			if err := c.startPatroni(node); err != nil {
				return err
			}
			return whole()
		}},
		{Etcd, true, func() error {
			c.end("etcd-two", syscall.SIGKILL)
			wait(15 * time.Second)
			if err := c.startEtcd("two"); err != nil {
				return err
			}
			wait(5 * time.Second)
			return whole()
		}},
		{Primary, false, func() error {
			was := c.primary()
			c.killPostgres(was)
			if err := eventually(ctx, time.Minute, "another primary", func() bool { now := c.primary(); return now != "" && now != was }); err != nil {
				return err
			}
			wait(5 * time.Second)
			if err := c.startPatroni(was); err != nil {
				return err
			}
			return whole()
		}},
		{CutOff, true, func() error {
			node := other()
			c.freeze(node, syscall.SIGSTOP)
			wait(20 * time.Second)
			c.freeze(node, syscall.SIGCONT)
			return whole()
		}},
		{FullDisk, true, func() error {
			node := c.synchronous()
			give, err := c.fill(node)
			if err != nil {
				return err
			}
			wait(20 * time.Second)
			if err := give(); err != nil {
				return err
			}
			return whole()
		}},
		{Proxy, true, func() error {
			c.end("haproxy", syscall.SIGKILL)
			if err := c.startProxy(); err != nil {
				return err
			}
			wait(5 * time.Second)
			return nil
		}},
	}
	for _, step := range steps {
		if step.long && p.Short || step.phase == Upgrade && p.Before == "" || step.phase == FullDisk && !c.disks { // only root has disks to fill
			continue
		}
		say(step.phase)
		s.enters(step.phase)
		order = append(order, step.phase)
		if err := step.do(); err != nil {
			return order, fmt.Errorf("%s: %w", step.phase, err)
		}
		s.enters(Quiet)
		wait(3 * time.Second)
	}
	return order, nil
}

// Logs says where what the programs said lies.
func Logs(folder string) string { return filepath.Join(folder, "*.log") }
