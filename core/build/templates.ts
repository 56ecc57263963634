import type { CarDesign, Wheels } from '../car/car-design.ts';
import { DISC_HOLE, WHEELS } from '../car/catalogue.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { isRoller } from '../car/motors/motors.ts';
import { isDrilled } from '../car/sleeves.ts';
import { bodyReach } from '../car/body-reach.ts';
import { bodyLength, bodyWidth, bodyWidthAt } from '../car/weights.ts';
import { axleLine, deckHeights, tubeRadiusAt } from '../solid/deck-heights.ts';
import { OPENING_WORDS, tubeOpening, type TubeOpening } from '../solid/tube-opening.ts';
import { bodyCorners, deckOutline, wheelSlot } from '../solid/deck-outline.ts';
import { arrowhead } from './dimensions.ts';
import { centreCross, makeCircle, makeLine, makePath, makePlace, makeRectangle, type Item, type Place } from './drawing.ts';
import { lengthsOf } from './lengths.ts';
import type { Corner } from '../solid/shape.ts';
import { bearingOutside, HUB } from '../solid/bearing-sizes.ts';
import { SIZE_FORMATS, type SizeFormat } from './size-format.ts';
import { buildOf } from './motors/motors.ts';
import { templateText } from './template-text.ts';
import type { CutLength } from './part-names.ts';

/** Something that is cut, drilled or laid out, at full size: mm, from its own upper left corner. */
export interface Piece {
  readonly id: string;
  readonly name: string;
  /** How many of it, and what to mind. */
  readonly note: string;
  readonly count: number;
  readonly width: number;
  readonly height: number;
  readonly items: readonly Item[];
}

const MM = 1000;
/** mm of a bar’s width, of a cross’s arm. */
const BAR = 9;
const CROSS = 5;
/** m of a strip that is wrapped round a bottle or tube. */
const STRIP = 0.03;
/** m of it beyond an opening. */
const BESIDE_OPENING = 0.005;
/** m of it at the most to either side of the axle: an opening that is longer goes on as its note says. */
const LONGEST_STRIP = 0.05;

/** Wheels that are cut by whoever builds; others come as they are, and only their middle is to be found. */
export const CUT_WHEELS: ReadonlySet<Wheels['kind']> = new Set(['card-disc', 'foam-board', 'wooden-disc']);

/** Layers that a wheel of card is glued of. Common practice. */
export const LAYERS = 2;

/** A wheel to cut, or to find the middle of: rim, hub, hole for the axle, and a cross. */
function wheelPiece(design: CarDesign, which: 'drive' | 'other', count: number, sizes: SizeFormat): Piece {
  const wheels = which === 'drive' ? design.driveWheels : design.otherWheels!;
  const radius = (MM * wheels.diameter) / 2;
  const middle = makePlace(radius, radius);
  const axle = (MM * design.axleDiameter) / 2;
  const hub = (MM * (wheels.kind === 'optical-disc' ? DISC_HOLE : Math.min(HUB.diameter, wheels.diameter / 2))) / 2;
  const isCut = CUT_WHEELS.has(wheels.kind);
  const { label } = WHEELS[wheels.kind];
  return {
    id: `${which}-wheel`,
    name: `${which} wheel ⌀ ${sizes.size(wheels.diameter)}`,
    note: isCut
      ? `${label}: cut ${wheels.kind === 'card-disc' ? `${LAYERS * count} layers for ${count} wheels` : count}, drill the cross square and in the middle`
      : `${label}: lay the template on it and mark the middle; hub ⌀ ${sizes.size((2 * hub) / MM)}`,
    count,
    width: 2 * radius,
    height: 2 * radius,
    items: [
      makeCircle(middle, radius, isCut ? 'cut' : 'mark'),
      makeCircle(middle, hub, 'mark'),
      makeCircle(middle, axle, 'cut'),
      ...centreCross(middle, Math.max(hub + 4, CROSS)),
      ...(radius > 22 ? [templateText(`${which} wheel`, radius, radius + hub + 7, 'middle')] : []),
    ],
  };
}

