// Writes the types of the interface from its description: what is of a kitchen, by its path within the kitchen, and what
// is beside kitchens. A page works in one kitchen, so it never has to name it.
import { readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import openapiTS, { astToString } from "openapi-typescript";

const here = (path) => fileURLToPath(new URL(path, import.meta.url));
const [description = here("../../docs/formats/openapi.json"), folder = here("../src/api")] =
  process.argv.slice(2);
const whole = JSON.parse(await readFile(description, "utf8"));
const prefix = "/api/kitchens/{kitchen}";
const within = {};
const beside = {};
for (const [path, operations] of Object.entries(whole.paths)) {
  if (path !== prefix && !path.startsWith(`${prefix}/`)) {
    beside[path] = operations;
    continue;
  }
  within[path.slice(prefix.length) || "/"] = Object.fromEntries(
    Object.entries(operations).map(([method, o]) => [
      method,
      { ...o, parameters: o.parameters?.filter((p) => p.name !== "kitchen" || p.in !== "path") },
    ]),
  );
}
for (const [name, paths] of [
  ["schema", within],
  ["beside", beside],
]) {
  let text = astToString(await openapiTS({ ...whole, paths }));
  if (name === "beside") {
    // The shapes are the same for both: they stand in one file.
    const from = text.indexOf("export interface components {");
    const to = text.indexOf("export type $defs");
    text = `import type { components } from "./schema";\n${text.slice(0, from)}${text.slice(to)}`;
  }
  await writeFile(join(folder, `${name}.d.ts`), `// Made by npm run types.\n${text}`);
}
