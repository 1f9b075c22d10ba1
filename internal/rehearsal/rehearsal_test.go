package rehearsal_test

import (
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/rehearsal"
)

// The short form of "make rehearse": a Cuerda is killed, and the primary, and nothing that was acknowledged is lost. How long
// it took is measured there, not here.
func TestNothingIsLostWithOneOfThree(t *testing.T) {
	if testing.Short() {
		t.Skip("it wants the cores for itself: make test runs it apart from the others")
	}
	if missing := rehearsal.Missing(); len(missing) > 0 {
		t.Skipf("there is no %s on this machine", strings.Join(missing, ", "))
	}
	binary := filepath.Join(t.TempDir(), "cuerda")
	out, err := exec.Command("go", "build", "-o", binary, "cuerda/cmd/cuerda").CombinedOutput()
	require.NoError(t, err, string(out))
	// A folder that PostgreSQL's user reaches.
	folder, err := os.MkdirTemp("", "cuerda-rehearsal-")
	require.NoError(t, err)
	deploy, err := filepath.Abs("../../deploy")
	require.NoError(t, err)
	r, err := rehearsal.Rehearse(t.Context(), rehearsal.Plan{Binary: binary, Deploy: deploy, Folder: folder, Households: 20, Short: true, Say: t.Output()})
	if !assert.NoError(t, err) {
		logs, _ := filepath.Glob(rehearsal.Logs(folder))
		for _, name := range logs {
			text, _ := os.ReadFile(name)
			t.Logf("%s\n%s", name, text[max(0, len(text)-4000):])
		}
		return
	}
	defer os.RemoveAll(folder)
	t.Logf("%+v", *r)
	assert.Positive(t, r.Acknowledged)
	assert.Zero(t, r.Lost)
	assert.Zero(t, r.Doubled)
	assert.Equal(t, 5, r.Followers)
	assert.Zero(t, r.Gaps)
}
