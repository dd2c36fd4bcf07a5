import type { PageId } from '@marginalis/core/marks';
import { usePageNames, useSessionState } from '@/session';
import { PagesField } from '@/shell';
import { MenuButton, MenuItems, type MenuWay } from '@/ui';

/** Pages chosen by what they are called, or many at once. */
export function ChoosePages({ onChoose }: { onChoose: (ids: readonly PageId[]) => void }) {
  const nameOf = usePageNames();
  const pages = useSessionState((s) => s.document.pages);
  const every = (isWanted: (index: number) => boolean): void =>
    onChoose(pages.filter((_, index) => isWanted(index)).map(({ id }) => id));
  const ways: readonly MenuWay[] = [
    { title: 'All pages', icon: 'pages', run: () => every(() => true) },
    { title: 'Odd pages', icon: 'pages', run: () => every((index) => index % 2 === 0) },
    { title: 'Even pages', icon: 'pages', run: () => every((index) => index % 2 === 1) },
    { title: 'None', icon: 'close', run: () => onChoose([]) },
  ];
  return (
    <PagesField
      label="Choose pages"
      names={pages.map((_, index) => nameOf(index))}
      onPages={(indices) => onChoose(indices.map((index) => pages[index].id))}
    >
      <MenuButton icon="list" label="Choose many">
        {(close) => <MenuItems ways={ways} close={close} />}
      </MenuButton>
    </PagesField>
  );
}
