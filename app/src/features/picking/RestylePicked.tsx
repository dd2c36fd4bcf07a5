import { RestyleSheet } from './RestyleSheet';
import { usePicked } from './usePicked';

export const RESTYLE = 'restyle';

/** The look of everything that is picked, wherever it lies. */
export function RestylePicked({ onClose }: { onClose: () => void }) {
  const marks = usePicked();
  return marks.length === 0 ? null : <RestyleSheet marks={marks} open onClose={onClose} />;
}
