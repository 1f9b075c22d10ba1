import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { Entry } from "./entry";

interface Schema extends DBSchema {
  entries: { key: string; value: Entry };
}

let opening: Promise<IDBPDatabase<Schema> | undefined> | undefined;

/** Where entries are kept in the browser; nothing where it has no room for them, or none is allowed. */
const database = () =>
  (opening ??= openDB<Schema>("cuerda", 1, {
    upgrade(db) {
      db.createObjectStore("entries", { keyPath: "id" });
    },
  }).catch(() => undefined));

export async function keptEntries(): Promise<Entry[]> {
  try {
    return (await (await database())?.getAll("entries")) ?? [];
  } catch {
    return [];
  }
}

/**
 * Keeps and drops at once. It is written as soon as it can be: the page may be about to go. Says whether it was written;
 * where the browser's store is full or forbidden, the entry still lives in this window.
 */
export async function keep(entries: Entry[], dropped: string[] = []): Promise<boolean> {
  try {
    const db = await database();
    if (!db) return false;
    const tx = db.transaction("entries", "readwrite");
    for (const entry of entries) void tx.store.put(entry);
    for (const id of dropped) void tx.store.delete(id);
    tx.commit();
    await tx.done;
    return true;
  } catch {
    return false;
  }
}
