package api

import (
	"fmt"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"

	"cuerda/core/food"
)

// However many kitchens are asked for, so many are kept; one that changes while it is looked up is not kept as it was.
func TestSoManyKitchensAreKept(t *testing.T) {
	k := newKitchens()
	for i := range 3 * mostKept {
		_, fresh, l := k.find(fmt.Sprint(i))
		assert.False(t, fresh)
		k.keep(l, &madeKitchen{looked: time.Now()})
		k.leave(l)
	}
	assert.Equal(t, mostKept, k.made.Len())
	assert.Empty(t, k.looking)
	last := fmt.Sprint(3*mostKept - 1)
	_, fresh, _ := k.find(last)
	assert.True(t, fresh)

	k.forget(last)
	_, fresh, l := k.find(last)
	assert.False(t, fresh)
	_, _, other := k.find("other")
	k.forget(last)
	k.keep(l, &madeKitchen{looked: time.Now()})
	k.keep(other, &madeKitchen{looked: time.Now()})
	k.leave(l)
	k.leave(other)
	_, fresh, _ = k.find(last)
	assert.False(t, fresh, "it changed meanwhile")
	_, fresh, _ = k.find("other")
	assert.True(t, fresh)

	foods := food.Starter()
	assert.Same(t, k.reader(foods), k.reader(foods), "one reader for all who share a catalogue")
}
