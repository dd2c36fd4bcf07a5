import { coveredOn } from '@marginalis/core/derived';
import { marksOn, type Page } from '@marginalis/core/document';
import type { Covered } from '@marginalis/core/kinds';
import { memo, type ReactNode, useLayoutEffect, useRef } from 'react';
import { Area } from '@/ui';
import { NIGHT_FILTER, type PaperLook, SEPIA_TINT } from './look';
import { PagePainter } from './PagePainter';
import type { MarkFeed } from './MarkFeed';
import { paperSourceOf, type SourcePages } from './paperSource';
import { PicturesByNight } from './PicturesByNight';
import { useStage } from './StageContext';

const isSameCovered = (a: readonly Covered[], b: readonly Covered[]): boolean =>
  a.length === b.length &&
  a.every(({ index, state }, k) => index === b[k].index && state === b[k].state);

const layer = { position: 'absolute', inset: 0 } as const;

const sheet = { ...layer, isolation: 'isolate' } as const;
// White of its own: a page that is not drawn yet is dark too.
const night = { ...sheet, background: '#fff', filter: NIGHT_FILTER } as const;
const sepia = {
  ...layer,
  background: SEPIA_TINT,
  mixBlendMode: 'multiply',
  pointerEvents: 'none',
} as const;

/** One page of the stack. React makes its boxes; a painter fills them. What is drawn into it looks after itself. */
export const StagePage = memo(function StagePage(props: {
  page: Page;
  index: number;
  name: string;
  pictures: SourcePages;
  marks: MarkFeed | null;
  look: PaperLook;
  renderOnPage?: (index: number) => ReactNode;
}) {
  const { page, index, name, pictures, marks, look, renderOnPage } = props;
  const { controller, fonts } = useStage();
  const host = useRef<HTMLDivElement>(null);
  const paper = useRef<HTMLDivElement>(null);
  const light = useRef<HTMLDivElement>(null);
  const ink = useRef<HTMLDivElement>(null);

  useLayoutEffect(() => {
    const element = host.current;
    if (!element || !paper.current || !light.current || !ink.current) return undefined;
    const layers = { paper: paper.current, light: light.current, ink: ink.current };
    let covered: readonly Covered[] = [];
    const painter = new PagePainter(
      layers,
      page,
      paperSourceOf(page, pictures, () => covered),
      controller.papers,
      fonts,
      () => {
        element.dataset.drawn = 'yes';
      },
    );
    const follow = (): void => {
      if (!marks) return;
      const onPage = marksOn(marks.getState(), page.id);
      painter.setMarks(onPage, marks.getDoomed());
      const now = [...coveredOn(onPage).values()];
      if (isSameCovered(now, covered)) return;
      covered = now;
      controller.renewPage(page.id);
    };
    follow();
    const unmount = controller.mount(page.id, { element, painter });
    const unfollow = marks?.subscribe(follow);
    return () => {
      unfollow?.();
      unmount();
    };
  }, [controller, fonts, page, marks, pictures]);

  return (
    <Area
      ref={host}
      data-page={index + 1}
      role="group"
      aria-label={`Page ${name}`}
      style={{
        position: 'absolute',
        left: 0,
        top: 0,
        background: '#fff',
        outline: '1px solid rgba(26, 41, 71, 0.25)',
        transformOrigin: '0 0',
        isolation: 'isolate',
      }}
    >
      <Area style={look === 'night' ? night : sheet}>
        <Area ref={paper} data-layer="paper" style={layer} />
        {look === 'night' && <PicturesByNight page={page} pictures={pictures} />}
        <Area ref={light} data-layer="highlights" style={layer} />
        <Area ref={ink} data-layer="ink" style={layer} />
        {look === 'sepia' && <Area style={sepia} />}
      </Area>
      {renderOnPage?.(index)}
    </Area>
  );
});
