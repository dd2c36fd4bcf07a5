import {
  demoListSchema,
  linkCreatedSchema,
  linkRequestSchema,
  sharedDocumentSchema,
  TOKEN_PATTERN,
} from './index.ts';

const request = { fileName: 'Rock-pool zones – marked.pdf', title: 'Rock-pool zones', days: '7' };

test('a request from an address’s query is read, its days as a number', () => {
  expect(linkRequestSchema.validateSync(request)).toEqual({
    ...request,
    days: 7,
    message: '',
    access: 'file',
    ...{ asksName: false, mayPrint: false, mayCopy: false, mayAnswer: false },
  });
  const looked = { ...request, access: 'pictures', asksName: 'true', mayPrint: 'false' };
  expect(linkRequestSchema.validateSync(looked)).toMatchObject({ asksName: true, mayPrint: false });
  expect(() => linkRequestSchema.validateSync({ ...request, access: 'everything' })).toThrow();
});

test.each([
  ['a lifetime that is not offered', { ...request, days: '365' }],
  ['no title', { ...request, title: '   ' }],
  ['an endless name', { ...request, fileName: 'x'.repeat(201) }],
  ['nothing', {}],
])('%s is refused', (_what, value) => {
  expect(() => linkRequestSchema.validateSync(value)).toThrow();
});

test('a token is 43 characters of base64url and nothing else', () => {
  const token = 'A1_-'.repeat(11).slice(0, 43);
  expect(TOKEN_PATTERN.test(token)).toBe(true);
  for (const wrong of [token.slice(1), `${token}x`, token.replace('_', '/'), `${token}\n`])
    expect(TOKEN_PATTERN.test(wrong)).toBe(false);
  expect(linkCreatedSchema.isValidSync({ token, ownerKey: token, expiresAt: 5 })).toBe(true);
  expect(linkCreatedSchema.isValidSync({ token: '../x', ownerKey: token, expiresAt: 5 })).toBe(
    false,
  );
});

test('what a server says of a document and of its samples is checked before it is believed', () => {
  expect(
    sharedDocumentSchema.isValidSync({ title: 'a', fileName: 'b.pdf', size: 3, expiresAt: 9 }),
  ).toBe(true);
  expect(sharedDocumentSchema.isValidSync({ title: 'a' })).toBe(false);
  const sample = { file: 'tide-log.pdf', title: 'Tide log', onDesk: true };
  expect(demoListSchema.isValidSync([sample])).toBe(true);
  expect(demoListSchema.isValidSync([{ ...sample, file: '../../secret.pdf' }])).toBe(false);
  expect(demoListSchema.isValidSync({ file: 'x' })).toBe(false);
});
