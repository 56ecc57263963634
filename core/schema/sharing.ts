/** As what a phone joins by a code of six digits: a crew logs runs of its car and follows its meet, an official saves a meet’s results, a board shows one. */
export type HallRole = 'crew' | 'official' | 'board';
export const HALL_ROLES = ['crew', 'official', 'board'] as const satisfies readonly HallRole[];

/**
 * Who works in the space of a crew: a crew of a class; one whose car is handed in; the leader of the class, who looks at its work or helps
 * with it.
 */
export type SpaceRole = 'class-crew' | 'handed-in' | 'onlooker' | 'helper';
export const SPACE_ROLES = ['class-crew', 'handed-in', 'onlooker', 'helper'] as const satisfies readonly SpaceRole[];

/** Everybody but the owner, who may do everything. */
export type Role = HallRole | SpaceRole;
export const ROLES: readonly Role[] = [...HALL_ROLES, ...SPACE_ROLES];

/** A phone that joined; a crew’s phone is for one car, once it has chosen that. */
export interface JoinedHall {
  readonly role: HallRole;
  readonly carId: string | null;
  /** The entry of a meet that it is for. */
  readonly entry: { readonly meet: string; readonly id: string } | null;
}

/** A device in the space of a crew. */
export interface JoinedSpace {
  readonly role: SpaceRole;
  readonly classId: string;
  readonly crewId: string;
}
export type Joined = JoinedHall | JoinedSpace;

const SPACE: ReadonlySet<string> = new Set(SPACE_ROLES);
export const isInSpace = (joined: { readonly role: string } | null): joined is JoinedSpace => joined !== null && SPACE.has(joined.role);

/** As what a page is here: on the machine that the program runs on it is the owner’s. */
export type JoinedAs = Joined | { readonly role: 'host' };

/** What a crew’s phone is for: a car, or an entry of a meet. */
export type CrewChoice = { readonly carId: string } | { readonly meet: string; readonly entry: string };

/** Whether phones may join now, and how: `shared` is null while they may not. Each role has a code of its own. */
export interface SharingState {
  readonly shared: {
    readonly addresses: readonly string[];
    readonly codes: Readonly<Record<HallRole, string>>;
    /** How many joined as what. */
    readonly joined: Readonly<Record<HallRole, number>>;
    /** Whether codes, and who joined, outlive a restart of the program. */
    readonly isKept: boolean;
  } | null;
}
