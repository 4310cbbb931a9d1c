import { useQueryClient } from '@tanstack/react-query';
import { call } from '../../../api/client.ts';
import { listKey } from '../../../offline/landing.ts';
import { keepDraft, useDraft } from '../../../ui/useDraft.ts';

/** What came in by the last table on this device, to take it back by. */
export interface LastImport {
  readonly at: string;
  readonly stored: number;
  readonly samples: readonly string[];
  readonly spots: readonly string[];
  readonly isBack?: boolean;
}
interface Kept {
  readonly last: LastImport | null;
}

/** So many ids a device keeps; a larger import is taken back while its report is open only. */
const MOST_IDS = 20_000;
const nameOf = (groundId: string): string => `import-${groundId}`;

export function keepImport(groundId: string, last: LastImport): void {
  if (last.samples.length > MOST_IDS) return;
  keepDraft(nameOf(groundId), { last } satisfies Kept);
}

/** The last import of a ground, and the way to take it back or bring it in again. */
export function useLastImport(groundId: string) {
  const [{ last }, set] = useDraft<Kept>(nameOf(groundId), () => ({ last: null }));
  const client = useQueryClient();
  /** @throws Refused, or where the server cannot be reached */
  const move = async (isBack: boolean): Promise<{ samples: number; spots: number }> => {
    if (!last) return { samples: 0, spots: 0 };
    const told = await call<{ samples: number; spots: number }>(
      'POST',
      `/grounds/${groundId}/samples/${isBack ? 'take-back' : 'bring-again'}`,
      { samples: last.samples, spots: last.spots },
    );
    set({ last: { ...last, isBack } });
    void client.invalidateQueries({ queryKey: listKey('samples', groundId) });
    void client.invalidateQueries({ queryKey: listKey('spots', groundId) });
    return told;
  };
  return { last, move };
}
