import type { ReaderFeature } from '@/shell';
import { LinksOnPage } from './LinksOnPage';
import { WayOut } from './WayOut';

/** The links of the file. */
export const linksFeature: ReaderFeature = {
  name: 'links',
  OnPage: LinksOnPage,
  Over: WayOut,
};
