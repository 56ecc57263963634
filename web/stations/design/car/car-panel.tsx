import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import SearchIcon from '@mui/icons-material/Search';
import TextField from '@mui/material/TextField';
import { memo, startTransition, Suspense, useCallback, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { CAR_GROUPS, type CarGroup } from '../../../../core/car/car-groups.ts';
import { aimsAtAll } from '../../../../core/brief/brief.ts';
import { goalOf } from '../../../../core/brief/goal.ts';
import { goalRecord } from '../../../../core/brief/goals.ts';
import { isRoller } from '../../../../core/car/motors/motors.ts';
import { describeFault } from '../../../../core/car/fault-words.ts';
import { describeWeight } from '../../../../core/car/weights.ts';
import type { Fault } from '../../../../core/fault.ts';
import { formatIn, formatQuantity } from '../../../../core/units/quantity.ts';
import { Edges, Room, Stretches, type ChangeFloor } from '../../../brief-fields/floor-fields.tsx';
import { choosesLoad } from '../../../../core/brief/goal.ts';
import { FloorsOfBriefs } from '../../../open-car/floors-of-briefs.tsx';
import { useBriefOf } from '../../../open-car/design-with-brief.ts';
import type { Edit } from '../../../open-car/design-slice.ts';
import { lazyWithPreload } from '../../../ui/lazy-with-preload.ts';
import plain from '../../../ui/plain.module.css';
import { Drafts } from '../../../ui/use-draft.ts';
import { useRoving } from '../../../ui/use-roving.ts';
import { useUnits } from '../../../ui/use-units.ts';
import { AimFields } from './aim-fields.tsx';
import { GoalOfBrief, FloorOfBrief } from './goal-of-brief.tsx';
import { CAR_ROWS, isRowOf, rowsFound, type CarRow } from './car-rows.ts';
import { FlickTest } from '../../../open-car/flick-test.tsx';
import { isSameChoice } from './choices.ts';
import { indexFound, type IndexTarget } from './station-index.ts';
import type { TabKey } from '../tabs.ts';
import { ChoiceField } from './choice-field.tsx';
import { FurtherBandsFields } from './further-bands.tsx';
import { Group, type OpenGroup } from './group.tsx';
import { describeGroup } from './describe-group.ts';
import { PartRow } from './part-row.tsx';
import { SpoolSteps } from './spool-steps.tsx';
import { SizeRow, useReaderSoon } from './size-row.tsx';
import { ValuesList, valuesFound } from './values-list.tsx';
import styles from './car-panel.module.css';

const OwnPartsDrawer = lazyWithPreload(() =>
  import('../../../own-parts/own-parts-drawer.tsx').then(({ OwnPartsDrawer: drawer }) => ({ default: drawer })),
);

const NO_FURTHER: readonly never[] = [];

interface CarPanelProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly edit: Edit;
  readonly faults: readonly Fault[];
  /** The group that is open; null for none. */
  readonly opened: OpenGroup | null;
  readonly onOpen: (group: OpenGroup | null) => void;
  readonly onTab: (tab: TabKey) => void;
  readonly onVersions: () => void;
}

