package api

import (
	"context"
	"encoding/json"
	"errors"
	"io"
	"net"
	"net/http"
	"slices"
	"strings"
	"time"

	"github.com/jackc/pgx/v5/pgconn"

	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// problemOf turns an error of the store into the problem a client sees, and
// logs what a client cannot mend.
func (s *Server) problemOf(ctx context.Context, err error) error {
	var conflict *store.ConflictError
	var connect *pgconn.ConnectError
	var refused *pgconn.PgError
	var unreadable *store.UnreadableError
	switch {
	case errors.As(err, &unreadable):
		s.Log.Error("what is kept cannot be read", "error", err)
		return problem.New(http.StatusUnprocessableEntity, "unreadable", "This is kept, but it cannot be read here: "+unreadable.Err.Error()+". A backup holds it as it is.")
	case errors.Is(err, store.ErrNotAllowed), errors.As(err, &refused) && refused.Code == insufficientPrivilege:
		return problem.New(http.StatusForbidden, problem.Forbidden, "You may look around in this kitchen, and not do this in it.")
	case errors.Is(err, store.ErrNotFound):
		return problem.New(http.StatusNotFound, problem.NotFound, "There is no such build.")
	case errors.Is(err, store.ErrDeleted):
		return problem.New(http.StatusGone, "deleted", "This build was deleted. It can be brought back.")
	case errors.As(err, &conflict):
		p := problem.New(http.StatusPreconditionFailed, problem.Changed, "The build was changed elsewhere since you opened it.")
		p.Current = conflict.Current
		return p
	case errors.As(err, &refused) && (strings.HasPrefix(refused.Code, dataException) || slices.Contains(violations, refused.Code)):
		s.Log.Warn("something cannot be kept", "error", err)
		return problem.New(http.StatusUnprocessableEntity, problem.BadRequest, "This cannot be kept as it is: "+refused.Message+".")
	case errors.As(err, &refused) && (strings.HasPrefix(refused.Code, noResources) || strings.HasPrefix(refused.Code, "57P") || strings.HasPrefix(refused.Code, "08") || refused.Code == "55P03"):
		// No room (disk, memory, connections), shutting down, a lost connection, a lock that was waited for too long.
		s.Log.Error("the database refuses", "error", err)
		if strings.HasPrefix(refused.Code, noResources) {
			s.full.Store(time.Now().UnixNano())
		}
		return unreachable()
	case errors.As(err, &refused) && refused.Code == readOnly:
		// It is a copy of another by now, or is being worked on: who was connected to it finds the one that takes changes.
		s.Log.Error("the database takes no changes", "error", err)
		s.Store.Reconnect()
		return unreachable()
	case errors.Is(err, store.ErrObjects):
		s.Log.Error("pictures", "error", err)
		return unreachable()
	case errors.Is(err, store.ErrBehind):
		return unreachable()
	case errors.Is(ctx.Err(), context.Canceled):
		return unreachable() // who asked has gone
	case ctx.Err() != nil, errors.As(err, &connect), errors.Is(err, context.DeadlineExceeded):
		s.Log.Warn("the database does not answer", "error", err)
		return unreachable()
	}
	if lost(err) {
		s.Log.Error("the database does not answer", "error", err)
		return unreachable()
	}
	s.Log.Error("request failed", "error", err)
	return problem.New(http.StatusInternalServerError, problem.Internal, "Something went wrong here.")
}

// unreachable says what to do where the database does not answer, or has no room.
func unreachable() *problem.Problem {
	return problem.New(http.StatusServiceUnavailable, problem.Unavailable,
		"The kitchen's records cannot be reached just now. Nothing was lost: try again in a moment, and look at /api/ready if it goes on.")
}

// lost says whether a connection to the database ended in the middle.
func lost(err error) bool {
	var network net.Error
	return errors.Is(err, io.EOF) || errors.Is(err, io.ErrUnexpectedEOF) || errors.Is(err, net.ErrClosed) || errors.As(err, &network) || pgconn.Timeout(err) || pgconn.SafeToRetry(err)
}

// readOnly is what PostgreSQL says of a change where it takes none: read_only_sql_transaction.
const readOnly = "25006"

// insufficientPrivilege is what row-level security says of a row that somebody may not write.
const insufficientPrivilege = "42501"

// noResources is the class of PostgreSQL's codes for no room: of the disk, of memory, of connections.
const noResources = "53"

// fullFor is how long after the database had no room the server says that it is not ready.
const fullFor = 30 * time.Second

// dataException is the class of PostgreSQL's codes for values that its types do not have, such as a text with the
// character 0; violations are the codes of rules that a table has.
const dataException = "22"

var violations = []string{"23502", "23503", "23514"}

func write(w http.ResponseWriter, p *problem.Problem) {
	w.Header().Set("Content-Type", p.ContentType(""))
	w.Header().Set("Cache-Control", "no-store")
	w.WriteHeader(p.Status)
	_ = json.NewEncoder(w).Encode(p)
}
