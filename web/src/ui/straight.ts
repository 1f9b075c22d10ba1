/** A scale of straight pieces: from one number to a place on the screen. */
export type Straight = ((value: number) => number) & {
  from: number;
  to: number;
  /** The number at a place. */
  invert: (place: number) => number;
};

/** The scale through the points (domain, range), both rising or falling along; what lies outside goes on as at the end. */
export function straight(domain: number[], range: number[], clamp = false): Straight {
  return Object.assign(through(domain, range, clamp), {
    from: domain[0] ?? 0,
    to: domain.at(-1) ?? 1,
    invert: through(range, domain, clamp),
  });
}

function through(domain: number[], range: number[], clamp: boolean) {
  const first = domain[0] ?? 0;
  const last = domain.at(-1) ?? 1;
  const rising = last >= first;
  return (value: number) => {
    const v = clamp ? Math.min(Math.max(value, Math.min(first, last)), Math.max(first, last)) : value;
    let i = 1;
    while (i < domain.length - 1 && (rising ? v > (domain[i] ?? 0) : v < (domain[i] ?? 0))) i++;
    const [a, b] = [domain[i - 1] ?? 0, domain[i] ?? 0];
    const [c, d] = [range[i - 1] ?? 0, range[i] ?? 0];
    return a === b ? c : c + ((d - c) * (v - a)) / (b - a);
  };
}

/** The step, 1, 2 or 5 times a power of ten, that divides a span into about so many. */
function stepOf(span: number, count: number): number {
  const rough = span / Math.max(1, count);
  const power = 10 ** Math.floor(Math.log10(rough));
  const off = rough / power;
  return power * (off >= Math.sqrt(50) ? 10 : off >= Math.sqrt(10) ? 5 : off >= Math.SQRT2 ? 2 : 1);
}

/** About so many round numbers from one to another. */
export function roundNumbers(from: number, to: number, count: number): number[] {
  if (!(to > from)) return [from];
  const step = stepOf(to - from, count);
  const out = [];
  for (let n = Math.ceil(from / step); n * step <= to * (1 + 1e-12); n++) out.push(n * step);
  return out;
}

/** A span widened to round numbers. */
export function rounded(from: number, to: number, count: number): [number, number] {
  if (!(to > from)) return [from, to];
  const step = stepOf(to - from, count);
  return [Math.floor(from / step) * step, Math.ceil(to / step) * step];
}
