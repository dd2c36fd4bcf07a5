/** What the bundler puts in place of `import.meta`, which it defines on pages but not in workers. */
const scope = globalThis as { __ExpoImportMetaRegistry?: { readonly url: string } };
scope.__ExpoImportMetaRegistry ??= { url: self.location.href };

export {};
