/** As what a phone joins: a crew logs runs of its car and follows its meet, an official saves a meet’s results, a board shows one. */
export type Role = 'crew' | 'official' | 'board';
export const ROLES = ['crew', 'official', 'board'] as const satisfies readonly Role[];

/** A phone that joined; a crew’s phone is for one car, once it has chosen that. */
export interface Joined {
  readonly role: Role;
  readonly carId: string | null;
  /** The entry of a meet that it is for. */
  readonly entry: { readonly meet: string; readonly id: string } | null;
}

/** As what a page is here: on the machine that the program runs on it is the owner’s. */
export type JoinedAs = Joined | { readonly role: 'host' };

/** What a crew’s phone is for: a car, or an entry of a meet. */
export type CrewChoice = { readonly carId: string } | { readonly meet: string; readonly entry: string };

/** Whether phones may join now, and how: `shared` is null while they may not. Each role has a code of its own. */
export interface SharingState {
  readonly shared: {
    readonly addresses: readonly string[];
    readonly codes: Readonly<Record<Role, string>>;
    /** How many joined as what. */
    readonly joined: Readonly<Record<Role, number>>;
    /** Whether codes, and who joined, outlive a restart of the program. */
    readonly isKept: boolean;
  } | null;
}
