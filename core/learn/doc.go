// Package learn answers: what do outcomes teach?
//
// The figures that no published table gives (how foods take up water and bind, how much each piece of evidence counts)
// are fitted to builds of known outcome; a kitchen's own tries then say how this kitchen differs: its oven, its packs,
// its hands, its mixes (sections 9 and 11 of docs/model.md). Package logbook is what cooks write down of a try,
// patties plans test patties, practice trains a cook's judgement, and simulated makes up kitchens whose truth is known,
// to hold all of it against.
//
// Begin with LearnKitchen, which learns from tries, and Learn, which fits the common figures.
package learn
