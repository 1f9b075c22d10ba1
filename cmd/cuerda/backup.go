package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"time"

	"github.com/spf13/cobra"

	"cuerda/core/food"
	"cuerda/internal/archive"
	"cuerda/internal/postgres"
	"cuerda/internal/store"
)

// place is where kitchens are kept: a data folder, or a database of one's own.
type place struct{ data, database string }

func (p *place) flags(cmd *cobra.Command) {
	cmd.Flags().StringVar(&p.data, "data", fromEnv("CUERDA_DATA", defaultData()), "folder of the kitchen's data (CUERDA_DATA)")
	cmd.Flags().StringVar(&p.database, "database", os.Getenv("DATABASE_URL"), "a PostgreSQL database used instead of a private one (DATABASE_URL)")
}

// open gives the store of a place, whether or not a server runs there. Only where none runs
// are its tables brought up to date.
func (p *place) open(ctx context.Context, mayRun bool) (s *store.Store, done func(), err error) {
	if p.database != "" {
		if mayRun {
			s, err = store.Attach(ctx, p.database)
		} else {
			s, err = store.Open(ctx, p.database)
		}
		if err != nil {
			return nil, nil, err
		}
		return s, s.Close, nil
	}
	lock, running, err := lockData(p.data)
	if err != nil {
		return nil, nil, err
	}
	dir := filepath.Join(p.data, "postgres")
	if lock == nil {
		if !mayRun {
			return nil, nil, fmt.Errorf("it is running at %s: stop it, or name another folder with --data", running)
		}
		url, err := postgres.Running(dir, "cuerda")
		if err != nil {
			return nil, nil, err
		}
		if s, err = store.Attach(ctx, url); err != nil {
			return nil, nil, err
		}
		return s, s.Close, nil
	}
	server, err := postgres.Start(ctx, postgres.Options{Dir: dir})
	if err != nil {
		lock.release()
		return nil, nil, err
	}
	stop := func() { server.Stop(); lock.release() }
	if err = server.CreateDatabase(ctx, "cuerda", ""); err == nil {
		s, err = store.Open(ctx, server.URL("cuerda"))
	}
	if err != nil {
		stop()
		return nil, nil, err
	}
	return s, func() { s.Close(); stop() }, nil
}

func backupCommand() *cobra.Command {
	var from place
	var verify bool
	cmd := &cobra.Command{
		Use:   "backup FILE",
		Short: "Write every kitchen to a file, while the server runs or not",
		Long: `Writes every kitchen, whole and as it is at one moment, to a file, or to standard
output with -. The server may go on meanwhile. With --verify what was written is read
again from the first byte to the last.`,
		Args: cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			if _, err := os.Stat(from.data); from.database == "" && err != nil {
				return fmt.Errorf("there is nothing to back up in %s", from.data)
			}
			s, done, err := from.open(cmd.Context(), true)
			if err != nil {
				return err
			}
			defer done()
			if args[0] == "-" {
				_, err := archive.WriteBackup(cmd.Context(), cmd.OutOrStdout(), s, time.Now())
				return err
			}
			list, err := backupTo(cmd.Context(), args[0], s)
			if err == nil && verify {
				list, err = verified(args[0])
			}
			if err != nil {
				return err
			}
			tell(cmd.OutOrStdout(), list, "written to "+args[0])
			return nil
		},
	}
	from.flags(cmd)
	cmd.Flags().BoolVar(&verify, "verify", false, "read again what was written")
	return cmd
}

// backupTo writes beside the file and puts it in its place when it is whole: a backup that
// is there is not lost to one that fails.
func backupTo(ctx context.Context, name string, s *store.Store) (list *archive.Backup, err error) {
	f, err := os.CreateTemp(filepath.Dir(name), filepath.Base(name)+".part-*")
	if err != nil {
		return nil, err
	}
	defer func() {
		if err != nil {
			_ = f.Close()
			_ = os.Remove(f.Name())
		}
	}()
	if list, err = archive.WriteBackup(ctx, f, s, time.Now()); err != nil {
		return nil, err
	}
	if err = errors.Join(f.Sync(), f.Close()); err != nil {
		return nil, err
	}
	return list, os.Rename(f.Name(), name)
}

func verified(name string) (*archive.Backup, error) {
	f, err := os.Open(name)
	if err != nil {
		return nil, err
	}
	defer f.Close()
	info, err := f.Stat()
	if err != nil {
		return nil, err
	}
	return archive.Verify(f, info.Size(), food.Starter())
}

func tell(w io.Writer, list *archive.Backup, what string) {
	builds := 0
	for _, k := range list.Kitchens {
		builds += k.Builds
	}
	fmt.Fprintf(w, "%d kitchens with %d builds, as of %s, %s\n", len(list.Kitchens), builds, list.MadeAt.Format(time.RFC3339), what)
}

func restoreCommand() *cobra.Command {
	var to place
	var verify bool
	cmd := &cobra.Command{
		Use:   "restore FILE",
		Short: "Make the kitchens of a backup again, in a new place",
		Long: `Makes every kitchen of a backup again as it was, all or none, in a place where there
are none: an empty data folder (--data) or database (--database). With --verify the
backup is read from the first byte to the last, and nothing is made.`,
		Args: cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			list, err := verified(args[0])
			if err != nil {
				return err
			}
			if verify {
				tell(cmd.OutOrStdout(), list, "sound")
				return nil
			}
			s, done, err := to.open(cmd.Context(), false)
			if err != nil {
				return err
			}
			defer done()
			f, err := os.Open(args[0])
			if err != nil {
				return err
			}
			defer f.Close()
			info, err := f.Stat()
			if err != nil {
				return err
			}
			b, err := archive.OpenBackup(f, info.Size(), food.Starter())
			if err != nil {
				return err
			}
			if _, err := s.RestoreKitchens(cmd.Context(), b.Next); err != nil {
				return err
			}
			tell(cmd.OutOrStdout(), list, "restored")
			return nil
		},
	}
	to.flags(cmd)
	cmd.Flags().BoolVar(&verify, "verify", false, "check the backup, and change nothing")
	return cmd
}
