import type { CarDesign } from '../../../core/car/car-design.ts';
import { InTheRound } from '../../drawing/in-the-round.tsx';
import { useSize } from '../../ui/use-size.ts';
import styles from './build.module.css';

/** The finished car in the round, as wide as its room. */
export function RoundView({ design }: { readonly design: CarDesign }) {
  const { ref, width, height } = useSize<HTMLDivElement>();
  return (
    <section ref={ref} aria-label="In the round" className={styles.roundView}>
      {width > 0 && height > 0 && <InTheRound design={design} width={width} height={height} />}
    </section>
  );
}
