import { NUMBERS } from '@riffle/contract';
import { TASKS, type CrewPace, type Post } from '@riffle/core';
import { Link } from '../../../ui/Link.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { SelectField } from '../../../ui/Field.tsx';
import { Block, Judgement } from '../../../ui/Judgement.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { durationText } from '../../../when/readDuration.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { CrewLine } from './CrewLine.tsx';
import { changeSays, crewSays, doing, standing } from './crewWords.ts';
import { Hours } from './Hours.tsx';
import { RoundWatch } from './RoundWatch.tsx';
import { useCrew, type Crew } from './useCrew.ts';

/** Who holds whom up at the box, and what another pair of hands, or standing otherwise, would give. */
export function CrewScreen() {
  const crew = useCrew();
  const { ground, rounds, solved } = crew;
  const said = solved && crewSays(solved.crew, solved.posts, rounds.length);
  return (
    <div className="flex flex-col gap-4">
      <header className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-rule pb-2">
        <span className="font-serif text-[18px] font-semibold">The crew</span>
        <Link className="min-h-11 content-center underline underline-offset-4" to={`/g/${ground.id}/run`}>
          back to Run
        </Link>
      </header>
      <Judgement
        rests={
          said?.rests ??
          'Four tasks, a tap at the end of each. Three rounds on different hands tell most; one tells something.'
        }
      >
        {said?.says ?? 'Time one bucket from the shovel into the box: who waits for whom comes out.'}
      </Judgement>
      <div className="grid grid-cols-1 gap-x-12 gap-y-6 lg:grid-cols-2">
        <div className="flex min-w-0 flex-col gap-6">
          <Block title="How you stand" aside="move hands about: the answer goes along">
            <CrewLine posts={crew.whole} worked={solved?.posts ?? []} crew={solved?.crew} onStand={crew.stand} />
            <div className="mt-2 w-44">
              <Pails value={crew.pails} onChange={crew.setPails} />
            </div>
          </Block>
          {solved && <Changes crew={solved.crew} posts={solved.posts} onStand={crew.stand} />}
        </div>
        {/* On a phone what is being timed comes before what was. */}
        <div
          className={`flex min-w-0 flex-col gap-6 ${solved && !crew.draft.watch ? '' : 'order-first lg:order-none'}`}
        >
          <RoundWatch crew={crew} />
          <Rounds crew={crew} />
          {solved && <Hours crew={crew} pace={solved.crew} />}
        </div>
      </div>
      <Caution quiet>
        A shovel’s swing apart, and nobody below another on a bank. Change places before backs tire: who only carries is
        hurt first.
      </Caution>
    </div>
  );
}

function Pails({ value, onChange }: { readonly value: number; readonly onChange: (n: number) => void }) {
  const most = Math.max(12, value);
  return (
    <SelectField
      label="Buckets that go round"
      value={String(value)}
      choices={Array.from({ length: Math.min(most, NUMBERS.pails.most) }, (_, i) => ({
        value: String(i + 1),
        label: String(i + 1),
      }))}
      onChange={(text) => onChange(Number(text))}
    />
  );
}

interface ChangesProps {
  readonly crew: CrewPace;
  readonly posts: readonly Post[];
  readonly onStand: (posts: readonly Post[]) => void;
}

/** What would come of one more at each place, and of the same hands standing otherwise. */
function Changes({ crew, posts, onStand }: ChangesProps) {
  const now = crew.buckets_h.middle;
  const people = posts.reduce((sum, p) => sum + p.people, 0);
  return (
    <Block title="What would change it" aside="the middle, and what it brings nine times in ten at least">
      <ul>
        {crew.better && (
          <Way
            what={people === 1 ? 'you' : 'the same hands'}
            how={standing(crew.better.posts)}
            says={changeSays(crew.better.times, now)}
            onTry={() => onStand(crew.better?.posts ?? posts)}
          />
        )}
        {crew.oneMore.map((times, i) => {
          const at = posts[i];
          if (!at || posts.length === 1) return null;
          return (
            <Way
              key={at.tasks[0]}
              what="one more"
              how={doing(at)}
              says={changeSays(times, now)}
              onTry={() => onStand(posts.map((p, j) => (j === i ? { ...p, people: p.people + 1 } : p)))}
            />
          );
        })}
        <Way
          what={`${people + 1} at their best`}
          how={standing(crew.bestOfMore.posts)}
          says={changeSays(crew.bestOfMore.times, now)}
          onTry={() => onStand(crew.bestOfMore.posts)}
        />
      </ul>
    </Block>
  );
}

function Way({
  what,
  how,
  says,
  onTry,
}: {
  readonly what: string;
  readonly how: string;
  readonly says: string;
  readonly onTry: () => void;
}) {
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 border-b border-rule py-1 sm:flex-nowrap">
      <span className="min-w-0 grow">
        <span className="text-ink-2">{what}: </span>
        <b>{how}</b>
      </span>
      <span className="sm:shrink-0">{says}</span>
      <TextButton aria-label={`Stand so: ${what}, ${how}`} onClick={onTry}>
        stand so
      </TextButton>
    </li>
  );
}

function Rounds({ crew: { rounds, takeOut } }: { readonly crew: Crew }) {
  const local = useLocalTime();
  if (rounds.length === 0) return null;
  return (
    <Block title="Timed so far">
      <ul>
        {rounds.map((r) => (
          <li key={r.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-rule py-0.5">
            <span className="w-24 shrink-0 text-ink-2">{local.dayTime(r.timedAt)}</span>
            <span className="min-w-0 grow">
              {TASKS.flatMap((task) => {
                const s = r[`${task}_s`];
                return s === null ? [] : [`${task} ${durationText(s)}`];
              }).join(', ')}
            </span>
            <TextButton
              aria-label={`Take out the round of ${local.dayTime(r.timedAt)}`}
              onClick={() => takeOut(r, 'The round is taken out.')}
            >
              take out
            </TextButton>
          </li>
        ))}
      </ul>
    </Block>
  );
}
