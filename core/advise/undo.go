package advise

import (
	"fmt"
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/food/eaters"
	"cuerda/core/physics/method"
	"cuerda/core/physics/mix"
	"cuerda/core/physics/piece"
)

// What makes a move worth offering.
const (
	leastLineG  = 15. // of a line that something is done to, g
	leastWaterG = 8.  // that it takes out, g
	// and of the mix, g per g: who wrings out an onion for less?
	leastWaterShare = .05
	leastShare      = .12  // of the mix, of a base that is crushed
	leastFat        = .008 // of the mix, of a fat that is left out
	leastSeasoning  = .05  // of the mix, of a liquid that seasons it and is halved
	mashedShare     = .6   // of a base that is mashed in part
	usualSaltPct    = 1.2  // of raw meat that is to grow sticky, g per 100 g
)

// undoing are all moves that a cook may make on a build but adding a binder.
func (s *search) undoing(st *state) (out []candidate) {
	add := func(c candidate) {
		if !st.has(c.slot) {
			out = append(out, c)
		}
	}
	// Lines that a move has split off stand after those of the document, and are left as they are.
	for i := range s.d.Lines {
		if st.document().Lines[i].Grams < document.MinGrams {
			continue
		}
		s.drier(st, i, add)
		s.crushed(st, i, add)
		s.less(st, i, add)
	}
	s.wetter(st, add)
	s.waits(st, add)
	s.shape(st, add)
	return out
}

// drier are the moves that take water out of a line where it came in.
func (s *search) drier(st *state, i int, add func(candidate)) {
	l := &st.document().Lines[i]
	f := s.k.Foods.Find(l.Food)
	slot := fmt.Sprintf("dry %d", i)
	if l.Grams < leastLineG || len(l.Prep) >= document.MaxPreps || st.did(MoreLiquid) { // what is poured in is not wrung out again
		return
	}
	dry := func(code MoveCode, p food.Preparation, work, wait float64) {
		one := document.Document{Lines: []document.Line{*l}}
		withPrep(0, p)(&one)
		after := mix.Parts(one.MixLines(s.k.Foods))[0]
		if gone := st.parts[i].Water - after.Water; gone >= max(leastWaterG, leastWaterShare*st.effect.Mass) {
			add(candidate{Move: Move{Code: code, Food: l.Food, Was: l.Grams, WaterG: gone}, slot: slot, work: work, wait: wait, apply: withPrep(i, p)})
		}
	}
	cooked := did(l, food.Saute, food.Roast, food.OvenDry, food.Brown)
	vegetable := (f.Group == food.Vegetable || f.Group == food.Fruit) && f.State == food.Raw
	switch {
	case did(l, food.Press):
	case vegetable && f.Leak > 0 && !did(l, food.Saute, food.OvenDry, food.Brown), f.Is(food.SoyProduct) && f.Leak > 0 && f.Water > 60, f.Group == food.Fish && f.State != food.Raw && f.Leak > 0:
		dry(Squeeze, food.Preparation{Do: food.Press}, 4, 0)
	}
	if cooked {
		return
	}
	switch {
	case vegetable && food.Saute.Suits(f) && !f.Is(food.OwnStarch): // grated potatoes that are fried off no longer glue
		dry(FryOff, food.Preparation{Do: food.Saute, Minutes: 8}, 8, 0)
	case f.Group == food.Vegetable && f.Stuff == food.Mashed && f.Water > 85:
		dry(CookDown, food.Preparation{Do: food.Saute, Minutes: 12}, 9, 0)
	case f.Group == food.Vegetable && f.Stuff == food.Mashed, f.Group == food.Legume && f.State != food.Raw && !f.Is(food.SoyProduct):
		dry(DryInOven, food.Preparation{Do: food.OvenDry, Minutes: 12}, 3, 12)
	case f.Group == food.GrainBinder && f.Water > 20:
		dry(DryInOven, food.Preparation{Do: food.OvenDry, Minutes: 12}, 3, 12)
	}
}

