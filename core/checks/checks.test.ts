import { fitCatalogue } from '../car/parts.ts';
import { weighing } from '../car/reference/weighing.ts';
import { describe, expect, it } from 'vitest';
import type { BandDesign, CarDesign, LeverDesign, MotorKind } from '../car/car-design.ts';
import { LEVER_MATERIALS } from '../car/catalogue.ts';
import { recordOf } from '../car/motors/motors.ts';
import { standingWeight } from '../car/weights.ts';
import { newCar } from '../car/new-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { readCarDesign } from '../files/read.ts';
import { type Format, formatIn } from '../units/quantity.ts';
import type { Remedy } from './remedy.ts';
import { curingRemedies } from '../explore/priced-remedies.ts';
import type { Check } from './check-car.ts';
import { checkCar } from './check-car.ts';

const metric: Format = formatIn('metric');
const inInches: Format = formatIn('inch');

const resultOf = (design: CarDesign) => {
  const prediction = predictRun(design);
  if (prediction.kind === 'refused') throw new Error(JSON.stringify(prediction.faults));
  return prediction.result;
};
const checkOf = (design: CarDesign, id: string): Check => {
  const found = checkCar(design, resultOf(design)).find((check) => check.id === id);
  if (!found) throw new Error(`no check ${id}`);
  return found;
};
const lever = newCar('x');
const band = newCar('x', 'band');
const withBand = (change: Partial<BandDesign>, car: Partial<CarDesign> = {}): CarDesign => ({
  ...band,
  ...car,
  motor: { ...band.motor, ...change } as BandDesign,
});
const withLever = (change: Partial<LeverDesign>, car: Partial<CarDesign> = {}): CarDesign => ({
  ...lever,
  ...car,
  motor: { ...lever.motor, ...change } as LeverDesign,
});
const strong: Partial<BandDesign> = { band: { kind: 'size', size: '64' }, series: 2, turns: 9, anchorToAxle: 0.2 };

/** For each check a car that fails it, from a car that does not. */
const FAILING: readonly (readonly [id: string, good: CarDesign, bad: CarDesign])[] = [
  ['launch-grip', band, withBand(strong, { tyre: 'bare-disc', sleeve: [] })],
  [
    'wheelie',
    lever,
    weighing(withBand(strong, { wheelbase: 0.13, measured: { massHeight: { value: 0.12, spread: 0.1 } } }), { driveLoadShare: 0.85 }),
  ],
  ['stall-at-start', band, weighing(withBand({ turns: 3 }, { sleeve: [], bearing: 'wood-card' }), { mass: 0.25 })],
  ['stall-before-end', lever, { ...lever, floor: { ...lever.floor, slope: 0.04 } }],
  ['lever-reach', lever, withLever({ trapPosition: 0.25 })],
  ['string-angle', lever, withLever({ trapPosition: 0.3 })],
  ['winding-room', band, withBand({ windingWidth: 0.004 })],
  ['band-stretch', band, withBand({ turns: 16 })],
  ['chassis-buckling', band, withBand(strong, { body: { ...band.body, kind: 'milk-jug', width: 0.03 } })],
  ['axle-bending', lever, withBand({ ...strong, parallel: 3, turns: 5 }, { axle: 'skewer', axleDiameter: 0.0025, sleeve: [] })],
  ['hook-clearance', lever, { ...lever, body: { ...lever.body, notched: false, axleGap: 0.003 } }],
  ['wheels-touch', lever, { ...lever, wheelbase: 0.115 }],
  ['wheel-to-body', lever, { ...lever, trackWidth: 0.06 }],
  ['ground-clearance', lever, { ...lever, driveWheels: { kind: 'bottle-cap', diameter: 0.016 } }],
  ['bounce-speed', lever, withBand(strong, { care: 'rough', otherWheels: { kind: 'bottle-cap', diameter: 0.02 } })],
  ['drift', { ...lever, care: 'careful' }, { ...lever, alignment: { ...lever.alignment, driveToe: 0.02 } }],
  ['short-room', lever, { ...lever, floor: { ...lever.floor, roomLength: 10 } }],
  ['tied-release', lever, withLever({ release: 'tied' })],
  ['parts-meet', band, { ...band, otherWheels: { kind: 'optical-disc', diameter: 0.08 } }],
];

