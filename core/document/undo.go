package document

import (
	"slices"
	"strings"

	"cuerda/core/food"
)

// Undo gives done with one change of its mix put back as planned has it; false where it is a part's.
func Undo(done, planned *Document, c *Change) (*Document, bool) {
	if c.Part != 0 {
		return nil, false
	}
	out := *done
	out.Lines = slices.Clone(done.Lines)
	if c.Kind == "removed" {
		at := slices.IndexFunc(planned.Lines, func(l Line) bool { return l.Food == c.Food && l.Grams == c.Was })
		if at < 0 {
			return nil, false
		}
		out.Lines = append(out.Lines, planned.Lines[at])
		return &out, true
	}
	at := slices.IndexFunc(out.Lines, func(l Line) bool {
		return l.Food == c.Food && l.Grams == c.Now && slices.EqualFunc(l.Prep, c.NowPrep, samePrep) || c.Kind == "grams" && l.Food == c.Food && l.Grams == c.Now
	})
	if at < 0 {
		return nil, false
	}
	switch c.Kind {
	case "added":
		out.Lines = slices.Delete(out.Lines, at, at+1)
		return &out, len(out.Lines) > 0
	case "grams":
		out.Lines[at].Grams = c.Was
	case "prep":
		out.Lines[at].Prep = append([]food.Preparation(nil), c.WasPrep...)
	default:
		return nil, false
	}
	return &out, true
}

// UndoSetting gives done with one of the fields beside its lines as planned has it: the rest, the
// chill, the piece, the cooking. False for what changes nothing of how it holds.
func UndoSetting(done, planned *Document, s *Setting) (*Document, bool) {
	out := *done
	group, _, _ := strings.Cut(strings.TrimPrefix(s.Field, "/"), "/")
	switch group {
	case "rest":
		out.Rest = planned.Rest
	case "chill":
		out.Chill = planned.Chill
	case "mixing":
		out.Mixing = planned.Mixing
	case "piece":
		out.Piece = planned.Piece
	case "cook":
		out.Cook = planned.Cook
	default:
		return nil, false
	}
	return &out, true
}
