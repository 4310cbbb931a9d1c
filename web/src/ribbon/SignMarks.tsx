import type { StoredSign } from '@riffle/contract';
import { memo } from 'react';
import { stonePath } from '../ui/stonePath.ts';

interface SignMarkProps {
  readonly kind: StoredSign['kind'];
  readonly size_mm?: number | null;
}

/** One sign as it is drawn on the ribbon and on its button: about 20 px wide around its own middle, the meaning in the shape. */
export const SignMark = memo(function SignMark({ kind, size_mm = null }: SignMarkProps) {
  switch (kind) {
    case 'boulder lee':
      return (
        <g>
          <path d={stonePath(-4, 0, 7, 5.5, 3)} fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.4" />
          <path d="M4 -3q6 3 9 3q-3 0 -9 3z" fill="url(#stipple)" stroke="var(--ink)" strokeWidth="0.6" />
        </g>
      );
    case 'bedrock':
      return <path d={stonePath(0, 0, 10, 8, 7)} fill="url(#bedrock)" stroke="var(--ink)" strokeWidth="1.2" />;
    case 'crevice':
      return (
        <path
          d="M-8 -6l4 4l-2 3l5 3l-1 4M1 -7l3 5l-2 3l5 4"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2"
          strokeLinejoin="round"
        />
      );
    case 'undercut':
      return <path d="M-10 -4Q0 9 10 -4Q0 2 -10 -4Z" fill="var(--ink)" />;
    case 'clay seam':
      return (
        <g stroke="var(--clay)" strokeWidth="2.4">
          <path d="M-10 -4h6M-1 -4h6M-7 1h6M2 1h6M-10 6h6M-1 6h6" />
        </g>
      );
    case 'black sand':
      return <ellipse rx="10" ry="5.5" fill="url(#stipple)" stroke="var(--ink)" strokeWidth="1" />;
    case 'lead or iron':
      return (
        <g fill="var(--ink)">
          <circle cx="-5" cy="2" r="3" />
          <circle cx="2" cy="-3" r="3" />
          <path d="M2 7l8 -7" stroke="var(--ink)" strokeWidth="2.4" />
        </g>
      );
    case 'float':
    case 'stained float': {
      const r = size_mm === null ? 6 : Math.min(11, 3.4 + Math.sqrt(size_mm));
      return (
        <path
          d={`M${-r} ${r * 0.5}L${-r * 0.5} ${-r * 0.8}L${r * 0.6} ${-r * 0.7}L${r} ${r * 0.3}L${r * 0.3} ${r * 0.8}Z`}
          fill={kind === 'float' ? 'var(--paper)' : 'var(--rust)'}
          fillOpacity={kind === 'float' ? 1 : 0.35}
          stroke="var(--rust)"
          strokeWidth="1.6"
          strokeLinejoin="round"
        />
      );
    }
    case 'inside bend':
      return <path d="M-10 5Q0 -10 10 5" fill="none" stroke="var(--ink)" strokeWidth="2" />;
    case 'step':
      return <path d="M-10 -5h8v9h12" fill="none" stroke="var(--ink)" strokeWidth="2.2" />;
    case 'slack':
      return (
        <path
          d="M-10 -3q3 -3 6 0t6 0t6 0M-7 4h14"
          fill="none"
          stroke="var(--water)"
          strokeWidth="2"
          strokeLinecap="round"
        />
      );
    case 'narrows':
      return <path d="M-10 -8Q0 0 10 -8M-10 8Q0 0 10 8" fill="none" stroke="var(--ink)" strokeWidth="2" />;
    case 'bench':
      return <path d="M-10 4h6v-7h14M-7 4v-3M-10 4v-3" fill="none" stroke="var(--ink)" strokeWidth="1.8" />;
    case 'draw mouth':
      return <path d="M-6 -8Q0 -2 0 7M6 -8Q0 -2 0 7" fill="none" stroke="var(--water)" strokeWidth="2" />;
    case 'cut bank':
      return (
        <g stroke="var(--ink)">
          <path d="M-10 -3h20" strokeWidth="2" />
          <path d="M-8 -3v7M-4 -3v5M0 -3v7M4 -3v5M8 -3v7" strokeWidth="1.2" />
        </g>
      );
    case 'bar':
      return <path d="M-10 0Q0 -8 10 0Q0 8 -10 0Z" fill="url(#gravel)" stroke="var(--ink)" strokeWidth="1.2" />;
    case 'old workings':
      return (
        <g fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.2">
          <path d={stonePath(-5, 4, 5, 3, 1)} />
          <path d={stonePath(5, 4, 5, 3, 2)} />
          <path d={stonePath(0, -2, 5, 3, 4)} />
        </g>
      );
    case 'turned over':
      return (
        <path d="M-8 6Q-8 -6 2 -6M2 -6l-5 -3M2 -6l-4 4M-2 6h11" fill="none" stroke="var(--ink)" strokeWidth="1.8" />
      );
    case 'virgin ground':
      return (
        <path
          d="M-8 6q2 -10 3 -12M-2 6q0 -9 1 -11M4 6q0 -8 3 -10M-10 6h20"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.6"
        />
      );
    case 'hardpan':
      return (
        <g>
          <path d="M-10 -2h20" stroke="var(--ink)" strokeWidth="2.6" />
          <path d="M-8 3h4M-1 3h4M6 3h3M-5 7h4M2 7h4" stroke="var(--clay)" strokeWidth="2" />
        </g>
      );
    case 'hollow':
      return <path d="M-11 -3h4q7 12 14 0h4" fill="none" stroke="var(--ink)" strokeWidth="1.8" />;
    case 'berm toe':
      return (
        <g>
          <path d="M-10 -6h8v9h12" fill="none" stroke="var(--ink)" strokeWidth="1.8" />
          <ellipse cx="4" cy="6" rx="6" ry="2.4" fill="url(#stipple)" stroke="var(--ink)" strokeWidth="0.6" />
        </g>
      );
    case 'rock change':
      return (
        <g>
          <path d="M0 -9L-3 9" stroke="var(--rust)" strokeWidth="2.4" />
          <path d="M-11 -5h7M-11 0h7M-11 5h6M4 -6l5 5M3 -1l6 6" stroke="var(--ink)" strokeWidth="1.2" />
        </g>
      );
    case 'flood mark':
      return (
        <g fill="none" stroke="var(--water)">
          <path d="M-10 7q3 -3 6 0t6 0t6 0" strokeWidth="1.6" />
          <path d="M-10 -4q3 -3 6 0t6 0t6 0" strokeWidth="1.2" strokeDasharray="2 2" />
          <path d="M0 4V-1m-3 3l3 -4l3 4" stroke="var(--ink)" strokeWidth="1.4" />
        </g>
      );
    case 'water hole':
      return (
        <g>
          <ellipse cx="0" cy="3" rx="9" ry="4" fill="var(--water-body)" stroke="var(--water)" strokeWidth="1.6" />
          <path d="M0 -8q3 4 0 5.500q-3 -1.500 0 -5.500" fill="var(--water)" />
        </g>
      );
    case 'box site':
      return (
        <g fill="none" stroke="var(--ink)">
          <path d="M-11 -5l22 6v4l-22 -6z" fill="var(--paper)" strokeWidth="1.6" />
          <path d="M-6 2v6M7 5v4" strokeWidth="1.6" />
          <path d="M-11 9q3 -3 6 0t6 0t6 0" stroke="var(--water)" strokeWidth="1.8" />
        </g>
      );
    case 'own word':
      return (
        <path
          d="M-7 7V-7M-7 -7h13l-4 4l4 4h-13"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.8"
          strokeLinejoin="round"
        />
      );
    // And kinds the crew named itself.
    case 'other':
    default:
      return <circle r="3" fill="none" stroke="var(--ink)" strokeWidth="1.6" />;
  }
});
