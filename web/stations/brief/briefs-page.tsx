import { useNavigate } from 'react-router';
import { Begin } from './begin.tsx';

/** All briefs, and how a new one begins. */
export function BriefsPage() {
  const navigate = useNavigate();
  return <Begin title="Briefs" drive={null} onChosen={(id) => void navigate(`/briefs/${id}`)} />;
}
