import type { Course, CourseBowl, CourseTask } from "../api/client";
import { Handful } from "../build/handful";
import { squeezeWords } from "../build/squeeze-words";
import { useFoods, useVocabulary } from "../editing/queries";
import { useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { Also, CardActions } from "./card-actions";
import type { CourseSession } from "./session";
import { countdown } from "./words";

type Props = { course: Course; task: CourseTask; session: CourseSession; now: number; onBack?: () => void };

/** How does it feel? */
export function SqueezeCard({ course, task, session, now, onBack }: Props) {
  const { t } = useTranslation();
  const bowl = course.dishes[task.dish]?.bowl;
  const foods = useFoods();
  const zones = useVocabulary().data?.zones;
  const wait = (Date.parse(task.at) - now) / 1000;
  return (
    <>
      {wait > 0 && bowl && bowl.added.length > 0 && (
        <p className="cook-over">{t("cook.mend.wait", { time: countdown(wait) })}</p>
      )}
      <h1 className="cook-title">{t("cook.squeeze")}</h1>
      {bowl && <p className="cook-sub">{t(`cook.should.${bowl.expected}`)}</p>}
      <p className="cook-hint squeeze-taste">{t("cook.taste")}</p>
      <div className="squeeze-words" role="group" aria-label={t("cook.squeeze")}>
        {squeezeWords.map((w) => {
          const zone = zones?.find((z) => z.word === w);
          return (
            <button
              key={w}
              type="button"
              className={`btn squeeze-word word-${w} ${w === bowl?.expected ? "word-wanted" : ""}`}
              onClick={() => session.act({ kind: "felt", dish: task.dish, word: w })}
            >
              {bowl?.handful && zone && foods.data && (
                <Handful
                  of={{ ...bowl.handful, show: zone.show, tells: zone.tells }}
                  foods={foods.data}
                  size="small"
                  quiet
                />
              )}
              <strong>{t(`squeeze.${w}`)}</strong>
              <small>{t(`squeeze.means.${w}`)}</small>
            </button>
          );
        })}
      </div>
      <CardActions onBack={onBack}>
        <Also onDo={() => session.act({ kind: "felt", dish: task.dish })}>{t("cook.noSqueeze")}</Also>
        {bowl && <TakeBack dish={task.dish} bowl={bowl} session={session} />}
      </CardActions>
    </>
  );
}

/** What was added last was not, after all. */
function TakeBack({ dish, bowl, session }: { dish: number; bowl: CourseBowl; session: CourseSession }) {
  const { t } = useTranslation();
  const format = useFormat();
  const last = bowl.added.at(-1);
  if (!last) return null;
  return (
    <Also onDo={() => session.act({ kind: "unadded", dish, name: last.id })}>
      {t("cook.mend.takeBack", { grams: format.grams(last.grams), food: format.within(last.label) })}
    </Also>
  );
}

type MendProps = {
  dish: number;
  bowl: CourseBowl;
  session: CourseSession;
  onAsIs: () => void;
};

/** What brings a mix to what its pieces want, spoon by spoon. */
export function MendCard({ dish, bowl: b, session, onAsIs }: MendProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const m = b.mend;
  if (!m) return null;
  const felt = t(`squeeze.is.${m.felt}`);
  const verdict = { "too-wet": "wet", "too-dry": "dry", fine: "fine" }[m.verdict] as "wet" | "dry" | "fine";
  return (
    <>
      <p className="cook-over">{b.felt ? "" : t("cook.mend.expected", { felt })}</p>
      <h1 className="cook-title">{t(`cook.mend.${verdict}`, { felt })}</h1>
      <div className="mend-adds">
        {m.additions.slice(0, 4).map((a, i) => {
          const count = Math.min(a.enough || 1, 2);
          const grams = Math.round(count * a.spoon_g * 10) / 10;
          return (
            <button
              key={a.food}
              type="button"
              className={`btn ${i === 0 ? "btn-primary" : "btn-straw"} mend-add`}
              onClick={() => session.act({ kind: "added", dish, food: a.food, grams, minutes: a.minutes })}
            >
              <strong>
                {t("cook.mend.add", {
                  spoons: format.measure({ amount: count, unit: a.unit }),
                  food: format.within(b.labels[a.food] ?? a.food),
                })}
              </strong>
              <small>
                {t(a.minutes > 0 ? "cook.mend.addGrams" : "cook.mend.addNow", {
                  grams: format.grams(grams),
                  minutes: format.minutes(a.minutes),
                })}
                {a.have ? "" : ` · ${t("cook.mend.notHere")}`}
              </small>
            </button>
          );
        })}
      </div>
      {b.added.length > 0 && (
        <p className="cook-hint mend-added">
          {t("cook.mend.soFar", {
            added: b.added.map((a) => `${format.grams(a.grams)} ${format.within(a.label)}`).join(", "),
          })}{" "}
          {b.much && <strong>{t("cook.mend.much")}</strong>}
        </p>
      )}
      {m.rest_minutes !== undefined && m.rest_minutes > 0 && (
        <p className="cook-hint">{t("cook.mend.rest", { minutes: format.minutes(m.rest_minutes) })}</p>
      )}
      <CardActions>
        <Also space onDo={onAsIs}>
          {t("cook.mend.asIs")}
        </Also>
        <TakeBack dish={dish} bowl={b} session={session} />
      </CardActions>
    </>
  );
}
