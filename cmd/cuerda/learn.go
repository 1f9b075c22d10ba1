package main

import (
	"errors"
	"fmt"
	"net/http"
	"slices"

	"github.com/spf13/cobra"

	"cuerda/core/document"
	"cuerda/core/learn"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

// maxTries is the largest file of tries that is read, bytes.
const maxTries = 64 << 20

// learnedFile is what learn prints.
type learnedFile struct {
	Format string `json:"format"`
	wire.Learned
	Kitchen wire.LearnedKitchen `json:"kitchen"`
}

func learnCommand() *cobra.Command {
	var of string
	cmd := &cobra.Command{
		Use:   "learn FILE",
		Short: "Say what tries teach of a kitchen, as JSON",
		Long: `Reads a list of tries (docs/formats/tries.md) from a file, or from standard input with -, and prints each
figure that they tell of: what was thought before, what is now, and which tries speak for it; and the
kitchen with what it learned, which --kitchen of other commands reads.`,
		Args: cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			k, err := readKitchen(cmd, of)
			if err != nil {
				return err
			}
			text, err := readFile(cmd, args[0], maxTries)
			if err != nil {
				return err
			}
			tries, err := learn.ReadTries(text, k.Foods)
			if err != nil {
				return problemOfTries(err)
			}
			slices.SortStableFunc(tries, func(a, b learn.Try) int { return a.At.Compare(b.At) })
			l, err := learn.LearnKitchen(tries, k, learn.KitchenOptions{})
			if err != nil {
				return err
			}
			return writeJSON(cmd.OutOrStdout(), learnedFile{"cuerda-learned/1", wire.LearnedOf(l), wire.LearnedKitchen{Settings: k.Settings, Learned: l.Taught}})
		},
	}
	kitchenFlag(cmd, &of)
	return cmd
}

func problemOfTries(err error) error {
	var of *learn.TryError
	if !errors.As(err, &of) {
		return err
	}
	var faults document.Faults
	if errors.As(err, &faults) {
		p := problem.OfDocument(faults)
		p.Detail = fmt.Sprintf("Try %d: %s", of.Index+1, p.Detail)
		for i := range p.Errors {
			p.Errors[i].Pointer = fmt.Sprintf("/%d/build%s", of.Index, p.Errors[i].Pointer)
		}
		return p
	}
	return problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "The tries cannot be used: "+err.Error()+".")
}
