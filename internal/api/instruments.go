package api

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"errors"
	"net"
	"net/http"
	"strings"
	"sync"

	"github.com/danielgtaylor/huma/v2"
	lru "github.com/hashicorp/golang-lru/v2"
	"golang.org/x/time/rate"

	"cuerda/core/cooking"
	"cuerda/core/kitchen"
	"cuerda/internal/device"
	"cuerda/internal/device/senml"
	"cuerda/internal/live"
	"cuerda/internal/principal"
	"cuerda/internal/problem"
	"cuerda/internal/store"
	"cuerda/internal/wire"
)

// TakenReadings says what became of a pack.
type TakenReadings struct {
	Kept int `json:"kept" doc:"readings of probes that have been kept"`
	// Used readings have drawn the forecast; Noted tell nothing new; Aside are of a probe that is
	// not where it should be; Late came after others that were taken later.
	Used  int `json:"used"`
	Noted int `json:"noted"`
	Aside int `json:"aside"`
	Late  int `json:"late"`
	// Without are records that hold no number.
	Without int            `json:"without"`
	Faults  []ReadingFault `json:"faults"`
}

// ReadingFault is a record that was set aside.
type ReadingFault struct {
	Index int    `json:"index"`
	Code  string `json:"code" enum:"unknown-instrument,unknown-unit,impossible,from-the-future,before-the-course"`
	Got   string `json:"got,omitempty"`
}

// InstrumentToken is what an instrument shows.
type InstrumentToken struct {
	Token string `json:"token"`
}

// TokenInput is what an instrument shows.
type TokenInput struct {
	Authorization string `header:"Authorization" doc:"Bearer and a token of a course that goes on"`
	from          string
}

// Resolve keeps from where it comes.
func (in *TokenInput) Resolve(ctx huma.Context) []error {
	in.from = addressOf(ctx.RemoteAddr())
	return nil
}

func addressOf(remote string) string {
	if host, _, err := net.SplitHostPort(remote); err == nil {
		return host
	}
	return remote
}

type readingsInput struct {
	TokenInput
	RawBody []byte
}

// maxPack is the longest pack that is read, bytes.
const maxPack = 256 << 10

func (s *Server) registerInstruments(api huma.API) {
	send := beside(http.MethodPost, "/readings", "sendReadings", "What instruments measured, as SenML (RFC 8428)", 401, 413, 422, 429, 507)
	send.MaxBodyBytes = maxPack
	send.SkipValidateBody = true
	send.RequestBody = &huma.RequestBody{Required: true, Content: map[string]*huma.MediaType{
		senml.MediaType: {Schema: &huma.Schema{Type: huma.TypeArray, Items: &huma.Schema{Type: huma.TypeObject}}},
	}}
	huma.Register(api, send, s.sendReadings)
	huma.Register(api, beside(http.MethodGet, "/readings", "whatToMeasure", "What there is to measure", 401, 429), func(ctx context.Context, in *TokenInput) (*body[device.ToMeasure], error) {
		c, _, err := s.courseByToken(ctx, in)
		if err != nil {
			return nil, err
		}
		return &body[device.ToMeasure]{*c.Instruments()}, nil
	})
	let := op(http.MethodPost, "/courses/{id}/tokens", "letInstrument", "Let an instrument in: a token that is told this once, and ends with the course", 404, 410)
	let.DefaultStatus = http.StatusCreated
	huma.Register(api, let, func(ctx context.Context, in *IDInput) (*body[InstrumentToken], error) {
		token, err := s.Store.LetInstrument(ctx, kitchenID(ctx), in.ID)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &body[InstrumentToken]{InstrumentToken{token}}, nil
	})
	huma.Register(api, op(http.MethodPost, "/courses/{id}/instruments", "simulate", "Start or stop simulated instruments", 404, 410, 422), s.simulate)
}

// How many wrong tokens an address may show in a second, and at once: an instrument shows a right one, or tries again and
// again what it was told wrongly.
const (
	wrongTokensASecond = 1
	wrongTokensAtOnce  = 20
	mostAddresses      = 10_000
)

// guesses holds who shows wrong tokens to a few in a second; those that were right lately are let in all the same.
type guesses struct {
	once    sync.Once
	by      *lru.Cache[string, *rate.Limiter]
	rightly *lru.Cache[[sha256.Size]byte, struct{}]
}

func (g *guesses) start() {
	g.once.Do(func() {
		g.by, _ = lru.New[string, *rate.Limiter](mostAddresses) // an error is of a size below 1
		g.rightly, _ = lru.New[[sha256.Size]byte, struct{}](mostAddresses)
	})
}

// may says whether somebody at an address may show a token now.
func (g *guesses) may(from, token string) bool {
	g.start()
	if g.rightly.Contains(sha256.Sum256([]byte(token))) {
		return true
	}
	limit, known := g.by.Get(from)
	return !known || limit.Tokens() >= 1
}

// was keeps whether a token that was shown was right.
func (g *guesses) was(right bool, from, token string) {
	if right {
		g.rightly.Add(sha256.Sum256([]byte(token)), struct{}{})
		return
	}
	limit, known := g.by.Get(from)
	if !known {
		limit = rate.NewLimiter(wrongTokensASecond, wrongTokensAtOnce)
		g.by.Add(from, limit)
	}
	limit.Allow()
}

