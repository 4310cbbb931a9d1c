import type { BoxHeard } from '@riffle/core';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { TextButton } from '../ui/TextButton.tsx';
import { LISTEN_S, useListening, type Listening } from './useListening.ts';

/** What is heard, and what to do. Never as certain: the eye decides. */
const SAYS: Readonly<Record<BoxHeard, { readonly heard: string; readonly todo: string }>> = {
  quiet: { heard: 'Water alone.', todo: 'Feed a scoop and it listens for it.' },
  moving: { heard: 'Stones move.', todo: 'Wait until they have cleared.' },
  cleared: { heard: 'Cleared, it seems: next scoop.', todo: 'Look at the tail now and then.' },
  'stopped early': {
    heard: 'Quiet sooner than usual.',
    todo: 'A small scoop, or stones lie: look behind the riffles.',
  },
  'too long': {
    heard: 'Still moving after twice the usual.',
    todo: 'Fed too fast, or a big stone: let it clear.',
  },
  'cannot tell': {
    heard: 'Cannot tell by ear.',
    todo: 'Another noise, or the phone has moved. Look, or teach it again.',
  },
};

/** The phone against the box: hears stones move over the water's noise, once it was taught both. */
export function ListenSheet({ rigId, onClose }: { readonly rigId: string; readonly onClose: () => void }) {
  const listening = useListening(rigId);
  const { learned, alike, now, problem, forget } = listening;
  return (
    <Sheet title="Listen to the box" onClose={onClose}>
      <div className="flex flex-col gap-3">
        {learned && !alike ? (
          <>
            <p className="font-serif text-[24px] leading-tight font-semibold" aria-live="polite">
              {now ? SAYS[now.heard].heard : 'Listening ...'}
            </p>
            <Dial chance={now?.heard === 'cannot tell' ? null : (now?.chance ?? 0)} />
            <p className="text-[17px]">{now && SAYS[now.heard].todo}</p>
            <p className="text-ink-2">
              {now?.usual_s
                ? `A scoop usually clears in ${now.usual_s < 10 ? now.usual_s.toFixed(1) : Math.round(now.usual_s)} s here.`
                : 'After three scoops it knows how long one takes here.'}
            </p>
          </>
        ) : (
          <Teach listening={listening} />
        )}
        {problem && (
          <p role="alert" className="font-bold text-danger">
            ▲ {problem}
          </p>
        )}
        <p className="text-[13px] text-ink-2">
          Nothing is recorded or sent. Learned on this phone for this box; a hint beside the eye, no more.
        </p>
        {learned && <TextButton onClick={forget}>teach it again</TextButton>}
      </div>
    </Sheet>
  );
}

/** The two sounds are marked, one after the other. */
function Teach({ listening: { missing, alike, marking, mark } }: { readonly listening: Listening }) {
  const steps = [
    { sound: 'water', title: 'Water alone', how: 'Feed nothing.' },
    { sound: 'stones', title: 'Stones moving', how: 'Feed scoop after scoop, so that stones never stop rolling.' },
  ] as const;
  return (
    <>
      {alike ? (
        <p className="font-bold">
          Water and stones sound too much alike here: it cannot tell them apart. Lay the phone elsewhere and teach it
          again, or go by the eye.
        </p>
      ) : (
        <p className="text-ink-2">
          Lay the phone in its bag against the outside of the box, near the head, where it stays. It learns two sounds,{' '}
          {LISTEN_S} seconds each.
        </p>
      )}
      {steps.map(({ sound, title, how }) => {
        const isOn = marking?.sound === sound;
        const done = !alike && !isOn && (missing === null || (missing === 'stones' && sound === 'water'));
        return (
          <div key={sound} className="border-t border-rule pt-2">
            <p>
              <b>{title}</b> {done ? 'heard' : how}
            </p>
            <Button
              look={!done && (alike || missing === sound) ? 'main' : 'plain'}
              className="relative mt-1 min-h-14 w-full overflow-hidden text-[17px]"
              disabled={marking !== null}
              onClick={() => mark(sound)}
            >
              {isOn
                ? `${Math.max(0, Math.ceil(LISTEN_S * (1 - marking.share)))} s more`
                : done
                  ? 'Hear it again'
                  : `Hear it, ${LISTEN_S} s`}
            </Button>
          </div>
        );
      })}
    </>
  );
}

/** Half a circle from water alone to stones moving; no needle where it cannot tell. */
function Dial({ chance }: { readonly chance: number | null }) {
  // A needle never lies flat at an end: nothing here is certain.
  const angle = Math.PI * (0.95 - 0.9 * (chance ?? 0));
  return (
    <svg
      viewBox="0 0 300 172"
      className="block w-full max-w-[22rem]"
      role="img"
      aria-label={chance === null ? 'No needle' : `Stones move: ${Math.round(10 * chance)} in 10`}
    >
      <path d="M24 150A126 126 0 0 1 276 150" fill="none" stroke="var(--ink)" strokeWidth="2" />
      <path d="M29.600 112.500A126 126 0 0 0 24 150H60A90 90 0 0 1 64 123Z" fill="var(--water-body)" stroke="none" />
      <path d="M270.400 112.500A126 126 0 0 1 276 150H240A90 90 0 0 0 236 123Z" fill="url(#gravel)" stroke="none" />
      {Array.from({ length: 21 }, (_, i) => {
        const a = (Math.PI * i) / 20;
        const long = i % 5 === 0 ? 16 : 8;
        return (
          <path
            key={i}
            d={`M${150 - 126 * Math.cos(a)} ${150 - 126 * Math.sin(a)}L${150 - (126 - long) * Math.cos(a)} ${150 - (126 - long) * Math.sin(a)}`}
            stroke="var(--ink)"
            strokeWidth={i % 5 === 0 ? 2 : 1}
          />
        );
      })}
      {chance !== null && (
        <path
          d={`M150 150L${150 + 108 * Math.cos(angle)} ${150 - 108 * Math.sin(angle)}`}
          stroke="var(--ink)"
          strokeWidth="5"
          strokeLinecap="round"
        />
      )}
      <circle cx="150" cy="150" r="10" fill="var(--ink)" />
      <text x="24" y="170" fontSize="14">
        water
      </text>
      <text x="276" y="170" fontSize="14" textAnchor="end">
        stones
      </text>
    </svg>
  );
}
