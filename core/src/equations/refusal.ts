/** Where in the TeX something is wrong, in units of its text. */
export interface TexPlace {
  readonly from: number;
  readonly to: number;
}

/** Thrown when an equation cannot be set; the message is for people. */
export class EquationRefusal extends Error {
  override readonly name = 'EquationRefusal';

  constructor(
    message: string,
    /** Null where no one place is wrong. */
    readonly place: TexPlace | null = null,
  ) {
    super(message);
  }

  at(place: TexPlace | null): EquationRefusal {
    return new EquationRefusal(this.message, place);
  }
}
