package recipe

import (
	"cmp"
	"math"
	"slices"
	"strings"

	"cuerda/core/food"
	"cuerda/core/physics/piece"
	"cuerda/core/recipe/ingredient"
	"cuerda/core/recipe/words"
)

// Piece is what a recipe makes, as far as it says: mm, 0 for what it does not.
type ReadPiece struct {
	Kind        piece.Kind
	Count       int
	ThicknessMM float64
	DiameterMM  float64
	LengthMM    float64
	WidthMM     float64
	HeightMM    float64
	Tin         bool
}

// pieceOf reads what is made: from where it is shaped, then from the title, then from
// what the recipe says it makes.
func (m *procedure) pieceOf() *ReadPiece {
	p := &ReadPiece{}
	from, to := m.shapeAt, m.cookAt
	if from < 0 {
		from = m.first()
		const few = 3 // notes tell the size before the heat, without a verb: "12 small, 1 cm thick"
		for back := 0; back < few && from > 0 && from < len(m.sentences) && len(m.sentences[from-1].mentions) == 0; back++ {
			from--
		}
	}
	if to < from {
		to = from
	}
	p.Kind = m.kindOf(from, to)
	if p.Kind == "" {
		return nil
	}
	filled := p.Kind == piece.Ball && m.filled(from, to)
	if filled {
		p.Kind = piece.Shell
	}
	for i := from; i <= to && i < len(m.sentences); i++ {
		if s := &m.sentences[i]; !s.note && (!s.sauce || filled) {
			m.sizes(s, p)
		}
	}
	m.counts(p, from, to)
	return p
}

// filled says that balls are closed around something of their own: there is a part to fill them with,
// and the method tells of their wall.
func (m *procedure) filled(from, to int) bool {
	if !slices.ContainsFunc(m.entries, func(e *entry) bool { return e.part == "filling" }) {
		return false
	}
	for i := from; i <= to && i < len(m.sentences); i++ {
		if s := &m.sentences[i]; s.has("word.wall") >= 0 || s.has("word.fill") >= 0 && s.has("act.shape") >= 0 && s.under("piece.") >= 0 {
			return true
		}
	}
	return false
}

// kindIn gives the kind that the tokens name first, after a place; the last of a title,
// whose head it is in English.
func kindIn(tokens []words.Token, from int, last bool) (kind piece.Kind, at int) {
	at = -1
	for i := max(0, from); i < len(tokens); i++ {
		u := tokens[i].Under("piece.")
		if u.N == 0 || at >= 0 && !last {
			continue
		}
		kind, at = piece.Kind(strings.TrimPrefix(u.List, "piece.")), i
		i += u.N - 1
	}
	return kind, at
}

