import { describe, expect, it } from 'vitest';
import type { Rules } from '../brief/brief.ts';
import { NO_RULES } from '../brief/new-brief.ts';
import { newCar } from '../car/new-car.ts';
import { type Format, formatIn } from '../units/quantity.ts';
import { judgeMaking } from './judge-making.ts';
import { partsList } from './parts-list.ts';
import { buildSteps, minutesLeft } from './steps.ts';

const format: Format = formatIn('metric');
const lever = newCar('x');

describe('what a car is made of, against the rules', () => {
  const made = (more: Partial<Rules>, car = lever) => judgeMaking(car, { ...NO_RULES, ...more }, format);
  it('counts the parts against a kit, and leaves to the hand what the kit does not name', () => {
    const kit = [{ name: 'wooden skewers', count: 2 }];
    const [rule] = made({ kit });
    expect(rule).toMatchObject({ key: 'kit', verdict: 'by-hand', words: expect.stringContaining('optical disc') });
    // Two axles of bamboo skewer and one in the kit.
    expect(made({ kit: [{ name: 'bamboo skewer', count: 1 }] })[0]).toMatchObject({
      verdict: 'broken',
      words: '2 bamboo skewer, 1 in the kit',
    });
    const all = partsList(lever).map(({ name, count }) => ({ name: name.replace(/^.*: /, ''), count: 2 * count }));
    expect(made({ kit: all })[0]).toMatchObject({ verdict: 'met' });
  });
  it('holds its building time, parts that are not allowed, cost and further rules against it', () => {
    const minutes = minutesLeft(buildSteps(lever, format), new Set()).work;
    expect(made({ minutes: 2 * minutes })[0]).toMatchObject({ key: 'minutes', verdict: 'met' });
    expect(made({ minutes })[0]).toMatchObject({ verdict: 'close', words: expect.stringContaining(`about ${minutes} minutes`) });
    expect(made({ minutes: minutes / 1.4 })[0]).toMatchObject({ verdict: 'broken' });
    expect(made({ forbidden: ['optical discs', 'sticky tack'] })).toMatchObject([{ verdict: 'broken' }, { verdict: 'met' }]);
    expect(made({ budget: 'two coins', more: ['Crews wear their colours.'] })).toMatchObject([
      { key: 'budget', verdict: 'by-hand' },
      { key: 'more.0', verdict: 'by-hand', words: 'Crews wear their colours.' },
    ]);
  });
});
