import { loadTypesetter, OWN_FACES } from '@marginalis/core/type';
import { create } from 'zustand';
import { dropFont, keepFont, type KeptFont, readFont, readFonts, sha256 } from '@/storage';
import { ownFaces } from '@/work';

/** A larger file is no font that one types with, bytes. */
const LARGEST = 40_000_000;
const LONGEST_NAME = 200;

interface OwnFontsStore {
  readonly fonts: readonly KeptFont[];
  /** When what is kept has been read. */
  ready(): Promise<void>;
  /** Keeps a font file on this device, for signs that no face of the program has. Rejects with a sentence where that cannot be. */
  add(name: string, bytes: Uint8Array): Promise<KeptFont>;
  remove(font: KeptFont): Promise<void>;
}

/** The font files of the person's own. */
export const useOwnFonts = create<OwnFontsStore>((set, get) => {
  let reading: Promise<void> | null = null;
  const become = (fonts: readonly KeptFont[]): void => {
    set({ fonts });
    ownFaces.become(
      fonts.map(({ face }) => face),
      async (name) => {
        const font = get().fonts.find(({ face }) => face === name);
        return font ? readFont(font) : null;
      },
    );
  };
  return {
    fonts: [],
    ready: () =>
      (reading ??= readFonts().then((fonts) => {
        if (fonts.length > 0) become(fonts);
      })),
    async add(name, bytes) {
      await get().ready();
      const { fonts } = get();
      if (bytes.length > LARGEST)
        throw new Error(
          `A font file may have ${LARGEST / 1_000_000} MB at most; this one has more.`,
        );
      const sha = await sha256(bytes);
      const known = fonts.find((font) => font.sha === sha);
      if (known) return known;
      const face = OWN_FACES.find((one) => fonts.every((font) => font.face !== one));
      if (!face)
        throw new Error(
          `${OWN_FACES.length} fonts of your own are kept already: remove one in the settings first.`,
        );
      const { mayEmbed } = (await loadTypesetter()).openOwnFace(face, bytes);
      const font = { face, label: name.slice(0, LONGEST_NAME), sha, mayEmbed };
      await keepFont(fonts, font, bytes);
      become([...fonts, font]);
      return font;
    },
    async remove(font) {
      const { fonts } = get();
      await dropFont(fonts, font);
      become(fonts.filter(({ face }) => face !== font.face));
    },
  };
});
