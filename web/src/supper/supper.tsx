import { lazy, Suspense, useCallback, useEffect, useMemo, useState, useSyncExternalStore } from "react";
import { useNavigate } from "react-router";
import type { Foods, KeptSupper, PlanStep, SupperDocument, Vocabulary } from "../api/client";
import { ConflictChoice } from "../build/conflict-choice";
import { SaveSign } from "../build/save-sign";
import { Feed } from "../editing/feed";
import { useUndoKeys } from "../editing/undo-keys";
import { useTranslation } from "../i18n/use-translation";
import { useActions } from "../keys/actions";
import { useSettings } from "../kitchen/queries";
import { Icon } from "../ui/icon";
import { useSettled } from "../ui/use-settled";
import { AtOdds } from "./at-odds";
import { UnheldPins } from "./unheld";
import { Chart } from "./chart";
import { useClock } from "../ui/clock";
import { addDish, afresh, begunBy, fromNow, pin, pinOf, setAim, thisMinute, unpin } from "./edits";
import { Headline } from "./headline";
import { equipmentOf } from "./kitchen-dialog";
import { type Open, SupperSide } from "./left";
import { PlanList } from "./list";
import { Cautions, OtherPlans } from "./plans";
import { SupperPeople } from "./people";
import { makeInHaste, makeNext, type Planned, planOf, SupperSession, useLook } from "./queries";
import { SupperTools } from "./tools";
import { useMoving } from "./use-moving";
import { useNarrow, useNow } from "./use-now";

const AddDialog = lazy(() => import("./add-dialog"));
const DishDialog = lazy(() => import("./dish-dialog"));
const KitchenDialog = lazy(() => import("./kitchen-dialog"));
const ShopDialog = lazy(() => import("./shop-dialog"));
const StepDialog = lazy(() => import("./step-dialog"));

type Props = {
  supper: KeptSupper;
  foods: Foods;
  vocabulary: Vocabulary;
  onDelete: (name: string) => void;
};

/** The plan of what is being edited: one made in haste at once, and the whole one when it is there. */
function usePlan(session: SupperSession, d: SupperDocument) {
  const [whole, hasty] = useMemo(() => {
    const first = new Feed<Planned, SupperDocument>(session, {}, undefined, makeNext);
    const ask = (now: SupperDocument, last: Planned) => makeInHaste(now, first.snapshot().answer, last);
    return [first, new Feed<Planned, SupperDocument>(session, {}, undefined, ask)] as const;
  }, [session]);
  useEffect(() => whole.follow(), [whole]);
  useEffect(() => hasty.follow(), [hasty]);
  const fed = useSyncExternalStore(whole.subscribe, whole.snapshot);
  const quick = useSyncExternalStore(hasty.subscribe, hasty.snapshot).answer;
  const of = useMemo(() => planOf(d), [d]);
  const there = fed.answer.of === of;
  return { ...fed, answer: !there && quick.of === of && quick.plan ? quick : fed.answer, whole: there };
}

