import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { Prediction } from '../../core/predict/predict-run.ts';
import { poseAt, type Pose } from '../../core/geometry/pose.ts';

/** A run is shown in at most this long, s: slow cars are hurried. */
const LONGEST_SHOW = 8;

/** The car along its run: at a time that is played or scrubbed; null while it is at the line. */
export function usePlayer(design: CarDesign, prediction: Prediction) {
  const [time, setTime] = useState<number | null>(null);
  const [isPlaying, setPlaying] = useState(false);
  const frame = useRef(0);
  const result = prediction.kind === 'ran' && prediction.result.trace!.time.length > 1 ? prediction.result : null;
  const end = result?.time ?? 0;
  useEffect(() => {
    if (!isPlaying || !result) return;
    const hurry = Math.max(1, end / LONGEST_SHOW);
    let last = performance.now();
    const step = (now: number): void => {
      const passed = ((now - last) / 1000) * hurry;
      last = now;
      setTime((at) => {
        const next = (at ?? 0) + passed;
        if (next < end) return next;
        setPlaying(false);
        return end;
      });
      frame.current = requestAnimationFrame(step);
    };
    frame.current = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame.current);
  }, [isPlaying, result, end]);
  const pose: Pose | null = useMemo(
    () => (result && time !== null ? poseAt(design, result, Math.min(time, end)) : null),
    [design, result, time, end],
  );
  const whole = useRef(end);
  useEffect(() => {
    whole.current = end;
  });
  const play = useCallback(() => {
    setTime((at) => (at === null || at >= whole.current ? 0 : at));
    setPlaying(true);
  }, []);
  const pause = useCallback(() => setPlaying(false), []);
  const scrub = useCallback((to: number | null) => {
    setPlaying(false);
    setTime(to);
  }, []);
  const scrubShare = useCallback((fraction: number) => scrub(fraction * whole.current), [scrub]);
  return { pose, end, isPlaying: isPlaying && result !== null, play, pause, scrub, scrubShare };
}
export type Player = ReturnType<typeof usePlayer>;
