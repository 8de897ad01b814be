/** A decoration: a curve that bends, with its points. */
export function CurveSketch() {
  const points = [
    [10, 128],
    [40, 114],
    [70, 106],
    [100, 100],
    [130, 94],
    [155, 87],
    [172, 78],
    [181, 62],
    [186, 42],
    [200, 28],
    [225, 21],
    [255, 17],
    [290, 14],
  ] as const
  return (
    <svg viewBox="0 0 300 140" className="w-full" aria-hidden="true">
      <path d="M5 135H297M5 135V5" stroke="var(--faint)" fill="none" />
      <polyline
        points={points.map(([x, y]) => `${x},${y}`).join(' ')}
        fill="none"
        stroke="var(--color-primary)"
        strokeWidth="2"
      />
      {points.map(([x, y]) => (
        <circle
          key={x}
          cx={x}
          cy={y}
          r="4"
          fill="var(--color-base-100)"
          stroke="var(--color-primary)"
          strokeWidth="2"
        />
      ))}
      <circle cx="184" cy="52" r="6" fill="var(--color-accent)" />
    </svg>
  )
}
