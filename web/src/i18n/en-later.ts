import { compose } from "./en-compose";
import { help } from "./en-help";
import { reading } from "./en-reading";
import { cook } from "./en-cook";
import { logbook } from "./en-logbook";
import { doorWords } from "./en-door";
import { practice } from "./en-practice";
import { supper } from "./en-supper";
import { tools } from "./en-tools";

/** The words of every screen but the first view: see en-beside.ts for what that says of them. */
export const later = {
  compose,
  help,
  reading,
  ...supper,
  ...cook,
  ...logbook,
  ...practice,
  ...doorWords,
  ...tools,
};

export type LaterMessages = typeof later;
