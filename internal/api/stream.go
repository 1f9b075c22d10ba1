package api

import (
	"cmp"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"
	"strconv"
	"sync"
	"time"

	"github.com/gin-gonic/gin"

	"cuerda/core/kitchen"
	"cuerda/internal/live"
	"cuerda/internal/principal"
	"cuerda/internal/problem"
	"cuerda/internal/wire"
)

const (
	streamPath = kitchenPath + "/courses/:id/stream"
	// heartbeat is how often a stream that is quiet says that it lives.
	heartbeat = 15 * time.Second
	// slowest is how long a device may take to take a piece of news.
	slowest = 10 * time.Second
	// again is when a device that lost its stream asks for it again, ms.
	again = 1500
)

// shown is a course as it is sent, for all that follow it in a language.
type shown struct {
	mu   sync.Mutex
	made map[string]shownAs
}

type shownAs struct {
	version int64
	at      time.Time
	text    []byte
}

// freshFor is how long one text serves all that follow.
const freshFor = 200 * time.Millisecond

// text gives the course as JSON. All that follow it in one language are sent the same.
func (s *Server) text(c *gin.Context, course *live.Course, k *kitchen.Kitchen) ([]byte, error) {
	ctx := c.Request.Context()
	key := course.ID + " " + languageOf(ctx)
	version := course.Version()
	s.shown.mu.Lock()
	was, known := s.shown.made[key]
	s.shown.mu.Unlock()
	if known && was.version == version && time.Since(was.at) < freshFor {
		return was.text, nil
	}
	look := course.Snapshot(k)
	out := wire.CourseOf(course.ID, look, k, courseWords(ctx))
	out.Simulated = s.simulated(course.ID)
	text, err := json.Marshal(&out)
	if err != nil {
		return nil, err
	}
	s.shown.mu.Lock()
	defer s.shown.mu.Unlock()
	if s.shown.made == nil || len(s.shown.made) > 1000 {
		s.shown.made = map[string]shownAs{}
	}
	s.shown.made[key] = shownAs{look.Version, time.Now(), text}
	return text, nil
}

// stream sends what is new of a course as server-sent events: course, whole, whenever it
// changes; readings and scale as they come. The ID of an event is the number of the course's last
// one, so that a device that comes back with the newest is not told again what it knows.
func (s *Server) stream(c *gin.Context) {
	ctx, stop := context.WithCancel(c.Request.Context())
	defer stop()
	defer context.AfterFunc(s.life, stop)()
	course, k, err := s.findCourse(ctx, c.Param("id"))
	if err != nil {
		if p := (*problem.Problem)(nil); errors.As(err, &p) {
			refuse(c, p)
			return
		}
		refuse(c, problem.New(http.StatusInternalServerError, problem.Internal, "Something went wrong here."))
		return
	}
	control := http.NewResponseController(c.Writer)
	_ = control.SetReadDeadline(time.Time{})
	h := c.Writer.Header()
	h.Set("Content-Type", "text/event-stream; charset=utf-8")
	h.Set("Cache-Control", "no-store")
	h.Set("X-Accel-Buffering", "no")
	c.Writer.WriteHeader(http.StatusOK)
	subscriber, leave := course.Follow()
	defer leave()
	if course.Plan().Simulated {
		s.startSimulated(course, k)
	}
	var out telling
	send := func() bool {
		_ = control.SetWriteDeadline(time.Now().Add(slowest))
		if out.to(c.Writer) != nil || control.Flush() != nil {
			return false
		}
		// Over HTTP/2 a deadline that passes ends the stream, also while nothing is written.
		_ = control.SetWriteDeadline(time.Time{})
		return true
	}
	out.say("retry: %d\n\n", again)
	known, _ := strconv.ParseInt(c.GetHeader("Last-Event-ID"), 10, 64)
	course.CatchUpTo(ctx, known)
	if seq := course.Seq(); known == 0 || known != seq {
		if !s.tellCourse(c, &out, course) {
			return
		}
	}
	asked := time.Now()
	for send() {
		// Whoever was signed out or taken out meanwhile follows no longer.
		if s.Accounts && time.Since(asked) >= cmp.Or(s.askAgain, heartbeat) {
			if !s.stillIn(ctx) {
				return
			}
			asked = time.Now()
		}
		news, ok := subscriber.Wait(ctx, heartbeat)
		if !ok || news.End {
			if news.End {
				out.say("event: end\ndata: {}\n\n")
				send()
			}
			return
		}
		if news == (live.News{}) {
			out.say(": still here\n\n")
		}
		if news.View && !s.tellCourse(c, &out, course) {
			return
		}
		if news.Readings {
			s.tellReadings(&out, course)
		}
		if news.Weighs {
			scale := course.Scale()
			tell(&out, "scale", wire.CourseScale{In: scale.In, At: scale.At})
		}
	}
}

// telling is what is to be sent next. A course is the same text for all that follow it: nobody holds a copy of it.
type telling struct{ parts [][]byte }

var ends = []byte("\n\n")

func (t *telling) say(format string, args ...any) {
	t.parts = append(t.parts, fmt.Appendf(nil, format, args...))
}

// to sends it, and leaves nothing.
func (t *telling) to(w io.Writer) error {
	parts := t.parts
	t.parts = nil
	for _, part := range parts {
		if _, err := w.Write(part); err != nil {
			return err
		}
	}
	return nil
}

// stillIn says whether whoever began a request may still be in its kitchen.
func (s *Server) stillIn(ctx context.Context) bool {
	p, _ := principal.From(ctx)
	if _, err := s.Store.FindVisit(ctx, p.Visit); err != nil {
		return false
	}
	_, err := s.Store.KitchenThere(ctx, p.Kitchen)
	return err == nil
}

func (s *Server) tellCourse(c *gin.Context, out *telling, course *live.Course) bool {
	k, err := s.kitchen(c.Request.Context())
	if err != nil {
		return false
	}
	seq := course.Seq()
	text, err := s.text(c, course, k)
	if err != nil {
		return false
	}
	out.say("id: %d\nevent: course\ndata: ", seq)
	out.parts = append(out.parts, text, ends)
	return true
}

// StreamReadings are the last readings of the dishes on the heat.
type StreamReadings struct {
	Now      time.Time       `json:"now"`
	Readings []StreamReading `json:"readings"`
}

// StreamReading is one of them.
type StreamReading struct {
	Dish int `json:"dish"`
	wire.CourseReading
}

func (s *Server) tellReadings(out *telling, course *live.Course) {
	now, _ := course.Now()
	news := StreamReadings{Now: now, Readings: []StreamReading{}}
	for _, r := range course.Last() {
		news.Readings = append(news.Readings, StreamReading{r.Dish, wire.CourseReading{Where: string(r.Where), At: r.At, Celsius: r.Celsius}})
	}
	tell(out, "readings", news)
}

func tell(out *telling, event string, data any) {
	text, err := json.Marshal(data)
	if err == nil {
		out.say("event: %s\ndata: %s\n\n", event, text)
	}
}
