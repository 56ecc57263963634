import { IDEAS, type Idea } from './idea.ts';
import type { Question } from './questions.ts';

/** How a question went: right in a row, and the count of answers from which on it is asked again. */
export type Progress = Readonly<Record<string, { readonly idea: Idea; readonly streak: number; readonly due: number }>>;

/** Answers after which a question comes again: soon where it was wrong, later and later where it was right (spaced repetition, common practice). */
const AGAIN = [3, 8, 20, 50] as const;

/** The progress with one more answer, the `count`th of all. */
export const progressed = (progress: Progress, { id, idea }: Pick<Question, 'id' | 'idea'>, isRight: boolean, count: number): Progress => {
  const streak = isRight ? (progress[id]?.streak ?? 0) + 1 : 0;
  return { ...progress, [id]: { idea, streak, due: count + AGAIN[Math.min(streak, AGAIN.length - 1)]! } };
};

/** What to ask next after `count` answers: what is due and what was never asked in turn, of the idea that was asked least; else what is due soonest. Null of none. */
export function nextQuestion(questions: readonly Question[], progress: Progress, count: number): Question | null {
  const due = questions.filter(({ id }) => progress[id] !== undefined && progress[id].due <= count);
  const fresh = questions.filter(({ id }) => progress[id] === undefined);
  const soonest = questions.toSorted((a, b) => (progress[a.id]?.due ?? 0) - (progress[b.id]?.due ?? 0));
  // What is new comes from another idea each time.
  const byIdea = fresh.toSorted((a, b) => asked(progress, a.idea) - asked(progress, b.idea));
  // In turn, so that neither waits for the other.
  const [first, second] = count % 2 === 0 ? [byIdea[0], due[0]] : [due[0], byIdea[0]];
  return first ?? second ?? soonest[0] ?? null;
}
const asked = (progress: Progress, idea: Idea): number => Object.values(progress).filter((one) => one.idea === idea).length;

/** Of an idea, how many questions were answered right last time, of how many asked. */
export function scoreOfIdea(progress: Progress, idea: Idea): { readonly right: number; readonly asked: number } {
  const own = Object.values(progress).filter((one) => one.idea === idea);
  return { right: own.filter(({ streak }) => streak > 0).length, asked: own.length };
}

/** Whether a question of each idea was answered right the last time. */
export const hasAllIdeas = (progress: Progress): boolean =>
  (Object.keys(IDEAS) as Idea[]).every((idea) => scoreOfIdea(progress, idea).right > 0);
