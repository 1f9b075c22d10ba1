package main

import (
	"bytes"
	"encoding/json"
	"errors"

	"github.com/spf13/cobra"

	"cuerda/core/compose"
	"cuerda/core/kitchen"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

// mostAsk is how long an ask may be, bytes.
const mostAsk = 1 << 20

func composeCommand() *cobra.Command {
	return &cobra.Command{
		Use:   "compose FILE",
		Short: "Propose mixes that hold from what is at hand, as JSON",
		Long: "Reads an ask (cuerda-ask/1: what must go in, what may, who eats, what it is to be) from a file, or from standard input with -, " +
			"and prints up to six whole builds that hold, the best first and as unlike as they can be.",
		Args: cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			data, err := readFile(cmd, args[0], mostAsk)
			if err != nil {
				return err
			}
			var ask compose.Ask
			decoder := json.NewDecoder(bytes.NewReader(data))
			decoder.DisallowUnknownFields()
			if err := decoder.Decode(&ask); err != nil {
				return problem.New(422, "bad-ask", err.Error())
			}
			if ask.Format != compose.Format {
				return problem.New(422, "bad-ask", "the format is "+compose.Format)
			}
			answer, err := compose.Compose(kitchen.Usual(), &ask, nil)
			if fault := (*compose.Fault)(nil); errors.As(err, &fault) {
				return problem.New(422, fault.Code, fault.What)
			} else if err != nil {
				return err
			}
			return writeJSON(cmd.OutOrStdout(), wire.Of[wire.Composed](answer))
		},
	}
}
