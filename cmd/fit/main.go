// Command fit learns the figures that no published table gives from builds with known
// outcomes, says how well they do on builds held out, and writes the tables that ship.
package main

import (
	"encoding/csv"
	"flag"
	"fmt"
	"maps"
	"math"
	"os"
	"slices"
	"strings"

	"cuerda/core/food"
	"cuerda/core/learn"
	"cuerda/core/physics/mix"
)

func main() {
	steps := flag.Int("steps", 90, "steps of the optimiser")
	folds := flag.Int("folds", 0, "folds of the builds held out; 0 holds none out")
	write := flag.Bool("write", false, "write core/food/learned.csv, core/physics/mix/judge.csv and kin.csv, core/physics/eating/eating.csv")
	worst := flag.Int("worst", 0, "how many of the worst builds to name")
	flag.Parse()
	if err := run(learn.Options{Steps: *steps}, *folds, *write, *worst); err != nil {
		fmt.Fprintln(os.Stderr, "fit:", err)
		os.Exit(1)
	}
}

func run(o learn.Options, folds int, write bool, worst int) error {
	foods := food.AsJudged()
	builds, err := learn.Outcomes(foods)
	if err != nil {
		return err
	}
	f, err := learn.Learn(builds, foods, o)
	if err != nil {
		return err
	}
	said := f.Predict(builds)
	tell("all", learn.ScoreOf(builds, said))
	if folds > 0 {
		if said, err = learn.HeldOut(builds, foods, folds, o); err != nil {
			return err
		}
		tell("held out", learn.ScoreOf(builds, said))
		for _, b := range learn.Reliability(builds, said) {
			fmt.Printf("said %.2f to %.2f: %3d builds, said %.2f, known %.2f\n", b.From, b.To, b.Builds, b.Said, b.Known)
		}
	}
	for _, groups := range []map[string]learn.Score{
		learn.ScoresBy(builds, said, func(b *learn.Build) string { return b.Family }),
		learn.ScoresBy(builds, said, func(b *learn.Build) string { return "set " + b.Set }),
	} {
		for _, name := range slices.Sorted(maps.Keys(groups)) {
			tell(name, groups[name])
		}
	}
	order := make([]int, len(builds))
	for i := range order {
		order[i] = i
	}
	off := func(i int) float64 { return math.Abs(min(said[i].Raw, said[i].Cooked) - builds[i].Chance()) }
	slices.SortFunc(order, func(a, b int) int { return int(math.Copysign(1, off(b)-off(a))) })
	for _, i := range order[:min(worst, len(order))] {
		b, s := builds[i], said[i]
		hand := mix.Word("-")
		if len(b.Hand) > 0 {
			hand = b.Hand[0]
		}
		fmt.Printf("%s %-44s %-14s %s (said %s) raw %.2f (%.2f) cooked %.2f (%.2f)\n", b.ID, b.Ladder, b.Family, hand, s.Word, b.Raw, s.Raw, b.Cooked, s.Cooked)
	}
	if !write {
		return nil
	}
	sure, err := f.Posterior(builds)
	if err != nil {
		return err
	}
	rows := [][]string{strings.Split(food.LearnedColumns, ",")}
	all := foods.Foods()
	for i := range all {
		if learn.ClassOf(all[i]) != "" {
			rows = append(rows, sure.Learned(all[i]).Row(all[i].ID))
		}
	}
	if err := save("core/food/learned.csv", rows); err != nil {
		return err
	}
	if err := save("core/physics/mix/kin.csv", mix.KinTable(f.Kin())); err != nil {
		return err
	}
	if err := save("core/physics/eating/eating.csv", f.Eating().Table()); err != nil {
		return err
	}
	return save("core/physics/mix/judge.csv", f.Judge(builds).Table())
}

func tell(which string, s learn.Score) {
	fmt.Printf("%s: %d builds, Brier %.4f (raw %.4f, cooked %.4f), right side %.0f%%, words %.0f%%, covered %.0f%%, eating off by %.3f\n", which, s.Builds, s.Brier, s.Raw, s.Cooked, 100*s.RightSide, 100*s.Words, 100*s.Covered, s.Eat)
}

func save(name string, rows [][]string) error {
	file, err := os.Create(name)
	if err != nil {
		return err
	}
	defer file.Close()
	return csv.NewWriter(file).WriteAll(rows)
}
