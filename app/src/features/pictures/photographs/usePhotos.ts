import { PictureRefusal } from '@marginalis/core/pictures';
import { useEffect, useRef, useState } from 'react';
import { letGo, makePage, type Photo, readPhoto } from './photo';

/** Photographs of sheets, one of which is looked at. */
export function usePhotos() {
  const [photos, setPhotos] = useState<readonly Photo[]>([]);
  const [shownId, show] = useState<string | null>(null);
  const [waits, setWaits] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const last = useRef(photos);
  useEffect(() => {
    last.current = photos;
  }, [photos]);
  useEffect(() => () => last.current.forEach(letGo), []);

  /** Does something that takes a while; what cannot be done is told. */
  const during = async <T>(work: () => Promise<T>): Promise<T | null> => {
    setWaits(true);
    try {
      return await work();
    } catch (e) {
      if (!(e instanceof PictureRefusal)) throw e;
      setTrouble(e.message);
      return null;
    } finally {
      setWaits(false);
    }
  };
  const change = (id: string, part: Partial<Photo>): void =>
    setPhotos((all) =>
      all.map((one) => {
        if (one.id !== id) return one;
        // What is made of it is made anew.
        if (!part.made && one.made) URL.revokeObjectURL(one.made.address);
        return { ...one, made: null, ...part };
      }),
    );
  const straighten = async (photo: Photo): Promise<Photo | null> => {
    const made = await during(() => makePage(photo));
    if (!made) return null;
    change(photo.id, { made });
    return { ...photo, made };
  };
  return {
    photos,
    shown: photos.find(({ id }) => id === shownId) ?? photos.at(-1) ?? null,
    show,
    waits,
    trouble,
    change,
    straighten,
    async add(files: readonly File[]): Promise<void> {
      setTrouble(null);
      for (const file of files) {
        const photo = await during(() => readPhoto(file));
        if (!photo) continue;
        setPhotos((all) => [...all, photo]);
        show(photo.id);
      }
    },
    remove(photo: Photo): void {
      letGo(photo);
      setPhotos((all) => all.filter(({ id }) => id !== photo.id));
    },
    /** All of them as pages; null where one cannot be made. */
    async pages(): Promise<readonly NonNullable<Photo['made']>['page'][] | null> {
      const pages: NonNullable<Photo['made']>['page'][] = [];
      for (const photo of photos) {
        const done = photo.made ? photo : await straighten(photo);
        if (!done?.made) return null;
        pages.push(done.made.page);
      }
      return pages;
    },
  };
}
