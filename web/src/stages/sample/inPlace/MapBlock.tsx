import { chanceOnMap } from '@riffle/core';
import { useCallback, useMemo, useState } from 'react';
import { usePicked } from '../../../shell/useGround.ts';
import { Choices } from '../../../ui/Choices.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { useShow } from '../../../units/useShow.ts';
import { GradeMap, type MapShows } from './GradeMap.tsx';
import type { InPlace } from './useInPlace.ts';

/** The ground from above, by grade, by chance that it pays, or by doubt; the cut-off below it. */
export function MapBlock({ inPlace }: { inPlace: InPlace }) {
  const { picked, pick } = usePicked();
  const [shows, setShows] = useState<MapShows>('grade');
  const { map, outline, inReach, cutoff_mg_L, working, stop, together, commonLogSd } = inPlace;
  const samples = inReach.length;
  const chance = useCallback(
    (grade_mg_L: number, sd_mg_L: number): number =>
      together ? chanceOnMap(grade_mg_L, sd_mg_L, cutoff_mg_L, together, samples, commonLogSd) : NaN,
    [together, cutoff_mg_L, samples, commonLogSd],
  );
  // A map by distance, or the last one while kriging is still at work, knows no doubt.
  const tellsDoubt = useMemo(() => map !== null && map.sd_mg_L.some((sd) => !Number.isNaN(sd)), [map]);
  const showing = tellsDoubt ? shows : 'grade';
  const choose = tellsDoubt ? (
    <Choices
      label="The map shows"
      value={shows}
      onChange={setShows}
      choices={[
        { value: 'grade', label: 'grade' },
        { value: 'chance', label: 'chance it pays' },
        { value: 'doubt', label: 'how unsure' },
      ]}
    />
  ) : undefined;
  return (
    <Block
      title="Grade from above"
      aside={
        working === null ? (
          choose
        ) : (
          <span role="status">
            {Math.round(working * 100)} % <TextButton onClick={stop}>Stop</TextButton>
          </span>
        )
      }
    >
      {map && outline && (
        <GradeMap
          map={map}
          outline={outline}
          places={inReach}
          cutoff_mg_L={cutoff_mg_L}
          chance={chance}
          coverKnown={inPlace.coverKnown}
          shows={showing}
          picked={picked}
          onPick={pick}
        />
      )}
      <Cutoff inPlace={inPlace} showing={showing} />
    </Block>
  );
}

/** The grade from which ground pays, on a root scale so that lean ground can be told apart. */
function Cutoff({ inPlace, showing }: { inPlace: InPlace; showing: MapShows }) {
  const { cutoff_mg_L, setCutoff, highest_mg_L, above, all } = inPlace;
  const show = useShow();
  return (
    <div className="mt-2">
      <label className="flex flex-wrap items-center gap-3">
        <span>
          Pays from <b className="text-gold">{show.grade(cutoff_mg_L)}</b>
        </span>
        <input
          type="range"
          className="h-11 min-w-0 grow accent-ink"
          aria-label="Cut-off grade"
          aria-valuetext={show.grade(cutoff_mg_L)}
          min={0}
          max={1}
          step={0.005}
          value={Math.sqrt(cutoff_mg_L / highest_mg_L)}
          onChange={(e) => setCutoff(Number(e.target.value) ** 2 * highest_mg_L)}
        />
      </label>
      {above && all && (
        <p className="text-ink-2">
          {show.figure('area', above.area_m2).digits} of {show.area(all.area_m2)} pay. Ink outlines them; the ground is
          drawn pulled straight; an open circle is a blank.
          {showing === 'chance' ? ' The darker, the likelier a pan there pays.' : ''}
        </p>
      )}
    </div>
  );
}
