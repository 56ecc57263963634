/** A place of a car that a cause or a limit has: the other axle, the motor, where the tyre meets the floor, the string or band on the axle, its end on the axle, a drive wheel’s hub, the floor ahead, the deck. */
export type CarPlace = 'axles' | 'motor' | 'tyre' | 'winding' | 'release' | 'hub' | 'floor' | 'body';
