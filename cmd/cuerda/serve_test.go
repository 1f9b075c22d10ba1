package main

import (
	"context"
	"crypto/ecdsa"
	"crypto/elliptic"
	"crypto/rand"
	"crypto/tls"
	"crypto/x509"
	"crypto/x509/pkix"
	"encoding/pem"
	"fmt"
	"io"
	"log/slog"
	"math/big"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// served runs a handler until the test ends it.
func served(t *testing.T, o startOptions, h http.Handler) (address string, stop func() error) {
	t.Helper()
	l, err := listen("127.0.0.1", 0)
	require.NoError(t, err)
	ctx, cancel := context.WithCancel(context.Background())
	ended := make(chan error, 1)
	go func() { ended <- serve(ctx, l, h, o, slog.New(slog.DiscardHandler)) }()
	return l.Addr().String(), func() error { cancel(); return <-ended }
}

// A client that takes its answer a byte at a time, and one that sends its body so, are cut
// off at the end: it comes within five seconds, and is no fault.
func TestSlowClientsDoNotHoldUpTheEnd(t *testing.T) {
	t.Parallel()
	address, stop := served(t, startOptions{}, http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if r.Method == http.MethodPost {
			_, _ = io.Copy(io.Discard, r.Body)
			return
		}
		for range 10_000 {
			if _, err := w.Write(make([]byte, 64<<10)); err != nil {
				return
			}
		}
	}))
	for _, head := range []string{"GET / HTTP/1.1\r\nHost: %s\r\n\r\n", "POST / HTTP/1.1\r\nHost: %s\r\nContent-Length: 100000\r\n\r\nx"} {
		conn, err := net.Dial("tcp", address)
		require.NoError(t, err)
		defer conn.Close()
		_, err = fmt.Fprintf(conn, head, address)
		require.NoError(t, err)
	}
	time.Sleep(100 * time.Millisecond)
	ended := make(chan error, 1)
	go func() { ended <- stop() }()
	select {
	case err := <-ended:
		assert.NoError(t, err)
	case <-time.After(10 * time.Second):
		t.Fatal("it does not end")
	}
}

func TestServingOverTLS(t *testing.T) {
	t.Parallel()
	key, err := ecdsa.GenerateKey(elliptic.P256(), rand.Reader)
	require.NoError(t, err)
	whose := &x509.Certificate{SerialNumber: big.NewInt(1), Subject: pkix.Name{CommonName: "boathouse.example"}, DNSNames: []string{"boathouse.example"}, NotAfter: time.Now().Add(time.Hour)}
	signed, err := x509.CreateCertificate(rand.Reader, whose, whose, &key.PublicKey, key)
	require.NoError(t, err)
	secret, err := x509.MarshalECPrivateKey(key)
	require.NoError(t, err)
	folder := t.TempDir()
	o := startOptions{certificate: filepath.Join(folder, "cert.pem"), key: filepath.Join(folder, "key.pem")}
	certificate := pem.EncodeToMemory(&pem.Block{Type: "CERTIFICATE", Bytes: signed})
	require.NoError(t, os.WriteFile(o.certificate, certificate, 0o600))
	require.NoError(t, os.WriteFile(o.key, pem.EncodeToMemory(&pem.Block{Type: "EC PRIVATE KEY", Bytes: secret}), 0o600))
	address, stop := served(t, o, http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) { _, _ = io.WriteString(w, "laid") }))
	trusted := x509.NewCertPool()
	require.True(t, trusted.AppendCertsFromPEM(certificate))
	client := http.Client{Transport: &http.Transport{TLSClientConfig: &tls.Config{RootCAs: trusted, ServerName: "boathouse.example"}}}
	answer, err := client.Get("https://" + address + "/")
	require.NoError(t, err)
	text, err := io.ReadAll(answer.Body)
	require.NoError(t, err)
	answer.Body.Close()
	assert.Equal(t, "laid", string(text))
	client.CloseIdleConnections()
	require.NoError(t, stop())

	assert.ErrorContains(t, start(t.Context(), io.Discard, io.Discard, startOptions{listen: "127.0.0.1", data: folder, certificate: o.certificate}), "belong together")
}

func TestNamesAndAddressesBeyondLoopback(t *testing.T) {
	t.Parallel()
	at := func(ip string) net.Listener { return listener{&net.TCPAddr{IP: net.ParseIP(ip), Port: 8080}} }
	assert.Empty(t, namesOf(startOptions{listen: "127.0.0.1"}))
	assert.Equal(t, []string{"192.0.2.7"}, namesOf(startOptions{listen: "192.0.2.7"}))
	assert.Contains(t, namesOf(startOptions{listen: "0.0.0.0", hosts: []string{"boathouse.example"}}), "boathouse.example")
	for _, x := range []struct {
		ip    string
		o     startOptions
		names []string
		want  string
	}{
		{"127.0.0.1", startOptions{listen: "127.0.0.1"}, nil, "http://127.0.0.1:8080"},
		{"192.0.2.7", startOptions{listen: "192.0.2.7"}, []string{"192.0.2.7"}, "http://192.0.2.7:8080"},
		{"0.0.0.0", startOptions{listen: "0.0.0.0"}, []string{"192.0.2.7"}, "http://192.0.2.7:8080"},
		{"::", startOptions{listen: "::"}, nil, "http://localhost:8080"},
		{"0.0.0.0", startOptions{listen: "0.0.0.0", hosts: []string{"boathouse.example"}, certificate: "c"}, []string{"boathouse.example"}, "https://boathouse.example:8080"},
	} {
		assert.Equal(t, x.want, addressOf(at(x.ip), x.o, x.names))
	}
	_, err := logger(io.Discard, startOptions{logs: "xml"})
	assert.ErrorContains(t, err, "text or json")
}

type listener struct{ at net.Addr }

func (l listener) Addr() net.Addr          { return l.at }
func (listener) Accept() (net.Conn, error) { return nil, net.ErrClosed }
func (listener) Close() error              { return nil }
