import { type PictureHead, PictureRefusal } from '@marginalis/core/pictures';

/**
 * Draws an SVG as a picture of so many pixels. As a picture it runs no script and fetches nothing, by the browser's own rules.
 * @throws PictureRefusal when the browser cannot draw it
 */
export async function drawSvg(
  svg: Uint8Array,
  name: string,
  { width, height }: { readonly width: number; readonly height: number },
): Promise<{ readonly bytes: Uint8Array; readonly head: PictureHead }> {
  const url = URL.createObjectURL(
    new Blob([svg as Uint8Array<ArrayBuffer>], { type: 'image/svg+xml' }),
  );
  try {
    const image = new Image(width, height);
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = width;
    canvas.height = height;
    const context = canvas.getContext('2d');
    if (!context) throw new Error('The browser has no room for the picture just now.');
    context.drawImage(image, 0, 0, width, height);
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
    if (!blob) throw new Error('The browser made no picture.');
    const bytes = new Uint8Array(await blob.arrayBuffer());
    return { bytes, head: { format: 'png', width, height, orientation: 1 } };
  } catch (e) {
    throw new PictureRefusal('no-picture', `“${name}” is damaged and cannot be drawn.`, {
      cause: e,
    });
  } finally {
    URL.revokeObjectURL(url);
  }
}