func (m *procedure) kindOf(from, to int) piece.Kind {
	title := words.Read(m.title, m.l)
	byTitle, _ := kindIn(title, 0, m.l == words.English)
	if byTitle == "" { // "Albóndigas de pavo", above English lines
		byTitle, _ = kindIn(words.Read(m.title, 1-m.l), 0, false)
	}
	bird := false
	for i := range m.sentences {
		s := &m.sentences[i]
		if s.note || s.sauce || i > max(to, m.cookAt) {
			continue
		}
		bird = bird || s.has("bird") >= 0 && (s.has("act.shape") >= 0 || s.has("dish") >= 0)
	}
	if m.shapeAt >= 0 {
		for i := from; i <= to && i < len(m.sentences); i++ {
			s := &m.sentences[i]
			if s.note || s.sauce {
				continue
			}
			start := 0
			if i == m.shapeAt {
				start = s.has("act.shape")
			}
			kind, _ := kindIn(s.tokens, start, false)
			switch {
			case kind == "" || kind == piece.Stuffing:
			case kind == piece.Fritter && byTitle == piece.Patty && slices.ContainsFunc(title, func(t words.Token) bool { return t.Of("word.pancake") }):
				return kind // "tortitas" that are dropped by the spoon
			case byTitle == piece.Fritter && kind == piece.Patty, byTitle == piece.Loaf && kind != piece.Loaf && s.has("tin") >= 0:
				return byTitle
			case kind == piece.Fritter && byTitle != "" && byTitle != piece.Stuffing:
				return byTitle
			case kind == piece.Ball && byTitle != piece.Ball && s.has("word.flatten") > s.has("act.shape"):
				return piece.Patty // "make balls and flatten them"
			default:
				return kind
			}
			if s.has("tin") >= 0 && byTitle != piece.Ball && byTitle != piece.Stuffing {
				return piece.Loaf
			}
		}
	}
	if byTitle != "" {
		return byTitle
	}
	if bird {
		return piece.Stuffing
	}
	for _, a := range m.about {
		if kind, at := kindIn(words.Read(a, m.l), 0, false); at >= 0 {
			return kind
		}
	}
	for i := range m.sentences[:min(len(m.sentences), max(1, m.mixedAt))] { // "Here is the stuffing", "for the turkey loaf"
		if s := &m.sentences[i]; !s.sauce {
			if kind, at := kindIn(s.tokens, 0, false); at >= 0 {
				return kind
			}
		}
	}
	return ""
}

// length is one size that a sentence gives.
type length struct {
	mm      float64
	way     string // thick, wide, long or ""
	at, end int
	paired  bool // with the one after: "9 by 5"
}

// number reads an amount. "8 1/2-inch-thick patties" are eight of half an inch, as nothing
// shaped is that thick or wide, mm.
func (s *sentence) number(i int) (v float64, n int) {
	const mostThick, mostWide = 50, 150
	v, n = ingredient.Number(s.tokens, i)
	if n < 2 || v < 2 || v == math.Trunc(v) || s.tokens[i+1].Glued {
		return v, n
	}
	k := i + n
	for k < len(s.tokens) && s.tokens[k].Is("-") {
		k++
	}
	if k == len(s.tokens) || !s.tokens[k].Of("length") {
		return v, n
	}
	if mm := v * s.tokens[k].In("length").Value; mm > mostWide || mm > mostThick && s.tokens[k-1].Is("-") && s.way(i, k+1) == "thick" {
		return math.Trunc(v), 1
	}
	return v, n
}