describe('a bent axle', () => {
  it('of a tube is as stiff as what is left of it: s(2 − s) of the full section', () => {
    const own = (modulus: number) => ({ axle: { name: 'rod', evidence: 'measured', values: { modulus } } }) as const;
    const bendOf = (axle: CarDesign['axle']): number => checkOf({ ...lever, axle, own: own(5e9) }, 'axle-bending').value;
    // A pen tube is 44 % material: 1 − 0.56² = 0.6864 of the second moment is left (worked by hand).
    expect(bendOf('skewer') / bendOf('pen-tube')).toBeCloseTo(0.6864, 3);
  });
});

describe('each check', () => {
  it.each(FAILING)('%s tells a car that fails it from one that does not', (id, good, bad) => {
    const passed = checkCar(good, resultOf(good)).find((check) => check.id === id);
    expect(passed === undefined || passed.verdict === 'good').toBe(true);
    const failed = checkOf(bad, id);
    expect(failed.verdict).not.toBe('good');
    expect(failed.limitIs === 'most' ? failed.value > failed.limit : failed.value < failed.limit).toBe(true);
    expect(failed.sentence(metric)).toMatch(/\d/);
  });
  it.each(FAILING)('%s offers remedies that are designs, and one of them helps', (id, _good, bad) => {
    const failed = checkOf(bad, id);
    if (failed.remedies(metric).length === 0) return expect(id).toBe('short-room');
    for (const { remedy } of curingRemedies(failed, bad, resultOf(bad), metric)) {
      expect(readCarDesign(remedy.design)).toMatchObject({ kind: 'read' });
      expect(checkCar(remedy.design, resultOf(remedy.design)).find((check) => check.id === id)?.verdict ?? 'good').toBe('good');
    }
    /** Above 1 where the limit is stored. */
    const margin = ({ value, limit, limitIs }: Check): number => (limitIs === 'most' ? limit / value : value / limit);
    const better = (check: Check): boolean => check.verdict === 'good' || margin(check) > margin(failed);
    const helps = ({ design }: Remedy): boolean => checkCar(design, resultOf(design)).every((c) => c.id !== id || better(c));
    expect(failed.remedies(metric).some(helps)).toBe(true);
  });
});

