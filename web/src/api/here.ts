/** The kitchen that the page is of, by its address; "" at the door. */
export const kitchenHere = /^\/k\/([^/]+)/.exec(location.pathname)?.[1] ?? "";

/** Where the pages of a kitchen are. */
export const pagesOf = (kitchen: string) => `/k/${kitchen}`;

/** Where the interface has what is of a kitchen. */
export const apiOf = (kitchen: string) => `/api/kitchens/${kitchen}`;

export const kitchenApi = apiOf(kitchenHere);

/** The key of something that the browser keeps of this kitchen alone. */
export const keyHere = (name: string) => `cuerda.${name}.${kitchenHere}`;

const lastKey = "cuerda.kitchen";

/** The kitchen that was open last in this browser. */
export const lastKitchen = () => localStorage.getItem(lastKey) ?? "";
export const keepLastKitchen = (id: string) =>
  id === "" ? localStorage.removeItem(lastKey) : localStorage.setItem(lastKey, id);
