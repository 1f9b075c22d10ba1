// Package jobs is the work in the background. It has kitchens learn of their tries, joining what the store keeps to package
// learn, and keeps the database tidy.
package jobs

import (
	"context"
	"encoding/json"
	"errors"
	"math"
	"slices"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/core/learn/logbook"
	"cuerda/core/learn/patties"
	"cuerda/core/learn/pool"
	"cuerda/core/physics/mix"
	"cuerda/core/predict"
	"cuerda/core/predict/bake"
	"cuerda/internal/store"
	"cuerda/internal/version"
)

// mostTriesRead of a kitchen are looked at: the last.
const mostTriesRead = 5000

// Teacher has kitchens learn. It is safe for use by several at once.
type Teacher struct {
	Store *store.Store
	// Foods is the catalogue, as Common has it where there is such a table.
	Foods  *food.Catalogue
	Common *pool.Table
}

// warmings is what was worked out of pieces on the heat, of whichever kitchen.
var warmings learn.Warmings

// Base gives a kitchen as it is without its tries.
func (t *Teacher) Base(ctx context.Context, id string) (*kitchen.Kitchen, error) {
	items, err := t.Store.Pantry(ctx, id)
	if err != nil {
		return nil, err
	}
	settings, err := t.Store.Settings(ctx, id)
	if err != nil {
		return nil, err
	}
	own, err := t.Store.OwnFoods(ctx, id)
	if err != nil {
		return nil, err
	}
	return kitchen.New(t.Foods, settings, items, own...)
}

// Kitchen gives a kitchen with what it learned, as its cooks want it used, and whether there is something that it has yet to
// learn: of tries that were kept meanwhile, or by the model as it is now.
func (t *Teacher) Kitchen(ctx context.Context, id string) (k *kitchen.Kitchen, stale bool, err error) {
	if k, err = t.Base(ctx, id); err != nil {
		return nil, false, err
	}
	l, choices, err := t.Store.Learned(ctx, id)
	if err != nil {
		return nil, false, err
	}
	tries, of, err := t.Store.Lessons(ctx, id)
	if err != nil {
		return nil, false, err
	}
	if l != nil && !choices.Off {
		k = k.Learned(&l.Taught)
	}
	return k, tries > 0 && of != t.asOf(tries), nil
}

// Model names what kitchens learn by: this version of the program, and the common figures that foods go by.
func (t *Teacher) Model() string {
	if t.Common == nil {
		return version.Number
	}
	return version.Number + "+" + t.Common.ID()
}

// asOf is what is learned of the tries as they are at a revision.
func (t *Teacher) asOf(tries int64) store.LearnedOf {
	return store.LearnedOf{Revision: tries, Model: t.Model()}
}

// Learn has a kitchen learn of all of its tries, and keeps what it learned. However many programs share the database, one of
// them learns for a kitchen at a time; and where the same tries were learned of before, what is kept is given at once. Where
// the tries contradict each other the error is learn.ErrNoBelief, and what was learned before is used further.
func (t *Teacher) Learn(ctx context.Context, id string) (*learn.Learned, error) {
	if kept, err := t.learned(ctx, id); kept != nil || err != nil {
		return kept, err
	}
	done, err := t.Store.Alone(ctx, "learn "+id)
	if err != nil {
		return nil, err
	}
	defer done()
	if kept, err := t.learned(ctx, id); kept != nil || err != nil {
		return kept, err
	}
	tries, _, err := t.Store.Lessons(ctx, id)
	if err != nil {
		return nil, err
	}
	base, err := t.Base(ctx, id)
	if err != nil {
		return nil, err
	}
	_, choices, err := t.Store.Learned(ctx, id)
	if err != nil {
		return nil, err
	}
	all, err := t.Store.Tries(ctx, id, mostTriesRead)
	if err != nil {
		return nil, err
	}
	l, err := learn.LearnKitchen(Tries(all, base.Foods), base, learn.KitchenOptions{Known: &warmings, LeftOut: choices.LeftOut, Forgotten: choices.Forgotten})
	if errors.Is(err, learn.ErrNoBelief) {
		return nil, errors.Join(err, t.Store.MarkLearned(ctx, id, t.asOf(tries)))
	}
	if err != nil {
		return nil, err
	}
	return l, t.Store.SaveLearned(ctx, id, l, t.asOf(tries))
}

// Givers reads the kitchens that give their tries, on that catalogue. One that can no longer be read is left out, and skip
// is told of it.
func Givers(ctx context.Context, db *store.Store, foods *food.Catalogue, skip func(kitchen string, err error)) ([]pool.Kitchen, error) {
	all, err := db.Givers(ctx)
	if err != nil {
		return nil, err
	}
	t := &Teacher{Store: db, Foods: foods}
	var out []pool.Kitchen
	for _, g := range all {
		k, err := t.Base(ctx, g.Kitchen)
		if err != nil {
			skip(g.Kitchen, err)
			continue
		}
		tries, err := db.Tries(ctx, g.Kitchen, mostTriesRead)
		if err != nil {
			return nil, err
		}
		_, choices, err := db.Learned(ctx, g.Kitchen)
		if err != nil {
			return nil, err
		}
		out = append(out, pool.Kitchen{Household: g.Household, Kitchen: k, Tries: Tries(tries, k.Foods), Forgotten: choices.Forgotten})
	}
	return out, nil
}