describe('numbers of the checks, against the books', () => {
  it('a bar buckles at π²EI/L² (Gere & Timoshenko)', () => {
    // Balsa 60 × 5 mm, E = 3 GPa, 185 mm between hook and axle: 540 N.
    const balsa: CarDesign = { ...band, body: { ...band.body, kind: 'balsa' } };
    const critical = (Math.PI ** 2 * 3e9 * ((0.06 * 0.005 ** 3) / 12)) / 0.185 ** 2;
    const launch = resultOf(balsa);
    const held = (launch.launchThrust * 0.06) / 0.004 / 0.82;
    // The sleeve's own build-up is thin: within a tenth.
    expect(checkOf(balsa, 'chassis-buckling').value / (held / critical)).toBeGreaterThan(0.85);
    expect(checkOf(balsa, 'chassis-buckling').value / (held / critical)).toBeLessThan(1.05);
  });
  it('has a stick that is glued along the body carry what it carries by itself, and weigh what it weighs', () => {
    const weak = withBand(strong, { body: { ...band.body, kind: 'milk-jug', width: 0.03 } });
    const bare = checkOf(weak, 'chassis-buckling');
    const cure = curingRemedies(bare, weak, resultOf(weak), metric).find(({ remedy }) => remedy.id === 'stiffener')!.remedy;
    expect(cure.label).toMatch(/glued along the body$/);
    expect(checkOf(cure.design, 'chassis-buckling').verdict).toBe('good');
    // A pencil: E I of 0.94 N·m² beside that of 30 × 0.6 mm of plastic of 0.9 GPa.
    const pencil = { ...weak, body: { ...weak.body, stiffener: { kind: 'pencil', count: 1 } } } as CarDesign;
    const plastic = (0.9e9 * 0.03 * 0.0006 ** 3) / 12;
    expect(bare.value / checkOf(pencil, 'chassis-buckling').value).toBeCloseTo((plastic + 0.94) / plastic, 0);
    expect(standingWeight(pencil).mass - standingWeight(weak).mass).toBeCloseTo(0.023 * (pencil.wheelbase + pencil.body.overhang), 9);
  });
  it.each<[string, CarDesign, string, RegExp]>([
    [
      'bands through a deck that falls to small wheels',
      { ...band, otherWheels: { kind: 'optical-disc', diameter: 0.08 } },
      'hook-height',
      /deck and the band/,
    ],
    ['a dowel in a deck made for a skewer', { ...lever, axle: 'dowel', axleDiameter: 0.006 }, 'axle-gap', /deck and the drive axle/],
    ['ballast in the trap', { ...lever, ballast: { mass: 0.01, fromDriveAxle: 0.19 } }, 'ballast-place', /ballast/],
    ['bearings beyond the end of the body', { ...band, body: { ...band.body, pastOtherAxle: -0.02 } }, 'longer-body', /Nothing holds the/],
  ])('names what is in the way and cures it: %s', (_name, design, cure, words) => {
    const check = checkOf(design, 'parts-meet');
    expect(check.sentence(metric)).toMatch(words);
    const { remedy } = curingRemedies(check, design, resultOf(design), metric).find(({ remedy: { id } }) => id === cure)!;
    expect(checkOf(remedy.design, 'parts-meet').verdict).toBe('good');
  });
  it('a rod held at both ends bends by Fa³/(48EI) (Roark)', () => {
    const { value, sentence } = checkOf(lever, 'axle-bending');
    const force = Number(/pull of ([\d.]+)/.exec(sentence(metric))![1]);
    expect(value).toBeCloseTo((force * (0.7 * 0.11) ** 3) / (48 * 15e9 * ((Math.PI * 0.0032 ** 4) / 64)), 4);
  });
  it('a wheel hops at R √(g/e)', () => expect(checkOf(lever, 'bounce-speed').limit).toBeCloseTo(0.06 * Math.sqrt(9.80665 / 0.0008), 9));
  it('string is cut to the reach and the loop', () => expect(checkOf(lever, 'string-length').value).toBeCloseTo(0.3966, 3));
  it('a short room says how many turns stop before the wall', () => {
    const short: CarDesign = { ...lever, floor: { ...lever.floor, roomLength: 10 } };
    const turns = Number(/Wind ([\d.]+) turns/.exec(checkOf(short, 'short-room').sentence(metric))![1]);
    const prediction = predictRun(short, { kind: 'turns', turns });
    expect(prediction.kind === 'ran' ? prediction.result.distance : NaN).toBeCloseTo(9, 0);
  });
});

