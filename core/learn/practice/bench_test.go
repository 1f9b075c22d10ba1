package practice

import (
	"fmt"
	"testing"

	"cuerda/core/kitchen"
)

// One drill of each kind by a skill that shows it, and a sitting of ten.
func BenchmarkMake(b *testing.B) {
	k := kitchen.Usual()
	shows := map[Kind]Skill{Squeeze: RawWater, Mend: RawWater, Why: RawWater, Binder: Roots, Done: Lag, Amiss: RawWater, Pair: Roots}
	for _, kind := range Kinds {
		b.Run(fmt.Sprint(kind), func(b *testing.B) {
			seed := uint64(0)
			for b.Loop() {
				seed++
				Make(kind, shows[kind], seed, k)
			}
		})
	}
}

func BenchmarkSit(b *testing.B) {
	k := kitchen.Usual()
	seed := uint64(0)
	for b.Loop() {
		seed++
		Sit(seed, Wish{}, nil, nil, evening, k)
	}
}

// What an eye is of a year's calls.
func BenchmarkEyeOf2000Calls(b *testing.B) {
	calls := make([]Call, 2000)
	for i := range calls {
		calls[i] = Call{Kind: Squeeze, Skill: Skills[i%len(Skills)], At: evening.AddDate(0, 0, i/10), Off: float64(i%7-3) / 4, Sure: .7, Right: i%3 > 0, Wet: i%2 == 0}
	}
	for b.Loop() {
		EyeOf(calls, evening)
	}
}
