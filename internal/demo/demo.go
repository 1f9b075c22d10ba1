// Package demo is the demonstration kitchen: a rowing club by a salt marsh that
// cooks a Friday supper for twelve, one of them coeliac, one vegan, one who
// reacts to egg and one to hazelnut. All of it is made up.
package demo

import (
	"context"
	"embed"
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"time"

	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/plan/supper"
	"cuerda/internal/store"
)

//go:embed builds/*.json tries.json supper.json
var files embed.FS

// Kitchen is the name of the demonstration kitchen.
const Kitchen = "Saltmarsh Rowing Club"

// Build is a build of the demonstration kitchen with its history.
type Build struct {
	File     string
	Document document.Document
	// Earlier are tries that came before, the oldest first.
	Earlier []Try
	// From is the file of the build that it was branched from, and Version which
	// of its versions; "" for none.
	From    string
	Version int
}

// Try is an earlier version with what the crew said of it.
type Try struct {
	Label    string
	Fails    bool
	Document document.Document
}

// Builds gives the demonstration builds, the one to show first last.
func Builds(foods *food.Catalogue) ([]Build, error) {
	entries, err := files.ReadDir("builds")
	if err != nil {
		return nil, err
	}
	text, err := files.ReadFile("tries.json")
	if err != nil {
		return nil, err
	}
	var tries struct {
		Earlier map[string][]struct {
			Label string
			Fails bool
			Patch map[string]any
		}
		Branched map[string]struct {
			From    string
			Version int
		}
	}
	if err := json.Unmarshal(text, &tries); err != nil {
		return nil, fmt.Errorf("tries.json: %w", err)
	}
	out := make([]Build, 0, len(entries))
	for _, e := range entries {
		text, err := files.ReadFile("builds/" + e.Name())
		if err != nil {
			return nil, err
		}
		d, err := document.Read(text, foods)
		if err != nil {
			return nil, fmt.Errorf("%s: %w", e.Name(), err)
		}
		b := Build{File: e.Name(), Document: *d, From: tries.Branched[e.Name()].From, Version: tries.Branched[e.Name()].Version}
		for _, t := range tries.Earlier[e.Name()] {
			d, err := patched(text, t.Patch, foods)
			if err != nil {
				return nil, fmt.Errorf("tries.json: %s: %w", t.Label, err)
			}
			b.Earlier = append(b.Earlier, Try{t.Label, t.Fails, *d})
		}
		out = append(out, b)
	}
	return out, nil
}

// patched is a document with some of its fields in place of its own.
func patched(text []byte, patch map[string]any, foods *food.Catalogue) (*document.Document, error) {
	var tree map[string]any
	if err := json.Unmarshal(text, &tree); err != nil {
		return nil, err
	}
	maps.Copy(tree, patch)
	text, err := json.Marshal(tree)
	if err != nil {
		return nil, err
	}
	return document.Read(text, foods)
}

// Seed gives the demonstration kitchen of an installation, and makes it where there was no kitchen at all. Where it was
// put away or erased it gives none: "".
func Seed(ctx context.Context, s *store.Store, foods *food.Catalogue) (kitchen string, err error) {
	kitchen, made, err := s.MadeUpToFill(ctx, Kitchen)
	switch {
	case err != nil || kitchen == "":
		return kitchen, err
	case !made:
		return kitchen, refresh(ctx, s, kitchen, foods, time.Now())
	}
	if err := fill(ctx, s, kitchen, foods); err != nil {
		return kitchen, err
	}
	return kitchen, s.Finish(ctx, kitchen)
}

// Anew makes another demonstration kitchen, as it is on the first day, of an account; "" where nobody signs in.
func Anew(ctx context.Context, s *store.Store, foods *food.Catalogue, owner string) (kitchen string, err error) {
	kitchen, err = s.MakeKitchen(ctx, store.NewKitchen{Name: Kitchen, MadeUp: true, Unfinished: true, Owner: owner})
	if err != nil {
		return "", err
	}
	if err := fill(ctx, s, kitchen, foods); err != nil {
		return "", errors.Join(err, s.EraseKitchen(ctx, kitchen))
	}
	return kitchen, s.Finish(ctx, kitchen)
}

// fill puts builds, pantry, supper, logbook, practice and a cooking that is half-way through into an empty kitchen.
func fill(ctx context.Context, s *store.Store, kitchen string, foods *food.Catalogue) error {
	builds, err := Builds(foods)
	if err != nil {
		return err
	}
	kept := map[string]supper.SupperFrom{}
	for i := range builds {
		if kept[builds[i].File], err = seed(ctx, s, kitchen, &builds[i], kept); err != nil {
			return fmt.Errorf("%s: %w", builds[i].File, err)
		}
	}
	if err := s.SavePantry(ctx, kitchen, Pantry()...); err != nil {
		return err
	}
	supper, err := Supper(builds, kept, foods, time.Now())
	if err != nil {
		return err
	}
	if _, err = s.CreateSupper(ctx, kitchen, supper); err != nil {
		return err
	}
	plan, err := planCooking(builds, kept, foods, time.Now())
	if err != nil {
		return err
	}
	if err := keepLogbook(ctx, s, kitchen, kept, foods, time.Now()); err != nil {
		return err
	}
	if err := keepPractice(ctx, s, kitchen, time.Now()); err != nil {
		return err
	}
	return halfWay(ctx, s, kitchen, plan, foods, time.Now())
}

func seed(ctx context.Context, s *store.Store, kitchen string, b *Build, before map[string]supper.SupperFrom) (supper.SupperFrom, error) {
	versions := append(append([]Try(nil), b.Earlier...), Try{Document: b.Document})
	first := &versions[0].Document
	var kept *store.Build
	var err error
	none := supper.SupperFrom{}
	if b.From != "" {
		kept, err = s.Branch(ctx, kitchen, before[b.From].Build, b.Version, first.Name)
	} else {
		kept, err = s.Create(ctx, kitchen, first)
	}
	if err != nil {
		return none, err
	}
	for i := range versions {
		if i > 0 || b.From != "" {
			if kept, err = s.Save(ctx, kitchen, kept.ID, kept.Version, &versions[i].Document); err != nil {
				return none, err
			}
		}
		if label := versions[i].Label; label != "" {
			if err := s.NameVersion(ctx, kitchen, kept.ID, kept.Version, label); err != nil {
				return none, err
			}
		}
	}
	return supper.SupperFrom{Build: kept.ID, Version: kept.Version}, nil
}
