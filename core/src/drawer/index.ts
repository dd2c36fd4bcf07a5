export {
  DRAWER_SORTS,
  type DrawerItem,
  type DrawerSort,
  fromItemRecord,
  LONGEST_ITEM_NAME,
  LONGEST_STAMP,
  toItemRecord,
} from './item.ts';
export { type NewItem, putIn } from './putIn.ts';
export { takeOut, type TakenOut } from './takeOut.ts';
export { type DrawerSearch, foldersOf, orderBeside, searchDrawer } from './search.ts';
export {
  DrawerFileError,
  LARGEST_DRAWER,
  type ReadDrawer,
  readDrawer,
  writeDrawer,
} from './file.ts';
