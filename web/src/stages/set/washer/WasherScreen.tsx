import type { StoredRig } from '@riffle/contract';
import { batteryHours, type WasherSetting } from '@riffle/core';
import { rigSections } from '../../../api/rigSections.ts';
import { Caution } from '../../../ui/Caution.tsx';
import { Block, Judgement } from '../../../ui/Judgement.tsx';
import { useIsPhone } from '../../../ui/useIsPhone.ts';
import { useWidth } from '../../../ui/useWidth.ts';
import { asTyped, valueOf } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { BoxLog } from '../BoxLog.tsx';
import { BoxTestSheet } from '../BoxTestSheet.tsx';
import { FeedDial } from '../FeedDial.tsx';
import { RigSheet } from '../RigSheet.tsx';
import type { RigInHand } from '../useRigInHand.ts';
import { PassesBlock } from './PassesBlock.tsx';
import { useWasherScreen, type WasherOnPage } from './useWasherScreen.ts';
import { WasherFields } from './WasherFields.tsx';
import { WasherMeasured } from './WasherMeasured.tsx';
import { WasherSeen } from './WasherSeen.tsx';
import { WasherSheet } from './WasherSheet.tsx';
import { WasherSide } from './WasherSide.tsx';
import { WasherWindowChart } from './WasherWindowChart.tsx';
import { washerWords } from './washerWords.tsx';

interface WasherScreenProps {
  readonly rigInHand: RigInHand;
  readonly rig: StoredRig;
}

/** The dry washer and its air: type or drag how it stands; the sentence on top says what to change. On a phone sentence, drawing and window stay while one types. */
export function WasherScreen({ rigInHand, rig }: WasherScreenProps) {
  const page = useWasherScreen(rigInHand, rig);
  const show = useShow();
  const isPhone = useIsPhone();
  const { sentence, rests } = washerWords(page, show);
  const { solved } = page;
  return (
    <div className="flex flex-col gap-4" aria-busy={solved !== null && !page.settled}>
      <WasherHeader page={page} />
      {isPhone ? (
        <>
          <div className="sticky top-0 z-10 -mx-4 border-b-2 border-ink bg-paper px-4 pb-1">
            <h1 className="min-h-[calc(3lh+0.75rem)] py-1.5 text-[18px] leading-tight" aria-live="polite">
              {sentence}
            </h1>
            {solved && <AtAGlance page={page} setting={solved.setting} />}
          </div>
          <p className="min-h-[3lh] text-ink-2">{rests}</p>
          <Dust />
          <WasherFields page={page} />
          {solved && <Solved page={page} setting={solved.setting} rest />}
        </>
      ) : (
        <>
          <Judgement rests={rests} waits>
            {sentence}
          </Judgement>
          <Dust />
          <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,16rem)_minmax(0,1fr)]">
            <WasherFields page={page} />
            {solved && <Solved page={page} setting={solved.setting} />}
          </div>
        </>
      )}
      <Sheets page={page} />
    </div>
  );
}

/** The caution that bites here, in sight before the drive is switched on. */
const Dust = () => (
  <Caution>
    The dust is silica and scars lungs for good: a respirator that seals, the wind from behind, nobody downwind. Belts
    take fingers: stop the motor first. Shade and water before the feed; snakes lie under tarpaulins and boulders.
  </Caution>
);

function WasherHeader({ page: { ground, rig, spot } }: { page: WasherOnPage }) {
  const [tray] = rigSections(rig);
  return (
    <header className="flex flex-wrap items-baseline gap-x-4 border-b border-rule pb-2">
      <span className="hidden font-serif text-[18px] font-semibold sm:inline">{ground.name}</span>
      <span className="text-ink-2">
        Dry washer “{rig.name}”{tray && `, ${asTyped(tray.widthEntered)} by ${asTyped(tray.lengthEntered)}`}
        {spot && `, set at ${spot.name}`}
      </span>
    </header>
  );
}

interface OfSetting {
  readonly page: WasherOnPage;
  readonly setting: WasherSetting;
}

const changedTo = ({ verdict }: WasherOnPage) => (verdict?.advice.kind === 'change' ? verdict.advice : null);

