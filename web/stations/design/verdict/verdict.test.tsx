import { weighing } from '../../../../core/car/reference/weighing.ts';
import { renderToStaticMarkup } from 'react-dom/server';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { newCar } from '../../../../core/car/new-car.ts';
import { predictRun } from '../../../../core/predict/predict-run.ts';
import { assess, type Assessment } from '../../../../core/explore/assess.ts';
import { unitsChosen } from '../../../app/preferences-slice.ts';
import { makeStore } from '../../../app/store.ts';
import { Checks } from './checks.tsx';
import { describeLimit } from './describe-limit.ts';
import { RangeBar } from './range-bar.tsx';
import { Remedies } from './remedies.tsx';
import { VerdictPanel } from './verdict-panel.tsx';

// Where preferences are stored.
vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {} });

const nothing = (): void => {};

/** What stands on the panel, without its marks. */
function shown(element: React.ReactElement, units: 'metric' | 'inch' = 'metric'): string {
  const store = makeStore();
  if (units === 'inch') store.dispatch(unitsChosen('inch'));
  const page = (
    <Provider store={store}>
      <MemoryRouter>{element}</MemoryRouter>
    </Provider>
  );
  return renderToStaticMarkup(page)
    .replaceAll(/<[^>]+>/g, '|')
    .replaceAll('\u00a0', ' ')
    .replaceAll(/\|+/g, '|');
}
const verdictOf = (design: CarDesign, units?: 'metric' | 'inch'): string =>
  shown(
    <VerdictPanel
      carId="a"
      design={design}
      prediction={predictRun(design)}
      aimed={design}
      field={null}
      isOfAll={false}
      edit={nothing}
      onPreview={nothing}
    />,
    units,
  );

const lever = newCar('x');
const band = newCar('x', 'band');
const spinning: CarDesign = weighing({ ...lever, tyre: 'bare-disc', axleDiameter: 0.016 }, { driveLoadShare: 0.3 });

describe('the drawing marks what limits a car', () => {
  it.each<[string, CarDesign, string, RegExp]>([
    ['what it rolls away at its tyre', lever, 'tyre', /^rolling takes \d+\u00a0%$/],
    ['wheelspin', spinning, 'tyre', /^spins for [\d.]+\u00a0m$/],
    [
      'turns left on its axle',
      weighing({ ...band, bearing: 'wood-card', sleeve: [] }, { mass: 0.4 }),
      'winding',
      /^stops with [\d.]+ turns left$/,
    ],
    ['a slope that outdoes all, ahead of it', { ...lever, floor: { ...lever.floor, slope: -0.1 } }, 'floor', /^rolls on and on$/],
  ])('%s', (_name, design, place, mark) => {
    const prediction = predictRun(design);
    if (prediction.kind === 'refused') throw new Error('refused');
    const limit = describeLimit(prediction.result, 'metric');
    expect([limit.place, limit.mark]).toEqual([place, expect.stringMatching(mark)]);
  });
});

