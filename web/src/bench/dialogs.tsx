import { type ReactNode, Suspense } from "react";
import { later } from "../i18n";
import { type Translate, useTranslation } from "../i18n/use-translation";
import type { Baked, Build, BuildDocument, Foods, Prediction, Vocabulary, Way } from "../api/client";
import { takeRecipe } from "../editing/edits";
import type { BuildSession } from "../editing/session";
import type { HeatWhy } from "../heat/course";
import type { Pair } from "../history/queries";
import type { Why } from "../why/why-dialog";

const ReadDialog = later(() => import("../reading/read-dialog").then((m) => ({ default: m.ReadDialog })));
const ConvertDialog = later(() =>
  import("../advice/convert-dialog").then((m) => ({ default: m.ConvertDialog })),
);
const ScaleDialog = later(() => import("../scale/scale-dialog"));
const HeatWhyDialog = later(() => import("../why/heat-why-dialog"));
const WhyDialog = later(() => import("../why/why-dialog"));
const CompareDialog = later(() => import("../history/compare-dialog"));
const PattiesDialog = later(() =>
  import("../tries/patties-dialog").then((m) => ({ default: m.PattiesDialog })),
);
const ShareDialog = later(() => import("../people/share-dialog"));
const KitchenDialog = later(() => import("../kitchen/kitchen-dialog"));

/** A dialog of the Bench, with what it was opened about. */
export type Asked =
  | { dialog: "read"; source?: Blob | string }
  | { dialog: "scale" }
  | { dialog: "convert" }
  | { dialog: "kitchen" }
  | { dialog: "patties" }
  | { dialog: "share" }
  | { dialog: "why"; what: Why }
  | { dialog: "heat-why"; what: HeatWhy }
  | { dialog: "compare"; pair: Pair };

type Context = {
  session: BuildSession;
  build: Build;
  document: BuildDocument;
  prediction: Prediction;
  baked?: Baked;
  /** The way that is tried, which the reasons are asked of. */
  tried: Way | null;
  foods: Foods;
  vocabulary: Vocabulary;
  onClose: () => void;
  /** Makes a build of its own of a document, and goes there. */
  onNew: (document: BuildDocument) => void;
  /** Works the cooking out anew, for a kitchen that has changed. */
  onKitchen: () => void;
};

type Draw<A> = (asked: A, context: Context, t: Translate) => ReactNode;

const registry: { [K in Asked["dialog"]]: Draw<Extract<Asked, { dialog: K }>> } = {
  read: ({ source }, { session, document, foods, vocabulary, onClose, onNew }, t) => (
    <ReadDialog
      foods={foods}
      vocabulary={vocabulary}
      room={vocabulary.limits.lines - document.lines.length}
      empty={document.lines.length === 0}
      source={source}
      onClose={onClose}
      onTake={(made, where) => {
        onClose();
        if (where === "here") session.edit(takeRecipe(made, t("builds.untitled")));
        else {
          const name = t("paste.name");
          // Nothing is added to what the dialog spoke of: its number is that of the build.
          onNew({ ...made, name: made.name || name, eaters: document.eaters });
        }
      }}
    />
  ),
  share: (_, { build, onClose }) => <ShareDialog build={build.id} onClose={onClose} />,
  patties: (_, { session, build, document, foods, vocabulary, onClose }) => (
    <PattiesDialog
      of={{ build: build.id, version: session.snapshot().version, document }}
      foods={foods}
      vocabulary={vocabulary}
      onClose={onClose}
      onTake={(next) => {
        onClose();
        session.edit(() => next);
      }}
    />
  ),
  scale: (_, { session, document, prediction, foods, vocabulary, onClose, onNew }, t) => (
    <ScaleDialog
      document={document}
      pieces={prediction.pieces}
      foods={foods}
      vocabulary={vocabulary}
      onClose={onClose}
      onTake={(scaled, asNew) => {
        onClose();
        if (asNew) onNew({ ...scaled, name: t("builds.copyOf", { name: scaled.name }).slice(0, 200) });
        else session.edit(() => scaled);
      }}
    />
  ),
  convert: (_, { session, document, prediction, foods, vocabulary, onClose }) => (
    <ConvertDialog
      document={document}
      prediction={prediction}
      foods={foods}
      zones={vocabulary.zones}
      onClose={onClose}
      onTake={(way) => {
        onClose();
        session.edit(() => ({ ...way.document, name: document.name }));
      }}
    />
  ),
  kitchen: (_, { onClose, onKitchen }) => (
    <KitchenDialog
      onClose={onClose}
      onSaved={() => {
        onClose();
        onKitchen();
      }}
    />
  ),
  why: ({ what }, { tried, document, foods, onClose }) => (
    <WhyDialog what={what} document={tried?.document ?? document} foods={foods} onClose={onClose} />
  ),
  "heat-why": ({ what }, { document, baked, onClose }) =>
    baked && <HeatWhyDialog what={what} document={document} baked={baked} onClose={onClose} />,
  compare: ({ pair }, { build, document, foods, onClose }, t) => (
    <CompareDialog
      pair={pair}
      names={[
        pair.with ? (build.from?.name ?? "") : t("history.one", { n: pair.from }),
        pair.with ? document.name : t("history.one", { n: pair.to }),
      ]}
      foods={foods}
      parts={document.parts}
      onClose={onClose}
    />
  ),
};

/** The dialog that was asked for: each is fetched when it is first opened. */
export function Dialogs({ asked, ...context }: Context & { asked: Asked | null }) {
  const { t } = useTranslation();
  if (!asked) return null;
  const draw = registry[asked.dialog] as Draw<Asked>;
  return <Suspense>{draw(asked, context, t)}</Suspense>;
}
