import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { cutOutlines, type CutOutline } from '../../../core/build/cut-outlines.ts';
import { PAPERS } from '../../../core/build/drawing.ts';
import { SIZE_FORMATS } from '../../../core/build/size-format.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import type { Edit } from '../../open-car/design-slice.ts';
import { useUnits } from '../../ui/use-units.ts';
import plain from '../../ui/plain.module.css';
import styles from './build.module.css';
import { SheetPicture } from '../../drawing/sheet-picture.tsx';
import { RoundView } from './round-view.tsx';
import { useBuildFiles } from './use-build-files.ts';
import { useBuildSheets, type BuildSheets } from './use-build-sheets.ts';
import type { usePaper } from './use-paper.ts';
import { labelsOf } from '../../ui/labels-of.ts';

interface SheetsViewProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly edit: Edit;
  readonly what: BuildSheets;
  /** The version that the car is; empty where it was not kept. */
  readonly version: string;
  readonly paper: ReturnType<typeof usePaper>;
}

const PAPER_NAMES = labelsOf(PAPERS);

/** A car with the builder’s own notes; without any where they are empty. */
function withNotes({ notes: _old, ...car }: CarDesign, notes: string): CarDesign {
  return notes === '' ? car : { ...car, notes };
}

/** What the DXF of templates holds. */
const cutWords = (cuts: readonly CutOutline[]): string =>
  cuts.length > 0
    ? `The DXF is for a laser: closed outlines alone, a layer for each part (${cuts.map(({ id, count }) => `${id} x${count}`).join(', ')}).`
    : 'No part of this car is cut from sheet, so there is nothing for a laser.';

/** The drawing or the templates as they are printed, and as files. */
export function SheetsView({ carId, design, edit, what, version, paper }: SheetsViewProps) {
  const units = useUnits();
  const sheets = useBuildSheets(design, what, paper.name, units, {
    version,
    crew: paper.crew,
    date: new Date().toISOString().slice(0, 10),
  });
  const files = useBuildFiles(`${design.name} ${what}`);
  const cuts = useMemo(() => cutOutlines(design), [design]);
  const saveDxf = (): void => {
    if (what === 'drawing') {
      sheets.forEach(({ items, height }, i) => void files.saveDxf(items, height, i + 1));
      return;
    }
    void files.saveCutDxf(cuts);
  };
  return (
    <div className={styles.view}>
      <div className={styles.tools}>
        <ChoiceSelect label="Paper" value={paper.name} options={PAPER_NAMES} onChange={paper.setName} />
        {what === 'drawing' && (
          <TextField
            size="small"
            label="Crew"
            value={paper.crew}
            onChange={({ target }) => paper.setCrew(target.value)}
            slotProps={{ htmlInput: { maxLength: 60 } }}
          />
        )}
        <Button variant="contained" disabled={files.isWorking} onClick={() => void files.savePdf(sheets)}>
          Save as PDF
        </Button>
        <Button variant="outlined" disabled={files.isWorking || (what === 'templates' && cuts.length === 0)} onClick={saveDxf}>
          Save as DXF
        </Button>
        <Button component={Link} variant="outlined" to={`/cars/${carId}/build/print?what=${what}`}>
          Print
        </Button>
      </div>
      <p className={`${plain.text} ${plain.muted}`}>
        {what === 'drawing'
          ? `First angle, sizes ${SIZE_FORMATS[units].statement}. Each size is given once. The numbers are those of the parts list.`
          : 'Print at 100 % (“actual size”) and check the 100 mm scale bar on each page. Cut full lines, mark dashed lines, glue over dotted lines. ' +
            cutWords(cuts)}
      </p>
      {what === 'drawing' && (
        <TextField
          size="small"
          multiline
          label="Your notes on the drawing"
          value={design.notes ?? ''}
          onChange={({ target }) => edit((car) => withNotes(car, target.value))}
          slotProps={{ htmlInput: { maxLength: 600 } }}
          className={styles.notes}
        />
      )}
      <div className={styles.sheets}>
        {sheets.map((sheet, i) => (
          <figure key={sheet.name} className={styles.sheet}>
            <SheetPicture sheet={sheet} />
            <figcaption className={styles.tools}>
              <span className={`${plain.caption} ${plain.muted}`}>{sheet.name}</span>
              <Button
                size="small"
                disabled={files.isWorking}
                onClick={() => void files.saveSvg(sheet, i + 1)}
                aria-label={`Save as SVG: ${sheet.name}`}
              >
                Save as SVG
              </Button>
            </figcaption>
          </figure>
        ))}
      </div>
      {what === 'drawing' && <RoundView design={design} />}
    </div>
  );
}
