package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"net/url"
	"os"
	"os/signal"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"time"

	"github.com/spf13/cobra"

	"cuerda/core/food"
	"cuerda/internal/api"
	"cuerda/internal/demo"
	"cuerda/internal/jobs"
	"cuerda/internal/objects"
	"cuerda/internal/postgres"
	"cuerda/internal/store"
	"cuerda/web"
)

type startOptions struct {
	listen, data, database string
	hosts                  []string
	certificate, key       string
	metrics                string
	logs                   string
	port                   int
	verbose                bool
	accounts, openHouse    bool
	proxies                []string
	fineDays               int
	figures                string
	pictures               string
}

func startCommand() *cobra.Command {
	var o startOptions
	cmd := &cobra.Command{
		Use:   "start",
		Short: "Start Cuerda and print its address",
		Long: `Starts a private PostgreSQL on loopback, or uses the server in DATABASE_URL,
brings its tables up to date, fills an empty database with the demonstration
kitchen, and serves the application until it is told to stop.

Alone on this machine nobody signs in. With --accounts, and always beyond loopback
(--listen), people sign in; the first owner does so by a link that the start prints.
--open-house leaves a server beyond loopback open to everybody who reaches it, without
a password. Name the names that may be asked for with --host, and give a certificate
(--tls-cert, --tls-key) where the way is not your own. Behind a proxy that ends HTTPS,
name its address with --trusted-proxy: no other is believed about where a request
comes from.`,
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
	fineDays, err := strconv.Atoi(fromEnv("CUERDA_FINE_READINGS_DAYS", "90"))
	if err != nil {
		fineDays = -1 // reported by start
	}
	f.IntVar(&o.port, "port", port, "port, or the next free one after it; 0 for any (CUERDA_PORT)")
	f.StringVar(&o.data, "data", fromEnv("CUERDA_DATA", defaultData()), "folder of the kitchen's data (CUERDA_DATA)")
	f.StringVar(&o.database, "database", os.Getenv("DATABASE_URL"), "a PostgreSQL database to use instead of a private one (DATABASE_URL)")
	f.StringSliceVar(&o.hosts, "host", fields(os.Getenv("CUERDA_HOSTS")), "a name or address that may be asked for beside this machine's own; again for more (CUERDA_HOSTS)")
	f.StringVar(&o.certificate, "tls-cert", os.Getenv("CUERDA_TLS_CERT"), "file of a certificate, to serve HTTPS (CUERDA_TLS_CERT)")
	f.StringVar(&o.key, "tls-key", os.Getenv("CUERDA_TLS_KEY"), "file of its key (CUERDA_TLS_KEY)")
	f.StringVar(&o.metrics, "metrics", os.Getenv("CUERDA_METRICS"), "address of a second port for Prometheus, such as 127.0.0.1:9100 (CUERDA_METRICS)")
	f.StringVar(&o.logs, "log", fromEnv("CUERDA_LOG", "text"), "how to log: text or json (CUERDA_LOG)")
	f.BoolVar(&o.accounts, "accounts", os.Getenv("CUERDA_ACCOUNTS") == "true", "people sign in (CUERDA_ACCOUNTS=true)")
	f.BoolVar(&o.openHouse, "open-house", false, "beyond loopback too, let everybody in without a password")
	f.StringSliceVar(&o.proxies, "trusted-proxy", fields(os.Getenv("CUERDA_TRUSTED_PROXIES")), "address or network of a proxy that ends HTTPS; again for more (CUERDA_TRUSTED_PROXIES)")
	f.StringVar(&o.pictures, "photos", os.Getenv("CUERDA_PHOTOS"), "an object store for new pictures, such as s3://bucket/prefix?endpoint=store.example; else they lie in the database (CUERDA_PHOTOS)")
	f.StringVar(&o.figures, "figures", os.Getenv("CUERDA_FIGURES"), "a table of common figures of foods, as cuerda pool writes it (CUERDA_FIGURES)")
	f.IntVar(&o.fineDays, "fine-readings-days", fineDays, "how long every reading of a cooking is kept, before a curve stands for them; 0 for ever (CUERDA_FINE_READINGS_DAYS)")
	f.BoolVar(&o.verbose, "verbose", false, "log every request too")
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
	if o.fineDays < 0 || o.fineDays > 36500 {
		return errors.New("--fine-readings-days should be a number of days, or 0")
	}
	log, err := logger(errs, o)
	if err != nil {
		return err
	}
	if (o.certificate == "") != (o.key == "") {
		return errors.New("--tls-cert and --tls-key belong together")
	}
	common, err := figures(o.figures)
	if err != nil {
		return err
	}
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
		server, err := postgres.Start(ctx, postgres.Options{Dir: filepath.Join(o.data, "postgres"), Log: log, Say: func(what string) { fmt.Fprintln(out, what) }})
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
	if err := keepPicturesIn(ctx, db, o.pictures); err != nil {
		return err
	}
	foods := food.Starter()
	if common != nil {
		foods = foods.Taught(common.Deviations(foods))
	}
	club, err := demo.Seed(ctx, db, foods)
	if err != nil {
		return err
	}
	proxies, err := prefixes(o.proxies)
	if err != nil {
		return err
	}
	accounts := o.accounts || !isLoopback(o.listen) && !o.openHouse
	listener, err := listen(o.listen, o.port)
	if err != nil {
		return err
	}
	names := namesOf(o)
	handler := &api.Server{
		Store: db, Foods: foods, Common: common, Log: log, Pages: pages, Hosts: names, Accounts: accounts, Secure: o.certificate != "" || len(proxies) > 0, Proxies: proxies,
		Demo: func(ctx context.Context, owner string) (string, error) { return demo.Anew(ctx, db, foods, owner) },
	}
	queue := &jobs.Queue{Teacher: &jobs.Teacher{Store: db, Foods: foods, Common: common}, Log: log, FineReadings: time.Duration(o.fineDays) * 24 * time.Hour}
	if err := queue.Start(context.WithoutCancel(ctx)); err != nil {
		return err
	}
	defer func() {
		ended, cancel := context.WithTimeout(context.Background(), jobsEndWithin)
		defer cancel()
		queue.Stop(ended)
	}()
	handler.Background = queue
	whole := handler.Handler()
	if o.metrics != "" {
		stop, err := serveMetrics(o.metrics, handler.Metrics(queue.Metrics()...), log)
		if err != nil {
			return err
		}
		defer stop()
	}
	defer context.AfterFunc(ctx, handler.Close)()
	watching, unwatch := context.WithCancel(ctx)
	watched := make(chan struct{})
	go func() { defer close(watched); handler.Watch(watching) }()
	defer func() { unwatch(); <-watched }() // before the database closes
	address := addressOf(listener, o, names)
	announce(address)
	fmt.Fprintf(out, "Cuerda is at %s\n", address)
	if club != "" {
		fmt.Fprintf(out, "The rowing club's kitchen, all made up, is at %s\n", strings.TrimSuffix(address, "/")+"/k/"+club+"/bench")
	}
	fmt.Fprintf(out, "Stop it with Ctrl+C. Its data is in %s\n", where(o, private))
	switch {
	case accounts:
		if err := welcome(ctx, out, db, address); err != nil {
			return err
		}
	case !isLoopback(o.listen):
		fmt.Fprintf(out, "It is open to everybody who reaches this machine by: %s. There is no password: whoever opens it can change everything.\n", strings.Join(names, ", "))
	}
	return serve(ctx, listener, whole, o, log)
}

// keepPicturesIn has new pictures kept in an object store, where one is named.
func keepPicturesIn(ctx context.Context, db *store.Store, address string) error {
	if address == "" {
		return nil
	}
	bucket, err := objects.Open(ctx, address)
	if err != nil {
		return err
	}
	db.KeepPicturesIn(bucket)
	return nil
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
