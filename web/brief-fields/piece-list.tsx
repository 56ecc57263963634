import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import plain from '../ui/plain.module.css';
import { useStableKeys } from '../ui/stable-keys.ts';
import { Drafts } from '../ui/use-draft.ts';
import styles from './brief-fields.module.css';

interface PieceListProps<T extends object> {
  readonly pieces: readonly T[];
  readonly change: (next: (present: readonly T[]) => T[]) => void;
  readonly nameOf: (at: number) => string;
  /** What stands above the sizes of one. */
  readonly head?: (piece: T, change: (part: Partial<T>) => void) => React.ReactNode;
  /** The sizes of one, beside each other. */
  readonly children: (piece: T, change: (part: Partial<T>) => void, at: number) => React.ReactNode;
  readonly most: number;
  /** On the button that adds one. */
  readonly addWords: string;
  readonly make: (last: T | undefined) => T;
  /** Further buttons. */
  readonly beside?: React.ReactNode;
}

/** Several of one kind, each with its sizes and a way to be rid of it, and a button for one more. */
export function PieceList<T extends object>({ pieces, change, nameOf, head, children, most, addWords, make, beside }: PieceListProps<T>) {
  const keys = useStableKeys(pieces);
  return (
    <div className={plain.rows}>
      {pieces.map((piece, at) => {
        const changeIt = (part: Partial<T>): void => change((present) => present.map((one, i) => (i === at ? { ...one, ...part } : one)));
        return (
          <fieldset key={keys[at]} className={styles.piece}>
            <legend className={plain.strong}>{nameOf(at)}</legend>
            {head?.(piece, changeIt)}
            <div className={styles.ends}>
              {/* Pieces have fields of one name each: what is typed into one is no draft of another. */}
              <Drafts value={null}>{children(piece, changeIt, at)}</Drafts>
              <IconButton
                aria-label={`Remove ${nameOf(at).toLowerCase()}`}
                onClick={() => change((present) => present.filter((_one, i) => i !== at))}
              >
                <DeleteIcon />
              </IconButton>
            </div>
          </fieldset>
        );
      })}
      <div className={beside ? styles.ends : undefined}>
        <Button
          size="small"
          variant="outlined"
          disabled={pieces.length >= most}
          onClick={() => change((present) => [...present, make(present.at(-1))])}
        >
          {addWords}
        </Button>
        {beside}
      </div>
    </div>
  );
}
