import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { numberIn, parseQuantity, formatKnown, formatQuantity, valueIn, type Quantity, withOwnUnit } from './quantity.ts';

const typed = (text: string, quantity: Quantity, system: 'metric' | 'inch' = 'metric') => {
  const parsed = parseQuantity(text, quantity, system);
  return parsed.kind === 'value' ? parsed.value : parsed.message;
};

describe('what people type', () => {
  it.each([
    ['216 mm', 'size', 0.216],
    ['21.6cm', 'size', 0.216],
    ['216', 'size', 0.216],
    ['0,5 m', 'size', 0.5],
    ['8 1/2 in', 'size', 0.2159],
    ['8½"', 'size', 0.2159],
    ['3 1/2 in', 'size', 0.0889],
    ['35 ft', 'distance', 10.668],
    ['12m 40cm', 'distance', 12.4],
    ['3\' 4"', 'distance', 1.016],
    ['1/2 oz', 'weight', 0.0141747615625],
    ['-2°', 'angle', -Math.PI / 90],
    ['58', 'share', 0.58],
    ['20', 'count', 20],
    // 1 ozf is 1/16 lbf, 4.4482216152605 N (NIST SP 811, exact).
    ['16 ozf', 'force', 4.4482216152605],
  ] as const)('%s is understood', (text, quantity, value) => expect(typed(text, quantity)).toBeCloseTo(value, 12));

  it.each([
    ['20 x 3.5 g', 0.07],
    ['20×3,5', 0.07],
    ['50 pennies', 0.15],
    ['4 AA', 0.096],
    ['3 x m8 nut', 0.015],
    ['egg', 0.06],
    ['2 * 1 oz', 2 * 0.028349523125],
  ])('counts weights: %s', (text, kg) => {
    const read = parseQuantity(text, 'weight', 'metric');
    expect(read.kind === 'value' && read.value).toBeCloseTo(kg, 9);
  });
  it('counts nothing but weights, and says what is wrong with one', () => {
    expect(parseQuantity('2 x 3 mm', 'size', 'metric').kind).toBe('unclear');
    expect(parseQuantity('3 x zebra', 'weight', 'metric')).toMatchObject({ kind: 'unclear', message: expect.stringContaining('zebra') });
  });
  it('takes a bare number in the units shown', () => {
    expect(typed('8,5', 'size', 'inch')).toBeCloseTo(0.2159, 12);
    expect(typed('35', 'distance', 'inch')).toBeCloseTo(10.668, 12);
  });

  it.each([
    ['', 'size', /Type a number/],
    ['long', 'size', /is not a number/],
    ['12 stone', 'weight', /“stone” is not a unit for this; use g, kg, oz, lb/],
    ['1/0 in', 'size', /divided by 0/],
    ['3 turns', 'count', /without “turns”/],
  ] as const)('“%s” is answered with the remedy', (text, quantity, message) => expect(typed(text, quantity)).toMatch(message));

  it('reads back what is printed, to the digits shown', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 3, noNaN: true }), fc.constantFrom('metric' as const, 'inch' as const), (value, system) => {
        const again = typed(formatQuantity(value, 'size', system), 'size', system) as number;
        expect(Math.abs(again - value)).toBeLessThanOrEqual(system === 'metric' ? 0.000051 : 0.000128);
      }),
    );
  });
});

describe('values in a unit of their own', () => {
  it('are told to the digits that tell, without a unit where it has no name', () => {
    expect(valueIn({ unit: 'mm', factor: 1e-3 }, 0.00075432)).toBe('0.754 mm');
    expect(valueIn({ unit: '', factor: 1 }, 0.22)).toBe('0.22');
    expect(numberIn({ unit: 'MPa', factor: 1e6 }, 110000)).toBe('0.11');
    expect(numberIn({ unit: 'g', factor: 1e-3 }, 0.123456, 4)).toBe('123.5');
  });
});

describe('a number no finer than it is known', () => {
  it.each([
    [20.03, 3.35, 'metric', '20'],
    [20.03, 0.4, 'metric', '20.0'],
    [20.03, 0.04, 'metric', '20.03'],
    [134, 40, 'metric', '130'],
    [18.84, 3.77, 'inch', '62'],
    [20.03, 3.35, 'inch', '66'],
    [20.03, 0, 'metric', '20.03'],
    [20.03, NaN, 'metric', '20.03'],
    [Infinity, 1, 'metric', '–'],
  ] as const)('%f m, known to ± %f m: %s %s', (value, halfWidth, system, text) =>
    expect(formatKnown(value, halfWidth, 'distance', system)).toBe(text),
  );
  it('is never printed with more digits than a tenth of its half-width has, nor with fewer than that allows', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 500, noNaN: true }),
        fc.double({ min: 0.02, max: 100, noNaN: true }),
        fc.constantFrom('metric', 'inch'),
        (value, halfWidth, system) => {
          const metres = Number(formatKnown(value, halfWidth, 'distance', system)) * (system === 'metric' ? 1 : 0.3048);
          // Half a step off at most; and a step is at most the half-width itself.
          expect(Math.abs(metres - value)).toBeLessThanOrEqual(0.25 * Math.max(halfWidth, 0.2 * 0.3048) + 1e-9);
          const digits = formatKnown(value, halfWidth, 'distance', system).split('.')[1]?.length ?? 0;
          expect(10 ** -digits * (system === 'metric' ? 1 : 0.3048)).toBeGreaterThanOrEqual(Math.min((halfWidth / 20) * 0.999, 0.01));
        },
      ),
    );
  });
});

describe('what was typed while other units were shown', () => {
  it.each([
    ['9.4', 'distance', 'metric', 'inch', '9.4 m'],
    ['3 1/2', 'size', 'inch', 'metric', '3 1/2 in'],
    ['9.4 m', 'distance', 'metric', 'inch', '9.4 m'],
    ['12', 'count', 'metric', 'inch', '12'],
    ['4.1', 'time', 'metric', 'inch', '4.1'],
    ['0', 'distance', 'metric', 'inch', '0'],
    ['far', 'distance', 'metric', 'inch', 'far'],
    ['', 'distance', 'metric', 'inch', ''],
  ] as const)('%j of %s, typed in %s and read in %s, is %j', (text, quantity, from, to, told) => {
    expect(withOwnUnit(text, quantity, from, to)).toBe(told);
    expect(parseQuantity(told, quantity, to).kind).toBe(parseQuantity(text, quantity, from).kind);
  });
});
