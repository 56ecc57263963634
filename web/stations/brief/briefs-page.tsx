import { useNavigate } from 'react-router';
import { NewBrief } from './new-brief.tsx';

/** All briefs, and how a new one begins. */
export function BriefsPage() {
  const navigate = useNavigate();
  return <NewBrief title="Briefs" drive={null} onChosen={(id) => void navigate(`/briefs/${id}`)} />;
}
