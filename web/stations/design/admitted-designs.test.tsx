import { describeProblem } from '../../../core/fault-words.ts';
import fc from 'fast-check';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { deriveRunSetup } from '../../../core/predict/derive-run-setup.ts';
import { differences } from '../../../core/car/difference.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { newCar } from '../../../core/car/new-car.ts';
import { predictRun, type Prediction } from '../../../core/predict/predict-run.ts';
import { admittedDesigns } from '../../../core/car/reference/generated-designs.ts';
import { sizesOf } from '../../../core/car/sizes.ts';
import { planView } from '../../../core/geometry/plan-view.ts';
import { poseAt } from '../../../core/geometry/pose.ts';
import { sideView } from '../../../core/geometry/side-view.ts';
import { assess } from '../../../core/explore/assess.ts';
import { readCarDesign } from '../../../core/files/read.ts';
import { pullLeft } from '../../../core/run/pull-left.ts';
import type { RunResult } from '../../../core/run/simulate.ts';
import { formatIn } from '../../../core/units/quantity.ts';
import { planScale, sideScale } from '../../drawing/scale.ts';
import { curveOf, type Curve } from '../../charts/pull-curve/curve-data.ts';
import { CurvePlot } from '../../charts/pull-curve/curve-plot.tsx';
import { axisEnds } from '../../charts/pull-curve/curve-scale.ts';
import { PlanDrawing } from '../../drawing/plan-drawing.tsx';
import { planHandles } from '../../drawing/plan-handles.ts';
import { SideDrawing } from '../../drawing/side-drawing.tsx';
import { sideHandles } from '../../drawing/side-handles.ts';
import { explanationOf } from './verdict/explanations.ts';

const format = formatIn('metric');
const size = (metres: number): string => format(metres, 'size');
const MARGIN = { side: 84, top: 80, floor: 66 };
const [WIDTH, HEIGHT] = [700, 360];

/** The car from the side, at some time of its run, and from above. */
function drawingsOf(design: CarDesign, result: RunResult | null, part: number): React.ReactElement[] {
  const [side, plan] = [sideView(design), planView(design)];
  const pose = result && result.trace!.time.length > 1 ? poseAt(design, result, part * result.time) : null;
  const scale = sideScale(side, WIDTH, HEIGHT, MARGIN);
  return [
    <SideDrawing design={design} view={side} scale={scale} width={WIDTH} pose={pose} size={size} />,
    <PlanDrawing design={design} view={plan} scale={planScale(plan, WIDTH, HEIGHT, MARGIN)} size={size} distance={size} />,
  ];
}
const curveFor = (design: CarDesign, result: RunResult): Curve =>
  curveOf(result, result.turnsLeft > 0 ? pullLeft(deriveRunSetup(design), result) : []);

const curveDrawn = ({ floor }: CarDesign, curve: Curve, part: number): React.ReactElement => (
  <CurvePlot
    curve={curve}
    behind={[{ name: 'itself', curve }]}
    axis={part < 0.5 ? 'distance' : 'time'}
    isWhole={part % 0.2 < 0.1}
    reading={part * curve.end}
    units="metric"
    floors={[{ from: 0, name: floor.kind }, ...floor.stretches.map(({ from, kind }) => ({ from, name: kind }))]}
    edges={floor.edges.map(({ at, height }) => ({ at, height: size(height) }))}
    width={WIDTH}
    height={HEIGHT}
  />
);

/** Of cars with a part below this the drawings are drawn; of all, the numbers behind them are made. */
const DRAWN = 0.35;

/** All words and numbers that Design shows of a car but for its frame. */
function shownOf(design: CarDesign, prediction: Prediction, part: number): string {
  const result = prediction.kind === 'ran' ? prediction.result : null;
  const curve = result && curveFor(design, result);
  const ends = curve ? Object.values(axisEnds({ curve, behind: [], axis: 'time', isWhole: true })) : [];
  const pictures =
    part > DRAWN ? [] : [...drawingsOf(design, result, part / DRAWN), ...(curve ? [curveDrawn(design, curve, part / DRAWN)] : [])];
  const drawn = pictures.map((element, i) => renderToStaticMarkup(<svg key={i}>{element}</svg>));
  const handles = [...sideHandles(design, sideView(design)), ...planHandles(design, planView(design))].map(
    ({ place }) => `${place.x} ${place.y}`,
  );
  const sizes = sizesOf(design.motor.kind).map(({ read, quantity }) => format(read(design), quantity));
  const figures = result
    ? ['distance', 'time', 'launch grip', 'turns wound', 'range'].map((figure) =>
        JSON.stringify(explanationOf(figure, design, result, format)),
      )
    : [];
  const changes = differences(newCar('x', design.motor.kind), design, 'metric').map(({ from, to }) => `${from} ${to}`);
  return [...drawn, ...ends, curve?.words(format) ?? '', ...handles, ...sizes, ...figures, ...changes].join('\n');
}

describe('any design that a file or a field may hold', () => {
  it('is shown whole, run or refused with its reasons: nothing breaks and no figure is not a number', () => {
    const reached = { ran: 0, stalled: 0, refused: 0, endless: 0, wound: 0 };
    fc.assert(
      fc.property(admittedDesigns, fc.double({ min: 0, max: 1, noNaN: true }), (design, part) => {
        expect(readCarDesign(design)).toEqual({ kind: 'read', value: design });
        const prediction = predictRun(design, { kind: 'full' }, { trace: true });
        if (prediction.kind === 'refused') {
          reached.refused++;
          for (const fault of prediction.faults) expect([fault.path, describeProblem(fault)]).not.toContain('');
        } else if (prediction.result.stalled) reached.stalled++;
        else if (prediction.result.ended === 'limit') reached.endless++;
        else if (prediction.result.turnsLeft > 0) reached.wound++;
        else reached.ran++;
        const words = shownOf(design, prediction, part);
        const at = words.search(/NaN|Infinity|undefined|\[object/);
        expect(at < 0 ? '' : words.slice(Math.max(at - 80, 0), at + 20)).toBe('');
      }),
      { numRuns: 3000, seed: 8 },
    );
    // Enough of each to mean something.
    expect(Math.min(...Object.values(reached)), JSON.stringify(reached)).toBeGreaterThan(10);
  });
  it('is judged without breaking, each figure of it a number', () => {
    fc.assert(
      fc.property(admittedDesigns, (design) => {
        const made = assess(design, 'metric');
        if (made === null) return;
        const { distance, checks, remedies } = made;
        for (const bound of Object.values(distance)) expect(bound).toBeGreaterThanOrEqual(0);
        for (const { sentence } of checks) expect(sentence).not.toMatch(/NaN|Infinity|undefined/);
        for (const { distance: reached, time } of remedies) expect(Number.isFinite(reached + time)).toBe(true);
      }),
      { numRuns: 150, seed: 8 },
    );
  });
});
