package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"net/netip"
	"os"
	"strings"
	"time"

	"github.com/spf13/cobra"

	"cuerda/internal/people"
	"cuerda/internal/store"
)

// welcomedFor is how long the link for the first owner can be used.
const welcomedFor = 3 * 24 * time.Hour

// welcome prints a link by which the first owner comes in, where nobody can sign in yet.
func welcome(ctx context.Context, out io.Writer, db *store.Store, address string) error {
	owned, err := db.Owned(ctx)
	if err != nil || owned {
		return err
	}
	token, hash := people.Token()
	if _, err := db.Invite(ctx, "", "owner", hash, time.Now().Add(welcomedFor)); err != nil {
		return err
	}
	_, err = fmt.Fprintf(out, "Its first owner comes in once, within three days, by %s/invitation/%s\n", strings.TrimSuffix(address, "/"), token)
	return err
}

// prefixes reads addresses and networks.
func prefixes(all []string) ([]netip.Prefix, error) {
	var out []netip.Prefix
	for _, text := range all {
		p, err := netip.ParsePrefix(text)
		if err != nil {
			at, err := netip.ParseAddr(text)
			if err != nil {
				return nil, fmt.Errorf("--trusted-proxy %q is no address, such as 10.0.0.2 or 10.0.0.0/24", text)
			}
			p = netip.PrefixFrom(at, at.BitLen())
		}
		out = append(out, p.Masked())
	}
	return out, nil
}

func accountCommand() *cobra.Command {
	cmd := &cobra.Command{
		Use:   "account",
		Short: "Add, list, reset or disable who signs in, while the server runs or not",
		Long: `Nothing here sends mail: whoever has the machine sets who signs in. A passphrase is
read from a file, or from standard input with "-"; it has 12 characters or more.`,
	}
	cmd.AddCommand(
		accountChange("add NAME", "Add somebody who signs in; the first one owns the kitchens that nobody is in", true, addAccount),
		accountChange("reset NAME", "Give somebody another passphrase, and sign them out everywhere", true, func(ctx context.Context, db *store.Store, a *store.Account, passphrase string, _ []string) (string, error) {
			hash, err := people.Hash(passphrase)
			if err != nil {
				return "", err
			}
			return a.Name + " has another passphrase, and is signed out everywhere.", db.SetPassphrase(ctx, a.ID, hash, "")
		}),
		accountChange("disable NAME", "Keep somebody out, and sign them out everywhere", false, func(ctx context.Context, db *store.Store, a *store.Account, _ string, _ []string) (string, error) {
			return a.Name + " is kept out; reset lets them in again.", db.DisableAccount(ctx, a.ID)
		}),
		accountList(),
	)
	return cmd
}

func addAccount(ctx context.Context, db *store.Store, a *store.Account, passphrase string, args []string) (string, error) {
	if a != nil {
		return "", store.ErrNameTaken
	}
	name, key, err := people.Name(args[0])
	if err != nil {
		return "", err
	}
	if err := people.Passphrase(passphrase, name); err != nil {
		return "", err
	}
	hash, err := people.Hash(passphrase)
	if err != nil {
		return "", err
	}
	owned, err := db.Owned(ctx)
	if err != nil {
		return "", err
	}
	id, err := db.AddAccount(ctx, name, key, hash)
	if err != nil {
		return "", err
	}
	if !owned {
		err = db.TakeOver(ctx, id)
	}
	return name + " can sign in.", err
}

func accountChange(use, short string, needsPassphrase bool, change func(ctx context.Context, db *store.Store, a *store.Account, passphrase string, args []string) (string, error)) *cobra.Command {
	var at place
	var file string
	cmd := &cobra.Command{
		Use: use, Short: short, Args: cobra.ExactArgs(1),
		RunE: func(cmd *cobra.Command, args []string) error {
			passphrase := ""
			if needsPassphrase {
				var err error
				if passphrase, err = passphraseIn(cmd.InOrStdin(), file); err != nil {
					return err
				}
			}
			db, done, err := at.open(cmd.Context(), true)
			if err != nil {
				return err
			}
			defer done()
			_, key, err := people.Name(args[0])
			if err != nil {
				return err
			}
			a, err := db.AccountByKey(cmd.Context(), key)
			adding := strings.HasPrefix(use, "add")
			switch {
			case errors.Is(err, store.ErrNotFound) && adding:
				a = nil
			case errors.Is(err, store.ErrNotFound):
				return fmt.Errorf("nobody called %q signs in here", args[0])
			case err != nil:
				return err
			}
			if a != nil && needsPassphrase && !adding {
				if err := people.Passphrase(passphrase, a.Name); err != nil {
					return err
				}
			}
			said, err := change(cmd.Context(), db, a, passphrase, args)
			if err != nil {
				return err
			}
			_, err = fmt.Fprintln(cmd.OutOrStdout(), said)
			return err
		},
	}
	at.flags(cmd)
	if needsPassphrase {
		cmd.Flags().StringVar(&file, "passphrase-file", "-", "file with the passphrase; - for standard input")
	}
	return cmd
}

func accountList() *cobra.Command {
	var at place
	cmd := &cobra.Command{
		Use: "list", Short: "List who signs in", Args: cobra.NoArgs,
		RunE: func(cmd *cobra.Command, _ []string) error {
			db, done, err := at.open(cmd.Context(), true)
			if err != nil {
				return err
			}
			defer done()
			all, err := db.Accounts(cmd.Context())
			if err != nil {
				return err
			}
			for _, a := range all {
				state := ""
				if a.DisabledAt != nil {
					state = "\tkept out"
				}
				fmt.Fprintf(cmd.OutOrStdout(), "%s\t%s%s\n", a.Name, a.CreatedAt.Format(time.DateOnly), state)
			}
			return nil
		},
	}
	at.flags(cmd)
	return cmd
}

// maxPassphraseFile is how much of a file is read, bytes.
const maxPassphraseFile = 4096

// passphraseIn reads the first line of a file.
func passphraseIn(in io.Reader, name string) (string, error) {
	if name != "-" {
		f, err := os.Open(name)
		if err != nil {
			return "", err
		}
		defer f.Close()
		in = f
	}
	text, err := io.ReadAll(io.LimitReader(in, maxPassphraseFile))
	if err != nil {
		return "", err
	}
	line, _, _ := strings.Cut(string(text), "\n")
	return strings.TrimSuffix(line, "\r"), nil
}
