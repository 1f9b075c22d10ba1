package eating

import "cuerda/core/physics/mix"

// Assess works out what the parts of a mix do after a rest, for pieces with that duty that the cold has firmed so far (0..1): how
// they hold, and how good they are to eat, 0..1; 0 where nothing in the mix drinks.
func Assess(parts []mix.Part, rest mix.Rest, duty *mix.Duty, coldness float64) (effect mix.Effect, judged mix.Judged, eat float64) {
	effect = mix.Sum(parts, rest)
	judged = effect.Judge(duty, coldness)
	if effect.HasPaste() {
		e := Of(parts, &effect, duty, judged.Felt, judged.Raw, judged.Cooked)
		eat = Judges().Weigh(&e, judged.Eat)
	}
	return effect, judged, eat
}
