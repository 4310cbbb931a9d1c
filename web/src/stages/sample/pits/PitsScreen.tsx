import type { StoredPit } from '@riffle/contract';
import { UNSHORED_M } from '@riffle/core';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { ClosedFirst } from '../../../ground/ClosedToday.tsx';
import { useRecords } from '../../../records/useRecords.ts';
import { Ribbon } from '../../../ribbon/Ribbon.tsx';
import { useGround } from '../../../shell/useGround.ts';
import { useKeys } from '../../../shell/useKeys.ts';
import { Button } from '../../../ui/Button.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { SelectField } from '../../../ui/Field.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { useShow } from '../../../units/useShow.ts';
import { CrackStrip } from './CrackStrip.tsx';
import { HoleBlock } from './HoleBlock.tsx';
import { LayerPatterns } from './LayerPatterns.tsx';
import { LayersBlock } from './LayersBlock.tsx';
import { PitColumnBlock } from './PitColumn.tsx';
import { PitSection } from './PitSection.tsx';
import { StopBlock } from './StopBlock.tsx';
import { PitVerdict } from './PitVerdict.tsx';
import { Swept } from './Swept.tsx';
import { usePit } from './usePit.ts';

/** Pits and crevices of the ground: one drawn to scale, and the section through them all. */
export function PitsScreen() {
  const { ground } = useGround();
  const pits = useRecords('pits', ground.id).items;
  const [search, setSearch] = useSearchParams();
  const pick = useMemo(
    () =>
      (id: string | null): void =>
        setSearch(
          (before) => {
            const after = new URLSearchParams(before);
            if (id === null) after.delete('pit');
            else after.set('pit', id);
            return after;
          },
          { replace: true },
        ),
    [setSearch],
  );
  useKeys(useMemo(() => ({ n: () => pick('new') }), [pick]));
  const pit = pitAsked(pits, search.get('pit'), search.get('spot'));
  return <PitInHandView key={pit ? `${pit.id}-${pit.version}` : 'new'} pit={pit} pits={pits} onPick={pick} />;
}

/** The pit that was asked for; else one of the picked spot, else the latest; null for a new one. */
function pitAsked(pits: readonly StoredPit[], asked: string | null, spotId: string | null): StoredPit | null {
  if (asked === 'new') return null;
  return pits.find((p) => p.id === asked) ?? pits.find((p) => p.spotId === spotId) ?? pits.at(-1) ?? null;
}

interface PitInHandViewProps {
  readonly pit: StoredPit | null;
  readonly pits: readonly StoredPit[];
  readonly onPick: (id: string | null) => void;
}

function PitInHandView({ pit, pits, onPick }: PitInHandViewProps) {
  const show = useShow();
  const page = usePit(pit, pits, onPick);
  const { ground, spots, inHand } = page;
  return (
    <div className="flex flex-col gap-4">
      <LayerPatterns />
      <ClosedFirst ground={ground}>
        <PitVerdict page={page} />
      </ClosedFirst>
      {pits.length > 0 && <PitPicker pit={pit} pits={pits} onPick={onPick} />}
      {inHand.depth_m > UNSHORED_M && (
        <Caution>
          Deeper than {show.length(UNSHORED_M)}: nobody in an unshored hole. Walls fall without a sound; keep heaps and
          feet back from the edge. Local rules decide, and many are stricter.
        </Caution>
      )}
      <form
        className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,22rem)_minmax(0,1fr)_minmax(0,20rem)]"
        onSubmit={(e) => {
          e.preventDefault();
          page.keep();
        }}
      >
        <div className="flex min-w-0 flex-col gap-5">
          {inHand.draft.crevice ? (
            <Block title="The cracks" aside="gold of a meter of each, by its own pans; dashed: not cleaned out">
              {pits.some((p) => p.crevice) ? (
                <CrackStrip pits={pits} grades={page.pays} picked={pit?.id ?? null} onPick={onPick} />
              ) : (
                <p className="text-ink-2">Keep this one, and the next beside it: the ledge is drawn as you sweep it.</p>
              )}
            </Block>
          ) : (
            <PitColumnBlock page={page} />
          )}
          <StopBlock page={page} />
        </div>
        <LayersBlock page={page} />
        <HoleBlock page={page} />
      </form>
      {page.spot && <Swept ground={ground} spot={page.spot} />}
      {pits.filter((p) => p.layers.length > 0).length > 1 && (
        <Block title="The section through them" aside="pay joined from pit to pit">
          <PitSection pits={pits} spots={spots} grades={page.pays} picked={pit?.id ?? null} onPick={onPick} />
        </Block>
      )}
      <Ribbon thin ground={ground} spots={spots} grades={page.grades} picked={page.picked} onPick={page.pick} />
    </div>
  );
}

function PitPicker({ pit, pits, onPick }: PitInHandViewProps) {
  return (
    <div className="no-print flex flex-wrap items-end gap-x-4">
      <div className="w-56">
        <SelectField
          label="Pit"
          value={pit?.id ?? 'new'}
          choices={[
            ...pits.map((p) => ({ value: p.id, label: p.crevice ? `${p.name}, crevice` : p.name })),
            { value: 'new', label: 'a new one ...' },
          ]}
          onChange={onPick}
        />
      </div>
      {pit !== null && (
        <Button className="mb-5" onClick={() => onPick('new')}>
          New pit
        </Button>
      )}
    </div>
  );
}
