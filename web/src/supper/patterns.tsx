const turns = [45, -45, 0, 90, 45, -45, 0, 90];

/** The pattern of each dish, beside its colour: what is told by colour alone is told to few. */
export function Patterns() {
  return (
    <defs>
      {turns.map((turn, i) => (
        <pattern
          key={i}
          id={`dish-pattern-${i}`}
          width={i < 4 ? 7 : 9}
          height={i < 4 ? 7 : 9}
          patternUnits="userSpaceOnUse"
          patternTransform={`rotate(${turn})`}
        >
          <rect width="9" height="9" className={`dish-ground dish-${i}`} />
          {i < 4 ? (
            <line x1="0" y1="0" x2="0" y2="9" className={`dish-line dish-${i}`} />
          ) : (
            <circle cx="3" cy="3" r="1.8" className={`dish-dot dish-${i}`} />
          )}
        </pattern>
      ))}
    </defs>
  );
}
