import { FINISH_WAYS, FLOOR_SEEN, JAR_STATES, TEXTS, textProblem } from '@riffle/contract';
import { Link } from '../../../ui/Link.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { SelectField, TextField } from '../../../ui/Field.tsx';
import { Block, Judgement } from '../../../ui/Judgement.tsx';
import { DraftQuantity } from '../../../ui/DraftQuantity.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { useIsPhone } from '../../../ui/useIsPhone.ts';
import { useWidth } from '../../../ui/useWidth.ts';
import { useShow } from '../../../units/useShow.ts';
import { filmText, finishWords, minutesText } from './finishWords.ts';
import { CompanionList } from './CompanionList.tsx';
import { FloorDrawing } from './FloorDrawing.tsx';
import { Jars } from './Jars.tsx';
import { LADDER } from './ladder.ts';
import { MagnetBlock } from './MagnetBlock.tsx';
import { SluiceBlock } from './SluiceBlock.tsx';
import { useFinish, type Finish } from './useFinish.ts';

/** The last tablespoon: jars of one fraction each, the water that parts them, the magnet, what is still worth washing. */
export function FinishScreen() {
  const finish = useFinish();
  const show = useShow();
  const isPhone = useIsPhone();
  const { ground, draft, setting, depth_m, found, mark } = finish;
  const { says, rests } = finishWords(draft, setting, depth_m, found, finish.sluice, mark, show);
  return (
    <div className="flex flex-col gap-4" aria-busy={setting !== null && !finish.settled}>
      <header className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-rule pb-2">
        <span className="font-serif text-[18px] font-semibold">The last tablespoon</span>
        <Link className="min-h-11 content-center underline underline-offset-4" to={`/g/${ground.id}/clean`}>
          back to Clean
        </Link>
      </header>
      <Judgement pinned rests={rests}>
        {says}
      </Judgement>
      {isPhone && <Jars finish={finish} />}
      <form
        className="grid grid-cols-1 gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,17rem)_minmax(0,1fr)]"
        onSubmit={(e) => {
          e.preventDefault();
          finish.keep();
        }}
      >
        <div className="flex min-w-0 flex-col gap-4">
          <JarFields finish={finish} />
        </div>
        <div className="flex min-w-0 flex-col gap-5">
          {draft.way === 'recirculating box' && <FloorBlock finish={finish} />}
          {draft.way === 'finishing sluice' && <SluiceBlock finish={finish} />}
          <MagnetBlock finish={finish} />
          <KeepBlock finish={finish} />
          {!isPhone && <Jars finish={finish} />}
        </div>
      </form>
      <Caution quiet>
        Never mercury, never acid: they take more than they give. Found amalgam goes to licensed hands, in water, lid
        on. Dry outdoors, not over a stove: fumes, and dust of silica.
      </Caution>
    </div>
  );
}

function JarFields({ finish }: { readonly finish: Finish }) {
  const { draft, change, tried, setting } = finish;
  const show = useShow();
  const screens = LADDER.map((s) => ({ value: String(s.mm), label: /^\d+$/.test(s.name) ? `${s.name} mesh` : s.name }));
  return (
    <Block title={draft.jarId === null ? 'A jar' : 'This jar'}>
      <TextField
        label="What stands on it"
        value={draft.name}
        onChange={(name) => change({ name })}
        limit={TEXTS.jar}
        problem={tried ? textProblem(TEXTS.jar, draft.name) : null}
      />
      <div className="grid grid-cols-2 gap-x-4">
        <SelectField
          label="Passed"
          value={String(draft.coarsest_mm)}
          onChange={(mm) => change({ coarsest_mm: Number(mm) })}
          choices={screens}
        />
        <SelectField
          label="Lies on"
          value={String(draft.finest_mm)}
          onChange={(mm) => change({ finest_mm: Number(mm) })}
          choices={[...screens, { value: '0', label: 'the pan: all finer' }]}
          problem={draft.finest_mm >= draft.coarsest_mm ? 'A finer screen than it passed.' : null}
        />
      </div>
      <DraftQuantity
        label="How much"
        form={finish}
        of="volume"
        units={['mL', 'L', 'qt', 'gal', 'bucket']}
        says={show.volume}
      />
      <SelectField
        label="Brought down by"
        value={draft.way}
        onChange={(way) => change({ way })}
        choices={FINISH_WAYS.map((value) => ({ value, label: value }))}
      />
      {draft.way === 'recirculating box' && (
        <div className="grid grid-cols-2 gap-x-4 lg:grid-cols-1">
          <DraftQuantity
            label="Features, height"
            form={finish}
            of="feature"
            units={['mm', 'in']}
            says={(v) => filmText(v, show.display.system)}
          />
          <DraftQuantity
            label="Floor, width"
            form={finish}
            of="width"
            units={['cm', 'in', 'mm']}
            says={show.smallLength}
          />
          <DraftQuantity label="Pitch" form={finish} of="pitch" units={['%', 'in/ft', '°']} says={show.pitch} />
        </div>
      )}
      {draft.way === 'recirculating box' && (
        <CompanionList companion={draft.companion} saltWater={draft.saltWater} setting={setting} onChange={change} />
      )}
    </Block>
  );
}

