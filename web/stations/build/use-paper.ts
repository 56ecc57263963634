import { PAPERS, type PaperName } from '../../../core/build/drawing.ts';
import { useLocalStorage } from '../../ui/use-local-storage.ts';

/** The paper that is printed on and whose car it is, stored in this browser. */
export function usePaper() {
  const [name, setName] = useLocalStorage<string>('build-paper', 'a4');
  const [crew, setCrew] = useLocalStorage('build-crew', '');
  return {
    name: Object.hasOwn(PAPERS, name) ? (name as PaperName) : ('a4' as const),
    crew,
    setName: (next: PaperName) => setName(next),
    setCrew,
  };
}
