import type { ReactNode } from 'react';
import type { RibbonView } from './useRibbonView.ts';

export const LAYERS = ['signs', 'float', 'grades'] as const;
export type Layer = (typeof LAYERS)[number];

interface RibbonHeadProps {
  readonly view: RibbonView;
  readonly around_m: number | undefined;
  readonly wide: boolean;
  readonly hidden: ReadonlySet<Layer>;
  readonly onLayer: (layer: Layer) => void;
}

/** What the marks mean, what is drawn, and the zoom. */
export function RibbonHead({ view, around_m, wide, hidden, onLayer }: RibbonHeadProps) {
  const zooms = [
    ['−', 'Farther', () => view.zoom(1 / 1.6)],
    ['+', 'Nearer', () => view.zoom(1.6, around_m)],
    ['all', 'The whole ribbon', () => view.all()],
  ] as const;
  return (
    <div className="no-print relative z-1 -mt-3 -mb-3 flex items-center justify-end gap-5 text-[12.5px] text-ink-2 sm:-mb-1">
      <span className={`flex items-center ${wide ? 'gap-4' : 'mr-auto gap-2.5'}`} aria-hidden="true">
        <Mark says="spot">
          <path d="M1 7h12M7 1v12" stroke="var(--ink)" strokeWidth="2.4" />
        </Mark>
        <Mark says={wide ? 'grade, 90 % band' : 'grade'}>
          <path d="M7 0v14M4 .6h6M4 13.400h6" stroke="var(--gold)" strokeWidth="1.4" />
          <circle cx="7" cy="7" r="4.5" fill="var(--gold-fill)" stroke="var(--gold)" />
        </Mark>
        <Mark says={wide ? 'blank, less than' : 'blank'}>
          <path d="M7 0v5M4 .6h6" stroke="var(--ink)" strokeWidth="1.2" strokeDasharray="2 2" />
          <circle cx="7" cy="9" r="4" fill="none" stroke="var(--ink)" strokeWidth="1.6" />
        </Mark>
        {wide && (
          <Mark says="broken: guessed">
            <path d="M0 10Q7 -2 14 10" fill="none" stroke="var(--ink-2)" strokeWidth="1.2" strokeDasharray="3 2" />
          </Mark>
        )}
      </span>
      {wide && (
        <span className="flex items-center gap-3" role="group" aria-label="Drawn on the ribbon">
          {LAYERS.map((layer) => (
            <button
              key={layer}
              type="button"
              aria-pressed={!hidden.has(layer)}
              className={`min-h-7 ${hidden.has(layer) ? 'line-through' : 'font-semibold text-ink'}`}
              onClick={() => onLayer(layer)}
            >
              {layer}
            </button>
          ))}
        </span>
      )}
      <span className="flex" role="group" aria-label="Ribbon zoom">
        {zooms.map(([sign, says, does]) => (
          <button
            key={sign}
            type="button"
            aria-label={says}
            disabled={view.whole && sign !== '+'}
            className="min-h-11 min-w-11 px-2 text-[16px] font-semibold text-ink disabled:text-ink-2 sm:min-h-7 sm:min-w-9"
            onClick={does}
          >
            {sign}
          </button>
        ))}
      </span>
    </div>
  );
}

const Mark = ({ says, children }: { says: string; children: ReactNode }) => (
  <span className="flex items-center gap-1">
    <svg width="14" height="14" aria-hidden="true">
      {children}
    </svg>
    {says}
  </span>
);
