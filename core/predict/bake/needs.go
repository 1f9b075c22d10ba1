package bake

import (
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/physics/method"
	"cuerda/core/predict/steps"
)

// worked is one preparation of the mix: the lines it is done to, the longest that
// one of them takes, min, and what it weighs in one go, g.
type worked struct {
	lines   []int
	minutes float64
	grams   float64
	passes  int // the most often that one line goes through it
}

// work gathers a preparation over the mix. A line that goes through it twice takes
// as long as both; lines side by side take as long as the longest.
func (b *baking) work(do food.Do) (w worked) {
	for i := range b.lines {
		minutes, passes := 0.0, 0
		for _, p := range b.lines[i].Preps {
			if p.Do == do {
				minutes += max(p.Minutes, 60*p.Hours)
				passes++
			}
		}
		if passes > 0 {
			w.lines = append(w.lines, i)
			w.grams += b.parts[i].Mass
			w.minutes, w.passes = max(w.minutes, minutes), max(w.passes, passes)
		}
	}
	return w
}

// laying is the graph of a build as it is laid, step by step in the order of the cord.
type laying struct {
	*baking
	out   *Baked
	graph steps.Graph
	// preparing are the steps before mixing; hot those that leave foods hot.
	preparing, hot []int
}

// needs gives the work of the build as a graph of needs.
func (b *baking) needs(out *Baked) *steps.Graph {
	l := &laying{baking: b, out: out}
	l.prepare()
	mix, shaped, raw := l.form()
	ready := raw
	cook := -1
	if out.PullAt != nil {
		cook, ready = l.heat(raw)
	}
	table := l.inLine(steps.Step{Code: "table"})
	l.graph.Need(table, steps.After{Step: ready, Most: l.served()})
	if w := b.work(food.SoakGel); len(w.lines) > 0 {
		gel := l.graph.Add(steps.Step{Code: "gel", Minutes: w.minutes, Lines: w.lines})
		l.graph.Need(mix, steps.After{Step: gel, Most: b.k.Parameters.Waits.Gel})
	}
	for i := range b.d.Parts {
		if len(b.d.Parts[i].Lines) > 0 {
			l.part(i, shaped, cook, table)
		}
	}
	return &l.graph
}

// inLine adds a step to the cord itself.
func (l *laying) inLine(s steps.Step) int {
	s.Minutes = halves(s.Minutes)
	i := l.graph.Add(s)
	l.graph.Line = append(l.graph.Line, i)
	return i
}

// prepare adds what is done to foods before they are mixed. A food goes through its
// preparations in the order of the cord.
func (l *laying) prepare() {
	usual, waits := &l.k.Parameters.Minutes, &l.k.Parameters.Waits
	hands := steps.Holds{Hands: 1}
	pan := steps.Holds{Hands: 1, Burners: 1, Pans: 1}
	add := func(s steps.Step, hot bool) {
		i := l.inLine(s)
		for _, before := range l.preparing {
			was := &l.graph.Steps[before]
			if slices.ContainsFunc(s.Lines, func(line int) bool { return slices.Contains(was.Lines, line) }) {
				l.graph.Need(i, steps.After{Step: before, Most: keeps(was.Code, waits.Soaked, waits.Prepared)})
			}
		}
		l.preparing = append(l.preparing, i)
		if hot {
			l.hot = append(l.hot, i)
		}
	}
	prep := func(code string, do food.Do, minutesEach float64, holds steps.Holds, hot bool) {
		w := l.work(do)
		if len(w.lines) == 0 {
			return
		}
		if minutesEach > 0 {
			w.minutes = minutesEach * float64(w.passes)
		}
		add(steps.Step{Code: code, Minutes: w.minutes, Holds: holds, Lines: w.lines}, hot)
	}
	prep("soak", food.Soak, 0, steps.Holds{}, false)
	var canned []int
	for i := range l.lines {
		if slices.ContainsFunc(l.lines[i].Food.Packs, func(p food.Pack) bool { return p.Drained < p.Total }) {
			canned = append(canned, i)
		}
	}
	if len(canned) > 0 {
		add(steps.Step{Code: "drain", Minutes: usual.Drain, Holds: hands, Lines: canned}, false)
	}
	prep("press", food.Press, usual.Press, steps.Holds{}, false)
	prep("oven-dry", food.OvenDry, 0, steps.Holds{Racks: 1}, true)
	prep("roast", food.Roast, 0, steps.Holds{Racks: 1}, true)
	prep("toast", food.Toast, usual.Toast, pan, true)
	prep("saute", food.Saute, 0, pan, true)
	prep("brown", food.Brown, usual.Brown, pan, true)
	if len(l.hot) > 0 {
		cool := l.inLine(steps.Step{Code: "cool", Minutes: usual.Cool})
		for _, hot := range l.hot {
			l.graph.Need(cool, steps.After{Step: hot, Most: waits.Prepared})
		}
		l.preparing = append(l.preparing, cool)
	}
	if w := l.work(food.Blitz); len(w.lines) > 0 {
		bowls := max(1, int(math.Ceil(w.grams/max(l.k.BowlGrams, 1))))
		add(steps.Step{Code: "blitz", Minutes: usual.BlitzBowl * float64(bowls*w.passes), Holds: steps.Holds{Hands: 1, Bowls: 1}, Lines: w.lines, Times: bowls}, false)
	}
	if w := l.work(food.Mash); len(w.lines) > 0 {
		add(steps.Step{Code: "mash", Minutes: math.Round(usual.MashKilo * float64(w.passes) * max(1, w.grams/1000)), Holds: hands, Lines: w.lines}, false)
	}
}

