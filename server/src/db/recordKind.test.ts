import { describe, expect, test } from '@jest/globals';
import { z } from 'zod';
import { useTestServer } from '../../test/testServer.ts';
import { EVERY_KIND } from './everyKind.ts';
import { recordKind } from './recordKind.ts';

const server = useTestServer();

interface Bounds {
  least?: number;
  above?: number;
  most?: number;
}
interface JsonSchema {
  $defs?: Record<string, JsonSchema>;
  type?: string;
  anyOf?: JsonSchema[];
  properties?: Record<string, JsonSchema>;
  minimum?: number;
  exclusiveMinimum?: number;
  maximum?: number;
  minLength?: number;
  maxLength?: number;
}

/** What the contract says of a field: bounds of a number, or of a text's length; nothing where a field has none. */
function boundsOf(schema: JsonSchema): Bounds {
  const plain = schema.anyOf?.find((s) => s.type !== 'null') ?? schema;
  if (plain.type === 'string')
    return { ...(plain.minLength && { least: plain.minLength }), ...(plain.maxLength && { most: plain.maxLength }) };
  if (plain.type !== 'number' && plain.type !== 'integer') return {};
  const safe = (n: number | undefined): number | undefined => (Math.abs(n ?? Infinity) < 2 ** 52 ? n : undefined);
  const [least, above, most] = [safe(plain.minimum), safe(plain.exclusiveMinimum), safe(plain.maximum)];
  return {
    ...(least !== undefined && { least }),
    ...(above !== undefined && { above }),
    ...(most !== undefined && { most }),
  };
}

/** What the database checks of a column, from the text of its constraints. */
function boundsChecked(column: string, checks: readonly string[]): Bounds {
  const bounds: Bounds = {};
  for (const check of checks) {
    const it = String.raw`(?:length\()?\(?${column}\)?(?:\)?::\w[\w ]*)?\)?`;
    for (const [, sign, figure] of check.matchAll(
      new RegExp(String.raw`(?<![\w])${it} (>=|<=|>|<) \(?'?(-?[\d.]+)`, 'g'),
    )) {
      if (sign === '>=') bounds.least = Number(figure);
      if (sign === '>') bounds.above = Number(figure);
      if (sign === '<=') bounds.most = Number(figure);
    }
  }
  // An older, wider check may stand beside the one that holds.
  if (bounds.above !== undefined && bounds.least !== undefined && bounds.least > bounds.above) delete bounds.above;
  return bounds;
}

function propertiesOf(schema: z.ZodType): Record<string, JsonSchema> {
  const whole = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as JsonSchema;
  // A schema with a name of its own stands among the definitions.
  return (Object.values(whole.$defs ?? {}).find((s) => s.properties?.['baseVersion']) ?? whole).properties ?? {};
}

/** Fields that lie in columns, with what the contract says of each; the parts of an object one by one. */
const limited = EVERY_KIND.flatMap((kind) => {
  const properties = propertiesOf(kind.sent as z.ZodType);
  return [...kind.columns].flatMap(([field, columns]) => {
    const schema = properties[field] ?? {};
    const parts = (schema.anyOf?.find((s) => s.properties) ?? schema).properties;
    const each =
      columns.length > 1
        ? Object.values(parts ?? {}).map((s, i) => [columns[i], s] as const)
        : [[columns[0], schema] as const];
    return each.flatMap(([column, s]) =>
      column && Object.keys(boundsOf(s)).length > 0 ? [{ table: kind.table, column, said: boundsOf(s) }] : [],
    );
  });
});

describe('the limits of the contract and of the database are the same', () => {
  test('there are limits to compare', () => expect(limited.length).toBeGreaterThan(90));
  test.each(limited)('$table: $column', async ({ table, column, said }) => {
    const { rows } = await server.pool.query<{ rule: string }>(
      `select pg_get_constraintdef(oid) as rule from pg_constraint where contype = 'c' and conrelid = $1::regclass`,
      [table],
    );
    expect(
      boundsChecked(
        column,
        rows.map((r) => r.rule),
      ),
    ).toEqual(said);
  });
});

describe('a kind of record', () => {
  const Sent = z.object({ id: z.uuid(), deleted: z.boolean(), baseVersion: z.int(), note: z.string() });
  const Kept = Sent.omit({ baseVersion: true }).extend({
    version: z.int(),
    updatedAt: z.string(),
    weight_kg: z.number().default(0),
  });
  test('whose query forgets a field does not start: a default would fill it in silently', () =>
    expect(() =>
      recordKind({
        path: 'things',
        table: 'thing',
        sent: Sent,
        kept: Kept,
        fields: { note: 'note' },
        added: {} as { weight_kg: string },
      }),
    ).toThrow('things: weight_kg is read from no column.'));
  test('reads every field of what is kept, each by its own name', () => {
    for (const kind of EVERY_KIND)
      for (const field of Object.keys((kind.kept as unknown as { shape: object }).shape))
        expect(kind.reads).toContain(`as "${field}"`);
  });
});
