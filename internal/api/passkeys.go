package api

import (
	"context"
	"encoding/json"
	"errors"
	"net"
	"net/http"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/go-webauthn/webauthn/protocol"
	"github.com/go-webauthn/webauthn/webauthn"
	"github.com/google/uuid"

	"cuerda/core/keepable"
	"cuerda/internal/principal"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// challengedFor is how long a browser may take to sign what it was asked to.
const challengedFor = 5 * time.Minute

// mostPasskeys is how many somebody may have.
const mostPasskeys = 20

// PasskeyAsked is what a browser is asked to sign (Web Authentication, W3C): options are for its own functions.
type PasskeyAsked struct {
	ID      string          `json:"id"`
	Options json.RawMessage `json:"options"`
}

// PasskeyAnswer is what the browser's function gave.
type PasskeyAnswer struct {
	ID         string          `json:"id" maxLength:"60"`
	Name       string          `json:"name,omitempty" maxLength:"60"`
	Credential json.RawMessage `json:"credential"`
}

// site is how a browser reached the server: a passkey is of one name.
type site struct {
	host string
}

// Resolve keeps the name that was asked for.
func (in *site) Resolve(ctx huma.Context) []error {
	in.host = ctx.Host()
	return nil
}

// keyholder is an account as the library sees it.
type keyholder struct {
	account     *store.Account
	credentials []webauthn.Credential
}

// WebAuthnID is the account's ID in bytes: it tells nobody who it is.
func (k *keyholder) WebAuthnID() []byte {
	id, err := uuid.Parse(k.account.ID)
	if err != nil {
		return nil
	}
	return id[:]
}

// WebAuthnName is what a browser lists the key by.
func (k *keyholder) WebAuthnName() string { return k.account.Name }

// WebAuthnDisplayName is the same.
func (k *keyholder) WebAuthnDisplayName() string { return k.account.Name }

// WebAuthnCredentials are the keys that there are.
func (k *keyholder) WebAuthnCredentials() []webauthn.Credential { return k.credentials }

func (s *Server) registerPasskeys(api huma.API) {
	huma.Register(api, beside(http.MethodPost, "/me/passkeys/begin", "beginPasskey", "Ask the browser for a new passkey", 403, 409), s.beginPasskey)
	add := beside(http.MethodPost, "/me/passkeys", "addPasskey", "Keep a new passkey", 403, 422)
	add.DefaultStatus = http.StatusCreated
	huma.Register(api, add, s.addPasskey)
	huma.Register(api, beside(http.MethodGet, "/me/passkeys", "listPasskeys", "One's passkeys", 403), func(ctx context.Context, _ *struct{}) (*body[[]store.Passkey], error) {
		p, err := s.signedIn(ctx)
		if err != nil {
			return nil, err
		}
		all, err := s.Store.Passkeys(ctx, p.Account)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &body[[]store.Passkey]{append([]store.Passkey{}, all...)}, nil
	})
	huma.Register(api, beside(http.MethodDelete, "/me/passkeys/{id}", "removePasskey", "Take a passkey away", 403, 404), func(ctx context.Context, in *struct {
		ID string `path:"id" maxLength:"2000"`
	}) (*struct{}, error) {
		p, err := s.signedIn(ctx)
		if err != nil {
			return nil, err
		}
		if err := s.Store.RemovePasskey(ctx, p.Account, in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return nil, nil
	})
	huma.Register(api, beside(http.MethodPost, "/session/passkey/begin", "beginPasskeySignIn", "Ask the browser for a passkey to sign in with", 409, 429), s.beginPasskeySignIn)
	huma.Register(api, beside(http.MethodPost, "/session/passkey", "signInByPasskey", "Sign in with a passkey", 401, 409, 429), s.signInByPasskey)
}

// relying describes this server to browsers: passkeys are of its name, which is no address, and of its own pages.
func (s *Server) relying(host string) (*webauthn.WebAuthn, error) {
	name := host
	if bare, _, err := net.SplitHostPort(host); err == nil {
		name = bare
	}
	scheme := "http"
	if s.Secure {
		scheme = "https"
	}
	if net.ParseIP(strings.Trim(name, "[]")) != nil {
		return nil, problem.New(http.StatusConflict, "no-passkeys", "A passkey is of a name, and this address is none: reach Cuerda by a name, such as localhost.")
	}
	return webauthn.New(&webauthn.Config{
		RPID: name, RPDisplayName: "Cuerda", RPOrigins: []string{scheme + "://" + host},
		AuthenticatorSelection: protocol.AuthenticatorSelection{ResidentKey: protocol.ResidentKeyRequirementRequired, UserVerification: protocol.VerificationRequired},
	})
}

func (s *Server) keyholder(ctx context.Context, account string) (*keyholder, error) {
	a, err := s.Store.Account(ctx, account)
	if err != nil {
		return nil, err
	}
	keys, err := s.Store.Passkeys(ctx, account)
	if err != nil {
		return nil, err
	}
	out := &keyholder{account: a, credentials: make([]webauthn.Credential, len(keys))}
	for i := range keys {
		if err := json.Unmarshal(keys[i].Credential, &out.credentials[i]); err != nil {
			return nil, err
		}
	}
	return out, nil
}

func (s *Server) asked(ctx context.Context, account string, options, session any) (*body[PasskeyAsked], error) {
	id, err := s.Store.KeepChallenge(ctx, account, session, time.Now().Add(challengedFor))
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	text, err := json.Marshal(options)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return &body[PasskeyAsked]{PasskeyAsked{id, text}}, nil
}

func (s *Server) beginPasskey(ctx context.Context, in *site) (*body[PasskeyAsked], error) {
	p, err := s.signedIn(ctx)
	if err != nil {
		return nil, err
	}
	w, err := s.relying(in.host)
	if err != nil {
		return nil, err
	}
	k, err := s.keyholder(ctx, p.Account)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if len(k.credentials) >= mostPasskeys {
		return nil, problem.New(http.StatusConflict, "too-many-passkeys", "There are 20 passkeys already: take one away first.")
	}
	exclude := make([]protocol.CredentialDescriptor, len(k.credentials))
	for i := range k.credentials {
		exclude[i] = k.credentials[i].Descriptor()
	}
	options, session, err := w.BeginRegistration(k, webauthn.WithExclusions(exclude))
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return s.asked(ctx, p.Account, options.Response, session)
}

// badPasskey is of whatever does not fit.
func badPasskey(status int) error {
	return problem.New(status, "bad-passkey", "This passkey does not fit what was asked: try again.")
}

func (s *Server) addPasskey(ctx context.Context, in *struct {
	site
	Body PasskeyAnswer
}) (*struct{}, error) {
	p, err := s.signedIn(ctx)
	if err != nil {
		return nil, err
	}
	w, err := s.relying(in.host)
	if err != nil {
		return nil, err
	}
	name := strings.Join(strings.Fields(in.Body.Name), " ")
	if !keepable.Text(name, 60) {
		return nil, badPasskey(http.StatusUnprocessableEntity)
	}
	k, err := s.keyholder(ctx, p.Account)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	var session webauthn.SessionData
	if err := s.Store.TakeChallenge(ctx, p.Account, in.Body.ID, &session); err != nil {
		if errors.Is(err, store.ErrNotFound) {
			return nil, badPasskey(http.StatusUnprocessableEntity)
		}
		return nil, s.problemOf(ctx, err)
	}
	parsed, err := protocol.ParseCredentialCreationResponseBytes(in.Body.Credential)
	if err != nil {
		return nil, badPasskey(http.StatusUnprocessableEntity)
	}
	made, err := w.CreateCredential(k, session, parsed)
	if err != nil {
		return nil, badPasskey(http.StatusUnprocessableEntity)
	}
	if err := s.Store.AddPasskey(ctx, p.Account, made.ID, name, made); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	s.journal(ctx, "passkey", "")
	return nil, nil
}

func (s *Server) beginPasskeySignIn(ctx context.Context, in *site) (*body[PasskeyAsked], error) {
	if err := s.needAccounts(); err != nil {
		return nil, err
	}
	p, _ := principal.From(ctx)
	// Each takes a row for a while.
	if err := s.try(ctx, counter{s.door.asked, p.Address}); err != nil {
		return nil, err
	}
	w, err := s.relying(in.host)
	if err != nil {
		return nil, err
	}
	options, session, err := w.BeginDiscoverableLogin(webauthn.WithUserVerification(protocol.VerificationRequired))
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return s.asked(ctx, "", options.Response, session)
}

func (s *Server) signInByPasskey(ctx context.Context, in *struct {
	browser
	site
	Body PasskeyAnswer
}) (*meOutput, error) {
	if err := s.needAccounts(); err != nil {
		return nil, err
	}
	p, _ := principal.From(ctx)
	byAddress := counter{s.door.byAddress, p.Address}
	if err := s.try(ctx, byAddress); err != nil {
		return nil, err
	}
	w, err := s.relying(in.host)
	if err != nil {
		return nil, err
	}
	wrong := func() error {
		return badPasskey(http.StatusUnauthorized)
	}
	var session webauthn.SessionData
	if err := s.Store.TakeChallenge(ctx, "", in.Body.ID, &session); err != nil {
		if errors.Is(err, store.ErrNotFound) {
			return nil, wrong()
		}
		return nil, s.problemOf(ctx, err)
	}
	parsed, err := protocol.ParseCredentialRequestResponseBytes(in.Body.Credential)
	if err != nil {
		return nil, wrong()
	}
	var who *keyholder
	_, used, err := w.ValidatePasskeyLogin(func(_, userHandle []byte) (webauthn.User, error) {
		id, err := uuid.FromBytes(userHandle)
		if err != nil {
			return nil, err
		}
		who, err = s.keyholder(ctx, id.String())
		return who, err
	}, session, parsed)
	// Each use raises the count that a key keeps: where it is lower than the last time, somebody uses a copy of the key.
	if err != nil || who.account.DisabledAt != nil || used.Authenticator.CloneWarning {
		return nil, wrong()
	}
	if err := s.Store.UsedPasskey(ctx, who.account.ID, used.ID, used); err != nil {
		return nil, s.problemOf(ctx, err)
	}
	if err := s.right(ctx, byAddress); err != nil {
		return nil, err
	}
	p.Account, p.Name = who.account.ID, who.account.Name
	return s.letIn(principal.With(ctx, p), in.Agent, "signed-in")
}
