import { OutOfRange } from '@riffle/core';
import type { FastifyError, FastifyReply, FastifyRequest } from 'fastify';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';
import type { IncomingMessage } from 'node:http';
import { DatabaseError } from 'pg';
import { noteCode } from './diary.ts';
import { databaseAway, PROBLEMS, Refusal } from './problems.ts';

/** What a broken database rule means to a person, by constraint. Each names the field it belongs to. */
const CONSTRAINTS: Readonly<
  Record<
    string,
    { readonly path: string; readonly message: string; readonly code: 'UNKNOWN_REFERENCE' | 'TAKEN' | 'INVALID' }
  >
> = {
  spot_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  ground_joins_fk: {
    path: 'joins.groundId',
    message: 'The creek it runs into is not in the book.',
    code: 'UNKNOWN_REFERENCE',
  },
  ground_joins_another: { path: 'joins.groundId', message: 'A draw cannot run into itself.', code: 'INVALID' },
  day_sheet_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  day_sheet_forward: { path: 'back_min', message: 'Be back after you start.', code: 'INVALID' },
  gold_entry_corrects_fk: {
    path: 'corrects',
    message: 'That line is not in the ledger.',
    code: 'UNKNOWN_REFERENCE',
  },
  trial_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  outline_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  outline_permission_fk: {
    path: 'permissionId',
    message: 'That note is not on this ground.',
    code: 'UNKNOWN_REFERENCE',
  },
  attachment_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  permission_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  permission_in_order: { path: 'to', message: 'It ends before it begins.', code: 'INVALID' },
  permission_yearly: { path: 'from', message: 'What comes every year needs its first and last day.', code: 'INVALID' },
  gauge_reading_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  swell_reading_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  sign_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  sign_weighed: { path: 'weight', message: 'An own word has a weight; other signs have none.', code: 'INVALID' },
  lot_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  lot_spot_fk: { path: 'spotId', message: 'That spot is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  lot_tag_once: { path: 'tag', message: 'Another bag has this tag already.', code: 'TAKEN' },
  lot_runs_down: { path: 'toDepth_m', message: 'A bag ends above where it begins.', code: 'INVALID' },
  lot_sample_plan_fk: { path: 'samplePlanId', message: 'That plan is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  spot_sample_plan_fk: { path: 'samplePlanId', message: 'That plan is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  sample_plan_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  pit_spot_fk: { path: 'spotId', message: 'That spot is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  pit_has_layers: { path: 'layers', message: 'A pit has at least one layer.', code: 'INVALID' },
  screening_spot_fk: { path: 'spotId', message: 'That spot is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  sweep_spot_fk: { path: 'spotId', message: 'That spot is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  look_spot_fk: { path: 'spotId', message: 'That spot is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  screening_lot_fk: { path: 'lotId', message: 'That bag is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  size_word_once: { path: 'word', message: 'This word means another size already.', code: 'TAKEN' },
  container_name_once: { path: 'name', message: 'Another container has this name already.', code: 'TAKEN' },
  seeding_came_back: { path: 'cameBack', message: 'More came back than went in.', code: 'INVALID' },
  sample_pit_fk: { path: 'pitId', message: 'That pit is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  sample_layer_of_pit: { path: 'layerId', message: 'A layer is of a pit.', code: 'INVALID' },
  sample_lot_fk: { path: 'lotId', message: 'That bag is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  sample_within_pit: { path: 'depth_m', message: 'That is below the bottom of its pit.', code: 'INVALID' },
  pit_holds_its_samples: { path: 'layers', message: 'A pan of this pit comes from deeper than that.', code: 'INVALID' },
  sample_bucket: { path: 'bucket.nth', message: 'The bucket does not hold that many pans.', code: 'INVALID' },
  sample_grown_in: { path: 'grownIn', message: 'More are grown in than were counted.', code: 'INVALID' },
  sample_spot_fk: { path: 'spotId', message: 'That spot is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  setup_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  setup_rig_fk: { path: 'rigId', message: 'That box is not in the book.', code: 'UNKNOWN_REFERENCE' },
  setup_spot_fk: { path: 'spotId', message: 'That spot is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  setup_one_known: {
    path: 'depth_m',
    message: 'Give either the depth or the flow; of a dry washer its air.',
    code: 'INVALID',
  },
  box_test_setup_fk: { path: 'setupId', message: 'That set-up is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  forecast_setup_fk: { path: 'setupId', message: 'That set-up is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  run_setup_fk: { path: 'setupId', message: 'That set-up is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  run_spot_fk: { path: 'spotId', message: 'That spot is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  run_event_spot_fk: {
    path: 'events',
    message: 'A bucket names a spot that is not on this ground.',
    code: 'UNKNOWN_REFERENCE',
  },
  run_event_bucket: { path: 'events', message: 'A bucket needs its volume.', code: 'INVALID' },
  run_event_undo: { path: 'events', message: 'An undo names the bucket it takes back.', code: 'INVALID' },
  work_round_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  jar_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  lift_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  cleanup_ground_fk: { path: 'groundId', message: 'That ground is not in the book.', code: 'UNKNOWN_REFERENCE' },
  cleanup_run_run_fk: { path: 'runIds', message: 'That run is not on this ground.', code: 'UNKNOWN_REFERENCE' },
  cleanup_run_once: {
    path: 'runIds',
    message: 'One of these runs was cleaned up before; its gold is already in the book.',
    code: 'TAKEN',
  },
  cleanup_section_runs_down: {
    path: 'sections',
    message: 'A section must end below where it starts.',
    code: 'INVALID',
  },
};

/** SQLSTATE classes that mean the server is away or starting, not that the request is wrong. */
const AWAY = /^(08|57P|53)/;
const LOST = new Set(['ECONNREFUSED', 'ECONNRESET', 'ETIMEDOUT', 'EPIPE']);

/** Turns whatever was thrown into a Refusal. */
export function asRefusal(error: unknown): Refusal {
  if (error instanceof Refusal) return error;
  if (hasZodFastifySchemaValidationErrors(error)) {
    const errors = error.validation.map((v) => ({
      path: v.instancePath.replace(/^\//, '').replaceAll('/', '.'),
      message: v.message ?? 'Not valid.',
    }));
    return new Refusal('INVALID', 'Nothing was stored. See the fields named.', errors);
  }
  if (error instanceof OutOfRange)
    return new Refusal('INVALID', error.message, [{ path: error.field, message: error.message }]);
  if (error instanceof DatabaseError) {
    const rule = CONSTRAINTS[error.constraint ?? ''];
    if (rule) return new Refusal(rule.code, rule.message, [{ path: rule.path, message: rule.message }]);
    // Class 22: a value the column cannot hold; 23: a rule of the database that has no words above.
    if (/^2[23]/.test(error.code ?? ''))
      return new Refusal('INVALID', 'Nothing was stored: a value in this request cannot be kept.');
    if (AWAY.test(error.code ?? '')) return databaseAway();
  }
  const { code, statusCode, message } = error as Partial<FastifyError>;
  if (
    LOST.has(code ?? '') ||
    /timeout exceeded when trying to connect|Connection terminated|connection error and is not queryable/.test(
      message ?? '',
    )
  )
    return databaseAway();
  if (statusCode === 415)
    return new Refusal('UNKNOWN_TYPE', 'Nothing was stored. The documentation says what each call is sent as.');
  if (statusCode === 413)
    return new Refusal('TOO_LARGE', 'Nothing was stored. The most this call takes is stated in the documentation.');
  if (statusCode === 429) return new Refusal('TOO_MANY', 'Wait a moment and send it again.');
  if (statusCode !== undefined && statusCode >= 400 && statusCode < 500)
    return new Refusal('INVALID', message ?? 'Not valid.');
  return new Refusal('FAULT', 'Nothing was stored. This is a fault of Riffle, not of what you typed.');
}

/** A sender still at it would lose the refusal with its connection: the rest is read and thrown away, for so long at most. */
const READ_ON_MS = 15_000;
function readToEnd(request: IncomingMessage): Promise<void> {
  return new Promise((resolve) => {
    if (request.complete || request.destroyed) return resolve();
    const enough = setTimeout(resolve, READ_ON_MS);
    const done = (): void => {
      clearTimeout(enough);
      resolve();
    };
    request.once('end', done).once('close', done).once('error', done).resume();
  });
}

export async function errorHandler(error: FastifyError, request: FastifyRequest, reply: FastifyReply): Promise<void> {
  const refusal = asRefusal(error);
  if (refusal.code === 'FAULT') request.log.error(error, 'A fault.');
  const { status, title } = PROBLEMS[refusal.code];
  noteCode(reply, refusal.code);
  if (refusal.code === 'TOO_LARGE' || refusal.code === 'NOT_EMPTY') await readToEnd(request.raw);
  // Passing: a client may send it again by itself.
  if (status === 503) void reply.header('retry-after', '2');
  void reply
    .code(status)
    .header('content-type', 'application/problem+json')
    .serializer(JSON.stringify)
    .send({
      type: `urn:riffle:problem:${refusal.code.toLowerCase()}`,
      title,
      status,
      code: refusal.code,
      detail: refusal.message,
      ...(refusal.errors && { errors: refusal.errors }),
      // What to ask the diary for.
      ...(refusal.code === 'FAULT' && { request: request.id }),
      ...refusal.extra,
    });
}
