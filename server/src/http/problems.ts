/** Codes of everything the server refuses. A code is never used again for something else; docs/http.md lists them. */
export const PROBLEMS = {
  INVALID: { status: 400, title: 'Something in this request cannot be right' },
  NOT_FOUND: { status: 404, title: 'Not here' },
  CHANGED: { status: 409, title: 'Changed by someone else meanwhile' },
  TAKEN: { status: 409, title: 'Already used' },
  UNKNOWN_TYPE: { status: 415, title: 'Sent as something Riffle does not read' },
  TOO_LARGE: { status: 413, title: 'Too large' },
  FILE_UNREADABLE: { status: 422, title: 'This file does not give a ground' },
  COLUMNS: { status: 422, title: 'Which column is which' },
  NO_LINE: { status: 422, title: 'No line to draw' },
  UNKNOWN_REFERENCE: { status: 422, title: 'Points to something that is not there' },
  FOREIGN_SITE: { status: 403, title: 'Asked from another site' },
  NOT_EMPTY: { status: 409, title: 'This book holds something already' },
  BUSY: { status: 503, title: 'Too much at once' },
  TOO_LONG: { status: 422, title: 'This takes too long to work out' },
  TOO_MANY: { status: 429, title: 'Too many requests' },
  NO_DATABASE: { status: 503, title: 'The database is away' },
  FAULT: { status: 500, title: 'A fault in Riffle' },
} as const;
export type ProblemCode = keyof typeof PROBLEMS;

export interface FieldError {
  readonly path: string;
  readonly message: string;
}

/** Thrown anywhere in the server; the error handler turns it into application/problem+json. */
export class Refusal extends Error {
  readonly code: ProblemCode;
  readonly errors: readonly FieldError[] | undefined;
  readonly extra: Readonly<Record<string, unknown>>;

  constructor(
    code: ProblemCode,
    detail: string,
    errors?: readonly FieldError[],
    extra: Readonly<Record<string, unknown>> = {},
  ) {
    super(detail);
    this.code = code;
    this.errors = errors;
    this.extra = extra;
  }
}

/** The database is dead, starting or frozen. */
export const databaseAway = (): Refusal =>
  new Refusal('NO_DATABASE', 'Nothing was stored. Riffle tries again by itself.');
