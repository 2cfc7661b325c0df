import { familyTitles, type Family } from '@/core/checks/finding/finding';

const shapes: Readonly<Record<Family, React.ReactNode>> = {
  duplicate: (
    <>
      <rect x="6" y="1" width="9" height="9" fill="none" stroke="currentColor" strokeWidth="1.8" />
      <rect x="1" y="6" width="9" height="9" fill="currentColor" />
    </>
  ),
  outdated: <path d="M2 1h12L8 8zM8 8l6 7H2z" fill="currentColor" />,
  visibility: (
    <>
      <path d="M2 9a6 6 0 0 1 12 0z" fill="currentColor" />
      <rect x="1.500" y="11.500" width="13" height="2.200" fill="currentColor" />
    </>
  ),
  orphan: (
    <path
      d="M13.600 5.500A6 6 0 1 0 13.600 10.500"
      fill="none"
      stroke="currentColor"
      strokeWidth="2.600"
      strokeLinecap="round"
    />
  ),
  calendar: (
    <>
      <rect
        x="1.500"
        y="2.500"
        width="13"
        height="11.500"
        fill="none"
        stroke="currentColor"
        strokeWidth="1.800"
      />
      <rect x="1.500" y="2.500" width="13" height="4" fill="currentColor" />
    </>
  ),
  structure: <path d="M1 15v-4h4V7h4V3h6v12z" fill="currentColor" />,
  readiness: <path d="M8 1l6 7-6 7-6-7z" fill="currentColor" />,
};

/** A family's shape in its colour; with `named`, its name for those who hear the page. */
export function FamilyShape({
  family,
  size = 16,
  named = false,
}: {
  family: Family;
  size?: number;
  named?: boolean;
}) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 16 16"
      style={{ color: `var(--${family})`, flex: 'none' }}
      role={named ? 'img' : undefined}
      aria-label={named ? familyTitles[family] : undefined}
      aria-hidden={named ? undefined : true}
      focusable="false"
    >
      {shapes[family]}
    </svg>
  );
}
