import type { CarDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { isSameDesign } from '../car/same-design.ts';
import { RUN_SCATTER } from '../predict/next-run.ts';
import type { Answer, Idea, Misconception } from './idea.ts';
import { LUCK_QUESTIONS } from './luck.ts';
import { WATCHED_FIGURES, DRIFT_WAY, figuresOf, type WatchedFigure, type CarFigure } from './measured-car.ts';
import { TEMPLATES } from './question-templates.ts';
import { ofReel, type Reasons } from './reasons.ts';

/** A question of a car: its answer computed, with the figures it follows from. */
export interface Question {
  readonly id: string;
  readonly idea: Idea;
  /** `A lever a third longer` */
  readonly change: string;
  readonly asked: WatchedFigure;
  readonly answer: Answer;
  readonly before: number;
  readonly after: number;
  /** What is shown then: the changed car, or so many runs before and after. */
  readonly shows: { readonly changed: CarDesign } | { readonly runs: readonly [before: number, after: number] };
  /** Reasons to choose from: one for each answer, and what many think. */
  readonly reasons: readonly { readonly words: string; readonly isRight: boolean; readonly misconception: Misconception | null }[];
}

/** A change within one and a half times a car’s scatter is not asked for its sign. Our estimate. */
const MIN_CERTAIN_CHANGE = 1.5 * RUN_SCATTER;
/** Below so much it is hardly any change, whatever is asked. */
const ALIKE = 0.02;
/** m of wheelspin that can be seen. */
const SEEN = 0.05;
/** Figures that luck has no part in. */
const CERTAIN: ReadonlySet<WatchedFigure> = new Set(['pull', 'energy', 'drift', 'mean', 'mean-off', 'best', 'next', 'seen']);

/** Which way a figure goes; null where luck would hide it. */
export function answerOf(asked: WatchedFigure, before: number, after: number): Answer | null {
  if (asked === 'wheelspin') {
    if (Math.max(before, after) < SEEN) return 'alike';
    return Math.abs(after - before) < SEEN ? null : after > before ? 'more' : 'less';
  }
  if (!(before > 0) || !(after > 0)) return null;
  const change = after / before - 1;
  if (Math.abs(change) < ALIKE) return 'alike';
  if (!CERTAIN.has(asked) && Math.abs(change) < MIN_CERTAIN_CHANGE) return null;
  return change > 0 ? 'more' : 'less';
}

/** Reasons to choose from: of every answer that is reported the one it would have, and what many think. */
const reasonsOf = (
  because: Readonly<Record<Answer, string>>,
  answer: Answer,
  [words, misconception]: readonly [string, Misconception | null],
): Question['reasons'] => [
  ...(Object.keys(because) as Answer[]).map((key) => ({ words: because[key], isRight: key === answer, misconception: null })),
  { words, isRight: false, misconception },
];

/** What is said by a sketch that makes a figure this many times as large. `saidBy(1.3) // 'more'` */
export const answerForFactor = (times: number): Answer => (Math.abs(times - 1) < ALIKE ? 'alike' : times > 1 ? 'more' : 'less');

/** Every question that can be asked of a car: changes that it can take, whose answer is not hidden by luck; and of luck itself. */
export function questionsFor(design: CarDesign): readonly Question[] {
  const figures = figuresOf(design);
  if (!figures) return [];
  const isReel = isRoller(design);
  const ofCar = TEMPLATES.flatMap(({ id, idea, change: ofWheels, changeOfRoller, make, because, thought }) => {
    const change = (isReel && changeOfRoller) || ofWheels;
    const changed = make(design);
    const after = changed && !isSameDesign(changed, design) ? figuresOf(changed) : null;
    if (!changed || !after) return [];
    return (Object.entries(because) as [CarFigure, Reasons][]).flatMap(([asked, reasonsFor]): Question[] => {
      // How far off the line it is after so many metres is asked of a car that gets there.
      if (asked === 'drift' && Math.min(figures.distance, after.distance) < DRIFT_WAY) return [];
      const answer = answerOf(asked, figures[asked], after[asked]);
      if (answer === null) return [];
      const reasons = reasonsOf(reasonsFor, answer, thought).map((reason) =>
        isReel ? { ...reason, words: ofReel(reason.words) } : reason,
      );
      return [
        { id: `${id} ${asked}`, idea, change, asked, answer, before: figures[asked], after: after[asked], shows: { changed }, reasons },
      ];
    });
  });
  const ofLuck = LUCK_QUESTIONS.flatMap(({ id, change, asked, runs, figures: figuresOf, because, thought }): Question[] => {
    const [before, after] = figuresOf(figures.distance);
    const answer = answerOf(asked, before, after);
    if (answer === null) return [];
    return [{ id, idea: 'luck', change, asked, answer, before, after, shows: { runs }, reasons: reasonsOf(because, answer, thought) }];
  });
  return [...ofCar, ...ofLuck];
}

/** `A lever a third longer: its pull at the launch?` */
export const describeQuestion = ({ change, asked }: Pick<Question, 'change' | 'asked'>): string =>
  `${change}: ${WATCHED_FIGURES[asked].label}?`;
