/** A point of a view, m: x from the drive axle toward the other axle; y up from the floor, or from above to the left. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface Circle extends Point {
  readonly radius: number;
}
