import { useId } from "react";

type Props = {
  /** Length in pixels, from the left edge. */
  length: number;
  thickness?: number;
  /** whole: cut clean; frayed: strands come loose at its end; parted: it has torn. */
  end?: "whole" | "frayed" | "parted";
  /** Laid rope is work done; slack rope is still to be laid. */
  laid?: boolean;
};

/** A length of three-strand rope, to stand inside an SVG with its middle on y = 0. */
export function Rope({ length, thickness = 17, end = "whole", laid = true }: Props) {
  const id = useId();
  const r = thickness / 2;
  const body = Math.max(length - (end === "whole" ? 0 : thickness * 0.6), thickness * 0.5);
  const pitch = thickness * 0.62;
  const strands = [-0.75, -0.3, 0.15, 0.55, 0.85];
  return (
    <g className={`rope ${laid ? "" : "rope-slack"} rope-${end}`}>
      <clipPath id={id}>
        <rect x={0} y={-r} width={body} height={thickness} rx={end === "whole" ? r : 3} />
      </clipPath>
      <g clipPath={`url(#${id})`}>
        <rect className="rope-fill" x={0} y={-r} width={body} height={thickness} />
        <path className="rope-lay" d={lay(Math.ceil(body / pitch / 8) * 8 + 2, pitch, r)} />
        <rect className="rope-light" x={0} y={-r * 0.72} width={body} height={r * 0.32} />
      </g>
      {end !== "whole" &&
        strands.map((s, i) => (
          <path
            key={s}
            className="rope-strand"
            d={`M${body - 2} ${s * r * 0.8} q${thickness * 0.35} ${s * r * 0.3} ${thickness * (0.55 + 0.22 * ((i * 7) % 3))} ${s * r * (end === "parted" ? 1.5 : 0.9)}`}
          />
        ))}
    </g>
  );
}

/** The turns of the strands as one path, so that a rope is few things to draw. */
function lay(turns: number, pitch: number, r: number): string {
  let d = "";
  for (let i = 0; i < turns; i++) {
    const x = (i - 1) * pitch;
    d += `M${x} ${r}C${x + pitch * 0.2} ${r * 0.2} ${x + pitch} ${-r * 0.2} ${x + pitch * 1.25} ${-r}`;
  }
  return d;
}
