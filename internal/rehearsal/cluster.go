package rehearsal

import (
	"context"
	"crypto/rand"
	"encoding/json"
	"errors"
	"fmt"
	"net"
	"net/http"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"time"

	"github.com/jackc/pgx/v5"
)

// The three machines, by the names that deploy/cluster.env has for them.
var nodes = []string{"one", "two", "three"}

// cluster is three machines on this one, each with its own ports: what deploy/ says, rendered by deploy/render.sh.
type cluster struct {
	folder string // of everything that it writes
	deploy string // where render.sh is
	ports  map[string]int
	secret string
	run    map[string]*process
	owner  *syscall.Credential // of PostgreSQL and etcd, which do not run as root
	disks  bool                // each PostgreSQL has one of its own
}

// process is a program that runs until it is ended.
type process struct {
	cmd  *exec.Cmd
	gone chan struct{}
}

// Missing says which programs of Debian's packages are not here; none where the rehearsal can be held.
func Missing() (missing []string) {
	for program, of := range map[string]string{"patroni": "patroni", "etcd": "etcd-server", "haproxy": "haproxy"} {
		if _, err := exec.LookPath(program); err != nil {
			if _, err := os.Stat("/usr/sbin/" + program); err != nil {
				missing = append(missing, of)
			}
		}
	}
	return missing
}

func newCluster(folder, deploy string, disks bool) (*cluster, error) {
	c := &cluster{folder: folder, deploy: deploy, ports: map[string]int{}, secret: strings.ToLower(rand.Text()), run: map[string]*process{}, disks: disks}
	for _, what := range []string{"PROXY_DATABASE", "PROXY_KITCHENS"} {
		c.ports[what] = freePort()
	}
	for _, node := range nodes {
		for _, what := range []string{"POSTGRES", "PATRONI", "ETCD", "PEERS", "CUERDA"} {
			c.ports[strings.ToUpper(node)+"_"+what] = freePort()
		}
	}
	if os.Geteuid() == 0 {
		who, err := user.Lookup("postgres")
		if err != nil {
			return nil, err
		}
		uid, _ := strconv.Atoi(who.Uid)
		gid, _ := strconv.Atoi(who.Gid)
		c.owner = &syscall.Credential{Uid: uint32(uid), Gid: uint32(gid)}
	}
	for _, node := range nodes {
		if err := c.render(node); err != nil {
			c.down()
			return nil, err
		}
	}
	return c, nil
}

func freePort() int {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0
	}
	defer l.Close()
	return l.Addr().(*net.TCPAddr).Port
}

func (c *cluster) path(node string, parts ...string) string {
	return filepath.Join(append([]string{c.folder, node}, parts...)...)
}

// render writes a machine's files as deploy/ has them.
func (c *cluster) render(node string) error {
	programs, err := filepath.Glob("/usr/lib/postgresql/*/bin")
	if err != nil || len(programs) == 0 {
		return errors.New("PostgreSQL is not installed")
	}
	if err := os.MkdirAll(c.path(node, "disk"), 0o755); err != nil {
		return err
	}
	if c.disks {
		// A disk of its own, which can be filled without the machine's.
		if err := syscall.Mount("tmpfs", c.path(node, "disk"), "tmpfs", 0, "mode=0755,size="+diskSize); err != nil {
			return fmt.Errorf("a disk of its own: %w", err)
		}
	}
	lines := []string{"NODE=" + node, "ONE=127.0.0.1 TWO=127.0.0.1 THREE=127.0.0.1", "NETWORK=127.0.0.0/8", "HOSTS=localhost",
		"POSTGRES_PROGRAMS=" + programs[len(programs)-1], "POSTGRES_DATA=" + c.path(node, "disk", "postgres"), "ETCD_DATA=" + c.path(node, "etcd"),
		"POSTGRES_PASSWORD=" + c.secret, "COPIES_PASSWORD=" + c.secret, "CUERDA_PASSWORD=" + c.secret,
		fmt.Sprintf("PROXY_DATABASE=127.0.0.1:%d PROXY_KITCHENS=127.0.0.1:%d", c.ports["PROXY_DATABASE"], c.ports["PROXY_KITCHENS"])}
	for name, port := range c.ports {
		if !strings.HasPrefix(name, "PROXY") {
			lines = append(lines, fmt.Sprintf("%s=%d", name, port))
		}
	}
	env := c.path(node, "cluster.env")
	if err := os.WriteFile(env, []byte(strings.Join(lines, "\n")+"\n"), 0o600); err != nil {
		return err
	}
	if out, err := exec.Command(filepath.Join(c.deploy, "render.sh"), env, c.path(node, "files")).CombinedOutput(); err != nil {
		return fmt.Errorf("render.sh: %w: %s", err, out)
	}
	if c.owner != nil {
		return filepath.Walk(c.path(node), func(path string, _ os.FileInfo, err error) error {
			return errors.Join(err, os.Chown(path, int(c.owner.Uid), int(c.owner.Gid)))
		})
	}
	return nil
}

