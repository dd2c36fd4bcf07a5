import type { Transaction } from '@marginalis/core/document';
import {
  backToInk,
  changeFigure,
  type FoundFigure,
  offerScratch,
  offerTidy,
  takeScratch,
  tidyMarks,
} from '@marginalis/core/editing';
import type { Figure, Printed, SettleManners } from '@marginalis/core/figures';
import type { MarkId, Tidy } from '@marginalis/core/marks';
import { NONE, type SessionState, type SessionStore } from './sessionState';

/** What is asked beside the ink: whether it is a figure, whether it strikes out what lies beneath. */
export class Offers {
  constructor(
    private readonly store: SessionStore,
    private readonly dispatch: (transaction: Transaction | null) => boolean,
  ) {}

  /** Looks whether new ink is a figure, unless that has been found out, and by the pen's manner asks or takes it. */
  considerTidy = (
    id: MarkId,
    tidy: Tidy,
    manners: SettleManners,
    figure?: FoundFigure | null,
    printed?: Printed,
  ): void => {
    if (tidy === 'never') return this.considerScratch(id);
    const document = this.store.getState().document;
    const found = offerTidy(document, id, { ...manners, tidy }, figure, printed);
    if (!found) return this.considerScratch(id);
    const taken =
      tidy === 'always' && this.dispatch(tidyMarks(document, found.marks, found.figure));
    this.store.setState({ offer: { ...found, taken: taken ? id : null } });
  };

  /** Looks whether new ink strikes out what lies beneath, and asks. */
  private considerScratch(id: MarkId): void {
    const scratch = offerScratch(this.store.getState().document, id);
    if (scratch)
      this.store.setState({ scratch, doomed: new Set([...scratch.marks, scratch.stroke]) });
  }

  /** Takes what is offered: the figure, or another reading of the same ink; or strikes out. */
  take = (figure?: Figure): void => {
    const { offer, scratch, document } = this.store.getState();
    if (!offer) {
      if (scratch) this.dispatch(takeScratch(document, scratch));
      return;
    }
    const { taken, marks } = offer;
    const last = marks[marks.length - 1];
    const done = this.dispatch(
      taken === null
        ? tidyMarks(document, marks, figure ?? offer.figure)
        : figure
          ? changeFigure(document, taken, { figure })
          : backToInk(document, taken),
    );
    const isFigure = taken === null || figure !== undefined;
    this.store.setState({ offer: null, picked: done && isFigure ? new Set([last]) : NONE });
  };

  dismiss = (): void => {
    const { offer, scratch } = this.store.getState();
    if (offer || scratch) this.store.setState(this.none());
  };

  /** What is so when nothing is offered any more. */
  none(): Partial<SessionState> {
    return {
      offer: null,
      ...(this.store.getState().scratch ? { scratch: null, doomed: NONE } : {}),
    };
  }
}