describe('the verdict says what limits a car', () => {
  it.each<[string, CarDesign, RegExp]>([
    ['what it rolls away', lever, /Rolling takes most\.\|Rolling takes \d+ % of the 0\.9 J stored/],
    ['wheelspin', spinning, /✕ Wheelspin limits this car\.\|The wheels spin for [\d.]+ m: \d+ % of the energy/],
    [
      'a stall',
      weighing({ ...band, motor: { ...band.motor, turns: 2 } as CarDesign['motor'], sleeve: [] }, { mass: 0.25 }),
      /✕ It does not start\./,
    ],
    [
      'a stop while wound',
      weighing({ ...band, bearing: 'wood-card', sleeve: [] }, { mass: 0.4 }),
      /✕ It stops before it is unwound\.\|.*[\d.]+ turns left/,
    ],
    ['a slope that outdoes all', { ...lever, floor: { ...lever.floor, slope: -0.1 } }, /✕ It does not stop\./],
    ['sizes that cannot be', weighing(lever, { mass: 0.01 }), /✕ It cannot run like this\.\|mass must be at least \d+ g/],
  ])('%s', (_name, design, words) => expect(verdictOf(design)).toMatch(words));
  it('with bounds in the units that are chosen, of diameters and not of radii', () => {
    expect(verdictOf(weighing(lever, { mass: 0.01 }), 'inch')).toMatch(
      /mass must be at least [\d.]+ oz, the weight of wheels, axles, body and motor alone/,
    );
    const tiny = { ...lever, driveWheels: { ...lever.driveWheels, diameter: 0.001 } };
    expect(verdictOf(tiny)).toMatch(/drive wheels\.?diameter must be at least 2 mm/);
  });
  it('in the units that are chosen', () => {
    const prediction = predictRun(lever);
    if (prediction.kind === 'refused') throw new Error('refused');
    const told = (system: 'metric' | 'inch', unit: string): number =>
      Number(new RegExp(`\\|about \\|(\\d+)\\| ${unit}\\|`).exec(verdictOf(lever, system))![1]);
    expect(Math.abs(told('metric', 'm') - prediction.result.distance)).toBeLessThanOrEqual(0.5);
    expect(Math.abs(told('inch', 'ft') - prediction.result.distance / 0.3048)).toBeLessThanOrEqual(0.5);
  });
  it('with the whole energy told: its shares add up', () => {
    const shares = [...verdictOf(lever).matchAll(/\|(\d+) %\|/g)].map(([, share]) => Number(share));
    expect(shares.reduce((a, b) => a + b)).toBeGreaterThanOrEqual(97);
    expect(shares.reduce((a, b) => a + b)).toBeLessThanOrEqual(102);
  });
});

describe('what is computed beside the page', () => {
  const assessment = assess({ ...spinning, aim: { kind: 'at-least', distance: 12 } }, 'metric') as Assessment;
  it('ranks remedies by what they buy, and says what that is', () => {
    const words = shown(
      <Remedies assessment={assessment} halfWidth={1} aim={{ kind: 'quickest-to', distance: 5 }} edit={nothing} onPreview={nothing} />,
    );
    const gains = [...words.matchAll(/→ ([\d.]+) m/g)].map(([, metres]) => Number(metres));
    expect(gains.length).toBeGreaterThan(1);
    expect(gains).toEqual([...gains].sort((a, b) => b - a));
    expect(words).toMatch(/[\d.]+ s sooner to 5.00 m/);
    expect(words).toMatch(/(no wheelspin|spins for [\d.]+ m) · [\d.]+ s, [\d.]+ s (longer|quicker)/);
  });
  it('tells checks by sign and word, the worst first and of those alike the dearest', () => {
    const { checks } = assessment;
    const rank = { stop: 0, warning: 1, good: 2 };
    checks.slice(1).forEach((check, i) => {
      const before = checks[i]!;
      expect(rank[check.verdict]).toBeGreaterThanOrEqual(rank[before.verdict]);
      if (check.verdict === before.verdict) expect(check.cost).toBeLessThanOrEqual(before.cost);
    });
    const words = shown(<Checks assessment={assessment} />);
    expect(words).toMatch(/^\|Checks\|[✕!]\|/);
    expect(words).toMatch(/launch grip\|.*Fixing this gains [\d.]+ m/);
    expect(words).toContain('from estimates of the parts');
  });
  it('puts the range on a scale with the mark, and says what the next run may be', () => {
    const bar = (
      <RangeBar
        bounds={assessment.distance}
        likely={10}
        figure={(metres) => metres.toFixed(0)}
        unit="m"
        mark={12}
        next="This car’s next run: 9–11 m (8 in 10)"
        explain={() => ({ title: '', formula: '', numbers: [] })}
      />
    );
    expect(shown(bar)).toMatch(/Cars built like this: \d+–\d+ m \(8 in 10\).*next run: 9–11 m \(8 in 10\)/);
    const places = [...renderToStaticMarkup(<Provider store={makeStore()}>{bar}</Provider>).matchAll(/(?:left|width):([\d.]+)%/g)];
    for (const [, percent] of places) expect(Number(percent)).toBeLessThanOrEqual(100);
  });
});
