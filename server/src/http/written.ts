import type { FastifyReply } from 'fastify';
import type { JsonPage } from '../db/jsonPage.ts';
import type { JsonChanges } from '../db/recordKind.ts';

/** Sends JSON that is written already. */
export const sendWritten = (reply: FastifyReply, json: string): FastifyReply =>
  reply
    .type('application/json; charset=utf-8')
    .serializer((written: unknown) => written as string)
    .send(json);

/** A page as the contract's `page` has it. */
export const sendPage = (reply: FastifyReply, { items, count, lastId }: JsonPage, limit: number): FastifyReply =>
  sendWritten(reply, `{"items":${items},"next":${count === limit ? JSON.stringify(lastId) : 'null'}}`);

/** What changed of a list as the contract's `changes` has it. */
export const sendChanges = (reply: FastifyReply, { items, records, edits }: JsonChanges): FastifyReply =>
  sendWritten(reply, `{"items":${items},"whole":${JSON.stringify({ records, edits })}}`);
