import { problemWith } from '@marginalis/core/fields';
import { letterSize, placeOfWidget } from '@marginalis/core/kinds';
import { useReader } from '@/shell';
import { familiesOf, useSight } from '@/stage';
import { PlainInput, PlainSelect, Suggestions } from '@/ui';
import { elementId, fill } from './placeOnPage';
import { bringNear, type HeldField, inPlace, leadsOn } from './heldField';

/** One or several of what a field offers; where the form lets, something else. */
export function ChoiceField(held: HeldField) {
  const { index, place, mark, isHeld, setHeld, setProblem, told } = held;
  const { field, widget } = place;
  const reader = useReader();
  const { zoom } = useSight();
  const value = mark?.value ?? field.value;
  const { letters, frame, colour } = widget;
  const { height } = placeOfWidget(widget);
  const size = letters ? letterSize(letters, height) * zoom : 12;
  const look = letters && { ...letters, underline: false, colour, size };
  const shared = {
    id: elementId(place),
    'aria-label': field.label,
    'aria-description': told ?? undefined,
    required: field.required,
    onFocus: () => {
      setHeld(true);
      bringNear(reader, index, place);
    },
    style: {
      ...inPlace(isHeld),
      background: frame.ground ?? '#ffffff',
      color: colour,
      fontSize: size,
      ...(look ? { fontFamily: familiesOf(look) } : {}),
    },
  };
  if (field.free) {
    const said = field.choices.find((one) => one.value === value[0])?.says ?? value[0] ?? '';
    const take = (text: string): void => {
      const chosen = field.choices.find((one) => one.says === text)?.value ?? text;
      fill(reader, place, chosen === '' ? [] : [chosen]);
    };
    return (
      <>
        <PlainInput
          {...shared}
          key={said}
          type="text"
          list={`${shared.id}-choices`}
          defaultValue={said}
          onKeyDown={(e) => {
            if (!leadsOn(e, reader, held) && e.key === 'Enter') take(e.currentTarget.value);
          }}
          onBlur={(e) => {
            take(e.target.value);
            setHeld(false);
          }}
        />
        <Suggestions id={`${shared.id}-choices`} choices={field.choices} />
      </>
    );
  }
  const none = field.several ? [] : [{ value: '', says: '' }];
  return (
    <PlainSelect
      {...shared}
      multiple={field.several}
      value={field.several ? [...value] : (value[0] ?? '')}
      choices={[...none, ...field.choices]}
      onChange={(e) => {
        const chosen = [...e.target.selectedOptions].map((one) => one.value).filter(Boolean);
        const problem = problemWith(field, chosen);
        setProblem(problem);
        if (!problem) fill(reader, place, chosen);
      }}
      onKeyDown={(e) => leadsOn(e, reader, held)}
      onBlur={() => {
        setHeld(false);
        setProblem(null);
      }}
    />
  );
}
