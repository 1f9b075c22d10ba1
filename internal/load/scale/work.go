package main

import (
	"context"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"os/exec"
	"strconv"
	"strings"
	"sync"
	"sync/atomic"
	"time"

	"github.com/gin-gonic/gin"
)

// learn waits until no kitchen has anything to learn, and says how many had, and how long that took.
func (p *program) learn(ctx context.Context) (string, error) {
	began := time.Now()
	first, _, err := p.learning(ctx)
	if err != nil {
		return "", err
	}
	for {
		left, seconds, err := p.learning(ctx)
		if err != nil {
			return "", err
		}
		if left == 0 {
			if first == 0 {
				return "they had learned before", nil
			}
			took := time.Since(began).Seconds()
			return fmt.Sprintf("%d in %.0f s; %.0f ms each", first, took, 1000*seconds/float64(first)), nil
		}
		select {
		case <-ctx.Done():
			return "", ctx.Err()
		case <-time.After(time.Second):
		}
	}
}

// learning reads on the program's metrics how many kitchens have yet to learn, and how long learning took, s.
func (p *program) learning(ctx context.Context) (left int, seconds float64, err error) {
	r, err := http.NewRequestWithContext(ctx, "GET", p.metrics, nil)
	if err != nil {
		return 0, 0, err
	}
	got, err := p.client.Do(r)
	if err != nil {
		return 0, 0, err
	}
	defer got.Body.Close()
	text, err := io.ReadAll(got.Body)
	for line := range strings.Lines(string(text)) {
		name, value, _ := strings.Cut(strings.TrimSpace(line), " ")
		number, _ := strconv.ParseFloat(value, 64)
		switch name {
		case "cuerda_kitchens_to_learn":
			left = int(number)
		case "cuerda_learning_seconds_total":
			seconds = number
		}
	}
	return left, seconds, err
}

// predicting is how long predictions are asked for, and atOnce by how many.
const (
	predicting = 6 * time.Second
	atOnce     = 16
)

// predictions says how often a prediction is answered beside a bare handler that answers with the same bytes. Both are
// programs of their own, and are asked in turn by the same clients.
func predictions(ctx context.Context, p *program, kitchen string) (string, error) {
	body := heated[0]
	answer, _, err := p.do(ctx, "POST", kitchen, "/predict", body)
	if err != nil {
		return "", err
	}
	bare, err := startBare(ctx, answer)
	if err != nil {
		return "", err
	}
	defer bare.stop()
	var rate [2]float64
	for range 2 { // the second time counts: both are warm
		for i, url := range []string{bare.url, p.url + "/api/kitchens/" + kitchen + "/predict"} {
			if rate[i], err = answersASecond(ctx, p.client, url, body); err != nil {
				return "", err
			}
		}
	}
	return fmt.Sprintf("%.2f as often: %.0f a second against %.0f", rate[1]/rate[0], rate[1], rate[0]), nil
}

func answersASecond(ctx context.Context, client *http.Client, url, body string) (float64, error) {
	within, stop := context.WithTimeout(ctx, predicting)
	defer stop()
	var count atomic.Int64
	var failed atomic.Value
	var all sync.WaitGroup
	for range atOnce {
		all.Go(func() {
			for within.Err() == nil {
				r, _ := http.NewRequestWithContext(within, "POST", url, strings.NewReader(body))
				r.Header.Set("Content-Type", "application/json")
				got, err := client.Do(r)
				if err != nil {
					continue // its time is over
				}
				_, _ = io.Copy(io.Discard, got.Body)
				got.Body.Close()
				if got.StatusCode != http.StatusOK {
					failed.Store(got.Status)
					return
				}
				count.Add(1)
			}
		})
	}
	all.Wait()
	if status := failed.Load(); status != nil {
		return 0, fmt.Errorf("%s: %s", url, status)
	}
	return float64(count.Load()) / predicting.Seconds(), nil
}

// bareAnswer names, in the environment, the file that this program answers with where it is started as the bare handler.
const bareAnswer = "CUERDA_BARE_ANSWER"

// startBare starts this program anew as a handler that answers everything with the same bytes.
func startBare(ctx context.Context, answer []byte) (*program, error) {
	file, err := os.CreateTemp("", "cuerda-answer-")
	if err != nil {
		return nil, err
	}
	defer os.Remove(file.Name())
	if _, err := file.Write(answer); err != nil {
		return nil, err
	}
	self, err := os.Executable()
	if err != nil {
		return nil, err
	}
	cmd := exec.CommandContext(ctx, self)
	cmd.Env = append(os.Environ(), bareAnswer+"="+file.Name())
	return started(cmd)
}

// serveBare is the bare handler.
func serveBare(file string) error {
	answer, err := os.ReadFile(file)
	if err != nil {
		return err
	}
	gin.SetMode(gin.ReleaseMode)
	bare := gin.New()
	bare.POST("/", func(g *gin.Context) {
		_, _ = io.Copy(io.Discard, g.Request.Body)
		g.Data(http.StatusOK, "application/json", answer)
	})
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return err
	}
	fmt.Printf("%shttp://%s\n", isAt, l.Addr())
	return http.Serve(l, bare) //nolint:gosec // for as long as a measurement takes
}
