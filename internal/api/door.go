package api

import (
	"context"
	"errors"
	"net"
	"net/http"
	"net/netip"
	"strings"
	"time"

	"github.com/alexedwards/scs/v2"
	"github.com/gin-gonic/gin"

	"cuerda/internal/principal"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// How long a browser stays signed in: so long unused, and so long at most; how often it is kept that it was seen; and for
// how long it is known who sits before it, for what is asked again.
const (
	idleFor     = 30 * 24 * time.Hour
	signedInFor = 180 * 24 * time.Hour
	seenEvery   = 5 * time.Minute
	provedFor   = 10 * time.Minute
)

const visitKey = "visit"

// door keeps who may come in.
type door struct {
	sessions *scs.SessionManager
	// Wrong passphrases are counted by address, by name, and by both; wrong tokens and codes by address.
	byAddress, byName, byBoth, tokens, asked *store.Guesses
}

func (s *Server) openDoor() {
	s.door.byAddress = s.Store.Guesses("address", 30, 10*time.Second)
	// Somebody who guesses from many places slows the account down for all of them, not for ever.
	s.door.byName = s.Store.Guesses("name", 100, 15*time.Second)
	s.door.byBoth = s.Store.Guesses("both", 5, 30*time.Second)
	s.door.tokens = s.Store.Guesses("token", 10, 30*time.Second)
	s.door.asked = s.Store.Guesses("asked", 60, 5*time.Second)
	if !s.Accounts {
		return
	}
	m := scs.New()
	m.Store, m.HashTokenInStore = s.Store.Sessions(), true
	m.IdleTimeout, m.Lifetime = idleFor, signedInFor
	m.Cookie.Name, m.Cookie.HttpOnly, m.Cookie.SameSite, m.Cookie.Path = "cuerda", true, http.SameSiteLaxMode, "/"
	if s.Secure {
		m.Cookie.Name, m.Cookie.Secure = "__Host-cuerda", true
	}
	s.door.sessions = m
}

// counter is guesses by one of what they are counted by.
type counter struct {
	of  *store.Guesses
	key string
}

// try counts a try by each of these, and refuses who has to wait. Who turns out to be right is told to right.
func (s *Server) try(ctx context.Context, counters ...counter) error {
	for i, c := range counters {
		wait, err := c.of.Try(ctx, c.key)
		if err != nil {
			return s.problemOf(ctx, err)
		}
		if wait > 0 {
			if err := s.right(ctx, counters[:i]...); err != nil {
				return err
			}
			return tooMany(wait)
		}
	}
	return nil
}

// right takes back that a try was counted: it was no guess.
func (s *Server) right(ctx context.Context, counters ...counter) error {
	for _, c := range counters {
		if err := c.of.Right(ctx, c.key); err != nil {
			return s.problemOf(ctx, err)
		}
	}
	return nil
}

// operation is what a request asks for.
type operation struct {
	id        string
	least     principal.Role
	ofKitchen bool
}

// identify finds out who asks and puts them into the request's context; whoever may not do what they ask is sent away:
// strangers as if the kitchen had never been.
func (s *Server) identify(c *gin.Context) {
	if !isAPI(c.Request.URL.Path) {
		c.Next()
		return
	}
	p := principal.Principal{Address: s.addressOf(c.Request), House: !s.Accounts, Kitchen: c.Param("kitchen")}
	ctx := c.Request.Context()
	visit, err := s.visitOf(c)
	if err != nil {
		s.refuseAs(c, err)
		return
	}
	if visit != nil {
		p.Visit, p.Account, p.Name, p.Device = visit.ID, visit.Account, visit.Name, visit.Device
	}
	asked := s.operations[c.Request.Method+" "+c.FullPath()]
	ctx = principal.With(ctx, p)
	if !asked.ofKitchen {
		p.Kitchen = ""
		if p.House || p.Account != "" {
			p.Role = principal.Guest
		} else if p.Device != "" {
			p.Role = principal.Stove
		}
	} else if p.Role, err = s.roleIn(ctx, &p); err != nil && !s.unchecked {
		if errors.Is(err, store.ErrNotFound) {
			err = problem.New(http.StatusNotFound, problem.NotFound, "There is no such kitchen.")
			if p.Scope() == principal.OfNobody {
				err = problem.New(http.StatusUnauthorized, "sign-in", "Sign in first.")
			}
		}
		s.refuseAs(c, err)
		return
	}
	if p.House && asked.ofKitchen {
		p.Role = principal.Owner
	}
	c.Request = c.Request.WithContext(principal.With(ctx, p))
	if s.unchecked || asked.id == "" {
		c.Next()
		return
	}
	switch {
	case mayDo(p.Role, asked.least, asked.id):
	case p.Scope() == principal.OfNobody:
		refuse(c, problem.New(http.StatusUnauthorized, "sign-in", "Sign in first."))
		return
	default:
		refuse(c, problem.New(http.StatusForbidden, problem.Forbidden, "You may look around in this kitchen, and not do this in it."))
		return
	}
	if isProved(asked.id) && p.Account != "" && time.Since(visit.ProvedAt) > provedFor {
		refuse(c, problem.New(http.StatusForbidden, "prove-again", "Say again who you are before this."))
		return
	}
	c.Next()
}

func (s *Server) refuseAs(c *gin.Context, err error) {
	var p *problem.Problem
	if !errors.As(err, &p) {
		errors.As(s.problemOf(c.Request.Context(), err), &p)
	}
	refuse(c, p)
}

// visitOf gives the visit that a request comes with; nil for nobody's.
func (s *Server) visitOf(c *gin.Context) (*store.Visit, error) {
	if !s.Accounts {
		return nil, nil
	}
	cookie, err := c.Request.Cookie(s.door.sessions.Cookie.Name)
	if err != nil || cookie.Value == "" || len(cookie.Value) > 200 {
		return nil, nil
	}
	ctx, err := s.door.sessions.Load(principal.Server(c.Request.Context()), cookie.Value)
	if err != nil {
		return nil, err
	}
	id := s.door.sessions.GetString(ctx, visitKey)
	if id == "" {
		return nil, nil
	}
	visit, err := s.Store.FindVisit(ctx, id)
	if errors.Is(err, store.ErrNotFound) {
		return nil, nil
	}
	if err != nil {
		return nil, err
	}
	if time.Since(visit.SeenAt) > seenEvery {
		// Its idle time begins anew.
		if _, _, err := s.door.sessions.Commit(ctx); err != nil {
			return nil, err
		}
		if err := s.Store.SeeVisit(ctx, id); err != nil {
			return nil, err
		}
	}
	return visit, nil
}

// enter begins a visit and gives the cookie that it is known by: a new one each time.
func (s *Server) enter(ctx context.Context, account, device, agent string) (*http.Cookie, error) {
	visit, err := s.Store.BeginVisit(ctx, account, device, agent)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	return s.cookieOf(ctx, visit)
}

// cookieOf gives a new cookie for a visit.
func (s *Server) cookieOf(ctx context.Context, visit string) (*http.Cookie, error) {
	m := s.door.sessions
	within, err := m.Load(principal.Server(ctx), "")
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	m.Put(within, visitKey, visit)
	token, expiry, err := m.Commit(within)
	if err != nil {
		return nil, s.problemOf(ctx, err)
	}
	k := m.Cookie
	return &http.Cookie{Name: k.Name, Value: token, Path: k.Path, HttpOnly: k.HttpOnly, Secure: k.Secure, SameSite: k.SameSite,
		Expires: expiry, MaxAge: int(time.Until(expiry).Seconds())}, nil
}

// noCookie has a browser forget the one it has.
func (s *Server) noCookie() *http.Cookie {
	k := s.door.sessions.Cookie
	return &http.Cookie{Name: k.Name, Path: k.Path, HttpOnly: k.HttpOnly, Secure: k.Secure, SameSite: k.SameSite, MaxAge: -1}
}

// roleIn gives what somebody is in the kitchen that they work in. Of a house without accounts it is enough that the
// kitchen is there, which is seldom asked.
func (s *Server) roleIn(ctx context.Context, p *principal.Principal) (principal.Role, error) {
	if !p.House {
		return s.Store.KitchenThere(ctx, p.Kitchen)
	}
	if _, fresh, _ := s.cache.find(p.Kitchen); fresh {
		return principal.Owner, nil
	}
	_, err := s.Store.KitchenThere(ctx, p.Kitchen)
	return principal.Owner, err
}

// addressOf says where a request comes from. What stands before a proxy is believed only of proxies that were named: the
// last address that none of them has is the client's.
func (s *Server) addressOf(r *http.Request) string {
	host, _, err := net.SplitHostPort(r.RemoteAddr)
	if err != nil {
		host = r.RemoteAddr
	}
	at, err := netip.ParseAddr(host)
	if err != nil {
		return host
	}
	all := strings.Split(strings.Join(r.Header.Values("X-Forwarded-For"), ","), ",")
	for i := len(all) - 1; i >= 0 && s.isProxy(at); i-- {
		before, err := netip.ParseAddr(strings.TrimSpace(all[i]))
		if err != nil {
			break
		}
		at = before
	}
	at = at.Unmap().WithZone("")
	if at.Is6() { // a household has all of a /64
		if prefix, err := at.Prefix(64); err == nil {
			return prefix.Masked().Addr().String()
		}
	}
	return at.String()
}

func (s *Server) isProxy(at netip.Addr) bool {
	at = at.Unmap()
	for _, p := range s.Proxies {
		if p.Contains(at) {
			return true
		}
	}
	return false
}
