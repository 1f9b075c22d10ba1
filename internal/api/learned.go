package api

import (
	"context"
	"errors"
	"maps"
	"net/http"
	"slices"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/core/document"
	"cuerda/core/learn"
	"cuerda/internal/jobs"
	"cuerda/internal/principal"
	"cuerda/internal/problem"
	"cuerda/internal/store"
	"cuerda/internal/wire"
)

// KitchenLearned is what the tries of a kitchen taught.
type KitchenLearned struct {
	Tries   int                  `json:"tries"`
	Mixes   int                  `json:"mixes"`
	Figures []wire.LearnedFigure `json:"figures"`
	// Forgotten says since when figures are learned anew, by name.
	Forgotten map[string]time.Time `json:"forgotten"`
	// Off says that predictions do without all of it; OwnMixes that they go by what became of its mixes.
	Off      bool         `json:"off"`
	OwnMixes bool         `json:"own_mixes"`
	Trust    logbookTrust `json:"trust"`
	Alone    logbookTrust `json:"alone"`
}

// logbookTrust is logbook.Trust as the interface tells it.
type logbookTrust struct {
	// Least is how many tries are needed to tell.
	Least  int        `json:"least"`
	Bins   []TrustBin `json:"bins"`
	Brier  float64    `json:"brier" digits:"3"`
	Tries  int        `json:"tries"`
	TooFew bool       `json:"too_few"`
}

// TrustBin is logbook.Bin as the interface tells it.
type TrustBin struct {
	Said     float64 `json:"said" digits:"3"`
	Happened float64 `json:"happened" digits:"3"`
	Low      float64 `json:"low" digits:"3"`
	High     float64 `json:"high" digits:"3"`
	Tries    int     `json:"tries"`
	Pieces   int     `json:"pieces"`
}

// LearnedChoice says what to do with what was learned.
type LearnedChoice struct {
	Off *bool `json:"off,omitempty"`
	// Figure is the one that Used or Forget is about; own_mixes for what became of the kitchen's mixes.
	Figure string `json:"figure,omitempty" maxLength:"120"`
	Used   *bool  `json:"used,omitempty"`
	// Forget has the figure learned anew from now on; false takes that back.
	Forget *bool `json:"forget,omitempty"`
}

type choiceInput struct {
	Body LearnedChoice
}

func (s *Server) registerLearned(api huma.API) {
	huma.Register(api, costs(op(http.MethodGet, "/learned", "getLearned", "What the tries of this kitchen taught, and how far chances could be relied on")), func(ctx context.Context, _ *struct{}) (*body[KitchenLearned], error) {
		return s.learned(ctx)
	})
	huma.Register(api, costs(op(http.MethodPost, "/learned/choose", "chooseLearned", "Leave out, use or forget what was learned", 422)), s.chooseLearned)
	s.registerPatties(api)
}

// teacher is made with the first use.
func (s *Server) teacher() *jobs.Teacher {
	s.teaching.Do(func() { s.lessons = &jobs.Teacher{Store: s.Store, Foods: s.Foods, Common: s.Common} })
	return s.lessons
}

// learn has the kitchen of a request learn of what there is, where it has not, and gives what it learned. Where its tries make
// no sense together, what it learned before stands.
func (s *Server) learn(ctx context.Context) (*learn.Learned, error) {
	l, err := s.teacher().Learn(ctx, kitchenID(ctx))
	s.cache.forget(kitchenID(ctx))
	if !errors.Is(err, learn.ErrNoBelief) {
		return l, err
	}
	s.Log.Warn("a kitchen did not learn", "error", err)
	if l, _, err = s.Store.Learned(ctx, kitchenID(ctx)); l == nil {
		l = &learn.Learned{}
	}
	return l, err
}

// learnSoon has a kitchen learn in the background. Where that cannot be asked for now, it is found later that it has to.
func (s *Server) learnSoon(ctx context.Context, kitchen string) {
	s.cache.forget(kitchen)
	if s.Background != nil {
		if err := s.Background.Learn(principal.Server(ctx), kitchen); err != nil {
			s.Log.Warn("a kitchen will learn later", "error", err)
		}
		return
	}
	go func() {
		if _, err := s.teacher().Learn(s.life, kitchen); err != nil && s.life.Err() == nil {
			s.Log.Warn("a kitchen did not learn", "error", err)
		}
		s.cache.forget(kitchen)
	}()
}

// keepLive keeps a try of a course; its kitchen learns of it meanwhile.
func (s *Server) keepLive(ctx context.Context, kitchen string, t *store.Try, d *document.Document) error {
	if err := s.keepTry(principal.InKitchen(ctx, kitchen), t, d); err != nil {
		return err
	}
	s.learnSoon(ctx, kitchen)
	return nil
}

func (s *Server) learned(ctx context.Context) (*body[KitchenLearned], error) {
	id := kitchenID(ctx)
	l, err := s.learn(ctx)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	_, choices, err := s.Store.Learned(ctx, id)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	base, err := s.teacher().Base(ctx, id)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	all, err := s.Store.SeekTries(ctx, id, store.Seek{Kind: store.TryCooked, Limit: 1000})
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	said, alone := jobs.Trust(all, base)
	out := KitchenLearned{
		Tries: l.Tries, Mixes: l.Mixes, Figures: []wire.LearnedFigure{}, Off: choices.Off, OwnMixes: !slices.Contains(choices.LeftOut, learn.OwnMixes),
		Forgotten: map[string]time.Time{}, Trust: wire.Of[logbookTrust](said), Alone: wire.Of[logbookTrust](alone),
	}
	maps.Copy(out.Forgotten, choices.Forgotten)
	for i := range l.Figures {
		if f := &l.Figures[i]; len(f.Tries) > 0 {
			out.Figures = append(out.Figures, wire.FigureOf(f))
		}
	}
	// What moved most, in its own spread, is told first.
	moved := func(f wire.LearnedFigure) float64 {
		d := (f.Posterior.Mean - f.Prior.Mean) / f.Prior.SD
		return d*d + 1 - f.Posterior.SD/f.Prior.SD
	}
	slices.SortStableFunc(out.Figures, func(a, b wire.LearnedFigure) int {
		if moved(a) > moved(b) {
			return -1
		}
		return 1
	})
	return &body[KitchenLearned]{out}, nil
}

func (s *Server) chooseLearned(ctx context.Context, in *choiceInput) (*body[KitchenLearned], error) {
	c := in.Body
	if (c.Used != nil || c.Forget != nil) && c.Figure == "" {
		return nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "Say which figure.")
	}
	err := s.Store.Choose(ctx, kitchenID(ctx), func(choices *store.Choices) { c.change(choices) })
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	s.cache.forget(kitchenID(ctx))
	return s.learned(ctx)
}

// change does with choices what is chosen.
func (c *LearnedChoice) change(choices *store.Choices) {
	if c.Off != nil {
		choices.Off = *c.Off
	}
	if c.Used != nil {
		choices.LeftOut = slices.DeleteFunc(choices.LeftOut, func(id string) bool { return id == c.Figure })
		if !*c.Used && len(choices.LeftOut) < 500 {
			choices.LeftOut = append(choices.LeftOut, c.Figure)
		}
	}
	if c.Forget != nil {
		if choices.Forgotten == nil {
			choices.Forgotten = map[string]time.Time{}
		}
		delete(choices.Forgotten, c.Figure)
		if *c.Forget && len(choices.Forgotten) < 500 {
			choices.Forgotten[c.Figure] = time.Now().UTC()
		}
	}
}
