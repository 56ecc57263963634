/** What a station, or a part of one, has come to. */
export type StateKind = 'empty' | 'unreachable' | 'refused' | 'missing' | 'finished';

const INK = 'var(--mui-palette-workbench-ink)';
const MUTED = 'var(--mui-palette-workbench-muted)';
const FLOOR = 76;

/** Strokes of a plain car at a place on the floor: deck, axles, lever. */
const CAR = { deck: 'M-46 58H46', lever: 'M30 54L-34 34', string: 'M-34 34L-36 58', wheels: [-36, 36] } as const;

interface PlainCarProps {
  readonly x: number;
  /** Only where it would stand. */
  readonly isOutline?: boolean;
  /** A wheel of it is off. */
  readonly lacksWheel?: boolean;
}
const PlainCar = ({ x, isOutline = false, lacksWheel = false }: PlainCarProps) => (
  <g
    transform={`translate(${x} 0)`}
    fill="none"
    stroke={isOutline ? MUTED : INK}
    strokeWidth={2}
    strokeLinecap="round"
    {...(isOutline && { strokeDasharray: '4 5' })}
  >
    <path d={CAR.deck} />
    {!isOutline && <path d={CAR.string} strokeWidth={1} />}
    {!isOutline && <path d={CAR.lever} stroke="var(--mui-palette-workbench-pull)" strokeWidth={3.5} />}
    {CAR.wheels.slice(0, lacksWheel ? 1 : 2).map((at) => (
      <circle key={at} cx={at} cy={FLOOR - 18} r={18} fill="var(--mui-palette-workbench-panel)" />
    ))}
    {lacksWheel && <ellipse cx={84} cy={FLOOR - 4} rx={18} ry={4} />}
  </g>
);

const floor = (d: string) => <path d={d} stroke={INK} strokeWidth={2} fill="none" />;

/** Drawn with one car in our own line: not yet there, cut off, with a wheel off, gone, at its mark. */
const PICTURES: Readonly<Record<StateKind, React.ReactNode>> = {
  empty: (
    <>
      {floor(`M0 ${FLOOR}H240`)}
      <PlainCar x={120} isOutline />
    </>
  ),
  unreachable: (
    <>
      {floor(`M0 ${FLOOR}H136l8 -10M168 ${FLOOR + 8}l8 -8H240`)}
      <PlainCar x={70} />
    </>
  ),
  refused: (
    <>
      {floor(`M0 ${FLOOR}H240`)}
      <PlainCar x={96} lacksWheel />
      <path d="M170 22l18 18m0 -18l-18 18" stroke="var(--mui-palette-workbench-stop)" strokeWidth={4} strokeLinecap="round" />
    </>
  ),
  missing: (
    <>
      {floor(`M0 ${FLOOR}H240`)}
      <path
        d={`M12 ${FLOOR - 6}H150M30 ${FLOOR - 24}H140M60 ${FLOOR - 42}H146`}
        stroke={MUTED}
        strokeWidth={2}
        strokeDasharray="3 7"
        fill="none"
      />
      <PlainCar x={226} isOutline />
    </>
  ),
  finished: (
    <>
      {floor(`M0 ${FLOOR}H240`)}
      <PlainCar x={90} />
      <path d={`M196 ${FLOOR}V14h30l-8 10l8 10h-30`} stroke={INK} strokeWidth={2} fill="none" />
      <path d="M164 34l8 9l14 -19" stroke="var(--mui-palette-workbench-good)" strokeWidth={4} fill="none" strokeLinecap="round" />
    </>
  ),
};

/** The picture beside the words of a state; it says nothing that they do not. */
export const StatePicture = ({ kind }: { readonly kind: StateKind }) => (
  <svg viewBox="0 0 240 92" width={180} height={69} aria-hidden style={{ flex: 'none' }}>
    {PICTURES[kind]}
  </svg>
);
