// Package web carries the built front end inside the program.
package web

import (
	"embed"
	"errors"
	"io/fs"
)

//go:embed all:dist
var dist embed.FS

// ErrNotBuilt is returned where the front end was not built before the program.
var ErrNotBuilt = errors.New("the front end is not built: run 'make build'")

// Dist gives the files of the front end.
func Dist() (fs.FS, error) {
	files, err := fs.Sub(dist, "dist")
	if err != nil {
		return nil, err
	}
	if _, err := fs.Stat(files, "index.html"); err != nil {
		return nil, ErrNotBuilt
	}
	return files, nil
}
