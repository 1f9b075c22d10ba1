import { useEffect, useRef, useState } from "react";
import type { Foods, PracticeCalled, PracticeDrill, PracticeSitting, Vocabulary } from "../api/client";
import { middleOf } from "../build/squeeze";
import { singleKeys, typing } from "../keys/actions";
import { useTranslation } from "../i18n/use-translation";
import { useDay } from "../tries/day";
import { useFormat } from "../ui/format";
import { Bowl } from "./bowl";
import { stepGrams } from "./mark";
import { Question } from "./question";
import { Reveal } from "./reveal";
import { asCall, isReady, nothingSaid, type Said } from "./said";
import { Sure } from "./sure";
import { type Told, useSitting } from "./use-sitting";

type Props = {
  sitting: PracticeSitting;
  foods: Foods;
  vocabulary: Vocabulary;
  onEnd: () => void;
  onAnother: () => void;
};

/** A sitting: what is in the bowl to the left, what is asked of it in the middle. */
export function SittingView({ sitting, foods, vocabulary, onEnd, onAnother }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const { calls, call, told, enough } = useSitting(sitting);
  const called = (n: number) => calls.find((c) => c.number === n);
  const firstOpen = sitting.drills.findIndex((_, n) => !called(n));
  const [at, setAt] = useState(firstOpen);
  const [said, setSaid] = useState<Said>(nothingSaid);
  const top = useRef<HTMLElement>(null);
  const drill = sitting.drills[at];
  const mine = called(at);
  const go = (to: number) => {
    setAt(to);
    setSaid(nothingSaid);
    top.current?.scrollTo({ top: 0 });
    scrollTo({ top: 0 });
  };
  const next = () => go(sitting.drills.findIndex((_, n) => !called(n)));
  const say = (change: Partial<Said>) => setSaid((was) => ({ ...was, ...change }));
  const act = () => {
    if (mine) next();
    else if (drill && isReady(drill, said)) call(asCall(at, said));
  };
  useDrillKeys(drill, Boolean(mine), say, act, vocabulary.zones);

  if (!drill)
    return (
      <section className="practice-ask practice-summary" aria-labelledby="practice-ask" ref={top}>
        <Status told={told} />
        <Summary sitting={sitting} calls={calls} onOpen={go} onEnd={onEnd} onAnother={onAnother} />
      </section>
    );
  const left = sitting.drills.length - calls.length;
  return (
    <>
      {/* What scrolls must be reached by keys too. */}
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
      <section className="practice-bowl" tabIndex={0} aria-label={t("practice.toSee")}>
        <p className="practice-at">
          {t(`practice.kind.${drill.kind as "pair"}`)} ·{" "}
          {t("practice.nOf", { n: at + 1, of: sitting.drills.length })} ·{" "}
          {t(`practice.level.${drill.level as 1 | 2 | 3}`)}
        </p>
        <Bowls drill={drill} foods={foods} />
        <p className="hint">{t(drill.try ? "practice.ownHint" : "practice.hint")}</p>
        <p className="hint">{t("practice.rawCaution")}</p>
      </section>
      <section className="practice-ask" aria-labelledby="practice-ask" ref={top}>
        <Status told={told} />
        {mine ? (
          <Reveal
            key={at}
            drill={drill}
            call={mine}
            foods={foods}
            zones={vocabulary.zones}
            name={t("practice.mixOf", {
              food: format.within(
                (drill.document.lines[0] ? format.lineName(drill.document.lines[0], foods) : "").split(
                  ",",
                )[0] ?? "",
              ),
            })}
            last={left === 0}
            onNext={next}
          />
        ) : (
          <>
            <Question key={at} drill={drill} foods={foods} zones={vocabulary.zones} said={said} onSay={say} />
            <div className="practice-call">
              <Sure value={said.sure} onChange={(sure) => say({ sure })} />
              <button
                type="button"
                className="btn btn-primary btn-lg practice-go"
                disabled={!isReady(drill, said)}
                onClick={act}
              >
                {t("practice.callIt")}
              </button>
            </div>
          </>
        )}
        {mine && enough && left > 0 && (
          <p className="note note-reason practice-enough" role="status">
            {t("practice.enough")}{" "}
            <button type="button" className="btn btn-link" onClick={onEnd}>
              {t("practice.stop")}
            </button>
          </p>
        )}
        {!(mine && enough) && left > 0 && (
          <button type="button" className="btn btn-quiet btn-sm practice-stop" onClick={onEnd}>
            {t("practice.stopHere")}
          </button>
        )}
      </section>
    </>
  );
}

