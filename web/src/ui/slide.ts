/** The style that fills the track of a range up to its thumb. */
export function filled(value: number, min: number, max: number): React.CSSProperties {
  const share = Math.min(1, Math.max(0, (value - min) / (max - min)));
  return { "--filled": `${100 * share}%` } as React.CSSProperties;
}
