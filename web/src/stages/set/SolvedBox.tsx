import { boxLength_m, toleranceAt } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';
import { valueOf } from '../../units/readEntered.ts';
import { Block } from '../../ui/Judgement.tsx';
import { useWidth } from '../../ui/useWidth.ts';
import { BoxMeasured } from './BoxMeasured.tsx';
import { BoxEnd } from './BoxEnd.tsx';
import { BoxSide } from './BoxSide.tsx';
import { BoxWindowChart } from './BoxWindowChart.tsx';
import { CatchChart } from './CatchChart.tsx';
import { FeedDial } from './FeedDial.tsx';
import { isDrowned, type SettingRead } from './readSetup.ts';
import { setShow } from './setShow.ts';
import { SetNumbers } from './SetNumbers.tsx';
import type { SetVerdictFound } from './solveSetup.ts';
import type { SetOnPage } from './useSetScreen.ts';

interface SolvedBoxProps {
  readonly page: SetOnPage;
  readonly solved: NonNullable<SettingRead['solved']>;
}

/** The box worked out: from the side, its window, where it catches, how fast to feed it, and the figures. `rest`: without the first two, which stand above. */
export function SolvedBox({ page, solved, rest = false }: SolvedBoxProps & { readonly rest?: boolean }) {
  const show = useShow();
  const [attach, width] = useWidth(640);
  const like = setShow(show, page.inHand.draft);
  const { setting, middle } = solved;
  const { readings, verdict, surface } = page.inHand;
  const then = changedTo(verdict);
  // Box and catch stand over each other, length on length.
  const [left, right] = endsOf(width);
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1.45fr)_minmax(0,1fr)]">
      <div ref={attach} className="flex min-w-0 flex-col gap-4">
        {!rest && (
          <Block title="The box from the side" aside="to scale; drag head and water; dashed: where it should go">
            <Side page={page} solved={solved} width={width} />
            {surface && <BoxEnd setting={setting} middle={middle} surface={surface} like={like} />}
          </Block>
        )}
        {rest && surface && (
          <Block title="From the tail" aside="to scale">
            <BoxEnd setting={setting} middle={middle} surface={surface} like={like} />
          </Block>
        )}
        <Block
          title="Where each size is caught"
          aside={`of the gold fed; band: 9 boxes in 10, at ${show.grainSize(0.0002)}`}
        >
          <CatchChart
            width={width}
            left={left}
            right={right}
            sections={setting.sections}
            curves={verdict?.now.curves ?? []}
            vCloses_m={surface?.vCloses_m ?? null}
          />
        </Block>
        <BoxMeasured page={page} />
      </div>
      <div className="grid content-start gap-x-8 gap-y-4 sm:grid-cols-2 lg:grid-cols-1">
        {!rest && (
          <Block
            title="The window"
            aside="chance that it works; drag the point"
            className="sm:col-span-2 lg:col-span-1"
          >
            <Window page={page} solved={solved} least={270} />
            <MayErr page={page} solved={solved} />
          </Block>
        )}
        {verdict && (
          <Block title="Feed it">
            {isDrowned(surface) && <p className="mb-2 font-bold">Feed nothing before its tail is free.</p>}
            <FeedDial
              pace_m3_s={(then?.after ?? verdict.now).pace_m3_s}
              scoop_L={valueOf(readings.scoop)}
              bucket_L={valueOf(readings.bucket)}
            />
          </Block>
        )}
        {verdict && (
          <Block title="In figures" aside="the middle box">
            <SetNumbers
              now={{ setting, middle, weighed: verdict.now }}
              then={then && { setting: then.setting, weighed: then.after }}
              like={like}
            />
          </Block>
        )}
      </div>
    </div>
  );
}

/** Drawing and window side by side, small enough to stay above the fields of a phone. */
export function AtAGlance({ page, solved }: SolvedBoxProps) {
  const [attach, width] = useWidth(180);
  return (
    <div className="grid grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] items-end gap-2">
      <div ref={attach} className="min-w-0">
        <Side page={page} solved={solved} width={width} />
      </div>
      <Window page={page} solved={solved} least={150} />
    </div>
  );
}

/** Where a box is drawn between, for drawings that wide. */
const endsOf = (width: number): readonly [number, number] =>
  width > 480 ? [52, width - 130] : width > 260 ? [46, width - 112] : [14, width - 26];
const changedTo = (verdict: SetVerdictFound | null) => (verdict?.advice.kind === 'change' ? verdict.advice : null);

function Side({ page, solved: { setting, middle }, width }: SolvedBoxProps & { readonly width: number }) {
  const show = useShow();
  const { surface } = page.inHand;
  const then = changedTo(page.inHand.verdict);
  const [left, right] = endsOf(width);
  if (!surface) return null;
  return (
    <BoxSide
      width={width}
      left={left}
      right={right}
      setting={setting}
      middle={middle}
      surface={surface}
      advised={then && then.setting.slope !== setting.slope ? then.setting.slope : null}
      like={setShow(show, page.inHand.draft)}
      onSlope={(slope) => page.dragSlope(slope, boxLength_m(setting.sections))}
      onDepth={page.dragDepth}
    />
  );
}

/** How far one may err each way before the box works less than 8 times in 10, where it is set or where it should be. */
function MayErr({ page, solved: { setting } }: SolvedBoxProps) {
  const show = useShow();
  const { verdict, window } = page.inHand;
  if (isDrowned(page.inHand.surface)) return null;
  // Its room is kept while it is worked out.
  if (!verdict || !window) return <p className="mt-1 min-h-[2lh] text-[13.5px]" />;
  const then = changedTo(verdict);
  const slope = then?.setting.slope ?? setting.slope;
  const found = toleranceAt(window, slope, (then?.after ?? verdict.now).depth_m);
  if (!found) return null;
  const length_m = boxLength_m(setting.sections);
  // A hand sets no finer than a millimeter.
  const like = setShow(show, page.inHand.draft);
  const whole = (of: 'head' | 'water', by_m: number): string =>
    like[of].smallLength(Math.max(0.001, Math.round(by_m * 1000) / 1000));
  return (
    <p className="mt-1 text-[13.5px]">
      {then ? 'Set there' : 'Set so'}, you may err by {whole('head', found.steeper * length_m)} of head up and{' '}
      {whole('head', found.flatter * length_m)} down, and by {whole('water', found.thinner_m)} less or{' '}
      {whole('water', found.deeper_m)} more water.
    </p>
  );
}

/** The window, with its point to drag; its place is kept while it is worked out. */
function Window({ page, solved: { setting }, least }: SolvedBoxProps & { readonly least: number }) {
  const [attach, width] = useWidth(380);
  const { verdict, window } = page.inHand;
  const then = changedTo(verdict);
  return (
    <div ref={attach} className="min-w-0" style={{ minHeight: least }}>
      {verdict && window && (
        <BoxWindowChart
          width={width}
          window={window}
          now={{
            setting,
            depth_m: setting.water.known === 'depth' ? setting.water.depth_m : verdict.now.depth_m,
            works: verdict.now.works,
          }}
          then={then && { slope: then.setting.slope, depth_m: then.after.depth_m, works: then.after.works }}
          onMove={page.dragPoint}
        />
      )}
    </div>
  );
}
