// Command cuerda serves the application, and reads build documents from the
// command line.
package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"os"

	"github.com/spf13/cobra"

	"cuerda/internal/problem"
	"cuerda/internal/version"
)

func main() { os.Exit(run(os.Args[1:], os.Stdin, os.Stdout, os.Stderr)) }

// run gives the exit status: 0, 2 for a document that cannot be used, 1 for
// any other failure.
func run(args []string, in io.Reader, out, errs io.Writer) int {
	root := &cobra.Command{
		Use:           "cuerda",
		Short:         "Patties, meatballs, loaves and stuffings that hold without eggs or breadcrumbs",
		Version:       version.Number,
		SilenceUsage:  true,
		SilenceErrors: true,
	}
	root.SetArgs(args)
	root.SetIn(in)
	root.SetOut(out)
	root.SetErr(errs)
	root.CompletionOptions.DisableDefaultCmd = true
	root.AddCommand(startCommand(), predictCommand(), bindCommand(), bakeCommand(), readCommand(), composeCommand(), exportCommand(), schemaCommand(), openAPICommand(), backupCommand(), restoreCommand(), planCommand(), learnCommand(), instrumentsCommand(), accountCommand(), loadCommand(), poolCommand())
	err := root.Execute()
	var p *problem.Problem
	switch {
	case err == nil:
		return 0
	case errors.As(err, &p):
		_ = writeJSON(errs, p)
		return 2
	}
	fmt.Fprintln(errs, "cuerda:", err)
	return 1
}

func writeJSON(w io.Writer, v any) error {
	enc := json.NewEncoder(w)
	enc.SetEscapeHTML(false)
	enc.SetIndent("", "  ")
	return enc.Encode(v)
}
