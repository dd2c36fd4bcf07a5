import { execFileSync } from 'node:child_process';
import { writeMail } from '@marginalis/core/formats';
import fc from 'fast-check';

/*
 * Mail that is written as a file (RFC 5322, MIME), read by another library: `email` of Python's standard library.
 */

interface Read {
  readonly to: string;
  readonly subject: string;
  readonly date: string;
  readonly text: string;
  readonly name: string;
  readonly type: string;
  readonly bytes: string;
  readonly defects: readonly string[];
  readonly longest: number;
}

const READ = `
import sys, json, base64
from email import policy, message_from_bytes
out = []
for one in json.load(sys.stdin):
    raw = one.encode('ascii')
    m = message_from_bytes(raw, policy=policy.default)
    text, file = m.iter_parts()
    defects = [repr(d) for p in m.walk() for d in p.defects]
    defects += [repr(d) for p in m.walk() for h in p.values() for d in getattr(h, 'defects', [])]
    out.append(dict(to=str(m['to'] or ''), subject=str(m['subject']), date=m['date'].datetime.isoformat(), text=text.get_content().replace('\\r\\n', '\\n'), name=file.get_filename(), type=file.get_content_type(), bytes=base64.b64encode(file.get_content()).decode(), defects=defects, longest=max(len(l) for l in raw.split(b'\\r\\n'))))
json.dump(out, sys.stdout)
`;

const read = (mails: readonly string[]): Read[] =>
  JSON.parse(
    execFileSync('python3', ['-c', READ], {
      input: JSON.stringify(mails),
      encoding: 'utf8',
      maxBuffer: 1 << 28,
    }),
  ) as Read[];

const AT = Date.UTC(2031, 3, 5, 6, 7, 8);
const attachment = {
  name: 'Gezeiten – Übersicht, Blatt 3 (潮位) “neu”.pdf',
  type: 'application/pdf',
  bytes: Uint8Array.from({ length: 10_000 }, (_, k) => (k * k) % 251),
};

test('another library reads the same message', () => {
  const mail = {
    to: ['ines@shore.example', 'teo@shore.example'],
    subject: 'Rock-pool zones – corrected, with a subject that is longer than any line may be 🦀',
    text: 'Dear Teo,\n\nplease look at zone 3.\r\n“Barnacles” – 潮.\n',
    attachment,
  };
  const [got] = read([writeMail(mail, AT, 'a1b2c3')]);
  expect(got).toEqual({
    to: 'ines@shore.example, teo@shore.example',
    subject: mail.subject,
    date: '2031-04-05T06:07:08+00:00',
    text: mail.text.replace(/\r\n/g, '\n'),
    name: attachment.name,
    type: 'application/pdf',
    bytes: Buffer.from(attachment.bytes).toString('base64'),
    defects: [],
    longest: expect.any(Number),
  });
  expect(got.longest).toBeLessThanOrEqual(78);
});

test('whatever the subject and the name are, they come back, and no header is broken in two', () => {
  const told = fc.sample(
    fc.record({
      subject: fc.string({ unit: 'binary', minLength: 1, maxLength: 120 }),
      name: fc.string({ unit: 'grapheme', minLength: 1, maxLength: 150 }),
      text: fc.string({ unit: 'grapheme', maxLength: 300 }),
    }),
    { numRuns: 200, seed: 15 },
  );
  told.push({ subject: 'Tide\r\nBcc: all@shore.example', name: 'a"; x="b.pdf', text: '.\r\n.' });
  const mails = told.map(({ subject, name, text }, k) =>
    writeMail(
      { to: [], subject, text, attachment: { ...attachment, name, bytes: new Uint8Array(k) } },
      AT,
      `${k}`,
    ),
  );
  // Letters of a line are one blank; a header has no blanks at its ends.
  const plain = (text: string): string => text.replace(/[\x00-\x1f\x7f]+/g, ' ').trim();
  read(mails).forEach((got, k) => {
    expect(got.subject.trim()).toBe(plain(told[k].subject));
    expect(got.name.trim()).toBe(plain(told[k].name));
    expect(got.text.trimEnd()).toBe(told[k].text.replace(/\r\n?/g, '\n').trimEnd());
    expect(got.to).toBe('');
    expect(got.longest).toBeLessThanOrEqual(78);
  });
});