func (s *sentence) lengths() (out []length) {
	number := s.number
	for i := 0; i < len(s.tokens); i++ {
		if u := s.tokens[i].In("length"); u.N > 0 && i+u.N < len(s.tokens) && s.tokens[i+u.N].Of("and a half") {
			half := s.tokens[i+u.N].In("and a half")
			end := i + u.N + half.N // "centímetro y medio", "an inch and a quarter"
			out = append(out, length{mm: (1 + half.Value) * u.Value, at: i, end: end, way: s.way(i, end)})
			i = end - 1
			continue
		}
		v, n := number(i)
		if a := s.tokens[i].In("article"); n == 0 && a.N > 0 && i+a.N < len(s.tokens) && s.tokens[i+a.N].Of("length") {
			v, n = 1, a.N // "an inch"
		}
		if u := s.tokens[i].In("length"); n == 0 && u.N > 0 && s.tokens[i].Plain == "inch" && i+1 < len(s.tokens) && s.tokens[i+1].Under("way.").N > 0 && (i == 0 || s.tokens[i-1].Kind != words.Number) {
			out = append(out, length{mm: u.Value, at: i, end: i + u.N, way: s.way(i, i+u.N)}) // "inch thick"
			continue
		}
		if n == 0 {
			continue
		}
		at, end := i, i+n
		low := v
		if step := ingredient.Through(s.tokens, i, end); step > 0 {
			if high, k := number(end + step); k > 0 && high > v {
				low, end = (v+high)/2, end+step+k
			}
		}
		var other float64
		first := end
		if end < len(s.tokens) && (s.tokens[end].Of("by") || s.tokens[end].Is("x")) {
			if w, k := number(end + 1); k > 0 {
				other, end = w, end+1+k
			}
		} else if end+1 < len(s.tokens) && s.tokens[end].Of("length") && (s.tokens[end+1].Of("by") || s.tokens[end+1].Is("x")) {
			if w, k := number(end + 2); k > 0 { // "6cm by 2cm"
				other, end = w, end+2+k
			}
		}
		for end < len(s.tokens) && s.tokens[end].Is("-") {
			end++
		}
		if end >= len(s.tokens) {
			break
		}
		u := s.tokens[end].In("length")
		if u.N == 0 || s.tokens[end].Plain == "in" && !s.inches(end) || fingersMade(&s.tokens[end], v) {
			i = first - 1
			continue
		}
		end += u.N
		if half := (words.Meaning{}); end < len(s.tokens) {
			if half = s.tokens[end].In("and a half"); half.N > 0 && low == 1 {
				low, end = low+half.Value, end+half.N // "an inch and a quarter"
			}
		}
		l := length{mm: low * u.Value, at: at, end: end, way: s.way(at, end)}
		if other > 0 {
			l.paired = true
			out = append(out, l, length{mm: other * u.Value, at: at, end: end, way: l.way})
		} else {
			out = append(out, l)
			if w, k := number(min(end+2, len(s.tokens)-1)); k > 0 && end+3+k <= len(s.tokens) && s.tokens[end].Under("way.").N > 0 || k > 0 && end+2+k < len(s.tokens) && s.tokens[end+1].Of("by") {
				if after := end + 2 + k; after < len(s.tokens) && s.tokens[end+1].Of("by") && s.way(after, after) != "" { // "2 cm de alto por 8,5 de ancho"
					out = append(out, length{mm: w * u.Value, at: end + 2, end: after, way: s.way(after-1, after)})
				}
			}
		}
		i = end - 1
	}
	return out
}

// inches says that "in" is the unit: nothing that one could be in follows.
func (s *sentence) inches(at int) bool {
	if at+1 >= len(s.tokens) {
		return true
	}
	t := &s.tokens[at+1]
	return t.Under("way.").N > 0 || t.Under("piece.").N > 0 || t.Kind == words.Mark
}

// way finds whether a length is thickness, width or length: the word right behind it,
// or before it.
func (s *sentence) way(at, end int) string {
	for k := end; k < min(len(s.tokens), end+4); k++ {
		if u := s.tokens[k].Under("way."); u.N > 0 {
			return strings.TrimPrefix(u.List, "way.")
		}
		if t := &s.tokens[k]; t.Kind == words.Number || t.Is(",") || t.Is("(") || t.Of("length") || t.Of("word.and") {
			break
		}
	}
	for k := at - 1; k >= max(0, at-3); k-- {
		if u := s.tokens[k].Under("way."); u.N > 0 {
			return strings.TrimPrefix(u.List, "way.")
		}
		if t := &s.tokens[k]; t.Is(",") || t.Of("length") || t.Of("word.and") {
			break
		}
	}
	return ""
}

