// Package api is the HTTP interface: huma operations on Gin, one file a
// resource. Types in Go are the contract; the OpenAPI description is made from
// them, and the front end's types from that.
package api

import (
	"context"
	"io/fs"
	"log/slog"
	"net"
	"net/http"
	"net/netip"
	"regexp"
	"runtime/debug"
	"slices"
	"strings"
	"sync"
	"sync/atomic"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humagin"
	"github.com/gin-gonic/gin"

	"cuerda/core/food"
	"cuerda/core/learn/pool"
	"cuerda/core/plan/supper"
	"cuerda/internal/jobs"
	"cuerda/internal/live"
	"cuerda/internal/principal"
	"cuerda/internal/problem"
	"cuerda/internal/store"
)

// maxBody is the largest request body that is read, bytes.
const maxBody = 1 << 20

// rawBody is the media type by which huma hands a body on as it came.
const rawBody = "application/octet-stream"

// Server answers for the kitchen of whoever asks.
type Server struct {
	Store *store.Store
	// Foods is the catalogue, as Common has it where there is such a table.
	Foods  *food.Catalogue
	Common *pool.Table
	Log    *slog.Logger
	// Accounts says that people sign in; without them whoever reaches the server is the cook.
	Accounts bool
	// Secure says that browsers come by HTTPS, so that cookies go by nothing else.
	Secure bool
	// Proxies are believed when they say for whom they ask.
	Proxies []netip.Prefix
	// Quotas are how much each kitchen may have; nil for UsualQuotas.
	Quotas *Quotas
	// Demo makes the demonstration kitchen anew for an account, and gives its ID; nil where there is none.
	Demo func(ctx context.Context, owner string) (string, error)
	// Background has kitchens learn; nil for this program, which forgets that it was to when it ends.
	Background jobs.Background
	// Pages is the built front end; nil serves the interface alone.
	Pages fs.FS
	// Hosts are the names beside the loopback ones that may be asked for.
	Hosts []string

	live        live.Hub
	teaching    sync.Once
	lessons     *jobs.Teacher
	simulations simulations
	shown       shown
	// life ends with Close.
	life context.Context
	end  context.CancelFunc

	cache kitchens
	baker supper.Baker
	gate  gate
	// costly are the operations that were declared so (costs), by method and path.
	costly  map[string]bool
	guesses guesses
	// full is when the database last had no room for something, ns; 0 for never.
	full    atomic.Int64
	exports gate
	// pictures lets so many be decoded at once.
	pictures gate
	files    files
	metrics  metrics
	door     door
	used     usage
	// operations are all there are, by method and path.
	operations map[string]operation
	// askAgain is how often it is asked whether whoever follows a course still may; 0 for each heartbeat.
	askAgain time.Duration
	// unchecked is for tests alone: what the application checks is left to the database.
	unchecked bool
}

// once sets what the libraries keep for the whole program.
var once = sync.OnceFunc(func() {
	gin.SetMode(gin.ReleaseMode)
	huma.NewError = asProblem
	huma.DefaultArrayNullable = false
})

// Handler gives the HTTP handler of everything under /api and the pages.
func (s *Server) Handler() http.Handler {
	once()
	r := gin.New()
	r.ContextWithFallback = true
	s.metrics, s.cache = newMetrics(s), newKitchens()
	s.exports.most, s.pictures.most = mostExports, mostPictures
	s.life, s.end = context.WithCancel(context.Background())
	s.live.Store, s.live.Log, s.live.Kitchen, s.live.Keep = s.Store, s.Log, s.kitchenOf, s.keepLive
	r.Use(s.observe, s.recover, s.headers, home, s.limits, s.identify, s.fill, spoken, sane, tagged, s.compute, s.exchange, s.takeIn)
	s.register(r)
	s.openDoor()
	r.GET(streamPath, s.stream)
	r.HandleMethodNotAllowed = true
	r.NoMethod(func(c *gin.Context) {
		write(c.Writer, problem.New(http.StatusMethodNotAllowed, problem.MethodRejected, "There is no such method here; Allow lists those that there are."))
	})
	r.NoRoute(func(c *gin.Context) {
		if s.Pages == nil || isAPI(c.Request.URL.Path) {
			write(c.Writer, problem.New(http.StatusNotFound, problem.NotFound, "There is nothing here."))
			return
		}
		s.page(c)
	})
	guard := http.NewCrossOriginProtection()
	guard.SetDenyHandler(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		write(w, problem.New(http.StatusForbidden, problem.CrossOrigin, "Changes are only taken from Cuerda's own pages."))
	}))
	whole, err := squeezed(guard.Handler(heads(r)))
	if err != nil {
		panic(err) // the options are ours
	}
	return whole
}

