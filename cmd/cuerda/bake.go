package main

import (
	"fmt"
	"slices"

	"github.com/spf13/cobra"

	"cuerda/core/kitchen"
	"cuerda/core/physics/safety"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
	"cuerda/internal/wire"
)

// baked is a prediction with what cooking does.
type baked struct {
	wire.Prediction
	wire.Baked
}

func bakeCommand() *cobra.Command {
	settings := kitchen.UsualSettings()
	guidance := string(settings.Guidance)
	var section bool
	var of string
	cmd := &cobra.Command{
		Use:   "bake FILE",
		Short: "Say how long a build takes to cook, and what that does to it, as JSON",
		Long: `Reads a build document as predict does, and adds the pieces, the minutes, when to
turn and to take off, the weight lost, the curves of core and surface, and the
steps with their times of day.`,
		Args: cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			k, err := readKitchen(cmd, of)
			if err != nil {
				return err
			}
			k = given(k, &settings, cmd.Flags().Changed)
			if cmd.Flags().Changed("guidance") || of == "" {
				k.Guidance = safety.Guidance(guidance)
			}
			if !slices.Contains(safety.Guidances, k.Guidance) {
				return fmt.Errorf("--guidance %q: the guidances are %v", guidance, safety.Guidances)
			}
			if err := k.Check(); err != nil {
				return err
			}
			d, err := readDocumentOf(cmd, args[0], k)
			if err != nil {
				return err
			}
			return writeJSON(cmd.OutOrStdout(), baked{wire.Of[wire.Prediction](predict.Predict(d, k)), wire.Of[wire.Baked](bake.Bake(d, k, bake.Options{Section: section, Now: -1}))})
		},
	}
	kitchenFlag(cmd, &of)
	f := cmd.Flags()
	f.StringVar(&guidance, "guidance", guidance, "whose core temperatures: us, uk or own")
	f.Float64Var(&settings.OwnCelsius, "own-celsius", 0, "core temperature of your own local rule, degC")
	f.Float64Var(&settings.OwnMinutes, "own-minutes", 0, "minutes at that temperature")
	f.Float64Var(&settings.OvenOffset, "oven-offset", 0, "how much hotter the oven is than it says, K")
	f.Float64Var(&settings.AltitudeM, "altitude", 0, "metres above the sea, for where water boils")
	f.Float64Var(&settings.RoomCelsius, "room", settings.RoomCelsius, "the kitchen's temperature, degC")
	f.BoolVar(&section, "section", false, "add the piece cut through over time")
	return cmd
}

// given gives the kitchen with the settings that flags gave in place of its own.
func given(k *kitchen.Kitchen, settings *kitchen.Settings, changed func(string) bool) *kitchen.Kitchen {
	out := *k
	for flag, set := range map[string]func(){
		"own-celsius": func() { out.OwnCelsius = settings.OwnCelsius }, "own-minutes": func() { out.OwnMinutes = settings.OwnMinutes },
		"oven-offset": func() { out.OvenOffset = settings.OvenOffset }, "altitude": func() { out.AltitudeM = settings.AltitudeM },
		"room": func() { out.RoomCelsius = settings.RoomCelsius },
	} {
		if changed(flag) {
			set()
		}
	}
	return &out
}
