// Package standin is an object store in memory that speaks as much of S3 as package objects uses, for tests.
package standin

import (
	"bufio"
	"crypto/md5" //nolint:gosec // S3 names an object's bytes so
	"encoding/hex"
	"encoding/xml"
	"fmt"
	"io"
	"maps"
	"net/http"
	"slices"
	"strconv"
	"strings"
	"sync"
	"time"
)

// Store is an object store with one bucket.
type Store struct {
	Bucket, AccessKey string

	mu   sync.Mutex
	kept map[string][]byte
	down bool
}

// Keys lists what is kept.
func (s *Store) Keys() []string {
	s.mu.Lock()
	defer s.mu.Unlock()
	return slices.Sorted(maps.Keys(s.kept))
}

// Down has everything fail from now on, or no longer.
func (s *Store) Down(down bool) {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.down = down
}

type failure struct {
	XMLName xml.Name `xml:"Error"`
	Code    string
	Key     string
}

type object struct {
	Key          string
	LastModified string
	ETag         string
	Size         int
}

type listing struct {
	XMLName     xml.Name `xml:"ListBucketResult"`
	Name        string
	Prefix      string
	KeyCount    int
	IsTruncated bool
	Contents    []object
}

// ServeHTTP answers in the words of S3.
func (s *Store) ServeHTTP(w http.ResponseWriter, r *http.Request) {
	s.mu.Lock()
	defer s.mu.Unlock()
	bucket, key, _ := strings.Cut(strings.TrimPrefix(r.URL.Path, "/"), "/")
	asks := r.URL.Query()
	switch {
	case s.down:
		refuse(w, http.StatusServiceUnavailable, "ServiceUnavailable", key)
	case !strings.Contains(r.Header.Get("Authorization"), "Credential="+s.AccessKey+"/"):
		refuse(w, http.StatusForbidden, "AccessDenied", key)
	case bucket != s.Bucket:
		refuse(w, http.StatusNotFound, "NoSuchBucket", "")
	case key == "" && r.Method == http.MethodGet && asks.Has("location"):
		_, _ = io.WriteString(w, `<LocationConstraint/>`)
	case key == "" && r.Method == http.MethodGet:
		s.list(w, asks.Get("prefix"))
	case key == "" && r.Method == http.MethodPost && asks.Has("delete"):
		s.removeMany(w, r)
	case key == "":
		w.WriteHeader(http.StatusOK)
	case r.Method == http.MethodPut:
		s.put(w, r, key)
	case r.Method == http.MethodGet, r.Method == http.MethodHead:
		s.get(w, r, key)
	default:
		refuse(w, http.StatusNotImplemented, "NotImplemented", key)
	}
}

func refuse(w http.ResponseWriter, status int, code, key string) {
	answer(w, status, failure{Code: code, Key: key})
}

func answer(w http.ResponseWriter, status int, what any) {
	w.Header().Set("Content-Type", "application/xml")
	w.WriteHeader(status)
	_ = xml.NewEncoder(w).Encode(what)
}

func tag(data []byte) string {
	sum := md5.Sum(data) //nolint:gosec // as above
	return `"` + hex.EncodeToString(sum[:]) + `"`
}

func (s *Store) put(w http.ResponseWriter, r *http.Request, key string) {
	body := io.Reader(r.Body)
	if strings.HasPrefix(r.Header.Get("X-Amz-Content-Sha256"), "STREAMING-") {
		body = &chunks{from: bufio.NewReader(r.Body)}
	}
	data, err := io.ReadAll(body)
	if err != nil {
		refuse(w, http.StatusBadRequest, "IncompleteBody", key)
		return
	}
	if s.kept == nil {
		s.kept = map[string][]byte{}
	}
	s.kept[key] = data
	w.Header().Set("ETag", tag(data))
}

func (s *Store) get(w http.ResponseWriter, r *http.Request, key string) {
	data, there := s.kept[key]
	if !there {
		refuse(w, http.StatusNotFound, "NoSuchKey", key)
		return
	}
	w.Header().Set("ETag", tag(data))
	w.Header().Set("Last-Modified", time.Unix(0, 0).UTC().Format(http.TimeFormat))
	w.Header().Set("Content-Length", strconv.Itoa(len(data)))
	if r.Method == http.MethodGet {
		_, _ = w.Write(data)
	}
}

func (s *Store) list(w http.ResponseWriter, prefix string) {
	out := listing{Name: s.Bucket, Prefix: prefix}
	for _, key := range slices.Sorted(maps.Keys(s.kept)) {
		if strings.HasPrefix(key, prefix) {
			out.Contents = append(out.Contents, object{key, time.Unix(0, 0).UTC().Format(time.RFC3339), tag(s.kept[key]), len(s.kept[key])})
		}
	}
	out.KeyCount = len(out.Contents)
	answer(w, http.StatusOK, out)
}

func (s *Store) removeMany(w http.ResponseWriter, r *http.Request) {
	var asked struct{ Object []struct{ Key string } }
	if err := xml.NewDecoder(r.Body).Decode(&asked); err != nil {
		refuse(w, http.StatusBadRequest, "MalformedXML", "")
		return
	}
	out := struct {
		XMLName xml.Name `xml:"DeleteResult"`
		Deleted []struct{ Key string }
	}{}
	for _, o := range asked.Object {
		delete(s.kept, o.Key)
		out.Deleted = append(out.Deleted, o)
	}
	answer(w, http.StatusOK, out)
}

// chunks reads a body that comes in signed pieces: a length in hexadecimal, a semicolon and a signature, and so many bytes.
type chunks struct {
	from *bufio.Reader
	left int64
	done bool
}

func (c *chunks) Read(p []byte) (int, error) {
	if c.done {
		return 0, io.EOF
	}
	if c.left == 0 {
		line, err := c.from.ReadString('\n')
		if err != nil {
			return 0, err
		}
		size, _, _ := strings.Cut(strings.TrimSpace(line), ";")
		if c.left, err = strconv.ParseInt(size, 16, 64); err != nil {
			return 0, fmt.Errorf("a piece that does not say how long it is: %q", line)
		}
		if c.left == 0 {
			c.done = true
			return 0, io.EOF
		}
	}
	n, err := c.from.Read(p[:min(int64(len(p)), c.left)])
	if c.left -= int64(n); c.left == 0 && err == nil {
		_, err = c.from.Discard(2) // the end of its line
	}
	return n, err
}
