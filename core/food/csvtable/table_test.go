package csvtable_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"cuerda/core/food/csvtable"
)

func TestTablesThatShip(t *testing.T) {
	assert.Equal(t, [][]string{{"cut", "1,5"}, {"roast", "2"}}, csvtable.Rows("t", "# what\nname,n\ncut,\"1,5\"\n# more\nroast,2\n"))
	assert.Equal(t, 2.5, csvtable.Number("t", "2.5"))
	assert.Panics(t, func() { csvtable.Rows("t", "") }, "no heading")
	assert.Panics(t, func() { csvtable.Rows("t", "a,b\n1\n") }, "a row too short")
	assert.Panics(t, func() { csvtable.Number("t", "two") })
}
