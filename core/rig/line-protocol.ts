/** What a device measured at a time `t` of its own clock, s: a gate that was crossed, turns of the drive axle, N, kg, rad. */
export type DeviceEvent = { readonly t: number } & (
  | { readonly kind: 'gate'; readonly value: number }
  | { readonly kind: 'turns'; readonly value: number }
  | { readonly kind: 'force'; readonly value: number }
  | { readonly kind: 'mass'; readonly value: number }
  | { readonly kind: 'angle'; readonly value: number }
);

/** A line that cannot be read, counted from 1, and why. */
export interface LineFault {
  readonly line: number;
  readonly message: string;
}

/** Lines as what they tell. */
export interface ReadLines {
  readonly events: readonly DeviceEvent[];
  readonly faults: readonly LineFault[];
}

const KINDS = ['gate', 'turns', 'force', 'mass', 'angle'] as const satisfies readonly DeviceEvent['kind'][];
const isKind = (key: string): key is DeviceEvent['kind'] => (KINDS as readonly string[]).includes(key);
/** Letters of a line that are read; and of what is reported of it. */
const LONGEST = 500;
const TOLD = 40;

/** One line: its events, none of a comment or of keys that are not known; or what is wrong with it. `readLine('t=1.5 gate=2') // [{ t: 1.5, kind: 'gate', value: 2 }]` */
export function readLine(line: string): readonly DeviceEvent[] | string {
  const [text = ''] = line.split('#');
  const words = text.trim().split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  if (line.length > LONGEST) return `is longer than ${LONGEST} letters`;
  const numbers = new Map<string, number>();
  for (const word of words) {
    const at = word.indexOf('=');
    if (at < 1) return `“${word.slice(0, TOLD)}” is not key=value`;
    const [key, value] = [word.slice(0, at), Number(word.slice(at + 1))];
    if (!isKind(key) && key !== 't') continue;
    if (word.length === at + 1 || !Number.isFinite(value)) return `“${word.slice(0, TOLD)}” has no number`;
    numbers.set(key, value);
  }
  const t = numbers.get('t');
  const kinds = KINDS.filter((kind) => numbers.has(kind));
  if (kinds.length === 0) return [];
  if (t === undefined) return 'has no t=: the seconds of the device’s clock';
  const gate = numbers.get('gate');
  if (gate !== undefined && (!Number.isInteger(gate) || gate < 0)) return 'gate= must be a whole number from 0';
  return kinds.map((kind) => ({ t, kind, value: numbers.get(kind)! }));
}

/** Lines of text, UTF-8 without a mark, each by itself: a broken one is reported by its number and takes no other with it. `firstLine`: the number of the first. */
export function readLines(text: string, firstLine = 1): ReadLines {
  const events: DeviceEvent[] = [];
  const faults: LineFault[] = [];
  text.split(/\r?\n/).forEach((line, i) => {
    const read = readLine(line);
    if (typeof read === 'string') faults.push({ line: firstLine + i, message: read });
    else events.push(...read);
  });
  return { events, faults };
}
