import { v7 as uuidv7 } from 'uuid';

/** A JSON schema as far as the OpenAPI document uses it. */
export interface Schema {
  readonly $ref?: string;
  readonly type?: string | readonly string[];
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly allOf?: readonly Schema[];
  readonly format?: string;
  readonly pattern?: string;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly additionalProperties?: boolean | Schema;
  readonly items?: Schema;
  readonly prefixItems?: readonly Schema[];
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly exclusiveMaximum?: number;
}

export interface Fuzz {
  /** Numbers from 0 to 1, the same for the same seed. */
  readonly random: () => number;
  readonly schemas: Readonly<Record<string, Schema>>;
  /** Ids that are in the book: without them nearly every reference would be to nothing. */
  readonly ids: readonly string[];
  /** The share of values that break their schema, 0 to 1. */
  readonly wrong: number;
}

/** Values that have brought servers down: signs no database holds, dates out of the years, numbers out of the types, shapes out of the schema. */
const NASTY: readonly unknown[] = [
  '\0',
  'a\ud800b',
  '\udfff',
  '',
  ' ',
  'x'.repeat(20_000),
  '0000-01-01',
  '9999-12-31T23:59:59-14:00',
  '99999-01-01T00:00:00Z',
  '2026-02-30',
  "'; drop table ground; --",
  '<script>',
  '%ff',
  '__proto__',
  'constructor',
  '𝔊𝔬𝔩𝔡 🪙 金',
  0,
  -0,
  -1,
  1e-320,
  1e308,
  -1e308,
  2 ** 31,
  2 ** 53 + 2,
  null,
  true,
  [],
  {},
  [[[[[[[[]]]]]]]],
  { a: { a: { a: { a: null } } } },
];

export const pick = <T>(from: readonly T[], random: () => number): T => from[Math.floor(random() * from.length)] as T;

/** A value after a schema: mostly one it takes, at times one that breaks it. */
export function valueFor(schema: Schema, fuzz: Fuzz, depth = 0): unknown {
  const { random } = fuzz;
  if (random() < fuzz.wrong / (1 + depth)) return pick(NASTY, random);
  if (schema.$ref) return valueFor(fuzz.schemas[schema.$ref.split('/').at(-1) ?? ''] ?? {}, fuzz, depth);
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return pick(schema.enum, random);
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices) return valueFor(pick(choices, random), fuzz, depth);
  if (schema.allOf) return Object.assign({}, ...schema.allOf.map((s) => valueFor(s, fuzz, depth) as object)) as unknown;
  const type = typeof schema.type === 'string' ? schema.type : pick(schema.type ?? ['string'], random);
  switch (type) {
    case 'object':
      return objectFor(schema, fuzz, depth);
    case 'array': {
      if (schema.prefixItems) return schema.prefixItems.map((s) => valueFor(s, fuzz, depth + 1));
      const least = schema.minItems ?? 0;
      const most = Math.min(schema.maxItems ?? 4, least + 3);
      const length = least + Math.floor(random() * (most - least + 1));
      return Array.from({ length }, () => valueFor(schema.items ?? {}, fuzz, depth + 1));
    }
    case 'integer':
      return Math.round(numberFor(schema, random));
    case 'number':
      return numberFor(schema, random);
    case 'boolean':
      return random() < 0.5;
    case 'null':
      return null;
    default:
      return textFor(schema, fuzz);
  }
}

/** A right value of a schema with about a tenth of its parts drawn anew: gets behind what looks at shapes and references. */
export function changed(value: unknown, schema: Schema, fuzz: Fuzz, depth = 0): unknown {
  if (depth > 0 && fuzz.random() < 0.1) return valueFor(schema, fuzz, depth);
  if (schema.$ref) return changed(value, fuzz.schemas[schema.$ref.split('/').at(-1) ?? ''] ?? {}, fuzz, depth);
  if (Array.isArray(value)) return value.map((each) => changed(each, schema.items ?? {}, fuzz, depth + 1));
  if (typeof value !== 'object' || value === null || !schema.properties) return value;
  return Object.fromEntries(
    Object.entries(value).map(([name, each]) => [
      name,
      changed(each, schema.properties?.[name] ?? {}, fuzz, depth + 1),
    ]),
  );
}

function objectFor(schema: Schema, fuzz: Fuzz, depth: number): Record<string, unknown> {
  const made: Record<string, unknown> = {};
  for (const [name, each] of Object.entries(schema.properties ?? {}))
    if (schema.required?.includes(name) || fuzz.random() < 0.7) made[name] = valueFor(each, fuzz, depth + 1);
  if (typeof schema.additionalProperties === 'object' && fuzz.random() < 0.5)
    made[pick(['shape', 'a', '__proto__'], fuzz.random)] = valueFor(schema.additionalProperties, fuzz, depth + 1);
  return made;
}

function numberFor(schema: Schema, random: () => number): number {
  const least = schema.minimum ?? schema.exclusiveMinimum ?? 0;
  const most = Math.min(schema.maximum ?? schema.exclusiveMaximum ?? least + 10, least + 10_000);
  // Ends are where limits go wrong.
  const at = random();
  return at < 0.1 ? least : at < 0.2 ? most : least + random() * (most - least);
}

function textFor({ format, pattern, minLength = 0, maxLength = 40 }: Schema, { random, ids }: Fuzz): string {
  if (format === 'uuid') return random() < 0.6 ? pick(ids, random) : uuidv7();
  if (format === 'date-time') return new Date(1.7e12 + random() * 1e11).toISOString();
  if (format === 'date') return new Date(1.7e12 + random() * 1e11).toISOString().slice(0, 10);
  // Patterns in use: a kind of the crew's own.
  if (pattern?.includes('own:')) return 'own: blue clay';
  return pick(['Otter bar', 'x', '2', '1/2', 'in', 'm', 'riffles', 'a b c'], random)
    .padEnd(minLength, 'x')
    .slice(0, Math.max(1, maxLength));
}
