/** The sign of the application: three shoots. */
export function Mark({ size }: { size: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true" className="mark">
      <g fill="none" stroke="currentColor" strokeWidth="2.4" strokeLinecap="round">
        <path d="M16 27C16 18 15 12 8 8" />
        <path d="M16 20c1-6 4-9 9-10" />
        <path d="M15.6 15C13 13 10 13 7 15" />
      </g>
    </svg>
  );
}
