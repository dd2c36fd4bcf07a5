/** Characters that file systems refuse, that cannot be seen, or that turn the direction of what follows. */
const REFUSED =
  /[\\/:*?"<>|\u0000-\u001f\u007f-\u009f\u00ad\u200b-\u200f\u2028-\u202e\u2060-\u206f\ufeff\ufff9-\ufffb]/g;
const MOST_LETTERS = 150;

/** A title, or a name somebody else gave, as the beginning of a file's name that every system takes; '' where nothing is left. */
export const fileStem = (text: string, mostLetters = MOST_LETTERS): string =>
  [...text.normalize('NFC').replace(REFUSED, ' ').replace(/\s+/g, ' ')]
    .slice(0, mostLetters)
    .join('')
    .replace(/^[\s.]+|[\s.]+$/g, '');

/** The name a PDF is served under, whatever it was called: it says what the file is, and nothing else. */
export const pdfFileName = (name: string): string =>
  `${fileStem(name.replace(/\.pdf\s*$/i, '')) || 'Document'}.pdf`;
