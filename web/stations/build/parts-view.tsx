import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { lengthsOf } from '../../../core/build/lengths.ts';
import { SIZE_FORMATS } from '../../../core/build/size-format.ts';
import { partsList, remainderOf, wholeMass } from '../../../core/build/parts-list.ts';
import { substitutesFor } from '../../../core/build/substitutes.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { fitCatalogue } from '../../../core/car/parts.ts';
import { SLOTS, type PartSlot } from '../../../core/car/part-slots.ts';
import { formatAbout, formatQuantity } from '../../../core/units/quantity.ts';
import { useOwnParts } from '../../open-car/use-own-parts.ts';
import type { Edit } from '../../open-car/design-slice.ts';
import { PartPortrait } from './part-portrait.tsx';
import plain from '../../ui/plain.module.css';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import { useUnits } from '../../ui/use-units.ts';
import styles from './build.module.css';

/** kg: what weighs less is told as that. */
const LEAST_WEIGHT = 0.001;

interface PartsViewProps {
  readonly design: CarDesign;
  readonly edit: Edit;
}

/** What the car is made of, what of it the drawer has, what will do instead and what that changes; what is cut to length; what is to be got. */
export function PartsView({ design, edit }: PartsViewProps) {
  const units = useUnits();
  const [asked, setAsked] = useState<PartSlot | null>(null);
  const { parts: drawer } = useOwnParts();
  const parts = useMemo(() => partsList(design, SIZE_FORMATS[units]), [design, units]);
  const instead = useMemo(() => (asked ? substitutesFor(design, asked) : []), [design, asked]);
  const { size } = SIZE_FORMATS[units];
  const weight = (mass: number): string =>
    mass < LEAST_WEIGHT ? `under ${formatQuantity(LEAST_WEIGHT, 'weight', units)}` : formatQuantity(mass, 'weight', units);
  const remainder = remainderOf(design, parts);
  /** The part of the builder's own that is fitted at a place. */
  const ownAt = (slot: PartSlot | null) => {
    const name = slot && design.own?.[slot]?.name;
    return slot && name ? drawer.find(({ part }) => part.kind === SLOTS[slot].kind && part.name === name)?.part : undefined;
  };
  /** How many of it there are; null of what is the catalogue’s. */
  const stockOf = (slot: PartSlot | null): number | null => (slot && design.own?.[slot] ? (ownAt(slot)?.count ?? 0) : null);
  const costs = parts.flatMap(({ slot, count }) => {
    const each = ownAt(slot)?.cost;
    return each === undefined ? [] : [each * count];
  });
  const missing = parts.filter(({ slot, count }) => (stockOf(slot) ?? 0) < count);
  return (
    <div className={styles.view}>
      <Wide label="Parts of this car">
        <WordTable
          head={['no.', 'where', 'part', 'count', 'size', 'weight', 'in My parts', 'instead']}
          rows={parts.map(({ number, name, count, size: sizeText, mass, slot, on }) => {
            const stock = stockOf(slot);
            return [
              String(number),
              <PartPortrait key="where" design={design} part={on} />,
              name,
              String(count),
              sizeText || '–',
              weight(mass),
              stock === null ? '–' : stock < count ? `! ${stock} of ${count}` : `${stock}`,
              slot && (
                <Button
                  key={number}
                  size="small"
                  aria-expanded={asked === slot}
                  aria-label={`Alternatives: ${name}`}
                  onClick={() => setAsked(asked === slot ? null : slot)}
                >
                  Alternatives
                </Button>
              ),
            ] as const;
          })}
        />
      </Wide>
      <p className={plain.text}>
        Weights are estimates. Total weight, ready to run: {weight(wholeMass(design))}
        {remainder < -LEAST_WEIGHT
          ? `: ${weight(-remainder)} less than these parts together. One of them is lighter than estimated: weigh it.`
          : `, with ${weight(Math.max(0, remainder))} of glue and what is not listed.`}
        {costs.length > 0 &&
          ` ${costs.length} of ${parts.length} parts cost ${costs.reduce((sum, cost) => sum + cost, 0).toFixed(2)} (prices in My parts); the others have no price.`}
      </p>
      {asked && (
        <section
          key={asked}
          ref={(panel) => panel?.scrollIntoView({ block: 'nearest' })}
          aria-label={`Alternatives to the ${SLOTS[asked].label}`}
          className={styles.words}
        >
          <h2 className={plain.heading}>Alternatives to the {SLOTS[asked].label}</h2>
          {instead.length === 0 ? (
            <p className={plain.text}>Nothing else in the catalogue fits and runs.</p>
          ) : (
            <WordTable
              head={['part', 'predicted distance', 'action']}
              rows={instead.map(({ key, label, before, after }) => [
                label,
                `${formatAbout(before, 'distance', units)} → ${formatAbout(after, 'distance', units)}`,
                <Button key={key} size="small" aria-label={`Apply: ${label}`} onClick={() => edit((car) => fitCatalogue(car, asked, key))}>
                  Apply
                </Button>,
              ])}
            />
          )}
          <p className={`${plain.caption} ${plain.muted}`}>
            By the model, with everything else as it is. Its sizes and weights change too. Undo brings the old part back.
          </p>
        </section>
      )}
      <section aria-labelledby="cut-title" className={styles.words}>
        <h2 id="cut-title" className={plain.heading}>
          Cut to length
        </h2>
        <WordTable
          head={['what', 'length', 'notes']}
          rows={lengthsOf(design, SIZE_FORMATS[units]).map(({ name, count, length, words }) => [
            `${count > 1 ? `${count} × ` : ''}${name}`,
            size(length),
            words(size),
          ])}
        />
      </section>
      <section aria-labelledby="get-title" className={styles.words}>
        <h2 id="get-title" className={plain.heading}>
          To get
        </h2>
        {missing.length === 0 ? (
          <p className={plain.text}>✓ My parts have everything.</p>
        ) : (
          <ul className={plain.text}>
            {missing.map(({ number, name, count, size: sizeText, slot }) => (
              <li key={number}>
                {count - (stockOf(slot) ?? 0)} × {name}
                {sizeText && `, ${sizeText}`}
              </li>
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}
