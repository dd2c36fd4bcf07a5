import { View } from 'react-native';
import { SwitchRow } from './SwitchRow';

/** Several things that are on or off, each by its name. */
export function SwitchRows<Name extends string>(props: {
  rows: readonly (readonly [name: Name, label: string])[];
  values: Readonly<Record<Name, boolean>>;
  onChange: (part: Partial<Record<Name, boolean>>) => void;
}) {
  const { rows, values, onChange } = props;
  return (
    <View>
      {rows.map(([name, label]) => (
        <SwitchRow
          key={name}
          label={label}
          on={values[name]}
          onChange={(on) => onChange({ [name]: on } as Partial<Record<Name, boolean>>)}
        />
      ))}
    </View>
  );
}
