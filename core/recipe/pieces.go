package recipe

import (
	"math"
	"slices"
	"strings"

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
	if m.shapeAt >= 0 {
		if s := &m.sentences[m.shapeAt]; s.has("act.shape") >= 0 && s.tokens[s.has("act.shape")].Plain == "pat" {
			return piece.Patty // "pat into 6"
		}
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
	if at := s.has("tin"); at >= 0 && p.Kind != piece.Patty && p.Kind != piece.Ball {
		p.Tin = true // patties are moulded by hand
	}
	list := s.lengths()
	free := slices.DeleteFunc(slices.Clone(list), func(l length) bool { return l.way != "" && !l.paired })
	for _, l := range list {
		if l.paired || l.way == "" && len(free) > 1 || s.oilDepth(max(0, l.at-5), min(len(s.tokens), l.end+2)) {
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