describe('what a check goes by, worked by hand', () => {
  const remediesOf = (design: CarDesign, id: string) => checkOf(design, id).remedies(metric);
  const designs = (design: CarDesign, id: string, like: RegExp) =>
    remediesOf(design, id).flatMap(({ id: remedy, design: changed }) => (like.test(remedy) ? [changed] : []));
  it('a lane leaves half of its width to each side; without one a fifth of the way, or 1 m', () => {
    const veering: CarDesign = { ...lever, alignment: { ...lever.alignment, driveToe: 0.02 }, aim: { kind: 'at-least', distance: 6 } };
    expect(checkOf({ ...veering, floor: { ...lever.floor, laneWidth: 0.9 } }, 'drift').limit).toBeCloseTo(0.45, 12);
    expect(checkOf(veering, 'drift').limit).toBeCloseTo(1.2, 12);
    expect(checkOf({ ...veering, aim: { kind: 'at-least', distance: 4 } }, 'drift').limit).toBe(1);
  });
  it('what a build may turn out like is a fault only where its line is asked for', () => {
    const verdict = (change: Partial<CarDesign>) => checkOf({ ...lever, care: 'rough', ...change }, 'drift').verdict;
    expect(verdict({})).toBe('good');
    expect(verdict({ floor: { ...lever.floor, laneWidth: 0.5 } })).toBe('warning');
    expect(verdict({ aim: { kind: 'straightest', distance: null } as CarDesign['aim'] })).toBe('warning');
  });
  it('a car that has turned by a quarter of a circle on its way is stopped: the toe of 0.02 on 260 mm bends by 1/13 m', () => {
    const turning: CarDesign = { ...lever, alignment: { ...lever.alignment, driveToe: 0.06 } };
    expect(checkOf(turning, 'drift').verdict).toBe('stop');
    expect(checkOf({ ...turning, aim: { kind: 'at-least', distance: 3 } }, 'drift').verdict).not.toBe('stop');
  });
  it('of several twigs the one that is climbed by the least, and only such as it comes to', () => {
    const twigs = (...edges: CarDesign['floor']['edges']): CarDesign => ({ ...lever, floor: { ...lever.floor, edges } });
    const [low, high] = [twigs({ at: 1, height: 0.001 }), twigs({ at: 1, height: 0.002 })].map((car) => checkOf(car, 'edges').value);
    // The same speed at both: twice as high is climbed half as often.
    expect(low! / high!).toBeCloseTo(2, 2);
    for (const order of [[0.001, 0.002] as const, [0.002, 0.001] as const]) {
      const [first, second] = order;
      const { value } = checkOf(twigs({ at: 1, height: first }, { at: 1.01, height: second }), 'edges');
      expect(value / high!).toBeCloseTo(1, 1);
    }
    const far = twigs({ at: 500, height: 0.001 });
    expect(checkCar(far, resultOf(far)).some(({ id }) => id === 'edges')).toBe(false);
  });
  it('a lever that bends is made of what is stiffer, and of nothing else', () => {
    const soft = withLever({ leverMaterial: 'brass-tube', leverLength: 0.3, trapPosition: 0.31 }, { wheelbase: 0.36 });
    const stiffness = (design: CarDesign): number => LEVER_MATERIALS[(design.motor as LeverDesign).leverMaterial].stiffness;
    const offered = designs(soft, 'lever-bends', /^lever-/);
    expect(offered).toHaveLength(Object.values(LEVER_MATERIALS).filter((one) => one.stiffness > stiffness(soft)).length);
    for (const changed of offered) expect(stiffness(changed)).toBeGreaterThan(stiffness(soft));
  });
  it('a body as long as the trap reaches holds it, one that is shorter by 20 mm is made longer by that and 5 mm at each end', () => {
    const { value } = checkOf(lever, 'motor-on-body');
    const short = withLever({}, { body: { ...lever.body, overhang: lever.body.overhang - 2 * value - 0.04 }, wheelbase: lever.wheelbase });
    expect(checkOf(short, 'motor-on-body')).toMatchObject({ verdict: 'stop' });
    expect(checkOf(short, 'motor-on-body').value).toBeCloseTo(-0.02, 9);
    expect(checkOf(short, 'motor-on-body').sentence(metric)).toMatch(/The trap extends 20\smm beyond/);
    expect(checkOf(lever, 'motor-on-body').sentence(metric)).toMatch(/The body extends/);
    const [longer] = designs(short, 'motor-on-body', /longer-body/);
    expect(checkOf(longer!, 'motor-on-body').value).toBeCloseTo(0.005, 9);
    expect(longer!.body.width).toBe(lever.body.width);
  });
  it('a body narrower than the trap is made as wide as the trap', () => {
    const narrow = withLever({}, { body: { ...lever.body, width: 0.03 } });
    const [wide] = designs(narrow, 'trap-width', /body-width/);
    expect(checkOf(wide!, 'trap-width').value).toBeCloseTo(0, 12);
    expect(wide!.body.kind).toBe(lever.body.kind);
  });
  it('string lies as deep as turns times its thickness over the width; rubber is thinner by the root of its stretch', () => {
    const turns = resultOf(lever).turns;
    const { motor } = lever as { motor: LeverDesign };
    const thickness = recordOf(motor).strandThickness(motor);
    expect(checkOf(lever, 'winding-room').value).toBeCloseTo((turns * thickness) / motor.windingWidth, 9);
    const rubber = band.motor as BandDesign;
    const plain = (resultOf(band).turns * recordOf(rubber).strandThickness(rubber)) / rubber.windingWidth;
    const ratio = plain / checkOf(band, 'winding-room').value;
    expect(ratio).toBeGreaterThan(1.1);
    expect(ratio).toBeLessThan(3);
    const [wider] = designs(withBand({ windingWidth: 0.004 }), 'winding-room', /wider-winding/);
    expect(checkOf(wider!, 'winding-room').value).toBeCloseTo(3, 2);
  });
});

