import { createContext, type ReactNode } from 'react';

/** Puts around a sheet's content what stands around the sheet: sheets are shown elsewhere in the tree. */
export const CarryContext = createContext<(children: ReactNode) => ReactNode>(
  (children) => children,
);
