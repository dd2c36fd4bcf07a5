// What browsers have and jsdom lacks.
require('fake-indexeddb/auto');
const { structuredClone: clone } = globalThis;
const v8 = require('node:v8');
globalThis.structuredClone = clone ?? ((value) => v8.deserialize(v8.serialize(value)));
const { webcrypto } = require('node:crypto');
Object.defineProperty(globalThis, 'crypto', { value: webcrypto, configurable: true });
const { TextDecoder, TextEncoder } = require('node:util');
Object.assign(globalThis, { TextDecoder, TextEncoder });