// crushed are the moves that make paste of a base, or leave it in pieces.
func (s *search) crushed(st *state, i int, add func(candidate)) {
	l := &st.document().Lines[i]
	f := s.k.Foods.Find(l.Food)
	slot := fmt.Sprintf("crush %d", i)
	base := f.Group == food.Legume || f.Group == food.Grain && f.State != food.Raw || f.Group == food.Nut || f.Group == food.Seed ||
		f.Stuff == food.Flaked || f.Group == food.Vegetable && (f.State != food.Raw || did(l, food.Roast))
	if !base || f.Chunk < .2 || st.parts[i].Mass < leastShare*st.effect.Mass || did(l, food.Brown) {
		return
	}
	do, level := food.Mash, .75
	if f.Group == food.Grain || f.Group == food.Nut || f.Group == food.Seed || f.Stuff == food.Flaked || f.Is(food.SoyProduct) {
		do, level = food.Blitz, .65
	}
	more := 4.
	if levelOf(l) < .2 {
		more = 10 // a third left whole is something to bite
	}
	switch {
	case f.Stuff == food.Flaked:
		level, more = .5, 4
	case f.Group == food.Grain || f.Is(food.SoyProduct):
		more = 7 // all of it a paste: pasty
	}
	switch now := levelOf(l); {
	case now >= .85 && f.Group == food.Legume && !f.Is(food.SoyProduct):
		add(candidate{Move: Move{Code: PulseLess, Food: l.Food, Was: l.Grams}, slot: slot, work: 1, apply: withLine(i, func(l *document.Line) { l.Prep = crushedTo(l.Prep, do, .5) })})
	case now < level-.1:
		add(candidate{Move: Move{Code: MashMore, Food: l.Food, Was: l.Grams, Now: l.Grams}, slot: slot, work: more, apply: withLine(i, func(l *document.Line) { l.Prep = crushedTo(l.Prep, do, level) })})
		if len(st.document().Lines) >= document.MaxLines {
			return
		}
		for _, share := range []float64{mashedShare, .4} {
			part := measurable(share * l.Grams)
			add(candidate{Move: Move{Code: MashPart, Food: l.Food, Was: l.Grams, Now: part}, slot: slot, work: 3, apply: func(d *document.Document) {
				rest := d.Lines[i]
				rest.Grams -= part
				withLine(i, func(l *document.Line) { l.Grams = part; l.Prep = crushedTo(l.Prep, do, level) })(d)
				d.Lines = append(d.Lines, rest)
			}})
		}
	}
}

// crushedTo gives the preparations with their mashing or blitzing set to that level, 0..1, or with one added.
func crushedTo(preps []food.Preparation, do food.Do, level float64) []food.Preparation {
	out := slices.Clone(preps)
	for i := range out {
		if crushes(out[i].Do) {
			out[i].Level = level
			return out
		}
	}
	return append(out, food.Preparation{Do: do, Level: level})
}

