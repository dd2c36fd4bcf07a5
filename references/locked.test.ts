import { readFileSync } from 'node:fs';
import {
  inspectPdf,
  makeFixedCopy,
  makeLivingCopy,
  openLivingCopy,
  type Protection,
} from '@marginalis/core/pdf';
import { deflate, markedCopy } from './support/markedCopy';
import {
  complaintOfQpdf,
  complaintsOfMupdf,
  infoOf,
  lockedByQpdf,
  lockOf,
  objectsOf,
  pictureBy,
  textOf,
  unlocked,
} from './support/programs';
import { differingShare } from './support/pictures';
import { READER_NAMES, type ReaderName } from './support/readers';

/**
 * Copies with a password, as qpdf and six readers open them (ISO 32000-2 7.6: AES-256, revision 6), and copies of what
 * qpdf has locked in the ways of three decades.
 */

jest.setTimeout(300_000);

const ALL = process.env.REFERENCES === 'all';
const ASKED: readonly ReaderName[] = ALL ? READER_NAMES : ['poppler, Splash', 'MuPDF', 'PDFium'];
const PASSWORD = 'Ebbe über Flut 7';
const WHO: Protection = {
  ...{ password: PASSWORD, ownerPassword: 'nobody is told', mayPrint: false },
  ...{ mayCopy: false, mayChange: true },
};
const SHA = 'a'.repeat(64);
const source = (name = 'rock-pool-zones'): Uint8Array =>
  new Uint8Array(readFileSync(`demo/documents/${name}.pdf`));

test('qpdf tells AES-256 and the permissions asked for; what is in the copy is what is in one that is not locked', async () => {
  const bytes = source();
  const { document, copy: open } = await markedCopy(bytes);
  const copy = await makeFixedCopy(bytes, document, { deflate, protection: WHO });
  const told = lockOf(copy.bytes, PASSWORD);
  expect(told).toMatch(/^R = 6$/m);
  for (const method of ['stream', 'string', 'file'])
    expect(told).toContain(`${method} encryption method: AESv3`);
  expect(told).toContain('print high resolution: not allowed');
  expect(told).toContain('print low resolution: not allowed');
  expect(told).toContain('extract for any purpose: not allowed');
  expect(told).toContain('extract for accessibility: allowed');
  expect(told).toContain('modify annotations: allowed');
  expect(told).toContain('modify other: allowed');
  const opened = unlocked(copy.bytes, PASSWORD);
  expect(complaintOfQpdf(opened)).toBeNull();
  expect(complaintsOfMupdf(copy.bytes, PASSWORD)).toEqual(complaintsOfMupdf(open.bytes));
  // Strings of the catalogue, which stands by itself, are locked too.
  const language = /"\/Lang": "(.*)"/;
  expect(language.exec(objectsOf(opened))?.[1]).toBe(language.exec(objectsOf(bytes))?.[1]);
  expect(language.exec(objectsOf(bytes))?.[1]).toMatch(/en$/);
  expect(Buffer.from(copy.bytes).toString('latin1')).not.toContain('/Lang (en');
  expect(textOf(opened)).toBe(textOf(open.bytes));
  expect(infoOf(opened).split('\n').slice(0, 3)).toEqual(
    infoOf(open.bytes).split('\n').slice(0, 3),
  );
  expect(() => unlocked(copy.bytes, 'Flut')).toThrow('invalid password');
});

test.each(ASKED)(
  '%s draws a locked copy with its password only, as one that is not locked',
  async (reader) => {
    const bytes = source();
    const { document, copy: open } = await markedCopy(bytes);
    const fixed = await makeFixedCopy(bytes, document, { deflate, protection: WHO });
    const sources = [{ sha: SHA, bytes }];
    const living = await makeLivingCopy(sources, document, { deflate, madeAt: 0, protection: WHO });
    const wanted = await pictureBy(reader, open.bytes, 1, 72);
    const drawn = await pictureBy(reader, fixed.bytes, 1, 72, PASSWORD);
    expect(differingShare(wanted, drawn)).toBe(0);
    expect(
      differingShare(wanted, await pictureBy(reader, living.bytes, 1, 72, PASSWORD)),
    ).toBeLessThan(0.02);
    await expect(pictureBy(reader, fixed.bytes, 1, 72)).rejects.toThrow();
    await expect(pictureBy(reader, fixed.bytes, 1, 72, 'Flut')).rejects.toThrow();
  },
);

/** Ways to lock that qpdf knows; the old ones are read by every program still, and some are sent still. */
const LOCKS: readonly (readonly [name: string, how: readonly string[]])[] = [
  ['AES-256', ['256']],
  ['AES-128', ['128', '--use-aes=y']],
  ['RC4, 128 bits', ['128', '--use-aes=n', '--allow-weak-crypto']],
  ['RC4, 40 bits', ['40', '--allow-weak-crypto']],
];

test.each(ALL ? LOCKS : LOCKS.slice(0, 2))(
  'what qpdf has locked with %s is copied whole, open or locked anew',
  async (_, how) => {
    const bytes = source('handbook');
    const weak = how.includes('--allow-weak-crypto');
    const options = how.filter((one) => one !== '--allow-weak-crypto');
    for (const streams of ['disable', 'generate']) {
      const locked = lockedByQpdf(bytes, 'kelp', options, [
        `--object-streams=${streams}`,
        ...(weak ? ['--allow-weak-crypto'] : []),
      ]);
      const { document, copy } = await markedCopy(locked, undefined, 'kelp');
      const plain = await markedCopy(bytes);
      expect(copy.encryptionLost).toBe(true);
      expect(complaintOfQpdf(copy.bytes)).toBeNull();
      expect(textOf(copy.bytes)).toBe(textOf(plain.copy.bytes));
      const facts = (of: Uint8Array) =>
        infoOf(of)
          .split('\n')
          .filter((line) => /^(Title|Author|Subject|Pages|Tagged)/.test(line));
      expect(facts(copy.bytes)).toEqual(facts(plain.copy.bytes));
      const anew = await makeFixedCopy(locked, document, {
        deflate,
        password: 'kelp',
        protection: WHO,
      });
      expect(anew.encryptionLost).toBe(false);
      expect(textOf(unlocked(anew.bytes, PASSWORD))).toBe(textOf(copy.bytes));
    }
  },
);

test('a locked living copy that qpdf has written anew opens with every mark, and its source stays locked', async () => {
  const bytes = source();
  const { document } = await markedCopy(bytes);
  const sources = [{ sha: SHA, bytes }];
  const copy = await makeLivingCopy(sources, document, { deflate, madeAt: 0, protection: WHO });
  for (const one of [copy.bytes, unlocked(copy.bytes, PASSWORD)]) {
    const isLocked = one === copy.bytes;
    const opened = await openLivingCopy(one, 1, isLocked ? PASSWORD : undefined);
    expect(opened?.parts.filter(({ part }) => part === 'mark')).toHaveLength(6);
    const within = opened?.source ?? new Uint8Array();
    const clear = isLocked ? unlocked(within, PASSWORD) : within;
    expect(textOf(clear)).toBe(textOf(bytes));
    expect((await inspectPdf(within, isLocked ? PASSWORD : undefined)).pages).toHaveLength(2);
  }
});
