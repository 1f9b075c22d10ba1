import type { Part } from "../api/client";
import type { Translate } from "../i18n/use-translation";

/** What a part is called: by its own name, or by its kind. */
export const partName = (part: Part, t: Translate) => part.name || t(`parts.kind.${part.kind}`);