/** The ends of spools that are drilled through the middle: outline, hole for the axle, and a cross. */
function spoolPiece(design: CarDesign, sizes: SizeFormat): Piece | null {
  const drilled = design.sleeve.filter(({ kind }) => isDrilled(kind));
  const widest = Math.max(0, ...drilled.map(({ diameter }) => diameter));
  if (widest === 0) return null;
  const radius = (MM * widest) / 2;
  const middle = makePlace(radius, radius);
  return {
    id: 'spool',
    name: `spool ⌀ ${drilled.map(({ diameter }) => sizes.size(diameter)).join(', ')}`,
    note: 'lay it on the end, mark the middle and drill straight through',
    count: 1,
    width: 2 * radius,
    height: 2 * radius,
    items: [
      ...[...new Set(drilled.map(({ diameter }) => diameter))].map((diameter) => makeCircle(middle, (MM * diameter) / 2, 'mark')),
      makeCircle(middle, (MM * design.axleDiameter) / 2, 'cut'),
      ...centreCross(middle, radius),
    ],
  };
}

/** The deck of a sheet, from above: outline with its notch, axle lines, where bearings, trap or hook and ballast sit. */
function deckPiece(design: CarDesign): Piece {
  const { wheelbase, motor, ballast } = design;
  const length = MM * bodyLength(design);
  const wide = MM * bodyWidth(design);
  const left = -MM * bodyReach(design).left;
  const middle = wide / 2;
  const at = (metres: number): number => left + MM * metres;
  const place = ({ x, y }: Corner): Place => makePlace(at(x), middle - MM * y);
  const outline = deckOutline(design);
  const isSheet = outline.length > 0;
  const items: Item[] = [
    makePath((isSheet ? outline : bodyCorners(design)).map(place), 'cut', true),
    makeLine(makePlace(0, middle), makePlace(length, middle), 'centre'),
  ];
  for (const metres of [0, wheelbase]) {
    const x = at(metres);
    const half = (MM * bearingOutside(design)) / 2;
    const across = MM * bodyWidthAt(design, metres);
    const edge = middle - across / 2;
    items.push(
      makeLine(makePlace(x, edge), makePlace(x, edge + across), 'centre'),
      makePath(makeRectangle(x - half, edge, 2 * half, across), 'mark', true),
    );
  }
  items.push(
    templateText('drive axle', at(0) + 3, wide - 3),
    templateText('other axle', at(wheelbase) - 22, middle + (MM * bodyWidthAt(design, wheelbase)) / 2 - 3),
  );
  const slot = wheelSlot(design);
  if (slot && !(slot.isOpen && isSheet)) items.push(makePath(slot.corners.map(place), 'cut', true));
  items.push(...buildOf(motor).deckMarks(design, motor, at, middle));
  if (ballast.mass > 0) {
    const hook = makePlace(at(ballast.fromDriveAxle), middle);
    items.push(makeCircle(hook, 4, 'mark'), templateText('ballast', hook.x + 5, middle + 5, 'start', 2.5));
  }
  return {
    id: 'deck',
    name: design.body.kind === 'box' ? 'underside of the box, from above' : 'deck, from above',
    note: 'holes and axle lines square to the middle line and parallel',
    count: 1,
    width: length,
    height: wide,
    items,
  };
}

/** Where an axle passes through a round body: angle from its underside to each hole, rad; null where it passes below or above it. Source: chord of a circle. */
export function holeAngle(design: CarDesign, which: 'drive' | 'other'): number | null {
  if (isRoller(design) || !bodyPartOf(design).isTube) return null;
  const x = which === 'drive' ? 0 : design.wheelbase;
  const { under, top } = deckHeights(design, x);
  const radius = (top - under) / 2;
  const off = axleLine(design).at(x) - (under + top) / 2;
  return Math.abs(off) < radius ? Math.acos(-off / radius) : null;
}

/** The opening over the drive axle on its strip: whole in the underside; on top, where the ends meet, half at each end. */
function openingItems({ from, to, wide, side }: TubeOpening, radius: number, round: number, middle: number): Item[] {
  const half = MM * radius * Math.asin(Math.min(wide / 2 / radius, 1));
  const [low, high] = [middle + MM * from, Math.min(middle + MM * to, 2 * middle)];
  const cut = (x: number, width: number): Item => makePath(makeRectangle(x, low, width, high - low), 'cut', true);
  return side === 'underside' ? [cut(round / 2 - half, 2 * half)] : [cut(0, half), cut(round - half, half)];
}

