import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { CATALOGUE, PART_VALUES } from '../../../../core/car/parts.ts';
import type { OwnPart } from '../../../../core/schema/generated/own-part.ts';
import { valueIn } from '../../../../core/units/quantity.ts';
import type { StoredPart } from '../../../app/api.ts';
import { SideDrawer } from '../../../ui/side-drawer.tsx';
import { UnreadableItem } from '../../../ui/unreadable-item.tsx';
import { KIND_NAMES } from './part-draft.ts';
import { OwnPartForm } from './own-part-form.tsx';
import { useKeepingParts, usePartsAtHand } from '../../../open-car/use-own-parts.ts';

/** What a part is like, and its values in their units. */
const partLine = ({ kind, like, values }: OwnPart): string =>
  [
    `like ${CATALOGUE[kind][like]?.label ?? like}`,
    ...PART_VALUES[kind].flatMap((told) =>
      values[told.key] === undefined ? [] : [`${told.label} ${valueIn(told, values[told.key]!, 4)}`],
    ),
  ].join(', ');

/** The builder's own parts: what there is, how many, and how well each is known. */
export function OwnPartsDrawer({ onClose }: { readonly onClose: () => void }) {
  const { parts, unreadable } = usePartsAtHand();
  const { keep, remove, removeUnreadable, restore } = useKeepingParts();
  /** Taken out just now: it can be put back. */
  const [gone, setGone] = useState<StoredPart | null>(null);
  const [edited, setEdited] = useState<StoredPart | 'new' | null>(null);
  return (
    <SideDrawer title="My parts" onClose={onClose}>
      <Typography variant="body2" color="text.secondary">
        They stand in the lists of every car. Measured values narrow what is predicted; “Best car” uses no more than there are.
      </Typography>
      {edited === null ? (
        <Button variant="contained" onClick={() => setEdited('new')}>
          Add a part
        </Button>
      ) : (
        <OwnPartForm
          key={edited === 'new' ? 'new' : edited.id}
          from={edited === 'new' ? null : edited}
          others={parts.filter((stored) => edited === 'new' || stored.id !== edited.id).map(({ part }) => part)}
          onKeep={async (part) => {
            // Changed elsewhere meanwhile, it is told so once; kept again, it stands over that.
            const from = edited === 'new' ? null : (parts.find(({ id }) => id === edited.id) ?? edited);
            if (await keep(part, from)) setEdited(null);
          }}
          onCancel={() => setEdited(null)}
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
            <Typography variant="body2">
              {KIND_NAMES[stored.part.kind]}, {stored.part.count} in stock, {stored.part.evidence}
            </Typography>
            <Typography variant="body2" color="text.secondary">
              {partLine(stored.part)}
            </Typography>
            <Box sx={{ display: 'flex', gap: 2, mt: 1 }}>
              <Button size="small" variant="outlined" onClick={() => setEdited(stored)} aria-label={`Change ${stored.part.name}`}>
                Change
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
    </SideDrawer>
  );
}
