import { IDEAS, type Idea } from '../../core/learn/idea.ts';
import type { CrewClass } from '../../core/schema/generated/crew-class.ts';

type Lesson = NonNullable<CrewClass['lesson']>;
export type Topic = Lesson['topic'];

/** Topics of Learn that a leader may send, as they are called there. */
export const TOPICS: Readonly<Record<Topic, string>> = {
  first: 'Predict first',
  ideas: 'Ten ideas',
  words: 'Glossary',
  class: 'Lab sheets',
};

/** Where a lesson is, and what it is called. `describeLesson({ topic: 'first' }) // { to: '/learn?view=first', words: 'Predict first' }` */
export function describeLesson({ topic, idea }: Pick<Lesson, 'topic' | 'idea'>): { readonly to: string; readonly words: string } {
  const known = topic === 'ideas' && idea !== undefined && idea in IDEAS ? (idea as Idea) : null;
  return {
    to: `/learn?view=${topic}${known ? `&idea=${known}` : ''}`,
    words: known ? IDEAS[known] : TOPICS[topic],
  };
}
