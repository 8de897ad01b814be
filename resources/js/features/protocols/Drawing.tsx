/** Small drawings of our own, one for each kind of protocol; drawn with the ink of the page. */
const DRAWINGS: Record<string, string[]> = {
  burette: [
    'M26 4v26l-3 5v5',
    'M34 4v26l-3 5v5',
    'M26 10h8M26 16h8M26 22h8',
    'M14 46h32l-3 26H17z',
    'M16 56q7-4 14 0t14 0',
  ],
  dilutions: [
    'M6 30h12v38q-6 6-12 0z',
    'M24 30h12v38q-6 6-12 0z',
    'M42 30h12v38q-6 6-12 0z',
    'M6 40h12M24 50h12M42 60h12',
    'M12 10v14M30 10v14M48 10v14',
  ],
  syringe: ['M18 20h24v40H18z', 'M30 60v12', 'M18 38h24', 'M30 38V8M22 8h16', 'M42 46h6M42 54h6'],
  baths: [
    'M4 44h16v22H4zM22 44h16v22H22zM40 44h16v22H40z',
    'M4 52q4-3 8 0t8 0M22 52q4-3 8 0t8 0M40 52q4-3 8 0t8 0',
    'M30 8v26M27 34h6M26 12h8',
  ],
  bottle: ['M22 8h16v10q0 6 6 10v42H16V28q6-4 6-10z', 'M20 8h20M30 8V2', 'M16 50q7-4 14 0t14 0'],
  cooling: ['M12 30h36l-4 40H16z', 'M15 42h30', 'M26 6v14M34 6v14M22 9l16 8M38 9l-16 8'],
  page: ['M14 6h24l10 10v58H14z', 'M38 6v10h10', 'M22 30h18M22 40h18M22 50h12'],
}

export function Drawing({ name }: { name: string }) {
  return (
    <svg
      viewBox="0 0 60 80"
      className="h-16 w-12 shrink-0"
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
      strokeLinejoin="round"
      strokeLinecap="round"
    >
      {(DRAWINGS[name] ?? DRAWINGS.page ?? []).map((path) => (
        <path key={path} d={path} />
      ))}
    </svg>
  )
}
