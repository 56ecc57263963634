import type { CarDesign, Wheels } from '../car/car-design.ts';
import { WHEELS } from '../car/catalogue.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { isRoller } from '../car/motors/motors.ts';
import { deckOutline, wheelSlot } from '../solid/deck-outline.ts';
import type { Corner } from '../solid/shape.ts';
import { makeCircle, makePath, makePlace, type CircleItem, type PathItem, type Place } from './drawing.ts';
import { CUT_WHEELS, LAYERS } from './templates.ts';

/** What a machine cuts from sheet: its closed outlines and holes at full size, mm, from its own corner; how many, and of what. */
export interface CutOutline {
  readonly id: string;
  readonly count: number;
  readonly of: string;
  readonly width: number;
  readonly height: number;
  readonly items: readonly (PathItem | CircleItem)[];
}

const MM = 1000;
/** Bodies that are sawn, or used as they are. */
const UNCUT: ReadonlySet<CarDesign['body']['kind']> = new Set(['beam', 'box']);

/** The deck with its slot. */
function deckCut(design: CarDesign): CutOutline[] {
  const outline = isRoller(design) || UNCUT.has(design.body.kind) ? [] : deckOutline(design);
  if (outline.length === 0) return [];
  const [xs, ys] = [outline.map(({ x }) => x), outline.map(({ y }) => y)];
  const [left, top] = [Math.min(...xs), Math.max(...ys)];
  const place = ({ x, y }: Corner): Place => makePlace(MM * (x - left), MM * (top - y));
  const slot = wheelSlot(design);
  return [
    {
      id: 'deck',
      count: 1,
      of: bodyPartOf(design).label,
      width: MM * (Math.max(...xs) - left),
      height: MM * (top - Math.min(...ys)),
      items: [makePath(outline.map(place), 'cut', true), ...(slot && !slot.isOpen ? [makePath(slot.corners.map(place), 'cut', true)] : [])],
    },
  ];
}

/** Wheels that are cut by whoever builds, with the hole for their axle. */
function wheelCut({ axleDiameter }: CarDesign, which: 'drive' | 'other', { kind, diameter }: Wheels, count: number): CutOutline[] {
  if (!CUT_WHEELS.has(kind)) return [];
  const radius = (MM * diameter) / 2;
  const middle = makePlace(radius, radius);
  return [
    {
      id: `${which}-wheel`,
      count: kind === 'card-disc' ? LAYERS * count : count,
      of: WHEELS[kind].label,
      width: 2 * radius,
      height: 2 * radius,
      items: [makeCircle(middle, radius, 'cut'), makeCircle(middle, (MM * axleDiameter) / 2, 'cut')],
    },
  ];
}

/** Every part of a car that is cut from sheet, each once; what is bought, sawn or cut to length is none. */
export const cutOutlines = (design: CarDesign): readonly CutOutline[] => [
  ...deckCut(design),
  ...wheelCut(design, 'drive', design.driveWheels, 2),
  ...(design.otherWheels ? wheelCut(design, 'other', design.otherWheels, design.layout.otherWheelCount) : []),
];
