package live

import (
	"cmp"
	"slices"

	"cuerda/core/cooking"
	"cuerda/core/cooking/probe"
)

// bucketMillis is how far apart the readings are that a forecast goes by: of each place of a dish the first in every so
// many milliseconds of the clock. Which they are does not depend on the order in which they came.
const bucketMillis = 5000

// readings are those of a course that a forecast goes by, and the last of all.
type readings struct {
	sorted []cooking.Reading
	first  map[bucket]cooking.Reading
	newest map[place]cooking.Reading
}

type place struct {
	dish  int
	where probe.Where
}

type bucket struct {
	place
	number int64
}

// added says what became of a reading among the others.
type added int

const (
	ignored  added = iota // another one stands for it
	appended              // it goes on from the last
	inserted              // it belongs before the last, or instead of another
)

func earlier(a, b cooking.Reading) int {
	return cmp.Or(a.At.Compare(b.At), cmp.Compare(a.Source, b.Source), cmp.Compare(a.Where, b.Where), cmp.Compare(a.Dish, b.Dish))
}

func (all *readings) add(r cooking.Reading) added {
	if all.first == nil {
		all.first, all.newest = map[bucket]cooking.Reading{}, map[place]cooking.Reading{}
	}
	at := place{r.Dish, r.Where}
	if last, known := all.newest[at]; !known || r.At.After(last.At) || r.At.Equal(last.At) && r.Source < last.Source {
		all.newest[at] = r
	}
	in := bucket{at, r.At.UnixMilli() / bucketMillis}
	was, taken := all.first[in]
	if taken && earlier(was, r) <= 0 {
		return ignored
	}
	all.first[in] = r
	if taken {
		i, _ := slices.BinarySearchFunc(all.sorted, was, earlier)
		all.sorted = slices.Delete(all.sorted, i, i+1)
	}
	i, _ := slices.BinarySearchFunc(all.sorted, r, earlier)
	all.sorted = slices.Insert(all.sorted, i, r)
	if taken || i < len(all.sorted)-1 {
		return inserted
	}
	return appended
}

// stands says whether a forecast goes by that reading.
func (all *readings) stands(r *cooking.Reading) bool {
	return all.first[bucket{place{r.Dish, r.Where}, r.At.UnixMilli() / bucketMillis}] == *r
}
