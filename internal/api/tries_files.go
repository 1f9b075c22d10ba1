package api

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"strings"
	"time"

	"github.com/google/uuid"

	"cuerda/core/keepable"
	"cuerda/core/kitchen"
	"cuerda/core/learn"
	"cuerda/internal/export"
	"cuerda/internal/jobs"
	"cuerda/internal/phrases"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

type exportTriesInput struct {
	Format   string `query:"format" default:"csv" enum:"csv,markdown,json"`
	Language string `query:"language" default:"en" enum:"en,es"`
}

func (s *Server) exportTries(ctx context.Context, in *exportTriesInput) (*fileOutput, error) {
	kept, err := s.Store.SeekTries(ctx, kitchenID(ctx), store.Seek{Kind: store.TryCooked, Limit: learn.MaxTries})
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	all := make([]export.Try, 0, len(kept))
	for i := len(kept) - 1; i >= 0; i-- {
		t := export.Try{ID: kept[i].ID, CookedAt: kept[i].CookedAt}
		if json.Unmarshal(kept[i].Document, &t.Document) != nil || json.Unmarshal(kept[i].Found, &t.Found) != nil {
			continue
		}
		var said jobs.Said
		if kept[i].Said != nil && json.Unmarshal(kept[i].Said, &said) == nil {
			t.Chance = &said.Chance
		}
		if in.Format != "json" {
			t.Document, t.Found.Note = phrases.In(in.Language, &t.Document), phrases.Say(t.Found.Note, in.Language)
		}
		all = append(all, t)
	}
	file := func(extension string) string { return fmt.Sprintf("attachment; filename=%q", "logbook"+extension) }
	switch in.Format {
	case "markdown":
		return &fileOutput{"text/markdown; charset=utf-8", file(".md"), export.TriesMarkdown(all, in.Language)}, nil
	case "json":
		text, err := export.TriesJSON(all)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &fileOutput{"application/json", file(".json"), text}, nil
	}
	text, err := export.TriesCSV(all, in.Language)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return &fileOutput{"text/csv; charset=utf-8", file(".csv"), text}, nil
}

// Imported says how many tries were taken in.
type Imported struct {
	Tries int `json:"tries"`
}

func (s *Server) importTries(ctx context.Context, in *DocumentInput) (*body[Imported], error) {
	k, err := s.kitchen(ctx)
	if err != nil {
		return nil, err
	}
	tries, err := s.triesOf(ctx, in.RawBody, k)
	if err != nil {
		return nil, err
	}
	take := store.Taken{}
	for i := range tries {
		t := &tries[i]
		if !keepable.Time(t.At) || t.At.After(time.Now().Add(24*time.Hour)) {
			return nil, problem.At(http.StatusUnprocessableEntity, "bad-tries", fmt.Sprintf("/%d/cooked_at", i), "Nothing was taken in: a try was cooked in the past, after the year 1900.")
		}
		document, err1 := json.Marshal(t.Document)
		found, err2 := json.Marshal(t.Found)
		if err1 != nil || err2 != nil {
			continue // what was read can be written
		}
		kept := store.KeptTry{Try: store.Try{CookedAt: t.At, Document: document, Found: found}}
		kept.ID = triedAs(kitchenID(ctx), &t.Try, document)
		kept.Build, kept.Version = t.build, t.version
		take.Tries = append(take.Tries, kept)
	}
	count, err := s.Store.TakeIn(ctx, kitchenID(ctx), take)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	s.learnSoon(ctx, kitchenID(ctx))
	return &body[Imported]{Imported{count.Tries}}, nil
}

// triedBuild is a try of a file, with the build that it is of where a name told.
type triedBuild struct {
	learn.Try
	build   string
	version int
}

// triesOf reads tries of a file: as JSON with their builds, or a table or a diary that names them.
func (s *Server) triesOf(ctx context.Context, text []byte, k *kitchen.Kitchen) (out []triedBuild, err error) {
	bad := func(err error) error {
		return problem.New(http.StatusUnprocessableEntity, "bad-tries", "Nothing was taken in: "+err.Error()+".")
	}
	if bytes.HasPrefix(bytes.TrimSpace(text), []byte("[")) {
		tries, err := learn.ReadTries(text, k.Foods)
		if err != nil {
			return nil, bad(err)
		}
		for i := range tries {
			out = append(out, triedBuild{Try: tries[i]})
		}
		return out, nil
	}
	written, err := export.ReadTries(text)
	if err != nil {
		return nil, bad(err)
	}
	builds, err := s.Store.List(ctx, kitchenID(ctx), "", nil, mostBuildsNamed)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	named := map[string]string{}
	for i := range builds {
		name := builds[i].Document.Name
		for _, said := range []string{name, phrases.Say(name, "es")} {
			named[strings.ToLower(said)] = builds[i].ID
		}
	}
	kept := map[string]*store.Build{}
	for i := range written {
		w := &written[i]
		id := named[strings.ToLower(w.Dish)]
		if id == "" {
			return nil, bad(fmt.Errorf("no build is called %q here", w.Dish))
		}
		b := kept[id]
		if b == nil {
			if b, err = s.Store.Find(ctx, kitchenID(ctx), id); err != nil {
				return nil, s.problemOf(ctx, err)
			}
			kept[id] = b
		}
		out = append(out, triedBuild{learn.Try{At: w.At, Document: &b.Document, Found: &w.Found}, b.ID, b.Version})
	}
	return out, nil
}

// mostBuildsNamed are looked through for the names of a table.
const mostBuildsNamed = 5000

// triedAs is the ID of a try of a file: the same each time it is read.
func triedAs(kitchen string, t *learn.Try, document []byte) string {
	if _, err := uuid.Parse(t.ID); err == nil && len(t.ID) == 36 {
		return t.ID
	}
	found, _ := json.Marshal(t.Found) // what was read can be written
	return uuid.NewSHA1(uuid.NameSpaceOID, append([]byte(kitchen+" "+t.ID+" "+t.At.UTC().Format(time.RFC3339)+" "), append(document, found...)...)).String()
}
