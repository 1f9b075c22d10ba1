package export

import (
	"bytes"
	"encoding/csv"
	"encoding/json"
	"fmt"
	"regexp"
	"strconv"
	"strings"
	"time"

	ics "github.com/arran4/golang-ical"
	"github.com/google/uuid"

	"cuerda/core/plan/supper"
)

// planSpace is the name space of the UIDs of events: the same step of the same supper has the
// same one, so that a second export moves what the first one made.
var planSpace = uuid.MustParse("6f0b6a2e-8f0c-5c0e-9d5b-3a1f6a0e7c11")

// handsOn lists the steps of a plan that somebody stands at.
func handsOn(p *supper.Planned, language string, each func(dish, step, name string, start time.Time, minutes int, cooks []int, where string)) {
	for i := range p.Plan.Steps {
		s := &p.Plan.Steps[i]
		dish := &p.Supper.Dishes[s.Dish]
		where := ""
		if s.Oven >= 0 {
			where = fmt.Sprintf("%s, %g °C", p.Supper.Kitchen.Ovens[s.Oven].ID, s.Celsius)
		}
		each(dish.Name, dish.Steps[s.Step].Name, stepName(dish.Steps[s.Step].Name, language), p.Time(s.Start), s.Minutes, s.Cooks, where)
	}
}

// PlanCalendar writes a plan as iCalendar (RFC 5545): an event with an alarm for each step that
// somebody stands at or that goes into an oven. id is the supper's, where it is kept: its events keep
// their UIDs then, whatever it is called; now is when it was written.
func PlanCalendar(id, name string, p *supper.Planned, now time.Time, language string) []byte {
	c := ics.NewCalendar()
	c.SetProductId("-//Cuerda//Supper//EN")
	c.SetName(name)
	space := id
	if id == "" {
		space = name + "\x00" + p.Table.UTC().Format("2006-01-02")
	}
	handsOn(p, language, func(dish, step, said string, start time.Time, minutes int, cooks []int, where string) {
		if len(cooks) == 0 && where == "" {
			return
		}
		uid := strings.Join([]string{space, dish, step}, "\x00")
		e := c.AddEvent(uuid.NewSHA1(planSpace, []byte(uid)).String() + "@cuerda")
		e.SetDtStampTime(now)
		e.SetStartAt(start)
		e.SetEndAt(start.Add(time.Duration(minutes) * time.Minute))
		e.SetSummary(dish + ": " + said)
		if where != "" {
			e.SetLocation(where)
		}
		a := e.AddAlarm()
		a.SetAction(ics.ActionDisplay)
		a.SetTrigger("PT0M")
		a.SetProperty(ics.ComponentPropertyDescription, dish+": "+said)
	})
	return []byte(c.Serialize())
}

// PlanValues writes a plan as comma-separated values, in the order of its beginning.
func PlanValues(p *supper.Planned, language string) ([]byte, error) {
	var out bytes.Buffer
	w := csv.NewWriter(&out)
	rows := [][]string{{"start", "minutes", "dish", "step", "cooks", "where"}}
	handsOn(p, language, func(dish, _, step string, start time.Time, minutes int, cooks []int, where string) {
		var who []string
		for _, c := range cooks {
			who = append(who, strconv.Itoa(c+1))
		}
		rows = append(rows, []string{start.Format(time.RFC3339), strconv.Itoa(minutes), harmless(dish), harmless(step), strings.Join(who, " "), harmless(where)})
	})
	err := w.WriteAll(rows)
	return out.Bytes(), err
}

// again is what stands after the code of a step that a dish has twice.
var again = regexp.MustCompile(` \d+$`)

// stepName is what a step is called: codes by their word, what a cook has written as it is.
func stepName(name, language string) string {
	code := again.ReplaceAllString(name, "")
	if word, known := catalogue[language]["knot."+code]; known {
		return word + name[len(code):]
	}
	return name
}

// SupperDocument writes a supper as a document that reads back as it is.
func SupperDocument(d *supper.Supper) ([]byte, error) { return json.MarshalIndent(d, "", " ") }
