import styles from './film.module.css';
import plain from '../ui/plain.module.css';

/** The floor from above: the car’s line, tape at the corners of a rectangle, and the phone beside it. */
export const FilmDrawing = () => (
  <svg
    className={styles.drawing}
    viewBox="0 0 420 236"
    role="img"
    aria-label="From above: the car runs between four marks of tape; the phone stands 3 to 5 m beside them."
  >
    <g fill="none" stroke="currentColor" strokeWidth={1.5}>
      <line x1={30} y1={72} x2={396} y2={72} strokeDasharray="7 5" />
      <path d="M396 72l-9 -5v10z" fill="currentColor" />
      <path d="M210 214L52 30M210 214L368 30" strokeDasharray="2 4" />
      <rect x={70} y={38} width={280} height={66} strokeDasharray="3 5" />
    </g>
    {[
      [70, 104, '1'],
      [350, 104, '2'],
      [350, 38, '3'],
      [70, 38, '4'],
    ].map(([x, y, sign]) => (
      <g key={sign}>
        <path d={`M${Number(x) - 7} ${y}h14M${x} ${Number(y) - 7}v14`} stroke="currentColor" strokeWidth={4} fill="none" />
        <text x={Number(x) + 9} y={Number(y) + 17} fontSize={14} fill="currentColor">
          {sign}
        </text>
      </g>
    ))}
    <g fill="var(--mui-palette-secondary-main)">
      <rect x={78} y={62} width={58} height={20} rx={3} />
      <circle cx={124} cy={77} r={5} fill="#EB5A28" />
    </g>
    <g fill="currentColor">
      <rect x={196} y={206} width={28} height={16} rx={3} />
      <text x={234} y={219} fontSize={14}>
        phone, 3 to 5 m away
      </text>
      <text x={146} y={60} fontSize={14}>
        dot of bright tape on the side
      </text>
      <text x={176} y={128} fontSize={14}>
        tape on the floor
      </text>
    </g>
  </svg>
);

/** What makes a film that can be measured. */
export const HowToFilm = () => (
  <ul className={plain.text}>
    <li>Stand the phone still on a chair or books, knee-high or higher, 3 to 5 m beside the run. Light comes from behind it.</li>
    <li>Tape four marks on the floor at the corners of a rectangle that you measured. All four must be in the picture.</li>
    <li>Stick a dot of bright tape on the side of the car. Measure how high its middle is.</li>
    <li>For wheelspin, stick a dot of another colour near the rim of a drive wheel.</li>
    <li>Film at 30 or 60 frames a second. Start filming a second before the release. The start must be in the picture.</li>
    <li>Keep people and pets out of the lane, and stay behind and to one side of the car.</li>
  </ul>
);
