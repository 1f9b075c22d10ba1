// Command made cooks the season of the demonstration kitchen anew and writes its logbook to
// standard output.
package main

import (
	"fmt"
	"os"

	"cuerda/core/food"
	"cuerda/internal/demo"
)

func main() {
	all, err := demo.Simulate(food.Starter())
	if err == nil {
		var text []byte
		if text, err = demo.LogbookFile(all); err == nil {
			_, err = os.Stdout.Write(text)
		}
	}
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
}
