package postgres

import (
	"errors"
	"fmt"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"syscall"
)

// findPrograms gives the folder of the server's programs: those of the version that a
// cluster was made by, else the newest (version 0 for no cluster).
func findPrograms(version int) (string, error) {
	dirs, _ := filepath.Glob("/usr/lib/postgresql/*/bin")
	slices.SortFunc(dirs, func(a, b string) int { return versionOf(b) - versionOf(a) })
	for _, dir := range append(dirs, filepath.SplitList(os.Getenv("PATH"))...) {
		if !isProgram(filepath.Join(dir, "initdb")) || !isProgram(filepath.Join(dir, "postgres")) {
			continue
		}
		if version == 0 || versionOf(dir) == version {
			return dir, nil
		}
	}
	if version != 0 {
		return "", fmt.Errorf("the data was made by PostgreSQL %d, which is not installed: install the package postgresql-%d", version, version)
	}
	return "", ErrNotInstalled
}

var versionWords = regexp.MustCompile(`\(PostgreSQL\) (\d+)`)

// versionOf is the major version of the programs in a folder; 0 where it cannot be told.
func versionOf(dir string) int {
	if v, err := strconv.Atoi(filepath.Base(filepath.Dir(dir))); err == nil {
		return v
	}
	said, err := exec.Command(filepath.Join(dir, "postgres"), "--version").Output()
	if m := versionWords.FindSubmatch(said); err == nil && m != nil {
		v, _ := strconv.Atoi(string(m[1]))
		return v
	}
	return 0
}

func isProgram(path string) bool {
	info, err := os.Stat(path)
	return err == nil && info.Mode().IsRegular() && info.Mode()&0o111 != 0
}

// serverUser is the account postgres for root, since PostgreSQL refuses to run
// as root; nil, which is oneself, for everybody else.
func serverUser() (*syscall.Credential, error) {
	if os.Geteuid() != 0 {
		return nil, nil
	}
	u, err := user.Lookup("postgres")
	if err != nil {
		return nil, fmt.Errorf("root cannot run PostgreSQL, and there is no user to run it as: %w", err)
	}
	uid, err1 := strconv.ParseUint(u.Uid, 10, 32)
	gid, err2 := strconv.ParseUint(u.Gid, 10, 32)
	if err := errors.Join(err1, err2); err != nil {
		return nil, err
	}
	return &syscall.Credential{Uid: uint32(uid), Gid: uint32(gid)}, nil
}

// leastFree is the least room on the disk that a start asks for: a segment of the
// write-ahead log, and as much again.
const leastFree = 48 << 20

// room fails where the disk of a folder is full, or nearly.
func room(dir string) error {
	var disk syscall.Statfs_t
	if err := syscall.Statfs(dir, &disk); err != nil {
		return err
	}
	if free := disk.Bavail * uint64(disk.Bsize); free < leastFree {
		return fmt.Errorf("%w: %d MB are left for %s, %d are needed", ErrDiskFull, free>>20, dir, leastFree>>20)
	}
	return nil
}

// ErrDiskFull is returned where there is no room to work in.
var ErrDiskFull = errors.New("the disk is full")

// readOwn reads a small file in the server's folder. It follows no link, for the folder
// belongs to a user who may not be the one that reads.
func readOwn(path string) ([]byte, error) {
	f, err := openOwn(path, os.O_RDONLY, 0)
	if err != nil {
		return nil, err
	}
	defer f.Close()
	text := make([]byte, 4096)
	n, err := f.Read(text)
	return text[:n], err
}

// openOwn opens a plain file that has no other name, and no link to one.
func openOwn(path string, flag int, mode os.FileMode) (*os.File, error) {
	f, err := os.OpenFile(path, flag|syscall.O_NOFOLLOW, mode)
	if err != nil {
		return nil, err
	}
	info, err := f.Stat()
	if err == nil {
		if of, ok := info.Sys().(*syscall.Stat_t); !info.Mode().IsRegular() || ok && of.Nlink > 1 {
			err = fmt.Errorf("%s: %w", path, errNotPlain)
		}
	}
	if err != nil {
		_ = f.Close()
		return nil, err
	}
	return f, nil
}

var errNotPlain = errors.New("no plain file of its own: a link was put in its place")

// writeOwn makes a file anew, for the server's user to read.
func (s *Server) writeOwn(path, text string) error {
	if err := os.Remove(path); err != nil && !errors.Is(err, os.ErrNotExist) {
		return err
	}
	f, err := openOwn(path, os.O_WRONLY|os.O_CREATE|os.O_EXCL, 0o600)
	if err != nil {
		return err
	}
	defer f.Close()
	if s.cred != nil {
		if err := f.Chown(int(s.cred.Uid), int(s.cred.Gid)); err != nil {
			return err
		}
	}
	if _, err := f.WriteString(text); err != nil {
		return err
	}
	return f.Close()
}

// clusterVersion is the major version that a cluster was made by; 0 where there is none.
func clusterVersion(data string) (int, error) {
	text, err := readOwn(filepath.Join(data, "PG_VERSION"))
	if errors.Is(err, os.ErrNotExist) {
		return 0, nil
	}
	if err != nil {
		return 0, err
	}
	return strconv.Atoi(strings.TrimSpace(string(text)))
}
