import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from "react";
import { Link, useLocation, useNavigate } from "react-router";
import { useTranslation } from "../i18n/use-translation";
import type { Build, BuildDocument, Dish, Foods, Prediction, Vocabulary, Way } from "../api/client";
import { MendPanel } from "../advice/mend-panel";
import { OtherWays } from "../advice/other-ways";
import { useCreateBuild, useDuplicateBuild, usePredictionOf } from "../editing/queries";
import { Trying } from "../advice/trying";
import { panelsGone } from "../ui/back-closes";
import { useFormat } from "../ui/format";
import { BuildName } from "./build-name";
import { ConflictDialog } from "./conflict-dialog";
import { addPart, replaceFood, usualPiece } from "../editing/edits";
import { useBringIn } from "../reading/bring-in";
import { cookOf } from "../editing/usual";
import { type Asked, Dialogs } from "./dialogs";
import { EmptyBowl } from "./empty-bowl";
import { NextThing } from "../help/next-thing";
import { Hold } from "../build/hold";
import type { Pair } from "../history/queries";
import { useUndoKeys } from "../editing/undo-keys";
import { useBenchActions } from "./use-bench-actions";
import { MixColumn } from "./mix-column";
import { MixTools } from "./mix-tools";
import { NoteField } from "./note-field";
import { Notes } from "./notes";
import { predictionFeed } from "../editing/prediction";
import { TablePanel } from "./table-panel";
import { BuildSession } from "../editing/session";
import { Squeeze } from "../build/squeeze";
import { Verdict } from "./verdict";
import { LastTries } from "../tries/last-tries";
import { VersionsDrawer } from "./versions-drawer";
import { Cord } from "../heat/cord";
import { HeatPanel } from "../heat/heat-panel";
import { dishFeed, useStartPart } from "../parts/queries";
import { Plate } from "../plate/plate-panel";
import type { HeatWhy } from "../heat/course";
import type { Why } from "../why/why-dialog";
import { bakeFeed, useBakeOf } from "../heat/queries";

type Props = {
  build: Build;
  foods: Foods;
  vocabulary: Vocabulary;
  onBuilds: () => void;
  onDelete: (name: string) => void;
};

/** For whom it is not: by the whole dish once that is known, by the mix until then. */
const refusals = (prediction: Prediction, dish: Dish | undefined) => dish?.not_for ?? prediction.not_for;

