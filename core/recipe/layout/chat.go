package layout

import (
	"regexp"
	"strings"
)

// A message of a chat, as programs write them out: when, who, what.
var (
	stamp   = regexp.MustCompile(`^\s*(?:\[[^\]]{3,30}\]|\(?\d{1,2}[:.]\d{2}(?:[:.]\d{2})?\s*(?:[aApP]\.?\s?[mM]\.?)?\)?|\d{1,2}[/.-]\d{1,2}(?:[/.-]\d{2,4})?,?\s+\d{1,2}[:.]\d{2}(?:\s*[aApP]\.?\s?[mM]\.?)?)\s*[-–—]?\s*`)
	speaks  = regexp.MustCompile(`^<?(\p{Lu}[\p{L}.' ]{0,24}?|[\p{L}_.]{2,16})>?\s*[\x{2600}-\x{27BF}\x{1F000}-\x{1FAFF}\x{FE0F}\x{200D}]*\s*(?:\(\d{1,2}[:.]\d{2}\))?\s*:\s+(.+)$`)
	message = regexp.MustCompile(`^<([^<>]{1,24})>\s+(.+)$`)
)

// clock is the time at which a line of a video's captions, or of a timetable, begins.
var clock = regexp.MustCompile(`^\s*[\[(]?\d{1,2}:\d{2}(?::\d{2})?[\])]?\s*[-–—:]?\s+`)

// leastTimed is how many lines begin with a time where all times are taken for those of captions.
const leastTimed = 3

// untimed takes the times off that the lines of captions begin with: "00:42 Ingredients: ...". They say when something is
// shown, not how long it takes.
func untimed(lines []string) []string {
	if countOf(lines, clock) < leastTimed {
		return lines
	}
	out := make([]string, len(lines))
	for i, line := range lines {
		out[i] = line[len(clock.FindString(line)):]
	}
	return out
}

// speakers are who says something in a text that is a chat; none in one that is not.
type speakers map[string]bool

// speakersOf finds who speaks: at least two lines each, and together at least half of them. A recipe
// that lists "Flour: 200 g" has no name twice.
func speakersOf(lines []string) speakers {
	counts := map[string]int{}
	filled := 0
	for _, line := range lines {
		if strings.TrimSpace(line) == "" {
			continue
		}
		filled++
		if name, _ := spoken(line); name != "" {
			counts[name]++
		}
	}
	out := speakers{}
	total := 0
	for name, n := range counts {
		if n >= 2 {
			out[name] = true
			total += n
		}
	}
	if total < 4 || 2*total < filled {
		return nil
	}
	for name := range counts { // who says one thing only, among those who say more
		out[name] = true
	}
	return out
}

func spoken(line string) (name, said string) {
	bare := strings.TrimSpace(line)
	bare = strings.TrimSpace(bare[len(stamp.FindString(bare)):])
	if m := message.FindStringSubmatch(bare); m != nil {
		return m[1], m[2]
	}
	if m := speaks.FindStringSubmatch(bare); m != nil {
		return m[1], m[2]
	}
	return "", ""
}

// apart takes the name and the time from a message.
func (s speakers) apart(line string) (name, said string) {
	if len(s) == 0 {
		return "", line
	}
	if name, said = spoken(line); s[name] {
		return name, said
	}
	return "", line
}