/** A supper: what starts when, on whose hands, in which oven. */
export function Supper({ supper, foods, vocabulary, onDelete }: Props) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const [session] = useState(() => new SupperSession(supper));
  useEffect(() => session.open(), [session]);
  useUndoKeys(session);
  const state = useSyncExternalStore(session.subscribe, session.snapshot);
  const { document: d } = state;
  const settings = useSettings();
  const fed = usePlan(session, d);
  const settled = useSettled(d, 700);
  const look = useLook(settled).data;
  const clock = useClock(d);
  const narrow = useNarrow();
  const equipment = equipmentOf(d, settings.data);
  const [open, setOpen] = useState<Open>();
  const close = useCallback(() => setOpen(undefined), []);
  const last = useMemo(
    () =>
      d.dishes.reduce(
        (at, dish) => (dish.at && Date.parse(dish.at) > Date.parse(at) ? dish.at : at),
        d.table,
      ),
    [d],
  );
  const moving = useMoving(session, fed.answer.plan);
  const shown = moving.plan ?? fed.answer.plan;
  const now = useNow(shown?.start, last);

  useEffect(() => {
    window.document.title = `${d.name || t("supper.untitled")} · Cuerda`;
  }, [d.name, t]);

  useActions(
    useMemo(
      () => ({
        add: () => setOpen({ kind: "add" }),
        sheet: () => void session.save().then(() => navigate(`/supper/${session.id}/print`)),
      }),
      [session, navigate],
    ),
  );

  const openStep = useCallback((s: PlanStep) => setOpen({ kind: "step", dish: s.dish, step: s.step }), []);
  const pinStep = (s: PlanStep) =>
    session.edit(
      pinOf(session.snapshot().document, s)?.start ? unpin(s, "start") : pin(s, { start: new Date(s.start) }),
    );
  const chosen =
    open?.kind === "step"
      ? shown?.steps.find((s) => s.dish === open.dish && s.step === open.step)
      : undefined;
  const people = d.eaters?.people?.reduce((n, p) => n + p.count, 0) ?? 0;
  const begun = d.now !== undefined || d.pins?.some((p) => p.begun);

  return (
    <main className="supper" id="bench">
      <div className="supper-left">
        <SupperSide
          session={session}
          document={d}
          look={look}
          clock={clock}
          equipment={equipment}
          onOpen={setOpen}
        />
        <SupperPeople session={session} document={d} look={look} vocabulary={vocabulary} />
      </div>
      <div className="supper-middle">
        {narrow && (
          <p className="supper-called">
            <strong>{d.name || t("supper.untitled")}</strong> {clock.told(d.table)}
          </p>
        )}
        <SupperTools
          session={session}
          state={state}
          id={supper.id}
          onDelete={() => onDelete(d.name ?? "")}
          sign={<SaveSign session={session} state={state} />}
        />
        {fed.stale &&
          fed.answer.plan === undefined &&
          fed.answer.problem === undefined &&
          d.dishes.length > 0 && (
            <p className="note note-reason" role="alert">
              {t("supper.planFailed")}
            </p>
          )}
        {d.dishes.length === 0 ? (
          <section className="supper-empty">
            <h1>{t("supper.emptyTitle")}</h1>
            <p>{t("supper.emptyLead")}</p>
            <button type="button" className="btn btn-primary" onClick={() => setOpen({ kind: "add" })}>
              <Icon name="plus" /> {t("supper.addDish")}
            </button>
          </section>
        ) : (
          <>
            {fed.answer.problem && !moving.plan && (
              <AtOdds document={d} problem={fed.answer.problem} session={session} cooks={equipment.cooks} />
            )}
            {shown && (
              <>
                {!moving.plan && (
                  <UnheldPins document={d} unheld={shown.unheld} session={session} clock={clock} />
                )}
                <Headline
                  document={d}
                  plan={shown}
                  clock={clock}
                  stale={fed.stale || !fed.whole || moving.plan !== undefined}
                />
                <p className="visually-hidden" role="status">
                  {moving.words}
                </p>
                {(now || begun) && (
                  <div className="plan-now-tools">
                    {now && (
                      <button
                        type="button"
                        className="btn btn-straw btn-sm"
                        onClick={() => {
                          const at = thisMinute();
                          session.edit(fromNow(at, begunBy(shown, at)));
                        }}
                      >
                        {t("supper.fromNow")}
                      </button>
                    )}
                    {begun && (
                      <button
                        type="button"
                        className="btn btn-quiet btn-sm"
                        onClick={() => session.edit(afresh)}
                      >
                        {t("supper.afresh")}
                      </button>
                    )}
                  </div>
                )}
                {narrow ? (
                  <PlanList document={d} plan={shown} clock={clock} last={last} now={now} onOpen={openStep} />
                ) : (
                  <Chart
                    document={d}
                    plan={shown}
                    clock={clock}
                    last={last}
                    now={now}
                    refused={moving.refused}
                    onOpen={openStep}
                    onMove={moving.move}
                    onDrop={moving.drop}
                    onPin={pinStep}
                  />
                )}
                {moving.refusal && (
                  <p className="note note-reason plan-why" role="alert">
                    {moving.refusal}
                  </p>
                )}
              </>
            )}
            {!shown && !fed.answer.problem && (
              <div className="skeleton-list" role="status" aria-label={t("app.loading")} />
            )}
          </>
        )}
      </div>
      <div className="supper-right">
        {d.dishes.length > 0 && (
          <OtherPlans
            document={d}
            settled={settled}
            plan={fed.answer.plan}
            answered={fed.whole}
            clock={clock}
            cooks={equipment.cooks}
            onAim={(aim) => session.edit(setAim(aim))}
          />
        )}
        {shown && d.dishes.length > 0 && (
          <Cautions document={d} plan={shown} look={look} clock={clock} foods={foods} />
        )}
      </div>
      <Suspense>
        {open?.kind === "add" && (
          <AddDialog people={people} onAdd={(dish) => session.edit(addDish(dish))} onClose={close} />
        )}
        {open?.kind === "dish" && (
          <DishDialog
            session={session}
            document={d}
            index={open.index}
            look={look}
            clock={clock}
            onClose={close}
          />
        )}
        {open?.kind === "kitchen" && (
          <KitchenDialog
            session={session}
            document={d}
            equipment={equipment}
            share={d.share_oven !== false}
            onClose={close}
          />
        )}
        {open?.kind === "shop" && look && (
          <ShopDialog
            session={session}
            document={d}
            look={look}
            foods={foods}
            currency={settings.data?.currency ?? "EUR"}
            onClose={close}
          />
        )}
        {open?.kind === "step" && chosen && shown && (
          <StepDialog
            session={session}
            document={d}
            plan={shown}
            step={chosen}
            clock={clock}
            onClose={close}
          />
        )}
      </Suspense>
      {state.status === "conflict" && state.theirs && (
        <ConflictChoice id="supper-conflict" title={t("supper.conflict")} session={session} />
      )}
    </main>
  );
}