// start starts a program under a name, which its output goes by too.
func (c *cluster) start(name string, as *syscall.Credential, environment []string, program string, args ...string) error {
	log, err := os.OpenFile(filepath.Join(c.folder, name+".log"), os.O_CREATE|os.O_APPEND|os.O_WRONLY, 0o644)
	if err != nil {
		return err
	}
	defer log.Close()
	cmd := exec.Command(program, args...)
	cmd.Stdout, cmd.Stderr = log, log
	cmd.Env = append(os.Environ(), environment...)
	cmd.Dir = "/"
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: as, Setpgid: true, Pdeathsig: syscall.SIGTERM}
	if err := cmd.Start(); err != nil {
		return err
	}
	p := &process{cmd, make(chan struct{})}
	go func() { _ = cmd.Wait(); close(p.gone) }()
	c.run[name] = p
	return nil
}

// end ends a program with a signal, and waits until it is gone.
func (c *cluster) end(name string, signal syscall.Signal) {
	p := c.run[name]
	if p == nil {
		return
	}
	delete(c.run, name)
	_ = p.cmd.Process.Signal(signal)
	select {
	case <-p.gone:
	case <-time.After(20 * time.Second):
		_ = p.cmd.Process.Kill()
		<-p.gone
	}
}

func (c *cluster) startEtcd(node string) error {
	return c.start("etcd-"+node, c.owner, nil, "etcd", "--config-file", c.path(node, "files", "etcd.yml"))
}

func (c *cluster) startPatroni(node string) error {
	return c.start("patroni-"+node, c.owner, []string{"HOME=" + c.path(node)}, "patroni", c.path(node, "files", "patroni.yml"))
}

func (c *cluster) startProxy() error {
	program := "haproxy"
	if _, err := exec.LookPath(program); err != nil {
		program = "/usr/sbin/haproxy"
	}
	return c.start("haproxy", nil, nil, program, "-f", c.path("one", "files", "haproxy.cfg"), "-db")
}

// startCuerda starts a Cuerda with the settings of that machine.
func (c *cluster) startCuerda(node, binary string) error {
	text, err := os.ReadFile(c.path(node, "files", "cuerda.default"))
	if err != nil {
		return err
	}
	var environment []string
	for line := range strings.Lines(string(text)) {
		line = strings.TrimSpace(line)
		// The three are one machine here, where nobody signs in, and its metrics have one port.
		if line != "" && !strings.HasPrefix(line, "#") && !strings.HasPrefix(line, "CUERDA_METRICS") && !strings.HasPrefix(line, "CUERDA_TRUSTED_PROXIES") {
			environment = append(environment, line)
		}
	}
	return c.start("cuerda-"+node, nil, environment, binary, "start")
}

// healthy waits until a Cuerda answers.
func (c *cluster) healthy(ctx context.Context, node string) error {
	return eventually(ctx, time.Minute, "Cuerda "+node, func() bool {
		return answers(fmt.Sprintf("http://127.0.0.1:%d/api/ready", c.ports[strings.ToUpper(node)+"_CUERDA"]))
	})
}

func answers(url string) bool {
	client := http.Client{Timeout: time.Second}
	got, err := client.Get(url)
	if err != nil {
		return false
	}
	got.Body.Close()
	return got.StatusCode == http.StatusOK
}

func eventually(ctx context.Context, within time.Duration, what string, is func() bool) error {
	for deadline := time.Now().Add(within); !is(); {
		if time.Now().After(deadline) {
			return fmt.Errorf("%s: not within %s", what, within)
		}
		select {
		case <-ctx.Done():
			return ctx.Err()
		case <-time.After(100 * time.Millisecond):
		}
	}
	return nil
}

// member is what Patroni says of one.
type member struct {
	Name, Role, State string
	Lag               any
}

// members asks whichever Patroni answers who is there.
func (c *cluster) members() (all []member) {
	for _, node := range nodes {
		client := http.Client{Timeout: time.Second}
		got, err := client.Get(fmt.Sprintf("http://127.0.0.1:%d/cluster", c.ports[strings.ToUpper(node)+"_PATRONI"]))
		if err != nil {
			continue
		}
		var out struct{ Members []member }
		err = json.NewDecoder(got.Body).Decode(&out)
		got.Body.Close()
		if err == nil {
			return out.Members
		}
	}
	return nil
}

// primary is the node that takes changes; "" for none.
func (c *cluster) primary() string {
	for _, m := range c.members() {
		if m.Role == "leader" && m.State == "running" {
			return m.Name
		}
	}
	return ""
}

// whole says that there is a primary with two copies that follow it, one of which has all that is acknowledged.
func (c *cluster) whole() bool {
	running, synchronous := 0, 0
	for _, m := range c.members() {
		if m.State == "running" || m.State == "streaming" {
			running++
		}
		if m.Role == "sync_standby" {
			synchronous++
		}
	}
	return running == len(nodes) && synchronous >= 1 && c.primary() != ""
}

