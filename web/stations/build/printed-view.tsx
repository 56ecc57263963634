import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { extentOf, printedMass, WALL } from '../../../core/build/printed/printed-part.ts';
import { printedParts } from '../../../core/build/printed/printed-parts.ts';
import { printedPicture } from '../../../core/build/printed/printed-picture.ts';
import { SIZE_FORMATS } from '../../../core/build/size-format.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { formatQuantity } from '../../../core/units/quantity.ts';
import { capitalized } from '../../../core/capitalized.ts';
import { SheetPicture } from '../../drawing/sheet-picture.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './build.module.css';
import { useBuildFiles } from './use-build-files.ts';

/** What of the car a 3D printer can make, each part as it lies on the bed, and as files. */
export function PrintedView({ design }: { readonly design: CarDesign }) {
  const units = useUnits();
  const sizes = SIZE_FORMATS[units];
  const parts = useMemo(() => printedParts(design, sizes).map((part) => ({ part, picture: printedPicture(part) })), [design, sizes]);
  const files = useBuildFiles(`${design.name} 3D print`);
  if (parts.length === 0)
    return (
      <div className={styles.view}>
        <p className={plain.text}>A roller has no part that is printed in 3D: its wheel is the car.</p>
      </div>
    );
  return (
    <div className={styles.view}>
      <div className={styles.tools}>
        <Button variant="contained" disabled={files.isWorking} onClick={() => void files.save3mf(parts.map(({ part }) => part))}>
          Save all as 3MF
        </Button>
      </div>
      <p className={`${plain.text} ${plain.muted}`}>
        Sized for this car. Walls are {sizes.size(WALL)} or thicker, for a nozzle of {sizes.size(WALL / 3)}. Print the parts as they lie
        here; none needs supports. Weights are for solid parts of polylactic acid. Printers differ: print one hub first and try it on axle
        and wheel.
      </p>
      <ul className={styles.printed}>
        {parts.map(({ part, picture }) => {
          const { width, depth, height } = extentOf(part);
          return (
            <li key={part.id} className={styles.step}>
              <div className={styles.printedPicture}>
                <SheetPicture sheet={picture} isOfPage />
              </div>
              <div className={styles.words}>
                <h2 className={plain.strong}>
                  {part.count} × {part.name}
                </h2>
                <p className={plain.text}>{capitalized(part.note)}</p>
                <p className={`${plain.caption} ${plain.muted}`}>
                  {sizes.number(width)} × {sizes.number(depth)} × {sizes.size(height)} ·{' '}
                  {formatQuantity(printedMass(part), 'weight', units)} each
                </p>
                <span>
                  <Button
                    variant="outlined"
                    size="small"
                    disabled={files.isWorking}
                    aria-label={`Save as STL: ${part.name}`}
                    onClick={() => void files.saveStl(part)}
                  >
                    Save as STL
                  </Button>
                </span>
              </div>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
