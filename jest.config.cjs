const path = require('node:path');

/** TypeScript as the bundler reads it, for Node. */
const transform = {
  '\\.[jt]sx?$': [
    'babel-jest',
    {
      configFile: false,
      presets: [['babel-preset-expo', { reanimated: false, worklets: false }]],
      caller: { name: 'metro', bundler: 'metro', platform: 'web' },
    },
  ],
};
const core = {
  // What sets text is apart from its room's front door: its libraries are large.
  '^@marginalis/core/typesetter$': path.join(__dirname, 'core/src/type/typesetter.ts'),
  '^@marginalis/core/equation-parts$': path.join(__dirname, 'core/src/equations/parts.ts'),
  '^@marginalis/core/equation-setter$': path.join(__dirname, 'core/src/equations/setEquation.ts'),
  '^@marginalis/core/([^/]+)$': path.join(__dirname, 'core/src/$1/index.ts'),
};
/** Tests run in a context of their own, where every look at a global goes a long way round: what counts in loops is handed in. */
const fast = { sandboxInjectedGlobals: ['Math', 'Number', 'Array', 'Infinity'] };
const node = {
  ...fast,
  testEnvironment: 'node',
  modulePathIgnorePatterns: ['<rootDir>/.cache/'],
  transform,
  moduleNameMapper: core,
  transformIgnorePatterns: [
    '/node_modules/(?!(@marginalis|yup|@embedpdf|jsts|flatbush|flatqueue)/)',
  ],
};

/** What the preset leaves untransformed, but for a package that is only there as modules. */
const [packages, ...others] = require('jest-expo/web/jest-preset').transformIgnorePatterns;
const appIgnores = [packages.replace('(?!(', '(?!(flatbush|flatqueue|'), ...others];

module.exports = {
  // Two cores shared with other work: a test that takes one second alone has taken eight.
  testTimeout: 30_000,
  projects: [
    {
      ...node,
      displayName: 'core',
      rootDir: __dirname,
      testMatch: ['<rootDir>/core/src/**/*.test.ts'],
      setupFiles: ['<rootDir>/core/testing/properties.cjs'],
    },
    {
      ...node,
      displayName: 'server',
      rootDir: __dirname,
      testMatch: ['<rootDir>/{server/src,demo,cli}/**/*.test.ts'],
    },
    {
      ...node,
      displayName: 'references',
      rootDir: __dirname,
      testMatch: ['<rootDir>/{references,bench}/**/*.test.ts'],
    },
    {
      displayName: 'app',
      preset: 'jest-expo/web',
      ...fast,
      transformIgnorePatterns: appIgnores,
      rootDir: path.join(__dirname, 'app'),
      testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}'],
      setupFiles: ['<rootDir>/jest.setup.cjs'],
      moduleNameMapper: {
        ...core,
        '^@/(.*)$': '<rootDir>/src/$1',
        '\\.ttf$': '<rootDir>/jest.font.cjs',
      },
    },
  ],
};
