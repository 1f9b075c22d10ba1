import { useTranslation } from "react-i18next";
import type { Piece } from "../api/client";
import { useFormat } from "../ui/format";
import { pieceWord } from "./piece-word";

const wide = 210;
const tall = 150;

/** The piece in section, to scale, on what it is cooked in. */
export function PieceDrawing({ piece, method }: { piece: Piece; method: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const across =
    (piece.kind === "loaf"
      ? piece.width_mm
      : piece.kind === "cylinder"
        ? piece.length_mm
        : piece.diameter_mm) ?? 60;
  const high =
    (piece.kind === "loaf"
      ? piece.height_mm
      : piece.kind === "patty" || (piece.kind === "shell" && piece.thickness_mm)
        ? piece.thickness_mm
        : piece.kind === "stuffing"
          ? across * 0.5
          : piece.diameter_mm) ?? 40;
  const scale = Math.min(150 / across, 76 / high);
  const w = across * scale;
  const h = high * scale;
  const left = (wide - w) / 2;
  const floor = 122;
  const top = floor - h;
  const round =
    {
      patty: Math.min(h / 2, 14),
      ball: h / 2,
      cylinder: Math.min(h / 2, 12),
      loaf: 8,
      shell: h / 2,
      stuffing: 6,
    }[piece.kind] ?? 8;
  const size = `${format.number(across)} × ${format.number(high)} mm`;
  const wall = piece.kind === "shell" ? (piece.wall_mm ?? 10) * scale : 0;
  return (
    <svg
      className="piece-drawing"
      viewBox={`0 0 ${wide} ${tall}`}
      role="img"
      aria-label={t("piece.drawing", { piece: t(`piece.A.${pieceWord(piece)}`), size })}
    >
      <defs>
        <radialGradient id="crumb" cx="50%" cy="45%" r="75%">
          <stop offset="0%" className="crumb-in" />
          <stop offset="70%" className="crumb-mid" />
          <stop offset="100%" className="crumb-out" />
        </radialGradient>
      </defs>
      {piece.kind === "stuffing" ? (
        <>
          <path
            className="vessel"
            d={`M${left - 8} ${top + 6} q${w / 2 + 8} ${h * 2.1} ${w + 16} 0 l-8 0 q${-w / 2} ${h * 1.75} ${-w} 0 z`}
          />
          <path
            className="crumb"
            fill="url(#crumb)"
            d={`M${left} ${top + 8} q${w / 4} -14 ${w / 2} -8 t${w / 2} 8 q${-w / 2} ${h * 1.75} ${-w} 0 z`}
          />
        </>
      ) : (
        <rect
          className="crumb"
          fill="url(#crumb)"
          x={left}
          y={top}
          width={w}
          height={h}
          rx={Math.min(round, h / 2)}
        />
      )}
      {wall > 0 && (
        <rect
          className="filling"
          x={left + wall}
          y={top + wall}
          width={Math.max(0, w - 2 * wall)}
          height={Math.max(0, h - 2 * wall)}
          rx={Math.max(2, h / 2 - wall)}
        />
      )}
      {piece.kind === "loaf" && piece.tin !== false ? (
        <path
          className="pan-line"
          d={`M${left - 5} ${top - 8} L${left - 2} ${floor + 3} H${left + w + 2} L${left + w + 5} ${top - 8}`}
        />
      ) : method === "simmer" || method === "deep-oil" || method === "shallow-oil" ? (
        <>
          <path
            className={`bath bath-${method}`}
            d={`M10 ${method === "shallow-oil" ? floor - h / 2 : top - 14} H200 V${floor + 5} H10 Z`}
          />
          <path
            className="pan-line"
            d={`M8 ${Math.min(top - 20, 40)} V${floor + 6} H202 V${Math.min(top - 20, 40)}`}
          />
        </>
      ) : (
        piece.kind !== "stuffing" && (
          <path
            className={method === "grill" ? "pan-line grill-line" : "pan-line"}
            d={`M14 ${floor + 3} H196`}
          />
        )
      )}
      <g className="dimension">
        <path d={`M${left} ${top - 12} H${left + w} M${left} ${top - 16} v8 M${left + w} ${top - 16} v8`} />
        <text x={wide / 2} y={top - 18}>
          {format.number(across)} mm
        </text>
        {piece.kind !== "stuffing" && (
          <text x={Math.min(left + w + 6, wide - 4)} y={top + h / 2 + 4} className="beside">
            {format.number(high)}
          </text>
        )}
      </g>
    </svg>
  );
}
