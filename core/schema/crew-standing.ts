import type { CrewReport } from './generated/crew-report.ts';

/** What the server counts in the space of a crew. */
export interface CrewCounts {
  /** Whether a device of it ever joined. */
  readonly hasJoined: boolean;
  readonly cars: number;
  /** Saves of its cars after the first. */
  readonly edits: number;
  readonly versions: number;
  readonly runs: number;
  /** Runs with another design than its first runs: the car was changed by what they told. */
  readonly designsRun: number;
}

/** One crew as its leader sees it. */
export interface CrewStanding extends CrewCounts {
  readonly crewId: string;
  /** The car that it works on or hands in; null for none. */
  readonly car: { readonly id: string; readonly name: string; readonly version: number } | null;
  /** m, the furthest of its runs. */
  readonly best: number | null;
  /** When something was last saved in its space, and when a device of it was last there; ISO times. */
  readonly savedAt: string | null;
  readonly seenAt: string | null;
  /** Devices that are connected now. */
  readonly devices: number;
  readonly report: CrewReport | null;
}
