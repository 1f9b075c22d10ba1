package main

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"slices"
	"strings"
	"sync"
	"sync/atomic"
	"time"

	"cuerda/internal/load"
)

// following is what is measured of cookings that are followed.
type following struct {
	Cookings, Followers int
	Told                time.Duration // from a reading that is sent until a follower is told, 95 of 100
	Forecast            time.Duration // from the reading that asks for one until followers are told, 95 of 100
	Refused             int64         // readings that were not taken
	MemoryMB            float64
}

// heated are builds of which cookings are: two that are soon worked out, and a loaf, which takes long.
var heated = []string{
	`{"format":"cuerda-build/1","name":"Balls","lines":[{"food":"turkey-ground","grams":520},{"food":"millet-flakes","grams":45},{"food":"salt","grams":7}],"rest":{"minutes":1},"piece":{"kind":"ball","diameter_mm":38},"cook":{"method":"still-oven","celsius":200}}`,
	`{"format":"cuerda-build/1","name":"Cakes","lines":[{"food":"split-peas-cooked","grams":480},{"food":"chickpea-flour","grams":60},{"food":"salt","grams":6}],"rest":{"minutes":1},"piece":{"kind":"patty","diameter_mm":80,"thickness_mm":18},"cook":{"method":"still-oven","celsius":190}}`,
	`{"format":"cuerda-build/1","name":"Loaf","lines":[{"food":"chestnuts-cooked","grams":700},{"food":"buckwheat-flour","grams":110},{"food":"mushroom","grams":250},{"food":"salt","grams":9}],"rest":{"minutes":1},"piece":{"kind":"loaf","length_mm":210,"width_mm":110,"height_mm":45},"cook":{"method":"still-oven","celsius":180}}`,
}

// cooking is one that is on the heat.
type cookingNow struct{ kitchen, id, token string }

// begin has a kitchen's pieces on the heat.
func begin(ctx context.Context, p *program, kitchen, build string) (c cookingNow, err error) {
	text, _, err := p.do(ctx, "POST", kitchen, "/builds", build)
	if err != nil {
		return c, err
	}
	var kept struct{ ID string }
	if err := json.Unmarshal(text, &kept); err != nil {
		return c, err
	}
	if text, _, err = p.do(ctx, "POST", kitchen, "/courses", fmt.Sprintf(`{"build":%q}`, kept.ID)); err != nil {
		return c, err
	}
	var begun struct {
		ID, Token string
		Dishes    []struct{ Steps []struct{ Code string } }
	}
	if err := json.Unmarshal(text, &begun); err != nil {
		return c, err
	}
	step := slices.IndexFunc(begun.Dishes[0].Steps, func(s struct{ Code string }) bool { return s.Code == "cook" })
	_, _, err = p.do(ctx, "POST", kitchen, "/courses/"+begun.ID+"/events", fmt.Sprintf(`{"events":[{"id":"in","kind":"begun","dish":0,"step":%d}]}`, step))
	return cookingNow{kitchen, begun.ID, begun.Token}, err
}

// told gathers what followers were told.
type told struct {
	mu        sync.Mutex
	readings  []time.Duration
	forecasts []time.Duration
}

