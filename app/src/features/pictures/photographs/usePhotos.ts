import type { PagePicture } from '@marginalis/core/pdf';
import { PictureRefusal } from '@marginalis/core/pictures';
import { useEffect, useRef, useState } from 'react';
import { letGo, makePage, type MadePage, type Photo, readPhoto } from './photo';

/** Photographs of sheets, one of which is looked at. */
export function usePhotos() {
  const [photos, setPhotos] = useState<readonly Photo[]>([]);
  const [shownId, show] = useState<string | null>(null);
  const [waits, setWaits] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const held = useRef({ photos, isGone: false });
  useEffect(() => {
    held.current.photos = photos;
  }, [photos]);
  useEffect(() => {
    const now = held.current;
    now.isGone = false;
    return () => {
      now.isGone = true;
      now.photos.forEach(letGo);
    };
  }, []);

  /** Does something that takes a while; what cannot be done is told. */
  const during = async (work: () => Promise<void>): Promise<void> => {
    setTrouble(null);
    setWaits(true);
    try {
      await work();
    } catch (e) {
      if (!(e instanceof PictureRefusal)) throw e;
      setTrouble(e.message);
    } finally {
      setWaits(false);
    }
  };
  const change = (id: string, part: Partial<Photo>): void =>
    setPhotos((all) => all.map((one) => (one.id === id ? { ...one, ...part } : one)));
  const keepMade = async (photo: Photo): Promise<MadePage> => {
    const made = await makePage(photo);
    change(photo.id, { made });
    return made;
  };
  const unmake = (photo: Photo, part: Partial<Photo> = {}): void => {
    if (photo.made) URL.revokeObjectURL(photo.made.address);
    change(photo.id, { ...part, made: null });
  };
  return {
    photos,
    shown: photos.find(({ id }) => id === shownId) ?? photos.at(-1) ?? null,
    show,
    waits,
    trouble,
    /** Other corners, or light left as it is: what was made of it is made anew. */
    correct: unmake,
    toCorners: (photo: Photo): void => unmake(photo),
    straighten: (photo: Photo): Promise<void> => during(async () => void (await keepMade(photo))),
    /** What is no photograph is told, and the others come nevertheless. */
    add: (take: () => Promise<readonly File[]>): Promise<void> =>
      during(async () => {
        const refused: PictureRefusal[] = [];
        for (const file of await take())
          try {
            const photo = await readPhoto(file);
            if (held.current.isGone) return letGo(photo);
            setPhotos((all) => [...all, photo]);
            show(photo.id);
          } catch (e) {
            if (!(e instanceof PictureRefusal)) throw e;
            refused.push(e);
          }
        if (refused.length > 0) throw refused[0];
      }),
    remove(photo: Photo): void {
      letGo(photo);
      setPhotos((all) => all.filter(({ id }) => id !== photo.id));
    },
    /** Hands all of them on as pages. */
    finish: (use: (pages: readonly PagePicture[]) => Promise<void>): Promise<void> =>
      during(async () => {
        const pages: PagePicture[] = [];
        for (const photo of photos) pages.push((photo.made ?? (await keepMade(photo))).page);
        await use(pages);
      }),
  };
}
