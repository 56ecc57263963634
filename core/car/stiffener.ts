import type { CarDesign } from './car-design.ts';
import { STIFFENERS } from './catalogue.ts';

type Stiffener = NonNullable<CarDesign['body']['stiffener']>;

/** `describeStiffener({ kind: 'pencil', count: 2 }) // '2 × pencil'` */
export const describeStiffener = ({ kind, count }: Stiffener): string =>
  count > 1 ? `${count} × ${STIFFENERS[kind].label}` : STIFFENERS[kind].label;
