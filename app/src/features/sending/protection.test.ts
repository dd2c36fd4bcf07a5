import { canProtect, firstProtection, protectionOf, troubleOfProtection } from './protection';

const terms = { ...firstProtection(undefined), on: true };

test('a copy is protected where it leaves as a file, and something is asked for', () => {
  expect(canProtect('fixed', 'download')).toBe(true);
  expect(canProtect('living', 'mail')).toBe(true);
  expect(canProtect('fixed', 'link')).toBe(false);
  expect(canProtect('fixed', 'print')).toBe(false);
  expect(canProtect('pictures', 'download')).toBe(false);
  expect(protectionOf(firstProtection('kelp'))).toBeNull();
  expect(troubleOfProtection(firstProtection(undefined))).toBeNull();
});

test('nothing asked for, or a password nobody could tell from another, is said', () => {
  expect(troubleOfProtection(terms)).toMatch(/^Set a password/);
  expect(protectionOf(terms)).toBeNull();
  expect(troubleOfProtection({ ...terms, password: 'ü'.repeat(64) })).toMatch(/too long/);
  expect(troubleOfProtection({ ...terms, mayChange: false })).toBeNull();
});

test('nobody is told what lifts the limits; without limits there is one password', () => {
  const password = 'Ebbe u\u0308ber Flut';
  const whole = protectionOf({ ...terms, password });
  expect(whole).toMatchObject({ password: 'Ebbe über Flut', ownerPassword: 'Ebbe über Flut' });
  expect(whole).not.toHaveProperty('on');
  const limited = protectionOf({ ...terms, password, mayPrint: false });
  expect(limited?.ownerPassword).not.toBe(limited?.password);
  expect(protectionOf({ ...terms, mayPrint: false })?.ownerPassword).not.toBe('');
});
