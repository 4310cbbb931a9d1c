import { Link } from '../../ui/Link.tsx';

/** The way to what is done with gravel where no water is. */
export const HaulLink = ({ groundId }: { readonly groundId: string }) => (
  <Link
    className="mb-6 min-h-11 content-center text-[13px] text-ink-2 underline underline-offset-4"
    to={`/g/${groundId}/run/haul`}
  >
    Haul it, or wash it dry
  </Link>
);

/** The way to who does what at the box, and how long it takes them. */
export const CrewLink = ({ groundId, className = '' }: { readonly groundId: string; readonly className?: string }) => (
  <Link
    className={`min-h-11 content-center text-[13px] text-ink-2 underline underline-offset-4 ${className}`}
    to={`/g/${groundId}/run/crew`}
  >
    Who waits for whom
  </Link>
);
