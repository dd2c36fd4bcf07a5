import { Choices } from '@/ui';

/** Whether something is done to the pages that are asked about, or to all. */
export function OnPages(props: {
  /** How many are asked about. */
  count: number;
  on: 'these' | 'all';
  onChange: (on: 'these' | 'all') => void;
}) {
  const { count, on, onChange } = props;
  return (
    <Choices
      label="On"
      value={on}
      onChange={onChange}
      choices={[
        { value: 'these', label: count === 1 ? 'This page' : `These ${count} pages` },
        { value: 'all', label: 'All pages' },
      ]}
    />
  );
}
