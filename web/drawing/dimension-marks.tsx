import Box from '@mui/material/Box';
import { createContext, memo, useCallback, useContext, useEffect, useRef, useState, type ReactNode } from 'react';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { Size } from '../../core/car/size.ts';
import { sizesOf } from '../../core/car/sizes.ts';
import { FONTS } from '../ui/tokens.ts';
import { CLEAR_GROUND } from '../ui/clear-ground.ts';
import { QuantityField } from '../ui/quantity-field.tsx';
import { useRoving } from '../ui/use-roving.ts';
import type { Edit } from '../open-car/design-slice.ts';
import { INK } from './stroke.tsx';

/** Asks for a size to be typed at a place of the drawing. */
const TypeSize = createContext<(sizeId: string, x: number, y: number) => void>(() => {});

interface TypedSizesProps {
  readonly design: CarDesign;
  readonly edit: Edit;
  /** A size is about to be typed. */
  readonly onType: (size: Size) => void;
  readonly children: ReactNode;
}

/** Lets the sizes written on a drawing be typed over where they stand. */
export function TypedSizes({ design, edit, onType, children }: TypedSizesProps) {
  const [typing, setTyping] = useState<{ readonly sizeId: string; readonly x: number; readonly y: number } | null>(null);
  const called = (sizeId: string | undefined): Size | undefined => sizesOf(design.motor.kind).find(({ id }) => id === sizeId);
  const present = useRef({ called, onType });
  useEffect(() => {
    present.current = { called, onType };
  });
  const open = useCallback((sizeId: string, x: number, y: number) => {
    setTyping({ sizeId, x, y });
    const size = present.current.called(sizeId);
    if (size) present.current.onType(size);
  }, []);
  const size = called(typing?.sizeId);
  return (
    <TypeSize.Provider value={open}>
      {children}
      {typing && size && (
        <Box
          onBlur={() => setTyping(null)}
          onKeyDown={({ key }) => (key === 'Enter' || key === 'Escape') && setTyping(null)}
          sx={{
            position: 'absolute',
            left: Math.max(typing.x - 60, 4),
            top: typing.y - 18,
            width: 120,
            bgcolor: 'background.paper',
            zIndex: 1,
          }}
          ref={(box: HTMLDivElement | null) => {
            const field = box?.querySelector('input');
            if (field && document.activeElement !== field) field.focus();
          }}
        >
          <QuantityField
            size="small"
            label={`${size.label} on the drawing`}
            labelHidden
            quantity={size.quantity}
            value={size.read(design)}
            onChange={(value) => edit((car) => size.write(car, value))}
          />
        </Box>
      )}
    </TypeSize.Provider>
  );
}

interface LabelProps {
  readonly x: number;
  readonly y: number;
  readonly children: string;
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly fill?: string;
  /** The size that is typed over when the figure is pressed. */
  readonly sizeId?: string;
}

const TYPED_OVER = { cursor: 'text' } as const;

const FIGURES = { ...CLEAR_GROUND, fontFamily: FONTS.figures, fontSize: 13 };

/** A drawing's dimensions: one stop for Tab, the arrows go from figure to figure. */
export const Dimensions = ({ children }: { readonly children: ReactNode }) => (
  <g ref={useRoving('[role=button]')} {...FIGURES}>
    {children}
  </g>
);

/** A figure on the drawing, drawn again only when it stands elsewhere or says otherwise. */
export const Label = memo(function Label({ x, y, children, anchor = 'middle', fill = INK, sizeId }: LabelProps) {
  const type = useContext(TypeSize);
  const open = (): void => {
    if (sizeId !== undefined) type(sizeId, x, y);
  };
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      dominantBaseline="central"
      fill={fill}
      {...(sizeId !== undefined && {
        role: 'button',
        tabIndex: 0,
        'aria-label': `${children}: type another`,
        style: TYPED_OVER,
        onClick: open,
        onKeyDown: (event: React.KeyboardEvent) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          open();
        },
      })}
    >
      {children}
    </text>
  );
});

interface AcrossProps {
  readonly from: number;
  readonly to: number;
  readonly y: number;
  /** Where the extension lines begin. */
  readonly base: number;
  readonly text: string;
  readonly sizeId?: string;
}

/** px half the room that a figure takes across, and up, in a dimension line. */
const halfWidth = (text: string): number => 4 + (7.9 * text.length) / 2;
const HALF_HEIGHT = 10;

/** A horizontal dimension below what it measures, with extension lines and ticks, its line broken for the figure (ISO 129-1). */
export const Across = memo(function Across({ from, to, y, base, text, ...typed }: AcrossProps) {
  const middle = (from + to) / 2;
  const half = Math.min(halfWidth(text), Math.abs(to - from) / 2);
  const side = Math.sign(to - from);
  return (
    <g>
      <path
        d={`M${from} ${base}V${y + 5}M${to} ${base}V${y + 5}M${from} ${y}H${middle - side * half}M${middle + side * half} ${y}H${to}M${from - 3} ${y + 3}l6 -6M${to - 3} ${y + 3}l6 -6`}
        stroke={INK}
        strokeWidth={0.9}
        fill="none"
      />
      <Label x={Math.round(middle)} y={y} {...typed}>
        {text}
      </Label>
    </g>
  );
});

interface UprightProps {
  readonly x: number;
  readonly top: number;
  readonly bottom: number;
  readonly reach: number;
  readonly text: string;
  readonly sizeId?: string;
}

/** A vertical dimension beside what it measures. */
export const Upright = memo(function Upright({ x, top, bottom, reach, text, ...typed }: UprightProps) {
  return (
    <g>
      <path
        d={`M${reach} ${top}H${x}M${x} ${top}V${Math.max(top, (top + bottom) / 2 - HALF_HEIGHT)}M${x} ${Math.min(bottom, (top + bottom) / 2 + HALF_HEIGHT)}V${bottom}M${x - 3} ${top + 3}l6 -6M${x - 3} ${bottom + 3}l6 -6`}
        stroke={INK}
        strokeWidth={0.9}
        fill="none"
      />
      <Label x={Math.round(x)} y={Math.round((top + bottom) / 2)} {...typed}>
        {text}
      </Label>
    </g>
  );
});
