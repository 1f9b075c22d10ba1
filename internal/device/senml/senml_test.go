package senml_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	_ "cuerda/core/lawtest"
	"cuerda/internal/device/senml"
)

// The examples of RFC 8428, sections 5.1.1 to 5.1.3, as far as they hold numbers.
func TestTheExamplesOfTheStandard(t *testing.T) {
	got, without, err := senml.Read([]byte(`[{"n":"urn:dev:ow:10e2073a01080063","u":"Cel","v":23.1}]`))
	require.NoError(t, err)
	assert.Zero(t, without)
	assert.Equal(t, []senml.Record{{Name: "urn:dev:ow:10e2073a01080063", Unit: "Cel", Value: 23.1}}, got)

	got, _, err = senml.Read([]byte(`[{"bn":"urn:dev:ow:10e2073a0108006:","bt":1.276020076001e+09,"bu":"A","bver":5,"n":"voltage","u":"V","v":120.1},
		{"n":"current","t":-5,"v":1.2},{"n":"current","t":-4,"v":1.3},{"n":"current","v":1.7}]`))
	require.NoError(t, err)
	require.Len(t, got, 4)
	assert.Equal(t, "urn:dev:ow:10e2073a0108006:voltage", got[0].Name)
	assert.Equal(t, "V", got[0].Unit)
	assert.Equal(t, "A", got[1].Unit)
	assert.Equal(t, time.Unix(1276020071, 0).UTC(), got[1].At.Truncate(time.Second))
	assert.Equal(t, 1.7, got[3].Value)
}

func TestWhatIsNoPackIsRefused(t *testing.T) {
	for _, text := range []string{
		``, `{}`, `[]`, `[1]`, `null`, `[{"n":"a","u":"Cel","v":"hot"}]`, `[{"n":"a b","v":1}]`, `[{"v":1}]`, `[{"n":"-a","v":1}]`,
		`[{"n":"a","v":1,"pay_":2}]`, `[{"bver":11,"n":"a","v":1}]`, `[{"n":"a","v":1}] [`, `[{"n":"a","v":1,"t":1e300}]`,
	} {
		_, _, err := senml.Read([]byte(text))
		assert.ErrorIs(t, err, senml.ErrMalformed, text)
	}
	got, without, err := senml.Read([]byte(`[{"bn":"urn:x:"},{"n":"on","vb":true},{"n":"core","u":"Cel","v":60}]`))
	require.NoError(t, err)
	assert.Len(t, got, 1)
	assert.Equal(t, 1, without, "a truth is no measurement here")
}

func TestWhatIsWrittenIsReadBack(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		var all []senml.Record
		for range rapid.IntRange(1, 8).Draw(t, "records") {
			r := senml.Record{Name: rapid.SampledFrom([]string{"core", "dish-2/oven", "urn:dev:scale"}).Draw(t, "name"), Unit: "Cel", Value: rapid.Float64Range(-50, 400).Draw(t, "value")}
			if rapid.Bool().Draw(t, "absolute") {
				r.Absolute, r.At = true, time.UnixMilli(rapid.Int64Range(1.7e12, 1.9e12).Draw(t, "at")).UTC()
			} else {
				r.Offset = float64(rapid.IntRange(-3600, 0).Draw(t, "offset"))
			}
			all = append(all, r)
		}
		text, err := senml.Write(all)
		require.NoError(t, err)
		got, without, err := senml.Read(text)
		require.NoError(t, err)
		assert.Zero(t, without)
		require.Len(t, got, len(all))
		for i := range got {
			assert.WithinDuration(t, all[i].At, got[i].At, time.Millisecond)
			got[i].At = all[i].At
		}
		assert.Equal(t, all, got)
	})
}

func FuzzRead(f *testing.F) {
	f.Add([]byte(`[{"bn":"a:","bt":1.7e9,"n":"core","u":"Cel","v":61.2}]`))
	f.Fuzz(func(t *testing.T, data []byte) {
		got, _, err := senml.Read(data)
		if err == nil {
			assert.LessOrEqual(t, len(got), senml.MostRecords)
		}
	})
}
