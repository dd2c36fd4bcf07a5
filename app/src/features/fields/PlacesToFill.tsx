import type { Page } from '@marginalis/core/document';
import type { FieldPlace } from '@marginalis/core/fields';
import { PlaceToFill } from './PlaceToFill';

/** The places of a page that can be filled in, in the order of Tab. */
export function PlacesToFill(props: {
  index: number;
  page: Page;
  source: string;
  places: readonly FieldPlace[];
  /** The names of fields that may be out of date. */
  stale: ReadonlySet<string>;
}) {
  const { index, page, source, places, stale } = props;
  return places.map((place) => (
    <PlaceToFill
      key={place.widget.index}
      index={index}
      place={{ ...place, page, source }}
      isStale={stale.has(place.field.name)}
    />
  ));
}
