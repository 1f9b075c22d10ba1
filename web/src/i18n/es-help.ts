import type { HelpWords } from "./en-help";

export const help: HelpWords = {
  again: "Mostrarlo otra vez en la pantalla",
  here: "Palabras de esta pantalla",
  elsewhere: "Palabras de las otras pantallas",
  word: {
    build: "Receta",
    squeeze: "Apretón",
    hold: "Agarre",
    in100: "De cada 100",
    ways: "Maneras",
    mend: "Arreglo",
    cord: "Cuerda",
    knot: "Nudo",
    pin: "Fijar",
    side: "Guarnición",
    box: "Caja",
    cooking: "Sesión de cocina",
    probe: "Sonda",
    instrument: "Simulado",
    try: "Intento",
    taught: "Lo que enseñó la cocina",
    patties: "Piezas de prueba",
    atHand: "En casa",
    binder: "Ligante",
    label: "Etiqueta por leer",
    call: "Respuesta",
    sure: "Seguridad",
  },
  means: {
    build:
      "Una mezcla con todo lo suyo: cantidades, forma, reposo, frío y calor. Cada cambio se guarda como una versión.",
    squeeze:
      "Cómo se siente un puñado de la mezcla al apretarlo: se deshace, se agrieta, está firme, pegajosa o blanda, o se cae.",
    hold: "Con cuánta fuerza se mantiene unida la mezcla, cruda y cocinada, frente a la que necesita esa pieza para no romperse.",
    in100: "Cuántas de 100 piezas así aguantarían: 82 de cada 100 quiere decir que se romperían unas 18.",
    ways: "Otras cosas que puedes hacer para que aguante: otro ligante, menos agua, un reposo. La primera es lo que haría quien cocina.",
    mend: "Qué añadir a cucharadas cuando la mezcla no se siente bien en la mano.",
    cord: "Los pasos de un plato en su orden, como nudos en una línea que acaba en la mesa.",
    knot: "Un paso de un plato, con la hora a la que empieza.",
    pin: "Un paso fijado se queda a la hora que le diste; los demás se mueven a su alrededor.",
    side: "Algo sencillo junto a los platos, como raíces asadas. Escribes sus pasos con tus palabras.",
    box: "Piezas apartadas para otro día, con el día hasta el que aguantan.",
    cooking: "Una vez que se cocina algo, de la primera cantidad a la mesa, en uno o más dispositivos.",
    probe:
      "Un termómetro que se queda dentro de la pieza. Con lo que dice, Cuerda calcula cuándo estará hecho el punto más frío.",
    instrument: "Hace de balanza o de sonda, para probar. Sus cifras son inventadas.",
    try: "Una vez que se cocinó una receta, con cómo salió.",
    taught:
      "Lo que tus intentos dicen de tu horno, tu sartén, tus alimentos y tus manos. Puedes dejar fuera lo que quieras.",
    patties:
      "Unas pocas piezas pequeñas que se fríen primero, para averiguar una cosa antes de cocinar el resto.",
    atHand: "Lo tienes ahora en casa.",
    binder:
      "Un alimento que hace que los demás se peguen, como el lino, la avena, la harina de garbanzo o las alubias machacadas.",
    label: "Solo el envase dice si este alimento sirve para quien come: busca en él los alérgenos.",
    call: "Lo que contestas a una pregunta de la práctica.",
    sure: "Se dice con cada respuesta. Con el tiempo ves si aciertas tanto como crees.",
  },
};
