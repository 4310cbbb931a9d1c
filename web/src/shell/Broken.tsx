import { useRouteError } from 'react-router';
import { Judgement } from '../ui/Judgement.tsx';

/** Stands in for a screen that failed to draw or to load. What was typed and tapped is kept apart from it. */
export function Broken() {
  const error = useRouteError();
  return (
    <div className="flex flex-col items-start gap-4 p-6">
      <Judgement rests="What you typed and tapped is kept on this device and is still being sent.">
        This screen broke.
      </Judgement>
      <button
        type="button"
        className="min-h-14 bg-ink px-6 text-[18px] font-semibold text-paper"
        onClick={() => location.reload()}
      >
        Open it again
      </button>
      <p className="text-[13px] text-ink-2">{error instanceof Error ? error.message : 'No reason was given.'}</p>
    </div>
  );
}
