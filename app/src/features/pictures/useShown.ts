import { distance, type Matrix, plainPage, unitCorners } from '@marginalis/core/geometry';
import { asGraphic, asPicture, type GraphicMark, type PictureMark } from '@marginalis/core/kinds';
import { useEffect, useState } from 'react';
import { useSession } from '@/session';
import { pagePictures, previewOf } from '@/stage';

/** A picture by itself, upright. */
export interface Shown {
  readonly address: string;
  readonly name: string;
  /** Its width by its height. */
  readonly aspect: number;
}

/** What a picture shows by itself, for a frame around a part of it; null while it is not at hand. */
export function useShown(mark: PictureMark | GraphicMark): Shown | null {
  const session = useSession();
  const graphic = asGraphic(mark);
  const drawn = useDrawn(graphic);
  const source = asPicture(mark)?.source;
  if (source === undefined) return drawn;
  const attachment = session.store.getState().document.attachments.get(source);
  const address = pagePictures.address(source);
  return attachment && address !== null
    ? { address, name: attachment.name, aspect: attachment.width / attachment.height }
    : null;
}

/** A graphic as it was before it was turned, as a picture. */
function useDrawn(mark: GraphicMark | null): Shown | null {
  const [shown, setShown] = useState<Shown | null>(null);
  useEffect(() => {
    if (!mark) return;
    let wanted = true;
    const [upperLeft, upperRight, , lowerLeft] = unitCorners(mark.place);
    const width = Math.max(1, distance(upperLeft, upperRight));
    const height = Math.max(1, distance(upperLeft, lowerLeft));
    const place: Matrix = [width, 0, 0, height, 0, 0];
    const upright = { ...mark, place };
    const name = 'Graphic';
    void previewOf([upright], plainPage(width, height)).then((address) => {
      if (wanted && address) setShown({ address, name, aspect: width / height });
    });
    return () => {
      wanted = false;
    };
  }, [mark]);
  return shown;
}
