import { createPortal } from 'react-dom';

/** What is printed in the place of the screen: the pages, one on a sheet. */
export const PRINTED = 'printed-pages';
const INSTEAD = 'printed-instead';

const CSS = `
.${PRINTED}, .${INSTEAD} { display: none }
@media print {
  @page { margin: 0 }
  html, body { height: auto !important; overflow: visible !important }
  body > * { display: none !important }
  body > .${PRINTED} { display: block !important }
  .${PRINTED} img { display: block; width: 100%; height: 100vh; object-fit: contain; break-after: page }
  body > .${INSTEAD} { display: block !important; padding: 3cm; font-size: 14pt }
  body:has(> .${PRINTED}) > .${INSTEAD} { display: none !important }
}`;

/** Keeps the screen off the printer where pages are pictures: they are printed by the button, or not at all. */
export function OnPaper({ mayPrint }: { mayPrint: boolean }) {
  return createPortal(
    <div className={INSTEAD}>
      <style>{CSS}</style>
      {mayPrint
        ? 'Press Print above the pages, and they are printed one on a sheet.'
        : 'Whoever sent this document did not allow it to be printed.'}
    </div>,
    document.body,
  );
}
