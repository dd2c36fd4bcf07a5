export { sha256 } from './bytes';
export { keepSource, holdsSource, readSource, dropSource } from './sources';
export {
  type DeskDocument,
  readShelf,
  findDocument,
  keepDocument,
  dropDocument,
  wasSeeded,
  keepSeeded,
} from './shelf';
export { createJournalStore, dropJournal } from './journals';
export {
  type Settings,
  FIRST_NAMING,
  FIRST_SETTINGS,
  readSettings,
  keepSettings,
  readKeptClip,
  keepClip,
} from './settings';
export { type KeptLink, keepLinks, readLinks } from './links';
export { keepSent, readSent, type Sent } from './sent';
export { type KeptPlace, readPlace, keepPlace, dropPlace } from './places';
export { keepMeaning, readMeaning } from './meanings';
export { keepHeadings, type KeptHeadings, readHeadings } from './headings';
export { dropDrawerItem, keepDrawerItems, readDrawerItems, readDrawerPictures } from './drawer';
export { dropFont, keepFont, type KeptFont, readFont, readFonts } from './fonts';
