import fc from 'fast-check';
import schemaFile from '../../../schemas/car-design.schema.json' with { type: 'json' };
import type { CarDesign, MotorKind } from '../car-design.ts';
import { newCar } from '../new-car.ts';

interface Schema {
  readonly $ref?: string;
  readonly type?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly oneOf?: readonly Schema[];
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly minimum?: number;
  readonly exclusiveMinimum?: number;
  readonly maximum?: number;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly definitions?: Readonly<Record<string, Schema>>;
}
const root = schemaFile as unknown as Schema;

const resolved = (schema: Schema): Schema => (schema.$ref ? root.definitions![schema.$ref.split('/').at(-1)!]! : schema);

/** A key of a design that can be anything the schema admits, as a path, with that. */
type Leaf = readonly [path: readonly string[], value: fc.Arbitrary<unknown>];

/** Numbers at their bounds, as near to them as anybody could type, and anywhere between on a logarithmic scale. */
function numbers({ type, minimum, exclusiveMinimum, maximum }: Schema): fc.Arbitrary<number> {
  const low = minimum ?? exclusiveMinimum ?? 0;
  const high = maximum ?? 1000;
  if (type === 'integer') return fc.oneof(fc.constantFrom(low, high), fc.integer({ min: low, max: high }));
  const least = minimum ?? 1e-9;
  const from = Math.log(Math.max(least, 1e-7));
  const between = fc
    .double({ min: 0, max: 1, noNaN: true })
    .map((fraction) => Math.min(Math.exp(from + fraction * (Math.log(high) - from)), high));
  return fc.oneof(
    fc.constantFrom(least, high),
    between,
    ...(low < 0 ? [between.map((value) => Math.max(low, -value)), fc.constant(0)] : []),
  );
}

/** What can stand where the schema says so; null for what has parts of its own. */
function valueOf(schema: Schema): fc.Arbitrary<unknown> | null {
  if (schema.const !== undefined) return fc.constant(schema.const);
  if (schema.enum) return fc.constantFrom(...schema.enum);
  if (schema.type === 'number' || schema.type === 'integer') return numbers(schema);
  if (schema.oneOf?.some(({ type }) => type === 'null')) {
    const other = valueOf(resolved(schema.oneOf.find(({ type }) => type !== 'null')!));
    return other && fc.oneof(fc.constant(null), other);
  }
  if (schema.type === 'array') {
    const item = resolved(schema.items!);
    return fc.array(valueOf(item) ?? wholeOf(item), { minLength: schema.minItems ?? 0, maxLength: Math.min(schema.maxItems ?? 4, 4) });
  }
  // What is called by some word: any will do.
  if (schema.type === 'string') return fc.constant('64');
  return null;
}

/** An object with every required key anything. */
function wholeOf(schema: Schema): fc.Arbitrary<unknown> {
  return fc.record(
    Object.fromEntries(
      schema.required!.map((key) => {
        const inner = resolved(schema.properties![key]!);
        return [key, valueOf(inner) ?? wholeOf(inner)];
      }),
    ),
  );
}

function leavesOf(schema: Schema, instance: unknown, path: readonly string[]): Leaf[] {
  const own = valueOf(schema);
  if (own) return [[path, own]];
  const branches = schema.oneOf?.map(resolved) ?? [schema];
  return branches.flatMap((branch) => {
    if (!branch.properties) return [];
    const kind = branch.properties.kind?.const;
    if (kind !== undefined && kind !== (instance as { kind?: unknown } | undefined)?.kind) return [];
    return Object.entries(branch.properties).flatMap(([key, property]): Leaf[] => {
      const inner = resolved(property);
      if (inner.const !== undefined || key === 'own' || key === 'name' || key === 'brief') return [];
      // What a car need not have is there as a whole or not at all.
      if (key === 'wheels')
        return [[[...path, key], fc.oneof(fc.constant(null), wholeOf(inner.oneOf!.map(resolved).find(({ required }) => required)!))]];
      if (path.at(-1) === 'measured' || key === 'stiffener') return [[[...path, key], wholeOf(inner)]];
      return leavesOf(inner, (instance as Record<string, unknown> | undefined)?.[key], [...path, key]);
    });
  });
}

function changed(value: unknown, [key, ...rest]: readonly string[], to: unknown): unknown {
  if (key === undefined) return to;
  // A roller has no other wheels to change.
  if (value === null) return value;
  const within = (value ?? {}) as Record<string, unknown>;
  return { ...within, [key]: changed(within[key], rest, to) };
}

const KINDS: readonly MotorKind[] = ['lever', 'band', 'twist'];
const LEAVES = Object.fromEntries(KINDS.map((kind) => [kind, leavesOf(root, newCar('x', kind), [])])) as Record<MotorKind, Leaf[]>;

/** Cars of every kind with up to four of their keys anywhere the file format admits, most often at a bound: few can be built. */
export const admittedDesigns: fc.Arbitrary<CarDesign> = fc.constantFrom(...KINDS).chain((kind) =>
  fc
    .array(
      fc.constantFrom(...LEAVES[kind]).chain(([path, value]) => value.map((to) => ({ path, to }))),
      { minLength: 1, maxLength: 4 },
    )
    .map((changes) => changes.reduce<unknown>((car, { path, to }) => changed(car, path, to), newCar('x', kind)) as CarDesign),
);
