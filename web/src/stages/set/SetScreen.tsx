import type { StoredRig } from '@riffle/contract';
import { boxLength_m, liningOf } from '@riffle/core';
import { asTyped, valueOf } from '../../units/readEntered.ts';
import { rigSections } from '../../api/rigSections.ts';
import { Caution } from '../../ui/Caution.tsx';
import { Judgement } from '../../ui/Judgement.tsx';
import { useIsPhone } from '../../ui/useIsPhone.ts';
import { useShow, type Show } from '../../units/useShow.ts';
import { TrialsBlock } from '../../trial/TrialsBlock.tsx';
import { BoxLog } from './BoxLog.tsx';
import { BoxTestSheet } from './BoxTestSheet.tsx';
import { FlowSheet } from './FlowSheet.tsx';
import { LevelSheet } from './LevelSheet.tsx';
import { LinkSheet } from './LinkSheet.tsx';
import { Suspense } from 'react';
import { HowItStands } from './HowItStands.tsx';
import { RigSheet } from './RigSheet.tsx';
import { setShow } from './setShow.ts';
import { setWords } from './setWords.tsx';
import { SeenStrip } from './SeenStrip.tsx';
import { AtAGlance, SolvedBox } from './SolvedBox.tsx';
import type { RigInHand } from './useRigInHand.ts';
import { useSetScreen, type SetOnPage } from './useSetScreen.ts';
import { late } from '../../ui/late.ts';

const WasherSheet = late(async () => (await import('./washer/WasherSheet.tsx')).WasherSheet);

/** The box and its water: type or drag how it stands; the sentence on top says what to change. On a phone sentence, drawing and window stay while one types. */
export function SetScreen({ rigInHand }: { readonly rigInHand: RigInHand }) {
  const page = useSetScreen(rigInHand);
  const show = useShow();
  const isPhone = useIsPhone();
  const { rig, inHand } = page;
  const { sentence, rests } = setWords(inHand, rig, show);
  // Weighed anew at every change: the sentence keeps the room of a usual one, so that nothing moves under the hand that drags.
  const keepsRoom = rig !== undefined;
  const rest = (
    <>
      {inHand.solved && (
        <SeenStrip
          seen={inHand.draft.seen}
          verdict={inHand.verdict}
          like={setShow(show, inHand.draft)}
          onChange={(seen) => inHand.change({ seen })}
        />
      )}
      <BoxLog page={page} />
      {rig && (
        <TrialsBlock
          groundId={page.ground.id}
          measures={['gold in the box', 'colors in the tail pan', 'minutes a bucket']}
          a={`${rig.name} as it stands`}
        />
      )}
      <Caution quiet>
        Cold fast water and rolling stones: set the box with firm footing and someone in sight. Damming, pumps and
        sluices may need a permit or be closed in season: local rules come first.
      </Caution>
    </>
  );
  return (
    <div className="flex flex-col gap-4" aria-busy={inHand.solved !== null && !inHand.settled}>
      <SetHeader page={page} />
      {isPhone ? (
        <>
          <div className="sticky top-0 z-10 -mx-4 border-b-2 border-ink bg-paper px-4 pb-1">
            <h1
              className={`py-1.5 text-[18px] leading-tight ${keepsRoom ? 'min-h-[calc(3lh+0.75rem)]' : ''}`}
              aria-live="polite"
            >
              {sentence}
            </h1>
            {inHand.solved && <AtAGlance page={page} solved={inHand.solved} />}
          </div>
          <p className={`text-ink-2 ${keepsRoom ? 'min-h-[3lh]' : ''}`}>{rests}</p>
          <HowItStands page={page} />
          {inHand.solved && <SolvedBox page={page} solved={inHand.solved} rest />}
          {rest}
        </>
      ) : (
        <>
          <Judgement rests={rests} waits={keepsRoom}>
            {sentence}
          </Judgement>
          <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,16rem)_minmax(0,1fr)]">
            <HowItStands page={page} />
            <div className="flex min-w-0 flex-col gap-4">
              {inHand.solved && <SolvedBox page={page} solved={inHand.solved} />}
              {rest}
            </div>
          </div>
        </>
      )}
      <SetSheets page={page} />
    </div>
  );
}

/** A box in a few words: as it was typed where it has one section, its whole length and its linings where it has several. */
function builtAs(rig: StoredRig, show: Show): string {
  const sections = rigSections(rig);
  const [first] = sections;
  if (!first) return '';
  if (sections.length === 1) return `${asTyped(first.widthEntered)} by ${asTyped(first.lengthEntered)}`;
  const linings = [...new Set(sections.map((s) => liningOf(s).name))];
  return `${show.length(boxLength_m(sections))} in ${sections.length} sections: ${linings.join(', ')}`;
}

function SetHeader({ page: { ground, rig, spot } }: { page: SetOnPage }) {
  const show = useShow();
  return (
    <header className="flex flex-wrap items-baseline gap-x-4 border-b border-rule pb-2">
      <span className="hidden font-serif text-[18px] font-semibold sm:inline">{ground.name}</span>
      <span className="text-ink-2">
        {rig ? `Box “${rig.name}”, ${builtAs(rig, show)}` : 'no box yet'}
        {spot && `, set at ${spot.name}`}
      </span>
    </header>
  );
}

function SetSheets({
  page: { sheet, open, close, rig, choose, inHand, book, test, mend, link, lie },
}: {
  page: SetOnPage;
}) {
  if (sheet === null) return null;
  if (sheet === 'link') return link === null ? null : <LinkSheet link={link} onClose={close} />;
  if (sheet === 'flow')
    return (
      <FlowSheet
        temperature_C={valueOf(inHand.readings.temperature) ?? 10}
        onClose={close}
        onFlow={(flow) => {
          inHand.change({ known: 'flow', flow });
          close();
        }}
        onCreek={(creek) => {
          inHand.change({ creek });
          close();
        }}
      />
    );
  if (sheet === 'level')
    return rig ? (
      <LevelSheet
        length_m={boxLength_m(rigSections(rig))}
        width_m={rigSections(rig)[0]?.width_m ?? 0.25}
        onClose={close}
        onLie={(slope, crossFall_m) => {
          lie(slope, boxLength_m(rigSections(rig)), crossFall_m);
          close();
        }}
      />
    ) : null;
  if (typeof sheet === 'object') {
    const kept = book.tests.find((t) => t.id === sheet.test);
    if (!kept || kept.tested.kind === 'event') return null;
    const { keep, takeOut } = mend(kept);
    return (
      <BoxTestSheet
        key={sheet.test}
        kind={kept.tested.kind}
        kept={kept}
        bucket={inHand.draft.bucket}
        depth={inHand.draft.depth}
        onClose={close}
        onKeep={keep}
        onTakeOut={takeOut}
      />
    );
  }
  if (sheet === 'new washer')
    return (
      <Suspense fallback={null}>
        <WasherSheet
          rig={undefined}
          onBox={() => open('new rig')}
          onClose={close}
          onKept={(id) => {
            choose(id);
            close();
          }}
        />
      </Suspense>
    );
  if (sheet !== 'rig' && sheet !== 'new rig')
    return (
      <BoxTestSheet
        key={sheet}
        kind={sheet}
        bucket={inHand.draft.bucket}
        depth={inHand.draft.depth}
        onClose={close}
        onKeep={test}
      />
    );
  return (
    <RigSheet
      rig={sheet === 'rig' ? rig : undefined}
      {...(sheet === 'new rig' && { onWasher: () => open('new washer') })}
      onClose={close}
      onKept={(id) => {
        choose(id);
        close();
      }}
    />
  );
}
