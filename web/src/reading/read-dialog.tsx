import { useCallback, useEffect, useRef, useState } from "react";
import Modal from "react-bootstrap/Modal";
import { usePredictionOf } from "../editing/queries";
import { useSettled } from "../ui/use-settled";
import { ApiError, type BuildDocument, type Foods, type Recipe, type Vocabulary } from "../api/client";
import { useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import { BuildSide } from "./build-side";
import { Questions } from "./questions";
import { useReadRecipe } from "./queries";
import { type Lit, RecipeSide } from "./recipe-side";
import { answered, documentOf, type Draft, draftOf, withRow } from "./rows";
import { type Labels, type RowLabel, RowsSide } from "./rows-side";
import { StepsSide } from "./steps-side";

type Props = {
  foods: Foods;
  vocabulary: Vocabulary;
  /** How many lines the bowl still takes, and whether nothing is in it. */
  room: number;
  empty: boolean;
  /** A text or a file to read at once. */
  source?: Blob | string;
  onTake: (document: BuildDocument, where: "here" | "new") => void;
  onClose: () => void;
};

const most = 8; // MB

/** Reads a recipe whole: its words on one side, the build they become on the other. */
export function ReadDialog({ foods, vocabulary, room, empty, source, onTake, onClose }: Props) {
  const { t } = useTranslation();
  const [text, setText] = useState(typeof source === "string" ? source : "");
  const [big, setBig] = useState(false);
  const [over, setOver] = useState(false);
  const [found, setFound] = useState<Recipe | null>(null);
  const [from, setSource] = useState<Blob | string>();
  const [labels, setLabels] = useState<Labels>(new Map());
  const read = useReadRecipe();
  const { mutate } = read;
  const look = useCallback(
    (from: Blob | string) => {
      const size = typeof from === "string" ? from.length : from.size;
      setBig(size > most * 1024 * 1024);
      if (size > most * 1024 * 1024) return;
      if (typeof from !== "string") void from.text().then(setText);
      setSource(from);
      setLabels(new Map());
      mutate({ text: from, labels: new Map() }, { onSuccess: setFound });
    },
    [mutate],
  );
  // What a cook says that a line is stands; what follows from it is read again.
  const relabel = (row: number, label: RowLabel) => {
    if (from === undefined) return;
    const next = new Map(labels).set(row, label);
    setLabels(next);
    mutate({ text: from, labels: next }, { onSuccess: setFound });
  };
  const asked = useRef(false);
  useEffect(() => {
    if (source === undefined || asked.current) return;
    asked.current = true;
    look(source);
  }, [source, look]);
  const code = read.error instanceof ApiError ? read.error.problem?.code : undefined;
  const why = read.error instanceof ApiError ? read.error.problem?.errors?.[0] : undefined;
  const whole = found?.document;

  if (found && !whole && found.lines.length > 0) {
    return (
      <Read
        key={[...found.ingredients, "", ...found.steps].join("\n")}
        recipe={found}
        busy={read.isPending}
        failed={read.isError}
        onLabel={relabel}
        foods={foods}
        vocabulary={vocabulary}
        room={room}
        empty={empty}
        onAgain={() => setFound(null)}
        onTake={onTake}
        onClose={onClose}
      />
    );
  }
  return (
    <Dialog id="paste-title" title={t("files.import")} size="xl" onClose={onClose}>
      <Modal.Body
        className={over ? "reading-over" : ""}
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(e) => {
          e.preventDefault();
          setOver(false);
          const dropped = e.dataTransfer.files[0] ?? e.dataTransfer.getData("text");
          if (dropped) look(dropped);
        }}
      >
        {whole ? (
          <p>{t("files.whole", { name: whole.name || t("builds.untitled"), count: whole.lines.length })}</p>
        ) : (
          <>
            <label htmlFor="paste-text">{t("files.lead")}</label>
            <textarea
              id="paste-text"
              className="form-control paste-text"
              rows={14}
              maxLength={8_000_000}
              placeholder={t("paste.example")}
              value={text}
              onChange={(e) => setText(e.target.value)}
              onPaste={(e) => {
                // A whole recipe in an empty field is meant to be read.
                const pasted = e.clipboardData.getData("text");
                if (text.trim() === "" && pasted.trim().split("\n").length > 2) {
                  e.preventDefault();
                  setText(pasted);
                  look(pasted);
                }
              }}
            />
            <label className="btn btn-quiet btn-sm paste-file">
              {t("files.file")}
              <input
                type="file"
                className="visually-hidden"
                accept=".html,.htm,.json,.jsonld,.md,.markdown,.txt,.csv,.tsv,text/*,application/json,application/ld+json"
                onChange={(e) => {
                  const file = e.target.files?.[0];
                  e.target.value = "";
                  if (file) look(file);
                }}
              />
            </label>{" "}
            <span className="hint">{t("files.fileHint")}</span>
            {big && (
              <p className="note note-reason" role="alert">
                {t("files.tooBig", { size: most })}
              </p>
            )}
            {read.isError && !big && (
              <p className="note note-reason" role="alert">
                {t([`files.fault.${code}`, "files.fault.failed"], {
                  why: `${why?.pointer ?? ""} ${why?.got ?? ""}`.trim(),
                })}
              </p>
            )}
            {found && found.lines.length === 0 && <p className="note note-reason">{t("paste.nothing")}</p>}
          </>
        )}
      </Modal.Body>
      <Modal.Footer>
        {whole ? (
          <>
            <button type="button" className="btn btn-quiet" onClick={() => setFound(null)}>
              {t("paste.again")}
            </button>
            <button type="button" className="btn btn-primary" onClick={() => onTake(whole, "new")}>
              {t("files.takeWhole")}
            </button>
          </>
        ) : (
          <button
            type="button"
            className="btn btn-primary"
            disabled={text.trim() === "" || read.isPending}
            onClick={() => look(text)}
          >
            {t("paste.go")}
          </button>
        )}
      </Modal.Footer>
    </Dialog>
  );
}

