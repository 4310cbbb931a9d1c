import { useClockOff_ms } from '../../api/useClockOff.ts';
import { clockText } from './useOpenRun.ts';

/** A phone whose clock is wrong: what is tapped here is set right, and said. */
export function WrongClock() {
  const off_ms = useClockOff_ms();
  if (off_ms === 0) return null;
  return (
    <p role="status" className="border-l-4 border-ink pl-3">
      <b>
        This device’s clock is {clockText(Math.abs(off_ms))} {off_ms > 0 ? 'slow' : 'fast'}.
      </b>{' '}
      Taps are set right by the server’s; set the clock all the same.
    </p>
  );
}
