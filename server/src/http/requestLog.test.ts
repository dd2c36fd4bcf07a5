import express from 'express';
import type { AddressInfo } from 'node:net';
import { requestLog, withoutSecrets } from './requestLog.ts';

const TOKEN = 'Aa1_-Bb2'.repeat(6).slice(0, 43);

test('of an address neither tokens nor what is asked is written down', () => {
  expect(withoutSecrets(`/s/${TOKEN}`)).toBe('/s/:token');
  expect(withoutSecrets(`/api/links/${TOKEN}/pages/3?width=800&title=Zones`)).toBe(
    '/api/links/:token/pages/3',
  );
  expect(withoutSecrets(`/x/${'f'.repeat(64)}.pdf`)).toBe('/x/:token.pdf');
  expect(withoutSecrets('/api/health')).toBe('/api/health');
});

test('a request is written down when it is over, with nothing of who asked', async () => {
  const lines: Record<string, unknown>[] = [];
  const app = express();
  app.use(requestLog({ info: (line: object) => lines.push({ ...line }) }));
  app.get('/s/:token', (_req, res) => res.status(410).send('gone'));
  const server = app.listen(0);
  const { port } = server.address() as AddressInfo;
  await fetch(`http://localhost:${port}/s/${TOKEN}?name=Ilka`, {
    headers: { cookie: 'visit=secret', authorization: 'Bearer key', 'link-password': 'wrack' },
  });
  await new Promise((resolve) => server.close(resolve));
  expect(lines).toEqual([
    { method: 'GET', path: '/s/:token', status: 410, ms: expect.any(Number), whole: true },
  ]);
});
