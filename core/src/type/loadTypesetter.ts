import type * as typesetter from './typesetter.ts';

/** What opens faces and sets text. The libraries it needs are large, so that it is loaded when the first text is. */
export type Typesetter = typeof typesetter;

export const loadTypesetter = (): Promise<Typesetter> => import('./typesetter.ts');
