import type { StoredGround, StoredOutline, StoredSign, StoredSpot } from '@riffle/contract';
import type { OUTLINE_KINDS } from '@riffle/contract';
import { reshapeLine, type Position } from '@riffle/core';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { SignMark } from '../ribbon/SignMarks.tsx';
import { toast } from '../ui/toast.ts';
import { call } from '../api/client.ts';
import { useKeep } from '../records/useKeep.ts';
import { useRecords } from '../records/useRecords.ts';
import { queryClient } from '../offline/queryClient.ts';
import { listKey } from '../offline/landing.ts';
import { currentPosition } from '../position/currentPosition.ts';
import { usePreferences } from '../preferences/preferences.ts';
import { useShow } from '../units/useShow.ts';
import { Button } from '../ui/Button.tsx';
import { Choices } from '../ui/Choices.tsx';
import { OutlineSheet } from './OutlineSheet.tsx';
import { UnderlaySheet } from './UnderlaySheet.tsx';
import { useMap, type Drawing, type LonLat } from './useMap.ts';

export interface PlanMapProps {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly signs: readonly StoredSign[];
  readonly outlines: readonly StoredOutline[];
  readonly gold: ReadonlySet<string>;
  readonly picked: string | null;
  readonly onPick: (spotId: string) => void;
  readonly onSign: (signId: string) => void;
  readonly onPlace: (at: LonLat) => void;
}

/** What one does on the map; drawing and mending ask what. */
const HANDS = {
  look: ['none'],
  draw: ['bar', 'bench', 'claim', 'protected', 'workings', 'path', 'line'],
  mend: ['bend', 'reshape'],
  measure: ['measure'],
} as const satisfies Readonly<Record<string, readonly Drawing[]>>;
type Hand = keyof typeof HANDS;
const HAND_NAMES = Object.keys(HANDS) as Hand[];
const handOf = (drawing: Drawing): Hand =>
  HAND_NAMES.find((h) => (HANDS[h] as readonly Drawing[]).includes(drawing)) ?? 'look';
const STROKE_WORDS: Partial<Record<Drawing, string>> = { line: 'the line', bend: 'the line', reshape: 'a shape' };

