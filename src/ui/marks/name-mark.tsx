/** The name mark: a comb's back over five teeth. */
export function NameMark({ size = 28 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true" focusable="false">
      <rect width="32" height="32" rx="7" fill="var(--chestnut)" />
      <g fill="none" stroke="var(--on-chestnut)" strokeWidth="2.4" strokeLinecap="round">
        <path d="M6 12c0-3 4.500-5 10-5s10 2 10 5" />
        <path d="M8 14v8M12 14.600v9.400M16 14.800v10M20 14.600v9.400M24 14v8" />
      </g>
    </svg>
  );
}
