/** Whether the browser shows PDFs by itself, and so prints them. */
export const canPrint = (): boolean => navigator.pdfViewerEnabled === true;

const NOT_PRINTED = 'The browser could not print it. Download it and print it from there.';

/** The one frame that is printed from; the next one takes its place. The dialog may still read it when it has come up. */
let frame: HTMLIFrameElement | null = null;

/** Opens the system's dialog for printing a PDF. What went wrong, in words; null when the dialog was there. */
export async function printPdf(bytes: Uint8Array): Promise<string | null> {
  const address = URL.createObjectURL(
    new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/pdf' }),
  );
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
    return null;
  } catch (e) {
    console.warn('Not printed.', e);
    return NOT_PRINTED;
  }
}
