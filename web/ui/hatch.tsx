import { memo } from 'react';

interface HatchProps {
  readonly id: string;
  readonly colour: string;
  /** Of its strokes, px. */
  readonly line: number;
}

/** A pattern that tells an area apart by more than its colour; drawn once. */
export const Hatch = memo(function Hatch({ id, colour, line }: HatchProps) {
  return (
    <defs>
      <pattern id={id} width={8} height={8} patternUnits="userSpaceOnUse">
        <path d="M-2 2l4 -4M0 8l8 -8M6 10l4 -4" stroke={colour} strokeWidth={line} />
      </pattern>
    </defs>
  );
});
