import type { StoredLot } from '@riffle/contract';
import { useSearchParams } from 'react-router';
import { useRecords } from '../../../records/useRecords.ts';
import { useGround } from '../../../shell/useGround.ts';
import { PanForm } from './PanForm.tsx';
import { usePanBook } from './usePanBook.ts';

/** A pan of the bag in the address, or of no bag; each keeps its own draft. */
export function PanScreen() {
  const { ground } = useGround();
  const bagId = useSearchParams()[0].get('bag');
  const lots = useRecords('lots', ground.id);
  const lot = lots.items.find((l) => l.id === bagId);
  // The bag is read before its pan is begun: its volume and layer stand in the fields.
  if (bagId && !lot && lots.state === 'arriving') return null;
  return <Pan key={lot?.id ?? ''} lot={lot} />;
}

/** The book is read here, what is counted is held in the form: a color more does not read it anew. */
function Pan({ lot }: { lot: StoredLot | undefined }) {
  return <PanForm book={usePanBook(lot)} lot={lot} />;
}
