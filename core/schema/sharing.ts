/** As what a phone joins: a crew logs its practice and follows its meet, an official writes a meet’s results, a board shows one. */
export type Role = 'crew' | 'official' | 'board';

/** Whether phones may join now, and how: `shared` is null while they may not. Each role has a code of its own. */
export interface SharingState {
  readonly shared: {
    readonly addresses: readonly string[];
    readonly codes: Readonly<Record<Role, string>>;
    /** How many joined as what. */
    readonly joined: Readonly<Record<Role, number>>;
  } | null;
}
