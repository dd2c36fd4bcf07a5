export { FRAME, framesOn, linksAdded } from './frames.ts';
export { readAddress, type ReadAddress } from './address.ts';
export { type Lead, leadOf } from './leads.ts';
export {
  type FileLink,
  isSameArea,
  linkAt,
  linksOnPage,
  ownLinksOn,
  type PageLink,
  partsOfLink,
} from './pageLinks.ts';
export { wordsUnder } from './wordsUnder.ts';