/** The floor drawn, how its water stands, and each spoon with what was seen. */
function FloorBlock({ finish }: { readonly finish: Finish }) {
  const [attach, width] = useWidth(420);
  const { draft, change, readings, setting, found, depth_m, tried } = finish;
  const { system } = useShow().display;
  return (
    <Block title="The floor" aside="drag the water; ring: the mark">
      <div ref={attach}>
        {setting && (
          <FloorDrawing width={width} setting={setting} found={found} depth_m={depth_m} onDepth={finish.setDepth} />
        )}
      </div>
      <div className="mt-1 grid grid-cols-2 gap-x-4 sm:grid-cols-3">
        <QuantityField
          label="Water over the floor"
          entered={draft.depth}
          reading={readings.depth}
          units={['mm', 'in']}
          optional
          showProblem={tried}
          onChange={(depth) => change({ depth })}
        />
        <TextField
          label="Your mark: level, tap"
          value={draft.level}
          onChange={(level) => change({ level })}
          limit={TEXTS.level}
          hint="“42 mm in the tube”"
        />
        <TextField
          label="A spoon took"
          value={draft.took}
          onChange={(took) => change({ took })}
          problem={readings.took.ok ? null : readings.took.problem}
          hint="“2:10”; empty: not timed"
        />
      </div>
      <p id="spoon-seen" className="text-[13px] text-ink-2">
        A tablespoon washed down to a third: what did you see?
      </p>
      <div role="group" aria-labelledby="spoon-seen" className="grid grid-cols-3 gap-2">
        {FLOOR_SEEN.map((saw) => (
          <Button key={saw} onClick={() => finish.spoon(saw)}>
            {saw === 'right' ? 'it parts' : saw}
          </Button>
        ))}
      </div>
      {tried && depth_m === null && (
        <p role="alert" className="text-[12.5px] text-danger">
          ▲ Say how deep the water stood.
        </p>
      )}
      <ul className="mt-1 text-[13.5px]">
        {draft.spoons.map((s, i) => (
          <li key={i} className="flex items-baseline gap-3 border-b border-rule">
            <span className="grow">
              spoon {i + 1}: {s.saw === 'right' ? 'it parts' : s.saw} at {filmText(s.depth_m, system)}
              {s.level && `, “${s.level}”`}
              {s.took_s !== null && `, ${minutesText(s.took_s / 60)}`}
            </span>
            <TextButton aria-label={`Take out spoon ${i + 1}`} onClick={() => finish.dropSpoon(i)}>
              take out
            </TextButton>
          </li>
        ))}
      </ul>
    </Block>
  );
}

function KeepBlock({ finish: { draft, change, readings, tried, another } }: { readonly finish: Finish }) {
  const show = useShow();
  return (
    <Block title="Where it stands">
      <Choices
        label="State of the jar"
        value={draft.state}
        onChange={(state) => change({ state })}
        choices={JAR_STATES.map((value) => ({ value, label: value }))}
      />
      <div className="mt-2 grid grid-cols-1 gap-x-4 sm:grid-cols-2">
        <QuantityField
          label="Gold in it, weighed"
          entered={draft.gold}
          reading={readings.gold}
          units={['mg', 'g', 'grain', 'dwt', 'ozt']}
          optional
          showProblem={tried}
          onChange={(gold) => change({ gold, ...(gold.text.trim() !== '' && { state: 'weighed' as const }) })}
          comesTo={
            draft.gold.text.trim() === ''
              ? 'the book takes it from the clean-up'
              : readings.gold.ok && show.gold(readings.gold.value)
          }
        />
        <TextField label="Remarks" value={draft.note} onChange={(note) => change({ note })} limit={TEXTS.note} />
      </div>
      <Button look="main" type="submit" className="min-h-14 w-full text-[18px]">
        Keep this jar
      </Button>
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried &&
          (textProblem(TEXTS.jar, draft.name) ?? Object.values(readings).some((r) => !r.ok)) &&
          '▲ Not kept: see the fields marked.'}
      </p>
      {draft.jarId !== null && <TextButton onClick={another}>Another jar</TextButton>}
    </Block>
  );
}
