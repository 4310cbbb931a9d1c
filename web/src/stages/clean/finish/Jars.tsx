import { JAR_STATES, type StoredJar } from '@riffle/contract';
import { Block, Gold } from '../../../ui/Judgement.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { useShow } from '../../../units/useShow.ts';
import { fractionName } from './ladder.ts';
import type { Finish } from './useFinish.ts';

/** The jars on the table, the unfinished first: how far each is on its way to the scale. */
export function Jars({ finish: { jars, draft, take, takeOut } }: { readonly finish: Finish }) {
  if (jars.length === 0) return null;
  const place = (j: StoredJar): number => JAR_STATES.indexOf(j.state);
  const byState = [...jars].sort(
    (a, b) => Number(place(a) === DONE) - Number(place(b) === DONE) || b.madeAt.localeCompare(a.madeAt),
  );
  return (
    <Block title="Jars on the table" aside={`${jars.filter((j) => j.state !== 'weighed').length} not weighed yet`}>
      <ul>
        {byState.map((jar) => (
          <JarLine
            key={jar.id}
            jar={jar}
            isInHand={jar.id === draft.jarId}
            onTake={() => take(jar)}
            onTakeOut={() => takeOut(jar)}
          />
        ))}
      </ul>
    </Block>
  );
}
const DONE = JAR_STATES.length - 1;

interface JarLineProps {
  readonly jar: StoredJar;
  readonly isInHand: boolean;
  readonly onTake: () => void;
  readonly onTakeOut: () => void;
}

function JarLine({ jar, isInHand, onTake, onTakeOut }: JarLineProps) {
  const show = useShow();
  const at = JAR_STATES.indexOf(jar.state);
  return (
    <li className={`flex items-center gap-x-3 border-b border-rule py-1 ${isInHand ? 'bg-picked' : ''}`}>
      <JarDrawing full={(at + 1) / JAR_STATES.length} />
      <span className="min-w-0 grow">
        <b>{jar.name}</b>, {fractionName(jar.coarsest_mm, jar.finest_mm)}, {show.volume(jar.volume_L)}
        <span className="block text-[13.5px]">
          {jar.state}
          {jar.gold_mg !== null && (
            <>
              , <Gold>{show.gold(jar.gold_mg)}</Gold>
            </>
          )}
          {jar.note && <span className="text-ink-2">; {jar.note}</span>}
        </span>
      </span>
      <TextButton aria-label={`Go on with ${jar.name}`} onClick={onTake}>
        go on
      </TextButton>
      <TextButton aria-label={`Take ${jar.name} off the table`} onClick={onTakeOut}>
        take out
      </TextButton>
    </li>
  );
}

/** A jar with its black sand, less the further it is on its way. */
function JarDrawing({ full }: { readonly full: number }) {
  const high = 26 * (1 - 0.85 * full);
  return (
    <svg width="30" height="40" aria-hidden="true" className="shrink-0">
      <rect x="5" y={36 - high} width="20" height={high} fill="var(--ink)" />
      <path d={`M7 35h${16 * full}`} stroke="var(--gold)" strokeWidth="3" />
      <path d="M8 3h14v4l4 4v26H4V11l4 -4Z" fill="none" stroke="var(--ink)" strokeWidth="1.6" />
    </svg>
  );
}
