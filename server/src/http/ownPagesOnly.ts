import type { FastifyRequest } from 'fastify';
import { Refusal } from './problems.ts';

const OWN_NAMES = new Set(['localhost', '127.0.0.1', '[::1]']);
const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

const foreign = (): Refusal => new Refusal('FOREIGN_SITE', 'Another site may not use this one.');

/**
 * Answers only requests that name this machine and come from Riffle's own pages: same name, same port. Without accounts,
 * any web page the prospector visits, or another program's page on this machine, could otherwise write here, or read by
 * pointing its own name at this address. A script sends neither header and is let in.
 */
export async function ownPagesOnly(request: FastifyRequest): Promise<void> {
  const { host = '', origin, 'sec-fetch-site': from, 'sec-fetch-mode': mode } = request.headers;
  if (!OWN_NAMES.has(host.replace(/:\d+$/, '').toLowerCase()))
    throw new Refusal('FOREIGN_SITE', 'Riffle answers under localhost only.');
  // Browsers send it with every write, and with every read from a page of another site.
  if (origin !== undefined && origin.toLowerCase() !== `http://${host.toLowerCase()}`) throw foreign();
  if (from === undefined || from === 'same-origin' || from === 'none') return;
  // A link on another page of this machine may open Riffle; from elsewhere not even that.
  if (from === 'same-site' && READS.has(request.method) && mode === 'navigate') return;
  throw foreign();
}
