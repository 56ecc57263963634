import useMediaQuery from '@mui/material/useMediaQuery';
import { useEffect, useState } from 'react';

/** The time of a race, s: it goes in true time while it is played, and is moved by whoever holds its slider. `canPlay`: motion is wanted. */
export function useRaceClock(end: number) {
  const isStill = useMediaQuery('(prefers-reduced-motion: reduce)', { noSsr: true });
  const [time, setTime] = useState(0);
  const [isPlaying, setPlaying] = useState(false);
  useEffect(() => {
    if (!isPlaying) return;
    let last = performance.now();
    let frame = 0;
    const step = (now: number): void => {
      const passed = (now - last) / 1000;
      last = now;
      setTime((at) => Math.min(at + passed, end));
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [isPlaying, end]);
  const isOver = time >= end;
  return {
    time: Math.min(time, end),
    canPlay: !isStill && end > 0,
    isPlaying: isPlaying && !isOver,
    play: (): void => {
      if (isOver) setTime(0);
      setPlaying(true);
    },
    pause: (): void => setPlaying(false),
    moveTo: (to: number): void => {
      setPlaying(false);
      setTime(to);
    },
  };
}
