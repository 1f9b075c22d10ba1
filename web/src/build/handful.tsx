import { memo, useMemo } from "react";
import type { Foods, Handful as Seen } from "../api/client";
import { coded, useTranslation } from "../i18n/use-translation";
import { useFormat } from "../ui/format";
import { bitsIn, crackLines, moundOf, type Drawn } from "./handful-shape";

type Props = {
  of: Seen;
  foods: Foods;
  size?: "large" | "small";
  /** Where words beside it say the same. */
  quiet?: boolean;
  /** Where its word is still to be called: what an eye sees is said, and nothing of what it is called. */
  called?: boolean;
};

const wide = 340;
const tall = 220;

/** A squeezed handful, drawn from its numbers: what is in it, and the signs that its index shows. */
export const Handful = memo(function Handful({ of, foods, size = "large", quiet, called }: Props) {
  const words = useHandfulWords(foods);
  const key = JSON.stringify(of);
  // Drawn anew where something of it changed, however often it is answered.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const drawn = useMemo(() => draw(of, size === "small" ? 70 : 190), [key, size]);
  const show = (sign: string) => of.show[sign] ?? 0;
  const { mound, bits, cracks } = drawn;
  return (
    <svg
      className={`handful handful-${size}`}
      viewBox={`0 0 ${wide} ${tall}`}
      role={quiet ? undefined : "img"}
      aria-label={quiet ? undefined : words(of, called)}
      aria-hidden={quiet}
      style={{ "--paste": of.paste } as React.CSSProperties}
    >
      <Hands film={show("film")} />
      {show("slump") > 0.05 && (
        <path className="handful-run" d={mound.run} style={{ opacity: show("slump") }} />
      )}
      <path className="handful-paste" d={mound.path} />
      {bits.map((b, i) => (
        <Bit key={i} {...b} />
      ))}
      <g className="handful-cracks" style={{ opacity: show("cracks") }}>
        {show("cracks") > 0 && cracks.map((d) => <path key={d} d={d} />)}
      </g>
      {show("edge") > 0.05 && (
        <g style={{ opacity: show("edge") }}>
          <path className="handful-break" d={mound.break} />
          <path className="handful-edge" d={mound.edge} />
        </g>
      )}
      {show("sheen") > 0.02 && (
        <path className="handful-sheen" d={mound.sheen} style={{ opacity: 0.35 + 0.6 * show("sheen") }} />
      )}
      {show("strings") > 0.05 &&
        mound.strings.map((d) => (
          <path key={d} className="handful-string" d={d} style={{ opacity: show("strings") }} />
        ))}
      {show("crumbs") > 0.05 &&
        mound.crumbs.map((c) => (
          <circle
            key={`${c.x} ${c.y}`}
            className="handful-crumb"
            cx={c.x}
            cy={c.y}
            r={c.r}
            style={{ opacity: show("crumbs") }}
          />
        ))}
    </svg>
  );
});

function draw(of: Seen, most: number) {
  const show = (sign: string) => of.show[sign] ?? 0;
  const mound = moundOf(show("crumbs") + 0.5 * show("cracks"), show("slump"));
  return { mound, bits: bitsIn(of.bits, mound, most), cracks: crackLines(mound) };
}

/** Two palms below, with what is left on them. */
function Hands({ film }: { film: number }) {
  return (
    <g className="handful-hands">
      <path d="M28 206 C30 168 52 146 88 148 C118 150 150 168 168 206 Z" />
      <path d="M312 206 C310 168 288 146 252 148 C222 150 190 168 172 206 Z" />
      <path className="handful-thumb" d="M58 166 C50 142 66 122 84 128" />
      <path className="handful-thumb" d="M282 166 C290 142 274 122 256 128" />
      {film > 0.05 && (
        <path
          className="handful-film"
          d="M60 196 C72 168 104 160 138 176 C166 188 178 188 204 176 C240 160 268 168 280 196 Z"
          style={{ opacity: 0.75 * film }}
        />
      )}
    </g>
  );
}

function Bit({ form, x, y, turn, size, colour }: Drawn) {
  const at = `translate(${x} ${y}) rotate(${turn}) scale(${size})`;
  switch (form) {
    case "shred":
      return (
        <path
          className="bit bit-shred"
          d="M-11 0 q5 -5 11 0 t11 -1"
          style={{ stroke: colour }}
          transform={at}
        />
      );
    case "grain":
      return <circle className="bit" r={2.9} fill={colour} transform={at} />;
    case "leaf":
      return <path className="bit" d="M-7 0 Q0 -6 7 0 Q0 6 -7 0 Z" fill={colour} transform={at} />;
    case "flake":
      return <path className="bit" d="M-6 -1 l5 -3 l6 2 l1 3 l-6 3 l-6 -2 z" fill={colour} transform={at} />;
    default:
      return <ellipse className="bit" rx={8.5} ry={6.2} fill={colour} transform={at} />;
  }
}

/** Says a handful for those who do not see it: its signs, and what is in it. */
export function useHandfulWords(foods: Foods) {
  const { t } = useTranslation();
  const inItWords = useBits(foods);
  return (of: Seen, called = false) => {
    const inIt = inItWords(of);
    const signs = of.tells.map((s) => t(coded(called ? "handful.eye" : "handful.sign", s))).join(", ");
    return [t("handful.label"), signs || t("handful.bare"), inIt || t("handful.smooth")].join(". ");
  };
}

function useBits(foods: Foods) {
  const { t } = useTranslation();
  const format = useFormat();
  return (of: Seen) =>
    of.bits
      .slice(0, 4)
      .map((b) =>
        t(coded("handful.bits", b.form), {
          food: format.within(format.foodName(foods.get(b.food), b.food).split(",")[0] ?? b.food),
        }),
      )
      .join(", ");
}

/** What is in a handful, as a caption that gives away nothing of how it feels. */
export function HandfulBits({ of, foods }: { of: Seen; foods: Foods }) {
  const { t } = useTranslation();
  return <p className="handful-signs">{useBits(foods)(of) || t("handful.smooth")}</p>;
}

/** The signs of a handful in words, as a caption; what is not squeezed yet says so. */
export function HandfulSigns({ of }: { of: Seen }) {
  const { t } = useTranslation();
  const signs = of.tells.map((s) => t(coded("handful.sign", s))).join(", ");
  return <p className="handful-signs">{signs || t("handful.bare")}</p>;
}
