import { format } from 'date-fns';
import { asTyped } from '../../units/readEntered.ts';
import { Button } from '../../ui/Button.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { FlowSheet } from './FlowSheet.tsx';
import { HowItStands } from './HowItStands.tsx';
import { RigSheet } from './RigSheet.tsx';
import { SetVerdict } from './SetVerdict.tsx';
import { SolvedBox } from './SolvedBox.tsx';
import { useSetScreen, type SetOnPage } from './useSetScreen.ts';

/** Kept set-ups offered to be taken up again. */
const OFFERED = 8;

/** The box and its water: type or drag how it stands; the sentence on top says what to change. */
export function SetScreen() {
  const page = useSetScreen();
  const { rig, inHand } = page;
  return (
    <div className="flex flex-col gap-4">
      <SetHeader page={page} />
      <SetVerdict inHand={inHand} rig={rig} />
      <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,16rem)_minmax(0,1fr)]">
        <HowItStands page={page} />
        <div className="flex min-w-0 flex-col gap-4">
          {inHand.solved && <SolvedBox page={page} solved={inHand.solved} />}
          {page.latestFirst.length > 0 && <KeptSetups page={page} />}
          <Caution quiet>
            Cold fast water and rolling stones: set the box with firm footing and someone in sight. Damming, pumps and
            sluices may need a permit or be closed in season: local rules come first.
          </Caution>
        </div>
      </div>
      <SetSheets page={page} />
    </div>
  );
}

function SetHeader({ page: { ground, rig, spot } }: { page: SetOnPage }) {
  return (
    <header className="flex flex-wrap items-baseline gap-x-4 border-b border-rule pb-2">
      <span className="hidden font-serif text-[18px] font-semibold sm:inline">{ground.name}</span>
      <span className="text-ink-2">
        {rig ? `Box “${rig.name}”, ${asTyped(rig.widthEntered)} by ${asTyped(rig.lengthEntered)}` : 'no box yet'}
        {spot && `, set at ${spot.name}`}
      </span>
    </header>
  );
}

function KeptSetups({ page: { latestFirst, rigs, load } }: { page: SetOnPage }) {
  return (
    <Block title="Kept set-ups" aside="take one up again">
      <ul className="flex flex-wrap gap-2">
        {latestFirst.slice(0, OFFERED).map((s) => (
          <li key={s.id}>
            <Button onClick={() => load(s)}>
              {format(new Date(s.setAt), 'd MMM')}: {rigs.find((r) => r.id === s.rigId)?.name ?? 'box'},{' '}
              {asTyped(s.pitchEntered)}
            </Button>
          </li>
        ))}
      </ul>
    </Block>
  );
}

function SetSheets({ page: { sheet, close, rig, choose, inHand } }: { page: SetOnPage }) {
  if (sheet === null) return null;
  if (sheet === 'flow')
    return (
      <FlowSheet
        onClose={close}
        onFlow={(flow) => {
          inHand.change({ known: 'flow', flow });
          close();
        }}
      />
    );
  return (
    <RigSheet
      rig={sheet === 'rig' ? rig : undefined}
      onClose={close}
      onKept={(id) => {
        choose(id);
        close();
      }}
    />
  );
}
