import { useEffect, useState } from "react";

export const themes = ["auto", "light", "dark"] as const;
export type Theme = (typeof themes)[number];

const key = "cuerda.theme";
const dark = matchMedia("(prefers-color-scheme: dark)");

function stored(): Theme {
  const value = localStorage.getItem(key);
  return value === "light" || value === "dark" ? value : "auto";
}

function apply(theme: Theme) {
  const shown = theme === "auto" ? (dark.matches ? "dark" : "light") : theme;
  document.documentElement.dataset.bsTheme = shown;
}

export function useTheme() {
  const [theme, setTheme] = useState<Theme>(stored);
  useEffect(() => {
    apply(theme);
    localStorage.setItem(key, theme);
    const follow = () => apply(theme);
    dark.addEventListener("change", follow);
    return () => dark.removeEventListener("change", follow);
  }, [theme]);
  return [theme, setTheme] as const;
}

apply(stored());
