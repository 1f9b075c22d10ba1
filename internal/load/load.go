// Package load makes databases of many households, to find out how much a server bears. All in them is made up, from a
// seed: the demonstration's builds with other amounts and other names. Package load/scale measures with them.
package load

import (
	"context"
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"time"

	"github.com/google/uuid"

	"cuerda/core/cooking"
	"cuerda/core/document"
	"cuerda/core/food"
	"cuerda/core/learn/logbook"
	"cuerda/core/physics/mix"
	"cuerda/internal/demo"
	"cuerda/internal/store"
)

// Size is how much a database is to hold.
type Size struct {
	// Households is how many kitchens there are.
	Households int
	// Versions, Tries and Readings are how many of each there are in all; each household has as many as the others, but for
	// the large ones.
	Versions, Tries, Readings int
	// Large are kitchens that have so many versions each, of the versions in all.
	Large []int
	// Seed is what everything is drawn from: the same seed makes the same rows.
	Seed uint64
}

// Usual is the size of a server with so many households, as docs/performance.md measures it: each with 100 versions of 10
// builds, 20 tries, and two cookings with 5 000 readings each. Where there are a hundred households or more, one of them has
// a fiftieth of all versions, and one a tenth of all.
func Usual(households int) Size {
	s := Size{Households: households, Versions: 100 * households, Tries: 20 * households, Readings: 10_000 * households, Seed: 1}
	if households >= 100 {
		s.Large = []int{s.Versions / 50, s.Versions / 10}
	}
	return s
}

// versionsOfABuild is how many versions each build has.
const versionsOfABuild = 10

// cookingsOfAHousehold is how many cookings each has that were measured.
const cookingsOfAHousehold = 2

// Kitchen is one that was made.
type Kitchen struct {
	ID     string
	Builds []string
}

// Fill fills an empty database, and gives the kitchens that it made, the large ones first. say is told how far it is.
func Fill(ctx context.Context, s *store.Store, size Size, say func(string)) ([]Kitchen, error) {
	if size.Households < 1 || len(size.Large) > size.Households {
		return nil, fmt.Errorf("so many households cannot be made: %d, %d of them large", size.Households, len(size.Large))
	}
	m, err := newMaker(size)
	if err != nil {
		return nil, err
	}
	err = s.Fill(ctx, func(b *store.Bulk) error {
		for _, step := range []struct {
			what string
			do   func(context.Context, *store.Bulk) error
		}{
			{fmt.Sprintf("%d kitchens", size.Households), m.kitchensInto},
			{fmt.Sprintf("%d foods at hand", len(demo.Pantry())*size.Households), m.pantriesInto},
			{fmt.Sprintf("%d builds with %d versions", m.builds, m.builds*versionsOfABuild), m.buildsInto},
			{fmt.Sprintf("%d tries", size.Tries), m.triesInto},
			{fmt.Sprintf("%d readings of %d cookings", size.Readings, m.cookings()), m.cookingsInto},
		} {
			began := time.Now()
			if err := step.do(ctx, b); err != nil {
				return fmt.Errorf("%s: %w", step.what, err)
			}
			say(fmt.Sprintf("%s in %.0f s", step.what, time.Since(began).Seconds()))
		}
		return nil
	})
	return m.kitchens, err
}

// maker draws the rows of a database.
type maker struct {
	size     Size
	kitchens []Kitchen
	builds   int
	models   []document.Document
	plan     *cooking.Plan
	now      time.Time
}

func newMaker(size Size) (*maker, error) {
	foods := food.Starter()
	builds, err := demo.Builds(foods)
	if err != nil {
		return nil, err
	}
	m := &maker{size: size, now: time.Now().UTC().Truncate(time.Minute)}
	for i := range builds {
		m.models = append(m.models, builds[i].Document)
	}
	if m.plan, err = demo.Plan(foods, m.now); err != nil {
		return nil, err
	}
	random := m.random(0)
	rest, small := size.Versions/versionsOfABuild, size.Households-len(size.Large)
	for _, n := range size.Large {
		rest -= n / versionsOfABuild
	}
	for i := range size.Households {
		k, builds := Kitchen{ID: drawID(random)}, 0
		if i < len(size.Large) {
			builds = size.Large[i] / versionsOfABuild
		} else { // what does not go up is of the first
			n := i - len(size.Large)
			builds = rest*(n+1)/small - rest*n/small
		}
		for range builds {
			k.Builds = append(k.Builds, drawID(random))
		}
		m.builds += len(k.Builds)
		m.kitchens = append(m.kitchens, k)
	}
	return m, nil
}

