import { boxOfPoints, thenMatrix, unitCorners } from '../../geometry/index.ts';
import { widened } from '../../marks/index.ts';
import type { Kind } from '../kind.ts';
import type { PictureMark } from './mark.ts';
import { pictureOfSketch } from './ofSketch.ts';
import { fromPictureRecord, toPictureRecord } from './record.ts';

const corners = ({ place }: PictureMark) => unitCorners(place);
const bounds = (mark: PictureMark) => boxOfPoints(corners(mark));

export const PICTURE: Kind<PictureMark> = {
  name: 'picture',
  sorts: { picture: 'Pictures' },
  toRecord: toPictureRecord,
  fromRecord: fromPictureRecord,
  plane: () => 'over',
  draw: ({ source, place, style, says }) => [
    { is: 'picture', source, place, opacity: style.opacity, ...(says ? { says } : {}) },
  ],
  bounds,
  roughBounds: bounds,
  areas: (mark) => [corners(mark)],
  edge: corners,
  // Ink on a photograph is rubbed out every now and then; the photograph is to stay.
  unrubbed: true,
  carry: (mark, by, { widthFollows = false }) => ({
    ...mark,
    style: widthFollows ? widened(mark.style, by) : mark.style,
    place: thenMatrix(mark.place, by),
  }),
  look: ({ style }) => ({ style, inkless: true }),
  restyle: (mark, { style }) => ({ ...mark, style: { ...mark.style, ...style } }),
  words: ({ says }) => ({ name: 'Picture', text: says, sort: 'picture' }),
  annotation: ({ source, place, says }) => ({
    subtype: 'Stamp',
    says,
    picture: { source, place },
  }),
  ofAnnotation: pictureOfSketch,
  attachments: ({ source }) => [source],
};