// learned gives what was learned of all there is; nil where there is more.
func (t *Teacher) learned(ctx context.Context, id string) (*learn.Learned, error) {
	tries, of, err := t.Store.Lessons(ctx, id)
	if err != nil || of != t.asOf(tries) {
		return nil, err
	}
	kept, _, err := t.Store.Learned(ctx, id)
	return kept, err
}

// Tries gives those of which something may be learned, the oldest first. all are the last first. What
// can no longer be read (a food that is gone) teaches nothing.
func Tries(all []store.Try, foods *food.Catalogue) (out []learn.Try) {
	for i := range all {
		t := &all[i]
		if t.LeftOut {
			continue
		}
		if t.Kind == store.TryPatties {
			if d, err := document.Read(t.Document, foods); err == nil {
				out = append(out, ofPatties(t, d, foods)...)
			}
			continue
		}
		if one, err := TryOf(t, foods); err == nil {
			out = append(out, one)
		}
	}
	slices.Reverse(out)
	return out
}

// TryOf reads one that was cooked; an error says what of it can no longer be read.
func TryOf(t *store.Try, foods *food.Catalogue) (learn.Try, error) {
	d, err := document.Read(t.Document, foods)
	if err != nil {
		return learn.Try{}, err
	}
	found, err := learn.ReadFound(t.Found)
	if err != nil {
		return learn.Try{}, err
	}
	out := learn.Try{ID: t.ID, At: t.CookedAt, Document: d, Found: found}
	var said Said
	if t.Said != nil && json.Unmarshal(t.Said, &said) == nil {
		out.Said = &said.Chance
	}
	return out, nil
}

// ofPatties takes each test patty as a try of one piece.
func ofPatties(t *store.Try, d *document.Document, foods *food.Catalogue) (out []learn.Try) {
	var kept patties.FriedPatties
	if json.Unmarshal(t.Patties, &kept) != nil {
		return nil
	}
	options, err := kept.Question.Options(d)
	if err != nil {
		return nil
	}
	for _, f := range kept.Fried {
		if f.Option < 0 || f.Option >= len(options) || !known(options[f.Option].Document, foods) {
			continue
		}
		found := logbook.Found{Squeeze: f.Word, Pieces: 1, Broke: &logbook.Broke{}}
		if f.Grade == patties.FellApart || f.Grade == patties.Cracked {
			found.Broke.Turning = 1
		}
		out = append(out, learn.Try{ID: t.ID, At: t.CookedAt, Document: options[f.Option].Document, Found: &found})
	}
	return out
}

// known says whether all that is in a mix is in the catalogue.
func known(d *document.Document, foods *food.Catalogue) bool {
	return !slices.ContainsFunc(d.Lines, func(l document.Line) bool { return foods.Find(l.Food) == nil })
}

// Said is what the model says of a try.
type Said struct {
	Q            *float64 `json:"q"`
	Word         mix.Word `json:"word"`
	ChanceRaw    float64  `json:"chance_raw"`
	ChanceCooked float64  `json:"chance_cooked"`
	Chance       float64  `json:"chance"`
	ChanceLow    float64  `json:"chance_low"`
	ChanceHigh   float64  `json:"chance_high"`
	RawRatio     float64  `json:"raw_ratio"`
	CookedRatio  float64  `json:"cooked_ratio"`
	Pieces       int      `json:"pieces"`
	OffAtMinutes *float64 `json:"off_at_minutes"`
	TurnAt       *float64 `json:"turn_at_minutes"`
	LossPct      float64  `json:"loss_pct"`
	Dryness      string   `json:"dryness"`
}

// Say is what the model says of a document in a kitchen.
func Say(d *document.Document, k *kitchen.Kitchen) Said {
	p := predict.Predict(d, k)
	b := bake.Bake(d, k, bake.Options{Now: -1})
	out := Said{
		Q: p.Q, Word: p.Word, ChanceRaw: p.ChanceRaw, ChanceCooked: p.ChanceCooked, Chance: p.Chance, ChanceLow: p.ChanceLow, ChanceHigh: p.ChanceHigh,
		RawRatio: p.RawRatio, CookedRatio: p.CookedRatio, Pieces: p.Pieces, OffAtMinutes: b.PullAt, TurnAt: b.TurnAt, LossPct: b.WeightLossPct, Dryness: b.Dryness,
	}
	// It is kept as it is told: to three places.
	for _, x := range []*float64{out.Q, &out.ChanceRaw, &out.ChanceCooked, &out.Chance, &out.ChanceLow, &out.ChanceHigh, &out.RawRatio, &out.CookedRatio, out.OffAtMinutes, out.TurnAt, &out.LossPct} {
		if x != nil {
			*x = math.Round(*x*1000) / 1000
		}
	}
	return out
}

// Trust is how far chances could be relied on, as they were said and as the model alone says them.
func Trust(all []store.Try, base *kitchen.Kitchen) (said, alone logbook.Trust) {
	var with, without []logbook.Said
	for i := range all {
		t := &all[i]
		if t.Kind != store.TryCooked {
			continue
		}
		found, err := learn.ReadFound(t.Found)
		if err != nil {
			continue
		}
		count, known := found.Both()
		if !known || t.Said == nil {
			continue
		}
		var s Said
		d, err := document.Read(t.Document, base.Foods)
		if err != nil || json.Unmarshal(t.Said, &s) != nil {
			continue
		}
		with = append(with, logbook.Said{Chance: s.Chance, Count: count})
		without = append(without, logbook.Said{Chance: predict.Predict(d, base).Chance, Count: count})
	}
	return logbook.Reliability(with, learn.Alike), logbook.Reliability(without, learn.Alike)
}
