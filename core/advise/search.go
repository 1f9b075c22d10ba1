package advise

import (
	"runtime"
	"slices"
	"strconv"
	"strings"
	"sync"

	"cuerda/core/document"
	"cuerda/core/food"
)

const (
	// defaultTarget is a chance of 3 in 4 at each stage, as a hold over what pieces need: less is no way.
	defaultTarget = 1.7
	// mostMoves make up a way: a cook does not follow more.
	mostMoves = 3
	// beam is how many builds with one and with two moves are led on.
	beam = 10
	// refined is how many of the best have their amounts tried again in smaller steps.
	refined = 14
)

// explore makes up to three moves on a build, in every order that differs, and gives all that were tried: the moves
// that undo a cause first, and one binder last.
func (s *search) explore(base *state) []*state {
	all := []*state{base}
	bound := s.bound([]*state{base}, s.binders(base))
	all = append(all, bound...)
	foods := s.foremost(bound)
	level := []*state{base}
	for depth := 1; depth <= mostMoves; depth++ {
		var next []*state
		seen := map[string]bool{}
		for _, st := range level {
			for _, c := range s.undoing(st) {
				if s.ended() {
					return nil
				}
				key := keyOf(append(slices.Clip(st.moves), c), amount)
				if seen[key] {
					continue
				}
				seen[key] = true
				next = append(next, s.then(st, c))
			}
		}
		next = sortedByWorth(next)
		all = append(all, next...)
		level = apart(next, beam)
		if depth < mostMoves {
			all = append(all, s.bound(level, foods)...)
		}
	}
	return all
}

// bound adds each of the binders, in each amount, to each of the builds. The builds are shared out over the processors.
func (s *search) bound(level []*state, foods []*food.Food) []*state {
	out := make([][]*state, len(level))
	for _, st := range level {
		st.document() // made before they share it
	}
	var wait sync.WaitGroup
	next := make(chan int, len(level))
	for i := range level {
		next <- i
	}
	close(next)
	for range min(runtime.GOMAXPROCS(0), 4, len(level)) {
		wait.Go(func() {
			for i := range next {
				for _, c := range s.binding(level[i], foods) {
					if s.ended() {
						return
					}
					out[i] = append(out[i], s.withBinder(level[i], c))
				}
			}
		})
	}
	wait.Wait()
	return slices.Concat(out...)
}

// ledOn is how many binders are tried once other moves are made.
const ledOn = 14

// foremost are the binders to try once other moves are made: the best two of each kind by themselves, then the best of all.
func (s *search) foremost(bound []*state) (out []*food.Food) {
	kinds := map[Kind]int{}
	take := func(f *food.Food) {
		if !slices.Contains(out, f) {
			out = append(out, f)
		}
	}
	bound = sortedByWorth(bound)
	for _, st := range bound {
		m := st.moves[len(st.moves)-1].Move
		f := s.k.Foods.Find(m.Food)
		if kind := kindOf(f); kinds[kind] < 2 && !slices.Contains(out, f) {
			kinds[kind]++
			take(f)
		}
	}
	for _, st := range bound {
		if len(out) >= ledOn {
			break
		}
		m := st.moves[len(st.moves)-1].Move
		take(s.k.Foods.Find(m.Food))
		if m.With != "" {
			take(s.k.Foods.Find(m.With))
		}
	}
	return out
}

// keyOf is the same for the same moves in any order; what names one move.
func keyOf(moves []candidate, what func(m *candidate) string) string {
	names := make([]string, len(moves))
	for i := range moves {
		names[i] = what(&moves[i])
	}
	slices.Sort(names)
	return strings.Join(names, ";")
}

// amount names a move with how much it changes, sort only what it changes.
func amount(m *candidate) string {
	return m.slot + string(m.Code) + strconv.FormatFloat(m.Now, 'f', 0, 64) + m.With
}
func sort(m *candidate) string { return m.slot + string(m.Code) }

