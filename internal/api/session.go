package api

import (
	"context"
	"errors"
	"fmt"
	"math"
	"net/http"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/internal/people"
	"cuerda/internal/principal"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// Me is who asks.
type Me struct {
	// Accounts says whether people sign in here at all; without, whoever sits at the machine is the cook.
	Accounts bool   `json:"accounts"`
	Account  string `json:"account,omitempty"`
	Name     string `json:"name,omitempty"`
	// Device is set at a stove, with the kitchen that it is of.
	Device  string `json:"device,omitempty"`
	Kitchen string `json:"kitchen,omitempty"`
	// Failed counts the sign-ins in this name that failed in the last week.
	Failed int `json:"failed,omitempty"`
}

// SignIn is who somebody says they are; a recovery code does in place of a passphrase, once.
type SignIn struct {
	Account      string `json:"account" maxLength:"200"`
	Passphrase   string `json:"passphrase,omitempty" maxLength:"2000"`
	RecoveryCode string `json:"recovery_code,omitempty" maxLength:"100"`
}

type meOutput struct {
	SetCookie []*http.Cookie `header:"Set-Cookie"`
	Body      Me
}

type cookieOutput struct {
	SetCookie []*http.Cookie `header:"Set-Cookie"`
}

// browser is what a browser says of itself.
type browser struct {
	Agent string `header:"User-Agent"`
}

type passphraseInput struct {
	Body struct {
		Passphrase string `json:"passphrase" maxLength:"2000"`
	}
}

// RecoveryCodes are told once.
type RecoveryCodes struct {
	Codes []string `json:"codes"`
}

func (s *Server) registerSession(api huma.API) {
	huma.Register(api, beside(http.MethodGet, "/me", "getMe", "Who asks", 401), s.me)
	huma.Register(api, beside(http.MethodPost, "/session", "signIn", "Sign in", 401, 409, 429), s.signIn)
	huma.Register(api, beside(http.MethodDelete, "/session", "signOut", "Sign out", 409), func(ctx context.Context, _ *struct{}) (*cookieOutput, error) {
		if err := s.needAccounts(); err != nil {
			return nil, err
		}
		p, _ := principal.From(ctx)
		if p.Visit != "" {
			if err := s.Store.EndVisit(ctx, p.Account, p.Visit); err != nil && !errors.Is(err, store.ErrNotFound) {
				return nil, s.problemOf(ctx, err)
			}
			s.journal(ctx, "signed-out", "")
		}
		return &cookieOutput{[]*http.Cookie{s.noCookie()}}, nil
	})
	huma.Register(api, beside(http.MethodPost, "/session/prove", "prove", "Say again who you are", 401, 403, 429), func(ctx context.Context, in *passphraseInput) (*meOutput, error) {
		p, err := s.signedIn(ctx)
		if err != nil {
			return nil, err
		}
		if _, err := s.known(ctx, SignIn{Account: p.Name, Passphrase: in.Body.Passphrase}); err != nil {
			return nil, err
		}
		if err := s.Store.ProveVisit(ctx, p.Visit); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		out, err := s.me(ctx, nil)
		if err != nil {
			return nil, err
		}
		cookie, err := s.cookieOf(ctx, p.Visit)
		if err != nil {
			return nil, err
		}
		out.SetCookie = []*http.Cookie{cookie}
		return out, nil
	})
	huma.Register(api, beside(http.MethodPut, "/me/passphrase", "setPassphrase", "Choose another passphrase; every other browser is signed out", 403, 422), s.setPassphrase)
	huma.Register(api, beside(http.MethodPost, "/me/recovery-codes", "makeRecoveryCodes", "Ten codes that each let in once, in place of those before; they are told this once", 403),
		func(ctx context.Context, _ *struct{}) (*body[RecoveryCodes], error) {
			p, err := s.signedIn(ctx)
			if err != nil {
				return nil, err
			}
			codes, hashes := people.RecoveryCodes()
			if err := s.Store.SetRecoveryCodes(ctx, p.Account, hashes); err != nil {
				return nil, s.problemOf(ctx, err)
			}
			s.journal(ctx, "recovery-codes", "")
			return &body[RecoveryCodes]{RecoveryCodes{codes}}, nil
		})
	huma.Register(api, beside(http.MethodGet, "/me/sessions", "listSessions", "The browsers that are signed in", 403), func(ctx context.Context, _ *struct{}) (*body[[]OneSession], error) {
		p, err := s.signedIn(ctx)
		if err != nil {
			return nil, err
		}
		visits, err := s.Store.Visits(ctx, p.Account)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		out := []OneSession{}
		for _, v := range visits {
			out = append(out, OneSession{v, v.ID == p.Visit})
		}
		return &body[[]OneSession]{out}, nil
	})
	huma.Register(api, beside(http.MethodDelete, "/me/sessions/{id}", "endSession", "Sign a browser out", 403, 404), func(ctx context.Context, in *IDInput) (*struct{}, error) {
		p, err := s.signedIn(ctx)
		if err != nil {
			return nil, err
		}
		if err := s.Store.EndVisit(ctx, p.Account, in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return nil, nil
	})
	huma.Register(api, beside(http.MethodDelete, "/me", "eraseAccount", "Erase one's account: name, passphrase and sessions; what was done in kitchens stays", 403, 409, 422), s.eraseAccount)
	huma.Register(api, asFile(beside(http.MethodGet, "/me/data", "packAccount", "One's own data as a zip of open files", 403), "application/zip"), s.packAccount)
}

// OneSession is a browser that is signed in.
type OneSession struct {
	store.Visit
	Here bool `json:"here"`
}

func (s *Server) needAccounts() error {
	if !s.Accounts {
		return problem.New(http.StatusConflict, "no-accounts", "Nobody signs in here: start Cuerda with --accounts for that.")
	}
	return nil
}

// signedIn gives who signed in.
func (s *Server) signedIn(ctx context.Context) (principal.Principal, error) {
	p, _ := principal.From(ctx)
	if p.Account == "" {
		return p, problem.New(http.StatusForbidden, problem.Forbidden, "This is for somebody who signed in.")
	}
	return p, nil
}

// failedFor is how far back failed sign-ins are told of.
const failedFor = 7 * 24 * time.Hour

func (s *Server) me(ctx context.Context, _ *struct{}) (*meOutput, error) {
	p, _ := principal.From(ctx)
	out := &meOutput{Body: Me{Accounts: s.Accounts, Account: p.Account, Name: p.Name, Device: p.Device}}
	if p.Account != "" {
		failed, err := s.Store.Failed(ctx, p.Account, time.Now().Add(-failedFor))
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		out.Body.Failed = failed
	}
	if p.Visit != "" && p.Device != "" {
		visit, err := s.Store.FindVisit(ctx, p.Visit)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		out.Body.Kitchen = visit.Kitchen
	}
	return out, nil
}

// tooMany says how long somebody has to wait who tried too often.
func tooMany(wait time.Duration) error {
	return huma.ErrorWithHeaders(problem.New(http.StatusTooManyRequests, "too-many", "Too many tries went wrong: wait a moment before the next."),
		http.Header{"Retry-After": {fmt.Sprint(int(math.Ceil(wait.Seconds())))}})
}

// known gives the account of somebody who says the right thing. Whatever is wrong, it looks the same and takes as long.
func (s *Server) known(ctx context.Context, in SignIn) (*store.Account, error) {
	p, _ := principal.From(ctx)
	_, key, err := people.Name(in.Account)
	if err != nil {
		key = ""
	}
	byAddress, byName, byBoth := counter{s.door.byAddress, p.Address}, counter{s.door.byName, key}, counter{s.door.byBoth, p.Address + " " + key}
	if err := s.try(ctx, byAddress, byBoth); err != nil {
		return nil, err
	}
	account, err := s.Store.AccountByKey(ctx, key)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return nil, s.problemOf(ctx, err)
	}
	if err != nil {
		account = &store.Account{}
	}
	counted := []counter{byAddress, byBoth, byName}
	if slow := s.try(ctx, byName); slow != nil {
		counted = counted[:2]
		// Whoever guesses from many places keeps nobody out who signed in before from where they are.
		came := false
		if account.ID != "" {
			if came, err = s.Store.CameFrom(ctx, account.ID, p.Address); err != nil {
				return nil, s.problemOf(ctx, err)
			}
		}
		if !came {
			return nil, slow
		}
	}
	may := account.ID != "" && account.DisabledAt == nil
	right := people.Matches(in.Passphrase, account.Passphrase)
	if in.Passphrase == "" && in.RecoveryCode != "" && may {
		if right, err = s.Store.UseRecoveryCode(ctx, account.ID, people.RecoveryCode(in.RecoveryCode)); err != nil {
			return nil, s.problemOf(ctx, err)
		}
	}
	if may && right {
		return account, s.right(ctx, counted...)
	}
	if err := s.Store.Journal(ctx, "", account.ID, "sign-in-failed", "", p.Address); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return nil, problem.New(http.StatusUnauthorized, "wrong-passphrase", "That name and that passphrase do not belong together.")
}

func (s *Server) signIn(ctx context.Context, in *struct {
	browser
	Body SignIn
}) (*meOutput, error) {
	if err := s.needAccounts(); err != nil {
		return nil, err
	}
	account, err := s.known(ctx, in.Body)
	if err != nil {
		return nil, err
	}
	p, _ := principal.From(ctx)
	p.Account, p.Name = account.ID, account.Name
	ctx = principal.With(ctx, p)
	return s.letIn(ctx, in.Agent, "signed-in")
}

// letIn begins a visit for who the context says, and answers with the cookie of it.
func (s *Server) letIn(ctx context.Context, agent, what string) (*meOutput, error) {
	p, _ := principal.From(ctx)
	cookie, err := s.enter(ctx, p.Account, p.Device, agent)
	if err != nil {
		return nil, err
	}
	s.journal(ctx, what, "")
	p.Visit = ""
	out, err := s.me(principal.With(ctx, p), nil)
	if err != nil {
		return nil, err
	}
	if p.Device != "" {
		out.Body.Kitchen = p.Kitchen
	}
	out.SetCookie = []*http.Cookie{cookie}
	return out, nil
}

// badPassphrase says why a passphrase is not taken; nil where it is.
func badPassphrase(given, name string) error {
	err := people.Passphrase(given, name)
	code := map[error]string{people.ErrShort: "passphrase-short", people.ErrLong: "passphrase-long", people.ErrUsual: "passphrase-usual", people.ErrUnusual: "passphrase-odd"}[err]
	if err == nil {
		return nil
	}
	return problem.At(http.StatusUnprocessableEntity, code, "/passphrase", strings.ToUpper(err.Error()[:1])+err.Error()[1:]+".")
}

func (s *Server) setPassphrase(ctx context.Context, in *passphraseInput) (*meOutput, error) {
	p, err := s.signedIn(ctx)
	if err != nil {
		return nil, err
	}
	if err := badPassphrase(in.Body.Passphrase, p.Name); err != nil {
		return nil, err
	}
	hash, err := people.Hash(in.Body.Passphrase)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if err := s.Store.SetPassphrase(ctx, p.Account, hash, p.Visit); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	s.journal(ctx, "passphrase", "")
	out, err := s.me(ctx, nil)
	if err != nil {
		return nil, err
	}
	cookie, err := s.cookieOf(ctx, p.Visit)
	if err != nil {
		return nil, err
	}
	out.SetCookie = []*http.Cookie{cookie}
	return out, nil
}

func (s *Server) eraseAccount(ctx context.Context, in *struct {
	Name string `query:"name" maxLength:"200" doc:"one's name, typed again"`
}) (*cookieOutput, error) {
	p, err := s.signedIn(ctx)
	if err != nil {
		return nil, err
	}
	_, typed, _ := people.Name(in.Name)
	if _, key, _ := people.Name(p.Name); typed != key {
		return nil, problem.New(http.StatusUnprocessableEntity, "other-name", "Type your name as it stands to erase your account.")
	}
	if err := s.Store.EraseAccount(ctx, p.Account); err != nil {
		return nil, s.peopleProblem(ctx, err)
	}
	return &cookieOutput{[]*http.Cookie{s.noCookie()}}, nil
}

// journal writes down what somebody did; where it cannot be, that is said in the log, and what was done stands.
func (s *Server) journal(ctx context.Context, what, about string) {
	if !s.Accounts {
		return
	}
	p, _ := principal.From(ctx)
	if err := s.Store.Journal(ctx, p.Kitchen, p.Account, what, about, p.Address); err != nil {
		s.Log.Error("the journal cannot be written", "what", what, "error", err)
	}
}
