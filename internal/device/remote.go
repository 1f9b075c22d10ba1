package device

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"
	"strings"

	"cuerda/internal/device/senml"
)

// Remote is the kitchen of a course behind an address, by its token.
type Remote struct {
	Client *http.Client
	URL    string // such as http://127.0.0.1:8080
	Token  string

	was bool // let in
}

// errNoToken is that of a token that no course has, or no longer.
var errNoToken = errors.New("no course that goes on has this token")

// mostAnswer is the longest answer that is read.
const mostAnswer = 4 << 20

func (r *Remote) ask(ctx context.Context, method string, sent []byte, into any) error {
	request, err := http.NewRequestWithContext(ctx, method, strings.TrimSuffix(r.URL, "/")+"/api/readings", bytes.NewReader(sent))
	if err != nil {
		return err
	}
	request.Header.Set("Authorization", "Bearer "+r.Token)
	if sent != nil {
		request.Header.Set("Content-Type", senml.MediaType)
	}
	answer, err := r.Client.Do(request)
	if err != nil {
		return err
	}
	defer answer.Body.Close()
	text, err := io.ReadAll(io.LimitReader(answer.Body, mostAnswer))
	if err != nil {
		return err
	}
	if answer.StatusCode == http.StatusUnauthorized {
		return fmt.Errorf("%w: %s", errNoToken, strings.TrimSpace(string(text)))
	}
	if answer.StatusCode >= 300 {
		return fmt.Errorf("%s: %s", answer.Status, strings.TrimSpace(string(text)))
	}
	return json.Unmarshal(text, into)
}

// Course asks what there is to measure.
func (r *Remote) Course(ctx context.Context) (*ToMeasure, error) {
	var out ToMeasure
	err := r.ask(ctx, http.MethodGet, nil, &out)
	if errors.Is(err, errNoToken) && r.was {
		// The token ends with its course.
		return &ToMeasure{Over: true}, nil
	}
	if err != nil {
		return nil, err
	}
	r.was = true
	return &out, nil
}

// Send sends a pack.
func (r *Remote) Send(ctx context.Context, records []senml.Record) error {
	text, err := senml.Write(records)
	if err != nil {
		return err
	}
	var taken map[string]any
	return r.ask(ctx, http.MethodPost, text, &taken)
}
