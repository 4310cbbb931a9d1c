import { describe, expect, test } from '@jest/globals';
import { FIRST_ID } from '@riffle/contract';
import { readFileSync } from 'node:fs';
import { isDeepStrictEqual } from 'node:util';
import pg from 'pg';
import { z } from 'zod';
import {
  newBoxTest,
  newGround,
  newJar,
  newLift,
  newPit,
  newRig,
  newRun,
  newScreening,
  newSetup,
  newSpot,
} from '../../test/records.ts';
import { useTestServer } from '../../test/testServer.ts';
import { grounds } from '../ground/queries.ts';
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

/** Fields inside of others that have a default: no query reads them one by one. */
function defaultsInside(schema: z.ZodType, path: string): string[] {
  const of = (s: unknown, at: string, depth: number): string[] => {
    const { def } = (s as { _zod: { def: Record<string, unknown> } })._zod;
    const inner = (name: string, inside = at): string[] => (def[name] ? of(def[name], inside, depth) : []);
    return [
      ...(def['type'] === 'default' && depth > 1 ? [at] : []),
      ...inner('innerType'),
      ...inner('element'),
      ...inner('valueType'),
      ...(Array.isArray(def['options']) ? def['options'] : []).flatMap((option) => of(option, at, depth)),
      ...Object.entries((def['shape'] as object | undefined) ?? {}).flatMap(([name, field]) =>
        of(field, `${at}.${name}`, depth + 1),
      ),
    ];
  };
  return of(schema, path, 0);
}

describe('a list leaves the database as it is kept there', () => {
  /** Of these, what was kept before the field was there has it by this migration; clean-ups' sections have columns. */
  const FILLED = [
    ...['grounds.tide.wayBelow_m', 'grounds.tide.margin_min'],
    ...['pits.layers.color', 'pits.layers.blackSand_percent', 'pits.layers.note', 'pits.crevice.rock'],
    ...['screenings.screens.colors', 'rigs.sections.own', 'box-tests.tested.of', 'runs.tally.brokenOff_s'],
    ...['lifts.tubs.place', 'lifts.tubs.holder', 'lifts.tubs.lost', 'lifts.tubs.finish'],
    ...['cleanups.sections.colors', 'cleanups.sections.bySize', 'cleanups.sections.weighing'],
    ...['jars.floor.companion', 'jars.floor.saltWater'],
  ];
  test('a field with a default inside another one needs a migration that writes it into older rows', () =>
    expect(EVERY_KIND.flatMap((kind) => defaultsInside(kind.kept as z.ZodType, kind.path))).toEqual(FILLED));

  test('rows from before those fields were there come out whole', async () => {
    const ground = newGround({
      tide: {
        meanLevel_m: 0,
        workBelow_m: 0.2,
        wayBelow_m: 0.4,
        margin_min: 45,
        constituents: [{ name: 'M2', amplitude_m: 1.1, phase_deg: 60 }],
      },
    });
    const put = async (path: string, record: { id: string; tested?: unknown }): Promise<string> => {
      const answer = await server.call('PUT', `/${path}/${record.id}`, record);
      expect([path, answer.statusCode]).toEqual([path, 201]);
      return record.id;
    };
    await put('grounds', ground);
    const spot = await put('spots', newSpot(ground.id));
    const rig = await put('rigs', newRig());
    const setup = await put('setups', newSetup(ground.id, rig));
    const run = await put('runs', newRun(ground.id, setup, spot));
    await put('pits', newPit(ground.id, spot));
    await put('screenings', newScreening(ground.id, spot));
    await put('lifts', newLift(ground.id, [run]));
    await put('jars', newJar(ground.id));
    await put('box-tests', {
      ...newBoxTest(ground.id, setup),
      tested: {
        ...{ kind: 'tracers', of: 'gold', size_mm: 1, sizeEntered: { text: '1', unit: 'mm' } },
        ...{ fed: 20, held: 12 },
      },
    });
    // As an older Riffle left them.
    const client = new pg.Client({ connectionString: server.ownerUrl });
    await client.connect();
    const without = (list: string, ...names: string[]): string =>
      `(select jsonb_agg(one${names.map((n) => ` - '${n}'`).join('')} order by place) from jsonb_array_elements(${list}) with ordinality as e(one, place))`;
    for (const sql of [
      `update ground set tide = tide - 'margin_min'`,
      `update pit set layers = ${without('layers', 'color', 'note')}`,
      `update screening set screens = ${without('screens', 'colors')}`,
      `update rig set sections = ${without('sections', 'own')}`,
      `update run set tally = tally - 'brokenOff_s'`,
      `update lift set tubs = ${without('tubs', 'lost', 'finish')}`,
      `update jar set floor = floor - 'saltWater'`,
      `update box_test set tested = tested - 'of'`,
    ])
      await client.query(sql);
    const broken = async (): Promise<string[]> => {
      const found: string[] = [];
      for (const kind of EVERY_KIND) {
        const { items } = await kind.page(server.pool, server.crewId, kind.ofGround ? ground.id : null, FIRST_ID, 100);
        for (const item of JSON.parse(items) as unknown[])
          if (!isDeepStrictEqual(item, kind.kept.parse(item))) found.push(kind.path);
      }
      return found;
    };
    expect((await broken()).sort()).toEqual(
      ['box-tests', 'grounds', 'jars', 'lifts', 'pits', 'rigs', 'runs', 'screenings'].sort(),
    );
    await client.query(readFileSync(new URL('../../migrations/038_whole-rows.sql', import.meta.url), 'utf8'));
    await client.end();
    expect(await broken()).toEqual([]);
    // What was said stays as it was said.
    expect((await grounds.find(server.pool, server.crewId, ground.id))?.tide).toMatchObject({
      wayBelow_m: 0.4,
      margin_min: 30,
    });
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
