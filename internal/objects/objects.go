// Package objects keeps data in an object store that speaks S3, under keys: the data of pictures, where a house has so many
// that they are not to lie in its database. Package standin is a store for tests.
package objects

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"io"
	"net/url"
	"os"
	"strings"
	"time"

	"github.com/minio/minio-go/v7"
	"github.com/minio/minio-go/v7/pkg/credentials"

	"cuerda/internal/store"
)

// S3 is a bucket of an object store, or what lies under a prefix in one. It is safe for use by several at once.
type S3 struct {
	client         *minio.Client
	bucket, prefix string
}

// Open reads an address such as s3://bucket/prefix?endpoint=store.example:9000&region=eu-1, where http=true asks without
// TLS, and finds the bucket. Who asks is in AWS_ACCESS_KEY_ID and AWS_SECRET_ACCESS_KEY.
func Open(ctx context.Context, address string) (*S3, error) {
	u, err := url.Parse(address)
	if err != nil || u.Scheme != "s3" || u.Host == "" || u.User != nil {
		return nil, errors.New("pictures: an address such as s3://bucket/prefix?endpoint=store.example:9000 is wanted, without a password in it")
	}
	q := u.Query()
	if q.Get("endpoint") == "" {
		return nil, errors.New("pictures: the address does not name the store's endpoint")
	}
	client, err := minio.New(q.Get("endpoint"), &minio.Options{
		Creds:  credentials.NewStaticV4(os.Getenv("AWS_ACCESS_KEY_ID"), os.Getenv("AWS_SECRET_ACCESS_KEY"), ""),
		Secure: q.Get("http") != "true", Region: q.Get("region"), BucketLookup: minio.BucketLookupPath, MaxRetries: 1,
	})
	if err != nil {
		return nil, fmt.Errorf("pictures: %w", err)
	}
	s := &S3{client, u.Host, strings.Trim(u.Path, "/")}
	if s.prefix != "" {
		s.prefix += "/"
	}
	there, err := client.BucketExists(ctx, s.bucket)
	if err == nil && !there {
		err = fmt.Errorf("there is no bucket %q", s.bucket)
	}
	if err != nil {
		return nil, fmt.Errorf("pictures: %w", err)
	}
	return s, nil
}

// attempts is how often a store is asked to keep something that answers that it cannot just now, and pause how long is waited
// in between.
const (
	attempts = 3
	pause    = 100 * time.Millisecond
)

// Keep keeps data under a key. Each attempt reads the data by itself: the library would have two of its own share one reader,
// the first of which may still be sending.
func (s *S3) Keep(ctx context.Context, key string, data []byte) (err error) {
	for range attempts {
		_, err = s.client.PutObject(ctx, s.bucket, s.prefix+key, bytes.NewReader(data), int64(len(data)), minio.PutObjectOptions{ContentType: "application/octet-stream", DisableMultipart: true})
		if status := minio.ToErrorResponse(err).StatusCode; err == nil || status >= 400 && status < 500 {
			return err
		}
		select {
		case <-ctx.Done():
			return errors.Join(err, ctx.Err())
		case <-time.After(pause):
		}
	}
	return err
}

// Find gives what is kept under a key; store.ErrNotFound where nothing is.
func (s *S3) Find(ctx context.Context, key string) ([]byte, error) {
	o, err := s.client.GetObject(ctx, s.bucket, s.prefix+key, minio.GetObjectOptions{})
	if err != nil {
		return nil, err
	}
	defer o.Close()
	data, err := io.ReadAll(o)
	if minio.ToErrorResponse(err).Code == minio.NoSuchKey {
		return nil, store.ErrNotFound
	}
	return data, err
}

// RemoveUnder removes all whose keys begin so.
func (s *S3) RemoveUnder(ctx context.Context, prefix string) error {
	var failed error
	listed := make(chan minio.ObjectInfo)
	go func() {
		defer close(listed)
		for o := range s.client.ListObjects(ctx, s.bucket, minio.ListObjectsOptions{Prefix: s.prefix + prefix, Recursive: true}) {
			if o.Err != nil {
				failed = o.Err
				return
			}
			listed <- o
		}
	}()
	for e := range s.client.RemoveObjects(ctx, s.bucket, listed, minio.RemoveObjectsOptions{}) {
		return errors.Join(e.Err, ctx.Err())
	}
	return failed
}
