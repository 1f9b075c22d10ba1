import { fileURLToPath } from "node:url";

/** What the bundler tells of a module while chunks are chosen. */
type Graph = { getModuleInfo: (id: string) => { importedIds: readonly string[] } | null };

const file = (name: string) => fileURLToPath(new URL(name, import.meta.url));

/** The modules that are fetched together with one of ours: itself and whatever it imports at once. */
function fetchedWith(graph: Graph, name: string): Set<string> {
  const found = new Set<string>();
  const open = [file(name)];
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (found.has(id)) continue;
    found.add(id);
    open.push(...(graph.getModuleInfo(id)?.importedIds ?? []));
  }
  return found;
}

let first: { everywhere: Set<string>; kitchen: Set<string> } | undefined;

/**
 * The chunk of a module that the first view needs: "common" is fetched by every page, "kitchen" by the pages of a
 * kitchen. What only later screens and dialogs share has no name here and lies apart, so that no first view waits for it.
 */
export function firstChunk(id: string, graph: Graph): string | null {
  first ??= (() => {
    const kitchen = fetchedWith(graph, "src/app.tsx");
    const door = fetchedWith(graph, "src/door/door-app.tsx");
    const page = fetchedWith(graph, "src/main.tsx");
    // The page waits for the kitchen, which must not wait for the page.
    page.delete(file("src/main.tsx"));
    return { kitchen, everywhere: new Set([...page, ...[...kitchen].filter((id) => door.has(id))]) };
  })();
  if (first.everywhere.has(id)) return "common";
  return first.kitchen.has(id) ? "kitchen" : null;
}
