import { findMark, type Transaction } from '@marginalis/core/document';
import { removeMarks } from '@marginalis/core/editing';
import type { MarkId } from '@marginalis/core/marks';
import type { Hints } from './hints';
import { fingersWrite, useSettings } from './settings';
import type { SessionStore } from './sessionState';

/** Learns of pens and fingers for this device, and remembers what fingers wrote while they were taken for pens. */
export class Fingers {
  private readonly wrote: MarkId[] = [];

  constructor(
    private readonly hints: Hints,
    private readonly store: () => SessionStore,
    private readonly dispatch: (transaction: Transaction | null) => boolean,
  ) {}

  fingersWrite = (): boolean => fingersWrite(useSettings.getState());

  /** A finger made this mark. */
  noteWrote = (id: MarkId): void => {
    this.wrote.push(id);
  };

  /** The first pen on this device: fingers that wrote until now may have been palms. */
  seePen = (): void => {
    const { penSeen, fingers, seePen, setFingers } = useSettings.getState();
    if (penSeen) return;
    seePen();
    this.hints.know('two-fingers');
    if (fingers !== 'found' || this.wrote.length === 0) return;
    this.hints.teach({
      id: 'pen-came',
      text: 'A pen is here: from now on it writes, and a finger moves the paper.',
      ways: [
        { label: 'Take back what the finger wrote', run: this.takeBack },
        { label: 'Let fingers write too', run: () => setFingers('write') },
      ],
    });
  };

  seeTwo = (): void =>
    this.hints.teach({
      id: 'two-fingers',
      text: 'One finger writes; two move the paper and zoom.',
    });

  /** Removes what fingers wrote since the document was opened, as one step. */
  private takeBack = (): void => {
    const { document } = this.store().getState();
    const there = this.wrote.filter((id) => findMark(document, id));
    if (there.length > 0) this.dispatch(removeMarks(document, there));
    this.wrote.length = 0;
  };
}