const goTo = (line: number) =>
  window.document
    .querySelector<HTMLElement>(`#reading-row-${line} select, #reading-row-${line} input`)
    ?.focus();

type ReadProps = {
  recipe: Recipe;
  busy: boolean;
  failed: boolean;
  onLabel: (row: number, label: RowLabel) => void;
  foods: Foods;
  vocabulary: Vocabulary;
  room: number;
  empty: boolean;
  onAgain: () => void;
  onTake: Props["onTake"];
  onClose: () => void;
};

function Read({
  recipe,
  busy,
  failed,
  onLabel,
  foods,
  vocabulary,
  room,
  empty,
  onAgain,
  onTake,
  onClose,
}: ReadProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const [draft, setDraft] = useState<Draft>(() => draftOf(recipe, vocabulary.part_kinds));
  const questions = recipe.draft?.questions ?? [];
  const [chosen, setChosen] = useState(() => questions.map((q) => q.answers.findIndex((a) => a.as_read)));
  const [lit, setLit] = useState<Lit>(null);
  const document = documentOf(draft);
  const settled = useSettled(document, 120);
  const prediction = usePredictionOf(settled).data;
  const full = recipe.lines.filter((l) => l.full).length;
  const lines = document.lines.length;
  const answer = (question: number, at: number) => {
    const q = questions[question];
    const a = q?.answers[at];
    if (!q || !a) return;
    setChosen(chosen.map((c, i) => (i === question ? at : c)));
    setDraft(answered(draft, q, a, vocabulary.kinds));
  };
  return (
    <Dialog id="paste-title" title={t("files.import")} size="xl" onClose={onClose}>
      <Modal.Body className="reading-body">
        <p className="reading-sum">
          {prediction && lines > 0 && (
            <strong>{t("reading.verdict", { n: format.number(100 * prediction.chance) })} </strong>
          )}
          {recipe.kind !== "text" && <>{t(`files.found.${recipe.kind}`)} </>}
          {t("paste.read", { full, count: recipe.lines.length })}
        </p>
        {failed && (
          <p className="note note-reason" role="alert">
            {t("files.fault.failed")}
          </p>
        )}
        <div className="reading-sides">
          {recipe.rows ? (
            <RowsSide
              recipe={recipe}
              rows={recipe.rows}
              lit={lit}
              busy={busy}
              onLight={setLit}
              onGo={goTo}
              onLabel={onLabel}
            />
          ) : (
            <RecipeSide recipe={recipe} lit={lit} onLight={setLit} onGo={goTo} />
          )}
          <div className="reading-build">
            {questions.length > 0 && (
              <Questions questions={questions} chosen={chosen} foods={foods} onAnswer={answer} />
            )}
            <BuildSide
              recipe={recipe}
              draft={draft}
              foods={foods}
              vocabulary={vocabulary}
              lit={lit}
              onLight={setLit}
              onChange={(at, next) => setDraft(withRow(draft, at, next))}
            />
            <StepsSide
              recipe={recipe}
              draft={draft}
              lit={lit}
              onLight={setLit}
              onChange={setDraft}
              vocabulary={vocabulary}
            />
          </div>
        </div>
        {lines > vocabulary.limits.lines && (
          <p className="note note-reason">{t("mix.full", { count: vocabulary.limits.lines })}</p>
        )}
      </Modal.Body>
      <Modal.Footer>
        <button type="button" className="btn btn-quiet" onClick={onAgain}>
          {t("paste.again")}
        </button>
        {!empty && (
          <button
            type="button"
            className="btn btn-quiet"
            disabled={lines + (document.parts?.length ?? 0) === 0 || lines > room}
            onClick={() => onTake(document, "here")}
          >
            {t("paste.here")}
          </button>
        )}
        <button
          type="button"
          className="btn btn-primary"
          disabled={lines + (document.parts?.length ?? 0) === 0 || lines > vocabulary.limits.lines}
          onClick={() => onTake(document, empty ? "here" : "new")}
        >
          {t(empty ? "reading.take" : "paste.asNew")}
        </button>
      </Modal.Footer>
    </Dialog>
  );
}