/** One bowl, the two of a pair, or what was done beside what was planned. */
function Bowls({ drill, foods }: { drill: PracticeDrill; foods: Foods }) {
  const { t } = useTranslation();
  const day = useDay();
  const title =
    drill.kind === "pair"
      ? t("practice.first")
      : drill.kind === "why"
        ? t("practice.asDone")
        : drill.kind === "amiss"
          ? t("practice.thePlan")
          : t("practice.inTheBowl");
  return (
    <>
      {drill.tried_at && (
        <p className="practice-own">
          {t("practice.yourTry", { dish: drill.document.name, day: day.long(drill.tried_at) })}
        </p>
      )}
      <Bowl
        of={drill.document}
        measures={drill.measures}
        foods={foods}
        title={title}
        drill={drill}
        beside={drill.other}
      />
      {drill.other && (
        <Bowl
          of={drill.other}
          measures={drill.other_measures}
          foods={foods}
          title={t("practice.second")}
          drill={drill}
          beside={drill.document}
        />
      )}
    </>
  );
}

function Status({ told }: { told: Told }) {
  const { t } = useTranslation();
  if (!told) return null;
  return (
    <p className="note note-reason practice-status" role="status">
      {t(`practice.status.${told}`)}
    </p>
  );
}

type SummaryProps = {
  sitting: PracticeSitting;
  calls: PracticeCalled[];
  onOpen: (n: number) => void;
  onEnd: () => void;
  onAnother: () => void;
};

/** The sitting at its end: each drill opens again. */
function Summary({ sitting, calls, onOpen, onEnd, onAnother }: SummaryProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const right = calls.filter((c) => c.right).length;
  const sure = calls.reduce((a, c) => a + c.sure, 0) / Math.max(1, calls.length);
  return (
    <>
      <h1 id="practice-ask">{t("practice.over", { right, of: calls.length })}</h1>
      <p>
        {t("practice.overSure", {
          n: format.number(10 * sure, 1),
          right: format.number((10 * right) / Math.max(1, calls.length), 1),
        })}
      </p>
      <ol className="practice-ten">
        {sitting.drills.map((d, n) => {
          const c = calls.find((x) => x.number === n);
          if (!c) return null;
          return (
            <li key={n}>
              <button type="button" className={c.right ? "ten-right" : "ten-wrong"} onClick={() => onOpen(n)}>
                <span>{t(`practice.kind.${d.kind as "pair"}`)}</span>
                <small>{t(`practice.skill.${d.skill}`)}</small>
                <strong>{t(c.right ? "practice.right" : "practice.wrong")}</strong>
              </button>
            </li>
          );
        })}
      </ol>
      <div className="practice-acts">
        <button type="button" className="btn btn-primary btn-lg" onClick={onEnd}>
          {t("practice.done")}
        </button>
        <button type="button" className="btn btn-outline-primary" onClick={onAnother}>
          {t("practice.another")}
        </button>
      </div>
    </>
  );
}

/** Keys: a number chooses, the arrows move the mark (or say how much and when), Enter calls and goes on. */
function useDrillKeys(
  drill: PracticeDrill | undefined,
  told: boolean,
  say: (change: Partial<Said>) => void,
  act: () => void,
  zones: Vocabulary["zones"],
) {
  const now = useRef({ drill, told, say, act, zones });
  useEffect(() => {
    now.current = { drill, told, say, act, zones };
  });
  useEffect(() => {
    function onKeyDown(e: KeyboardEvent) {
      const { drill, told, say, act, zones } = now.current;
      if (!drill || e.defaultPrevented || e.altKey || e.ctrlKey || e.metaKey || typing(e.target)) return;
      if (document.querySelector(".modal.show, .offcanvas.show, .dropdown-menu.show")) return;
      const onControl = e.target instanceof HTMLElement && e.target.closest("button, a, summary, select");
      if (e.key === "Enter" && !(onControl && !onControl.matches(".practice-option"))) {
        e.preventDefault();
        act();
        return;
      }
      const n = Number(e.key);
      if (!singleKeys() || told || !Number.isInteger(n) || n < 1 || e.key.trim() === "") return;
      if (drill.kind === "squeeze") {
        // The middle of the word that has this number, from dry to wet.
        const index = middleOf(zones, n - 1);
        if (index === undefined) return;
        say({ index: Math.round(100 * index) / 100 });
      } else if (drill.kind !== "done" && n <= drill.options.length) {
        say(drill.kind === "mend" ? { choice: n - 1, grams: 4 * stepGrams } : { choice: n - 1 });
      } else return;
      e.preventDefault();
    }
    addEventListener("keydown", onKeyDown);
    return () => removeEventListener("keydown", onKeyDown);
  }, []);
}
