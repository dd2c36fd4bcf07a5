import fc from 'fast-check';
import { readAddress } from './address.ts';

const read = (typed: string): string => {
  const said = readAddress(typed);
  return said.ok ? said.address : said.why === 'scheme' ? `scheme ${said.scheme}` : said.why;
};

test.each([
  ['https://tides.example/harbour?day=3#low', 'https://tides.example/harbour?day=3#low'],
  ['HTTP://tides.example', 'HTTP://tides.example'],
  ['tides.example', 'https://tides.example'],
  ['  www.tides.example/a b', 'damaged'],
  ['tides.example:8080/log', 'https://tides.example:8080/log'],
  ['localhost:3000', 'https://localhost:3000'],
  ['http://localhost:3000', 'http://localhost:3000'],
  ['//tides.example', 'https://tides.example'],
  ['warden@station.example', 'mailto:warden@station.example'],
  ['mailto:warden@station.example?subject=Tides', 'mailto:warden@station.example?subject=Tides'],
  ['MAILTO:warden@station.example', 'mailto:warden@station.example'],
  ['mailto:nobody', 'damaged'],
  ['', 'empty'],
  ['   ', 'empty'],
  ['tides', 'damaged'],
  ['https://', 'damaged'],
  ['https:tides.example', 'damaged'],
  ['javascript:alert(1)', 'scheme javascript'],
  ['data:text/html,hello', 'scheme data'],
  ['file:///etc/hosts', 'scheme file'],
  ['ftp://tides.example', 'scheme ftp'],
  ['java\tscript:alert(1)', 'damaged'],
  [`https://tides.example/${'a'.repeat(5000)}`, 'damaged'],
])('%j is read as %j', (typed, meant) => {
  expect(read(typed)).toBe(meant);
});

test('whatever is typed, no other scheme comes of it', () => {
  const scheme = fc.stringMatching(/^[a-zA-Z][a-zA-Z0-9+.-]{0,12}$/);
  const typed = fc.oneof(
    fc.string(),
    fc.tuple(scheme, fc.string()).map(([before, after]) => `${before}:${after}`),
    fc.webUrl(),
    fc.emailAddress(),
  );
  fc.assert(
    fc.property(typed, (text) => {
      const said = readAddress(text);
      if (!said.ok) return;
      expect(said.address).toMatch(/^(https?:\/\/|mailto:)/i);
      expect(said.address).not.toMatch(/[\s\p{Cc}]/u);
    }),
  );
  fc.assert(fc.property(fc.webUrl(), (url) => expect(read(url)).toBe(url)));
});
