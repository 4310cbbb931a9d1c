import type { Problem } from '@riffle/contract';

/** The server refused: its own words, the fields it named, and (after a conflict) the copy that is stored. */
export class Refused extends Error {
  readonly problem: Problem;

  constructor(problem: Problem) {
    // For a wrong field its own message says most; otherwise the detail is written for people.
    super((problem.code === 'INVALID' && problem.errors?.map((e) => e.message).join(' ')) || problem.detail);
    this.name = 'Refused';
    this.problem = problem;
  }
}

const PASSING = new Set([429, 502, 503, 504]);
/** Worth sending again for as long as it takes: the network or the database was away, or too much came at once. A refusal is not. */
export const isPassing = (error: unknown): boolean => !(error instanceof Refused) || PASSING.has(error.problem.status);
/** A fault of the server: it may be over in a moment, or come back with the same record for ever. */
export const isFault = (error: unknown): boolean =>
  error instanceof Refused && error.problem.status >= 500 && !isPassing(error);

/** A call without an answer for this long is given up and, if it was a write, tried again: a lost signal must not hold up the rest. */
const PATIENCE_MS = { json: 20_000, file: 180_000 } as const;

/** Pictures, papers and backups go under their own name; a ground file as bytes, since what a browser calls GPX or GeoJSON differs. */
const fileType = (file: Blob): string =>
  /^image\/|^application\/(pdf|zip)$/.test(file.type) ? file.type : 'application/octet-stream';

/** Told of every answer: when it was asked for by this device's clock, and the server's `Date`. Set by what needs the time of day (`trueClock`). */
export const answers: { heard: ((asked_ms: number, date: string | null) => void) | null } = { heard: null };

/**
 * Whether Riffle said this. A network that wants its guests to sign in first answers in its stead, often with a 403: that is
 * no refusal, and nothing that waits may be set aside for it. A 413 of a proxy is about what was sent and stays with it.
 */
const isOurs = (response: Response): boolean =>
  response.status === 204 ||
  response.status === 413 ||
  /^application\/(problem\+)?json\b/.test(response.headers.get('content-type') ?? '');

/** One call to the API. @throws Refused for an answer that is a problem, TypeError or a timeout when there is no connection, or someone else at its end */
export async function call<T>(method: 'GET' | 'PUT' | 'POST', path: string, body?: unknown): Promise<T> {
  const isFile = body instanceof Blob;
  const asked_ms = Date.now();
  const response = await fetch(`/api/v1${path}`, {
    method,
    signal: AbortSignal.timeout(PATIENCE_MS[isFile ? 'file' : 'json']),
    ...(body !== undefined && {
      body: isFile ? body : JSON.stringify(body),
      headers: { 'content-type': isFile ? fileType(body) : 'application/json' },
    }),
  });
  if (!isOurs(response)) throw new TypeError('Something else answered in place of Riffle.');
  answers.heard?.(asked_ms, response.headers.get('date'));
  if (response.ok) return (response.status === 204 ? undefined : await response.json()) as T;
  const said = (await response.json().catch(() => null)) as Problem | null;
  throw new Refused(
    typeof said?.detail === 'string'
      ? said
      : {
          type: 'about:blank',
          title: 'No answer',
          status: response.status,
          code: 'FAULT',
          detail: `The server answered ${response.status} without saying why.`,
        },
  );
}
