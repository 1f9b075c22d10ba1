package main

import (
	"fmt"
	"io"
	"net/http"
	"os"

	"github.com/spf13/cobra"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/predict"
	"cuerda/internal/api"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

// maxDocument is the largest document that is read, bytes.
const maxDocument = 1 << 20

// readDocument reads the build document of a command: a file, or - for
// standard input.
func readDocument(cmd *cobra.Command, name string) (*document.Document, error) {
	return readDocumentOf(cmd, name, kitchen.Usual())
}

// readDocumentOf reads one with the foods of a kitchen.
func readDocumentOf(cmd *cobra.Command, name string, k *kitchen.Kitchen) (*document.Document, error) {
	text, err := readFile(cmd, name, maxDocument)
	if err != nil {
		return nil, err
	}
	d, err := document.Read(text, k.Foods)
	if err != nil {
		return nil, problem.OfDocument(err)
	}
	return d, nil
}

// readFile reads the file of a command, or standard input for -.
func readFile(cmd *cobra.Command, name string, most int) ([]byte, error) {
	in := cmd.InOrStdin()
	if name != "-" {
		f, err := os.Open(name)
		if err != nil {
			return nil, err
		}
		defer f.Close()
		in = f
	}
	text, err := io.ReadAll(io.LimitReader(in, int64(most)+1))
	if err == nil && len(text) > most {
		return nil, problem.New(413, problem.TooLarge, fmt.Sprintf("The file is larger than %d bytes.", most))
	}
	return text, err
}

func predictCommand() *cobra.Command {
	var of string
	cmd := &cobra.Command{
		Use:   "predict FILE",
		Short: "Say how a build feels and holds, as JSON",
		Long:  "Reads a build document (docs/formats) from a file, or from standard input with -, and prints one JSON object.",
		Args:  cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			k, err := readKitchen(cmd, of)
			if err != nil {
				return err
			}
			d, err := readDocumentOf(cmd, args[0], k)
			if err != nil {
				return err
			}
			return writeJSON(cmd.OutOrStdout(), wire.Of[wire.Prediction](predict.Predict(d, k)))
		},
	}
	kitchenFlag(cmd, &of)
	return cmd
}

// kitchenFlag lets a command work for the kitchen of a file.
func kitchenFlag(cmd *cobra.Command, of *string) {
	cmd.Flags().StringVar(of, "kitchen", "", "a file with the kitchen: its settings, its foods, what it learned (docs/formats/tries.md)")
}

// readKitchen reads the kitchen of a file; the usual one where there is none.
func readKitchen(cmd *cobra.Command, name string) (*kitchen.Kitchen, error) {
	if name == "" {
		return kitchen.Usual(), nil
	}
	text, err := readFile(cmd, name, maxKitchen)
	if err != nil {
		return nil, err
	}
	k, err := kitchen.ReadFile(text, food.Starter())
	if err != nil {
		return nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "The kitchen cannot be used: "+err.Error()+".")
	}
	return k, nil
}

// maxKitchen is the largest kitchen that is read, bytes.
const maxKitchen = 8 << 20

func schemaCommand() *cobra.Command {
	return &cobra.Command{
		Use:       "schema [supper]",
		Short:     "Print the JSON Schema of the build document, or of the supper",
		Args:      cobra.MatchAll(cobra.MaximumNArgs(1), cobra.OnlyValidArgs),
		ValidArgs: []string{"supper"},
		RunE: func(cmd *cobra.Command, args []string) error {
			if len(args) > 0 {
				return writeJSON(cmd.OutOrStdout(), api.SupperSchema())
			}
			return writeJSON(cmd.OutOrStdout(), document.Schema(food.Starter()))
		},
	}
}

func openAPICommand() *cobra.Command {
	return &cobra.Command{
		Use:   "openapi",
		Short: "Print the OpenAPI description of the HTTP interface",
		Args:  cobra.NoArgs,
		RunE: func(cmd *cobra.Command, _ []string) error {
			text, err := api.OpenAPI()
			if err != nil {
				return err
			}
			return writeJSON(cmd.OutOrStdout(), rawJSON(text))
		},
	}
}

// rawJSON is JSON that is only to be laid out anew.
type rawJSON []byte

func (r rawJSON) MarshalJSON() ([]byte, error) { return r, nil }