// OpenAPI gives the description of the interface as JSON.
func OpenAPI() ([]byte, error) {
	once()
	s := &Server{Foods: food.Starter(), Log: slog.New(slog.DiscardHandler)}
	return s.register(gin.New()).OpenAPI().MarshalJSON()
}

func (s *Server) register(r *gin.Engine) huma.API {
	config := huma.DefaultConfig("Cuerda", "1")
	config.OpenAPIPath = "/api/openapi"
	config.DocsPath, config.SchemasPath = "", ""
	config.CreateHooks = nil
	config.Info.Description = "Kitchens, their builds, and what the model says of them."
	api := humagin.New(r, config)
	s.registerFoods(api)
	s.registerPredict(api)
	s.registerBuilds(api)
	s.registerVersions(api)
	s.registerAdvice(api)
	s.registerPantry(api)
	s.registerOwnFoods(api)
	s.registerBake(api)
	s.registerFigures(api)
	s.registerDish(api)
	s.registerPlan(api)
	s.registerSuppers(api)
	s.registerSides(api)
	s.registerCourses(api)
	s.registerTries(api)
	s.registerLearned(api)
	s.registerPractice(api)
	s.registerExchange(api)
	s.registerReading(api)
	s.registerHealth(api)
	s.registerKitchens(api)
	s.registerSession(api)
	s.registerPeople(api)
	s.registerDevices(api)
	s.registerQuotas(api)
	s.registerPasskeys(api)
	describeEnums(api.OpenAPI().Components.Schemas)
	s.costly = map[string]bool{}
	s.operations = map[string]operation{
		"GET " + streamPath:     {"followCourse", principal.Stove, true},
		"GET /api/openapi.json": {"openapi", "", false}, "GET /api/openapi.yaml": {"openapi", "", false},
	}
	for path, item := range api.OpenAPI().Paths {
		for _, o := range []*huma.Operation{item.Get, item.Post, item.Put, item.Delete} {
			if o == nil {
				continue
			}
			at := o.Method + " " + inPath.ReplaceAllString(path, ":$1")
			ofKitchen := strings.HasPrefix(path, "/api/kitchens/{kitchen}")
			s.operations[at] = operation{o.OperationID, least(o.Method, o.OperationID, ofKitchen), ofKitchen}
			if o.Metadata[computing] == true {
				s.costly[at] = true
			}
		}
	}
	for _, path := range api.OpenAPI().Paths {
		for _, o := range []*huma.Operation{path.Post, path.Put} {
			if o != nil && o.RequestBody != nil {
				// The raw reading of documents is no second way to send them.
				delete(o.RequestBody.Content, rawBody)
			}
		}
	}
	return api
}

// computing is the mark, in the metadata of an operation, that it takes much computation: see costs.
const computing = "computing"

// inPath is a parameter in a path, as huma writes it.
var inPath = regexp.MustCompile(`\{(\w+)\}`)

// costs declares that an operation computes for more than a moment: it waits at the gate, and has longer. A prediction does
// not: it is what a drag waits for.
func costs(o huma.Operation) huma.Operation {
	o.Metadata = map[string]any{computing: true}
	return o
}

// isCostly says whether a request is of an operation that computes.
func (s *Server) isCostly(c *gin.Context) bool { return s.costly[c.Request.Method+" "+c.FullPath()] }

// unreadBody is what huma says, as a fault of its own, of a body that its client cut short.
const unreadBody = "cannot read request body"

// asProblem makes huma's own errors, of parameters and bodies, problems too.
func asProblem(status int, detail string, errs ...error) huma.StatusError {
	if detail == unreadBody {
		status = http.StatusBadRequest
	}
	code := problem.BadRequest
	switch status {
	case http.StatusNotFound:
		code = problem.NotFound
	case http.StatusRequestEntityTooLarge:
		code = problem.TooLarge
	case http.StatusMethodNotAllowed:
		code = problem.MethodRejected
	case http.StatusInternalServerError:
		code = problem.Internal
	}
	p := problem.New(status, code, detail)
	for _, err := range errs {
		if err == nil {
			continue
		}
		item := problem.Item{Message: err.Error()}
		item.Code = code
		if d, ok := err.(huma.ErrorDetailer); ok {
			detail := d.ErrorDetail()
			item.Message = detail.Message
			item.Pointer = "/" + strings.NewReplacer(".", "/", "[", "/", "]", "").Replace(detail.Location)
		}
		p.Errors = append(p.Errors, item)
	}
	return p
}