// sizes puts the lengths of a sentence where they belong for the kind.
func (m *procedure) sizes(s *sentence, p *ReadPiece) {
	put := func(to *float64, l length) {
		if *to == 0 && l.mm >= 3 && l.mm <= 600 {
			*to = math.Round(l.mm)
			m.mark(s, s.tokens[l.at].At, s.tokens[min(l.end, len(s.tokens))-1].End, "size", -1)
		}
	}
	if at := s.has("tin"); at >= 0 {
		p.Tin = true
	}
	list := s.lengths()
	free := slices.DeleteFunc(slices.Clone(list), func(l length) bool { return l.way != "" && !l.paired })
	for _, l := range list {
		if l.paired || l.way == "" && len(free) > 1 {
			continue
		}
		switch {
		case p.Kind == piece.Shell && s.before(l.at, "word.wall"):
			put(&p.ThicknessMM, l)
		case p.Kind == piece.Ball || p.Kind == piece.Shell:
			if !strings.HasPrefix(near(s, l.end, "oil"), "oil") {
				put(&p.DiameterMM, l)
			}
		case p.Kind == piece.Cylinder && l.way == "long":
			put(&p.LengthMM, l)
		case p.Kind == piece.Cylinder:
			put(&p.DiameterMM, l)
		case p.Kind == piece.Loaf && l.way == "wide":
			put(&p.DiameterMM, l)
		case p.Kind == piece.Loaf && l.way == "long":
			put(&p.LengthMM, l)
		case p.Kind == piece.Loaf && l.way == "thick":
			put(&p.HeightMM, l)
		case p.Kind == piece.Loaf:
		case l.way == "thick":
			put(&p.ThicknessMM, l)
		case l.way == "wide":
			put(&p.DiameterMM, l)
		case near(s, l.end, "oil") != "" || near(s, l.end, "pieces") != "":
		case l.mm <= 32:
			put(&p.ThicknessMM, l)
		default:
			put(&p.DiameterMM, l)
		}
	}
	if len(free) < 2 {
		return
	}
	a, b := free[0], free[1]
	if a.mm < b.mm {
		a, b = b, a
	}
	switch p.Kind {
	case piece.Loaf:
		put(&p.LengthMM, a)
		put(&p.WidthMM, b)
	case piece.Cylinder:
		put(&p.LengthMM, a)
		put(&p.DiameterMM, b)
	case piece.Ball:
		put(&p.DiameterMM, free[0])
	case piece.Stuffing:
	default:
		put(&p.DiameterMM, a)
		put(&p.ThicknessMM, b)
	}
}

// before says that one of the list's words stands within three before a token.
func (s *sentence) before(at int, list string) bool {
	for k := max(0, at-3); k < at; k++ {
		if s.tokens[k].Of(list) {
			return true
		}
	}
	return false
}

// near gives the list's name where one of its words follows within three.
func near(s *sentence, from int, list string) string {
	for k := from; k < min(len(s.tokens), from+4); k++ {
		if s.tokens[k].In(list).N > 0 {
			return list
		}
	}
	return ""
}

// counts reads how many pieces there are.
func (m *procedure) counts(p *ReadPiece, from, to int) {
	if p.Kind == piece.Stuffing {
		p.Count = m.vessels(from, to)
		return
	}
	most := 200
	for i := from; i <= max(to, m.cookAt)+1 && i < len(m.sentences); i++ {
		s := &m.sentences[i]
		if s.note || s.sauce {
			continue
		}
		if n := m.countIn(s, most); n > 0 {
			p.Count = n
			return
		}
	}
	for i := len(m.sentences) - 1; i >= 0 && i > to; i-- {
		if s := &m.sentences[i]; s.has("makes") >= 0 && !s.sauce {
			if n := m.makes(s.tokens); n > 0 {
				p.Count = n
				return
			}
		}
	}
	for _, a := range append([]string{m.title}, m.about...) {
		tokens := words.Read(a, m.l)
		if n := cmp.Or(m.makes(tokens), forPieces(tokens)); n > 0 {
			p.Count = n
			return
		}
	}
	for i := range m.sentences {
		s := &m.sentences[i]
		for k := range s.tokens {
			if !s.sauce && s.tokens[k].Of("makes") && s.tokens[k].Of("word.comes to") {
				if n := m.makes(s.tokens[k:]); n > 0 {
					p.Count = n
					return
				}
			}
		}
	}
	for i := range m.sentences {
		if s := &m.sentences[i]; !s.note && !s.sauce {
			if n := forPieces(s.tokens); n > 0 {
				p.Count = n
				return
			}
		}
	}
	if p.Kind == piece.Loaf {
		p.Count = 1
	}
}

