import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { Pixels } from '../../core/film/homography.ts';
import styles from './film.module.css';
import type { TargetId } from './use-film-work.ts';

/** Something that is set in the picture. */
export interface PictureTarget {
  readonly id: TargetId;
  readonly label: string;
  /** A number or a letter beside it. */
  readonly sign: string;
  readonly pixels: Pixels;
}

interface FilmPictureProps {
  readonly picture: ImageBitmap;
  readonly targets: readonly PictureTarget[];
  /** What a click in the picture sets; null for nothing. */
  readonly active: TargetId | null;
  readonly onActive: (id: TargetId) => void;
  readonly onSet: (id: TargetId, pixels: Pixels) => void;
  /** Where the dot was, up to now. */
  readonly trail: readonly Pixels[];
  /** Where it is now, and where the car was expected to be. */
  readonly now: Pixels | null;
  readonly ghost: Pixels | null;
}

/** Pixels of the picture across the loupe; of its own it shows each as several. */
const LOUPE = 28;
const LOUPE_SIZE = 168;
/** Part of what a finger moves that a target moves: finer than a finger. */
const FINE = 0.25;
/** Pixels that an arrow key moves it: alone, with Shift, with Ctrl. */
const STEP = 1;
const FINE_STEP = 0.1;
const FAR_STEP = 10;

const shownAt = ([u, v]: Pixels): string => `${u.toFixed(1)}, ${v.toFixed(1)}`;

/** A picture of a film with what is set in it: by pointer, by finger, by keys to a tenth of a pixel, under a loupe. */
export function FilmPicture({ picture, targets, active, onActive, onSet, trail, now, ghost }: FilmPictureProps) {
  const { width, height } = picture;
  const canvas = useRef<HTMLCanvasElement>(null);
  const svg = useRef<SVGSVGElement>(null);
  const [pointer, setPointer] = useState<Pixels | null>(null);
  const dragged = useRef<{ readonly id: TargetId; readonly from: Pixels; readonly pixels: Pixels; readonly by: number } | null>(null);
  useLayoutEffect(() => {
    const context = canvas.current!.getContext('2d')!;
    context.drawImage(picture, 0, 0);
  }, [picture]);
  const placeOf = ({ clientX, clientY }: React.PointerEvent): Pixels => {
    const { left, top, width: wide, height: tall } = svg.current!.getBoundingClientRect();
    return [((clientX - left) / wide) * width, ((clientY - top) / tall) * height];
  };
  const within = ([u, v]: Pixels): Pixels => [Math.min(Math.max(u, 0), width), Math.min(Math.max(v, 0), height)];
  const chosen = targets.find(({ id }) => id === active);
  const [isDragging, setDragging] = useState(false);
  const looksAt = isDragging && chosen ? chosen.pixels : (active && pointer) || chosen?.pixels || null;
  const size = width / 1280;
  return (
    <div className={styles.picture} style={{ aspectRatio: `${width} / ${height}` }}>
      <canvas ref={canvas} width={width} height={height} />
      <svg
        ref={svg}
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-label="Picture of the film"
        onPointerDown={(event) => {
          if (active === null || event.button !== 0) return;
          onSet(active, within(placeOf(event)));
        }}
        onPointerMove={(event) => {
          const at = placeOf(event);
          const drag = dragged.current;
          if (drag)
            onSet(drag.id, within([drag.pixels[0] + drag.by * (at[0] - drag.from[0]), drag.pixels[1] + drag.by * (at[1] - drag.from[1])]));
          setPointer(event.pointerType === 'mouse' ? at : null);
        }}
        onPointerUp={() => {
          dragged.current = null;
          setDragging(false);
        }}
        onPointerLeave={() => setPointer(null)}
      >
        {trail.length > 1 && (
          <polyline
            points={trail.map(([u, v]) => `${u},${v}`).join(' ')}
            fill="none"
            stroke="#FFC46B"
            strokeWidth={2.5 * size}
            opacity={0.9}
          />
        )}
        {ghost && (
          <g aria-hidden stroke="#8FD0FF" fill="none" strokeWidth={3 * size}>
            <circle cx={ghost[0]} cy={ghost[1]} r={13 * size} strokeDasharray={`${6 * size} ${4 * size}`} />
            <text x={ghost[0]} y={ghost[1] - 20 * size} textAnchor="middle" fontSize={20 * size} fill="#8FD0FF" stroke="none">
              expected
            </text>
          </g>
        )}
        {now && <circle aria-hidden cx={now[0]} cy={now[1]} r={10 * size} fill="none" stroke="#FFC46B" strokeWidth={3 * size} />}
        {targets.map(({ id, label, sign, pixels }) => (
          <g
            key={id}
            role="button"
            tabIndex={0}
            aria-label={`${label}, at ${shownAt(pixels)}`}
            className={`${styles.target} ${id === active ? styles.active : ''}`}
            onFocus={() => onActive(id)}
            onPointerDown={(event) => {
              event.stopPropagation();
              onActive(id);
              event.currentTarget.setPointerCapture(event.pointerId);
              setDragging(true);
              dragged.current = { id, from: placeOf(event), pixels, by: event.pointerType === 'touch' ? FINE : 1 };
            }}
            onKeyDown={(event) => {
              const by = event.shiftKey ? FINE_STEP : event.ctrlKey ? FAR_STEP : STEP;
              const move = (
                { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] } as Record<string, number[]>
              )[event.key];
              if (!move) return;
              event.preventDefault();
              onSet(id, within([pixels[0] + move[0]!, pixels[1] + move[1]!]));
            }}
          >
            <circle cx={pixels[0]} cy={pixels[1]} r={22 * size} fill="transparent" />
            <g strokeWidth={2 * size} stroke="#fff">
              <circle
                className={styles.halo}
                cx={pixels[0]}
                cy={pixels[1]}
                r={14 * size}
                fill="none"
                stroke="#16302B"
                strokeWidth={4 * size}
              />
              <circle cx={pixels[0]} cy={pixels[1]} r={14 * size} fill="none" />
              {[
                [-24, 0, -6, 0],
                [24, 0, 6, 0],
                [0, -24, 0, -6],
                [0, 24, 0, 6],
              ].map(([x1, y1, x2, y2]) => (
                <line
                  key={`${x1} ${y1}`}
                  x1={pixels[0] + x1! * size}
                  y1={pixels[1] + y1! * size}
                  x2={pixels[0] + x2! * size}
                  y2={pixels[1] + y2! * size}
                />
              ))}
            </g>
            <text
              x={pixels[0] + 18 * size}
              y={pixels[1] - 16 * size}
              fontSize={24 * size}
              fontWeight={700}
              fill="#fff"
              stroke="#16302B"
              strokeWidth={5 * size}
              paintOrder="stroke"
            >
              {sign}
            </text>
          </g>
        ))}
      </svg>
      {looksAt && <Loupe picture={picture} at={looksAt} isLeft={looksAt[0] > width / 2} />}
    </div>
  );
}

