import type { ErrorObject, ValidateFunction } from 'ajv';
import { partFaults } from '../design/parts.ts';
import type { Fault } from '../fault.ts';
import type { CarDesign } from './generated/car-design.ts';
import type { CarVersion } from './generated/car-version.ts';
import type { OwnPart } from './generated/own-part.ts';
import type { RunRecord } from './generated/run-record.ts';
import type { RunSetup } from './generated/run-setup.ts';
import * as validators from './generated/validators.js';

/** What came through a door: the value with its type proven, or every fault in it, by path. */
export type Read<T> = { readonly kind: 'read'; readonly value: T } | { readonly kind: 'faulty'; readonly faults: readonly Fault[] };

/** `/motor/spool/0/radius` → `motor.spool[0].radius`. */
const dotted = (pointer: string): string =>
  pointer
    .split('/')
    .slice(1)
    .map((part) => part.replaceAll('~1', '/').replaceAll('~0', '~'))
    .reduce((path, part) => (/^\d+$/.test(part) ? `${path}[${part}]` : path === '' ? part : `${path}.${part}`), '');

const below = (path: string, key: string): string => (path === '' ? key : `${path}.${key}`);
const quoted = (value: unknown): string => (typeof value === 'string' ? `"${value}"` : JSON.stringify(value));
const article = (type: string): string => (/^[aeio]/.test(type) ? `an ${type}` : `a ${type}`);

function faultOf(error: ErrorObject): Fault {
  const path = dotted(error.instancePath);
  const params = error.params as Record<string, unknown>;
  switch (error.keyword) {
    case 'required':
      return { path: below(path, String(params.missingProperty)), message: 'is missing' };
    case 'additionalProperties':
      return { path: below(path, String(params.additionalProperty)), message: 'is not a known key; remove it or check its spelling' };
    case 'const':
      return { path, message: `must be ${quoted(params.allowedValue)}` };
    case 'enum':
      return { path, message: `must be one of ${(params.allowedValues as unknown[]).map(quoted).join(', ')}` };
    case 'type':
      return { path, message: `must be ${article(String(params.type))}` };
    case 'discriminator':
      return { path: below(path, String(params.tag)), message: 'is not a kind known here' };
    default:
      return { path, message: error.message ?? 'is not valid' };
  }
}

/** A choice of shapes fails with the faults of every branch; keep those of the branch that was meant. */
function telling(errors: readonly ErrorObject[]): ErrorObject[] {
  const specific = errors.filter(({ keyword }) => keyword !== 'oneOf' && keyword !== 'anyOf');
  return specific.filter(
    (error) => !(error.keyword === 'type' && error.params.type === 'null' && error.data !== null && typeof error.data === 'object'),
  );
}

function check<T>(validate: ValidateFunction, value: unknown): Read<T> {
  if (validate(value)) return { kind: 'read', value: value as T };
  const lines = new Map(
    telling(validate.errors ?? [])
      .map(faultOf)
      .map((fault) => [`${fault.path}|${fault.message}`, fault]),
  );
  return { kind: 'faulty', faults: [...lines.values()] };
}

export const readRunSetup = (value: unknown): Read<RunSetup> => check(validators.runSetup, value);
export const readCarDesign = (value: unknown): Read<CarDesign> => check(validators.carDesign, value);
export const readCarVersion = (value: unknown): Read<CarVersion> => check(validators.carVersion, value);
/** A part of the builder's own, with values that belong to its kind. */
export function readOwnPart(value: unknown): Read<OwnPart> {
  const read = check<OwnPart>(validators.ownPart, value);
  if (read.kind === 'faulty') return read;
  const faults = partFaults(read.value);
  return faults.length > 0 ? { kind: 'faulty', faults } : read;
}
export const readRunRecord = (value: unknown): Read<RunRecord> => check(validators.runRecord, value);

/** Reads the text of a JSON file and hands it to one of the readers above. */
export function readJson<T>(text: string, read: (value: unknown) => Read<T>): Read<T> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return { kind: 'faulty', faults: [{ path: '', message: `not a JSON file: ${(error as Error).message}` }] };
  }
  return read(value);
}
