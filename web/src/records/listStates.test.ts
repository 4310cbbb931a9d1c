import { expect, test } from '@jest/globals';
import { notifyManager, QueryClient, QueryObserver } from '@tanstack/react-query';
import { readLists } from './listStates.ts';

test('a list is here for what stands around it in the very turn in which it is for those who draw it', async () => {
  const client = new QueryClient({ defaultOptions: { queries: { gcTime: Infinity } } });
  // The server says nothing: what comes, comes from the device.
  const asked = (kind: string) => ({ queryKey: [kind], queryFn: () => new Promise<never>(() => undefined) });
  const lists = readLists(client, [asked('lifts'), asked('runs')]);
  // As `useQuery` reads it.
  const screen = new QueryObserver(client, { queryKey: ['runs'], enabled: false });
  let onScreen = 'no runs yet';
  const drawn: string[] = [];
  const ends = [
    // React draws once the turn is over in which it was told.
    lists.subscribe(() => queueMicrotask(() => drawn.push(`${lists.states()}: ${onScreen}`))),
    screen.subscribe(notifyManager.batchCalls(({ data }) => (onScreen = data ? 'runs' : onScreen))),
  ];
  const aMoment = () => new Promise((later) => setTimeout(later, 20));
  await aMoment();
  expect(lists.states()).toBe('arriving,arriving');
  drawn.splice(0);
  // Two answers in one turn, and word of them in two turns after it.
  client.setQueryData(['lifts'], []);
  client.setQueryData(['runs'], []);
  await aMoment();
  expect(drawn).toEqual(['here,arriving: no runs yet', 'here,here: runs']);
  ends.forEach((end) => end());
});