func (s *Server) recover(c *gin.Context) {
	defer func() {
		if v := recover(); v != nil {
			if v == http.ErrAbortHandler { // net/http ends the connection for it
				panic(v)
			}
			s.Log.Error("panic in a request", "path", c.Request.URL.Path, "panic", v, "stack", string(debug.Stack()))
			refuse(c, problem.New(http.StatusInternalServerError, problem.Internal, "Something went wrong here."))
		}
	}()
	c.Next()
}

// refuse answers a request with a problem, and takes it no further.
func refuse(c *gin.Context, p *problem.Problem) {
	write(c.Writer, p)
	c.Abort()
}

// headers refuses names that are not this machine's, so that no page elsewhere
// can reach a kitchen by a name of its own, and sets what browsers obey.
func (s *Server) headers(c *gin.Context) {
	host := c.Request.Host
	if name, _, err := net.SplitHostPort(host); err == nil {
		host = name
	}
	if !isLoopback(host) && !slices.ContainsFunc(s.Hosts, func(h string) bool { return strings.EqualFold(h, strings.Trim(host, "[]")) }) {
		refuse(c, problem.New(http.StatusForbidden, problem.Forbidden, "Cuerda does not answer to this name: start it with --host to say which it has."))
		return
	}
	h := c.Writer.Header()
	h.Set("Content-Security-Policy", "default-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'")
	h.Set("X-Content-Type-Options", "nosniff")
	h.Set("Referrer-Policy", "no-referrer")
	if c.Request.TLS != nil {
		h.Set("Strict-Transport-Security", "max-age=31536000")
	}
	if isAPI(c.Request.URL.Path) {
		h.Set("Cache-Control", "no-store")
	}
	c.Next()
}

type languageKey struct{}

// spoken keeps which language the pages speak, en or es, with the request.
func spoken(c *gin.Context) {
	language := c.GetHeader("Accept-Language")
	if c.FullPath() == streamPath && c.Query("language") != "" { // no page can set the headers of a stream
		language = c.Query("language")
	}
	if strings.HasPrefix(language, "es") {
		c.Request = c.Request.WithContext(context.WithValue(c.Request.Context(), languageKey{}, "es"))
	}
	c.Next()
}

func languageOf(ctx context.Context) string {
	if language, ok := ctx.Value(languageKey{}).(string); ok {
		return language
	}
	return "en"
}

func isLoopback(host string) bool {
	ip := net.ParseIP(strings.Trim(host, "[]"))
	return host == "localhost" || ip != nil && ip.IsLoopback()
}

func isAPI(path string) bool { return path == "/api" || strings.HasPrefix(path, "/api/") }

// op describes an operation of a kitchen, with the problems it may answer with.
func op(method, path, id, summary string, statuses ...int) huma.Operation {
	o := beside(method, path, id, summary, statuses...)
	o.Path = "/api/kitchens/{kitchen}" + path
	o.Parameters = []*huma.Param{{Name: "kitchen", In: "path", Required: true, Description: "the kitchen's ID", Schema: &huma.Schema{Type: huma.TypeString}}}
	return o
}

// beside describes an operation that needs no kitchen, such as signing in; its path does not name one.
func beside(method, path, id, summary string, statuses ...int) huma.Operation {
	return huma.Operation{
		Method: method, Path: "/api" + path, OperationID: id, Summary: summary,
		Errors: append(statuses, http.StatusInternalServerError), MaxBodyBytes: maxBody,
	}
}

// kitchenPath is where everything of a kitchen lies, as Gin writes it.
const kitchenPath = "/api/kitchens/:kitchen"

// asFile describes the answer of an operation as a file of one of these media types.
func asFile(o huma.Operation, media ...string) huma.Operation {
	content := map[string]*huma.MediaType{}
	for _, m := range media {
		content[m] = &huma.MediaType{Schema: &huma.Schema{}}
	}
	o.Responses = map[string]*huma.Response{"200": {Description: "A file.", Content: content}}
	return o
}
