import type { Panel, Reader, ReaderFeature } from './feature';

/** The panels by which one finds one's way, in their order. */
export const waysOf = (features: readonly ReaderFeature[]): readonly Panel[] =>
  features
    .flatMap(({ panels = [] }) => panels)
    .filter(({ way }) => way)
    .sort((a, b) => (a.way?.order ?? 0) - (b.way?.order ?? 0));

/** Opens the way that was taken last, or closes it. */
export function toggleWay({ shell }: Pick<Reader, 'shell'>, ways: readonly Panel[]): void {
  const open = ways.find(({ id }) => shell.isOpen(id));
  if (open) return shell.closePanel(open.side);
  const { opened } = shell.store.getState();
  const way = ways.find(({ id }) => id === opened) ?? ways[0];
  if (way) shell.openPanel(way.side, way.id);
}
