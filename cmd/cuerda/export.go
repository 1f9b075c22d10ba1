package main

import (
	"fmt"
	"slices"

	"github.com/spf13/cobra"

	"cuerda/core/kitchen"
	"cuerda/internal/export"
)

func exportCommand() *cobra.Command {
	var format, language string
	var guests bool
	cmd := &cobra.Command{
		Use:   "export FILE",
		Short: "Write a build for others to read: JSON-LD, Markdown, text or CSV",
		Long: `Reads a build document as predict does and writes it as a schema.org Recipe in
JSON-LD (which holds the document too, so that nothing is lost), as Markdown, as
plain text, or its lines as comma-separated values.`,
		Args: cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			if !slices.Contains(export.Formats, export.Format(format)) {
				return fmt.Errorf("--format %q: the formats are %v", format, export.Formats)
			}
			if !slices.Contains(export.Languages, language) {
				return fmt.Errorf("--language %q: the languages are %v", language, export.Languages)
			}
			d, err := readDocument(cmd, args[0])
			if err != nil {
				return err
			}
			text, err := export.Write(d, kitchen.Usual(), export.Format(format), export.Options{Language: language, Guests: guests})
			if err != nil {
				return err
			}
			_, err = cmd.OutOrStdout().Write(text)
			return err
		},
	}
	cmd.Flags().StringVar(&format, "format", string(export.JSONLD), "json-ld, markdown, text, csv or document")
	cmd.Flags().StringVar(&language, "language", "en", "en or es")
	cmd.Flags().BoolVar(&guests, "guests", false, "with the names of those at the table and what each leaves out")
	return cmd
}
