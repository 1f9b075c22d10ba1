// Command made cooks the season of the demonstration kitchen anew and writes its logbook to
// standard output; with the argument practice, it has its coxswain practise and writes what was called.
package main

import (
	"fmt"
	"os"

	"cuerda/core/food"
	"cuerda/internal/demo"
)

func main() {
	text, err := made()
	if err == nil {
		_, err = os.Stdout.Write(text)
	}
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
}

func made() ([]byte, error) {
	if len(os.Args) > 1 && os.Args[1] == "practice" {
		calls, err := demo.SimulatePractice(food.Starter())
		if err != nil {
			return nil, err
		}
		return demo.PracticeFile(calls)
	}
	all, err := demo.Simulate(food.Starter())
	if err != nil {
		return nil, err
	}
	return demo.LogbookFile(all)
}