// less are the moves that halve or leave out a line.
func (s *search) less(st *state, i int, add func(candidate)) {
	l := &st.document().Lines[i]
	f := s.k.Foods.Find(l.Food)
	slot := fmt.Sprintf("grams %d", i)
	least := 0.
	if f.Is(food.Liquid) {
		least = s.gelsIn(st.document(), i)
	}
	to := func(code MoveCode, grams, work float64) {
		if grams = measurable(max(grams, least)); grams >= l.Grams || st.ofPanade(l.Food) {
			return
		}
		gone := (l.Grams - grams) * f.Water / 100
		add(candidate{Move: Move{Code: code, Food: l.Food, Was: l.Grams, Now: grams, WaterG: gone}, slot: slot, work: work, apply: func(d *document.Document) {
			// A line that is left out keeps its place until the way is made, so that others keep theirs.
			withLine(i, func(l *document.Line) { l.Grams = max(grams, leftOut) })(d)
		}})
	}
	u := st.use
	row, binder := usualOf(f)
	usualMost, usualMiddle := row.forUse(u)
	share := 100 * st.parts[i].Mass / st.effect.Mass
	body := isBody(st.document(), l) || u == asStuffing
	switch {
	case f.Group == food.Fat && l.Grams >= leastFat*st.effect.Mass:
		to(LessFat, 0, .5)
	case f.Fat > 40 && (f.Group == food.Wet || f.Group == food.Nut || f.Group == food.Seed && f.Chunk < .2) && f.Chunk < .2 && l.Grams >= leastLineG:
		to(LessFat, l.Grams/2, 1)
		to(LessFat, l.Grams*.4, 1)
	case wets(f) && l.Grams >= leastLineG && !st.has("liquid"):
		if f.Is(food.Seasons) { // a cook who wants its taste leaves half of it
			if l.Grams >= leastSeasoning*st.effect.Mass {
				to(LessLiquid, .5*l.Grams, 1)
			}
			break
		}
		for _, part := range []float64{.75, .5, .33, 0} {
			to(LessLiquid, part*l.Grams, .5+part)
		}
		// What brings it to the middle of what its piece wants.
		band := st.duty.Band
		if most := st.effect.Free - (band.From+.6*(band.To-band.From))*st.effect.Span; most > 0 && most < l.Grams {
			to(LessLiquid, l.Grams-most, .7)
		}
	case f.State == food.Raw && f.Group == food.Grain && f.Water < 20, f.Group == food.Legume && f.State == food.Raw && f.Water < 20:
		s.cookFirst(i, l, f, slot, add)
	case binder && f.Group.IsBinder() && !body && share > usualMost && (st.judged.Felt <= st.duty.Band.To || share > farBeyond*usualMost):
		to(LessBinder, l.Grams*usualMiddle/share, .5)
	case f.Group.IsBinder() && !binder && !body && f.MaxPct > 0 && share > f.MaxPct/2:
		to(LessBinder, l.Grams*f.MaxPct/3/share, .5)
	case f.IsRawMeat() && did(l, food.Brown):
		add(candidate{Move: Move{Code: LeaveRaw, Food: l.Food, Was: l.Grams}, slot: slot, work: 0, apply: withLine(i, func(l *document.Line) {
			l.Prep = slices.DeleteFunc(slices.Clone(l.Prep), func(p food.Preparation) bool { return p.Do == food.Brown })
		})})
	}
	if f.Group.IsBinder() && share > 2 && !body && st.judged.Felt < st.duty.Band.From {
		to(LessBinder, l.Grams/2, .5)
	}
}

// farBeyond is from how many times the most that is usual a binder is too much even of a mix that is too wet: nobody takes crumbs
// out of a sloppy one for less.
const farBeyond = 1.5

// gelsIn is how much of a liquid line the seeds of a mix gel in, that no other liquid gives, g.
func (s *search) gelsIn(d *document.Document, i int) float64 {
	wanted := 0.
	for k := range d.Lines {
		l := &d.Lines[k]
		f := s.k.Foods.Find(l.Food)
		if did(l, food.SoakGel) {
			wanted += l.Grams * f.GelWater()
		}
		if k != i && f.Is(food.Liquid) {
			wanted -= l.Grams
		}
	}
	return max(0, wanted)
}

// leftOut is what is kept of a line that a move leaves out, g, so that other lines keep their place; tidy removes it.
const leftOut = 1e-6

// wets says whether a food is a liquid of a mix that may be halved or left out: it brings water and binds nothing.
func wets(f *food.Food) bool {
	if (f.Group == food.Wet || f.Group == food.Dairy) && f.Water > 55 && f.GlueCold < .015 {
		return true // coconut milk, cream
	}
	return f.Water > 75 && f.GlueCold < .015 && (f.Group == food.Wet || f.Group == food.Dairy || f.Is(food.Thins) || f.Is(food.Liquid) || f.Group == food.Vegetable && f.State != food.Raw && f.Chunk == 0 && f.Water > 88)
}

