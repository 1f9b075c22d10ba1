package api

import (
	"net/http"
	"time"
)

// Unchecked leaves to the database what the application checks of who asks, for tests of the second wall.
func (s *Server) Unchecked() { s.unchecked = true }

// AddressOf says where a request comes from.
func (s *Server) AddressOf(r *http.Request) string { return s.addressOf(r) }

// AskAgain sets how often it is asked whether whoever follows a course still may.
func (s *Server) AskAgain(every time.Duration) { s.askAgain = every }
