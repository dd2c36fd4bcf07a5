import { type Handing, LEFT, notLeft } from './handing';

/** Whether the browser shows PDFs by itself, and so prints them. */
export const canPrint = (): boolean => navigator.pdfViewerEnabled === true;

const NOT_PRINTED = 'The browser could not print it. Download it and print it from there.';

/** The one frame that is printed from; the next one takes its place. The dialog may still read it when it has come up. */
let frame: HTMLIFrameElement | null = null;

/** The system's dialog for printing a PDF. */
export const printDialog: Handing = {
  shownAt: null,
  async hand(pdf) {
    const address = URL.createObjectURL(pdf);
    if (frame) {
      URL.revokeObjectURL(frame.src);
      frame.remove();
    }
    const own = document.createElement('iframe');
    frame = own;
    own.title = 'What is printed';
    // There, and seen by nobody: a browser does not print what is not laid out.
    own.style.cssText = 'position:fixed;right:0;bottom:0;width:1px;height:1px;border:0;opacity:0';
    own.tabIndex = -1;
    own.ariaHidden = 'true';
    try {
      await new Promise<void>((resolve, reject) => {
        own.onload = () => resolve();
        own.onerror = () => reject(new Error('not loaded'));
        own.src = address;
        document.body.append(own);
      });
      own.contentWindow?.focus();
      own.contentWindow?.print();
      return LEFT;
    } catch (e) {
      console.warn('Not printed.', e);
      return notLeft(NOT_PRINTED);
    }
  },
};
