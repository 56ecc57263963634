import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { HallRole, JoinedHall } from '../../core/schema/sharing.ts';
import plain from '../ui/plain.module.css';
import { useListCarsQuery } from './api/cars-api.ts';
import { useListMeetsQuery } from './api/meets-api.ts';

const WHAT: Readonly<Record<HallRole, string>> = {
  crew: 'This phone joined as crew. It logs runs of its car and follows its meet.',
  official: 'This phone joined as official. It logs runs, enters and inspects cars, and saves results.',
  board: 'This phone joined as board. It shows meets.',
};
const LINK = { display: 'block', padding: '14px 0', minHeight: 44 } as const;

/** Where a phone begins, and where it is led that asks for a page it has no part in. */
export default function PhoneStart({ joined: { role, carId } }: { readonly joined: JoinedHall }) {
  const { data: cars } = useListCarsQuery(undefined, { skip: role === 'board' });
  const { data: meets } = useListMeetsQuery();
  const logged = (cars?.readable ?? []).filter(({ id }) => role === 'official' || id === carId);
  return (
    <div style={{ padding: 24, maxWidth: 520 }}>
      <Typography variant="h1">Nimble Axle</Typography>
      <Typography sx={{ my: 3 }}>{WHAT[role]}</Typography>
      {logged.length > 0 && (
        <section aria-labelledby="phone-cars">
          <h2 id="phone-cars" className={plain.heading}>
            Log runs
          </h2>
          {logged.map(({ id, design }) => (
            <Link key={id} to={`/cars/${id}/track`} style={LINK}>
              {design.name}
            </Link>
          ))}
        </section>
      )}
      <section aria-labelledby="phone-meets">
        <h2 id="phone-meets" className={plain.heading}>
          Meets
        </h2>
        {meets?.readable.length === 0 && <p className={plain.text}>There is no meet yet.</p>}
        {meets?.readable.map(({ id, meet }) => (
          <Link key={id} to={role === 'board' ? `/meets/${id}/board` : `/meets/${id}`} style={LINK}>
            {meet.name}, {meet.date}
          </Link>
        ))}
      </section>
    </div>
  );
}
