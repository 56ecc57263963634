import type { CarDesign } from './car-design.ts';

/** Both ends of the body, m from the drive axle toward the other. */
export function bodyReach({ wheelbase, body }: CarDesign): { readonly left: number; readonly right: number } {
  const past = body.pastOtherAxle ?? body.overhang / 2;
  return { left: past - body.overhang, right: wheelbase + past };
}

/** A design whose body reaches so far past the other axle, m; its other end stays. The two ends are alike where they were. */
export function withPastOther(design: CarDesign, past: number): CarDesign {
  const { pastOtherAxle, overhang } = design.body;
  if (pastOtherAxle === undefined) return { ...design, body: { ...design.body, overhang: 2 * past } };
  return { ...design, body: { ...design.body, pastOtherAxle: past, overhang: overhang - pastOtherAxle + past } };
}
