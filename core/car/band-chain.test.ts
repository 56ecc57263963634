import { describe, expect, it } from 'vitest';
import { partsList } from '../build/parts-list.ts';
import { buildSteps } from '../build/steps.ts';
import { judgeRules } from '../brief/rules.ts';
import { measuresOf } from '../geometry/measures.ts';
import { bandForce } from '../motor/rubber.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import { bandCount, describeChain, equivalentBand, stretchOfChain } from './band-chain.ts';
import type { BandDesign, CarDesign } from './car-design.ts';
import { bandSizes, RUBBER } from './catalogue.ts';
import { newCar } from './new-car.ts';
import { bandMass } from './motors/rubber-motors.ts';
import { safeStretch } from './winding-limits.ts';
import { formatIn } from '../units/quantity.ts';

const plain = newCar('Chained', 'band');
const withMotor = (change: Partial<BandDesign>): CarDesign => ({ ...plain, motor: { ...(plain.motor as BandDesign), ...change } });
/** Two bands of size 33, 3½ × 1/8 in, then one of size 64, as long and twice as wide. */
const mixed = withMotor({ band: { kind: 'size', size: '33' }, series: 2, further: [{ band: { kind: 'size', size: '64' }, series: 1 }] });
const motor = mixed.motor as BandDesign;

describe('a chain of bands of two sizes', () => {
  it('has the sections in series: by hand, 3 lengths over (2 + ½) of the thin section', () => {
    const thin = bandSizes(motor.band);
    const { length, width, thickness } = equivalentBand(motor);
    expect(length).toBeCloseTo(thin.length, 12);
    expect(width * thickness).toBeCloseTo((3 / 2.5) * thin.width * thin.thickness, 12);
    // By weight it is four thin ones: 2 + 2.
    expect(bandMass(motor)).toBeCloseTo(2 * bandMass({ ...motor, series: 2, further: undefined } as unknown as BandDesign), 12);
  });

  it('pulls like its links in balance, to 5 %', () => {
    const thin = bandSizes(motor.band);
    const { width, thickness } = equivalentBand(motor);
    const pull = (section: number, stretch: number): number => bandForce({ ...RUBBER, length: 1, section }, stretch);
    const [thinSection, thickSection] = [thin.width * thin.thickness, 2 * thin.width * thin.thickness];
    for (let thinStretch = 1.1; thinStretch < 6; thinStretch += 0.3) {
      // The stretch of the thick one at the same pull, by halving.
      let [low, high] = [1, thinStretch];
      for (let i = 0; i < 60; i++)
        [low, high] =
          pull(thickSection, (low + high) / 2) > pull(thinSection, thinStretch) ? [low, (low + high) / 2] : [(low + high) / 2, high];
      const mean = (2 * thinStretch + low) / 3;
      expect(pull(width * thickness, mean) / pull(thinSection, thinStretch)).toBeGreaterThan(0.99);
      expect(pull(width * thickness, mean) / pull(thinSection, thinStretch)).toBeLessThan(1.05);
    }
  });

  it('is tight when its thin bands are, before its mean is', () => {
    expect(stretchOfChain({ ...motor, further: [{ band: { kind: 'size', size: '33' }, series: 1 }] }, safeStretch)).toBeCloseTo(4.5, 6);
    const mean = stretchOfChain(motor, safeStretch);
    expect(mean).toBeGreaterThan(3.4);
    expect(mean).toBeLessThan(4.1);
    const felt = (further: BandDesign['further']): number =>
      fullTurns(withMotor({ series: 2, ...(further && { further }), fullWinding: 'tight', anchorToAxle: 0.25, windingWidth: 0.05 }));
    // A third band lets more be wound, a thick one less than one of the others.
    const [two, thick, three] = [felt(undefined), felt(motor.further), felt([{ band: { kind: 'size', size: '33' }, series: 1 }])];
    expect(thick).toBeGreaterThan(two);
    expect(thick).toBeLessThan(three);
  });

  it('is counted, listed, stepped, told and judged by every size', () => {
    expect(bandCount({ ...motor, parallel: 2 })).toBe(6);
    // Two more are its tyres.
    expect(measuresOf(mixed).bands).toBe(3 + 2);
    expect(describeChain(motor)).toBe('2 + 1 of size 64 (3½ × 1/4 in)');
    const listed = partsList(mixed).filter(({ on }) => on === 'motor');
    expect(listed.map(({ count }) => count)).toEqual([2, 1]);
    expect(listed.reduce((sum, { mass }) => sum + mass, 0)).toBeCloseTo(bandMass(motor), 12);
    expect(buildSteps(mixed, formatIn('metric')).find(({ id }) => id === 'bands')!.text).toContain(
      'Loop 2 end to end, then 1 of size 64 (3½ × 1/4 in).',
    );
    const verdictOf = (bandSizes: CarDesign['limits']['bandSizes']): string =>
      judgeRules(mixed, { ...mixed.limits, bandSizes }).find(({ key }) => key === 'bandSizes')!.verdict;
    expect(verdictOf(['33'])).toBe('broken');
    expect(verdictOf(['33', '64'])).toBe('met');
  });

  it('goes between a chain of thin and one of thick bands', () => {
    const energy = (change: Partial<BandDesign>): number => {
      const told = predictRun(withMotor({ anchorToAxle: 0.3, ...change }), { kind: 'turns', turns: 4 });
      return told.kind === 'ran' ? told.result.storedEnergy : 0;
    };
    const [thin, both, thick] = [{ series: 3 }, motor, { band: { kind: 'size', size: '64' }, series: 3 } as const].map((one) =>
      energy({ ...one, anchorToAxle: 0.3 }),
    ) as [number, number, number];
    expect(both).toBeGreaterThan(thin);
    expect(both).toBeLessThan(thick);
  });
});
