import { useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { Link } from '../../../ui/Link.tsx';
import { ClosedFirst } from '../../../ground/ClosedToday.tsx';
import { useGround } from '../../../shell/useGround.ts';
import { SyncState } from '../../../shell/SyncState.tsx';
import { Button } from '../../../ui/Button.tsx';
import { useAlone } from '../../../ui/useAlone.ts';
import { useShow } from '../../../units/useShow.ts';
import { PocketDark } from './PocketDark.tsx';
import { useWalk } from './useWalk.ts';
import { useWalkKeep } from './useWalkKeep.ts';
import { WalkActions } from './WalkActions.tsx';
import { WalkByHand } from './WalkByHand.tsx';
import { WalkCreek } from './WalkCreek.tsx';
import { WalkFacts } from './WalkFacts.tsx';
import { WalkFirst } from './WalkFirst.tsx';
import { WalkSlips, type WalkSlipsHandle } from './WalkSlips.tsx';
import { bellWords } from './walkWords.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';

/** The ground walked: one huge screen for the hand, bells for the pocket. */
export function WalkScreen() {
  const local = useLocalTime();
  const { ground, spots } = useGround();
  const walk = useWalk(ground, spots);
  const keep = useWalkKeep(walk);
  const show = useShow();
  const navigate = useNavigate();
  const slips = useRef<WalkSlipsHandle>(null);
  const [dark, setDark] = useState(false);
  useAlone(true);
  const { said, marks, shut, where } = walk;
  const saidWords = useMemo(
    // What rang a while ago may hold no more.
    () => (said && walk.isNews ? said.bells.map((b) => bellWords(b, marks, shut, show)).join(' ') : ''),
    [said, walk.isNews, marks, shut, show],
  );
  // What stands in the largest letters already is not said twice.
  const isNews = walk.isNews && !walk.inShut && !walk.wayShut && !walk.isThere;
  const place =
    where && !walk.isOld
      ? { distance_m: Math.round(where.distance_m), bank: where.bank, offset_m: Math.round(where.offset_m) }
      : null;
  return (
    <div className="flex flex-col gap-2.5 max-sm:min-h-[calc(100dvh-1.4rem)] sm:gap-4">
      <header className="flex items-center justify-between gap-3 border-b-2 border-ink pb-1">
        <Link to={`/g/${ground.id}/read`} className="inline-flex min-h-11 items-center gap-2 text-[16px] font-semibold">
          <span aria-hidden="true">◂</span> Read
        </Link>
        <span className="sm:hidden">
          <SyncState />
        </span>
        {!walk.byHand && (
          <Button look="quiet" onClick={() => walk.setByHand(true)}>
            By hand
          </Button>
        )}
        <Button look="quiet" onClick={() => setDark(true)}>
          Pocket
        </Button>
      </header>
      <div className="flex grow flex-col gap-2.5 sm:grid sm:grid-cols-[minmax(0,1fr)_minmax(0,27rem)] sm:content-start sm:gap-x-10">
        <div className="flex min-w-0 flex-col gap-2.5">
          <ClosedFirst ground={ground} after={walk.inShut !== null}>
            <WalkFirst walk={walk} />
          </ClosedFirst>
          <p role="alert" className={isNews ? 'border-l-4 border-ink pl-3 text-[16px] font-semibold' : 'sr-only'}>
            {saidWords}
          </p>
          <WalkByHand walk={walk} />
        </div>
        <WalkCreek walk={walk} />
        <WalkFacts walk={walk} onRiver={() => slips.current?.open('river')} />
        <div data-thumb="" className="sticky bottom-0 z-10 mt-auto flex flex-col gap-2 bg-paper pb-1 sm:static">
          {keep.last && (
            <p role="status" className="flex items-center justify-between gap-3 text-[16px]">
              <span className="min-w-0">
                {local.clock(keep.last.at_ms)} {keep.last.says}
              </span>
              <Button className="shrink-0" onClick={keep.last.undo}>
                Undo
              </Button>
            </p>
          )}
          <WalkActions
            walk={walk}
            keep={keep}
            onColor={() => {
              const spotId = keep.countHere();
              if (spotId) void navigate(`/g/${ground.id}/sample?spot=${spotId}&walk=1`);
            }}
            onSign={() => slips.current?.open('sign')}
          />
        </div>
      </div>
      <WalkSlips ref={slips} ground={ground} place={place} reading={walk.reading} />
      {dark && <PocketDark walk={walk} said={saidWords} onEnd={() => setDark(false)} />}
    </div>
  );
}
