import type { ReactNode } from 'react';

/** Riffle's own stage drawings, 28 x 22. Decoration: the word always stands beside it. */
const Drawing = ({ children }: { children: ReactNode }) => (
  <svg
    viewBox="0 0 28 22"
    width="28"
    height="22"
    aria-hidden="true"
    fill="none"
    stroke="currentColor"
    strokeWidth="1.7"
    strokeLinecap="round"
    strokeLinejoin="round"
  >
    {children}
  </svg>
);

export const ReadIcon = () => (
  <Drawing>
    <path d="M2 6c5-4 8 4 13 0s7-2 11 0M2 16c5-4 8 4 13 0s7-2 11 0" />
    <path d="M8 11h1M14 11h1M20 11h1" strokeWidth="2.6" />
  </Drawing>
);
export const SampleIcon = () => (
  <Drawing>
    <ellipse cx="14" cy="11" rx="12" ry="8" />
    <ellipse cx="14" cy="11" rx="7" ry="4.2" />
    <path d="M14 11h.1" strokeWidth="3.4" />
  </Drawing>
);
export const SetIcon = () => (
  <Drawing>
    <path d="M2 7l22 6v4L2 11z" />
    <path d="M8 12v7M20 15.5v3.5M2 19.5h24" />
  </Drawing>
);
export const RunIcon = () => (
  <Drawing>
    <path d="M7 7h14l-2.5 13h-9zM7 7c0-6 14-6 14 0" />
  </Drawing>
);
export const CleanIcon = () => (
  <Drawing>
    <path d="M14 2v17M8 19.5h12M4 5h20M4 5l-3 7h6zM24 5l-3 7h6z" />
  </Drawing>
);
export const BooksIcon = () => (
  <Drawing>
    <path d="M14 4c-3-2-8-2-12-1v15c4-1 9-1 12 1 3-2 8-2 12-1V3c-4-1-9-1-12 1zM14 4v15" />
  </Drawing>
);
export const SettingsIcon = () => (
  <Drawing>
    <path d="M2 7h24M2 15h24" />
    <path d="M9 4.5v5M19 12.5v5" strokeWidth="4" />
  </Drawing>
);
export const DayIcon = () => (
  <Drawing>
    <path d="M2 19h24M6 19a8 8 0 0 1 16 0M14 2v4M4 8l3 2M24 8l-3 2" />
  </Drawing>
);
