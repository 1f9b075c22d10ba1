import type { LaterMessages } from "./en-later";
import { compose } from "./es-compose";
import { help } from "./es-help";
import { reading } from "./es-reading";
import { cook } from "./es-cook";
import { logbook } from "./es-logbook";
import { doorWords } from "./es-door";
import { practice } from "./es-practice";
import { supper } from "./es-supper";
import { tools } from "./es-tools";

/** The words of every screen but the first view: see en-beside.ts for what that says of them. */
export const later: LaterMessages = {
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
