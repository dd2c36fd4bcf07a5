import { type FigureKind, READ_KINDS } from '../src/figures/index.ts';

/** Every kind of figure: those that are read, and the one that is only drawn. */
export const FIGURE_KINDS: readonly FigureKind[] = [...READ_KINDS, 'cloud'];
