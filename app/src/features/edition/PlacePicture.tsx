import { boundsOf } from '@marginalis/core/derived';
import type { Page } from '@marginalis/core/document';
import { type Box, boxCentre, boxHeight, boxWidth, uniteBoxes } from '@marginalis/core/geometry';
import type { Mark } from '@marginalis/core/kinds';
import { useMemo } from 'react';
import { View } from 'react-native';
import { PagePreview } from '@/shell';

/** So much of a page is seen around marks at least, points. */
const LEAST = { width: 190, height: 108 };
const AROUND = 18;

/** The part of a page where marks lie, with these alone on it. */
export function PlacePicture(props: {
  name: string;
  page: Page;
  marks: readonly Mark[];
  label: string;
  width: number;
  height: number;
}) {
  const { name, page, marks, label, width, height } = props;
  const seen = useMemo(() => {
    const area = around(page, marks, width / height);
    return {
      page: { ...page, id: name, box: area, crop: area },
      marks: new Map(marks.map((mark) => [mark.id, mark])),
    };
  }, [name, page, marks, width, height]);
  return (
    <View role="img" aria-label={label}>
      <PagePreview page={seen.page} marks={seen.marks} width={width} tallest={height} />
    </View>
  );
}

/** An area of the page with the marks in its middle, of the shape that is wanted. */
function around({ sheet, rotate }: Page, marks: readonly Mark[], shape: number): Box {
  const b = marks.map(boundsOf).reduce(uniteBoxes);
  const isAcross = rotate === 90 || rotate === 270;
  const aspect = isAcross ? 1 / shape : shape;
  let [w, h] = [
    Math.max(boxWidth(b) + 2 * AROUND, isAcross ? LEAST.height : LEAST.width),
    Math.max(boxHeight(b) + 2 * AROUND, isAcross ? LEAST.width : LEAST.height),
  ];
  if (w / h < aspect) w = h * aspect;
  else h = w / aspect;
  const { x, y } = boxCentre(b);
  const low = (middle: number, size: number, min: number, max: number): number =>
    Math.max(min, Math.min(max - size, middle - size / 2));
  const [left, foot] = [low(x, w, sheet.minX, sheet.maxX), low(y, h, sheet.minY, sheet.maxY)];
  return { minX: left, minY: foot, maxX: left + w, maxY: foot + h };
}
