import { memo, useState } from "react";
import { Check } from "../ui/check";
import { coded, useTranslation } from "../i18n/use-translation";
import type { BuildDocument, Foods, Prediction, Way } from "../api/client";
import { pieceWord } from "../ui/piece-word";
import { useFormat } from "../ui/format";
import { Icon } from "../ui/icon";
import { useSchools, useWays } from "./queries";
import { useSettled } from "../ui/use-settled";
import { useSettings } from "../kitchen/queries";
import { useEats, useWayWhy, useWayWords, useWholeChange } from "./way-words";

type Props = {
  document: BuildDocument;
  prediction: Prediction;
  foods: Foods;
  tried: Way | null;
  onTry: (way: Way | null) => void;
  onConvert: () => void;
};

/**
 * Other binders for this mix, each the best at one thing; any can be tried before it is taken. They wait
 * until the mix stands still, so that an edit is answered before them.
 */
export function OtherWays({ document, prediction, ...props }: Props) {
  return <SettledWays document={useSettled(document)} prediction={useSettled(prediction)} {...props} />;
}

const SettledWays = memo(function SettledWays({
  document,
  prediction: p,
  foods,
  tried,
  onTry,
  onConvert,
}: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useWayWords(foods);
  // The binders that are there stay, until the cook asks for others in their place.
  const [replace, setReplace] = useState(false);
  const ways = useWays(document, replace ? "binders" : "none");
  const binders = document.lines.some((l) => foods.get(l.food)?.binder);
  const classic = document.lines.some((l) => isClassic(l.food, foods));
  const answer = ways.data;
  const piece = t(`piece.a.${pieceWord(document.piece ?? { kind: "patty" })}`);
  return (
    <section className="panel-section" aria-labelledby="ways-title" aria-busy={ways.isFetching}>
      <header className="section-head">
        <h2 id="ways-title">{t("ways.title")}</h2>
        {answer && <span className="hint">{t("ways.from")}</span>}
      </header>
      {binders && (
        <Check label={t("ways.replace")} checked={replace} onChange={setReplace} className="ways-replace" />
      )}
      {document.lines.length === 0 ? (
        <p className="hint">{t("ways.empty")}</p>
      ) : (
        <ul className="ways">
          <li className={`way ${tried ? "" : "way-here"}`}>
            <button type="button" className="way-as-is" onClick={() => onTry(null)} aria-pressed={!tried}>
              <strong>{t("ways.asIs")}</strong>
              <small>
                {t(`squeeze.${p.word}`)} ·{" "}
                {t("ways.holds", {
                  raw: format.number(100 * p.chance_raw),
                  cooked: format.number(100 * p.chance_cooked),
                })}
              </small>
            </button>
          </li>
          {classic && (
            <li className="way way-convert">
              <strong>{t("ways.classic")}</strong>
              <button type="button" className="btn btn-straw btn-sm" onClick={onConvert}>
                {t("ways.convert")}
              </button>
            </li>
          )}
          {answer?.suggest.filter(changes).map((way) => (
            <WayCard
              key={`${way.kind} ${way.aim} ${words(way)}`}
              way={way}
              foods={foods}
              here={sameWay(tried, way)}
              onTry={onTry}
            />
          ))}
          {answer && answer.suggest.length === 0 && (
            <li className="note note-reason">
              {t(answer.nearest ? "ways.noneQuite" : "ways.none")}{" "}
              {answer.obstacles?.map((o) => t(`ways.obstacle.${o}`, { piece })).join(" ")}
              {answer.becomes && answer.becomes.length > 0 && (
                <>
                  {" "}
                  {t("eats.becomes")} {answer.becomes.map((b) => t(`eats.become.${b}`)).join(", ")}.
                </>
              )}
            </li>
          )}
          {answer?.nearest && (
            <WayCard
              way={answer.nearest}
              title={t("ways.nearest")}
              foods={foods}
              here={sameWay(tried, answer.nearest)}
              onTry={onTry}
            />
          )}
        </ul>
      )}
      {ways.isError && <p className="hint">{t("ways.failed")}</p>}
      {ways.isPending && document.lines.length > 0 && !ways.isError && (
        <div className="skeleton-list" role="status" aria-label={t("app.loading")} />
      )}
      {document.lines.length > 0 && (
        <SchoolList document={document} foods={foods} tried={tried} onTry={onTry} />
      )}
    </section>
  );
});