// cookFirst is the move that puts the cooked food in place of a dry one, by the yields of the catalogue.
func (s *search) cookFirst(i int, l *document.Line, f *food.Food, slot string, add func(candidate)) {
	for _, y := range s.k.Foods.Yields() {
		by := y.Cooked
		if y.Dry != f || by.State != food.Cooked || s.table.Check(by, s.k.LabelRead(by.ID)).Status == eaters.Out {
			continue
		}
		grams := measurable(l.Grams * y.Factor)
		add(candidate{Move: Move{Code: CookFirst, Food: l.Food, Was: l.Grams, Now: grams, With: by.ID, WithG: grams}, slot: slot, work: 5, wait: 15, apply: withLine(i, func(l *document.Line) {
			l.Food, l.Name, l.Grams, l.Prep = by.ID, "", grams, nil
		})})
		return
	}
}

// wetter gives a dry mix more of its own liquid.
func (s *search) wetter(st *state, add func(candidate)) {
	if dry := st.judged.Felt < st.duty.Band.From+.3*(st.duty.Band.To-st.duty.Band.From); !dry && st.duty.Spooned() == 0 {
		return
	}
	if st.did(LessLiquid) || st.dried() > 0 {
		return
	}
	liquid, shares := s.liquidOf(st.document()), []float64{.04, .08, .14, .2, .3}
	if st.use == asStuffing { // dry bread takes nearly its own weight
		shares = append(shares, .45, .6, .75)
	}
	for _, share := range shares {
		if g := measurable(share * st.effect.Mass); g >= 5 {
			add(candidate{Move: Move{Code: MoreLiquid, Food: liquid, Now: g, WaterG: -g}, slot: "liquid", work: .5, apply: pour(s.k.Foods, liquid, g)})
		}
	}
}

// liquidOf is what a cook wets a mix with: its own liquid where it has one, else water.
func (s *search) liquidOf(d *document.Document) string {
	best, most := "water", 0.
	for _, l := range d.Lines {
		f := s.k.Foods.Find(l.Food)
		if f.Is(food.Liquid) && f.Water > wettest && f.ID != "aquafaba" && l.Grams > most && s.table.Check(f, s.k.LabelRead(f.ID)).Status != eaters.Out {
			best, most = l.Food, l.Grams
		}
	}
	if f := s.k.Foods.Find(stock); most == 0 && d.Piece != nil && d.Piece.Kind == piece.Stuffing && f != nil && s.k.Have(stock) && s.table.Check(f, s.k.LabelRead(stock)).Status == eaters.Clear {
		return stock
	}
	return best
}

// stock is what moistens bread where the mix has no liquid of its own and the kitchen has it.
const stock = "broth"

// wettest is the water from which a food wets like water, g per 100 g.
const wettest = 80.

// pour adds grams of a food to its line, or a line of it.
func pour(foods *food.Catalogue, id string, grams float64) func(d *document.Document) {
	return func(d *document.Document) {
		at := slices.IndexFunc(d.Lines, func(l document.Line) bool { return l.Food == id && len(l.Prep) == 0 })
		if at < 0 {
			d.Lines = append(d.Lines, document.Line{Food: id, Grams: grams})
			return
		}
		withLine(at, func(l *document.Line) { l.Grams = math.Round(l.Grams + grams) })(d)
	}
}

// waits are longer rests and chills.
func (s *search) waits(st *state, add func(candidate)) {
	was := 0.
	if st.document().Rest != nil {
		was = st.document().Rest.Minutes
	}
	for _, minutes := range []float64{15, 30} {
		if minutes >= was+10 {
			add(candidate{Move: Move{Code: RestLonger, Was: was, Now: minutes}, slot: "rest", work: 0, wait: minutes - was, apply: restFor(minutes)})
		}
	}
	if !st.duty.Moved() || st.document().Cook != nil && (st.document().Cook.From != document.FromChill || st.document().Cook.StartCelsius != nil) {
		return
	}
	cold := 0.
	if st.document().Chill != nil {
		cold = st.document().Chill.Minutes
	}
	for _, minutes := range []float64{30, 60} {
		if minutes >= cold+15 {
			add(candidate{Move: Move{Code: ChillLonger, Was: cold, Now: minutes}, slot: "chill", work: 1, wait: minutes - cold, apply: func(d *document.Document) {
				next := document.Wait{Minutes: minutes}
				if d.Chill != nil {
					next.Celsius = d.Chill.Celsius
				}
				d.Chill = &next
			}})
		}
	}
}

