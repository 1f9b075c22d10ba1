package main

import (
	"encoding/json"
	"fmt"

	"github.com/spf13/cobra"

	"cuerda/internal/load"
)

func loadCommand() *cobra.Command {
	var into place
	var households, versions, tries, readings int
	var seed uint64
	cmd := &cobra.Command{
		Use:   "load",
		Short: "Fill an empty place with made-up households, to try how much a server bears",
		Long: `Fills an empty database with households that are made up, from a seed: each with
builds and their versions, tries, and cookings with their readings. It is for trials
(docs/performance.md), and refuses a place where there is a kitchen.`,
		Args: cobra.NoArgs,
		RunE: func(cmd *cobra.Command, _ []string) error {
			size := load.Usual(households)
			for flag, to := range map[string]struct{ given, of *int }{"versions": {&versions, &size.Versions}, "tries": {&tries, &size.Tries}, "readings": {&readings, &size.Readings}} {
				if cmd.Flags().Changed(flag) {
					*to.of = *to.given
				}
			}
			size.Seed = seed
			if cmd.Flags().Changed("versions") {
				size.Large = nil
			}
			s, done, err := into.open(cmd.Context(), false)
			if err != nil {
				return err
			}
			defer done()
			kitchens, err := load.Fill(cmd.Context(), s, size, func(what string) { fmt.Fprintln(cmd.ErrOrStderr(), what) })
			if err != nil {
				return err
			}
			return json.NewEncoder(cmd.OutOrStdout()).Encode(kitchens)
		},
	}
	into.flags(cmd)
	f := cmd.Flags()
	f.IntVar(&households, "households", 100, "how many households")
	f.IntVar(&versions, "versions", 0, "how many versions of builds in all, the same for each (100 for each, and two large kitchens)")
	f.IntVar(&tries, "tries", 0, "how many tries in all (20 for each)")
	f.IntVar(&readings, "readings", 0, "how many readings of probes in all (10 000 for each)")
	f.Uint64Var(&seed, "seed", 1, "what everything is drawn from")
	return cmd
}