// apart are the first builds of a sorted list, but no more than two that change the same things by different amounts.
func apart(sorted []*state, most int) (out []*state) {
	kinds := map[string]int{}
	for _, st := range sorted {
		key := keyOf(st.moves, sort)
		if kinds[key]++; kinds[key] > 2 {
			continue
		}
		if out = append(out, st); len(out) == most {
			break
		}
	}
	return out
}

// refine tries the amounts of the binder and of its liquid again, a little more and a little less, for as long as that
// makes the build better.
func (s *search) refine(st *state) *state {
	at := len(st.moves) - 1
	if at < 0 || st.from == nil {
		return st
	}
	for range 8 {
		m := st.moves[at].Move
		best := st
		for _, by := range []struct{ binder, with, liquid float64 }{{1, 0, 0}, {-1, 0, 0}, {0, 0, 1}, {0, 0, -1}, {0, 1, 0}, {0, -1, 0}, {1, 0, 1}, {-1, 0, -1}} {
			next := m
			next.Now += by.binder * stepOf(m.Now-m.Was)
			next.LiquidG += by.liquid * stepOf(m.LiquidG)
			next.WithG += by.with * stepOf(m.WithG)
			if by.with != 0 && m.With == "" || by.liquid != 0 && m.Liquid == "" || next.Now-next.Was < 1 || next.LiquidG < 0 || m.With != "" && next.WithG < 1 {
				continue
			}
			if by.liquid > 0 && st.poursBack(s.k.Foods.Find(m.Food), next.LiquidG) {
				continue
			}
			if share := 100 * next.Now / st.effect.Mass; share < .9*amountsOf(s.k.Foods.Find(m.Food), st.use).least {
				continue
			}
			if made := s.withBinder(st.from, s.binderMove(next, next.LiquidG, st.from.document())); made.worth > best.worth+.05 {
				best = made
			}
		}
		if best == st {
			return st
		}
		st = best
	}
	return st
}

// made makes moves on the document of the search, in their order.
func (s *search) made(moves []candidate) *state {
	d := *s.d
	d.Lines = slices.Clone(s.d.Lines)
	for i := range moves {
		moves[i].apply(&d)
	}
	return s.weigh(d, moves)
}

// stepOf is the step in which a cook changes an amount, g.
func stepOf(g float64) float64 {
	if g > 20 {
		return 5
	}
	return 1
}

// holds says whether a build feels as its piece wants, and the judge of the whole is content with both stages.
func (s *search) holds(st *state) bool {
	return st.effect.HasPaste() && st.duty.Band.Holds(st.judged.Felt) && st.judged.RawRatio >= s.target && st.judged.CookedRatio >= s.target
}

// tidy removes from a document the lines that moves have left out.
func tidy(d document.Document) document.Document {
	d.Lines = slices.DeleteFunc(slices.Clone(d.Lines), func(l document.Line) bool { return l.Grams < document.MinGrams })
	return d
}

// drying says whether moves take water out of a line.
func drying(moves []candidate) bool {
	return slices.ContainsFunc(moves, func(c candidate) bool {
		return c.Code == Squeeze || c.Code == FryOff || c.Code == DryInOven || c.Code == CookDown
	})
}

// taste says how near a build comes to tasting of one of its binders, per cent of the amount from which it does. The bread
// of a stuffing is its body, so for a stuffing it is 0.
func (s *search) taste(st *state) (out float64) {
	if st.duty.Spooned() > 0 {
		return 0
	}
	for _, of := range st.shares(func(f *food.Food) bool { return f.MaxPct > 0 && f.Group.IsBinder() }) {
		most := of.food.MaxPct
		if row, known := usualOf(of.food); known {
			most = max(most, row.by[st.use].most)
		}
		out = max(out, 100*of.pct/most)
	}
	return out
}

// foodOf is the binder that a build's moves bring; nil where they bring none.
func (s *search) foodOf(st *state) *food.Food {
	for i := range st.moves {
		if st.moves[i].Code == AddBinder {
			return s.k.Foods.Find(st.moves[i].Food)
		}
	}
	return nil
}