// admin connects to the primary as the superuser.
func (c *cluster) admin(ctx context.Context, database string) (*pgx.Conn, error) {
	return pgx.Connect(ctx, fmt.Sprintf("postgres://postgres:%s@127.0.0.1:%d/%s?sslmode=disable&connect_timeout=5", c.secret, c.ports["PROXY_DATABASE"], database))
}

// up starts etcd, PostgreSQL and HAProxy, and makes Cuerda's database, as docs/cluster.md says.
func (c *cluster) up(ctx context.Context) error {
	for _, node := range nodes {
		if err := c.startEtcd(node); err != nil {
			return err
		}
	}
	for _, node := range nodes {
		if err := c.startPatroni(node); err != nil {
			return err
		}
	}
	if err := c.startProxy(); err != nil {
		return err
	}
	if err := eventually(ctx, 3*time.Minute, "three PostgreSQLs", c.whole); err != nil {
		return err
	}
	var conn *pgx.Conn
	err := eventually(ctx, 30*time.Second, "the way to the primary", func() bool {
		var err error
		conn, err = c.admin(ctx, "postgres")
		return err == nil
	})
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	for _, statement := range []string{`create role cuerda_app nologin`, fmt.Sprintf(`create role cuerda login password '%s'`, c.secret), `grant cuerda_app to cuerda`, `create database cuerda owner cuerda`} {
		if _, err := conn.Exec(ctx, statement); err != nil {
			return fmt.Errorf("%s: %w", statement, err)
		}
	}
	return nil
}

// down ends everything.
func (c *cluster) down() {
	for _, kind := range []string{"cuerda-", "haproxy", "patroni-", "etcd-"} {
		for name := range c.run {
			if strings.HasPrefix(name, kind) {
				c.end(name, syscall.SIGTERM)
			}
		}
	}
	for _, node := range nodes {
		if pid := c.postmaster(node); pid > 0 {
			_ = syscall.Kill(pid, syscall.SIGQUIT)
		}
		if c.disks {
			_ = syscall.Unmount(c.path(node, "disk"), syscall.MNT_DETACH)
		}
	}
}

// postmaster is the first process of a node's PostgreSQL; 0 where none runs.
func (c *cluster) postmaster(node string) int {
	text, err := os.ReadFile(c.path(node, "disk", "postgres", "postmaster.pid"))
	if err != nil {
		return 0
	}
	first, _, _ := strings.Cut(string(text), "\n")
	pid, _ := strconv.Atoi(strings.TrimSpace(first))
	command, err := os.ReadFile(fmt.Sprintf("/proc/%d/cmdline", pid))
	if err != nil || !strings.Contains(string(command), c.path(node, "disk", "postgres")) {
		return 0
	}
	return pid
}

// everyone are the processes of a node's PostgreSQL, the first of them first.
func (c *cluster) everyone(node string) (all []int) {
	first := c.postmaster(node)
	if first == 0 {
		return nil
	}
	children, _ := os.ReadFile(fmt.Sprintf("/proc/%d/task/%d/children", first, first))
	all = []int{first}
	for f := range strings.FieldsSeq(string(children)) {
		if pid, err := strconv.Atoi(f); err == nil {
			all = append(all, pid)
		}
	}
	return all
}

// killPostgres kills a node's PostgreSQL and its Patroni, as where the machine loses its power.
func (c *cluster) killPostgres(node string) {
	all := c.everyone(node)
	c.end("patroni-"+node, syscall.SIGKILL)
	for _, pid := range all {
		_ = syscall.Kill(pid, syscall.SIGKILL)
	}
}

// diskSize is that of a node's own disk: all that a rehearsal writes takes a third of it.
const diskSize = "2g"

// fill takes what room there is on a node's own disk, until give is called.
func (c *cluster) fill(node string) (give func() error, err error) {
	name := c.path(node, "disk", "full")
	f, err := os.Create(name)
	if err != nil {
		return nil, err
	}
	defer f.Close()
	block := make([]byte, 1<<20)
	for size := len(block); size >= 4096; {
		if _, err := f.Write(block[:size]); errors.Is(err, syscall.ENOSPC) {
			size /= 2
		} else if err != nil {
			return nil, err
		}
	}
	return func() error { return os.Remove(name) }, nil
}

// synchronous is the copy that has all that is acknowledged; "" for none.
func (c *cluster) synchronous() string {
	for _, m := range c.members() {
		if m.Role == "sync_standby" {
			return m.Name
		}
	}
	return ""
}

// freeze stops all of a node's PostgreSQL, or has it go on: to the others it is cut off.
func (c *cluster) freeze(node string, signal syscall.Signal) {
	for _, pid := range c.everyone(node) {
		_ = syscall.Kill(pid, signal)
	}
	if p := c.run["patroni-"+node]; p != nil {
		_ = p.cmd.Process.Signal(signal)
	}
}
