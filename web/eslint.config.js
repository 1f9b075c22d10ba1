import js from "@eslint/js";
import jsxA11y from "eslint-plugin-jsx-a11y";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

// What is drawn with what: a folder imports from the rows above its own, never from beside or below.
const rows = [
  ["api", "i18n"],
  ["outbox"],
  ["ui"],
  ["editing", "keys"],
  ["build", "kitchen"],
  ["heat", "parts", "files"],
  ["advice", "history", "plate", "reading", "scale", "search", "tries", "why"],
  ["bench", "pantry", "sheet", "supper", "cook", "logbook", "practice"],
];
const layers = rows.flatMap((row, n) =>
  row.map((folder) => ({
    files: [`src/${folder}/**`],
    rules: {
      "no-restricted-imports": [
        "error",
        {
          patterns: [
            {
              group: rows
                .slice(n)
                .flat()
                .filter((other) => other !== folder)
                .map((other) => `../${other}/*`),
              message: "A folder imports from the rows above its own only: see eslint.config.js.",
            },
          ],
        },
      ],
    },
  })),
);

export default tseslint.config(
  { ignores: ["dist", "scripts", "src/api/*.d.ts"] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  jsxA11y.flatConfigs.recommended,
  reactHooks.configs.flat.recommended,
  ...layers,
  { files: ["vite.config.ts", "eslint.config.js"], languageOptions: { globals: { process: "readonly" } } },
);
