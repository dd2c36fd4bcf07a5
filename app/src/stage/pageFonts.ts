import { ownFaces, readFaceFile } from '@/work';
import { LoadedFonts } from './LoadedFonts';

/** The faces that text on pages is set in, for every stage and picture: files that never change, each loaded once. */
export const pageFonts = new LoadedFonts(readFaceFile, undefined, () => ownFaces.names);
ownFaces.subscribe(pageFonts.renewOwn);
