import type { CarDesign } from '../../car/car-design.ts';
import { WHEELS } from '../../car/catalogue.ts';
import { driveWheelOf, otherWheelOf } from '../../car/fitted.ts';
import { HUB } from '../../solid/bearing-sizes.ts';
import { hubRadius, ownHole } from '../../solid/wheelset-solids.ts';
import type { SizeFormat } from '../size-format.ts';
import { CLEARANCE, round, WALL, type PrintedPart } from './printed-part.ts';

/** The hubs of one axle: a flange that is glued on the wheel and, where the wheel has a hole of its own, a spigot that centres it there. */
function hubOf(design: CarDesign, which: 'drive' | 'other', { size }: SizeFormat): PrintedPart | null {
  const wheels = which === 'drive' ? design.driveWheels : design.otherWheels;
  if (!wheels) return null;
  const thickness = (which === 'drive' ? driveWheelOf(design) : otherWheelOf(design)).thickness;
  const boreRadius = (design.axleDiameter + CLEARANCE.glued) / 2;
  const bore = [round(boreRadius)];
  const hole = ownHole(design, wheels.kind);
  const spigot = (hole - CLEARANCE.glued) / 2;
  const hasSpigot = spigot - boreRadius >= WALL;
  const radius = Math.max(hubRadius(design, wheels), boreRadius + WALL);
  return {
    id: `${which}-hub`,
    name: `hub of the ${which === 'other' && design.layout.otherWheelCount === 1 ? 'single wheel' : `${which} wheels`}`,
    count: which === 'drive' ? 2 : design.layout.otherWheelCount,
    note: `for ${WHEELS[wheels.kind].label} on an axle ⌀ ${size(design.axleDiameter)}; hole ${size(CLEARANCE.glued)} wider${
      hasSpigot ? `, spigot ${size(CLEARANCE.glued)} narrower than the wheel’s hole` : ''
    }. Glue it on the wheel, then on the axle.`,
    layers: [
      { corners: round(radius), holes: bore, from: 0, to: HUB.length },
      ...(hasSpigot ? [{ corners: round(spigot), holes: bore, from: HUB.length, to: HUB.length + thickness }] : []),
    ],
  };
}

/** Hubs of every wheel; both axles’ together where they are alike. */
export function hubParts(design: CarDesign, sizes: SizeFormat): PrintedPart[] {
  const [drive, other] = [hubOf(design, 'drive', sizes), hubOf(design, 'other', sizes)];
  if (!drive || !other) return drive ? [drive] : [];
  const isAlike = JSON.stringify(drive.layers) === JSON.stringify(other.layers);
  return isAlike ? [{ ...drive, name: 'hub of the wheels', count: drive.count + other.count }] : [drive, other];
}
