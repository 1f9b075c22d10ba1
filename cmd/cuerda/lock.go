package main

import (
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"syscall"
	"time"
)

// dataLock keeps two programs off one data folder; its file holds the address
// of the one that runs. The kernel lifts it when the program ends, however it
// ends.
type dataLock struct{ file *os.File }

// lockData locks the folder, making it where missing. Where another program
// holds it, the lock is nil and running is that program's address.
func lockData(dir string) (lock *dataLock, running string, err error) {
	if dir == "" {
		return nil, "", errors.New("say with --data or CUERDA_DATA where to keep the data")
	}
	if err := os.MkdirAll(dir, 0o755); err != nil {
		return nil, "", fmt.Errorf("data folder: %w (choose another with --data or CUERDA_DATA)", err)
	}
	f, err := os.OpenFile(filepath.Join(dir, "lock"), os.O_RDWR|os.O_CREATE, 0o644)
	if err != nil {
		return nil, "", fmt.Errorf("data folder: %w", err)
	}
	for range 20 {
		err = syscall.Flock(int(f.Fd()), syscall.LOCK_EX|syscall.LOCK_NB)
		if err == nil {
			return &dataLock{f}, "", f.Truncate(0)
		}
		text, _ := os.ReadFile(f.Name())
		if running = strings.TrimSpace(string(text)); running != "" {
			break
		}
		time.Sleep(250 * time.Millisecond) // the other one is still starting
	}
	_ = f.Close()
	if running == "" {
		return nil, "", fmt.Errorf("data folder %s is in use by another program: %w", dir, err)
	}
	return nil, running, nil
}

func (l *dataLock) announce(address string) { _, _ = l.file.WriteAt([]byte(address+"\n"), 0) }

func (l *dataLock) release() {
	_ = l.file.Truncate(0)
	_ = l.file.Close()
}
