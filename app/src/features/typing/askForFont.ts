import { useOwnFonts } from '@/session';
import { pickFile } from '@/ui';

/** Asks for a font file and keeps it on this device. Gives what came of it as a sentence; null when no file was chosen. */
export async function askForFont(): Promise<string | null> {
  const file = await pickFile('.ttf,.otf,font/ttf,font/otf');
  if (!file) return null;
  try {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const { label, mayEmbed } = await useOwnFonts.getState().add(file.name, bytes);
    return mayEmbed
      ? `“${label}” is kept on this device: it is used for signs that no face of the program has, and goes into copies with them.`
      : `“${label}” is kept on this device and used on the page. Its licence does not let it into copies: there empty boxes stand for its signs.`;
  } catch (e) {
    return e instanceof Error ? e.message : String(e);
  }
}
