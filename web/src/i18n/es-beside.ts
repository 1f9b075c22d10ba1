import type { beside as english } from "./en-beside";

/** What the first view says of other screens and dialogs; the rest of these groups is fetched with them. */
export const beside: typeof english = {
  compose: {
    title: "Una mezcla con lo que hay",
  },
  cook: {
    joinNamed: "Unirse: {{name}}",
    join: "Unirse",
    cookIt: "Cocinar",
    beginFailed: "No se pudo empezar.",
    update: "Hay una versión más nueva de Cuerda.",
    updateNow: "Usarla",
  },
  help: {
    title: "¿Qué significa esto?",
    open: "Ayuda: qué viene ahora y qué significan las palabras",
    next: "Qué hacer ahora",
    away: "Entendido",
    do: {
      bench:
        "Cambia una cantidad o añade un alimento: el veredicto cambia al instante. Toca un número para ver de dónde sale.",
      supper:
        "Añade tus platos y di a qué hora se come. Cada uno recibe sus pasos, y ves cuándo empezar. Arrastra un paso para moverlo.",
      cook: "Elige qué cocinar. Después se te dice una cosa cada vez; toca o pulsa la barra espaciadora cuando esté hecha.",
      logbook:
        "Después de cocinar, di en tres toques cómo salió. Abre un intento para ver por qué se rompió y qué cambiar.",
      pantry: "Marca lo que tienes en casa. Va primero cuando Cuerda busca algo que ligue.",
      practice:
        "Empieza diez preguntas. Di qué hará una mezcla y con qué seguridad, y compáralo con lo que dice Cuerda.",
      compose:
        "Di qué tiene que llevar y quién come. Las mezclas aparecen; abre una en el Taller para cambiarla.",
    },
  },
  signIn: {
    out: "Salir",
  },
  kitchenMenu: {
    label: "Cocina:",
    madeUp: "inventada",
    guest: "Estás de visita en esta cocina: mira y prueba. Lo que cambies no se guarda.",
    switch: "Otras cocinas",
    make: "Crear otra cocina",
    about: "Esta cocina",
    settings: "Horno, sartenes y normas",
    people: "Personas y dispositivos",
    files: "Archivos",
    signedInAs: "Has entrado como {{name}}",
    account: "Tu cuenta",
    fresh: "Dejar la cocina del club como nueva",
    freshSure: "Se pierde todo lo que se cambió en la cocina del club, y queda como el primer día.",
  },
  people: {
    somebody: "alguien que se fue",
  },
  share: {
    open: "Compartir, o llevar a otra cocina",
  },
  emptyKitchen: {
    bench: "Aún no hay nada. Lo mejor es empezar con una receta que conozcas: Cuerda te dice si aguanta.",
    paste: "Pegar una receta",
    bowl: "Empezar con un bol vacío",
    cook: "Aquí se cocina paso a paso, con avisos. Se empieza con una receta o una cena.",
    logbook: "Aquí consta cómo salió cada plato. Con eso Cuerda aprende tu horno, tus manos y tus alimentos.",
    logbookDo: "Apuntar un plato que hice",
    supper: "Aquí varios platos llegan a la mesa a la vez, con las manos y el horno que tienes.",
    toBench: "Al Taller, a hacer una receta",
  },
  logbook: {
    write: "Anotar un intento",
    writeShort: "Anotar",
    outcome: {
      held: "aguantó",
      "some-broke": "se rompió alguna",
      "fell-apart": "se deshizo",
      unsaid: "sin decir",
    },
    of: "{{broke}} de {{of}} rotas",
    pattiesOf_one: "{{count}} de prueba",
    pattiesOf_other: "{{count}} de prueba",
    last: "Últimos intentos",
    lastNone: "Aún no se ha cocinado.",
    learnedNote_one: "Usa lo que enseñó {{count}} intento de esta cocina",
    learnedNote_other: "Usa lo que enseñaron {{count}} intentos de esta cocina",
  },
  patties: {
    open: "Piezas de prueba",
  },
  reading: {
    words: "Con las palabras de la receta",
    line: "Añadir «{{text}}»",
    lineHint: "{{grams}} de {{food}}",
  },
  supper: {
    untitled: "Cena sin nombre",
    onDay: "{{hour}} del {{day}}",
  },
  handful: {
    label: "Un puñado apretado",
    bare: "aún sin apretar: solo lo que lleva",
    smooth: "una pasta lisa",
    bits: {
      lump: "trozos de {{food}}",
      shred: "hebras de {{food}}",
      grain: "granos de {{food}}",
      leaf: "trocitos de {{food}}",
      flake: "copos de {{food}}",
    },
    eye: {
      crumbs: "alrededor, en la mano, hay trocitos sueltos",
      cracks: "la cruzan unas líneas",
      edge: "un lado es recto y áspero",
      clean: "por fuera es lisa y no queda nada en los dedos",
      film: "los dedos quedan untados",
      strings: "van hilos de ella a la mano",
      sheen: "brilla a la luz",
      slump: "es más ancha que alta",
    },
    sign: {
      crumbs: "migas que se caen",
      cracks: "grietas secas",
      edge: "se parte en seco, con canto",
      clean: "guarda la forma y la palma queda limpia",
      film: "una película en la palma",
      strings: "hilos que cuelgan",
      sheen: "brilla, y las huellas de los dedos se cierran",
      slump: "se extiende plano",
    },
  },
  scale: {
    title: "Escalar y comprar",
  },
  keys: {
    open: "Teclas",
  },
  search: {
    label: "Buscar recetas y alimentos",
  },
  why: {
    minutes: "De dónde salen los minutos",
    open: "De dónde sale: {{what}}",
  },
  paste: {
    name: "Receta pegada",
  },
};
