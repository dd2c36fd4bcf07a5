import { startWork } from '@/work';
import { mailFile } from './mail';
import { firstMail } from './mailTerms';

jest.mock('@/remote', () => ({
  ServerError: class extends Error {},
  sendMail: jest.fn(),
}));

jest.mock('@/work', () => ({ startWork: jest.fn() }));

const mail = firstMail('Tide log');

const file = new File(['%PDF-'], 'Tide log – marked.pdf', { type: 'application/pdf' });
const bytes = Uint8Array.from([37, 80, 68, 70, 45]);
// jsdom's files cannot be read so.
Object.defineProperty(file, 'arrayBuffer', { value: async () => bytes.buffer });

test('a mail for a mail program is named as the copy is, and carries it', async () => {
  (startWork as jest.Mock).mockReturnValue({ result: Promise.resolve({ ok: true, value: 'X' }) });
  const made = await mailFile({ ...mail, to: 'teo@shore.example' }, file);
  expect(made).toMatchObject({ name: 'Tide log – marked.eml', type: 'message/rfc822', size: 1 });
  expect(startWork).toHaveBeenCalledWith('writeMail', {
    mail: {
      to: ['teo@shore.example'],
      subject: 'Tide log',
      text: mail.text,
      attachment: { name: file.name, type: 'application/pdf', bytes },
    },
    at: expect.any(Number),
    unique: expect.stringMatching(/^[0-9a-f-]{36}$/),
  });
});

test('where it cannot be written, that is said', async () => {
  const failure = { kind: 'failed', message: 'There is no room.' };
  (startWork as jest.Mock).mockReturnValue({ result: Promise.resolve({ ok: false, failure }) });
  expect(await mailFile(mail, file)).toBe('There is no room.');
});
