package main

import (
	"github.com/spf13/cobra"

	"cuerda/core/kitchen"
	"cuerda/core/supper/menu"
	"cuerda/internal/answer"
	"cuerda/internal/problem"
)

func planCommand() *cobra.Command {
	return &cobra.Command{
		Use:   "plan FILE",
		Short: "Say when each step of a supper of several dishes begins, as JSON",
		Long: `Reads a supper (docs/formats/supper.md) from a file, or from standard input with -, and prints a
plan. A supper that cannot be planned gives a problem that names what is in the way, and exit status 2.`,
		Args: cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			text, err := readFile(cmd, args[0], menu.MaxBytes)
			if err != nil {
				return err
			}
			d, err := menu.Read(text)
			if err != nil {
				return problem.OfSupper(err, nil)
			}
			planned, err := menu.Make(d, kitchen.Usual())
			if err != nil {
				return problem.OfSupper(err, d.Dishes)
			}
			return writeJSON(cmd.OutOrStdout(), answer.PlanOf(planned))
		},
	}
}
