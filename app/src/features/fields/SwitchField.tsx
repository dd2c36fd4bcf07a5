import { useReader } from '@/shell';
import { PlainInput } from '@/ui';
import { elementId, fill } from './placeOnPage';
import { bringNear, type HeldField, inPlace, leadsOn } from './heldField';

/** A box to tick, or one of several of which one is on. */
export function SwitchField(held: HeldField) {
  const { index, place, mark, setHeld, told } = held;
  const { field, widget, page } = place;
  const reader = useReader();
  const isOn = mark ? mark.value.length > 0 : widget.isOn;
  const isRadio = field.sort === 'radio';
  const change = (on: boolean): void => {
    if (widget.state === null) return;
    fill(reader, place, on ? [widget.state] : []);
  };
  return (
    <PlainInput
      id={elementId(place)}
      type={isRadio ? 'radio' : 'checkbox'}
      name={isRadio ? `${page.id} ${field.name}` : undefined}
      aria-label={
        isRadio || field.widgets.length > 1 ? `${field.label}: ${widget.says}` : field.label
      }
      aria-description={told ?? undefined}
      required={field.required}
      checked={isOn}
      onChange={(e) => change(e.target.checked)}
      onClick={() => {
        // One that is on is switched off by a second press, unless the form says that one stays on.
        if (isRadio && isOn && !field.staysOn) change(false);
      }}
      onKeyDown={(e) => leadsOn(e, reader, held)}
      onFocus={() => {
        setHeld(true);
        bringNear(reader, index, place);
      }}
      onBlur={() => setHeld(false)}
      style={{ ...inPlace(false), cursor: 'pointer' }}
    />
  );
}
