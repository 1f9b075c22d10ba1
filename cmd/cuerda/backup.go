package main

import (
	"archive/zip"
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

// place is where kitchens are kept: a data folder, or a database of one's own, and an object store for pictures.
type place struct{ data, database, pictures string }

func (p *place) flags(cmd *cobra.Command) {
	cmd.Flags().StringVar(&p.data, "data", fromEnv("CUERDA_DATA", defaultData()), "folder of the kitchen's data (CUERDA_DATA)")
	cmd.Flags().StringVar(&p.pictures, "photos", os.Getenv("CUERDA_PHOTOS"), "the object store that pictures lie in, where it is not the database (CUERDA_PHOTOS)")
	cmd.Flags().StringVar(&p.database, "database", os.Getenv("DATABASE_URL"), "a PostgreSQL database used instead of a private one (DATABASE_URL)")
}

// open gives the store of a place, whether or not a server runs there. Only where none runs
// are its tables brought up to date.
func (p *place) open(ctx context.Context, mayRun bool) (s *store.Store, done func(), err error) {
	if s, done, err = p.openDatabase(ctx, mayRun); err != nil {
		return nil, nil, err
	}
	if err = keepPicturesIn(ctx, s, p.pictures); err != nil {
		done()
		return nil, nil, err
	}
	return s, done, nil
}

func (p *place) openDatabase(ctx context.Context, mayRun bool) (s *store.Store, done func(), err error) {
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
	cmd := &cobra.Command{
		Use:   "backup FILE",
		Short: "Write every kitchen to a file, while the server runs or not",
		Long: `Writes every kitchen, whole and as it is at one moment, to a file, or to standard
output with -. The server may go on meanwhile. What was written is read again from the
first byte to the last before the file takes its name. What cannot be read of a kitchen is
written as it is, and told of; it keeps nothing else from being restored.`,
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
			name, folder := args[0], filepath.Dir(args[0])
			if name == "-" {
				folder = os.TempDir()
			}
			part, list, err := backupIn(cmd.Context(), folder, s, asides(cmd.ErrOrStderr()))
			if err != nil {
				return err
			}
			if name == "-" {
				defer os.Remove(part)
				return copyOf(cmd.OutOrStdout(), part)
			}
			if err := os.Rename(part, name); err != nil {
				return errors.Join(err, os.Remove(part))
			}
			tell(cmd.OutOrStdout(), list, "written to "+name)
			return nil
		},
	}
	from.flags(cmd)
	cmd.Flags().Bool("verify", true, "what was written is read again: it always is")
	_ = cmd.Flags().MarkDeprecated("verify", "what was written is always read again")
	return cmd
}

// backupIn writes a backup beside where it is to be, and reads it again: one that is there is not lost to one that fails.
func backupIn(ctx context.Context, folder string, s *store.Store, aside func(string, *archive.Aside) error) (part string, list *archive.Backup, err error) {
	f, err := os.CreateTemp(folder, "cuerda-backup.part-*")
	if err != nil {
		return "", nil, err
	}
	defer func() {
		if err != nil {
			_ = f.Close()
			_ = os.Remove(f.Name())
		}
	}()
	if _, err = archive.WriteBackup(ctx, f, s, time.Now()); err != nil {
		return "", nil, err
	}
	if err = errors.Join(f.Sync(), f.Close()); err != nil {
		return "", nil, err
	}
	list, err = verified(f.Name(), aside)
	return f.Name(), list, err
}

func copyOf(to io.Writer, name string) error {
	f, err := os.Open(name)
	if err != nil {
		return err
	}
	defer f.Close()
	_, err = io.Copy(to, f)
	return err
}

// asides tells of what cannot be taken in again.
func asides(to io.Writer) func(string, *archive.Aside) error {
	return func(kitchen string, what *archive.Aside) error {
		_, err := fmt.Fprintf(to, "set aside, of kitchen %s: %s: %v\n", kitchen, what.File, what.Err)
		return err
	}
}

func verified(name string, aside func(string, *archive.Aside) error) (*archive.Backup, error) {
	f, err := os.Open(name)
	if err != nil {
		return nil, err
	}
	defer f.Close()
	info, err := f.Stat()
	if err != nil {
		return nil, err
	}
	return archive.Verify(f, info.Size(), food.Starter(), aside)
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
	var only string
	cmd := &cobra.Command{
		Use:   "restore FILE",
		Short: "Make the kitchens of a backup again, in a new place",
		Long: `Makes every kitchen of a backup again as it was, in a place where there are none: an
empty data folder (--data) or database (--database). With --kitchen one of them alone is
made, by its ID or its name, also beside others. What cannot be taken in is put into a file
beside the backup, FILE.aside.zip, and told of; all else is restored. With --verify the backup
is read from the first byte to the last, and nothing is made.`,
		Args: cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			list, err := verified(args[0], asides(cmd.ErrOrStderr()))
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
			if only != "" && !b.Only(only) {
				return fmt.Errorf("no kitchen, or more than one, of this backup is %q: name it by its ID", only)
			}
			aside := &asideZip{name: args[0] + ".aside.zip", told: asides(cmd.ErrOrStderr())}
			_, err = s.RestoreKitchens(cmd.Context(), only != "", func() (*store.Whole, error) { return b.Next(aside.add) },
				func(kitchen string, _ any, err error) error {
					refused := b.Refused(err)
					_ = aside.told(kitchen, refused)
					return aside.add(kitchen, refused)
				})
			if err = errors.Join(err, aside.close()); err != nil {
				return err
			}
			tell(cmd.OutOrStdout(), &b.List, "restored")
			if aside.count > 0 {
				fmt.Fprintf(cmd.OutOrStdout(), "%d things could not be taken in; they are in %s\n", aside.count, aside.name)
			}
			return nil
		},
	}
	to.flags(cmd)
	cmd.Flags().BoolVar(&verify, "verify", false, "check the backup, and change nothing")
	cmd.Flags().StringVar(&only, "kitchen", "", "restore this kitchen alone, by its ID or its name")
	return cmd
}

// asideZip is a file of what could not be restored, made with the first of it.
type asideZip struct {
	name  string
	told  func(string, *archive.Aside) error
	file  *os.File
	zip   *zip.Writer
	count int
}

func (z *asideZip) add(kitchen string, what *archive.Aside) error {
	if z.zip == nil {
		f, err := os.Create(z.name)
		if err != nil {
			return err
		}
		z.file, z.zip = f, zip.NewWriter(f)
	}
	z.count++
	for name, text := range map[string][]byte{what.File: what.Text, what.File + ".why.txt": []byte(what.Err.Error() + "\n")} {
		w, err := z.zip.Create(fmt.Sprintf("%s/%05d/%s", kitchen, z.count, name))
		if err != nil {
			return err
		}
		if _, err := w.Write(text); err != nil {
			return err
		}
	}
	return nil
}

func (z *asideZip) close() error {
	if z.zip == nil {
		return nil
	}
	return errors.Join(z.zip.Close(), z.file.Close())
}
