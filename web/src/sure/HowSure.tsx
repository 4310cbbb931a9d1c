import { Link } from '../ui/Link.tsx';

/** The way from a band or a chance to the page that says how often such come true. */
export const HowSure = ({ groundId }: { groundId: string }) => (
  <Link className="inline-block min-h-11 content-center underline underline-offset-4" to={`/g/${groundId}/sure`}>
    how sure is it?
  </Link>
);
