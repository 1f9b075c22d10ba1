import { useMutation } from "@tanstack/react-query";
import { useId, useState } from "react";
import Modal from "react-bootstrap/Modal";
import {
  api,
  type BuildDocument,
  type Foods,
  type FriedPatty,
  type PattiesAnswer,
  type PattyQuestion,
  unwrap,
  type Vocabulary,
} from "../api/client";
import { squeezeWords } from "../build/squeeze-words";
import { coded, useTranslation } from "../i18n/use-translation";
import { Dialog } from "../ui/dialog";
import { useFormat } from "../ui/format";
import { AskPatties } from "./ask-patties";
import { Choose } from "./choose";
import { PattyOptions, useOptionWords } from "./patty-options";
import { useKeepTry } from "./queries";

type Props = {
  /** The build in question, and where it is kept. */
  of: { build?: string; version?: number; document: BuildDocument };
  foods: Foods;
  vocabulary: Vocabulary;
  onClose: () => void;
  /** Takes the answer into the mix; where it is missing nothing can be taken. */
  onTake?: (document: BuildDocument) => void;
};

const grades = ["fell-apart", "cracked", "held", "firm"] as const;
const atOnce = 3;

/** Test patties: what is open, which to fry, what they did, and what follows. */
export function PattiesDialog({ of, foods, vocabulary, onClose, onTake }: Props) {
  const { t } = useTranslation();
  const id = useId();
  const [question, setQuestion] = useState<PattyQuestion>();
  const [fried, setFried] = useState<FriedPatty[]>([]);
  const [answer, setAnswer] = useState<PattiesAnswer>();
  const ask = useMutation({
    mutationFn: (asked: { question: PattyQuestion; fried: FriedPatty[] }) =>
      unwrap(api.POST("/patties", { body: { document: of.document, ...asked, next: atOnce } })),
    onSuccess: (a, asked) => {
      setQuestion(asked.question);
      setFried(asked.fried);
      setAnswer(a);
    },
  });
  return (
    <Dialog id={id} title={t("patties.title")} size="lg" onClose={onClose}>
      <Modal.Body className="patties">
        {!question || !answer ? (
          <>
            <p>{t("patties.lead")}</p>
            <AskPatties
              document={of.document}
              foods={foods}
              vocabulary={vocabulary}
              busy={ask.isPending}
              onAsk={(q) => ask.mutate({ question: q, fried: [] })}
            />
          </>
        ) : (
          <Frying
            key={fried.length}
            of={of}
            question={question}
            answer={answer}
            fried={fried}
            foods={foods}
            busy={ask.isPending}
            onFried={(more) => ask.mutate({ question, fried: [...fried, ...more] })}
            onBack={() => ask.mutate({ question, fried: fried.slice(0, -1) })}
            onAgain={() => {
              setQuestion(undefined);
              setFried([]);
            }}
            onTake={onTake}
          />
        )}
        {ask.isError && (
          <p className="note note-reason" role="alert">
            {t("patties.failed")}
          </p>
        )}
      </Modal.Body>
    </Dialog>
  );
}

type FryingProps = {
  of: Props["of"];
  question: PattyQuestion;
  answer: PattiesAnswer;
  fried: FriedPatty[];
  foods: Foods;
  busy: boolean;
  onFried: (more: FriedPatty[]) => void;
  onBack: () => void;
  onAgain: () => void;
  onTake: Props["onTake"];
};

