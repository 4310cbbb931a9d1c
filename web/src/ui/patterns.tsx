/** Hatches of the drawings, defined once for the page: gravel pebbles, sand, black-sand stipple, bedrock cross-hatch, hachures, against. */
export function Patterns() {
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true">
      <defs>
        <pattern id="gravel" width="26" height="20" patternUnits="userSpaceOnUse">
          <rect width="26" height="20" fill="var(--gravel)" />
          <g fill="none" stroke="var(--ink-2)" strokeWidth="0.8">
            <ellipse cx="5" cy="5" rx="3.6" ry="2.6" />
            <ellipse cx="14" cy="3.500" rx="2.800" ry="2" />
            <ellipse cx="22" cy="6.500" rx="3.200" ry="2.800" />
            <ellipse cx="11" cy="11" rx="3.800" ry="2.800" />
            <ellipse cx="3" cy="15" rx="2.600" ry="2.200" />
            <ellipse cx="19.500" cy="15" rx="4" ry="2.800" />
            <ellipse cx="11" cy="18" rx="2" ry="1.400" />
          </g>
        </pattern>
        <pattern id="stipple" width="7" height="7" patternUnits="userSpaceOnUse">
          <g fill="var(--ink)">
            <circle cx="1.500" cy="1.500" r="1" />
            <circle cx="5" cy="3" r="1" />
            <circle cx="2.800" cy="5.400" r="1" />
            <circle cx="6.300" cy="6.300" r="0.800" />
          </g>
        </pattern>
        <pattern id="sand" width="11" height="9" patternUnits="userSpaceOnUse">
          <rect width="11" height="9" fill="var(--gravel)" />
          <g fill="var(--ink-2)">
            <circle cx="2" cy="2" r="0.7" />
            <circle cx="7.500" cy="3.500" r="0.7" />
            <circle cx="4.500" cy="6.500" r="0.7" />
            <circle cx="10" cy="7.500" r="0.6" />
          </g>
        </pattern>
        <pattern id="bedrock" width="7" height="7" patternUnits="userSpaceOnUse">
          <path d="M0 0l7 7M7 0L0 7" stroke="var(--ink)" strokeWidth="0.9" />
        </pattern>
        <pattern id="hachure" width="5" height="8" patternUnits="userSpaceOnUse">
          <path d="M2.500 0v8" stroke="var(--ink)" strokeWidth="0.9" />
        </pattern>
        <pattern id="ripples" width="34" height="18" patternUnits="userSpaceOnUse">
          <path d="M2 6q4 -4 8 0t8 0M19 15q4 -4 7 0t7 0" fill="none" stroke="var(--water)" strokeWidth="1.100" />
        </pattern>
        <pattern id="against" width="6" height="6" patternUnits="userSpaceOnUse">
          <path d="M0 6L6 0" stroke="var(--ink)" strokeWidth="1.1" />
        </pattern>
      </defs>
    </svg>
  );
}