/** Everything of the car that can be changed, by what it belongs to, a group at a time; or what is looked for by its name. */
export function CarPanel({ carId, design, edit, faults, opened, onOpen, onTab, onVersions }: CarPanelProps) {
  useReaderSoon();
  const units = useUnits();
  const [search] = useSearchParams();
  const asked = search.get('find') ?? '';
  const [sought, setSought] = useState(asked);
  const [askedBefore, setAskedBefore] = useState(asked);
  // What was found from elsewhere is looked for here.
  if (asked !== askedBefore) {
    setAskedBefore(asked);
    setSought(asked);
  }
  const [isListing, setListing] = useState(false);
  // What could not be taken as it was typed outlives its group's closing.
  const [drafts] = useState(() => new Map<string, string>());
  const chosen = useChosen(design);
  const worksTo = useBriefOf(design);
  const goal = goalOf(design.aim);
  const changeFloor: ChangeFloor = useCallback((change, gesture) => edit((car) => ({ ...car, floor: change(car.floor) }), gesture), [edit]);
  // The load that all carry in a round is the brief's.
  const rows = CAR_ROWS[design.motor.kind].filter(
    (row) => isRowOf(row, design) && (!worksTo || choosesLoad(goal) || sizeIdOf(row) !== 'load'),
  );
  const toFind = rows.filter(({ group: of }) => !worksTo || of !== 'floor');
  const shown = { design, chosen, edit, faults };
  const groups = (Object.keys(CAR_GROUPS) as CarGroup[]).filter((group) => rows.some((row) => row.group === group));
  const format = formatIn(units);
  const go = (target: IndexTarget): void => {
    if (target.kind === 'my-parts') startTransition(() => setListing(true));
    else if (target.kind === 'versions') onVersions();
    else {
      setSought('');
      if (target.kind === 'tab') onTab(target.tab);
      if (target.kind === 'group') onOpen(target.group);
    }
  };
  const group = (id: OpenGroup, name: string, words: string, content: () => React.ReactNode) => (
    <Group
      key={id}
      id={id}
      name={name}
      words={words}
      isWrong={faults.some(({ path }) => groupAt(path, rows) === id)}
      isOpen={opened === id}
      onOpen={onOpen}
    >
      {opened === id && content()}
    </Group>
  );
  return (
    <section aria-labelledby="car-title" className={styles.panel}>
      <h2 id="car-title" className={plain.heading}>
        The car
      </h2>
      <Find sought={sought} onSeek={setSought} />
      <Drafts value={drafts}>
        {sought.trim() !== '' ? (
          <Found {...shown} rows={toFind} sought={sought} onGo={go} />
        ) : (
          <div>
            {groups.map((id) =>
              group(id, CAR_GROUPS[id], describeGroup(id, design, format), () =>
                id === 'floor' && worksTo ? (
                  <FloorOfBrief carId={carId} design={design} brief={worksTo.brief} />
                ) : (
                  <>
                    <Rows {...shown} rows={rows.filter((row) => row.group === id)} />
                    {id === 'motor' && design.motor.kind === 'band' && (
                      <FurtherBandsFields further={design.motor.further ?? NO_FURTHER} edit={edit} />
                    )}
                    {id === 'driveAxle' && !isRoller(design) && (
                      <SpoolSteps sleeve={design.sleeve} axleDiameter={design.axleDiameter} edit={edit} />
                    )}
                    {id === 'straight' && <FlickTest care={design.care} onFound={(care) => edit((car) => ({ ...car, care }))} />}
                    {id === 'floor' && (
                      <>
                        <FloorsOfBriefs onChoose={(_name, floor) => changeFloor(() => floor)} />
                        <Stretches floor={design.floor} change={changeFloor} />
                        <Edges floor={design.floor} change={changeFloor} />
                        <Room floor={design.floor} change={changeFloor} />
                      </>
                    )}
                  </>
                ),
              ),
            )}
            {group('aim', 'Goal', worksTo && aimsAtAll(design, worksTo.brief) ? 'all rounds' : goalRecord(goal).label(goal, format), () =>
              worksTo ? (
                <GoalOfBrief carId={carId} design={design} brief={worksTo.brief} edit={edit} />
              ) : (
                <AimFields aim={design.aim} limits={design.limits} edit={edit} />
              ),
            )}
            {group('values', 'Values and their uncertainty', '', () => (
              <ValuesList design={design} edit={edit} faults={faults} />
            ))}
          </div>
        )}
      </Drafts>
      <MyParts isListing={isListing} onListing={setListing} />
    </section>
  );
}

/** The group that a fault of the design is reported in. */
function groupAt(path: string, rows: readonly CarRow[]): OpenGroup | undefined {
  if (path.startsWith('measured.')) return 'values';
  return rows.find((row) => sizeIdOf(row) === FAULT_AT[path])?.group;
}

/** Sizes a fault of the design is shown at, by the key it names. */
const FAULT_AT: Readonly<Record<string, string>> = {
  'motor.cockedAngle': 'leverLength',
  'motor.releaseAngle': 'leverLength',
  mass: 'mass',
  driveLoadShare: 'driveLoadShare',
  'motor.turns': 'turns',
  'motor.anchorToAxle': 'anchorToAxle',
  sleeve: 'sleeve',
  wheelbase: 'wheelbase',
};
const sizeIdOf = (row: CarRow): string | undefined => ('size' in row ? row.size?.id : undefined);