/** The washer worked out: from the side, its window, its passes, how fast to feed it. `rest`: without the first two, which stand above. */
function Solved({ page, setting, rest = false }: OfSetting & { readonly rest?: boolean }) {
  const [attach, width] = useWidth(560);
  const { verdict } = page;
  const after = changedTo(page)?.after ?? verdict?.now;
  return (
    <div className="grid min-w-0 grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1.45fr)_minmax(0,1fr)]">
      <div ref={attach} className="flex min-w-0 flex-col gap-4">
        {!rest && (
          <Block title="The washer from the side" aside="to scale; gold lies uphill of each riffle; drag the head">
            <Side page={page} setting={setting} width={width} />
          </Block>
        )}
        <PassesBlock page={page} setting={setting} />
        <WasherSeen page={page} />
        <BoxLog page={page} />
      </div>
      <div className="grid content-start gap-x-8 gap-y-4 sm:grid-cols-2 lg:grid-cols-1">
        {!rest && (
          <Block
            title="The window"
            aside="chance that it works; drag the point"
            className="sm:col-span-2 lg:col-span-1"
          >
            <Window page={page} setting={setting} least={270} />
          </Block>
        )}
        {verdict && after && (
          <Block title="Feed it">
            <FeedDial
              pace_m3_s={after.pace_m3_s}
              scoop_L={valueOf(page.readings.scoop)}
              bucket_L={valueOf(page.readings.bucket)}
            />
            <AirFigures page={page} setting={setting} />
          </Block>
        )}
        <WasherMeasured page={page} />
      </div>
    </div>
  );
}

/** Air, and how long the battery drives it. */
function AirFigures({ page: { rig, verdict }, setting }: OfSetting) {
  const show = useShow();
  if (!verdict) return null;
  const battery = rig.washer?.battery;
  const { middle, low, high } = verdict.now.peak_m_s;
  return (
    <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-3 text-[13.5px]">
      <dt className="text-ink-2">air at the height of a puff</dt>
      <dd>
        {show.speed(middle)} ({show.range('speed', low, high)})
      </dd>
      <dt className="text-ink-2">bed loose</dt>
      <dd>{Math.round(100 * verdict.now.open.middle)} % of the turn</dd>
      {setting.drive.kind === 'bellows' && (
        <>
          <dt className="text-ink-2">puffs a minute</dt>
          <dd>{Math.round(setting.drive.puffs_min)}</dd>
        </>
      )}
      {battery && (
        <>
          <dt className="text-ink-2">battery</dt>
          <dd>{batteryHours(battery.usable_Ah, battery.drawn_A).toFixed(1)} h</dd>
        </>
      )}
    </dl>
  );
}

/** Drawing and window side by side, small enough to stay above the fields of a phone. */
function AtAGlance({ page, setting }: OfSetting) {
  const [attach, width] = useWidth(180);
  return (
    <div className="grid grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] items-end gap-2">
      <div ref={attach} className="min-w-0">
        <Side page={page} setting={setting} width={width} />
      </div>
      <Window page={page} setting={setting} least={150} />
    </div>
  );
}

function Side({ page, setting, width }: OfSetting & { readonly width: number }) {
  const then = changedTo(page);
  return (
    <WasherSide
      width={width}
      setting={setting}
      peak_m_s={page.verdict?.now.peak_m_s.middle ?? null}
      washer={page.rig.washer}
      advised={then && then.setting.slope !== setting.slope ? then.setting.slope : null}
      onSlope={page.dragSlope}
    />
  );
}

/** The window, with its point to drag; its place is kept while it is worked out. */
function Window({ page, setting, least }: OfSetting & { readonly least: number }) {
  const [attach, width] = useWidth(380);
  const { verdict, window } = page;
  const then = changedTo(page);
  return (
    <div ref={attach} className="min-w-0" style={{ minHeight: least }}>
      {verdict && window && (
        <WasherWindowChart
          width={width}
          window={window}
          setting={setting}
          works={verdict.now.works}
          then={
            then && {
              times: then.lever.kind === 'air' ? then.lever.times : 1,
              slope: then.setting.slope,
              works: then.after.works,
            }
          }
          onMove={page.dragPoint}
        />
      )}
    </div>
  );
}

function Sheets({ page }: { page: WasherOnPage }) {
  const { sheet, close, rig, rigInHand, draft, test } = page;
  if (sheet === null) return null;
  const onKept = (id: string): void => {
    rigInHand.choose(id);
    close();
  };
  if (sheet === 'rig') return <WasherSheet rig={rig} onClose={close} onKept={onKept} />;
  if (sheet === 'new washer')
    return <WasherSheet rig={undefined} onBox={() => page.open('new rig')} onClose={close} onKept={onKept} />;
  if (sheet === 'new rig')
    return <RigSheet rig={undefined} onWasher={() => page.open('new washer')} onClose={close} onKept={onKept} />;
  return (
    <BoxTestSheet
      key={sheet}
      kind={sheet}
      isDry
      bucket={draft.bucket}
      depth={{ text: '', unit: 'mm' }}
      onClose={close}
      onKeep={test}
    />
  );
}
