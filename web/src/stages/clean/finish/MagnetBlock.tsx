import { Link } from '../../../ui/Link.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { Block, Gold } from '../../../ui/Judgement.tsx';
import { inTen } from '../../../units/inTen.ts';
import { useShow } from '../../../units/useShow.ts';
import type { Finish } from './useFinish.ts';

const SAY = {
  'go on': 'Wash the rest of it',
  stop: 'Leave the rest',
  'wash some more first': 'Wash another tenth first',
} as const;

/** Magnetite off: what it took along, told by a wash of part of it. */
export function MagnetBlock({ finish: { draft, change, readings, magnet } }: { readonly finish: Finish }) {
  const show = useShow();
  const field = (of: 'magnetShare' | 'magnetFound' | 'magnetElsewhere', label: string, hint?: string) => {
    const reading = readings[of];
    return (
      <TextField
        label={label}
        value={draft[of]}
        onChange={(text) => change({ [of]: text })}
        inputMode="numeric"
        problem={reading.ok ? null : reading.problem}
        hint={hint}
      />
    );
  };
  return (
    <Block title="The magnet" aside="dry it first; through paper, twice; hematite and cassiterite stay behind">
      <div className="grid grid-cols-3 gap-x-4">
        {field('magnetShare', 'Washed of it, %', 'a quarter tells')}
        {field('magnetFound', 'Colors found in that')}
        {field('magnetElsewhere', 'Colors in what stayed')}
      </div>
      {magnet ? (
        <div role="status">
          <p className="font-bold">
            {magnet.goOn ? `${SAY[magnet.goOn.say]}: ` : ''}the magnet took {Math.round(magnet.found.colors.low)}–
            {Math.round(magnet.found.colors.high)} colors along; about <Gold>{show.gold(magnet.found.left.mg)}</Gold> of
            it are not found yet.
          </p>
          <p className="text-[13.5px] text-ink-2">
            {magnet.goOn
              ? `Washing the rest is worth its time ${inTen(magnet.goOn.pays)}; nothing is left in it ${inTen(magnet.found.chanceNoneLeft)}.`
              : `Nothing is left in it ${inTen(magnet.found.chanceNoneLeft)}.`}
            {!magnet.goOn && (
              <>
                {' '}
                <Link className="underline underline-offset-4" to="/settings">
                  Say what a gram and an hour are worth
                </Link>
                , and it says whether to go on.
              </>
            )}
          </p>
        </div>
      ) : (
        <p className="text-[13.5px] text-ink-2">
          Fine gold sticks between the grains it lifts: wash part of the magnetics before they go.
        </p>
      )}
    </Block>
  );
}
