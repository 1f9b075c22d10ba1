package problem

import (
	"errors"
	"fmt"
	"net/http"

	"cuerda/core/plan/schedule"
	"cuerda/core/plan/supper"
)

// The codes of suppers that cannot be planned.
const (
	BadSupper = "bad-supper"
	AtOdds    = "needs-at-odds"
	NoPlan    = "no-plan"
)

// OfSupper makes the problem of a supper that cannot be planned: what is in the way, and the
// single changes that would make room.
func OfSupper(err error, dishes []supper.SupperDish) *Problem {
	var fault *supper.Fault
	if errors.As(err, &fault) {
		p := New(http.StatusUnprocessableEntity, BadSupper, "The supper cannot be used.")
		if fault.Build != nil {
			for _, f := range fault.Build {
				f.Pointer = fault.Pointer + f.Pointer
				p.Errors = append(p.Errors, Item{Fault: f, Message: message(f)})
			}
		} else {
			item := Item{Message: fault.Error()}
			item.Code, item.Pointer, item.Got = fault.Code, fault.Pointer, fault.Got
			p.Errors = append(p.Errors, item)
		}
		if len(p.Errors) > 0 {
			p.Detail += " " + p.Errors[0].Message
		}
		return p
	}
	at := func(r schedule.Ref) (pointer, words string) {
		pointer = fmt.Sprintf("/dishes/%d", r.Dish)
		if r.Dish >= len(dishes) {
			return pointer, "dish " + fmt.Sprint(r.Dish+1)
		}
		d := &dishes[r.Dish]
		if r.Step < len(d.Steps) {
			return fmt.Sprintf("%s/steps/%d", pointer, r.Step), d.Name + ", " + d.Steps[r.Step].Name
		}
		return pointer, d.Name
	}
	add := func(p *Problem, code string, r schedule.Ref, got, format string, args ...any) {
		item := Item{}
		var words string
		item.Code, item.Got = code, got
		item.Pointer, words = at(r)
		item.Message = words + ": " + fmt.Sprintf(format, args...)
		p.Errors = append(p.Errors, item)
	}
	var bad *schedule.Fault
	var lack *schedule.LackError
	var odds *schedule.AtOddsError
	switch {
	case errors.As(err, &bad):
		p := New(http.StatusUnprocessableEntity, BadSupper, "The supper makes no sense as it stands.")
		add(p, bad.Code, bad.Ref, "", "%s.", bad.Code)
		return p
	case errors.As(err, &lack):
		p := New(http.StatusUnprocessableEntity, AtOdds, fmt.Sprintf("A step holds %d %s; the kitchen has %d.", lack.Needs, lack.What, lack.Have))
		add(p, "lacks-"+lack.What, lack.Ref, fmt.Sprint(lack.Needs), "holds %d %s of %d.", lack.Needs, lack.What, lack.Have)
		return p
	case errors.As(err, &odds):
		p := New(http.StatusUnprocessableEntity, AtOdds, "No plan keeps every need. Each of these changes alone would make room.")
		if len(odds.Ways) == 0 {
			p.Detail = "No plan keeps every need, and no single change was found that makes room."
		}
		for _, w := range odds.Ways {
			switch w.Code {
			case "ready":
				add(p, "ready", schedule.Ref{Dish: w.Ref.Dish, Step: 1 << 30}, fmt.Sprint(w.Minutes), "ready up to %d min before the table.", w.Minutes)
			case "drop":
				add(p, "drop", schedule.Ref{Dish: w.Ref.Dish, Step: 1 << 30}, "", "not made.")
			case "pin":
				add(p, "pin", w.Ref, "", "not pinned.")
			case "late":
				item := Item{Message: fmt.Sprintf("The table %d min later.", w.Minutes)}
				item.Code, item.Got = "later", fmt.Sprint(w.Minutes)
				p.Errors = append(p.Errors, item)
			case "gap":
				add(p, "gap", w.Ref, fmt.Sprint(w.Minutes), "waiting up to %d min.", w.Minutes)
			default:
				item := Item{Message: "One " + w.Code + " more."}
				item.Code, item.Got = "more-"+w.Code, "1"
				p.Errors = append(p.Errors, item)
			}
		}
		return p
	}
	return New(http.StatusUnprocessableEntity, NoPlan, "No plan was found within the work that is spent on one: fewer dishes, or more room between their steps, would help.")
}
