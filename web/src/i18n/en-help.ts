/** What to do next on each screen, and what the words of ours mean. */
export const help = {
  again: "Show this on the screen again",
  here: "Words on this screen",
  elsewhere: "Words on the other screens",
  word: {
    build: "Build",
    squeeze: "Squeeze",
    hold: "Hold",
    in100: "In 100",
    ways: "Ways",
    mend: "Mend",
    cord: "Cord",
    knot: "Knot",
    pin: "Pin",
    side: "Side",
    box: "Box",
    cooking: "Cooking",
    probe: "Probe",
    instrument: "Simulated",
    try: "Try",
    taught: "What the kitchen taught",
    patties: "Test patties",
    atHand: "At hand",
    binder: "Binder",
    label: "Label to read",
    call: "Call",
    sure: "How sure",
  },
  means: {
    build:
      "A mix with all that belongs to it: amounts, shape, rest, chill and heat. Every change of it is kept as a version.",
    squeeze:
      "How a handful of the mix feels when you press it: it crumbles, cracks at the edges, is firm, tacky or soft, or slumps.",
    hold: "How strongly the mix holds together, raw and cooked, compared with what such a piece needs so that it does not break.",
    in100: "How many of 100 such pieces would hold: 82 in 100 means that about 18 would break.",
    ways: "Other things you could do so that the mix holds: another binder, less water, a rest. The first is what a cook would do.",
    mend: "What to add by the spoon when a mix feels wrong in your hand.",
    cord: "The steps of one dish in their order, as knots on a line that ends at the table.",
    knot: "One step of a dish, with the time when it begins.",
    pin: "A pinned step stays at the time that you gave it; the other steps move around it.",
    side: "Something simple beside the dishes, such as roast roots. You write its steps in your own words.",
    box: "Pieces set aside for a later day, with the day until which they keep.",
    cooking: "One time that something is cooked, from the first amount to the table, on one or more devices.",
    probe:
      "A thermometer that stays in the piece. From what it says Cuerda forecasts when the coldest place is done.",
    instrument: "A stand-in for a real scale or probe, to try things out. Its figures are made up.",
    try: "One time that a build was cooked, with how it came out.",
    taught:
      "What your tries show about your oven, your pan, your foods and your hands. You can leave any of it out.",
    patties: "A few small pieces fried first, to find out one thing before the rest is cooked.",
    atHand: "You have it at home now.",
    binder:
      "A food that makes the others stick together, such as flax, oats, chickpea flour or mashed beans.",
    label: "Only the pack can say whether this food suits who eats: look for the allergens on it.",
    call: "Your answer to one question of the practice.",
    sure: "Said with every answer. Over time you see whether you are right as often as you think.",
  },
};

type Words<T> = { [K in keyof T]: T[K] extends string ? string : Words<T[K]> };
export type HelpWords = Words<typeof help>;
