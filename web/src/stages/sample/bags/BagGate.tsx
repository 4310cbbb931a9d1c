import { Navigate, useParams } from 'react-router';
import { Link } from '../../../ui/Link.tsx';
import { useRecordsOfAll } from '../../../records/useRecordsOfAll.ts';
import { Judgement } from '../../../ui/Judgement.tsx';

/** Where a tag's square code leads: to the bag's record on whichever ground it is of. */
export function BagGate() {
  const { bagId } = useParams();
  const lot = useRecordsOfAll('lots').items.find((l) => l.id === bagId);
  if (lot)
    return (
      <Navigate
        replace
        to={`/g/${lot.groundId}/sample/bags?${lot.samplePlanId ? `plan=${lot.samplePlanId}&` : ''}bag=${lot.id}`}
      />
    );
  return (
    <>
      <Judgement rests="If it is your crew’s, open Riffle once where there is a signal; the bag may not have reached this device yet.">
        This tag is of no bag known here.
      </Judgement>
      <p className="mt-3">
        <Link className="underline underline-offset-4" to="/">
          To the grounds
        </Link>
      </p>
    </>
  );
}
