package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"os"
	"slices"
	"strconv"
	"strings"
	"syscall"
	"time"
)

// The longest that a connection may take where its handler says nothing else.
const (
	headerTimeout   = 10 * time.Second
	readTimeout     = 30 * time.Second
	writeTimeout    = 60 * time.Second
	idleTimeout     = 2 * time.Minute
	shutdownTimeout = 4 * time.Second
	jobsEndWithin   = 4 * time.Second
)

func logger(to io.Writer, o startOptions) (*slog.Logger, error) {
	options := &slog.HandlerOptions{Level: slog.LevelWarn}
	if o.verbose {
		options.Level = slog.LevelDebug
	}
	switch o.logs {
	case "", "text":
		return slog.New(slog.NewTextHandler(to, options)), nil
	case "json":
		return slog.New(slog.NewJSONHandler(to, options)), nil
	}
	return nil, fmt.Errorf("--log should be text or json, not %q", o.logs)
}

func fields(list string) []string {
	return strings.FieldsFunc(list, func(r rune) bool { return r == ',' || r == ' ' })
}

func isLoopback(host string) bool {
	ip := net.ParseIP(host)
	return host == "localhost" || ip != nil && ip.IsLoopback()
}

// namesOf are the names beside the loopback ones that may be asked for: those that were
// given, and beyond loopback the address that is listened on, or all of the machine's
// where that is every one. A page elsewhere cannot make its own name mean an address.
func namesOf(o startOptions) []string {
	names := slices.Clone(o.hosts)
	if isLoopback(o.listen) {
		return names
	}
	ip := net.ParseIP(o.listen)
	if ip != nil && !ip.IsUnspecified() {
		return append(names, o.listen)
	}
	if ip == nil && o.listen != "" {
		names = append(names, o.listen)
	}
	addresses, _ := net.InterfaceAddrs()
	for _, a := range addresses {
		if n, ok := a.(*net.IPNet); ok && !n.IP.IsLoopback() && !n.IP.IsLinkLocalUnicast() {
			names = append(names, n.IP.String())
		}
	}
	return names
}

// addressOf is an address that one can open: where every address is listened on, the
// first name that may be asked for.
func addressOf(l net.Listener, o startOptions, names []string) string {
	scheme := "http://"
	if o.certificate != "" {
		scheme = "https://"
	}
	at := l.Addr().(*net.TCPAddr)
	host := at.IP.String()
	switch {
	case len(o.hosts) > 0 && !isLoopback(o.listen):
		host = o.hosts[0]
	case at.IP.IsUnspecified() && len(names) > 0:
		host = names[0]
	case at.IP.IsUnspecified():
		host = "localhost"
	}
	return scheme + net.JoinHostPort(host, strconv.Itoa(at.Port))
}

// listen takes the port, or the next free one of the twenty after it.
func listen(host string, port int) (net.Listener, error) {
	var err error
	for p := port; p <= min(port+20, 65535); p++ {
		var l net.Listener
		if l, err = net.Listen("tcp", net.JoinHostPort(host, strconv.Itoa(p))); err == nil {
			return l, nil
		}
		if !errors.Is(err, syscall.EADDRINUSE) || port == 0 {
			break
		}
	}
	return nil, err
}

func newServer(h http.Handler, log *slog.Logger) *http.Server {
	return &http.Server{
		Handler: h, ReadHeaderTimeout: headerTimeout, ReadTimeout: readTimeout, WriteTimeout: writeTimeout, IdleTimeout: idleTimeout,
		MaxHeaderBytes: 64 << 10, ErrorLog: slog.NewLogLogger(log.Handler(), slog.LevelDebug),
	}
}

// serve answers until ctx ends, and then lets what is under way end, for so long; who is
// slower than that is cut off, and nothing is lost by it.
func serve(ctx context.Context, l net.Listener, h http.Handler, o startOptions, log *slog.Logger) error {
	server := newServer(h, log)
	ended := make(chan error, 1)
	go func() {
		if o.certificate != "" {
			ended <- server.ServeTLS(l, o.certificate, o.key)
			return
		}
		ended <- server.Serve(l)
	}()
	select {
	case err := <-ended:
		return err
	case <-ctx.Done():
	}
	shutdown, cancel := context.WithTimeout(context.Background(), shutdownTimeout)
	defer cancel()
	err := server.Shutdown(shutdown)
	if errors.Is(err, context.DeadlineExceeded) {
		log.Warn("some clients were too slow to end with the server")
		return server.Close()
	}
	return err
}

// serveMetrics serves what Prometheus asks for, on a port of its own.
func serveMetrics(address string, h http.Handler, log *slog.Logger) (stop func(), err error) {
	l, err := net.Listen("tcp", address)
	if err != nil {
		return nil, fmt.Errorf("metrics: %w", err)
	}
	mux := http.NewServeMux()
	mux.Handle("GET /metrics", h)
	server := newServer(mux, log)
	go func() {
		if err := server.Serve(l); !errors.Is(err, http.ErrServerClosed) {
			log.Error("metrics", "error", err)
		}
	}()
	fmt.Fprintf(os.Stderr, "Metrics are at http://%s/metrics\n", l.Addr())
	return func() { _ = server.Close() }, nil
}
