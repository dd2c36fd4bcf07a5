import { filledOn } from '@marginalis/core/fields';
import { marksOn } from '@marginalis/core/document';
import { memo, useState } from 'react';
import { useSessionState } from '@/session';
import { useReader } from '@/shell';
import { NIGHT_FILTER, useLook, useSight } from '@/stage';
import { Area } from '@/ui';
import { ChoiceField } from './ChoiceField';
import type { PlaceOnPage } from './placeOnPage';
import { placeCss } from './placeCss';
import { SwitchField } from './SwitchField';
import { TextField } from './TextField';
import { Told } from './Told';

const STALE = 'Check this: forms are not worked out here.';
/** What says so while nobody is at the field. */
const STALE_TAG = 'Check';

/** On paper, whatever the theme: what can be filled in, and what the form wants. */
const INK = '#1f3361';
const WANTED = '#a8281a';
/** Beside a field that is as wide as the window, CSS pixels. */
const BESIDE = 24;

interface PlaceProps {
  readonly index: number;
  readonly place: PlaceOnPage;
  readonly isStale: boolean;
}

/** One place of a form: a line shows that something can be filled in there, and the field itself while it has the keyboard. */
export const PlaceToFill = memo(function PlaceToFill({ index, place, isStale }: PlaceProps) {
  const { page, field, widget } = place;
  const { zoom } = useSight();
  const look = useLook();
  const { stage } = useReader();
  const mark = useSessionState(
    ({ document }) => filledOn(marksOn(document, page.id)).get(widget.index) ?? null,
  );
  const [isHeld, setHeld] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const { css, width, isUpright } = placeCss(page, widget);
  const told = problem ?? (isStale ? STALE : null);
  const shared = { index, place, mark, isHeld, setHeld, setProblem, told };
  const isMissed = field.required && (mark ? mark.value : field.value).length === 0;
  const line = isMissed ? WANTED : INK;
  // What one writes in stays within the window; what comes of it is as wide as the form has it.
  const widest = stage.getView().width - 2 * BESIDE;
  const isWider = isHeld && isUpright && width * zoom > widest;
  return (
    <>
      <Area
        data-field={field.name}
        data-control={isHeld ? true : undefined}
        style={{
          ...{ '--point': `${zoom}px` },
          ...css,
          ...(isWider ? { width: widest } : {}),
          // As its page is by night.
          ...(look === 'night' ? { filter: NIGHT_FILTER } : {}),
          boxSizing: 'border-box',
          pointerEvents: isHeld ? 'auto' : 'none',
          background: isHeld ? undefined : `${INK}14`,
          boxShadow: isHeld ? `0 0 0 2px ${INK}` : `inset 0 -1.5px 0 ${line}`,
          zIndex: isHeld ? 3 : 1,
        }}
      >
        {widget.state !== null ? (
          <SwitchField {...shared} />
        ) : field.sort === 'choice' ? (
          <ChoiceField {...shared} />
        ) : (
          <TextField {...shared} />
        )}
      </Area>
      {told && (
        <Told
          page={page}
          widget={widget}
          text={problem || isHeld ? told : STALE_TAG}
          isProblem={problem !== null}
        />
      )}
    </>
  );
}, isSamePlace);

/** The list of places is made anew with every page that changes; the places are the same. */
function isSamePlace(a: PlaceProps, b: PlaceProps): boolean {
  return (
    a.index === b.index &&
    a.isStale === b.isStale &&
    a.place.page === b.place.page &&
    a.place.field === b.place.field &&
    a.place.widget === b.place.widget
  );
}