// forPieces reads for how many pieces a recipe is: "for 30 little balls"; 0 where it does not say.
func forPieces(tokens []words.Token) int {
	for i := range tokens {
		if !tokens[i].Of("word.for") {
			continue
		}
		v, n := ingredient.Number(tokens, i+1)
		if n == 0 || v < 2 || v > 200 || v != math.Trunc(v) {
			continue
		}
		for k := i + 1 + n; k < min(len(tokens), i+n+5); k++ {
			if t := &tokens[k]; t.Under("piece.").N > 0 {
				return int(v)
			} else if t.Kind != words.Word && !t.Is("-") || t.Of("serves") || t.Of("time") || t.Of("length") || measures(t) {
				break
			}
		}
	}
	return 0
}

// vessels counts what a stuffing is filled into: "the 8 halves", "all 12", six peppers of the list; one
// tin or dish; 0 where none is told.
func (m *procedure) vessels(from, to int) int {
	last := max(to, m.cookAt)
	one := 0
	for i := max(0, from-1); i <= last && i < len(m.sentences); i++ {
		s := &m.sentences[i]
		if s.note {
			continue
		}
		for k := range s.tokens {
			v, n := ingredient.Number(s.tokens, k)
			if n == 0 || v < 2 || v > 60 || v != math.Trunc(v) || k+n >= len(s.tokens) {
				continue
			}
			if s.tokens[k+n].Of("word.vessel") || k > 0 && s.tokens[k-1].Of("word.every") && !s.tokens[k+n].Of("time") && s.tokens[k+n].Under("unit.").N == 0 {
				return int(v)
			}
		}
		for _, x := range s.mentions {
			for _, n := range x.items {
				if e := m.entries[n]; e.item.Unit == "" && e.item.Amount >= 2 && e.item.Amount <= 60 && e.food.Group == food.Vegetable && s.has("word.fill") >= 0 {
					return int(e.item.Amount)
				}
			}
		}
		if s.has("tin") >= 0 || s.has("dish") >= 0 || s.has("bird") >= 0 {
			one = 1
		}
	}
	return one
}

// timesWeight says that a number is of pieces that are told by their weight, and not of packs of a food: "12 x 50 g".
func (m *procedure) timesWeight(s *sentence, i int) bool {
	k := i + 1
	if !words.TimesWeight(s.tokens, i) {
		return false
	}
	for k++; k < len(s.tokens); k++ {
		if f, _ := m.reader.FoodAt(s.tokens, k, m.l); f != nil || s.tokens[k].Of("unit.pack") {
			return false
		}
	}
	return true
}

