import plain from '../../ui/plain.module.css';
import type { Read } from './readings.ts';

/** Why readings have no result yet. */
export function ReadingsStatus({ read }: { readonly read: Exclude<Read, { kind: 'read' }> }) {
  return read.kind === 'none' ? (
    <p role="status" className={`${plain.text} ${plain.muted}`}>
      Type readings: the result appears here.
    </p>
  ) : (
    <p role="status" className={plain.text}>
      {read.kind === 'few' ? '○' : '✕'} {read.message}
    </p>
  );
}
