import { ImportLine, type ImportProgress, type RefusedRow, type Sample } from '@riffle/contract';
import type pg from 'pg';
import { spots } from '../ground/queries.ts';
import { listSpotIds, samples } from './queries.ts';

/** Samples one statement inserts. */
const SAMPLES_A_STATEMENT = 2000;
/** Refused rows told one by one; beyond it their number. */
const MOST_TOLD = 1000;

/**
 * Takes samples in from JSON lines in one transaction: all of them or none, or only the good rows, as asked. A row is good when its record is right,
 * belongs to this ground, and its spot is there (or came before it in the lines). The same lines sent again change nothing.
 * Yields a JSON line of progress after each batch, and last what came of it. Abandoned, nothing is stored.
 */
export async function* importSamples(
  pool: pg.Pool,
  crewId: string,
  groundId: string,
  body: string,
  mode: 'all or nothing' | 'only the good rows',
  gone: AbortSignal,
): AsyncGenerator<string> {
  const say = (p: ImportProgress): string => `${JSON.stringify(p)}\n`;
  const refused: RefusedRow[] = [];
  let refusedRows = 0;
  const refuse = (row: number, path: string, message: string): void => {
    refusedRows++;
    if (refused.length < MOST_TOLD) refused.push({ row, path, message });
  };
  let [stored, made, read] = [0, 0, 0];
  const client = await pool.connect();
  let open = false;
  try {
    await client.query('begin');
    open = true;
    const spotIds = await listSpotIds(client, crewId, groundId);
    let batch: Sample[] = [];
    for (const line of linesOf(body)) {
      read++;
      const parsed = ImportLine.safeParse(jsonOf(line));
      if (!parsed.success) refuse(rowOf(line) ?? read, ...firstProblem(parsed.error.issues));
      else if ('spot' in parsed.data) {
        const { spot } = parsed.data;
        if (spot.groundId !== groundId) refuse(0, 'groundId', `The spot ${spot.name} is of another ground.`);
        else {
          await spots.write(client, crewId, spot, 0);
          spotIds.add(spot.id);
          made++;
        }
      } else {
        const { row, sample } = parsed.data;
        if (sample.groundId !== groundId) refuse(row, 'groundId', 'This row is of another ground.');
        else if (!spotIds.has(sample.spotId)) refuse(row, 'spotId', 'Its spot is not on this ground.');
        else if (sample.pitId !== null || sample.lotId !== null)
          refuse(row, 'pitId', 'A row brought in names no pit and no bag.');
        else batch.push(sample);
      }
      if (batch.length === SAMPLES_A_STATEMENT) {
        await samples.insertMany(client, crewId, batch);
        stored += batch.length;
        batch = [];
        if (gone.aborted) throw new Error('abandoned');
        yield say({ read });
      }
    }
    await samples.insertMany(client, crewId, batch);
    stored += batch.length;
    if (refusedRows > 0 && mode === 'all or nothing') {
      await client.query('rollback');
      [stored, made] = [0, 0];
    } else await client.query('commit');
    open = false;
    yield say({ stored, spots: made, refused, refusedRows });
  } finally {
    if (open) await client.query('rollback').catch(() => undefined);
    client.release();
  }
}

function* linesOf(body: string): Generator<string> {
  let from = 0;
  while (from < body.length) {
    const end = body.indexOf('\n', from);
    const line = body.slice(from, end < 0 ? body.length : end);
    if (line.trim() !== '') yield line;
    if (end < 0) return;
    from = end + 1;
  }
}

function jsonOf(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return undefined;
  }
}

const rowOf = (line: string): number | null => {
  const row = (jsonOf(line) as { row?: unknown } | undefined)?.row;
  return typeof row === 'number' ? row : null;
};

/** The deepest problem of a union says which field; the union itself says only that nothing fits. */
function firstProblem(
  issues: readonly {
    readonly path: readonly PropertyKey[];
    readonly message: string;
    readonly errors?: readonly (readonly { readonly path: readonly PropertyKey[]; readonly message: string }[])[];
  }[],
): [path: string, message: string] {
  const [issue] = issues;
  const inner = issue?.errors?.find((e) => e[0]?.path[0] === 'sample')?.[0] ?? issue?.errors?.[0]?.[0] ?? issue;
  return [inner?.path.filter((p) => p !== 'sample').join('.') ?? '', inner?.message ?? 'This line cannot be read.'];
}
