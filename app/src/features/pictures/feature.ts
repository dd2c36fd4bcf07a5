import { findMark } from '@marginalis/core/document';
import { asGraphic, asPicture } from '@marginalis/core/kinds';
import {
  type Command,
  late,
  type Reader,
  type ReaderFeature,
  type Spot,
  spotInSight,
} from '@/shell';
import { pickFile } from '@/ui';
import { DropPictures } from './DropPictures';
import { ABOUT_PICTURE, PHOTOGRAPH_PAPER } from './ids';

const AboutPicture = late(async () => (await import('./AboutPicture')).AboutPicture);

const PhotographForPage = late(
  async () => (await import('./photographs/PhotographForPage')).PhotographForPage,
);

const ACCEPTED = 'image/jpeg,image/png,image/webp,image/gif,image/svg+xml';

async function put(reader: Reader, files: readonly File[], spot: Spot): Promise<void> {
  const { putPictures } = await import('./putPictures');
  await putPictures(reader, files, spot);
}

async function fromFile(reader: Reader, spot: Spot): Promise<void> {
  const file = await pickFile(ACCEPTED);
  if (file) await put(reader, [file], spot);
}

async function fromCamera(reader: Reader, spot: Spot): Promise<void> {
  const { photograph } = await import('./photograph');
  await photograph(reader, spot);
}

/** Whether one picture is picked, and nothing beside it. */
function isPicturePicked({ session }: Reader): boolean {
  const { document, picked } = session.store.getState();
  const [mark] = [...picked].map((id) => findMark(document, id));
  return picked.size === 1 && (asPicture(mark) ?? asGraphic(mark)) !== null;
}

const commands = (reader: Reader): readonly Command[] => {
  const writable = (): boolean => reader.session.store.getState().writable;
  return [
    {
      id: 'put-picture',
      title: 'Put a picture on the page',
      group: 'Marks',
      also: 'insert image photo photograph file drawing illustration add',
      icon: 'picture',
      forPlace: 'Picture',
      atPlace: ({ index, at }) => void fromFile(reader, { index, at }),
      able: writable,
      run: () => void fromFile(reader, spotInSight(reader)),
      async paste({ pictures }) {
        if (pictures.length === 0) return false;
        await put(reader, pictures, spotInSight(reader));
        return true;
      },
    },
    {
      id: 'photograph',
      title: 'Photograph something for the page',
      group: 'Marks',
      also: 'camera take picture photo snapshot capture',
      icon: 'camera',
      able: writable,
      run: () => void fromCamera(reader, spotInSight(reader)),
    },
    {
      id: PHOTOGRAPH_PAPER,
      title: 'Photograph a sheet of paper for the page',
      group: 'Marks',
      also: 'camera scan scanner document straighten corners shadows whiten',
      icon: 'camera',
      able: writable,
      run: () => reader.shell.openDialog(PHOTOGRAPH_PAPER),
    },
    {
      id: ABOUT_PICTURE,
      title: 'Describe, crop and turn the picture that is picked',
      group: 'Marks',
      also: 'alternative text alt image mirror flip rotate trim',
      icon: 'picture',
      forPicked: 'Picture',
      forDoubleTap: true,
      able: () => writable() && isPicturePicked(reader),
      run: () => reader.shell.openDialog(ABOUT_PICTURE),
    },
  ];
};

/** Photographs, drawings and other pictures on the page. */
export const picturesFeature: ReaderFeature = {
  name: 'pictures',
  commands,
  Over: DropPictures,
  dialogs: [
    { id: ABOUT_PICTURE, Content: AboutPicture },
    { id: PHOTOGRAPH_PAPER, Content: PhotographForPage },
  ],
};