// follow follows a cooking until ctx ends. One of a cooking's followers looks at its forecasts: the others would only take
// the time of the cores that are measured.
func (t *told) follow(ctx context.Context, p *program, c cookingNow, looks bool, ready func()) error {
	r, err := http.NewRequestWithContext(ctx, "GET", p.url+"/api/kitchens/"+c.kitchen+"/courses/"+c.id+"/stream", nil)
	if err != nil {
		return err
	}
	got, err := p.client.Do(r)
	ready()
	if err != nil {
		return err
	}
	defer got.Body.Close()
	if got.StatusCode != http.StatusOK {
		return fmt.Errorf("following: %s", got.Status)
	}
	lines := bufio.NewReaderSize(got.Body, 64<<10)
	event := ""
	var reading, curve time.Time
	for {
		line, err := lines.ReadString('\n')
		if err != nil {
			return nil //nolint:nilerr // it ends with ctx
		}
		if name, ok := strings.CutPrefix(line, "event: "); ok {
			event = strings.TrimSpace(name)
			continue
		}
		data, ok := strings.CutPrefix(line, "data: ")
		if !ok {
			continue
		}
		now := time.Now()
		switch event {
		case "readings":
			var news struct{ Readings []struct{ At time.Time } }
			if json.Unmarshal([]byte(data), &news) != nil || len(news.Readings) == 0 || !news.Readings[0].At.After(reading) {
				continue
			}
			reading = news.Readings[0].At
			t.add(&t.readings, now.Sub(reading))
		case "course":
			if !looks || !strings.Contains(data, `"curve":[{`) {
				continue
			}
			// A reading asks for a forecast every quarter of a minute: what is more than that since the last was waited for.
			if at := forecastOf(data); at.After(curve) {
				if !curve.IsZero() {
					t.add(&t.forecasts, max(0, now.Sub(curve)-forecastsEvery))
				}
				curve = at
			}
		}
	}
}

// forecastsEvery is how far apart forecasts are where nobody has to wait: countEvery of package live.
const forecastsEvery = 15 * time.Second

// forecastOf is the moment that the forecast of the first dish on the heat is of.
func forecastOf(data string) (at time.Time) {
	var course struct {
		Dishes []struct {
			Heat *struct {
				Curve []struct{ At time.Time }
			}
		}
	}
	if json.Unmarshal([]byte(data), &course) != nil {
		return at
	}
	for _, d := range course.Dishes {
		if d.Heat != nil && len(d.Heat.Curve) > 0 {
			return d.Heat.Curve[0].At
		}
	}
	return at
}

func (t *told) add(to *[]time.Duration, d time.Duration) {
	t.mu.Lock()
	defer t.mu.Unlock()
	*to = append(*to, d)
}

// cook has so many cookings go on for so long, each with a probe that tells each second, and followers.
func cook(ctx context.Context, p *program, kitchens []load.Kitchen, cookings, followers int, seconds int) (*following, error) {
	var all []cookingNow
	for i := range cookings {
		c, err := begin(ctx, p, kitchens[i%len(kitchens)].ID, heated[i%len(heated)])
		if err != nil {
			return nil, err
		}
		all = append(all, c)
	}
	var t told
	var refused atomic.Int64
	var watching, ready sync.WaitGroup
	within, stop := context.WithCancel(ctx)
	defer stop()
	failed := make(chan error, followers)
	for f := range followers {
		ready.Add(1)
		watching.Go(func() {
			if err := t.follow(within, p, all[f%len(all)], f < len(all), sync.OnceFunc(ready.Done)); err != nil && within.Err() == nil {
				failed <- err
			}
		})
		if f%50 == 49 {
			time.Sleep(20 * time.Millisecond) // browsers do not come all in one moment
		}
	}
	ready.Wait()
	var sending sync.WaitGroup
	for i, c := range all {
		sending.Go(func() {
			time.Sleep(time.Duration(i) * time.Second / time.Duration(len(all)))
			for n := range seconds {
				began := time.Now()
				body := fmt.Sprintf(`[{"bn":"urn:dev:probe:","bt":%.3f,"n":"core","u":"Cel","v":%g}]`, float64(began.UnixMilli())/1000, 8+50*float64(n)/float64(seconds))
				r, err := http.NewRequestWithContext(ctx, "POST", p.url+"/api/readings", strings.NewReader(body))
				if err != nil {
					return
				}
				r.Header.Set("Authorization", "Bearer "+c.token)
				r.Header.Set("Content-Type", "application/senml+json")
				got, err := p.client.Do(r)
				if err != nil || got.StatusCode != http.StatusOK {
					refused.Add(1)
				}
				if err == nil {
					got.Body.Close()
				}
				time.Sleep(time.Until(began.Add(time.Second)))
			}
		})
	}
	sending.Wait()
	memory, err := p.memory()
	stop()
	watching.Wait()
	select {
	case err := <-failed:
		return nil, err
	default:
	}
	return &following{cookings, followers, percentile(t.readings, 95), percentile(t.forecasts, 95), refused.Load(), memory}, err
}
