package main

import (
	"fmt"
	"slices"

	"github.com/spf13/cobra"

	"cuerda/core/advise"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/predict"
	"cuerda/internal/wire"
)

// bound is a prediction with what else would bind the mix.
type bound struct {
	wire.Prediction
	wire.Answer
}

func bindCommand() *cobra.Command {
	var replaceBinders bool
	var replace string
	var names []string
	var aim string
	cmd := &cobra.Command{
		Use:   "bind FILE",
		Short: "Choose binders for a build, as JSON",
		Long: `Reads a build document as predict does, and adds "suggest": ways to make the
mix hold, the best first: what a cook would do, in up to three moves. The binders of
the document are kept unless --replace binders is given; --replace classic converts a
recipe that is bound with egg, crumbs, bread and milk.`,
		Args: cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			if aim != "" && !slices.Contains(advise.Aims, advise.Aim(aim)) {
				return fmt.Errorf("--aim %q: the aims are %v", aim, advise.Aims)
			}
			if !slices.Contains(advise.Replaces, advise.Replace(replace)) {
				return fmt.Errorf("--replace %q: it is one of %v", replace, advise.Replaces)
			}
			foods := food.Starter()
			for _, id := range names {
				if foods.Find(id) == nil {
					return fmt.Errorf("--foods: there is no food %q; did you mean %q?", id, foods.Nearest(id))
				}
			}
			d, err := readDocument(cmd, args[0])
			if err != nil {
				return err
			}
			o := advise.Options{Foods: names, Aim: advise.Aim(aim)}
			o.Replace = advise.Replace(replace)
			if replaceBinders {
				o.Replace = advise.Binders
			}
			k := kitchen.Usual()
			return writeJSON(cmd.OutOrStdout(), bound{wire.Of[wire.Prediction](predict.Predict(d, k)), wire.Of[wire.Answer](advise.Bind(k, d, o))})
		},
	}
	cmd.Flags().StringVar(&replace, "replace", string(advise.KeepAll), "which lines give way: none, binders or classic (egg, crumbs, bread, milk)")
	cmd.Flags().BoolVar(&replaceBinders, "replace-binders", false, "the same as --replace binders")
	cmd.Flags().StringSliceVar(&names, "foods", nil, "only these as binders, a,b,c")
	cmd.Flags().StringVar(&aim, "aim", "", "only this aim")
	return cmd
}