/** Whether a way is another than to hold the mix as it is, which has its own place. */
const changes = (way: Way) => way.changes.length + way.settings.length > 0;

const sameWay = (a: Way | null, b: Way) =>
  a !== null && JSON.stringify(a.document) === JSON.stringify(b.document);

/** Egg and wheat crumbs, flour and bread: what a classic recipe binds with. */
function isClassic(id: string, foods: Foods) {
  const f = foods.get(id);
  return f !== undefined && (f.group === "egg" || (f.gluten === "contains" && f.group === "grain-binder"));
}

type CardProps = { way: Way; title?: string; foods: Foods; here: boolean; onTry: (way: Way | null) => void };

const WayCard = memo(function WayCard({ way, title, foods, here, onTry }: CardProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useWayWords(foods);
  const currency = useSettings().data?.currency ?? "EUR";
  const why = useWayWhy(foods)(way);
  const whole = useWholeChange(foods)(way);
  const eats = useEats();
  const notes = [
    way.saves_minutes > 0
      ? t("ways.saves", { minutes: format.minutes(way.saves_minutes) })
      : way.saves_minutes < 0
        ? t("ways.costs", { minutes: format.minutes(-way.saves_minutes) })
        : t("ways.sameRest"),
  ];
  if (way.limit_pct >= 80) notes.push(t("ways.nearLimit"));
  if (way.price !== undefined) notes.push(t("ways.price", { price: format.money(way.price, currency) }));
  if (way.add.length > 0 && way.have) notes.push(t("ways.have"));
  return (
    <li className={`way ${here ? "way-here" : ""}`} data-aim={way.aim}>
      <div className="way-words">
        <span className="way-aim">
          {title ?? t(`ways.kind.${way.kind}`)}
          {!title && way.aim !== "" && <> · {t(`ways.aim.${way.aim}`)}</>}
        </span>
        <strong>{words(way)}</strong>
        {why && <span className="way-why">{why}</span>}
        <small>
          {t("ways.holds", {
            raw: format.number(100 * way.chance_raw),
            cooked: format.number(100 * way.chance_cooked),
          })}{" "}
          · {t(`squeeze.${way.word}`)} · {eats(way)}
        </small>
        <small>{notes.join(" · ")}</small>
        {whole.length > 0 && (
          <details className="way-whole">
            <summary>{t("ways.whole")}</summary>
            <small>{whole.join("; ")}</small>
          </details>
        )}
        {way.out.length > 0 && (
          <small className="way-out">
            {t("ways.stillHolds", {
              foods: way.out.map((id) => format.within(format.foodName(foods.get(id), id))).join(", "),
            })}
          </small>
        )}
      </div>
      <button
        type="button"
        className="btn btn-try btn-sm"
        aria-pressed={here}
        aria-label={`${t("ways.try")}: ${words(way)}`}
        onClick={() => onTry(here ? null : way)}
      >
        {t("ways.try")}
      </button>
    </li>
  );
});

type SchoolProps = {
  document: BuildDocument;
  foods: Foods;
  tried: Way | null;
  onTry: (way: Way | null) => void;
};

/** Where good cooks disagree: both ways, and the trade in numbers. */
const SchoolList = memo(function SchoolList({ document, foods, tried, onTry }: SchoolProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const schools = useSchools(document, open);
  return (
    <details className="schools" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>
        {t("schools.title")} <Icon name="chevron-down" />
      </summary>
      {schools.isFetching && <p className="hint">{t("app.loading")}</p>}
      {schools.data?.length === 0 && <p className="hint">{t("schools.none")}</p>}
      {schools.data?.map((s) => (
        <div key={s.question}>
          <h3>{t(`schools.question.${s.question}`)}</h3>
          <ul className="ways">
            {s.ways.map(({ code, way }) => (
              <WayCard
                key={code}
                way={way}
                title={t(coded("schools.way", code))}
                foods={foods}
                here={sameWay(tried, way)}
                onTry={onTry}
              />
            ))}
          </ul>
        </div>
      ))}
    </details>
  );
});
