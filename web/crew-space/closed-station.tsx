import { Link } from 'react-router';
import plain from '../ui/plain.module.css';
import { StateNote } from '../ui/state-note.tsx';

/** In the place of a station that the leader of the class has closed for its crews. */
const ClosedStation = () => (
  <div className={plain.page}>
    <StateNote kind="empty">
      Your leader has closed this station for now. <Link to="/">Go to the Garage</Link>
    </StateNote>
  </div>
);
export default ClosedStation;