/** A strip that is wrapped round a bottle or tube and shows where an axle passes: both holes opposite and in line. */
function stripPiece(design: CarDesign, which: 'drive' | 'other', sizes: SizeFormat): Piece | null {
  const angle = holeAngle(design, which);
  if (angle === null) return null;
  const radius = tubeRadiusAt(design, which === 'drive' ? 0 : design.wheelbase);
  const round = 2 * Math.PI * MM * radius;
  const opening = which === 'drive' ? tubeOpening(design) : null;
  const reach = Math.min(
    Math.max(STRIP / 2, ...(opening ? [opening.to, -opening.from].map((end) => end + BESIDE_OPENING) : [])),
    LONGEST_STRIP,
  );
  const high = 2 * MM * reach;
  const middle = high / 2;
  const away = angle * MM * radius;
  const holes = [round / 2 - away, round / 2 + away];
  const hole = (MM * bearingOutside(design)) / 2;
  return {
    id: `${which}-strip`,
    name: `strip for the ${which} axle`,
    note: `wrap it round squarely, ends meeting on top at the seam; holes ${sizes.size((2 * away) / MM)} apart round the underside; middle lines of both axles ${sizes.size(design.wheelbase)} apart${
      opening
        ? `; opening ${sizes.size(opening.to - opening.from)} long and ${sizes.size(opening.wide)} wide ${OPENING_WORDS[opening.side]}, its arrow toward the other axle`
        : ''
    }`,
    count: 1,
    width: round,
    height: high,
    items: [
      makePath(makeRectangle(0, 0, round, high), 'cut', true),
      makeLine(makePlace(0, middle), makePlace(round, middle), 'centre'),
      makeLine(makePlace(round / 2, 0), makePlace(round / 2, high), 'mark'),
      ...(opening
        ? [
            ...openingItems(opening, radius, round, middle),
            arrowhead(makePlace(round / 4, high - 1), 0, 1),
            makeLine(makePlace(round / 4, high - 9), makePlace(round / 4, high - 1), 'thin'),
          ]
        : []),
      templateText('underside', round / 2 + 2, high - 2, 'start', 2.5),
      templateText('seam, on top', 2, high - 2, 'start', 2.5),
      ...holes.flatMap((x) => [makeCircle(makePlace(x, middle), hole, 'cut'), ...centreCross(makePlace(x, middle), hole + 3)]),
    ],
  };
}

/** A bar as long as a part: laid on it, it is cut or bent to length. */
function barPiece(
  { id, name, count, length: whole }: CutLength,
  folds: number,
  note: string,
  marks: readonly (readonly [at: number, text: string])[],
  sizes: SizeFormat,
): Piece {
  const long = (MM * whole) / folds;
  return {
    id,
    name: `${name}, ${sizes.size(whole)}`,
    note,
    count,
    width: long,
    height: BAR,
    items: [
      makePath(makeRectangle(0, 0, long, BAR), 'mark', true),
      makeLine(makePlace(0, 0), makePlace(0, BAR), 'cut'),
      makeLine(makePlace(long, 0), makePlace(long, BAR), 'cut'),
      ...marks.flatMap(([at, text]) => [
        makeLine(makePlace(MM * at, 0), makePlace(MM * at, BAR), 'centre'),
        templateText(text, MM * at + 1, BAR - 2.5, 'start', 2.5),
      ]),
    ],
  };
}

/** m of a bar that fits a page across. */
const LONGEST = 0.185;

/**
 * Every template of a car at full size.
 * @param sizes how sizes are written; in mm by default
 * @returns pieces in mm, the largest first
 */
export function templatesOf(design: CarDesign, sizes: SizeFormat = SIZE_FORMATS.metric): readonly Piece[] {
  const { otherWheels, layout, motor } = design;
  const pieces: Piece[] = [];
  const roller = isRoller(design);
  if (!roller) {
    if (bodyPartOf(design).isTube) pieces.push(...(['drive', 'other'] as const).flatMap((which) => stripPiece(design, which, sizes) ?? []));
    else pieces.push(deckPiece(design));
  }
  pieces.push(wheelPiece(design, 'drive', 2, sizes));
  const spool = spoolPiece(design, sizes);
  if (spool) pieces.push(spool);
  if (otherWheels) pieces.push(wheelPiece(design, 'other', layout.otherWheelCount, sizes));
  for (const cut of lengthsOf(design, sizes)) {
    const { id, length, words: said } = cut;
    // Tape is counted in wraps.
    if (id === 'tape') continue;
    // What bends is laid on it to and fro, as often as it takes to fit a page.
    const folds = id === 'string' || id === 'tyre' || id === 'tubing' ? Math.ceil(length / LONGEST) : 1;
    const marks = buildOf(motor).barMarks(motor, id);
    pieces.push(barPiece(cut, folds, `${folds > 1 ? `folded into ${folds} lengths; ` : ''}${said(sizes.size)}`, marks, sizes));
  }
  return pieces.toSorted((a, b) => b.width * b.height - a.width * a.height);
}
