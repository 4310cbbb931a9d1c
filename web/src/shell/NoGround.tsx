import { Link } from '../ui/Link.tsx';
import { Judgement } from '../ui/Judgement.tsx';

/** Why the ground in the address is not shown. `isAway`: the server cannot be reached. */
export default function NoGround({ isAway }: { isAway: boolean }) {
  if (!navigator.onLine)
    return (
      <Judgement rests="Open it once with a signal; from then on it is kept here. What you logged waits and is sent by itself.">
        This ground is not on this device yet.
      </Judgement>
    );
  if (isAway)
    return (
      <Judgement rests="What you logged is kept on this device. Riffle tries again by itself.">
        The server cannot be reached.
      </Judgement>
    );
  return (
    <Judgement
      rests={
        <Link className="underline" to="/grounds/new">
          Bring in a ground
        </Link>
      }
    >
      That ground is not in this book.
    </Judgement>
  );
}
