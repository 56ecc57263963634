import type { CarDesign } from './generated/car-design.ts';
import type { CrewClass } from './generated/crew-class.ts';

/** A class as one of its crews sees it. */
export interface ClassForCrew extends Pick<CrewClass, 'name' | 'closed' | 'lessons' | 'opened'> {
  readonly classId: string;
  readonly crew: string;
  /** How many crews there are. */
  readonly crews: number;
  /** The name of its brief. */
  readonly brief: string;
  readonly handedInAt: string | null;
  /** The meet of its cars, once the leader opened its results. */
  readonly meet: string | null;
  readonly message: CrewClass['message'] | null;
  readonly lesson: CrewClass['lesson'] | null;
  /** Whether the leader looks at this crew's work just now, or helps. */
  readonly leader: 'look' | 'help' | null;
  /** The car that it hands in: chosen, or the one it worked on last; null for none. */
  readonly carId: string | null;
}

/** The car of a crew, where the leader opened all cars. */
export interface CarOfCrew {
  readonly crew: string;
  readonly design: CarDesign;
}

/** What is expected of a crew's car, where the leader opened forecasts. */
export interface ForecastOfCrew {
  readonly crew: string;
  readonly car: string | null;
  /** m, the furthest of its runs. */
  readonly best: number | null;
  /** Fraction of such cars that meet the goal; null where that cannot be told. */
  readonly chance: number | null;
}
