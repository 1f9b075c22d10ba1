package main

import (
	crypto "crypto/rand"
	"encoding/json"
	"errors"
	"fmt"
	"math/rand/v2"
	"os"
	"time"

	"github.com/spf13/cobra"

	"cuerda/core/food"
	"cuerda/core/learn/pool"
	"cuerda/internal/jobs"
	"cuerda/internal/version"
)

func poolCommand() *cobra.Command {
	var from place
	var to string
	var anyway bool
	cmd := &cobra.Command{
		Use:   "pool",
		Short: "Make common figures of foods from the tries of all kitchens that give them",
		Long: `Reads the tries of every kitchen here whose owner gives them, fits what its foods are
like on average (docs/model.md, section 15), and writes a table that "cuerda start
--figures" goes by. In the table is no try, no name and no kitchen: at least 20 households
are behind each figure, and each carries as much noise as one of them could have moved it.
It is measured on households that had no part in it, and not written where it does not help
them. It may run beside a server.`,
		Args: cobra.NoArgs,
		RunE: func(cmd *cobra.Command, _ []string) error {
			ctx := cmd.Context()
			s, done, err := from.open(ctx, true)
			if err != nil {
				return err
			}
			defer done()
			kitchens, err := jobs.Givers(ctx, s, food.Starter(), func(kitchen string, err error) {
				fmt.Fprintf(cmd.ErrOrStderr(), "Kitchen %s cannot be read and is left out: %v\n", kitchen, err)
			})
			if err != nil {
				return err
			}
			var seed [32]byte
			if _, err := crypto.Read(seed[:]); err != nil {
				return err
			}
			table, err := pool.Fit(kitchens, food.Starter(), pool.Options{
				Noise: rand.New(rand.NewChaCha8(seed)), Program: version.Number, Month: time.Now().UTC().Format("2006-01"),
			})
			if few := (*pool.TooFewError)(nil); errors.As(err, &few) {
				return fmt.Errorf("only %d households give tries that tell of foods, and a figure has at least %d behind it: nothing was written. An owner says in \"This kitchen\" whether the kitchen gives its tries", few.Households, pool.Least)
			}
			if err != nil {
				return err
			}
			held := &table.Made.Held
			fmt.Fprintf(cmd.ErrOrStderr(), "%d households or a few more gave %d tries or somewhat more. %d figures of foods came of them.\nOn households held out, the mean square of the chance less the share that held is %.4f by the catalogue and %.4f by these figures.\n",
				table.Made.Households, table.Made.Tries, len(table.Figures), held.Without, held.With)
			if !held.Better() && !anyway {
				return errors.New("these figures do not predict better: nothing was written (--anyway writes them)")
			}
			text, err := json.MarshalIndent(table, "", " ")
			if err != nil {
				return err
			}
			if to == "-" {
				_, err = cmd.OutOrStdout().Write(append(text, '\n'))
				return err
			}
			return os.WriteFile(to, append(text, '\n'), 0o644)
		},
	}
	from.flags(cmd)
	cmd.Flags().StringVar(&to, "out", "figures.json", "file to write the table to; - for the output")
	cmd.Flags().BoolVar(&anyway, "anyway", false, "write it though it does not predict better")
	return cmd
}

// figures reads the table that a server goes by; nil where none is named.
func figures(file string) (*pool.Table, error) {
	if file == "" {
		return nil, nil
	}
	text, err := os.ReadFile(file)
	if err != nil {
		return nil, err
	}
	t, err := pool.Read(text)
	if err != nil {
		return nil, fmt.Errorf("%s: %w", file, err)
	}
	return t, nil
}