// countIn finds the count of a sentence of shaping: "8 patties", "divide into 6",
// "you should get about 30".
func (m *procedure) countIn(s *sentence, most int) int {
	fits := func(v float64) bool { return v == math.Trunc(v) && v >= 1 && int(v) <= most }
	for i := range s.tokens {
		v, n := s.number(i)
		if n == 0 || !fits(v) || i > 0 && (s.tokens[i-1].Is("/") || s.tokens[i-1].Kind == words.Number) {
			continue
		}
		k := i + n
		if k+1 < len(s.tokens) && s.tokens[k].Is("-") && s.tokens[k+1].Of("by") { // "9- by 5-inch"
			continue
		}
		if m.timesWeight(s, i) {
			m.mark(s, s.tokens[i].At, s.tokens[k].End, "count", -1)
			return int(v)
		}
		if k < len(s.tokens) && s.tokens[k].Of("by") || i > 0 && s.tokens[i-1].Of("by") {
			continue
		}
		if k < len(s.tokens) && (s.tokens[k].Is("-") || s.tokens[k].Of("to")) {
			if high, more := ingredient.Number(s.tokens, k+1); more > 0 && high > v && fits(high) {
				v, k = math.Round((v+high)/2), k+1+more
			}
		}
		for _, l := range s.lengths() { // "24 1½-inch balls"
			if l.at == k {
				k = l.end
			}
		}
		if i == 0 && k < len(s.tokens) && s.tokens[k].Of("size") && (k+1 == len(s.tokens) || s.tokens[k+1].Is(",")) && m.title != "" {
			m.mark(s, s.tokens[i].At, s.tokens[k].End, "count", -1)
			return int(v) // "12 small, 1 cm thick"
		}
		// Up to three words between the number and what is counted.
		for j := k; j < min(len(s.tokens), k+5); j++ {
			t := &s.tokens[j]
			if t.Of("time") || t.Of("length") || t.Under("unit.").N > 0 && t.Under("piece.").N == 0 && !t.Of("size") && !t.Of("word.portion") || t.Of("degrees") || t.Kind == words.Mark && !t.Is("-") {
				break
			}
			if t.Under("piece.").N > 0 || t.Of("word.portion") {
				if v > 1 || s.tokens[i].Kind == words.Number || s.has("act.shape") >= 0 {
					m.mark(s, s.tokens[i].At, s.tokens[j].End, "count", -1)
					return int(v)
				}
			}
		}
		if s.dividesBefore(i) && v >= 2 && (k >= len(s.tokens) || (!s.tokens[k].Of("length") || fingersMade(&s.tokens[k], v)) && !s.tokens[k].Of("time") && !measures(&s.tokens[k])) {
			m.mark(s, s.tokens[i].At, s.tokens[k-1].End, "count", -1)
			return int(v)
		}
	}
	return m.makes(s.tokens)
}

// fingersMade says that so many fingers are pieces, and no thickness: "shape 8 fingers".
func fingersMade(t *words.Token, v float64) bool {
	const thickest = 3
	return t.Plain == "fingers" && v > thickest
}

// measures says that a word is a unit of mass or volume.
func measures(t *words.Token) bool {
	switch t.Under("unit.").List {
	case "unit.g", "unit.oz", "unit.cup", "unit.tbsp", "unit.tsp":
		return true
	}
	return false
}

// dividesBefore says that "divide into" or "form" stands right before the number.
func (s *sentence) dividesBefore(i int) bool {
	for k := i - 1; k >= max(0, i-5); k-- {
		t := &s.tokens[k]
		if strings.HasPrefix(t.Plain, "divid") || t.Of("act.shape") && i-k <= 3 {
			return true
		}
		if !(t.Of("word.in") || t.Of("word.passing") || t.Of("word.it") || t.Of("mass") || t.Of("about")) {
			return false
		}
	}
	return false
}

// makes reads "makes 24", "about 16 in all", "salen unas 20".
func (m *procedure) makes(tokens []words.Token) int {
	for i := range tokens {
		if !tokens[i].Of("makes") {
			continue
		}
		k := i + tokens[i].In("makes").N
		for k < len(tokens) && (tokens[k].Of("about") && tokens[k].Kind == words.Word || tokens[k].Of("makes") || tokens[k].Is(":") || tokens[k].Is(".")) {
			k++
		}
		v, n := ingredient.Number(tokens, k)
		if n == 0 || v < 2 || v > 200 || v != math.Trunc(v) {
			continue
		}
		if k+n < len(tokens) {
			t := &tokens[k+n]
			if high, more := 0., 0; t.Is("-") || t.Of("to") {
				if high, more = ingredient.Number(tokens, k+n+1); more > 0 && high > v {
					v = math.Round((v + high) / 2)
					k += 1 + more
				}
			}
			if k+n < len(tokens) {
				t = &tokens[k+n]
			}
			if t.Of("by") || t.Of("time") || t.Of("length") || t.Of("serves") || t.Of("degrees") || t.Under("unit.").N > 0 && t.Under("piece.").N == 0 && !t.Of("unit.piece") || t.Is("°") {
				continue
			}
		}
		return int(v)
	}
	return 0
}
