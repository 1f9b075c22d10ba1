package api

import (
	"context"
	"encoding/json"
	"errors"
	"net/http"

	"github.com/jackc/pgx/v5/pgconn"

	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// problemOf turns an error of the store into the problem a client sees, and
// logs what a client cannot mend.
func (s *Server) problemOf(ctx context.Context, err error) error {
	var conflict *store.ConflictError
	var connect *pgconn.ConnectError
	switch {
	case errors.Is(err, store.ErrNotFound):
		return problem.New(http.StatusNotFound, problem.NotFound, "There is no such build.")
	case errors.Is(err, store.ErrDeleted):
		return problem.New(http.StatusGone, "deleted", "This build was deleted. It can be brought back.")
	case errors.As(err, &conflict):
		p := problem.New(http.StatusPreconditionFailed, problem.Changed, "The build was changed elsewhere since you opened it.")
		p.Current = conflict.Current
		return p
	case ctx.Err() != nil, errors.As(err, &connect), errors.Is(err, context.DeadlineExceeded):
		s.Log.Warn("the database does not answer", "error", err)
		return problem.New(http.StatusServiceUnavailable, problem.Unavailable, "The kitchen's records cannot be reached just now.")
	}
	s.Log.Error("request failed", "error", err)
	return problem.New(http.StatusInternalServerError, problem.Internal, "Something went wrong here.")
}

func write(w http.ResponseWriter, p *problem.Problem) {
	w.Header().Set("Content-Type", p.ContentType(""))
	w.Header().Set("Cache-Control", "no-store")
	w.WriteHeader(p.Status)
	_ = json.NewEncoder(w).Encode(p)
}
