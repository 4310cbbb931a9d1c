import { Navigate } from 'react-router';
import { useRecords } from '../records/useRecords.ts';
import { groundToOpen } from './useGround.ts';

/** Opens the ground worked last; a new book starts with bringing one in. */
export function Home() {
  const { items, state } = useRecords('grounds');
  if (state === 'arriving') return <p className="pt-6 text-ink-2">Opening the book ...</p>;
  if (state === 'away' && items.length === 0)
    return <p className="pt-6">The server cannot be reached. Riffle tries again by itself.</p>;
  const open = groundToOpen(items);
  return <Navigate replace to={open ? `/g/${open}/read` : '/grounds/new'} />;
}
