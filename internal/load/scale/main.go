// Command scale measures how much one server bears, beside a small kitchen in the same run, and writes what it found into
// docs/performance.md: see "make scale". The servers that it measures are programs of their own.
package main

import (
	"bytes"
	"context"
	"flag"
	"fmt"
	"os"
	"os/signal"
	"path/filepath"
	"runtime"
	"strconv"
	"strings"
	"syscall"
	"time"

	"cuerda/internal/load"
)

type options struct {
	binary, folder, page string
	households           int
	cookings, followers  int
	seconds              int
	stove                bool
}

func main() {
	if file := os.Getenv(bareAnswer); file != "" {
		if err := serveBare(file); err != nil {
			fmt.Fprintln(os.Stderr, "scale:", err)
		}
		return
	}
	var o options
	flag.StringVar(&o.binary, "cuerda", "bin/cuerda", "the program that is measured")
	flag.StringVar(&o.folder, "folder", filepath.Join(os.TempDir(), "cuerda-scale"), "where the databases are made, and kept for the next time")
	flag.StringVar(&o.page, "page", "", "a page between whose marks the table is put")
	flag.IntVar(&o.households, "households", 10_000, "how many households")
	flag.IntVar(&o.cookings, "cookings", 300, "how many cookings at once")
	flag.IntVar(&o.followers, "followers", 3000, "how many devices follow them")
	flag.IntVar(&o.seconds, "seconds", 60, "how long they cook")
	flag.BoolVar(&o.stove, "stove", false, "measure cookings alone")
	flag.Parse()
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	if err := measure(ctx, o); err != nil {
		fmt.Fprintln(os.Stderr, "scale:", err)
		os.Exit(1)
	}
}

// table is what was measured, a line for each.
type table struct{ lines []string }

func (t *table) add(what, goal, found string) {
	line := fmt.Sprintf("| %s | %s | %s |", what, goal, found)
	fmt.Println(line)
	t.lines = append(t.lines, line)
}

func measure(ctx context.Context, o options) error {
	big, err := filled(ctx, o.binary, filepath.Join(o.folder, strconv.Itoa(o.households)), "--households", strconv.Itoa(o.households))
	if err != nil {
		return err
	}
	size := load.Usual(o.households)
	small, err := filled(ctx, o.binary, filepath.Join(o.folder, "small"), "--households", "1", "--versions", "20000", "--tries", "20", "--readings", "10000")
	if err != nil {
		return err
	}
	t := &table{}
	if o.stove {
		p, err := startProgram(ctx, o.binary, filepath.Join(o.folder, strconv.Itoa(o.households), "data"))
		if err != nil {
			return err
		}
		defer p.stop()
		return ofCookings(ctx, o, p, t, big[len(size.Large):])
	}
	alone, err := ofSmall(ctx, o, small)
	if err != nil {
		return err
	}
	p, err := startProgram(ctx, o.binary, filepath.Join(o.folder, strconv.Itoa(o.households), "data"))
	if err != nil {
		return err
	}
	defer p.stop()
	if err := ofBig(ctx, o, p, t, size, big, alone); err != nil {
		return err
	}
	if o.page == "" {
		return nil
	}
	return write(o.page, fmt.Sprintf("Measured on %s with %d cores, by `make scale`: %d households, %d versions, %d tries, %d readings.\n\n| what | goal | found |\n| --- | --- | --- |\n%s\n",
		time.Now().Format("2006-01-02"), runtime.NumCPU(), o.households, size.Versions, size.Tries, size.Readings, strings.Join(t.lines, "\n")))
}

// ofSmall asks a kitchen that is alone on its server.
func ofSmall(ctx context.Context, o options, small []load.Kitchen) (map[string]float64, error) {
	p, err := startProgram(ctx, o.binary, filepath.Join(o.folder, "small", "data"))
	if err != nil {
		return nil, err
	}
	defer p.stop()
	if _, err := p.learn(ctx); err != nil { // what is done in the background is not measured here
		return nil, err
	}
	return ask(ctx, p, small)
}

func ofBig(ctx context.Context, o options, p *program, t *table, size load.Size, kitchens []load.Kitchen, alone map[string]float64) error {
	learned, err := p.learn(ctx)
	if err != nil {
		return err
	}
	t.add(fmt.Sprintf("all %d kitchens learn anew in the background: how many had to", len(kitchens)), "", learned)
	large, rest := kitchens[:len(size.Large)], kitchens[len(size.Large):]
	groups := []struct {
		name     string
		kitchens []load.Kitchen
	}{{"as large, among all", large[:min(1, len(large))]}, {"five times as large", large[min(1, len(large)):]}, {"any of the others", rest}}
	found := make([]map[string]float64, len(groups))
	for i, g := range groups {
		if len(g.kitchens) == 0 {
			continue
		}
		if found[i], err = ask(ctx, p, g.kitchens); err != nil {
			return err
		}
	}
	for _, q := range questions {
		said := []string{fmt.Sprintf("%.1f ms in a kitchen of 20 000 versions alone", alone[q])}
		for i, g := range groups {
			if found[i] != nil {
				said = append(said, fmt.Sprintf("%.1f %s", found[i][q], g.name))
			}
		}
		t.add("builds: "+q+", 95 of 100", fmt.Sprintf("%.1f ms: a quarter more", 1.25*alone[q]), strings.Join(said, "; "))
	}
	for _, n := range []int{1000} {
		round, err := use(ctx, p, rest[:min(n, len(rest))])
		if err != nil {
			return err
		}
		memory, err := p.memory()
		if err != nil {
			return err
		}
		t.add(fmt.Sprintf("memory after %d households have used it", min(n, len(rest))), "500 MB", fmt.Sprintf("%.0f MB; six questions of a household %.0f ms, 95 of 100", memory, round))
	}
	of, err := predictions(ctx, p, rest[0].ID)
	if err != nil {
		return err
	}
	t.add("predictions over HTTP, beside a bare handler of the same bytes", "half as often", of)
	return ofCookings(ctx, o, p, t, rest)
}

func ofCookings(ctx context.Context, o options, p *program, t *table, kitchens []load.Kitchen) error {
	f, err := cook(ctx, p, kitchens, o.cookings, o.followers, o.seconds)
	if err != nil {
		return err
	}
	t.add(fmt.Sprintf("%d cookings with probes, %d followers: sent to told, 95 of 100", f.Cookings, f.Followers), "250 ms", fmt.Sprintf("%.0f ms; %d readings refused; %.0f MB", millis(f.Told), f.Refused, f.MemoryMB))
	t.add("their forecasts, a third of them of loaves: from the reading that asks for one until followers are told, 95 of 100", "5 s", fmt.Sprintf("%.1f s", f.Forecast.Seconds()))
	return nil
}

// The marks between which the table stands.
const opening, closing = "<!-- scale -->", "<!-- /scale -->"

func write(page, text string) error {
	was, err := os.ReadFile(page)
	if err != nil {
		return err
	}
	from, to := bytes.Index(was, []byte(opening)), bytes.Index(was, []byte(closing))
	if from < 0 || to < from {
		return fmt.Errorf("%s has no %s and %s", page, opening, closing)
	}
	return os.WriteFile(page, []byte(string(was[:from+len(opening)])+"\n"+text+string(was[to:])), 0o644)
}
