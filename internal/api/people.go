package api

import (
	"archive/zip"
	"context"
	"encoding/json"
	"errors"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"cuerda/internal/people"
	"cuerda/internal/principal"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// invitedFor is how long an invitation can be used.
const invitedFor = 3 * 24 * time.Hour

// Invited is an invitation with its token, which is told this once.
type Invited struct {
	ID        string         `json:"id"`
	Token     string         `json:"token"`
	Role      principal.Role `json:"role" enum:"owner,cook,guest"`
	ExpiresAt time.Time      `json:"expires_at"`
}

type inviteInput struct {
	Body struct {
		Role principal.Role `json:"role" enum:"owner,cook,guest"`
	}
}

// InvitationLook is what whoever has an invitation may know before using it.
type InvitationLook struct {
	// Kitchen is the name of the kitchen; "" for the first owner of a new server.
	Kitchen   string         `json:"kitchen"`
	By        string         `json:"by"`
	Role      principal.Role `json:"role" enum:"owner,cook,guest"`
	ExpiresAt time.Time      `json:"expires_at"`
	// Name is who is signed in, and would use it.
	Name string `json:"name,omitempty"`
}

// Accepted is who somebody is from now on, with ten codes that are told this once where an account was made.
type Accepted struct {
	Me
	Kitchen string   `json:"kitchen"`
	Codes   []string `json:"codes,omitempty"`
}

type acceptInput struct {
	browser
	Token string `path:"token" maxLength:"100"`
	// Body is for whoever has no account yet; whoever is signed in needs none.
	Body *NewAccountSent
}

// NewAccountSent is what somebody wants to be called and known by.
type NewAccountSent struct {
	Account    string `json:"account,omitempty" maxLength:"200"`
	Passphrase string `json:"passphrase,omitempty" maxLength:"2000"`
}

type memberInput struct {
	Account string `path:"account" maxLength:"60"`
	Body    struct {
		Role principal.Role `json:"role" enum:"owner,cook,guest"`
	}
}

func (s *Server) registerPeople(api huma.API) {
	huma.Register(api, op(http.MethodGet, "/people", "listMembers", "Who is in the kitchen"), func(ctx context.Context, _ *struct{}) (*body[[]store.Member], error) {
		all, err := s.Store.Members(ctx, kitchenID(ctx))
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &body[[]store.Member]{append([]store.Member{}, all...)}, nil
	})
	huma.Register(api, op(http.MethodPut, "/people/{account}", "setMember", "Give somebody in the kitchen another role", 404, 409), func(ctx context.Context, in *memberInput) (*struct{}, error) {
		if err := s.Store.SetMember(ctx, kitchenID(ctx), in.Account, in.Body.Role); err != nil {
			return nil, s.peopleProblem(ctx, err)
		}
		s.journal(ctx, "role", string(in.Body.Role))
		return nil, nil
	})
	huma.Register(api, op(http.MethodDelete, "/people/{account}", "removeMember", "Take somebody out of the kitchen", 404, 409), func(ctx context.Context, in *struct {
		Account string `path:"account" maxLength:"60"`
	}) (*struct{}, error) {
		if err := s.Store.SetMember(ctx, kitchenID(ctx), in.Account, ""); err != nil {
			return nil, s.peopleProblem(ctx, err)
		}
		s.journal(ctx, "removed", "")
		return nil, nil
	})
	huma.Register(api, op(http.MethodPost, "/leave", "leaveKitchen", "Leave a kitchen; its last owner stays", 403, 409), func(ctx context.Context, _ *struct{}) (*struct{}, error) {
		p, err := s.signedIn(ctx)
		if err != nil {
			return nil, err
		}
		if err := s.Store.Leave(ctx, p.Kitchen, p.Account); err != nil {
			return nil, s.peopleProblem(ctx, err)
		}
		s.journal(ctx, "left", "")
		return nil, nil
	})
	invite := op(http.MethodPost, "/invitations", "invite", "Invite somebody: a link that works once, for three days", 409)
	invite.DefaultStatus = http.StatusCreated
	huma.Register(api, invite, func(ctx context.Context, in *inviteInput) (*body[Invited], error) {
		if err := s.needAccounts(); err != nil {
			return nil, err
		}
		token, hash := people.Token()
		until := time.Now().Add(invitedFor)
		id, err := s.Store.Invite(ctx, kitchenID(ctx), in.Body.Role, hash, until)
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		s.journal(ctx, "invited", string(in.Body.Role))
		return &body[Invited]{Invited{id, token, in.Body.Role, until}}, nil
	})
	huma.Register(api, op(http.MethodGet, "/invitations", "listInvitations", "Invitations that may still be used"), func(ctx context.Context, _ *struct{}) (*body[[]store.Invitation], error) {
		all, err := s.Store.Invitations(ctx, kitchenID(ctx))
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &body[[]store.Invitation]{append([]store.Invitation{}, all...)}, nil
	})
	huma.Register(api, op(http.MethodDelete, "/invitations/{id}", "endInvitation", "Take an invitation back", 404), func(ctx context.Context, in *IDInput) (*struct{}, error) {
		if err := s.Store.EndInvitation(ctx, kitchenID(ctx), in.ID); err != nil {
			return nil, s.problemOf(ctx, err)
		}
		s.journal(ctx, "invitation-ended", "")
		return nil, nil
	})
	huma.Register(api, beside(http.MethodGet, "/invitations/{token}", "lookAtInvitation", "What an invitation leads to", 404, 409, 429), func(ctx context.Context, in *struct {
		Token string `path:"token" maxLength:"100"`
	}) (*body[InvitationLook], error) {
		i, err := s.invitation(ctx, in.Token)
		if err != nil {
			return nil, err
		}
		p, _ := principal.From(ctx)
		return &body[InvitationLook]{InvitationLook{i.KitchenName, i.By, i.Role, i.ExpiresAt, p.Name}}, nil
	})
	huma.Register(api, beside(http.MethodPost, "/invitations/{token}/accept", "acceptInvitation", "Use an invitation, signed in or with a new account", 401, 404, 409, 422, 429), s.accept)
	huma.Register(api, op(http.MethodGet, "/journal", "readJournal", "Who came in, and what was done with people, devices and files"), func(ctx context.Context, _ *struct{}) (*body[[]store.JournalEntry], error) {
		all, err := s.Store.JournalOf(ctx, kitchenID(ctx))
		if err != nil {
			return nil, s.problemOf(ctx, err)
		}
		return &body[[]store.JournalEntry]{append([]store.JournalEntry{}, all...)}, nil
	})
}

// peopleProblem is problemOf, with what can be wrong with people.
func (s *Server) peopleProblem(ctx context.Context, err error) error {
	switch {
	case errors.Is(err, store.ErrLastOwner):
		return problem.New(http.StatusConflict, "last-owner", "A kitchen keeps at least one owner: make somebody else one first.")
	case errors.Is(err, store.ErrMember):
		return problem.New(http.StatusConflict, "member", "You are in this kitchen already.")
	case errors.Is(err, store.ErrNameTaken):
		return problem.At(http.StatusConflict, "name-taken", "/account", "Somebody else here has this name.")
	}
	return s.problemOf(ctx, err)
}

// invitation finds one by its token; whoever shows wrong ones is slowed.
func (s *Server) invitation(ctx context.Context, token string) (*store.Invitation, error) {
	if err := s.needAccounts(); err != nil {
		return nil, err
	}
	p, _ := principal.From(ctx)
	tokens := counter{s.door.tokens, p.Address}
	if err := s.try(ctx, tokens); err != nil {
		return nil, err
	}
	i, err := s.Store.FindInvitation(ctx, people.HashOf(token))
	if errors.Is(err, store.ErrNotFound) {
		return nil, problem.New(http.StatusNotFound, problem.NotFound, "This invitation was used, taken back or is over: ask for another.")
	}
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return i, s.right(ctx, tokens)
}

func (s *Server) accept(ctx context.Context, in *acceptInput) (*struct {
	SetCookie []*http.Cookie `header:"Set-Cookie"`
	Body      Accepted
}, error) {
	i, err := s.invitation(ctx, in.Token)
	if err != nil {
		return nil, err
	}
	p, _ := principal.From(ctx)
	var made *store.NewAccount
	var codes []string
	if p.Account == "" {
		sent := NewAccountSent{}
		if in.Body != nil {
			sent = *in.Body
		}
		if made, err = newAccount(sent.Account, sent.Passphrase); err != nil {
			return nil, err
		}
		codes, made.Codes = people.RecoveryCodes()
	}
	who, kitchen, err := s.Store.Accept(ctx, people.HashOf(in.Token), p.Account, made)
	if err != nil {
		return nil, s.peopleProblem(ctx, err)
	}
	var out struct {
		SetCookie []*http.Cookie `header:"Set-Cookie"`
		Body      Accepted
	}
	if made != nil {
		p.Account, p.Name = who, made.Name
		out.Body.Codes = codes
	}
	p.Kitchen = kitchen
	ctx = principal.With(ctx, p)
	s.journal(ctx, "joined", string(i.Role))
	let, err := s.letIn(ctx, in.Agent, "signed-in")
	if err != nil {
		return nil, err
	}
	if p.Visit != "" { // the visit before this one had fewer rights
		if err := s.Store.EndVisit(ctx, p.Account, p.Visit); err != nil && !errors.Is(err, store.ErrNotFound) {
			return nil, s.problemOf(ctx, err)
		}
	}
	out.SetCookie, out.Body.Me, out.Body.Kitchen = let.SetCookie, let.Body, kitchen
	return &out, nil
}

// newAccount checks what somebody wants to be called and known by.
func newAccount(name, passphrase string) (*store.NewAccount, error) {
	shown, key, err := people.Name(name)
	if err != nil {
		return nil, problem.At(http.StatusUnprocessableEntity, "account-name", "/account", "A name is 1 to 60 letters, without marks that nobody sees.")
	}
	if err := badPassphrase(passphrase, shown); err != nil {
		return nil, err
	}
	hash, err := people.Hash(passphrase)
	if err != nil {
		return nil, err
	}
	return &store.NewAccount{Name: shown, Key: key, Passphrase: hash}, nil
}

// packAccount sends what is kept of who asks, as open files.
func (s *Server) packAccount(ctx context.Context, _ *struct{}) (*huma.StreamResponse, error) {
	p, err := s.signedIn(ctx)
	if err != nil {
		return nil, err
	}
	files, err := s.Store.DataOf(ctx, p.Account)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return &huma.StreamResponse{Body: func(out huma.Context) {
		out.SetHeader("Content-Type", "application/zip")
		out.SetHeader("Content-Disposition", `attachment; filename="my-cuerda-data.zip"`)
		z := zip.NewWriter(out.BodyWriter())
		for _, f := range files {
			w, err := z.Create(f.Name + ".json")
			if err != nil {
				panic(http.ErrAbortHandler)
			}
			text, err := json.MarshalIndent(f.Rows, "", "  ")
			if err == nil {
				_, err = w.Write(text)
			}
			if err != nil {
				panic(http.ErrAbortHandler)
			}
		}
		if err := z.Close(); err != nil {
			panic(http.ErrAbortHandler)
		}
	}}, nil
}
