package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"net/url"
	"os"
	"os/signal"
	"path/filepath"
	"strconv"
	"syscall"
	"time"

	"github.com/spf13/cobra"

	"cuerda/core/food"
	"cuerda/internal/api"
	"cuerda/internal/demo"
	"cuerda/internal/postgres"
	"cuerda/internal/store"
	"cuerda/web"
)

type startOptions struct {
	listen, data, database string
	port                   int
	verbose                bool
}

func startCommand() *cobra.Command {
	var o startOptions
	cmd := &cobra.Command{
		Use:   "start",
		Short: "Start Cuerda and print its address",
		Long: `Starts a private PostgreSQL on loopback, or uses the server in DATABASE_URL,
brings its tables up to date, fills an empty database with the demonstration
kitchen, and serves the application until it is told to stop.`,
		Args: cobra.NoArgs,
		RunE: func(cmd *cobra.Command, _ []string) error {
			ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM, syscall.SIGHUP)
			defer stop()
			return start(ctx, cmd.OutOrStdout(), cmd.ErrOrStderr(), o)
		},
	}
	f := cmd.Flags()
	f.StringVar(&o.listen, "listen", fromEnv("CUERDA_LISTEN", "127.0.0.1"), "address to listen on (CUERDA_LISTEN)")
	port, err := strconv.Atoi(fromEnv("CUERDA_PORT", "8080"))
	if err != nil {
		port = -1 // reported by start
	}
	f.IntVar(&o.port, "port", port, "port, or the next free one after it; 0 for any (CUERDA_PORT)")
	f.StringVar(&o.data, "data", fromEnv("CUERDA_DATA", defaultData()), "folder of the kitchen's data (CUERDA_DATA)")
	f.StringVar(&o.database, "database", os.Getenv("DATABASE_URL"), "a PostgreSQL database to use instead of a private one (DATABASE_URL)")
	f.BoolVar(&o.verbose, "verbose", false, "log more")
	return cmd
}

func fromEnv(name, otherwise string) string {
	if v := os.Getenv(name); v != "" {
		return v
	}
	return otherwise
}

// defaultData is a folder that outlives a reboot.
func defaultData() string {
	if os.Geteuid() == 0 {
		return "/var/lib/cuerda"
	}
	if dir := os.Getenv("XDG_DATA_HOME"); dir != "" {
		return filepath.Join(dir, "cuerda")
	}
	home, err := os.UserHomeDir()
	if err != nil {
		return ""
	}
	return filepath.Join(home, ".local", "share", "cuerda")
}

// start serves until ctx ends.
func start(ctx context.Context, out, errs io.Writer, o startOptions) error {
	if o.port < 0 || o.port > 65535 {
		return errors.New("the port should be a number from 0 to 65535")
	}
	level := slog.LevelWarn
	if o.verbose {
		level = slog.LevelDebug
	}
	log := slog.New(slog.NewTextHandler(errs, &slog.HandlerOptions{Level: level}))
	pages, err := web.Dist()
	if err != nil {
		return err
	}
	announce := func(string) {}
	private := o.database == ""
	if private {
		lock, running, err := lockData(o.data)
		switch {
		case err != nil:
			return err
		case lock == nil:
			fmt.Fprintf(out, "Cuerda is already running at %s\n", running)
			return nil
		}
		defer lock.release()
		announce = lock.announce
		server, err := postgres.Start(ctx, postgres.Options{Dir: filepath.Join(o.data, "postgres"), Log: log})
		if err != nil {
			return err
		}
		defer server.Stop()
		if err := server.CreateDatabase(ctx, "cuerda", ""); err != nil {
			return err
		}
		o.database = server.URL("cuerda")
	}
	db, err := store.Open(ctx, o.database)
	if err != nil {
		return err
	}
	defer db.Close()
	foods := food.Starter()
	kitchen, err := demo.Seed(ctx, db, foods)
	if err != nil {
		return err
	}
	listener, err := listen(o.listen, o.port)
	if err != nil {
		return err
	}
	handler := &api.Server{Store: db, Who: api.OneKitchen(kitchen), Foods: foods, Log: log, Pages: pages, AnyHost: !isLoopback(o.listen)}
	watching, unwatch := context.WithCancel(ctx)
	watched := make(chan struct{})
	go func() { defer close(watched); handler.Watch(watching) }()
	defer func() { unwatch(); <-watched }() // before the database closes
	address := "http://" + listener.Addr().String()
	announce(address)
	fmt.Fprintf(out, "Cuerda is at %s\nStop it with Ctrl+C. Its data is in %s\n", address, where(o, private))
	return serve(ctx, listener, handler.Handler(), log)
}

// where the data is: in the folder of a private PostgreSQL, or in the database that
// was named, without its password.
func where(o startOptions, private bool) string {
	if private {
		return o.data
	}
	u, err := url.Parse(o.database)
	if err != nil || u.Host == "" {
		return "the database that was named"
	}
	u.User, u.RawQuery = nil, ""
	return u.String()
}

func isLoopback(host string) bool {
	ip := net.ParseIP(host)
	return host == "localhost" || ip != nil && ip.IsLoopback()
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

func serve(ctx context.Context, l net.Listener, h http.Handler, log *slog.Logger) error {
	server := &http.Server{
		Handler: h, ReadHeaderTimeout: 10 * time.Second, IdleTimeout: 2 * time.Minute,
		ErrorLog: slog.NewLogLogger(log.Handler(), slog.LevelDebug),
	}
	ended := make(chan error, 1)
	go func() { ended <- server.Serve(l) }()
	select {
	case err := <-ended:
		return err
	case <-ctx.Done():
	}
	shutdown, cancel := context.WithTimeout(context.Background(), 5*time.Second)
	defer cancel()
	return server.Shutdown(shutdown)
}