function Frying({ of, question, answer, fried, foods, busy, onFried, onBack, onAgain, onTake }: FryingProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useOptionWords(question, answer, foods);
  const [now, setNow] = useState<FriedPatty[]>(() => answer.next.map((option) => ({ option })));
  const keep = useKeepTry();
  const best = answer.options[answer.best];
  const food = question.food ?? "";
  const set = (i: number, patch: Partial<FriedPatty>) =>
    setNow((was) => was.map((f, n) => (n === i ? { ...f, ...patch } : f)));
  const complete = now.filter((f) => f.grade !== undefined);
  return (
    <>
      <div className="patties-answer" role="status">
        {answer.best < 0 ? (
          <p className="patties-say">{t("patties.nothing")}</p>
        ) : (
          <p className="patties-say">
            {t(answer.sure ? "patties.sure" : "patties.leaning", { what: words(answer.best) })}
          </p>
        )}
        <p className="hint">
          {fried.length > 0 && `${t("patties.fried", { count: fried.length })} · `}
          {answer.ordered &&
            answer.best >= 0 &&
            `${t("patties.plusMinus", { g: format.grams(answer.amount_g), sd: format.grams(answer.amount_sd_g) })} · `}
          {best && t("patties.sureHint", { n: format.number(100 * best.holds) })}{" "}
          {t(answer.settled ? "patties.settled" : answer.sure ? "patties.settled" : "patties.notYet")}
        </p>
      </div>
      <PattyOptions question={question} answer={answer} fried={fried} foods={foods} />
      {now.length > 0 && !answer.settled && (
        <section aria-labelledby="patties-next">
          <h3 id="patties-next">{t("patties.fry", { count: now.length })}</h3>
          <p className="hint">
            {food !== "" && answer.options.some((o) => o.food)
              ? t("patties.base", {
                  g: format.grams(Math.ceil(answer.base_g * 1.05)),
                  food: format.brief(format.foodName(foods.get(food), food)),
                })
              : t("patties.baseAll", { g: format.grams(Math.ceil(answer.base_g * 1.05)) })}{" "}
            {t("patties.scale")}
          </p>
          <ol className="patties-next">
            {now.map((f, i) => {
              const o = answer.options[f.option];
              if (!o) return null;
              return (
                <li key={i}>
                  <strong>{words(f.option)}</strong>
                  <span className="patties-weigh">
                    {o.food
                      ? t("patties.weigh", {
                          base: format.grams(o.base_g),
                          add: `${format.number(o.add_g, 1)} g`,
                          food: format.brief(format.foodName(foods.get(o.food), o.food)),
                        })
                      : t("patties.weighBase", { base: format.grams(o.base_g) })}
                    {o.rest_minutes !== undefined &&
                      `, ${t("patties.rested", { minutes: format.minutes(o.rest_minutes) })}`}
                  </span>
                  <Choose
                    label={t("patties.felt")}
                    choices={squeezeWords}
                    value={f.word}
                    words={(c) => t(`squeeze.${c}`)}
                    onChoose={(word) => set(i, { word })}
                  />
                  <Choose
                    label={t("patties.held")}
                    choices={grades}
                    value={f.grade}
                    words={(c) => t(coded("patties.grade", c))}
                    onChoose={(grade) => set(i, { grade })}
                  />
                </li>
              );
            })}
          </ol>
        </section>
      )}
      {keep.isSuccess && <p role="status">{t("patties.kept")}</p>}
      {keep.isError && (
        <p className="note note-reason" role="alert">
          {t("logbook.deleteFailed")}
        </p>
      )}
      <p className="patties-tools">
        {now.length > 0 && !answer.settled && (
          <button
            type="button"
            className="btn btn-primary"
            disabled={busy || complete.length === 0}
            onClick={() => onFried(complete)}
          >
            {t("patties.done")}
          </button>
        )}
        {fried.length > 0 && answer.document && onTake && (
          <button
            type="button"
            className={`btn ${answer.sure ? "btn-primary" : "btn-quiet"}`}
            onClick={() => answer.document && onTake(answer.document)}
          >
            {t("patties.take")}
          </button>
        )}
        {fried.length > 0 && !keep.isSuccess && (
          <button
            type="button"
            className="btn btn-quiet"
            disabled={keep.isPending}
            onClick={() =>
              keep.mutate({
                build: of.build,
                version: of.version,
                document: of.document,
                found: {},
                patties: { question, fried },
              })
            }
          >
            {t("patties.keep")}
          </button>
        )}
        {fried.length > 0 && (
          <button type="button" className="btn btn-quiet" disabled={busy} onClick={onBack}>
            {t("patties.undo")}
          </button>
        )}
        <button type="button" className="btn btn-quiet" onClick={onAgain}>
          {t("patties.again")}
        </button>
      </p>
    </>
  );
}
