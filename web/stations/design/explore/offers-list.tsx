import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { describeChanges } from '../../../../core/car/difference.ts';
import { SEARCH_TRIES, type OfferedCar, type Search } from '../../../../core/explore/best-car.ts';
import type { OwnPart } from '../../../../core/schema/generated/own-part.ts';
import { useUnits } from '../../../ui/use-units.ts';
import { offerDescriber } from './describe-offer.ts';
import { RoundTradeOffs } from './round-trade-offs.tsx';

interface OffersListProps {
  readonly design: CarDesign;
  readonly search: Search;
  readonly own: readonly OwnPart[];
  readonly onApply: (offer: OfferedCar) => void;
  readonly onSave: (offer: OfferedCar) => void;
}

/** The cars that a search offers, each with its changes, to be applied or saved as a version. */
export function OffersList({ design, search, own, onApply, onSave }: OffersListProps) {
  const units = useUnits();
  const { describeReach, describeAlone, describeNeeds } = offerDescriber(design, units);
  const { best, stoppedBy, passed } = search;
  return (
    <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none', overflow: 'auto' }}>
      {stoppedBy !== null && best.length > 0 && (
        <Typography component="li" variant="body2" sx={{ pb: 1 }}>
          “{stoppedBy}” stops this car. Each of these passes every check.
        </Typography>
      )}
      {best.map((offer, i) => (
        <Box key={i} component="li" sx={{ py: 1.5, borderTop: i === 0 ? 0 : 1, borderColor: 'divider' }}>
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
            <Typography variant="figures">{describeReach(offer, search)}</Typography>
            <Button size="small" variant="outlined" sx={{ ml: 'auto' }} aria-label={`Apply car ${i + 1}`} onClick={() => onApply(offer)}>
              Apply
            </Button>
            <Button size="small" aria-label={`Save car ${i + 1} as a version`} onClick={() => onSave(offer)}>
              Save
            </Button>
          </Box>
          <Box component="ol" sx={{ m: 0, pl: 5, typography: 'body2' }}>
            {offer.changes.map((change, k) => (
              <li key={k}>
                {describeChanges(design, change.design, units)}
                {offer.changes.length > 1 && ` · ${describeAlone(change.alone)}`}
              </li>
            ))}
          </Box>
          {offer.rounds && search.now?.rounds && (
            <RoundTradeOffs design={design} now={search.now.rounds} then={offer.rounds} name={`Car ${i + 1}, round by round`} />
          )}
          <Typography variant="caption" color="text.secondary">
            {describeNeeds(offer, own)}
          </Typography>
        </Box>
      ))}
      {best.length === 0 && (
        <Typography variant="body2" component="li">
          No other car near this one is surely better and passes every check. {passed} of {SEARCH_TRIES} tried pass.
        </Typography>
      )}
    </Box>
  );
}