describe('a sound car', () => {
  it.each(['lever', 'band', 'twist'] as MotorKind[])('%s: nothing fails, and what it is told is in its own units', (kind) => {
    const car: CarDesign = { ...newCar('x', kind), care: 'careful' };
    expect(checkCar(car, resultOf(car)).filter(({ verdict }) => verdict !== 'good')).toEqual([]);
    expect(checkCar(car, resultOf(car)).every(({ sentence }) => !/\d mm\b/.test(sentence(inInches)))).toBe(true);
  });
});

describe('parts that do not go together', () => {
  it.each([
    [{ ...lever, bearing: 'steel-brass' }, 'bearing', /skewer does not go with steel/i],
    [{ ...lever, tyre: 'card-edge' }, 'tyre', /optical disc has no card edge/i],
    [
      { ...lever, driveWheels: { kind: 'optical-disc', diameter: 0.144 } },
      'wheels',
      /no optical disc is 144\smm across; the nearest is 120/i,
    ],
    [{ ...lever, otherWheels: { kind: 'bottle-cap', diameter: 0.08 } }, 'wheels', /no bottle cap is 80/i],
  ] as [CarDesign, string, RegExp][])('%#: are named, and the remedy makes them go', (design, _what, words) => {
    const check = checkOf(design, 'parts-fit');
    expect(check).toMatchObject({ verdict: 'warning', value: 1 });
    expect(check.sentence(metric)).toMatch(words);
    for (const { design: better } of check.remedies(metric)) expect(checkOf(better, 'parts-fit').verdict).toBe('good');
    expect(check.remedies(metric).length).toBeGreaterThan(0);
  });
  it('are put right around a part that is fitted: a new wheel has its own edge and size, a new axle a bearing', () => {
    expect(fitCatalogue({ ...lever, tyre: 'bare-disc' }, 'driveWheels', 'foam-board')).toMatchObject({ tyre: 'card-edge' });
    expect(fitCatalogue(lever, 'driveWheels', 'bottle-cap')).toMatchObject({ driveWheels: { diameter: 0.04 }, tyre: 'rubber-band' });
    expect(fitCatalogue(lever, 'axle', 'hanger-wire')).toMatchObject({ bearing: 'steel-straw' });
  });
});

describe('the play of an axle', () => {
  it('takes its half from what is left beside each hub: 4 mm of play, 2 mm less', () => {
    const left = (endPlay: number): number => checkOf({ ...lever, endPlay }, 'hub-rub').value;
    expect(left(0.001) - left(0.005)).toBeCloseTo(0.002, 12);
    // With none it is the gap between wheel and body itself.
    expect(left(0)).toBeCloseTo(checkOf({ ...lever, endPlay: 0 }, 'wheel-to-body').value, 12);
  });
});