/** The ground in plan, north up: to look at, draw on, measure, and lay a picture of one's own beneath. */
export default function PlanMap({
  ground,
  spots,
  signs,
  outlines,
  gold,
  picked,
  onPick,
  onSign,
  onPlace,
}: PlanMapProps) {
  const keep = useKeep('outlines');
  const show = useShow();
  const [drawing, setDrawing] = useState<Drawing>('none');
  const [said, setSaid] = useState('');
  const [drawn, setDrawn] = useState<{ kind: (typeof OUTLINE_KINDS)[number]; points: LonLat[] } | null>(null);
  const [openOutline, setOpenOutline] = useState<StoredOutline | null>(null);
  const [underlayOpen, setUnderlayOpen] = useState(false);
  const [underlayTurn, setUnderlayTurn] = useState(0);
  // A line that could not be kept is drawn again as it was.
  const [lineTurn, setLineTurn] = useState(0);
  const [here, setHere] = useState<LonLat | null>(null);
  const { preferences } = usePreferences();
  const grounds = useRecords('grounds').items;
  const navigate = useNavigate();
  const joining = useMemo(
    () => grounds.filter((g) => g.line && (g.joins?.groundId === ground.id || g.id === ground.joins?.groundId)),
    [grounds, ground],
  );
  const other = grounds.find((g) => g.line?.[0])?.line?.[0];
  const elsewhere: LonLat | null = other ? [other[0], other[1]] : null;

  const whole = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // Newer browsers answer with a promise: that is no way to clean up.
    void whole.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  const [marks, drawingOf] = useDrawnMarks(signs);

  const hand = handOf(drawing);
  const take = (d: Drawing): void => {
    setDrawing(d);
    setSaid(HINTS[d]);
  };
  const findMe = (): void => {
    setSaid('Looking for your position ...');
    currentPosition(preferences.positionFrom, ground.id).then(
      (fix) => {
        setHere([fix.lon, fix.lat]);
        setSaid(`You stand at the ring, to ${show.distance(Math.max(1, fix.accuracy_m))}.`);
      },
      (error: Error) => setSaid(error.message),
    );
  };

  const writeOutline = (o: StoredOutline, points: LonLat[]): void => {
    keep.change(o, { points }, `${o.name} is redrawn.`);
  };
  const writeLine = async (points: readonly Position[], done: Drawing = 'none'): Promise<void> => {
    try {
      const kept = await call<StoredGround>('PUT', `/grounds/${ground.id}/line`, {
        line: points,
        baseVersion: ground.version,
      });
      queryClient.setQueryData<StoredGround[]>(listKey('grounds', ''), (list) =>
        list?.map((g) => (g.id === kept.id ? kept : g)),
      );
      await queryClient.invalidateQueries({ queryKey: listKey('spots', ground.id) });
      toast(`The line is ${show.distance(kept.length_m)} long.`);
      setDrawing(done);
    } catch (error) {
      setLineTurn((n) => n + 1);
      toast(
        navigator.onLine
          ? (error as Error).message
          : 'Drawing the line needs a signal, since every spot moves with it. It is as it was.',
      );
    }
  };

  const attach = useMap({
    ground,
    spots,
    signs,
    outlines,
    gold,
    joining,
    drawingOf,
    naming: drawn?.kind ?? null,
    picked,
    drawing,
    underlayTurn,
    lineTurn,
    here,
    elsewhere,
    onPick,
    onSign,
    onGround: (id) => void navigate(`/g/${id}/read`),
    onPlace,
    onOutline: setOpenOutline,
    onSay: setSaid,
    onDrawn: (what, points) => {
      if (what === 'line') void writeLine(points);
      else if (what !== 'measure') setDrawn({ kind: what, points });
    },
    onReshaped: writeOutline,
    onBent: (points) => {
      if (ground.line) void writeLine(reshapeLine(ground.line, points), 'bend');
    },
  });

  return (
    <div ref={whole} className="flex scroll-mt-24 scroll-mb-24 flex-col gap-2">
      {marks}
      <div className="no-print flex flex-wrap items-center gap-x-4 gap-y-2">
        <Choices
          label="On the map"
          value={hand}
          onChange={(h: Hand) => take(HANDS[h][0])}
          choices={HAND_NAMES.map((h) => ({ value: h, label: h }))}
        />
        <Button look="quiet" onClick={findMe}>
          Where I stand
        </Button>
        <Button look="quiet" onClick={() => setUnderlayOpen(true)}>
          Picture beneath ...
        </Button>
      </div>
      <p role="status" className="min-h-5 text-[13px] text-ink-2">
        {said}
      </p>
      <div className="relative">
        <NorthArrow />
        <div
          ref={attach}
          tabIndex={0}
          role="group"
          aria-label={`Map of ${ground.name}, north up: ${spots.length} spots, ${signs.length} signs. Arrow keys move it, plus and minus zoom.`}
          className="h-[26rem] w-full touch-none border-2 border-ink bg-picked max-sm:h-[56dvh]"
        />
      </div>
      {/* Below the map, so that it does not move under a pencil that is taken up. */}
      {HANDS[hand].length > 1 && (
        <Choices
          label={hand === 'draw' ? 'What you draw' : 'What you mend'}
          value={drawing}
          onChange={take}
          choices={HANDS[hand].map((d: Drawing) => ({ value: d, label: STROKE_WORDS[d] ?? d }))}
        />
      )}
      {drawn && (
        <OutlineSheet
          kind={drawn.kind}
          outline={null}
          sketch={{ points: drawn.points, line: ground.line }}
          onClose={() => setDrawn(null)}
          groundId={ground.id}
          onKeep={(told) => {
            keep.add({ groundId: ground.id, kind: drawn.kind, points: drawn.points, ...told });
            setDrawn(null);
          }}
        />
      )}
      {openOutline && (
        <OutlineSheet
          kind={openOutline.kind}
          outline={openOutline}
          onClose={() => setOpenOutline(null)}
          groundId={ground.id}
          onKeep={(told) => {
            keep.change(openOutline, told);
            setOpenOutline(null);
          }}
          onRemove={() => {
            keep.takeOut(openOutline, `${openOutline.name} is off the map.`);
            setOpenOutline(null);
          }}
        />
      )}
      {underlayOpen && (
        <UnderlaySheet
          groundId={ground.id}
          onClose={() => {
            setUnderlayOpen(false);
            setUnderlayTurn((n) => n + 1);
          }}
        />
      )}
    </div>
  );
}

