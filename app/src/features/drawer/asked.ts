import { createStore } from 'zustand/vanilla';
import type { Spot } from '@/shell';

/** Where what is chosen is to be put, and in what room: points, as the page is seen. Null for the middle of what is in sight, and as large as it is. */
export interface DrawerAsked {
  readonly spot: Spot | null;
  readonly room: { readonly width: number; readonly height: number } | null;
  /** Only signatures are wanted. */
  readonly signs: boolean;
}

export const NOWHERE: DrawerAsked = { spot: null, room: null, signs: false };

export const drawerAsked = createStore<DrawerAsked>(() => NOWHERE);
