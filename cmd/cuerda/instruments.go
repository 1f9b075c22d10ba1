package main

import (
	"context"
	"errors"
	"net/http"
	"os"
	"os/signal"
	"syscall"
	"time"

	"github.com/spf13/cobra"

	"cuerda/internal/device"
)

func instrumentsCommand() *cobra.Command {
	var at, token string
	var noScale, noProbes bool
	var every time.Duration
	cmd := &cobra.Command{
		Use:   "instruments",
		Short: "Simulate a scale and probes for a course",
		Long: `Runs a simulated kitchen scale and the probes of what is on the heat, for the
course that shows the token, until the course is over. They send what they measure
as SenML (RFC 8428) to POST /api/readings, as any real instrument can: an oven that
is not what it says, probes with lag, noise, drift and dropouts, pours that
overshoot.`,
		Args: cobra.NoArgs,
		RunE: func(cmd *cobra.Command, _ []string) error {
			if token == "" {
				return errors.New("--token should be one that the course gave to let an instrument in")
			}
			ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
			defer stop()
			kitchen := &device.Remote{Client: &http.Client{Timeout: 10 * time.Second}, URL: at, Token: token}
			if _, err := kitchen.Course(ctx); err != nil {
				return err
			}
			cmd.Println("Measuring. Stop it with Ctrl+C.")
			return device.Run(ctx, kitchen, device.Options{Seed: device.Seeded(token), Scale: !noScale, Probes: !noProbes, Every: every})
		},
	}
	f := cmd.Flags()
	f.StringVar(&at, "server", "http://127.0.0.1:8080", "where Cuerda is")
	f.StringVar(&token, "token", os.Getenv("CUERDA_TOKEN"), "what the course gave to let an instrument in (CUERDA_TOKEN)")
	f.BoolVar(&noScale, "no-scale", false, "leave the scale out")
	f.BoolVar(&noProbes, "no-probes", false, "leave the probes out")
	f.DurationVar(&every, "every", 0, "how often to measure; half a second where it says nothing")
	return cmd
}