// keeps is how long what a preparation leaves may wait, min.
func keeps(code string, soaked, prepared float64) float64 {
	if code == "soak" {
		return soaked
	}
	return prepared
}

// form adds mixing, the rest, shaping and the cold; a rest and a chill have their place
// on the cord even where there is none.
func (l *laying) form() (mix, shape, raw int) {
	usual, waits := &l.k.Parameters.Minutes, &l.k.Parameters.Waits
	hands := steps.Holds{Hands: 1}
	mix = l.inLine(steps.Step{Code: "mix", Minutes: document.MixMinutes(usual, l.state.Mass), Holds: hands})
	for _, i := range l.preparing {
		l.graph.Need(mix, steps.After{Step: i, Most: keeps(l.graph.Steps[i].Code, waits.Soaked, waits.Prepared)})
	}
	rest := l.inLine(steps.Step{Code: "rest", Minutes: l.rest.Minutes})
	l.graph.Need(rest, steps.After{Step: mix})
	shape = l.inLine(steps.Step{Code: "shape", Minutes: min(document.ShapeMinutes(usual, l.piece.Kind, max(1, l.out.Yield.Pieces)), document.MaxMixing), Holds: hands})
	l.graph.Need(shape, steps.After{Step: rest, Most: waits.Mix})
	cold := steps.Step{Code: "chill"}
	switch {
	case l.d.Frozen():
		cold.Code, cold.Holds.Shelf = "freeze", true
		if l.out.Freeze != nil {
			cold.Minutes = *l.out.Freeze
		}
	case l.d.Chills():
		cold.Minutes, cold.Holds.Shelf = l.d.Chill.Minutes, true
	}
	raw = l.inLine(cold)
	l.graph.Need(raw, steps.After{Step: shape, Most: waits.Mix})
	return mix, shape, raw
}

// heat adds searing, cooking, the grill and setting. Where there are several batches
// each is cooked and grilled before the next: their minutes are those of the cooking,
// and the grill's knot stands beside it.
func (l *laying) heat(raw int) (cook, set int) {
	out, waits := l.out, &l.k.Parameters.Waits
	last, most := raw, waits.Raw
	sear := searMinutes(out)
	if out.SearEnds != nil {
		loads := max(1, l.piece.Lay(max(1, out.Yield.Pieces), method.Pan, l.k.Ware, &l.k.Parameters.Lay).Batches)
		seared := l.inLine(steps.Step{Code: "sear", Minutes: l.inTurn(sear, loads), Holds: steps.Holds{Hands: 1, Burners: 1, Pans: 1}, Times: loads})
		l.graph.Need(seared, steps.After{Step: last, Most: most})
		last, most = seared, waits.Fried
	}
	batches := max(1, out.Load.Batches)
	until := *out.PullAt
	if out.GrillFrom != nil && batches == 1 {
		until = *out.GrillFrom
	}
	cook = l.inLine(steps.Step{Code: "cook", Minutes: l.inTurn(max(0, until-sear), batches), Holds: l.cookHolds(), Times: batches})
	l.graph.Need(cook, steps.After{Step: last, Most: most})
	done := cook
	if out.GrillFrom != nil {
		grill := steps.Step{Code: "grill", Minutes: *out.PullAt - *out.GrillFrom, Holds: steps.Holds{Hands: 1, Racks: 1, Grill: true}, Times: batches}
		if batches == 1 {
			done = l.inLine(grill)
			l.graph.Need(done, steps.After{Step: cook})
		} else {
			// Each batch has its own; the first is told.
			grill.Minutes = halves(grill.Minutes)
			from := *out.GrillFrom - sear
			l.graph.Need(l.graph.Add(grill), steps.After{Step: cook, FromStart: true, Least: from, Most: from})
		}
	}
	set = l.inLine(steps.Step{Code: "set", Minutes: out.SetMinutes})
	l.graph.Need(set, steps.After{Step: done})
	if l.method.Row().Preheated {
		preheat := l.graph.Add(steps.Step{Code: "preheat", Minutes: l.k.Parameters.Minutes.Preheat, Holds: steps.Holds{Racks: l.cookHolds().Racks, Celsius: l.dial}})
		l.graph.Need(cook, steps.After{Step: preheat, Most: waits.HotOven})
	}
	return cook, set
}