/** What is about a place, several times as large, away from where it is. */
function Loupe({ picture, at: [u, v], isLeft }: { readonly picture: ImageBitmap; readonly at: Pixels; readonly isLeft: boolean }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current!.getContext('2d')!;
    context.imageSmoothingEnabled = false;
    context.fillStyle = '#16302B';
    context.fillRect(0, 0, LOUPE_SIZE, LOUPE_SIZE);
    context.drawImage(picture, u - LOUPE / 2, v - LOUPE / 2, LOUPE, LOUPE, 0, 0, LOUPE_SIZE, LOUPE_SIZE);
    const middle = LOUPE_SIZE / 2;
    for (const [colour, line] of [
      ['#16302B', 3],
      ['#FFFFFF', 1],
    ] as const) {
      context.strokeStyle = colour;
      context.lineWidth = line;
      context.beginPath();
      for (const [dx, dy] of [
        [1, 0],
        [-1, 0],
        [0, 1],
        [0, -1],
      ] as const) {
        context.moveTo(middle + 8 * dx, middle + 8 * dy);
        context.lineTo(middle + 60 * dx, middle + 60 * dy);
      }
      context.stroke();
    }
  }, [picture, u, v]);
  return (
    <canvas
      ref={canvas}
      aria-hidden
      width={LOUPE_SIZE}
      height={LOUPE_SIZE}
      className={styles.loupe}
      style={isLeft ? { left: 8 } : { right: 8 }}
    />
  );
}
