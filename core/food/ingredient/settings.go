package ingredient

import (
	"regexp"
	"strings"

	"cuerda/core/food"
)

var (
	// minuted is "sauteed 10 min", "gelled 10 min in the water", "remojado 4 h".
	minuted = regexp.MustCompile(`^([\p{L}-]+(?: al horno)?) (?:for |about |unos |durante )?(\d+(?:[.,]\d+)?) ?(h|hrs?|hours?|horas?|min|mins|minutes?|minutos?)(?: in the water| en el agua)?$`)
	// levelled is "blitzed (0.5)", from 0 whole to 1 a paste.
	levelled = regexp.MustCompile(`^([\p{L}-]+) \((0|1|[01]?[.,]\d+)\)$`)
)

// set takes preparations with their figures off the line, each between commas, and
// gives what is left of it.
func (s *scanner) takeFigured(line string) string {
	parts := strings.Split(line, ", ")
	out := parts[:1:1]
	for _, part := range parts[1:] {
		bare := strings.TrimSpace(plain(part))
		// A measure in brackets may follow the last of them.
		behind := ""
		if at := strings.LastIndex(bare, " ("); at > 0 && !levelled.MatchString(bare) {
			bare, behind = strings.TrimSpace(bare[:at]), part[strings.LastIndex(part, " ("):]
		}
		p, ok := figured(bare)
		if !ok {
			out = append(out, part)
			continue
		}
		s.figured = append(s.figured, p)
		out[len(out)-1] += behind
	}
	return strings.Join(out, ", ")
}

func figured(text string) (food.Preparation, bool) {
	if m := levelled.FindStringSubmatch(text); m != nil {
		p := preps[m[1]]
		p.Level = number(m[2])
		return p, p.Do.Setting() == "level" && p.Level <= 1
	}
	m := minuted.FindStringSubmatch(text)
	if m == nil {
		return food.Preparation{}, false
	}
	p, figure := preps[m[1]], number(m[2])
	hours := strings.HasPrefix(m[3], "h")
	switch p.Do.Setting() {
	case "minutes":
		if p.Minutes = figure; hours {
			p.Minutes *= 60
		}
	case "hours":
		if p.Hours = figure; !hours {
			p.Hours /= 60
		}
	default:
		return p, p.Do != "" // "toasted 5 minutes"
	}
	return p, true
}