// random is where the draws of a table come from, by its number.
func (m *maker) random(table uint64) *rand.Rand { return rand.New(rand.NewPCG(m.size.Seed, table)) }

func drawID(random *rand.Rand) string {
	var id uuid.UUID
	for i := range id {
		id[i] = byte(random.Uint32())
	}
	id[6], id[8] = id[6]&0x0f|0x40, id[8]&0x3f|0x80 // version 4, RFC 9562
	return id.String()
}

var (
	kinds  = []string{"bean", "lentil", "chestnut", "turkey", "millet", "fennel", "mackerel", "mushroom", "leek", "parsnip", "quinoa", "walnut"}
	names  = []string{"regatta", "slipway", "marsh", "boathouse", "weir", "coxswain", "oar", "ebb", "harbour", "reed", "towpath", "mooring"}
	shapes = []string{"cakes", "balls", "loaf", "koftas", "patties", "stuffing"}
)

// history are the versions of a build, by its number: each with an amount other than the one before.
func (m *maker) history(number int) []document.Document {
	random := m.random(uint64(1000 + number))
	pick := func(from []string) string { return from[random.IntN(len(from))] }
	d := m.models[random.IntN(len(m.models))]
	d.Name = fmt.Sprintf("%s and %s %s, %s %d", pick(kinds), pick(kinds), pick(shapes), pick(names), number)
	d.Lines = append([]document.Line(nil), d.Lines...)
	for i := range d.Lines {
		d.Lines[i].Grams = math.Max(1, math.Round(d.Lines[i].Grams*(.7+.6*random.Float64())))
	}
	out := []document.Document{d}
	for len(out) < versionsOfABuild {
		d.Lines = append([]document.Line(nil), d.Lines...)
		d.Lines[random.IntN(len(d.Lines))].Grams += 1 + float64(random.IntN(20))
		out = append(out, d)
	}
	return out
}

func (m *maker) kitchensInto(ctx context.Context, b *store.Bulk) error {
	// What there is to learn of is learned by the queue.
	tries := min(m.size.Tries, 1)
	return b.Rows(ctx, "kitchen", []string{"id", "name", "tries_revision", "created_at"}, len(m.kitchens), func(i int) ([]any, error) {
		return []any{m.kitchens[i].ID, fmt.Sprintf("Household %d", i+1), int64(tries), m.now.AddDate(-1, 0, 0)}, nil
	})
}

// pantriesInto gives each household the foods that the demonstration has at hand, and for one of them a label of its own: so
// that every household has a catalogue of its own to be kept in memory.
func (m *maker) pantriesInto(ctx context.Context, b *store.Bulk) error {
	random, shelf := m.random(4), demo.Pantry()
	return b.Rows(ctx, "pantry_item", []string{"kitchen_id", "food", "have", "pack"}, len(shelf)*len(m.kitchens), func(i int) ([]any, error) {
		item := &shelf[i%len(shelf)]
		var pack *food.PackLabel
		if i%len(shelf) == i/len(shelf)%len(shelf) {
			pack = &food.PackLabel{Fat: 2 + math.Round(40*random.Float64())/10, Carb: 50, Fibre: 8, Protein: 12, Salt: 0.1}
		}
		return []any{m.kitchens[i/len(shelf)].ID, item.Food, true, pack}, nil
	})
}