// cookHolds is what the cooking holds: the racks that its trays take, or a burner with
// its pan or pot and a cook who stands there.
func (l *laying) cookHolds() steps.Holds {
	by := l.method.Row()
	switch {
	case by.Medium == method.Glow: // one tray goes under the element
		return steps.Holds{Racks: 1, Celsius: l.dial, Grill: true}
	case by.Oven:
		load := &l.out.Load
		perRack := max(1, load.AtOnce/max(1, l.k.Racks))
		racks := (min(max(1, l.out.Yield.Pieces), load.AtOnce) + perRack - 1) / perRack
		return steps.Holds{Racks: max(1, racks), Celsius: l.dial}
	case !by.Attended:
		return steps.Holds{Burners: 1, Pans: 1}
	}
	pans := max(1, l.out.Load.Vessels)
	return steps.Holds{Hands: 1, Burners: pans, Pans: pans}
}

// served is how long the pieces may wait for the table once they have set.
func (l *laying) served() float64 {
	if l.method.Row().Crisps() {
		return l.k.Parameters.Waits.Fried
	}
	return l.k.Parameters.Waits.Baked
}

// inTurn is how long so many batches take one after the other, min: each by the clock,
// as the page tells it.
func (l *laying) inTurn(minutes float64, batches int) float64 {
	return halves(minutes)*float64(batches) + l.k.Parameters.Minutes.ChangeBatch*float64(batches-1)
}

// halves are minutes as whoever works by the clock has them.
func halves(minutes float64) float64 { return math.Round(minutes*2) / 2 }

// searMinutes are those that a piece lies in the pan first.
func searMinutes(out *Baked) float64 {
	if out.SearEnds == nil {
		return 0
	}
	return min(*out.SearEnds, *out.PullAt)
}

// part adds the making of a part, which ends when it is needed, and the brushing on of
// a glaze or a wash.
func (l *laying) part(i, shape, cook, table int) {
	p := &l.d.Parts[i]
	minutes, brush := &l.k.Parameters.Minutes, -1
	needed, most := table, l.k.Parameters.Waits.Part
	switch {
	case !p.Kind.OnPiece():
	case !p.Kind.Brushed():
		needed = shape
	case cook >= 0:
		brush = l.graph.Add(steps.Step{Code: "brush", Minutes: minutes.Brush, Holds: steps.Holds{Hands: 1}, Part: i + 1})
		needed = brush
		cooks := l.graph.Steps[cook].Minutes
		at := cooks - min(5, cooks/4)
		switch p.WhenOrUsual() {
		case document.FromStart:
			l.graph.Need(cook, steps.After{Step: brush, Most: l.k.Parameters.Waits.Mix})
			at = -1
		case document.HalfWay:
			at = cooks / 2
		}
		if at >= 0 {
			l.graph.Need(brush, steps.After{Step: cook, FromStart: true, Least: at, Most: at})
		}
	}
	made := l.graph.Add(steps.Step{Code: "make", Minutes: l.partMinutes(p), Holds: steps.Holds{Hands: 1}, Part: i + 1})
	l.graph.Need(needed, steps.After{Step: made, Most: most})
}

// partMinutes is the work on a part before it is needed, min: its longest
// preparation, mixing, its rest and its own time on the heat.
func (l *laying) partMinutes(p *document.Part) float64 {
	longest := 0.0
	for i := range p.Lines {
		each := 0.0
		for _, prep := range p.Lines[i].Prep {
			each += max(prep.Minutes, 60*prep.Hours)
		}
		longest = max(longest, each)
	}
	return longest + l.k.Parameters.Minutes.MixPart + p.RestAt(l.k.RoomCelsius).Minutes + p.CookMinutes
}
