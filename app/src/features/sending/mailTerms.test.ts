import { firstMail, troubleOf } from './mailTerms';

const mail = firstMail('Tide log');

test.each([
  ['no address, for a mail program', {}, null],
  ['no address, from here', { by: 'server' as const }, 'Write an address.'],
  ['no subject', { subject: '  ' }, 'Write a subject.'],
  ['addresses however they are set apart', { to: ' a@b.example; c@d.example\ne@f.example,' }, null],
  ['what is no address', { to: 'a@b.example, teo' }, '“teo” is no e-mail address.'],
  [
    'too many',
    { to: Array.from({ length: 21 }, (_, k) => `a${k}@b.example`).join(' ') },
    'A mail goes to at most 20 addresses.',
  ],
])('%s', (_what, part, trouble) => {
  expect(troubleOf({ ...mail, ...part })).toBe(trouble);
});