func (m *maker) buildsInto(ctx context.Context, b *store.Bulk) error {
	type place struct{ kitchen, id string }
	places := make([]place, 0, m.builds)
	for _, k := range m.kitchens {
		for _, id := range k.Builds {
			places = append(places, place{k.ID, id})
		}
	}
	// Of kitchens, builds are changed in turn over most of a year.
	at := func(i int) time.Time { return m.now.Add(-time.Duration(i*7919%(300*24*60)) * time.Minute) }
	if err := b.Rows(ctx, "build", []string{"id", "kitchen_id", "name", "version", "foods", "created_at", "updated_at"}, len(places), func(i int) ([]any, error) {
		d := m.history(i)[0]
		return []any{places[i].id, places[i].kitchen, d.Name, versionsOfABuild, store.FoodsOf(&d), at(i).AddDate(0, -1, 0), at(i)}, nil
	}); err != nil {
		return err
	}
	var versions []document.Document
	return b.Rows(ctx, "build_version", []string{"build_id", "number", "document", "created_at"}, len(places)*versionsOfABuild, func(i int) ([]any, error) {
		n := i % versionsOfABuild
		if n == 0 {
			versions = m.history(i / versionsOfABuild)
		}
		text, err := json.Marshal(&versions[n])
		return []any{places[i/versionsOfABuild].id, n + 1, text, at(i/versionsOfABuild).AddDate(0, 0, n-versionsOfABuild)}, err
	})
}

func (m *maker) triesInto(ctx context.Context, b *store.Bulk) error {
	random := m.random(2)
	words := []mix.Word{mix.Crumbles, mix.Firm, mix.Firm, mix.Tacky, mix.Tacky, mix.Slumps}
	columns := []string{"id", "kitchen_id", "build_id", "version", "cooked_at", "document", "found", "name", "words", "foods", "outcome"}
	return b.Rows(ctx, "try", columns, m.size.Tries, func(i int) ([]any, error) {
		number := i % len(m.kitchens)
		k := &m.kitchens[number]
		var build *string
		var version *int
		if len(k.Builds) > 0 {
			build, version = &k.Builds[i/len(m.kitchens)%len(k.Builds)], new(int)
			*version = 1 + random.IntN(versionsOfABuild)
		}
		d := m.history(i)[0]
		found := logbook.Found{Squeeze: words[random.IntN(len(words))], Pieces: 8 + random.IntN(12), Note: "Made up."}
		found.Broke = &logbook.Broke{Turning: random.IntN(4) * random.IntN(3)}
		text, err := json.Marshal(&d)
		if err != nil {
			return nil, err
		}
		what, err := json.Marshal(&found)
		return []any{drawID(random), k.ID, build, version, m.now.AddDate(0, 0, -random.IntN(300)), text, what, d.Name, found.Note, store.FoodsOf(&d), string(found.Outcome())}, err
	})
}

// cookings is how many there are.
func (m *maker) cookings() int {
	if m.size.Readings == 0 {
		return 0
	}
	return cookingsOfAHousehold * len(m.kitchens)
}

// readingsAtOnce is how many are made by one statement.
const readingsAtOnce = 2_000_000

func (m *maker) cookingsInto(ctx context.Context, b *store.Bulk) error {
	random := m.random(3)
	ids := make([]string, m.cookings())
	if len(ids) == 0 {
		return nil
	}
	for i := range ids {
		ids[i] = drawID(random)
	}
	// Rows that lie in the order of their key are put into its index at one end.
	slices.Sort(ids)
	each := m.size.Readings / len(ids)
	if err := b.Rows(ctx, "course", []string{"id", "kitchen_id", "name", "table_at", "plan", "start_at", "began_at", "ended_at", "reading_seq", "created_at"}, len(ids), func(i int) ([]any, error) {
		start := m.now.AddDate(0, 0, -random.IntN(28)).Add(-3 * time.Hour)
		return []any{ids[i], m.kitchens[i%len(m.kitchens)].ID, m.plan.Name, m.plan.Table, m.plan, start, start, start.Add(2 * time.Hour), int64(each), start}, nil
	}); err != nil {
		return err
	}
	for part := range slices.Chunk(ids, max(1, readingsAtOnce/max(each, 1))) {
		if err := b.Readings(ctx, part, each); err != nil {
			return err
		}
	}
	return nil
}
