// Command rehearse holds the rehearsal of package rehearsal, and prints what it counted: "make rehearse".
package main

import (
	"context"
	"flag"
	"fmt"
	"os"
	"os/signal"
	"strings"
	"syscall"

	"cuerda/internal/rehearsal"
)

func main() {
	p := rehearsal.Plan{Say: os.Stderr}
	flag.StringVar(&p.Binary, "cuerda", "bin/cuerda", "the program that is tried")
	flag.StringVar(&p.Before, "before", "", "the version that it is upgraded from")
	flag.StringVar(&p.Deploy, "deploy", "deploy", "where the files of a cluster are")
	flag.IntVar(&p.Households, "households", 200, "how many households")
	flag.BoolVar(&p.Short, "short", false, "what takes long is left out")
	flag.Parse()
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	if err := rehearse(ctx, p); err != nil {
		fmt.Fprintln(os.Stderr, "rehearse:", err)
		os.Exit(1)
	}
}

func rehearse(ctx context.Context, p rehearsal.Plan) error {
	if missing := rehearsal.Missing(); len(missing) > 0 {
		return fmt.Errorf("install %s first", strings.Join(missing, ", "))
	}
	var err error
	if p.Folder, err = os.MkdirTemp("", "cuerda-rehearsal-"); err != nil {
		return err
	}
	r, err := rehearsal.Rehearse(ctx, p)
	if err != nil {
		return fmt.Errorf("%w (what the programs said is in %s)", err, rehearsal.Logs(p.Folder))
	}
	fmt.Printf("acknowledged writes %d, lost %d, doubled %d\n", r.Acknowledged, r.Lost, r.Doubled)
	fmt.Printf("followers %d, with a gap %d: told an earlier state after a later one %d, not at the last event in the end %d\n", r.Followers, r.Gaps, r.Back, r.Behind)
	for _, phase := range r.Order {
		fmt.Printf("%6.1f s without saving, at most: %s\n", r.Longest[phase].Seconds(), phase)
	}
	if r.Lost+r.Doubled+r.Gaps > 0 || r.Longest[rehearsal.Primary] > rehearsal.PrimaryWithin || r.Longest[rehearsal.OneCuerda] > rehearsal.CuerdaWithin {
		return fmt.Errorf("it did not go as it should (what the programs said is in %s)", rehearsal.Logs(p.Folder))
	}
	return os.RemoveAll(p.Folder)
}
