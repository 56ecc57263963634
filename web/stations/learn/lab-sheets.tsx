import type { CarDesign } from '../../../core/car/car-design.ts';
import { unitOf } from '../../../core/units/quantity.ts';
import { useUnits } from '../../ui/use-units.ts';
import plain from '../../ui/plain.module.css';
import sheet from '../../ui/sheet.module.css';
import styles from './learn.module.css';

const LINE = '______________________________';

/** A table to fill in by hand. */
const Blank = ({ head, rows }: { readonly head: readonly string[]; readonly rows: readonly string[] }) => (
  <table className={sheet.table}>
    <thead>
      <tr>
        {head.map((words) => (
          <th key={words} scope="col">
            {words}
          </th>
        ))}
      </tr>
    </thead>
    <tbody>
      {rows.map((name) => (
        <tr key={name}>
          <td>{name}</td>
          {head.slice(1).map((words) => (
            <td key={words} />
          ))}
        </tr>
      ))}
    </tbody>
  </table>
);

interface LabSheetProps {
  readonly id: string;
  readonly title: string;
  readonly children: React.ReactNode;
}
const LabSheet = ({ id, title, children }: LabSheetProps) => (
  <section aria-labelledby={id} className={styles.sheet}>
    <h2 id={id} className={plain.heading}>
      Lab sheet: {title}
    </h2>
    {children}
  </section>
);

/** Four sheets for the floor: predict, measure, explain; one change at a time; a fair test; how fast it is when the pull ends. */
export function LabSheets({ design }: { readonly design: CarDesign }) {
  const units = useUnits();
  const [unit, speed, size] = (['distance', 'speed', 'size'] as const).map((quantity) => unitOf(quantity, units));
  const head = (
    <p className={plain.text}>
      Crew: {LINE} Car: {design.name} Date: ____________
    </p>
  );
  return (
    <>
      <LabSheet id="lab-predict" title="predict, measure, explain">
        {head}
        <p className={plain.text}>
          1. Predict. We change: {LINE} We think it will: {LINE}
        </p>
        <p className={plain.text}>
          because: {LINE}
          {LINE}
        </p>
        <p className={plain.text}>2. Measure, nose at the line to nose at rest.</p>
        <Blank head={['run', `before, ${unit}`, `after, ${unit}`, 'seen']} rows={['1', '2', '3', 'mean']} />
        <p className={plain.text}>3. Explain. Is the difference larger than the scatter of the runs? {LINE}</p>
        <p className={plain.text}>Our reason was right / wrong, because: {LINE}</p>
      </LabSheet>
      <LabSheet id="lab-one" title="one change at a time">
        {head}
        <p className={plain.text}>
          Each row differs from the one above in one thing. What was changed stays changed, or is put back first.
        </p>
        <Blank
          head={['version', 'the one thing changed', `we expect, ${unit}`, 'run 1', 'run 2', 'run 3', 'mean', 'kept?']}
          rows={['as it was', '1', '2', '3', '4', '5']}
        />
        <p className={plain.text}>Which change brought most for its effort? {LINE}</p>
        <p className={plain.text}>Which one would you not make again, and why? {LINE}</p>
      </LabSheet>
      <LabSheet id="lab-fair" title="a fair test">
        {head}
        <p className={plain.text}>
          Tick what was the same in all runs, before and after. Write beside it what you could not keep the same.
        </p>
        <ul className={`${plain.text} ${styles.list}`}>
          {[
            'the same floor, swept, and the same way along it',
            'the same turns, counted',
            'released the same way, without a push',
            'measured by the same crew, with the same tape',
            'runs before and after in turn, not all of one first',
            'every run written down, the bad ones too',
          ].map((words) => (
            <li key={words} style={{ listStyle: 'none' }}>
              ☐ {words} {LINE}
            </li>
          ))}
        </ul>
        <Blank
          head={['run, in turn', `before, ${unit}`, `after, ${unit}`]}
          rows={['1', '2', '3', '4', '5', 'mean', 'longest minus shortest']}
        />
        <p className={plain.text}>
          The means differ by ____ {unit}; single runs of one kind differ by up to ____ {unit}. So the change: helped / did not help / we
          cannot tell.
        </p>
      </LabSheet>
      <LabSheet id="lab-film" title="how fast is it when the pull ends?">
        {head}
        <p className={plain.text}>
          1. Predict. The pull ends after ____ {unit}. There the car goes ____ {speed}. We think so because: {LINE}
        </p>
        <p className={plain.text}>
          2. Film. Tape four marks at the corners of a rectangle: ____ {unit} along the run, ____ {unit} across it. Put a dot on the side of
          the car, its middle ____ {size} over the floor. Stand the phone 3 to 5 m away, and start filming a second before the release.
        </p>
        <p className={plain.text}>3. Measure, in Track: Go, a film.</p>
        <Blank
          head={['run', `top speed, ${speed}`, '±', `the pull ends at, ${unit}`, `distance, ${unit}`]}
          rows={['predicted', '1', '2', '3']}
        />
        <p className={plain.text}>
          4. Without a computer: two marks 1 m apart are passed ____ frames apart, at 30 frames a second. So the speed there is 30 divided
          by ____, that is ____ m/s.
        </p>
        <p className={plain.text}>
          5. Explain. Energy of motion is half the mass times the speed squared: ____ J. The motor stores ____ J. Where is the rest? {LINE}
        </p>
      </LabSheet>
    </>
  );
}
