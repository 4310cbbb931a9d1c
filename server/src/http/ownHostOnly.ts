import type { FastifyRequest } from 'fastify';
import { Refusal } from './problems.ts';

const OWN_NAMES = new Set(['localhost', '127.0.0.1', '[::1]']);

/**
 * Answers only requests that name this machine and come from its own pages. Without accounts, any web page the
 * prospector visits could otherwise write here, or read by pointing its own name at this address.
 */
export async function ownHostOnly(request: FastifyRequest): Promise<void> {
  const host = (request.headers.host ?? '').replace(/:\d+$/, '').toLowerCase();
  if (!OWN_NAMES.has(host)) throw new Refusal('FOREIGN_SITE', 'Riffle answers under localhost only.');
  const { origin } = request.headers;
  if (origin !== undefined && origin !== 'null' && !OWN_NAMES.has(hostOf(origin)))
    throw new Refusal('FOREIGN_SITE', 'Another site may not use this one.');
  if (origin === 'null' || request.headers['sec-fetch-site'] === 'cross-site')
    throw new Refusal('FOREIGN_SITE', 'Another site may not use this one.');
}

function hostOf(origin: string): string {
  try {
    return new URL(origin).hostname.toLowerCase();
  } catch {
    return '';
  }
}
