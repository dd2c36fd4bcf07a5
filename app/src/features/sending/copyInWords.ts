import type { FixedCopy, LivingCopy } from '@marginalis/core/pdf';
import { pagesInWords, sizeInWords } from '@/ui';

const MOST_NAMED = 5;

/** The first few of many, and how many more there are. */
const fewOf = (names: readonly string[]): readonly string[] =>
  names.length <= MOST_NAMED
    ? names
    : [...names.slice(0, MOST_NAMED), `and ${names.length - MOST_NAMED} more`];

/** What pictures of so many pages have become, in words. */
export const picturesInWords = (pages: number, size: number): string =>
  `Ready: ${pages === 1 ? '1 picture' : `${pages} pictures in a ZIP file`}, ${sizeInWords(size)}.`;

/** How large a copy is, and how large it would be with its pictures as they are. */
function sizesInWords({ bytes, smaller }: FixedCopy | LivingCopy): string {
  const now = sizeInWords(bytes.length);
  if (!smaller) return now;
  const before = sizeInWords(bytes.length + smaller.saved);
  return before === now
    ? `${now}; it has nothing that could be made smaller`
    : `${now} instead of ${before}`;
}

/** What a copy has become, in words. */
export function copyInWords(copy: FixedCopy | LivingCopy): string {
  const pages = pagesInWords(copy.pages);
  const ready = `Ready: ${pages}, ${sizesInWords(copy)}.`;
  const locked = [
    copy.encryptionLost && 'The original is encrypted; this copy is not.',
    copy.pdfALost && 'The original is PDF/A; nothing that is protected can be.',
  ];
  const left =
    copy.printLeft.length > 0 &&
    `These words could not be taken out of the print: ${fewOf(copy.printLeft).join('; ')}.`;
  const { redacted, picturesLost } = copy;
  const gone = [
    redacted && 'What lies beneath the bars is not in it.',
    redacted && redacted.attachments > 0 && 'Nor are attached files, which are not looked through.',
    picturesLost > 0 &&
      `${picturesLost === 1 ? 'A picture of which a part was to go' : `${picturesLost} pictures of which parts were to go`} could not be read, and went whole.`,
  ];
  const without = gone.filter(Boolean).join(' ');
  if ('addedTo' in copy) {
    const { annotations, addedTo } = copy;
    const count = annotations === 1 ? '1 annotation' : `${annotations} annotations`;
    const kept = addedTo ? 'The original stands in it unchanged.' : '';
    return [ready, `${count} added.`, kept, left, without, ...locked].filter(Boolean).join(' ');
  }
  const dropped = [...new Set(copy.annotationsDropped)];
  const lost = fewOf([...new Set(copy.linksDropped)]);
  const said = [
    ready,
    copy.annotationsDrawn > 0 &&
      `${copy.annotationsDrawn} annotations of the original were drawn in.`,
    dropped.length > 0 && `Left out, since they show nothing on the page: ${dropped.join(', ')}.`,
    ...locked,
    left,
    without,
    lost.length > 0 && `Links that do not work in the copy: ${lost.join(', ')}.`,
    copy.linksDead > 0 &&
      `${copy.linksDead === 1 ? 'A link leads' : `${copy.linksDead} links lead`} to what is not in the copy, and ${copy.linksDead === 1 ? 'does' : 'do'} nothing in it.`,
    copy.formDamaged &&
      'Its form is damaged: fields that bring no picture of their own are missing.',
  ];
  return said.filter(Boolean).join(' ');
}
