/**
 * Hatches of layers that only pits are drawn with; gravel, sand and bedrock are the page's (`index.html`).
 * Lithology after the patterns of FGDC-STD-013-2006 (section 37): silt 616, clay 620, gravel 602, sand 607, boulders 603; drawn anew.
 */
export const LayerPatterns = () => (
  <svg width="0" height="0" className="absolute" aria-hidden="true">
    <defs>
      <pattern id="silt" width="22" height="10" patternUnits="userSpaceOnUse">
        <rect width="22" height="10" fill="var(--gravel)" />
        <path d="M2 3h9M15 3h1.500M13 8h9M8 8h1.500M0 8h4" stroke="var(--ink-2)" strokeWidth="1" fill="none" />
      </pattern>
      <pattern id="clay" width="20" height="10" patternUnits="userSpaceOnUse">
        <rect width="20" height="10" fill="var(--paper)" />
        <path d="M1 3h11M12 8h8M0 8h3" stroke="var(--clay)" strokeWidth="1.6" fill="none" />
      </pattern>
      <pattern id="iron-gravel" width="22" height="17" patternUnits="userSpaceOnUse">
        <rect width="22" height="17" fill="var(--gravel)" />
        <g fill="none" stroke="var(--rust)" strokeWidth="1">
          <ellipse cx="4" cy="4" rx="3" ry="2.2" />
          <ellipse cx="11.5" cy="3" rx="2.6" ry="1.8" />
          <ellipse cx="18.5" cy="5" rx="2.8" ry="2.2" />
          <ellipse cx="9" cy="9" rx="3" ry="2.2" />
          <ellipse cx="2.5" cy="12.5" rx="2.2" ry="1.8" />
          <ellipse cx="16" cy="12" rx="3.2" ry="2.2" />
          <ellipse cx="9" cy="15" rx="2" ry="1.2" />
        </g>
      </pattern>
      <pattern id="cobbles" width="44" height="32" patternUnits="userSpaceOnUse">
        <rect width="44" height="32" fill="var(--gravel)" />
        <g fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.1">
          <ellipse cx="11" cy="9" rx="9" ry="6.5" />
          <ellipse cx="31" cy="7" rx="8" ry="5.5" />
          <ellipse cx="24" cy="23" rx="10" ry="7" />
          <ellipse cx="4" cy="26" rx="6" ry="5" />
          <ellipse cx="41" cy="25" rx="5" ry="5" />
        </g>
      </pattern>
      <pattern id="hardpan" width="18" height="12" patternUnits="userSpaceOnUse">
        <rect width="18" height="12" fill="var(--gravel)" />
        <path d="M0 0.800h18M0 6.800h18M4 0.800v6M13 6.800v5.200" stroke="var(--ink)" strokeWidth="1" fill="none" />
      </pattern>
      <pattern id="sod" width="12" height="12" patternUnits="userSpaceOnUse">
        <rect width="12" height="12" fill="var(--spine)" />
        <path
          d="M2 11l1.500 -6M5 11v-8M8.500 11l-1 -6M11 11l0.500 -4"
          stroke="var(--ink-2)"
          strokeWidth="0.9"
          fill="none"
        />
      </pattern>
    </defs>
  </svg>
);