const NorthArrow = () => (
  <svg
    width="34"
    height="52"
    viewBox="-17 -30 34 52"
    aria-hidden="true"
    className="pointer-events-none absolute top-3 right-3 z-1"
  >
    <circle cy="-4" r="16" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.4" />
    <path d="M0 8V-26M-6 -16L0 -27L6 -16" fill="none" stroke="var(--ink)" strokeWidth="2" />
    <text y="20" fontSize="13" fontWeight="700" textAnchor="middle" className="halo">
      N
    </text>
  </svg>
);

/** The ribbon's own marks of these signs, drawn once out of sight, to be stamped on the map. */
function useDrawnMarks(signs: readonly StoredSign[]): readonly [ReactNode, (kind: string) => string | null] {
  const box = useRef<SVGSVGElement>(null);
  const { light } = usePreferences().preferences;
  const named = [...new Set(signs.map((s) => s.kind))].sort().join('|');
  const kinds = useMemo(() => (named === '' ? [] : named.split('|')) as StoredSign['kind'][], [named]);
  const [drawn, setDrawn] = useState<ReadonlyMap<string, string>>(() => new Map());
  useEffect(() => {
    const css = getComputedStyle(document.documentElement);
    const inked = (svg: string): string =>
      svg
        .replaceAll(/var\((--[\w-]+)\)/g, (_all, name: string) => css.getPropertyValue(name).trim())
        // A stamp has no patterns of the page: a plain tone stands for each.
        .replaceAll(/url\(#[\w-]+\)/g, css.getPropertyValue('--gravel').trim());
    setDrawn(new Map([...(box.current?.children ?? [])].map((g, i) => [kinds[i] ?? '', inked(g.innerHTML)])));
  }, [kinds, light]);
  const marks = (
    <svg ref={box} className="hidden" aria-hidden="true">
      {kinds.map((kind) => (
        <g key={kind}>
          <SignMark kind={kind} />
        </g>
      ))}
    </svg>
  );
  return [marks, useCallback((kind: string) => drawn.get(kind) ?? null, [drawn])];
}

const HINTS: Readonly<Record<Drawing, string>> = {
  none: '',
  bar: 'Tap its corners; tap the last one again to close it.',
  bench: 'Tap its corners; tap the last one again to close it.',
  claim: 'Tap the claim’s corners as on the paper; tap the last one again. A drawing is no survey.',
  protected: 'Tap the corners of what is not to be dug: heritage, a spawning bed, a reserve; tap the last one again.',
  workings: 'Tap its corners; tap the last one again to close it.',
  path: 'Tap along it; tap the last point again to end.',
  bend: 'Drag a point of the line, or a stretch of it to make a new one. Spots with a position move along.',
  line: 'Tap up the ground from its foot to its head; tap the last point again. It takes the place of the line that is there.',
  reshape: 'Drag a corner, or a side to make a new corner.',
  measure: 'Tap along what you want to measure.',
};