/** The car, the same one for as long as only its sizes change. */
function useChosen(design: CarDesign): CarDesign {
  const [chosen, setChosen] = useState(design);
  if (chosen === design || isSameChoice(chosen, design)) return chosen;
  setChosen(design);
  return design;
}

interface ShownProps {
  readonly design: CarDesign;
  readonly chosen: CarDesign;
  readonly edit: Edit;
  readonly faults: readonly Fault[];
}

/** Rows of the car, one stop for Tab: the arrows go from row to row. */
function Rows({ rows, design, chosen, edit, faults }: ShownProps & { readonly rows: readonly CarRow[] }) {
  const units = useUnits();
  const { kind } = design.motor;
  const faultAt = (row: CarRow): Fault | undefined =>
    faults.find(({ path }) => sizeIdOf(row) !== undefined && FAULT_AT[path] === sizeIdOf(row));
  return (
    <div ref={useRoving(`.${styles.row}`)} className={plain.rows}>
      {rows.map((row) => {
        const fault = faultAt(row);
        return (
          <div key={row.id} className={styles.row}>
            {row.kind === 'choice' && <ChoiceField choice={row.choice} value={row.choice.read(design)} edit={edit} />}
            {row.kind === 'size' && <SizeRow size={row.size} kind={kind} value={row.size.read(design)} edit={edit} />}
            {row.kind === 'part' && <PartRow {...row} value={row.size?.read(design) ?? 0} chosen={chosen} edit={edit} />}
            {row.id === 'mass' && (
              <p className={`${plain.caption} ${plain.muted}`}>
                {describeWeight(design, (value) => formatQuantity(value, 'weight', units))}
              </p>
            )}
            {fault && (
              <p className={`${plain.caption} ${styles.fault}`} role="alert">
                ✕ {describeFault(fault, formatIn(units))}
              </p>
            )}
          </div>
        );
      })}
    </div>
  );
}

interface FoundProps extends ShownProps {
  readonly sought: string;
  readonly rows: readonly CarRow[];
  readonly onGo: (target: IndexTarget) => void;
}

/** What was looked for, whatever group it belongs to; what is no row of the car as links to it. */
function Found({ sought, rows, onGo, ...shown }: FoundProps) {
  const found = rowsFound(rows, sought);
  const values = valuesFound(shown.design, sought);
  const links = indexFound(sought);
  const count = found.length + values.length + links.length;
  return (
    <div className={plain.rows}>
      <p role="status" className={`${plain.caption} ${plain.muted}`}>
        {count === 0 ? 'Nothing here has this name.' : `${count} found`}
      </p>
      <Rows {...shown} rows={found} />
      {values.length > 0 && <ValuesList {...shown} only={values} />}
      {links.length > 0 && (
        <ul className={plain.list} aria-label="Elsewhere at this station">
          {links.map(({ label, target }) => (
            <li key={label}>
              <Button size="small" onClick={() => onGo(target)}>
                {label}
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

interface FindProps {
  readonly sought: string;
  readonly onSeek: (sought: string) => void;
}

/** Drawn again only when something else is looked for. */
const Find = memo(function Find({ sought, onSeek }: FindProps) {
  return (
    <TextField
      type="search"
      size="small"
      placeholder="Find a size or part"
      value={sought}
      onChange={({ target }) => onSeek(target.value)}
      onKeyDown={({ key }) => key === 'Escape' && onSeek('')}
      slotProps={{
        htmlInput: { 'aria-label': 'Find a size or part' },
        input: {
          startAdornment: (
            <InputAdornment position="start">
              <SearchIcon fontSize="small" />
            </InputAdornment>
          ),
        },
      }}
    />
  );
});

interface MyPartsProps {
  readonly isListing: boolean;
  readonly onListing: (isListing: boolean) => void;
}

/** The drawer of the builder's own parts. Drawn again only when it opens or closes. */
const MyParts = memo(function MyParts({ isListing, onListing }: MyPartsProps) {
  const open = useCallback(() => startTransition(() => onListing(true)), [onListing]);
  return (
    <>
      <Button size="small" variant="outlined" aria-haspopup="dialog" onClick={open}>
        My parts
      </Button>
      {isListing && (
        <Suspense fallback={null}>
          <OwnPartsDrawer onClose={() => onListing(false)} />
        </Suspense>
      )}
    </>
  );
});
