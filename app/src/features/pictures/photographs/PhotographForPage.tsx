import type { PagePicture } from '@marginalis/core/pdf';
import { spotInSight, useReader } from '@/shell';
import { putPictures } from '../putPictures';
import { PhotographSheet } from './PhotographSheet';

/** Puts photographed sheets on the page as pictures. */
export function PhotographForPage({ onClose }: { onClose: () => void }) {
  const reader = useReader();
  const put = async (pages: readonly PagePicture[]): Promise<void> => {
    onClose();
    const files = pages.map(({ bytes }, k) => {
      const name = `Photographed sheet ${k + 1}.jpg`;
      return new File([bytes as Uint8Array<ArrayBuffer>], name, { type: 'image/jpeg' });
    });
    await putPictures(reader, files, spotInSight(reader));
  };
  return (
    <PhotographSheet
      done={(count) => (count === 1 ? 'Put it on the page' : `Put ${count} on the page`)}
      onPages={put}
      onClose={onClose}
    />
  );
}
