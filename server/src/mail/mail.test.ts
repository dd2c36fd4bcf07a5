import { readdir, readFile, writeFile } from 'node:fs/promises';
import { createServer, type Server, type Socket, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { MOST_MAIL_BYTES } from '@marginalis/core/wire';
import { PDF, Standing } from '../../testing/standing.ts';
import { serviceMailer } from './serviceMailer.ts';

const on = new Standing();
beforeEach(() => on.open());
afterEach(() => on.close());

const SAYS = {
  to: ['ines@shore.example', 'teo@shore.example'],
  subject: 'Zones – corrected',
  text: 'Dear Teo,\n<b>look</b> at zone 3.',
};

interface Sent {
  readonly says?: unknown;
  readonly file?: Blob | string | null;
  readonly name?: string;
}
function send({ says = SAYS, file = pdf(), name = 'Zones – marked.pdf' }: Sent = {}) {
  const parts = new FormData();
  parts.set('mail', typeof says === 'string' ? says : JSON.stringify(says));
  if (file instanceof Blob) parts.set('file', file, name);
  else if (file !== null) parts.set('file', file);
  return fetch(`${on.base}/api/mail`, { method: 'POST', body: parts });
}
const pdf = (bytes: Buffer = PDF): Blob =>
  new Blob([new Uint8Array(bytes)], { type: 'application/pdf' });

test('a mail is composed in full, kept, and shown on a page, and nothing of it is taken for markup', async () => {
  expect((await send()).status).toBe(204);
  const [entry] = await on.outbox.list();
  expect(entry).toMatchObject({ ...SAYS, attached: 'Zones – marked.pdf', size: PDF.length });
  const mail = (await on.outbox.read(entry.id))?.toString('latin1') ?? '';
  expect(mail).toMatch(/^From: Marginalis <outbox@marginalis\.invalid>\r$/m);
  expect(mail).toContain('To: ines@shore.example, teo@shore.example');
  expect(mail).toContain(PDF.toString('base64').slice(0, 40));
  const page = await fetch(`${on.base}/stand-ins/outbox`);
  const html = await page.text();
  expect(html).toContain('Zones – corrected');
  expect(html).toContain('&#60;b&#62;look');
  expect(html).not.toContain('<b>');
  expect(html).not.toContain('<script');
  const whole = await fetch(`${on.base}/stand-ins/outbox/${entry.id}.eml`);
  expect(whole.headers.get('content-type')).toBe('message/rfc822');
  expect(whole.headers.get('content-disposition')).toMatch(/^attachment/);
  expect(await on.status('/stand-ins/outbox/..%2f..%2fapp%2findex.html.eml')).toBe(404);
});

test.each([
  ['no address', { says: { ...SAYS, to: [] } }],
  ['what is no address', { says: { ...SAYS, to: ['teo'] } }],
  ['a header put into an address', { says: { ...SAYS, to: ['a@b.example\r\nBcc: c@d.example'] } }],
  [
    'too many addresses',
    { says: { ...SAYS, to: Array.from({ length: 21 }, (_, k) => `a${k}@b.example`) } },
  ],
  ['no subject', { says: { ...SAYS, subject: ' ' } }],
  ['what it does not know', { says: { ...SAYS, from: 'head@school.example' } }],
  ['no JSON', { says: '{' }],
  ['no file', { file: null }],
  ['a text for a file', { file: 'PDF' }],
  ['a program for a file', { file: new Blob(['x'], { type: 'application/x-msdownload' }) }],
])('a mail with %s is refused in words, and nothing is kept', async (_what, sent) => {
  const answer = await send(sent);
  expect(answer.status).toBe(400);
  expect(((await answer.json()) as { message: string }).message).toMatch(
    /^The mail cannot be sent: /,
  );
  expect(await on.outbox.list()).toEqual([]);
  expect(on.reported).toEqual([]);
});

test('what does not come in parts, or in parts that cannot be read, is refused', async () => {
  const post = (type: string, body: string) =>
    on.status('/api/mail', { method: 'POST', headers: { 'content-type': type }, body });
  expect(await post('application/json', '{}')).toBe(400);
  expect(await post('multipart/form-data; boundary=x', 'no parts')).toBe(400);
  expect(await post('multipart/form-data', 'no boundary')).toBe(400);
});

test('a file is called what it is, whatever somebody calls it, and one too large is refused', async () => {
  await send({ name: '../../zones.exe' });
  expect((await on.outbox.list())[0].attached).toBe('zones.pdf');
  const large = await send({ file: pdf(Buffer.alloc(MOST_MAIL_BYTES + 1)) });
  expect(large.status).toBe(413);
  expect(await on.outbox.list()).toHaveLength(1);
});

test('the outbox keeps the last fifty, the last first, and passes over what it did not write', async () => {
  for (let k = 0; k < 52; k++) {
    await send({ says: { ...SAYS, subject: `Mail ${k}` } });
    on.now += 1000;
  }
  const folder = join(on.folder, 'outbox');
  await writeFile(join(folder, 'notes.json'), '{}');
  await writeFile(join(folder, `${'9'.repeat(16)}-${'0'.repeat(36)}.json`), '{');
  const mails = await on.outbox.list();
  expect(mails.map(({ subject }) => subject).slice(0, 2)).toEqual(['Mail 51', 'Mail 50']);
  expect(mails).toHaveLength(50);
  expect((await readdir(folder)).filter((name) => name.endsWith('.eml'))).toHaveLength(50);
});

test('a server says how it sends mail; one that does not, refuses', async () => {
  const way = async () => (await fetch(`${on.base}/api/mail`)).json();
  expect(await way()).toEqual({ by: 'outbox' });
  await on.restart({ mailer: null });
  expect(await way()).toEqual({ by: null });
  expect((await send()).status).toBe(404);
});

/** A mail service that takes what comes, or refuses it. */
async function service(
  refuses: boolean,
): Promise<{ port: number; said: string[]; server: Server }> {
  const said: string[] = [];
  const server = createServer((socket: Socket) => {
    let isData = false;
    const tell = (line: string): boolean => socket.write(`${line}\r\n`);
    tell('220 ready');
    socket.on('data', (piece) => {
      const text = piece.toString('latin1');
      said.push(text);
      if (isData) {
        if (text.endsWith('\r\n.\r\n')) {
          isData = false;
          tell('250 taken');
        }
        return;
      }
      if (/^RCPT/i.test(text) && refuses) tell('550 nobody of that name');
      else if (/^DATA/i.test(text)) {
        isData = true;
        tell('354 go on');
      } else tell('250 well');
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return { port: (server.address() as AddressInfo).port, said, server };
}

test('a real service gets the mail by SMTP, from the address that is set', async () => {
  const { port, said, server } = await service(false);
  await on.restart({ mailer: serviceMailer(`smtp://127.0.0.1:${port}`, 'station@shore.example') });
  expect((await send()).status).toBe(204);
  const all = said.join('');
  expect(all).toMatch(/MAIL FROM:<station@shore\.example>/);
  expect(all).toMatch(/RCPT TO:<teo@shore\.example>/);
  expect(all).toContain(PDF.toString('base64').slice(0, 40));
  server.close();
});

test('a service that refuses, or is not there, is said to have', async () => {
  const { port, server } = await service(true);
  await on.restart({ mailer: serviceMailer(`smtp://127.0.0.1:${port}`, 'station@shore.example') });
  const answer = await send();
  expect(answer.status).toBe(502);
  expect(await answer.json()).toEqual({ message: expect.stringMatching(/did not take the mail/) });
  server.close();
  await on.restart({ mailer: serviceMailer('smtp://127.0.0.1:1', 'a@b.example', 2000) });
  expect((await send()).status).toBe(502);
  expect(() => serviceMailer('https://mail.example', 'a@b.example')).toThrow(RangeError);
});

test('what is kept of a mail is what it says, and no more', async () => {
  await send();
  const [name] = (await readdir(join(on.folder, 'outbox'))).filter((n) => n.endsWith('.json'));
  const record = JSON.parse(await readFile(join(on.folder, 'outbox', name), 'utf8')) as object;
  expect(Object.keys(record).sort()).toEqual(['at', 'attached', 'size', 'subject', 'text', 'to']);
});
