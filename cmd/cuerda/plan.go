package main

import (
	"fmt"
	"time"

	"github.com/spf13/cobra"

	"cuerda/core/kitchen"
	"cuerda/core/plan/supper"
	"cuerda/internal/export"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

func planCommand() *cobra.Command {
	var format, language string
	cmd := &cobra.Command{
		Use:   "plan FILE",
		Short: "Say when each step of a supper of several dishes begins, as JSON",
		Long: `Reads a supper (docs/formats/supper.md) from a file, or from standard input with -, and prints a
plan. A supper that cannot be planned gives a problem that names what is in the way, and exit status 2.`,
		Args: cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			text, err := readFile(cmd, args[0], supper.MaxBytes)
			if err != nil {
				return err
			}
			if format != "json" && format != "ics" && format != "csv" {
				return fmt.Errorf("--format should be json, ics or csv, not %q", format)
			}
			if language != "en" && language != "es" {
				return fmt.Errorf("--language should be en or es, not %q", language)
			}
			d, err := supper.Read(text)
			if err != nil {
				return problem.OfSupper(err, nil)
			}
			k, baker := kitchen.Usual(), &supper.Baker{}
			planned, err := baker.Make(d, k, supper.Options{Done: cmd.Context().Done()})
			if err != nil {
				return problem.OfSupper(err, d.Dishes)
			}
			switch format {
			case "ics":
				_, err = cmd.OutOrStdout().Write(export.PlanCalendar("", d.Name, planned, time.Now(), language))
				return err
			case "csv":
				values, err := export.PlanValues(planned, language)
				if err != nil {
					return err
				}
				_, err = cmd.OutOrStdout().Write(values)
				return err
			}
			contacts, err := baker.Contacts(d, k)
			if err != nil {
				return problem.OfSupper(err, d.Dishes)
			}
			return writeJSON(cmd.OutOrStdout(), wire.PlanOf(planned, k, contacts))
		},
	}
	cmd.Flags().StringVar(&language, "language", "en", "of the words of events and values: en or es")
	cmd.Flags().StringVar(&format, "format", "json", "json, ics (iCalendar) or csv")
	return cmd
}