/** The working surface: the mix, what it does, and what to know about it. */
export function Bench({ build, foods, vocabulary, onBuilds, onDelete }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const navigate = useNavigate();
  const duplicate = useDuplicateBuild();
  const create = useCreateBuild();
  const nameRef = useRef<HTMLTextAreaElement>(null);
  const [session] = useState(() => new BuildSession(build));
  const state = useSyncExternalStore(session.subscribe, session.snapshot);
  const [part, setPart] = useState(-1);
  const [versions, setVersions] = useState(false);
  const [trial, setTrial] = useState<{ way: Way; of: BuildDocument } | null>(null);
  // A kitchen that was just made begins with a recipe that is pasted.
  const paste = (useLocation().state as { paste?: boolean } | null)?.paste ?? false;
  const [asked, ask] = useState<Asked | null>(paste ? { dialog: "read" } : null);
  const { document } = state;
  const [feed] = useState(() => predictionFeed(session, build.prediction, build.document));
  const { answer: prediction, stale } = useSyncExternalStore(feed.subscribe, feed.snapshot);
  const [baking] = useState(() => bakeFeed(session));
  const { answer: baked, stale: bakedStale } = useSyncExternalStore(baking.subscribe, baking.snapshot);
  const [dishes] = useState(() => dishFeed(session));
  const { answer: dish } = useSyncExternalStore(dishes.subscribe, dishes.snapshot);
  const piece = document.piece ?? usualPiece;
  const { method } = cookOf(document, vocabulary);

  useEffect(() => session.open(), [session]);
  useEffect(() => feed.follow(), [feed]);
  useEffect(() => baking.follow(), [baking]);
  useEffect(() => dishes.follow(), [dishes]);
  useUndoKeys(session);
  const { state: arrived, key: visit } = useLocation();
  useEffect(() => {
    if (arrived && typeof arrived === "object" && "rename" in arrived && arrived.rename)
      nameRef.current?.select();
  }, [arrived, visit]);
  useEffect(() => {
    window.document.title = `${document.name || t("builds.untitled")} · Cuerda`;
  }, [document.name, t]);

  // A way that is tried was made for the document as it stood.
  const tried = trial?.of === document ? trial.way : null;
  const setTried = useCallback(
    (way: Way | null) => setTrial(way && { way, of: session.snapshot().document }),
    [session],
  );
  const swap = useCallback((food: string, by: string) => session.edit(replaceFood(food, by)), [session]);
  const close = useCallback(() => ask(null), []);
  const why = useCallback((what: Why) => ask({ dialog: "why", what }), []);
  const whyQ = useCallback(() => why("q"), [why]);
  const whyChance = useCallback(() => why("chance"), [why]);
  const heatWhy = useCallback((what: HeatWhy) => ask({ dialog: "heat-why", what }), []);
  const read = useCallback(() => ask({ dialog: "read" }), []);
  useBringIn(useCallback((source) => ask({ dialog: "read", source }), []));
  const share = useCallback(() => ask({ dialog: "share" }), []);
  const scale = useCallback(() => ask({ dialog: "scale" }), []);
  const convert = useCallback(() => ask({ dialog: "convert" }), []);
  const kitchen = useCallback(() => ask({ dialog: "kitchen" }), []);
  /** Sets a version beside this build as it stands, which is kept first. */
  async function compare(with_: Omit<Pair, "to">) {
    if (await session.save()) ask({ dialog: "compare", pair: { ...with_, to: session.snapshot().version } });
  }
  useBenchActions({
    session,
    foods,
    onBuilds,
    onVersions: setVersions,
    onScale: scale,
    onRead: read,
    onPart: setPart,
  });
  const openNew = (made: BuildDocument) => {
    close();
    create.mutate(made, {
      onSuccess: (b) => {
        void panelsGone().then(() => navigate(`/bench/${b.id}`, { state: { rename: true } }));
      },
    });
  };
  const { mutate: startPart } = useStartPart();
  const sauce = useCallback(
    () =>
      startPart(
        { document: session.snapshot().document, kind: "sauce" },
        {
          onSuccess: (made) => {
            session.edit(addPart(made));
            setPart((session.snapshot().document.parts?.length ?? 0) - 1);
          },
        },
      ),
    [session, startPart],
  );
  const triedPrediction = usePredictionOf(tried?.document);
  const triedBake = useBakeOf(tried?.document);
  // While a way is tried, all that is told is told of it.
  const shown = (tried && triedPrediction.data) || prediction;
  const shownBaked = tried ? triedBake.data : baked;
  const shownOf = tried?.document ?? document;

  const pieces =
    document.lines.length === 0
      ? ""
      : shown.piece_g > 0
        ? t("mix.pieces", { count: shown.pieces, each: format.grams(shown.piece_g) })
        : t("mix.vessel");

  return (
    <main className="bench-room" id="bench">
      <div className="bench">
        <div className="bench-mix">
          <div className="mix-head">
            <h1 className="visually-hidden">{document.name || t("builds.untitled")}</h1>
            <BuildName
              session={session}
              name={document.name}
              max={vocabulary.limits.name}
              inputRef={nameRef}
            />
            <p className="hint">
              {document.lines.length === 0
                ? t("mix.nothingYet")
                : t("mix.summary", {
                    pieces,
                    grams: format.grams(shown.mass_g),
                    version: state.version,
                  })}
            </p>
            {build.from && (
              <p className="hint origin">
                <Link to={`/bench/${build.from.id}`}>
                  {t("history.from", {
                    name: build.from.name || t("builds.untitled"),
                    n: build.from.version,
                  })}
                </Link>{" "}
                <button
                  type="button"
                  className="btn btn-link p-0"
                  onClick={() =>
                    build.from &&
                    void compare({ id: build.from.id, from: build.from.version, with: session.id })
                  }
                >
                  {t("history.compareFrom")}
                </button>
              </p>
            )}
            <MixTools
              session={session}
              state={state}
              onBuilds={onBuilds}
              onPaste={read}
              onVersions={() => setVersions(true)}
              onScale={scale}
              onPatties={() => ask({ dialog: "patties" })}
              onShare={share}
              onRename={() => setTimeout(() => nameRef.current?.select())}
              onDuplicate={async () => {
                if (await session.save())
                  duplicate.mutate(session.id, { onSuccess: (b) => void navigate(`/bench/${b.id}`) });
              }}
              onDelete={() => onDelete(document.name)}
            />
          </div>
          <MixColumn
            changes={tried?.changes}
            session={session}
            lines={document.lines}
            parts={document.parts}
            prediction={prediction}
            dishes={dishes}
            foods={foods}
            vocabulary={vocabulary}
            chosen={part}
            onShow={setPart}
          />
          <NoteField session={session} note={document.note} max={vocabulary.limits.note} />
        </div>
        <div className={`bench-middle ${tried ? "bench-trying" : ""}`}>
          {document.lines.length > 0 && <NextThing screen="bench" />}
          {tried && (
            <Trying
              way={tried}
              foods={foods}
              onTake={() => {
                session.edit(() => ({ ...tried.document, name: document.name }));
                setTried(null);
              }}
              onLeave={() => setTried(null)}
            />
          )}
          {document.lines.length === 0 ? (
            <EmptyBowl onPaste={read} onBuilds={onBuilds} />
          ) : (
            <Verdict
              prediction={shown}
              kind={piece.kind}
              method={method}
              stale={stale}
              hand={(tried?.document ?? document).hand}
              notFor={tried ? shown.not_for : refusals(prediction, dish)}
              foods={foods}
              onSwap={swap}
              onWhy={whyChance}
            />
          )}
          {document.lines.length > 0 && (
            <>
              <Squeeze
                prediction={shown}
                zones={vocabulary.zones}
                minutes={(tried?.document ?? document).rest?.minutes ?? 0}
                piece={piece}
                foods={foods}
                onWhy={whyQ}
              />
              <MendPanel document={document} word={prediction.word} foods={foods} session={session} />
              <Hold prediction={shown} piece={piece} onWhy={why} />
              <HeatPanel
                session={session}
                cook={shownOf.cook}
                piece={shownOf.piece ?? usualPiece}
                vocabulary={vocabulary}
                baked={shownBaked}
                stale={bakedStale}
                onSettings={kitchen}
                onWhy={heatWhy}
                onSauce={document.parts?.some((p) => p.kind === "sauce") ? undefined : sauce}
              />
            </>
          )}
        </div>
        <div className="bench-side">
          {document.lines.length > 0 && (
            <LastTries build={{ id: session.id, version: state.version, document }} />
          )}
          <TablePanel session={session} eaters={document.eaters} vocabulary={vocabulary} />
          <OtherWays
            document={document}
            prediction={prediction}
            foods={foods}
            tried={tried}
            onTry={setTried}
            onConvert={convert}
          />
          {document.lines.length > 0 && (
            <>
              <Notes prediction={shown} foods={foods} piece={shownOf.piece ?? usualPiece} />
              <Plate session={session} dishes={dishes} portions={document.portions} vocabulary={vocabulary} />
            </>
          )}
        </div>
      </div>
      {document.lines.length > 0 && (
        <Cord
          session={session}
          feed={feed}
          baked={shownBaked}
          parts={shownOf.parts}
          foods={foods}
          vocabulary={vocabulary}
          onPart={setPart}
        />
      )}
      <Dialogs
        asked={asked}
        session={session}
        build={build}
        document={document}
        prediction={prediction}
        baked={baked}
        tried={tried}
        foods={foods}
        vocabulary={vocabulary}
        onClose={close}
        onNew={openNew}
        onKitchen={() => baking.refresh()}
      />
      <VersionsDrawer
        open={versions}
        session={session}
        foods={foods}
        onClose={() => setVersions(false)}
        onCompare={(from) => void compare({ id: session.id, from })}
      />
      {state.status === "conflict" && state.theirs && (
        <ConflictDialog session={session} mine={document} theirs={state.theirs} foods={foods} />
      )}
    </main>
  );
}
