import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { freeName } from '../../core/brief/free-name.ts';
import type { StoredPart } from '../../core/schema/stored.ts';
import { useListCarsQuery } from '../app/api/cars-api.ts';
import { useSavePart, useOwnParts } from '../open-car/use-own-parts.ts';
import { SideDrawer } from '../ui/side-drawer.tsx';
import { UnreadableItem } from '../ui/unreadable-item.tsx';
import { draftOf, newDraft } from './part-draft.ts';
import { KitDialog } from './kit-dialog.tsx';
import { OwnPartForm } from './own-part-form.tsx';
import { describeStock, describeMissing, describePart, describeUses } from './describe-part.ts';
import { PartFiles } from './part-files.tsx';
import { useUpdateCarsWithPart } from './use-update-cars-with-part.ts';

/** What is being done to the parts: a new one, or with one that is there. */
type Doing = { readonly kind: 'new' } | { readonly kind: 'change' | 'copy' | 'split'; readonly stored: StoredPart };

/** The builder's own parts: what there is, how many, where they are used, how well each is known and what it lacks. */
export function OwnPartsDrawer({ onClose }: { readonly onClose: () => void }) {
  const { parts, unreadable } = useOwnParts();
  const { data: cars } = useListCarsQuery();
  const designs = useMemo(() => (cars?.readable ?? []).map(({ design }) => design), [cars]);
  const { keep, remove, removeUnreadable, restore } = useSavePart();
  const tellCars = useUpdateCarsWithPart();
  /** Taken out just now: it can be put back. */
  const [gone, setGone] = useState<StoredPart | null>(null);
  const [doing, setDoing] = useState<Doing | null>(null);
  const [isFilling, setFilling] = useState(false);
  const others = parts.filter(({ id }) => !(doing?.kind === 'change' && doing.stored.id === id)).map(({ part }) => part);
  const start = () => {
    if (!doing || doing.kind === 'new') return newDraft('tyre');
    const { part } = doing.stored;
    if (doing.kind === 'change') return draftOf(part);
    const name = freeName(
      part.name,
      parts.filter((one) => one.part.kind === part.kind).map((one) => one.part.name),
    );
    return draftOf({ ...part, name, count: doing.kind === 'split' ? Math.max(1, Math.floor(part.count / 2)) : part.count });
  };
  const title =
    !doing || doing.kind === 'new'
      ? 'A new part'
      : `${{ change: 'Change', copy: 'A copy of', split: 'Split off from' }[doing.kind]} ${doing.stored.part.name}`;
  /** Changed elsewhere meanwhile, it is reported so once; kept again, it stands over that. */
  const latest = (stored: StoredPart): StoredPart => parts.find(({ id }) => id === stored.id) ?? stored;
  return (
    <SideDrawer title="My parts" onClose={onClose}>
      <Typography variant="body2" color="text.secondary">
        They appear in the lists of every car. Measured values narrow the prediction. “Best car” uses only as many as are in stock.
      </Typography>
      {doing === null ? (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2 }}>
          <Button variant="contained" onClick={() => setDoing({ kind: 'new' })}>
            Add a part
          </Button>
          <Button variant="outlined" onClick={() => setFilling(true)}>
            Add from a kit list
          </Button>
          <PartFiles parts={parts} />
        </Box>
      ) : (
        <OwnPartForm
          key={doing.kind === 'new' ? 'new' : `${doing.kind} ${doing.stored.id}`}
          start={start()}
          title={title}
          others={others}
          wrongCount={(count) =>
            doing.kind === 'split' && count >= doing.stored.part.count ? `There are ${doing.stored.part.count}: split off fewer.` : null
          }
          onKeep={async (part) => {
            const from = doing.kind === 'change' ? latest(doing.stored) : null;
            if (!(await keep(part, from))) return;
            if (doing.kind === 'split') {
              const whole = latest(doing.stored);
              await keep({ ...whole.part, count: whole.part.count - part.count }, whole);
            }
            if (doing.kind === 'change') await tellCars(part);
            setDoing(null);
          }}
          onCancel={() => setDoing(null)}
        />
      )}
      <Box role="status" sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
        {gone && (
          <>
            <Typography variant="body2">{gone.part.name} was removed.</Typography>
            <Button size="small" onClick={() => void restore(gone).then((isBack) => isBack && setGone(null))}>
              Undo
            </Button>
          </>
        )}
      </Box>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {parts.map((stored) => (
          <Box component="li" key={stored.id} sx={{ py: 2, borderTop: 1, borderColor: 'divider' }}>
            <Typography sx={{ fontWeight: 700 }}>{stored.part.name}</Typography>
            <Typography variant="body2">{describeStock(stored.part)}</Typography>
            <Typography variant="body2" color="text.secondary">
              {describePart(stored.part)}
            </Typography>
            <Typography variant="body2">{describeUses(stored.part, designs)}</Typography>
            {describeMissing(stored.part) !== '' && <Typography variant="body2">! {describeMissing(stored.part)}</Typography>}
            <Box sx={{ display: 'flex', gap: 2, mt: 1 }}>
              <Button
                size="small"
                variant="outlined"
                onClick={() => setDoing({ kind: 'change', stored })}
                aria-label={`Change ${stored.part.name}`}
              >
                Change
              </Button>
              <Button size="small" onClick={() => setDoing({ kind: 'copy', stored })} aria-label={`Copy ${stored.part.name}`}>
                Copy
              </Button>
              <Button
                size="small"
                disabled={stored.part.count < 2}
                onClick={() => setDoing({ kind: 'split', stored })}
                aria-label={`Split ${stored.part.name}`}
              >
                Split
              </Button>
              <Button
                size="small"
                onClick={() => void remove(stored).then((isOut) => isOut && setGone(stored))}
                aria-label={`Remove ${stored.part.name}`}
              >
                Remove
              </Button>
            </Box>
          </Box>
        ))}
        {unreadable.map((broken) => (
          <UnreadableItem key={broken.id} what="part" item={broken} onRemove={() => void removeUnreadable(broken.id)} />
        ))}
      </Box>
      {isFilling && <KitDialog onClose={() => setFilling(false)} />}
    </SideDrawer>
  );
}
