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
  type KeptLink,
  FIRST_SETTINGS,
  readSettings,
  keepSettings,
  readLinks,
  keepLinks,
  readKeptClip,
  keepClip,
} from './settings';
export { type KeptPlace, readPlace, keepPlace, dropPlace } from './places';
export { keepMeaning, readMeaning } from './meanings';
export { keepHeadings, type KeptHeadings, readHeadings } from './headings';
export { dropFont, keepFont, type KeptFont, readFont, readFonts } from './fonts';
