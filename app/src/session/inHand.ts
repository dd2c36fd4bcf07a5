import { applyTransaction, type Change, type DocState, findMark } from '@marginalis/core/document';
import { keepTies } from '@marginalis/core/editing';
import type { Mark } from '@marginalis/core/kinds';
import type { MarkId } from '@marginalis/core/marks';
import { type Begun, type InHandPart, NONE, type SessionStore } from './sessionState';

/** The marks that are held, led to, or shown as they would be. */
export class InHand {
  constructor(private readonly store: SessionStore) {}

  private set = (part: Partial<InHandPart>): void => this.store.setState(part);

  /** Takes marks in hand, to be changed; those that are locked stay where they are. None lays down what was there. */
  pick = (ids: Iterable<MarkId>): void => {
    const { document, picked } = this.store.getState();
    const isFree = (mark: Mark | null): boolean => mark !== null && !mark.locked;
    const next = new Set([...ids].filter((id) => isFree(findMark(document, id))));
    if (next.size === 0 && picked.size === 0) return;
    this.set({ picked: next.size === 0 ? NONE : next });
  };

  /** Leads the eye to a mark; null lets go. */
  point = (id: MarkId | null): void => this.set({ pointed: id === null ? null : { id } });

  /** Shows marks as the eraser would take them. */
  doom = (doomed: ReadonlySet<MarkId>): void =>
    this.set({ doomed: doomed.size === 0 ? NONE : doomed });

  /** Something is begun, or ended with null. */
  begin = (begun: Begun | null): void => this.set({ begun });

  /** Ends what is begun, before anything else looks at the document. */
  finishBegun = (): void => this.store.getState().begun?.finish();

  /** Shows what changes would do, over those that are shown already, without doing it; null shows what is. */
  preview = (changes: readonly Change[] | null): void => {
    const { document, draft } = this.store.getState();
    if (!changes && !draft) return;
    const shown = draft ?? document;
    const whole = changes && keepTies(shown, { label: 'Draft', changes });
    const applied = whole && applyTransaction(shown, whole);
    this.set({ draft: applied?.ok ? applied.state : null });
  };

  /** What is in hand once the document is another: what is gone is not held, and nothing is shown as it would be. */
  after(document: DocState): Pick<InHandPart, 'picked' | 'draft'> {
    const { picked } = this.store.getState();
    const still = [...picked].filter((id) => findMark(document, id));
    return { draft: null, picked: still.length === picked.size ? picked : new Set(still) };
  }
}
