package food

// Stuff is what a food is made of, as far as it makes mixes turn out alike: finer than
// groups where that tells (a cooked bean is not a lump of tofu), coarser where not.
type Stuff int8

// The stuffs. NoStuff is what has a figure of its own among those of a mix (egg, meat,
// starch, gels, fat, nuts, raw vegetables) or says little.
const (
	NoStuff Stuff = iota - 1
	Pulse
	RawPulse
	Soy
	LooseGrain
	FineGrain
	Mashed
	Crumb
	Flour
	PulseFlour
	Flaked
	Milk
	Stuffs int = iota - 1
)

// StuffNames names them, in order, for tables.
var StuffNames = [Stuffs]string{"pulse", "raw-pulse", "soy", "loose-grain", "fine-grain", "mash", "crumb", "flour", "pulse-flour", "flaked", "milk"}

// pasty is the share of pieces below which a cooked vegetable is a mash.
const pasty = .2

func (f *Food) stuff() Stuff {
	switch {
	case f.Is(SoyProduct):
		return Soy
	case f.Group == Legume && f.State == Raw:
		return RawPulse
	case f.Group == Legume:
		return Pulse
	case f.Is(SmallGrain):
		return FineGrain
	case f.Group == Grain:
		return LooseGrain
	case f.Group == Vegetable && f.State != Raw && f.Chunk < pasty:
		return Mashed
	case f.Group == GrainBinder && f.Sets:
		return Flour
	case f.Group == LegumeBinder:
		return PulseFlour
	case f.Group == GrainBinder, f.Group == Starch && !f.Sets:
		return Crumb
	case (f.Group == Meat || f.Group == Fish) && f.State != Raw:
		return Flaked
	case f.Group == Dairy:
		return Milk
	}
	return NoStuff
}
