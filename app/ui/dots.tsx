/** Three dots, for the button that opens more: a list draws one in each of its rows, so it is no more than a path. */
export const Dots = ({ size = 18 }: { size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 18 18" fill="currentColor" aria-hidden>
    <path d="M2 9a1.5 1.5 0 1 1 3 0a1.5 1.5 0 1 1-3 0M7.5 9a1.5 1.5 0 1 1 3 0a1.5 1.5 0 1 1-3 0M13 9a1.5 1.5 0 1 1 3 0a1.5 1.5 0 1 1-3 0" />
  </svg>
);
