import { memo, useEffect, useRef } from "react";
import { useVocabulary } from "../editing/queries";
import { useTranslation } from "../i18n/use-translation";
import type { Piece, Section } from "../api/client";
import { pieceWord } from "../ui/piece-word";
import { useFormat } from "../ui/format";
import { colourOf, cutAt } from "./temperature";

type Props = { piece: Piece; method: string; section: Section; minutes: number; core: number };

const wide = 216;
const tall = 158;
const floor = 128;
const ring = 10; // degC between two rings

/** Width and height of what is drawn, mm: a loaf is cut across, a roll along. */
function sizeOf(piece: Piece, section: Section): { across: number; high: number; round: boolean } {
  const last = section.x_mm.at(-1) ?? 20;
  const step = last - (section.x_mm.at(-2) ?? 0);
  const across = 2 * (last + step / 2);
  const z = section.z_mm;
  if (!z || z.length === 0) return { across, high: across, round: true };
  const high = (z.at(-1) ?? 20) + (z[0] ?? 1);
  // A roll lies on its side.
  return piece.kind === "cylinder"
    ? { across: high, high: across, round: false }
    : { across, high, round: false };
}

/** The piece cut through and drawn to scale, with a ring every ten degrees. */
export const SectionView = memo(function SectionView({ piece, method, section, minutes, core }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const by = useVocabulary().data?.methods.find((m) => m.method === method);
  const canvas = useRef<HTMLCanvasElement>(null);
  const { across, high, round } = sizeOf(piece, section);
  const lying = piece.kind === "cylinder";
  const scale = Math.min(156 / across, 92 / high);
  const w = Math.max(8, across * scale);
  const h = Math.max(6, high * scale);
  const left = (wide - w) / 2;
  // What stands above it is its width, and the rim of what it is cooked in.
  const above = Math.max(0, floor - h - 36);
  const top = floor - h - above;
  const ground = floor - above;

  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext("2d");
    const cut = cutAt(section, minutes);
    if (!element || !context || !cut) return;
    const dense = Math.min(2, devicePixelRatio || 1);
    const columns = Math.max(1, Math.round(w * dense));
    const rows = Math.max(1, Math.round(h * dense));
    element.width = columns;
    element.height = rows;
    const image = context.createImageData(columns, rows);
    let above = new Int16Array(columns);
    for (let row = 0; row < rows; row++) {
      const here = new Int16Array(columns);
      const y = high * (1 - (row + 0.5) / rows);
      for (let column = 0; column < columns; column++) {
        const x = across * ((column + 0.5) / columns - 0.5);
        const celsius = round
          ? cut.at(x, y - high / 2)
          : lying
            ? cut.at(y - high / 2, x + across / 2)
            : cut.at(x, y);
        const band = Math.floor(celsius / ring);
        here[column] = band;
        const edge = row > 0 && column > 0 && (band !== above[column] || band !== here[column - 1]);
        const colour = colourOf(ring * (band + 0.5));
        const at = 4 * (row * columns + column);
        for (let k = 0; k < 3; k++) image.data[at + k] = (colour[k] ?? 0) * (edge ? 0.82 : 1);
        image.data[at + 3] = 255;
      }
      above = here;
    }
    context.putImageData(image, 0, 0);
  }, [section, minutes, w, h, across, high, round, lying]);

  const radius = round ? "50%" : lying ? h / 2 : piece.kind === "stuffing" ? 6 : Math.min(h / 3, 12);
  // What lies inside: a filling within its wall, or a loaf's middle.
  const wall = (piece.wall_mm ?? 10) * scale;
  const inside =
    piece.kind === "shell"
      ? { side: wall, above: wall }
      : piece.kind === "layered"
        ? { side: 0, above: (h - Math.min(piece.middle_mm ?? 15, high) * scale) / 2 }
        : null;
  const bathed = by?.medium === "water" || by?.medium === "fat";
  // In little oil a piece lies to its waist.
  const shallow = by?.oil_mm !== undefined && by.oil_mm < 20;
  return (
    <div
      className="section-view"
      role="img"
      aria-label={t("heat.section", {
        piece: t(`piece.A.${pieceWord(piece)}`),
        size: `${format.number(across)} × ${format.number(high)} mm`,
        minutes: format.minutes(Math.round(minutes * 2) / 2),
        core: format.celsius(core),
      })}
    >
      <svg viewBox={`0 0 ${wide} ${tall - above}`} width={wide} height={tall - above} aria-hidden="true">
        {piece.kind === "loaf" || piece.kind === "layered" ? (
          piece.tin !== false && (
            <path
              className="ware"
              d={`M${left - 6} ${top - 6} L${left - 3} ${ground + 3} H${left + w + 3} L${left + w + 6} ${top - 6}`}
            />
          )
        ) : piece.kind === "stuffing" ? (
          <path
            className="vessel"
            d={`M${left - 7} ${top + 4} V${ground - 6} q0 13 13 13 H${left + w - 6} q13 0 13 -13 V${top + 4}`}
          />
        ) : null}
        {bathed && (
          <path
            className={`bath bath-${by.medium}`}
            d={`M8 ${shallow ? ground - h / 2 : Math.max(8, top - 12)} H${wide - 8} V${ground + 5} H8 Z`}
          />
        )}
        <path
          className={by?.medium === "glow" ? "ware ware-grill" : "ware"}
          d={
            bathed
              ? `M6 ${Math.max(4, top - 18)} V${ground + 6} H${wide - 6} V${Math.max(4, top - 18)}`
              : `M16 ${ground + (piece.kind === "stuffing" ? 10 : 4)} H${wide - 16}`
          }
        />
        <g className="dimension">
          <path
            d={`M${left} ${top - 12} H${left + w} M${left} ${top - 16} v8 M${left + w} ${top - 16} v8`}
            transform={bathed ? "translate(0 -4)" : undefined}
          />
          <text x={wide / 2} y={top - (bathed ? 22 : 18)}>
            {format.number(across)} mm
          </text>
          {!round && (
            <text x={Math.min(left + w + 9, wide - 22)} y={top + h / 2 + 4} className="beside">
              {format.number(high)}
            </text>
          )}
        </g>
      </svg>
      <canvas
        ref={canvas}
        style={{ left, top, width: w, height: h, borderRadius: radius }}
        aria-hidden="true"
      />
      {inside && (
        <span
          className="section-inside"
          style={{
            left: left + inside.side,
            top: top + inside.above,
            width: Math.max(0, w - 2 * inside.side),
            height: Math.max(0, h - 2 * inside.above),
            borderRadius: round ? "50%" : 4,
          }}
          aria-hidden="true"
        />
      )}
      <span className="section-core figure" style={{ left: wide / 2, top: top + h / 2 }} aria-hidden="true">
        {format.number(core)}°
      </span>
    </div>
  );
});
