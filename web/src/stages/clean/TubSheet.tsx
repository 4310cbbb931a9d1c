import { FINISH_WAYS, NUMBERS, numberProblem, TEXTS, textProblem, type StoredLift, type Tub } from '@riffle/contract';
import { leftInTub, type Entered } from '@riffle/core';
import { useState } from 'react';
import { usePanned } from '../../reading/usePanned.ts';
import { useContainers } from '../../records/useContainers.ts';
import { useKeep } from '../../records/useKeep.ts';
import { useGround } from '../../shell/useGround.ts';
import { Button } from '../../ui/Button.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { Checkbox } from '../../ui/Checkbox.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { readVolume } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { numberTyped } from '../../units/numberTyped.ts';

interface TubSheetProps {
  readonly lift: StoredLift;
  readonly tub: Tub;
  readonly onClose: () => void;
}

const NOTHING: Entered = { text: '', unit: 'L' };

/** A tub on its way: where it stands, how it was brought down to gold, and what its sand still holds. */
export function TubSheet({ lift: now, tub, onClose }: TubSheetProps) {
  // As it was when the sheet opened: what another changes meanwhile is told apart, not written over.
  const [lift] = useState(now);
  const { change } = useKeep('lifts');
  const containers = useContainers();
  const [place, setPlace] = useState(tub.place);
  const [holder, setHolder] = useState(tub.holder);
  const [way, setWay] = useState(tub.finish?.way ?? null);
  const [magnet, setMagnet] = useState(tub.finish?.magnet ?? false);
  const [left, setLeft] = useState(tub.finish?.left?.leftEntered ?? NOTHING);
  const [panned, setPanned] = useState(tub.finish?.left?.pannedEntered ?? { text: '250', unit: 'mL' });
  const [colors, setColors] = useState(String(tub.finish?.left?.colors ?? ''));
  const [tried, setTried] = useState(false);

  const hasLeft = left.text.trim() !== '';
  const [leftRead, pannedRead] = [readVolume(left, containers), readVolume(panned, containers)];
  const leftProblem = leftRead.ok ? numberProblem(NUMBERS.bagVolume_L, leftRead.value) : null;
  const pannedProblem = pannedRead.ok ? numberProblem(NUMBERS.sampleVolume_L, pannedRead.value) : null;
  const count = numberTyped(colors);
  const countProblem = Number.isInteger(count) ? numberProblem(NUMBERS.colors, count) : 'A whole number, 0 for none.';
  const leftIs =
    hasLeft && leftRead.ok && pannedRead.ok && !leftProblem && !pannedProblem && !countProblem
      ? { left_L: leftRead.value, panned_L: pannedRead.value, colors: count }
      : null;
  const textsWrong = textProblem(TEXTS.place, place) ?? textProblem(TEXTS.holder, holder);
  const save = (some: Partial<Tub> = {}, says = `Tub ${tub.tag} is put right.`): void => {
    setTried(true);
    if (textsWrong || (way !== null && hasLeft && !leftIs)) return;
    const finish =
      way === null
        ? null
        : {
            at: tub.finish?.at ?? new Date().toISOString(),
            way,
            magnet,
            left: leftIs && { ...leftIs, leftEntered: left, pannedEntered: panned },
          };
    const told: Tub = { ...tub, place: place.trim(), holder: holder.trim(), finish, ...some };
    change(lift, { tubs: lift.tubs.map((t) => (t.tag === tub.tag ? told : t)) }, says);
    onClose();
  };
  return (
    <FormSheet title={`Tub ${tub.tag}, ${tub.name || 'a section'}`} onClose={onClose} onSave={() => save()} tight>
      <div className="grid grid-cols-2 gap-x-4">
        <TextField label="Where it stands" value={place} onChange={setPlace} limit={TEXTS.place} />
        <TextField label="With whom" value={holder} onChange={setHolder} limit={TEXTS.holder} />
      </div>
      <p className="text-[13px] text-ink-2">Brought down to gold with</p>
      <Choices
        label="Brought down to gold with"
        value={way}
        onChange={setWay}
        choices={FINISH_WAYS.map((w) => ({ value: w, label: w }))}
      />
      {way !== null && (
        <>
          <Checkbox checked={magnet} onChange={setMagnet}>
            Magnet used; what it took was washed once more
          </Checkbox>
          <div className="grid grid-cols-2 gap-x-4">
            <QuantityField
              label="Sand left of it"
              entered={left}
              reading={leftRead}
              units={['L', 'mL', 'scoop', 'bucket']}
              optional
              showProblem={tried && hasLeft}
              problem={leftProblem}
              onChange={setLeft}
            />
            {hasLeft && (
              <QuantityField
                label="of that panned"
                entered={panned}
                reading={pannedRead}
                units={['mL', 'L', 'scoop', 'pan']}
                showProblem={tried}
                problem={pannedProblem}
                onChange={setPanned}
              />
            )}
          </div>
          {hasLeft && (
            <TextField
              label="Colors in that pan"
              value={colors}
              onChange={setColors}
              inputMode="numeric"
              problem={tried ? countProblem : null}
              hint="stir it before you take the pan"
            />
          )}
          {leftIs && <StillThere {...leftIs} />}
        </>
      )}
      <div className="mt-2 flex flex-wrap gap-3">
        <Button look="main" type="submit">
          Keep it so
        </Button>
        <Button
          look="danger"
          onClick={() =>
            save({ lost: !tub.lost }, tub.lost ? `Tub ${tub.tag} is there after all.` : `Tub ${tub.tag} is lost.`)
          }
        >
          {tub.lost ? 'It is there after all' : 'It tipped over'}
        </Button>
      </div>
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried &&
          hasLeft &&
          !leftIs &&
          way !== null &&
          '▲ Not kept yet: say how much was panned of it, and its colors.'}
      </p>
      <Caution quiet>
        No mercury, no acid. Dry outdoors, upwind: fumes and silica dust harm. Found amalgam goes to licensed hands.
      </Caution>
    </FormSheet>
  );
}

/** What the sand that is left should still hold. */
function StillThere(left: { readonly left_L: number; readonly panned_L: number; readonly colors: number }) {
  const { ground } = useGround();
  const show = useShow();
  const { weights_mg, luckColor_mg } = usePanned(ground).panned.colors;
  const finest_mg = weights_mg['-40'];
  const band = leftInTub(left.colors, left.panned_L, left.left_L, finest_mg, Math.max(finest_mg, luckColor_mg));
  return (
    <p role="status" className="border-l-4 border-ink pl-3">
      {band.low > 0 ? (
        <>
          Still in it: <b className="text-gold">{show.gold(band.low)}</b> to{' '}
          <b className="text-gold">{show.gold(band.high)}</b>, nine times in ten.
        </>
      ) : (
        <>
          Still in it: at most <b className="text-gold">{show.gold(band.high)}</b>, nineteen times in twenty.
        </>
      )}{' '}
      Keep it dry and named, or pan on.
    </p>
  );
}
