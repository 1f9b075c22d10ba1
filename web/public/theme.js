/* global document, localStorage, matchMedia */
// Sets the theme before anything is drawn, so that no page flashes light before it is dark. ui/theme.ts goes on from here.
(() => {
  let kept = null;
  try {
    kept = localStorage.getItem("cuerda.theme");
  } catch {
    // Nothing is kept where the browser lets nothing be kept.
  }
  const dark = kept === "dark" || (kept !== "light" && matchMedia("(prefers-color-scheme: dark)").matches);
  document.documentElement.dataset.bsTheme = dark ? "dark" : "light";
})();
