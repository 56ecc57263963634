import type { Tuning } from '../../../core/trials/tuning.ts';
import { Explained } from '../../ui/explained.tsx';
import type { Explanation } from '../../ui/explanation.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { describeEntry } from './describe-tuning.ts';

interface ImplausibleProps {
  readonly before: NonNullable<Tuning['before']>;
  readonly words: string;
  readonly explain: (figure: string) => Explanation;
}

/** That the runs are far from what was expected, with the entries that would explain them. */
export function Implausible({ before, words, explain }: ImplausibleProps) {
  const units = useUnits();
  return (
    <>
      <p className={plain.strong}>
        <Explained explain={explain} figure="before any run">
          {words}
        </Explained>
      </p>
      {before.entries.length > 0 && (
        <ul className={plain.list}>
          {before.entries.map((entry) => (
            <li key={entry.label} className={plain.text}>
              {describeEntry(entry, units)}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