// courseByToken gives the course that an instrument may send to, with a context of its kitchen.
func (s *Server) courseByToken(ctx context.Context, in *TokenInput) (*live.Course, context.Context, error) {
	token, ok := strings.CutPrefix(in.Authorization, "Bearer ")
	if token = strings.TrimSpace(token); !ok || token == "" || len(token) > 200 {
		s.live.Counts.Refused.Add(1)
		return nil, ctx, problem.New(http.StatusUnauthorized, problem.Forbidden, "Readings need a token of the course: Authorization: Bearer ...")
	}
	if !s.guesses.may(in.from, token) {
		s.live.Counts.Refused.Add(1)
		return nil, ctx, huma.ErrorWithHeaders(problem.New(http.StatusTooManyRequests, "too-many", "Too many wrong tokens came from here: try again in a moment."), http.Header{"Retry-After": {retryAfter}})
	}
	kitchenID, id, err := s.Store.CourseOf(principal.Server(ctx), token)
	if err != nil {
		if !errors.Is(err, store.ErrNotFound) {
			return nil, ctx, s.problemOf(ctx, err)
		}
		s.guesses.was(false, in.from, token)
		s.live.Counts.Refused.Add(1)
		return nil, ctx, problem.New(http.StatusUnauthorized, problem.Forbidden, "No course that goes on has this token.")
	}
	s.guesses.was(true, in.from, token)
	ctx = principal.InKitchen(ctx, kitchenID)
	c, err := s.live.Find(ctx, kitchenID, id)
	if err != nil {
		return nil, ctx, s.problemOf(ctx, err)
	}
	return c, ctx, nil
}

func (s *Server) sendReadings(ctx context.Context, in *readingsInput) (*body[TakenReadings], error) {
	c, ctx, err := s.courseByToken(ctx, &in.TokenInput)
	if err != nil {
		return nil, err
	}
	pack, without, err := senml.Read(in.RawBody)
	if err != nil {
		s.live.Counts.Malformed.Add(1)
		return nil, problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "The readings cannot be read: "+err.Error()+".")
	}
	if err := s.room(ctx, kitchenID(ctx), ofReadings, "readings"); err != nil {
		return nil, err
	}
	taken, err := c.Readings(ctx, pack)
	if errors.Is(err, live.ErrBusy) {
		return nil, problem.New(http.StatusServiceUnavailable, problem.Unavailable, "More readings come than can be kept: send them again in a moment.")
	}
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	out := TakenReadings{taken.Kept, taken.Used, taken.Noted, taken.Aside, taken.Late, without, []ReadingFault{}}
	for _, f := range taken.Faults {
		out.Faults = append(out.Faults, ReadingFault(f))
	}
	return &body[TakenReadings]{out}, nil
}

// Instruments says which instruments are to be simulated, and how fast the clock is to go.
type Instruments struct {
	On    bool    `json:"on"`
	Speed float64 `json:"speed,omitempty" minimum:"1" maximum:"60" doc:"of the course's clock; as it is where it says nothing"`
}

type simulateInput struct {
	IDInput
	Body Instruments
}

func (s *Server) simulate(ctx context.Context, in *simulateInput) (*body[wire.Course], error) {
	c, k, err := s.findCourse(ctx, in.ID)
	if err != nil {
		return nil, err
	}
	_, speed := c.Now()
	next := cooking.Event{ID: rand.Text(), Kind: cooking.Clock, Speed: speed}
	if in.Body.Speed > 0 {
		next.Speed = in.Body.Speed
	}
	if in.Body.On {
		next.Device = cooking.SimulatedDevice // it is kept that figures were made up
	}
	if in.Body.On || next.Speed != speed {
		if _, err := c.Do(ctx, []cooking.Event{next}); err != nil {
			return nil, s.problemOf(ctx, err)
		}
	}
	if in.Body.On {
		s.startSimulated(c, k)
	} else {
		s.stopSimulated(c.ID)
	}
	c.Poke()
	return &body[wire.Course]{s.courseOf(ctx, c, k)}, nil
}

// simulations are the simulated instruments that run, by course.
type simulations struct {
	mu      sync.Mutex
	running map[string]context.CancelFunc
}

// local are the instruments of a course of this server. What they measure is written and read as
// that of any other.
type local struct{ course *live.Course }

func (l local) Course(context.Context) (*device.ToMeasure, error) { return l.course.Instruments(), nil }

func (l local) Send(ctx context.Context, records []senml.Record) error {
	text, err := senml.Write(records)
	if err != nil {
		return err
	}
	pack, _, err := senml.Read(text)
	if err != nil {
		return err
	}
	_, err = l.course.Readings(ctx, pack)
	return err
}

func (s *Server) startSimulated(c *live.Course, k *kitchen.Kitchen) {
	s.simulations.mu.Lock()
	defer s.simulations.mu.Unlock()
	if s.simulations.running[c.ID] != nil || s.life == nil || s.life.Err() != nil {
		return
	}
	if s.simulations.running == nil {
		s.simulations.running = map[string]context.CancelFunc{}
	}
	ctx, stop := context.WithCancel(s.life)
	s.simulations.running[c.ID] = stop
	go func() {
		if err := device.Run(ctx, local{c}, device.Options{Kitchen: k, Seed: device.Seeded(c.ID), Scale: true, Probes: true}); err != nil {
			s.Log.Error("simulated instruments", "course", c.ID, "error", err)
		}
		s.stopSimulated(c.ID)
		c.Poke()
	}()
}

func (s *Server) stopSimulated(id string) {
	s.simulations.mu.Lock()
	defer s.simulations.mu.Unlock()
	if stop := s.simulations.running[id]; stop != nil {
		stop()
		delete(s.simulations.running, id)
	}
}

func (s *Server) simulated(id string) bool {
	s.simulations.mu.Lock()
	defer s.simulations.mu.Unlock()
	return s.simulations.running[id] != nil
}

// Close ends what goes on by itself: the simulated instruments, and the streams that are followed.
func (s *Server) Close() {
	if s.end != nil {
		s.end()
	}
}
