import { type ReactNode, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { Area } from '@/ui';
import { attachPointers } from './pointers';
import type { MarkFeed } from './MarkFeed';
import type { SourcePages } from './paperSource';
import { StagePage } from './StagePage';
import { useSight, useStage } from './StageContext';
import type { HeldStage } from './StageProvider';

/** Pages kept ready on either side of those seen. */
const SPARE = 1;

const numberOf = (index: number): string => String(index + 1);

/** The window onto the page stack. Pages are mounted only near where they are seen. */
export function Stage(props: {
  pictures: SourcePages;
  marks: MarkFeed | null;
  label: string;
  /** What a page, from 0, is called; its number without. */
  nameOf?: (index: number) => string;
  /** Drawn into page `index`, stretching with it. */
  renderOnPage?: (index: number) => ReactNode;
  children?: ReactNode;
}) {
  const { pictures, marks, label, nameOf = numberOf, renderOnPage, children } = props;
  const hold = useStage() as HeldStage;
  const { controller } = hold;
  const { first, last, reaching, look, pages } = useSight();
  const element = useRef<HTMLDivElement>(null);
  const [measured, setMeasured] = useState(false);

  useLayoutEffect(() => {
    const host = element.current;
    if (!host) return undefined;
    const detach = controller.attach(host);
    const measure = (): void => {
      controller.resize(host.clientWidth, host.clientHeight);
      setMeasured(host.clientWidth > 0);
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(host);
    return () => {
      observer.disconnect();
      detach();
    };
  }, [controller]);

  useEffect(() => {
    if (!element.current) return undefined;
    const contacts = attachPointers(element.current, controller, hold.getWriter, hold.device);
    const letGo = hold.holdContacts(contacts);
    return () => {
      letGo();
      contacts.detach();
    };
  }, [controller, hold]);

  const from = Math.max(0, first - SPARE);
  const to = Math.min(pages.length - 1, last + SPARE);
  const near = measured ? Array.from({ length: to - from + 1 }, (_, i) => from + i) : [];
  // What is typed there would be lost to a page that goes.
  const shown = reaching < 0 || near.includes(reaching) ? near : [...near, reaching];
  return (
    <Area
      ref={element}
      className="stage"
      data-testid="stage"
      role="region"
      aria-label={label}
      tabIndex={0}
      style={{
        position: 'absolute',
        inset: 0,
        // What lies in pages stays beneath sheets and menus.
        zIndex: 0,
        overflow: 'hidden',
        touchAction: 'none',
        userSelect: 'none',
        outlineOffset: -3,
      }}
    >
      {shown.map((index) => (
        <StagePage
          key={pages[index].id}
          page={pages[index]}
          index={index}
          name={nameOf(index)}
          pictures={pictures}
          look={look}
          marks={marks}
          renderOnPage={renderOnPage}
        />
      ))}
      {children}
    </Area>
  );
}
