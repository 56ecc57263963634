import { renderToStaticMarkup } from 'react-dom/server';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { newCar } from '../../../core/car/new-car.ts';
import { fullTurns } from '../../../core/predict/derive-run-setup.ts';
import { safeTurns } from '../../../core/trials/winding-state.ts';
import { listSwitched } from '../../app/preferences-slice.ts';
import { makeStore } from '../../app/store.ts';
import { BeforePanel } from './before-panel.tsx';
import { DevicePanel } from './device-panel.tsx';
import { distanceLabel, MoreOfRun } from './more-of-run.tsx';
import { RunForm } from './run-form.tsx';
import { emptyForm, formChanged } from './track-slice.ts';
import { WatchPanel } from '../../devices/watch-panel.tsx';
import { WindPanel } from './wind-panel.tsx';

beforeAll(() => void vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} }));
const nothing = (): void => {};
function words(element: React.ReactElement, store = makeStore()): string {
  return renderToStaticMarkup(
    <MemoryRouter>
      <Provider store={store}>{element}</Provider>
    </MemoryRouter>,
  )
    .replaceAll(/<style[^>]*>.*?<\/style>/g, '')
    .replaceAll(/<[^>]+>/g, '|')
    .replaceAll('\u00a0', ' ')
    .replaceAll(/\|+/g, '|');
}
const band = newCar('Tern', 'band');
const walled = (roomLength: number | null): CarDesign => ({ ...band, floor: { ...band.floor, roomLength } });

describe('before a run', () => {
  it('asks what matters for the car, cautions by their word', () => {
    const asked = words(<BeforePanel design={band} onDone={nothing} />);
    expect(asked).toContain('Safety: Wear glasses');
    expect(asked).toContain('its turns side by side');
    expect(asked).toContain('safety rules come first');
  });
  it('can be turned off, and says the most needful all the same', () => {
    const store = makeStore();
    store.dispatch(listSwitched(false));
    const asked = words(<BeforePanel design={band} onDone={nothing} />, store);
    expect(asked).toContain('Show before each run');
    expect(asked).toContain('Keep fingers, faces and pets clear all the same');
    expect(asked).not.toContain('Windings');
  });
});

describe('the wind counter', () => {
  it('begins at nothing, with the turns that are safe and a full wind', () => {
    const told = words(<WindPanel design={band} counted={0} onCounted={nothing} onWound={nothing} />);
    expect(told).toMatch(/^\|0\| turns\|/);
    expect(told).toMatch(/pull at the tyre now\|none\|turns to the safe limit\|[\d.]+\|/);
    expect(told).toMatch(/a full wind\|[\d.]+ turns\|/);
    expect(told).not.toContain('stops before the wall');
  });
  it('stops whoever winds on beyond what is safe', () => {
    const at = (counted: number): string => words(<WindPanel design={band} counted={counted} onCounted={nothing} onWound={nothing} />);
    expect(at(fullTurns(band))).not.toContain('■');
    expect(at(fullTurns(band))).not.toContain('of a full wind. The run is saved');
    expect(at(fullTurns(band) + 1)).toContain('More than the 9 turns of a full wind. The run is saved with the turns it had.');
    expect(at(Math.floor(safeTurns(band)))).not.toContain('■');
    expect(at(safeTurns(band) + 1)).toContain('■ Stop: more is not safe');
  });
  it('goes on from the turns that were counted before', () =>
    expect(words(<WindPanel design={band} counted={5} onCounted={nothing} onWound={nothing} />)).toMatch(/^\|5\| turns\|/));
  it('speaks of the wall where there is one, and of no car that cannot run', () => {
    expect(words(<WindPanel design={walled(5)} counted={0} onCounted={nothing} onWound={nothing} />)).toContain(
      'stops before the wall (9 in 10)|…',
    );
    const broken = { ...band, motor: { ...band.motor, turns: 900 } } as CarDesign;
    expect(words(<WindPanel design={broken} counted={0} onCounted={nothing} onWound={nothing} />)).toContain(
      'cannot run as it is designed',
    );
  });
});

describe('what takes the times', () => {
  it('is a watch that waits for Go, or runs on from before', () => {
    const watch = words(<WatchPanel name="a" marks={[6, 12]} onStopped={nothing} />);
    expect(watch).toContain('0.00 s');
    expect(watch).toContain('at each mark,');
    expect(watch).toMatch(/\|Go\|/);
    vi.spyOn(localStorage, 'getItem').mockReturnValue(JSON.stringify({ startedAt: Date.now() - 4000, presses: [1500], stoppedAt: null }));
    expect(words(<WatchPanel name="a" marks={[6, 12]} onStopped={nothing} />)).toMatch(/6.00 m|1.50 s/);
    vi.restoreAllMocks();
  });
  it('or gates: the rig that ships first, and what is missing said', () => {
    const gates = words(
      <DevicePanel
        design={band}
        wind={{ kind: 'full' }}
        gates={[]}
        putRight={[]}
        runs={0}
        hidden="sound"
        onHidden={nothing}
        onTaken={nothing}
      />,
    );
    expect(gates).toContain('the simulated rig');
    expect(gates).toContain('Set in the session where times are taken');
    expect(gates).toContain('No line yet.');
    expect(gates).not.toContain('Use these times');
  });
});

describe('what is written down', () => {
  const formWith = (change: Parameters<typeof formChanged>[0]['change']): string => {
    const store = makeStore();
    store.dispatch(formChanged({ carId: 'a', change }));
    return words(<RunForm carId="a" design={band} session={null} brief={null} />, store);
  };
  it('needs a distance, and asks for it as it is measured', () => {
    expect(formWith({})).toContain('Distance, m (or 35 ft, 12 m 40 cm)');
    expect(formWith({ measuredBy: 'marks' })).toContain('Tape marks or tiles passed');
    expect(formWith({ measuredBy: 'from-wall' })).toContain('Left to the wall, m');
    expect(distanceLabel('marks', 'ft')).toBe('Beyond the last mark, ft');
  });
  it('stands beside the prediction for just that wind and load, with the range of the next run', () => {
    const metres = (text: string): number => Number(/about ([\d.]+) m\|Predicted/.exec(text)![1]);
    const [full, half, loaded] = [formWith({}), formWith({ wind: 'turns', turns: '4' }), formWith({ load: '100 g' })];
    expect(full).toMatch(/Next run: [\d.]+–[\d.]+ m \(8 in 10\)/);
    expect(metres(half)).toBeLessThan(metres(full));
    expect(metres(loaded)).toBeLessThan(metres(full));
    // On the floor that this run is made on.
    expect(metres(formWith({ floor: 'long-carpet' }))).toBeLessThan(metres(full));
    expect(formWith({ outcome: 'did-not-start' })).not.toContain('Distance, m');
  });
  it('asks about stretching by hand only where there are bands', () => {
    const more = (hasBands: boolean): string =>
      words(<MoreOfRun form={emptyForm} text={(_field, label) => label} change={nothing} floors={[]} hasBands={hasBands} />);
    expect(more(true)).toContain('stretched by hand');
    expect(more(false)).not.toContain('stretched by hand');
    for (const label of ['Drift off the line, m', 'not given', 'in one piece', 'Wheels spun for about, m', 'by marks'])
      expect(more(false)).toContain(label);
  });
});