func restFor(minutes float64) func(d *document.Document) {
	return func(d *document.Document) {
		next := document.Wait{Minutes: minutes}
		if d.Rest != nil {
			if d.Rest.Minutes >= minutes {
				return
			}
			next.Celsius = d.Rest.Celsius
		}
		d.Rest = &next
	}
}

// Usual sizes, mm: what a turner lifts and a hand closes around.
const (
	usualPattyMM, usualThickMM = 80., 16.
	usualBallMM                = 35.
	bigPattyMM, bigBallMM      = 95., 42.
	thickMM                    = 20.
	usualFinger                = 60.
)

// shape are the moves that change the piece, its tin and its heat, and that let meat bind itself.
func (s *search) shape(st *state, add func(candidate)) {
	p := st.document().PieceOrDefault()
	made := func(code MoveCode, was, now, work float64, next piece.Piece) {
		add(candidate{Move: Move{Code: code, Was: was, Now: now}, slot: "size", work: work, apply: func(d *document.Document) { d.Piece = &next }})
	}
	next := p
	next.Count = 0
	switch {
	case p.Kind == piece.Patty && (p.DiameterMM > bigPattyMM || p.ThicknessMM > thickMM):
		next.DiameterMM, next.ThicknessMM = min(p.DiameterMM, usualPattyMM), min(p.ThicknessMM, usualThickMM)
		made(ShapeSmaller, p.DiameterMM, next.DiameterMM, 1, next)
	case p.Kind == piece.Ball && p.DiameterMM > bigBallMM:
		next.DiameterMM = usualBallMM
		made(ShapeSmaller, p.DiameterMM, next.DiameterMM, 1, next)
	case p.Kind == piece.Fritter && (p.DiameterMM > 75 || p.ThicknessMM > 16):
		next.DiameterMM, next.ThicknessMM = min(p.DiameterMM, 60), min(p.ThicknessMM, 13)
		made(ShapeSmaller, p.DiameterMM, next.DiameterMM, 1, next)
	case p.Kind == piece.Cylinder && p.LengthMM > 2.2*p.DiameterMM && p.LengthMM > usualFinger:
		next.LengthMM = usualFinger
		made(ShapeSmaller, p.LengthMM, next.LengthMM, 1, next)
	case p.Kind.IsLoaf() && !p.InTin():
		tin := true
		next.Tin = &tin
		made(UseTin, 0, 0, 3, next)
	}
	m, _ := st.document().MethodAndTurn()
	if st.duty.Moved() && (m.Row().JudgedSimmer || m.Row().JudgedDeep) {
		celsius := 200.
		add(candidate{Move: Move{Code: OtherHeat, Method: string(method.StillOven)}, slot: "heat", work: 12, apply: func(d *document.Document) {
			cook := document.Cook{Method: method.StillOven, Celsius: &celsius}
			if d.Cook != nil {
				cook.TargetCelsius = d.Cook.TargetCelsius
			}
			d.Cook = &cook
		}})
	}
	s.salted(st, add)
}

// salted gives raw meat the salt that makes it sticky.
func (s *search) salted(st *state, add func(candidate)) {
	meat, salt := 0., 0.
	for i := range st.parts {
		meat += st.parts[i].RawMeat
		salt += st.parts[i].Salt
	}
	if meat < rawMeatShare*st.effect.Mass || salt > .008*meat {
		return
	}
	if grams := math.Round(usualSaltPct/100*meat - salt); grams >= 1 && s.k.Foods.Find("salt") != nil {
		add(candidate{Move: Move{Code: SaltMeat, Food: "salt", Now: grams}, slot: "salt", work: 1, apply: pour(s.k.Foods, "salt", grams)})
	}
}

// measurable rounds grams to what a cook weighs: 5 g steps from 20 g, 1 g steps below.
func measurable(g float64) float64 {
	step := 1.
	if g >= 20 {
		step = 5
	}
	return step * math.Floor(g/step+.5)
}
