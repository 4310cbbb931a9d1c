import { BackupShelf } from '@riffle/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { call, Refused } from '../api/client.ts';

const KEY = ['backups'];
const WHILE_WORKING_MS = 400;
const OTHERWISE_MS = 30_000;

export interface Backups {
  /** Undefined until the server has said it. */
  readonly shelf: BackupShelf | undefined;
  readonly outOfReach: boolean;
  /** A file is on its way to the server, or a call is. */
  readonly sending: boolean;
  readonly problem: string | null;
  readonly make: () => void;
  readonly restore: (file: File) => void;
}

/** Backups are the server's: nothing of them is kept on the device, and nothing is done while it is out of reach. */
export function useBackups(): Backups {
  const client = useQueryClient();
  const [sending, setSending] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const { data, isError } = useQuery({
    queryKey: KEY,
    queryFn: async () => BackupShelf.parse(await call('GET', '/backups')),
    refetchInterval: ({ state }) => (state.data?.work ? WHILE_WORKING_MS : OTHERWISE_MS),
  });
  const ask = async (path: string, body?: Blob): Promise<void> => {
    setSending(true);
    setProblem(null);
    try {
      client.setQueryData(KEY, BackupShelf.parse(await call('POST', path, body)));
    } catch (error) {
      setProblem(error instanceof Refused ? error.message : 'The server is out of reach; nothing was changed.');
    } finally {
      setSending(false);
    }
  };
  return {
    shelf: data,
    outOfReach: isError,
    sending,
    problem,
    make: () => void ask('/backups'),
    // Not every browser calls a zip so.
    restore: (file) => void ask('/backups/restore', file.slice(0, file.size, 'application/zip')),
  };
}
