/** What the first view says of other screens and dialogs; the rest of these groups is fetched with them. */
export const beside = {
  compose: {
    title: "A mix from what is at hand",
  },
  cook: {
    joinNamed: "Join: {{name}}",
    join: "Join",
    cookIt: "Cook it",
    beginFailed: "It could not be begun.",
    update: "A newer version of Cuerda is ready.",
    updateNow: "Use it",
  },
  help: {
    title: "What does this mean?",
    open: "Help: what comes next, and what the words mean",
    next: "What to do next",
    away: "Got it",
    do: {
      bench:
        "Change an amount or add a food: the verdict follows at once. Tap a number to see where it comes from.",
      supper:
        "Add your dishes and say when you want to eat. Each gets its steps, and you see when to begin. Drag a step to move it.",
      cook: "Choose what to cook. You are then told one thing at a time; tap or press the space bar when it is done.",
      logbook:
        "After cooking, say in three taps how it came out. Open a try to see why it broke and what to change next.",
      pantry: "Tick what you have at home. It comes first when Cuerda looks for something that binds.",
      practice:
        "Begin ten questions. Say what a mix will do and how sure you are, then compare with what Cuerda says.",
      compose: "Say what has to go in and who eats. The mixes follow; open one on the Bench to change it.",
    },
  },
  signIn: {
    out: "Sign out",
  },
  kitchenMenu: {
    label: "Kitchen:",
    madeUp: "made up",
    guest: "You are a guest in this kitchen: look around and try things. What you change is not kept.",
    switch: "Other kitchens",
    make: "Make another kitchen",
    about: "This kitchen",
    settings: "Oven, pans and guidance",
    people: "People and devices",
    files: "Files",
    signedInAs: "Signed in as {{name}}",
    account: "Your account",
    fresh: "Make the club's kitchen fresh again",
    freshSure: "All that was changed in the club's kitchen goes, and it is as on the first day.",
  },
  people: {
    somebody: "somebody who left",
  },
  share: {
    open: "Share, or take into another kitchen",
  },
  emptyKitchen: {
    bench: "Nothing here yet. A recipe you know is the best beginning: Cuerda tells you whether it holds.",
    paste: "Paste a recipe",
    bowl: "Begin with an empty bowl",
    cook: "Here you are led through a cooking, step by step, with timers. It begins with a recipe or a supper.",
    logbook:
      "Here you see how each dish came out. From that Cuerda learns about your oven, your hands and your foods.",
    logbookDo: "Write down a dish I made",
    supper: "Here several dishes come to the table at one time, with the hands and the oven you have.",
    toBench: "To the Bench, to make a recipe",
  },
  logbook: {
    write: "Write a try down",
    writeShort: "Write down",
    outcome: {
      held: "held",
      "some-broke": "some broke",
      "fell-apart": "fell apart",
      unsaid: "not said",
    },
    of: "{{broke}} of {{of}} broke",
    pattiesOf_one: "{{count}} patty",
    pattiesOf_other: "{{count}} patties",
    last: "Last tries",
    lastNone: "Not cooked yet.",
    learnedNote_one: "Uses what {{count}} try of this kitchen taught",
    learnedNote_other: "Uses what {{count}} tries of this kitchen taught",
  },
  patties: {
    open: "Test patties",
  },
  reading: {
    words: "In the recipe’s words",
    line: "Add “{{text}}”",
    lineHint: "{{grams}} of {{food}}",
  },
  supper: {
    untitled: "Untitled supper",
    onDay: "{{hour}} on {{day}}",
  },
  handful: {
    label: "A squeezed handful",
    bare: "not squeezed yet: only what is in it",
    smooth: "a smooth paste",
    bits: {
      lump: "pieces of {{food}}",
      shred: "shreds of {{food}}",
      grain: "grains of {{food}}",
      leaf: "bits of {{food}}",
      flake: "flakes of {{food}}",
    },
    eye: {
      crumbs: "small bits lie around it in the hand",
      cracks: "lines run across it",
      edge: "one side of it is straight and rough",
      clean: "its outside is smooth and nothing is on the fingers",
      film: "the fingers are coated",
      strings: "threads reach from it to the hand",
      sheen: "it shines in the light",
      slump: "it is wider than it is tall",
    },
    sign: {
      crumbs: "crumbs that fall off",
      cracks: "dry cracks",
      edge: "it breaks off with a sharp edge",
      clean: "it keeps its shape, the palm stays clean",
      film: "a film left on the palm",
      strings: "strings that hang from it",
      sheen: "a sheen, finger marks that close again",
      slump: "it runs flat",
    },
  },
  scale: {
    title: "Scale and shop",
  },
  keys: {
    open: "Keys",
  },
  search: {
    label: "Search builds and foods",
  },
  why: {
    minutes: "How the minutes come about",
    open: "How this comes about: {{what}}",
  },
  paste: {
    name: "Pasted recipe",
  },
};
