import { useCallback, useEffect, useRef, useState } from 'react';
import type { CarDesign, Wind } from '../../core/car/car-design.ts';
import { readLines, type DeviceEvent, type LineFault } from '../../core/rig/line-protocol.ts';
import type { RigFault } from '../../core/rig/simulated-rig.ts';
import { runTask } from '../workers/explore.ts';

/** Where lines come from. */
export type Source = 'simulated' | 'network' | 'serial' | 'file';

/** Faults of lines that are reported. */
const MOST_FAULTS = 5;
/** Bits a second of a board’s serial port, as most sketches have it. */
const BAUD = 115_200;

interface Told {
  readonly events: readonly DeviceEvent[];
  readonly faults: readonly LineFault[];
  readonly lines: number;
}
const NOTHING: Told = { events: [], faults: [], lines: 0 };

/** The serial ports, where the browser can read them. */
export const serialPorts = (): Serial | undefined => ('serial' in navigator ? navigator.serial : undefined);

/** Lines of a device as they come, whole ones read at once. */
export function useDevice(source: Source) {
  const [received, setTold] = useState(NOTHING);
  const [problem, setProblem] = useState<string | null>(null);
  const rest = useRef('');
  /** Gives the serial port back, where one is read. */
  const closeSerial = useRef<(() => Promise<void>) | null>(null);
  const take = useCallback((text: string): void => {
    const whole = rest.current + text;
    const end = whole.lastIndexOf('\n') + 1;
    rest.current = whole.slice(end);
    if (end === 0) return;
    setTold((before) => {
      const read = readLines(whole.slice(0, end - 1), before.lines + 1);
      return {
        events: [...before.events, ...read.events],
        faults: [...before.faults, ...read.faults].slice(-MOST_FAULTS),
        lines: before.lines + whole.slice(0, end - 1).split('\n').length,
      };
    });
  }, []);
  const clear = useCallback((): void => {
    rest.current = '';
    setTold(NOTHING);
    setProblem(null);
  }, []);
  // Another source, or another page: the port is free for others.
  useEffect(() => () => void closeSerial.current?.(), [source]);
  useEffect(() => {
    if (source !== 'network') return;
    const heard = new EventSource('/api/lines');
    heard.addEventListener('lines', ({ data }: MessageEvent<string>) => take(`${JSON.parse(data) as string}\n`));
    return () => heard.close();
  }, [source, take]);
  return {
    ...received,
    problem,
    clear,
    /** More lines, after those that came. */
    take,
    takeText: (text: string): void => {
      clear();
      take(text);
    },
    takeFile: async (file: File): Promise<void> => {
      clear();
      take(`${await file.text()}\n`);
    },
    runRig: async (run: {
      design: CarDesign;
      wind: Wind;
      gates: readonly number[];
      seed: number;
      run: number;
      faults: readonly RigFault[];
    }): Promise<void> => {
      clear();
      try {
        const lines = await runTask('rounds', (work) => work.rigLines(run));
        if (lines === null) setProblem('The hidden car did not move.');
        else take(lines);
      } catch (reason) {
        setProblem(`The simulated rig stopped working: ${String(reason)}`);
      }
    },
    openSerial: async (): Promise<void> => {
      clear();
      await closeSerial.current?.();
      try {
        const port = await serialPorts()!.requestPort();
        await port.open({ baudRate: BAUD });
        const ends = new AbortController();
        const text = new TextDecoderStream() as unknown as TransformStream<Uint8Array, string>;
        const piped = port.readable!.pipeTo(text.writable, { signal: ends.signal }).catch(() => undefined);
        const reader = text.readable.getReader();
        closeSerial.current = async () => {
          closeSerial.current = null;
          await reader.cancel().catch(() => undefined);
          ends.abort();
          await piped;
          await port.close();
        };
        for (let part = await reader.read(); !part.done; part = await reader.read()) take(part.value);
        await closeSerial.current?.();
      } catch (reason) {
        setProblem(`The serial port cannot be read: ${reason instanceof Error ? reason.message : String(reason)}`);
      }
    },
  };
}
