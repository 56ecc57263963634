import Button from '@mui/material/Button';
import { useMayReach } from '../app/use-role.ts';
import { ChoiceSelect } from '../brief-fields/choice-select.tsx';
import { FileButton } from '../ui/file-button.tsx';
import plain from '../ui/plain.module.css';
import { serialPorts, type Source, type useDevice } from './use-device.ts';

const SOURCES: Readonly<Record<Exclude<Source, 'simulated'>, string>> = {
  network: 'a program that posts lines to /api/lines',
  serial: 'a board on a serial port',
  file: 'a file of lines',
};

interface DeviceSourceProps {
  readonly source: Source;
  readonly onSource: (source: Source) => void;
  readonly device: ReturnType<typeof useDevice>;
  /** What the simulated device can be told to do, and what it is called. */
  readonly simulated: React.ReactNode;
  readonly simulatedName?: string;
  /** A line as such a device prints it. */
  readonly example?: string;
  /** What else is wrong with what was reported. */
  readonly remark?: string;
}

/** Where a device’s lines come from, and what of them could not be read. */
export function DeviceSource({
  source,
  onSource,
  device,
  simulated,
  simulatedName = 'the simulated rig',
  example = 't=1.5 gate=1',
  remark = '',
}: DeviceSourceProps) {
  // Lines are posted to the machine of the program, for its owner.
  const { network, ...others } = SOURCES;
  const hasLines = useMayReach('lines');
  return (
    <>
      <ChoiceSelect
        label="Lines come from"
        value={source}
        options={{ simulated: simulatedName, ...(hasLines && { network }), ...others } as Readonly<Record<Source, string>>}
        onChange={(next) => {
          device.clear();
          onSource(next);
        }}
      />
      {source === 'simulated' && simulated}
      {source === 'serial' &&
        (serialPorts() ? (
          <Button variant="contained" onClick={() => void device.openSerial()}>
            Choose the port
          </Button>
        ) : (
          <p className={plain.text}>This browser cannot read a serial port. Post the lines, or open them as a file.</p>
        ))}
      {source === 'file' && (
        <FileButton label="Lines of a device" accept=".txt,.log,text/plain" onFile={(file) => void device.takeFile(file)}>
          Open a file
        </FileButton>
      )}
      {source === 'network' && (
        <p className={plain.caption}>
          curl -H ‘content-type: text/plain’ --data-binary ‘{example}’ {window.location.origin}/api/lines
        </p>
      )}
      {device.problem && (
        <p role="alert" className={plain.text}>
          ✕ {device.problem}
        </p>
      )}
      {device.faults.map(({ line, message }) => (
        <p key={line} role="alert" className={plain.text}>
          ✕ line {line}: {message}
        </p>
      ))}
      <p role="status" className={`${plain.caption} ${plain.muted}`}>
        {device.lines === 0 ? 'No line yet.' : `${device.lines} lines, ${device.events.length} readings`}
        {remark}
      </p>
    </>
  );
}
