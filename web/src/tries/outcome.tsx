import type { TryEntry } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { Rope } from "../ui/rope";

/** How a try came out, in a word or in pieces. */
export function useOutcomeWords() {
  const { t } = useTranslation();
  const format = useFormat();
  return (e: Pick<TryEntry, "outcome" | "held" | "of" | "kind" | "grades">) => {
    if (e.kind === "patties") return t("logbook.pattiesOf", { count: e.grades?.length ?? 0 });
    if (e.outcome === "some-broke" && e.of > 0)
      return t("logbook.of", { broke: format.number(e.of - e.held), of: format.number(e.of) });
    return t(coded("logbook.outcome", e.outcome));
  };
}

const width = 84;
/** Where some broke and nobody counted: more than half held. */
const uncounted = 0.7;

/** A rope that reached or parted, against the mark it had to reach; or the patties of a test. */
export function OutcomeSign({
  entry: e,
}: {
  entry: Pick<TryEntry, "outcome" | "held" | "of" | "kind" | "grades">;
}) {
  if (e.kind === "patties")
    return (
      <svg className="outcome-sign" width={width} height={20} aria-hidden="true">
        {(e.grades ?? []).slice(0, 6).map((grade, i) => (
          <circle key={i} className={`patty patty-${grade}`} cx={width - 8 - i * 14} cy={10} r={5.5} />
        ))}
      </svg>
    );
  if (e.outcome === "unsaid") return null;
  const share = e.of > 0 ? e.held / e.of : e.outcome === "some-broke" ? uncounted : 0;
  const end = e.outcome === "held" ? "whole" : e.outcome === "some-broke" ? "frayed" : "parted";
  return (
    <svg className="outcome-sign" width={width} height={20} aria-hidden="true">
      <g transform="translate(0 10)">
        <Rope length={e.outcome === "held" ? width - 2 : 16 + share * 44} thickness={9} end={end} />
      </g>
      <line className="need-mark" x1={40} x2={40} y1={2} y2={18} />
    </svg>
  );
}
