package main

import (
	"github.com/spf13/cobra"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/recipe"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/proposal"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

// readAnswer is the answer of the read command: the recipe as it was found and
// understood, and the build document that it becomes.
type readAnswer struct {
	wire.Found
	wire.Understood
	Document  *document.Document `json:"document"`
	Chance    float64            `json:"chance"`
	Questions []wire.Question    `json:"questions"`
}

func readCommand() *cobra.Command {
	var build bool
	cmd := &cobra.Command{
		Use:   "read FILE",
		Short: "Read a recipe as cooks write it, as JSON",
		Long: "Reads a recipe (plain text, Markdown, JSON-LD, the source of a page) from a file, or from standard input with -, " +
			"and prints what was understood, the build it becomes and what to ask. With --build it prints the build document alone: cuerda read --build r.txt | cuerda predict -",
		Args: cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			data, err := readFile(cmd, args[0], recipe.MaxBytes)
			if err != nil {
				return err
			}
			reader := ingredient.NewReader(food.Starter())
			found, err := recipe.Read(data, reader, nil)
			if err != nil {
				return problem.New(422, "no-recipe", err.Error())
			}
			k := kitchen.Usual()
			out := readAnswer{Found: wire.Of[wire.Found](found)}
			if found.Whole != nil {
				if out.Document, err = document.Read(found.Whole, k.Foods); err != nil {
					return problem.OfDocument(err)
				}
				out.Lines, out.Spans, out.Questions = []wire.ReadLine{}, []wire.StepSpan{}, []wire.Question{}
			} else {
				understood := recipe.Understand(&found, reader, k.Foods)
				made := wire.Of[wire.Draft](proposal.Of(&found, &understood, k))
				out.Understood = wire.Of[wire.Understood](understood)
				out.Document, out.Chance, out.Questions = &made.Document, made.Chance, made.Questions
			}
			if build {
				return writeJSON(cmd.OutOrStdout(), out.Document)
			}
			return writeJSON(cmd.OutOrStdout(), out)
		},
	}
	cmd.Flags().BoolVar(&build, "build", false, "print the build document alone")
	return cmd
}
