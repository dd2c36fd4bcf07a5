/** The table of docs/architecture.md, one rule a row: which room may import which. */

const UP_TO_DOCUMENT = [
  'graphics',
  'geometry',
  'ink',
  'print',
  'figures',
  'type',
  'drawing',
  'equations',
  'paper',
  'marks',
  'kinds',
  'document',
];

const CORE = {
  geometry: [],
  ink: ['geometry'],
  print: ['geometry'],
  xml: [],
  graphics: ['geometry', 'xml'],
  equations: ['geometry', 'graphics'],
  figures: ['geometry', 'ink'],
  type: ['geometry', 'equations'],
  drawing: ['geometry', 'type', 'equations'],
  canvas: ['geometry', 'type', 'drawing'],
  paper: ['geometry', 'drawing'],
  marks: ['geometry', 'ink', 'figures', 'type'],
  kinds: [
    'geometry',
    'ink',
    'figures',
    'type',
    'drawing',
    'print',
    'graphics',
    'equations',
    'marks',
  ],
  document: ['geometry', 'marks', 'kinds', 'paper'],
  pictures: ['geometry'],
  photographed: ['geometry'],
  stamps: ['geometry', 'figures', 'type', 'marks', 'kinds'],
  drawer: ['geometry', 'marks', 'kinds', 'document', 'derived', 'editing', 'stamps'],
  fields: ['geometry', 'marks', 'kinds', 'document', 'derived'],
  pdfium: ['geometry', 'print', 'marks', 'kinds', 'document'],
  about: ['geometry'],
  margin: ['geometry'],
  guide: ['geometry', 'print', 'marks', 'kinds', 'document'],
  links: ['geometry', 'print', 'drawing', 'document', 'guide'],
  derived: [...UP_TO_DOCUMENT],
  editing: [...UP_TO_DOCUMENT, 'derived'],
  edition: [...UP_TO_DOCUMENT, 'derived', 'fields'],
  history: ['document'],
  journal: ['document', 'history', 'marks', 'kinds'],
  formats: [...UP_TO_DOCUMENT, 'derived', 'annotations', 'pictures', 'xml'],
  csv: [],
  tasks: ['geometry', 'document', 'derived', 'csv'],
  leaving: ['geometry', 'marks', 'kinds', 'document', 'guide', 'derived', 'csv'],
  copy: [...UP_TO_DOCUMENT, 'derived', 'margin'],
  annotations: [...UP_TO_DOCUMENT, 'derived'],
  pdf: [...UP_TO_DOCUMENT, 'derived', 'copy', 'annotations', 'pictures', 'fields', 'links'],
  proof: [...UP_TO_DOCUMENT, 'derived', 'canvas', 'pdfium', 'copy', 'links'],
  wire: ['marks', 'document', 'journal'],
};

const coreRules = Object.entries(CORE).map(([room, others]) => ({
  name: `core-${room}`,
  comment: `core/${room} may use ${others.join(', ') || 'no other room'}`,
  severity: 'error',
  from: { path: `^core/src/${room}/`, pathNot: '\\.test\\.ts$' },
  to: { path: '^core/src/', pathNot: [room, ...others].map((r) => `^core/src/${r}/`) },
}));

/** Rooms of the app and what of the product each may import beside itself. */
const APP = {
  ui: [],
  storage: [],
  work: [],
  remote: [],
  stage: ['ui', 'work'],
  session: ['storage', 'work', 'remote'],
  shell: ['session', 'stage', 'ui'],
  features: ['shell', 'session', 'storage', 'stage', 'remote', 'work', 'ui'],
  app: ['features', 'shell', 'session', 'remote', 'ui'],
};

const appRules = Object.entries(APP).map(([room, others]) => ({
  name: `app-${room}`,
  comment: `app/src/${room} may use ${others.join(', ') || 'no other room'} and core`,
  severity: 'error',
  from: { path: `^app/src/${room}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^app/src/', pathNot: [room, ...others].map((r) => `^app/src/${r}/`) },
}));

module.exports = {
  forbidden: [
    ...coreRules,
    ...appRules,
    {
      name: 'core-by-the-front-door',
      comment: 'A room of core is entered by its index.ts only',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/[^/]+/', pathNot: ['^core/src/$1/', '^core/src/[^/]+/index\\.ts$'] },
    },
    {
      name: 'app-by-the-front-door',
      comment: 'A room of the app is entered by its index only',
      severity: 'error',
      from: { path: '^app/src/([^/]+)/', pathNot: '\\.test\\.tsx?$' },
      to: {
        path: '^app/src/(ui|storage|work|remote|stage|session|shell)/',
        pathNot: ['^app/src/$1/', '^app/src/[^/]+/index\\.ts$'],
      },
    },
    {
      name: 'features-apart',
      comment: 'A feature never imports another; what two need moves to session, stage or ui',
      severity: 'error',
      from: { path: '^app/src/features/([^/]+)/' },
      to: { path: '^app/src/features/', pathNot: '^app/src/features/$1/' },
    },
    {
      name: 'core-knows-no-platform',
      comment:
        'Only yup, in core/pdf the PDF library, in core/xml an XML parser, in core/derived a box index in core/type what sets text, in core/equations what sets equations and in core/pictures what reads heads of pictures and hashes; no React, DOM or Node',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '\\.test\\.ts$' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'npm-peer', 'core', 'unknown', 'undetermined'],
        pathNot: [
          'node_modules/yup/',
          'node_modules/@cantoo/pdf-lib/',
          'node_modules/@xmldom/xmldom/',
          'node_modules/flatbush/',
          'node_modules/@cantoo/fontkit/',
          'node_modules/bidi-js/',
          'node_modules/linebreak/',
          'node_modules/image-size/',
          'node_modules/@noble/hashes/',
          'node_modules/@mathjax/',
          'node_modules/svgpath/',
          'node_modules/color-string/',
        ],
      },
    },
    {
      name: 'kinds-apart',
      comment: 'A kind never uses another kind; a figure may be made of ink',
      severity: 'error',
      from: { path: '^core/src/kinds/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^core/src/kinds/[^/]+/',
        pathNot: ['^core/src/kinds/$1/', '^core/src/kinds/ink/index\\.ts$'],
      },
    },
    {
      name: 'a-kind-by-the-front-door',
      severity: 'error',
      from: { path: '^core/src/kinds/[^/]+\\.ts$', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/kinds/[^/]+/', pathNot: 'index\\.ts$' },
    },
    {
      name: 'font-library-in-one-room',
      severity: 'error',
      from: { path: '^(core|app|server|cli)/', pathNot: ['^core/src/type/', '\\.test\\.tsx?$'] },
      to: { path: 'node_modules/(@cantoo/fontkit|bidi-js|linebreak)/' },
    },
    {
      name: 'equation-library-in-one-room',
      comment:
        'What sets equations is large: it stands in a worker, and whatever is shown comes from what was set',
      severity: 'error',
      from: {
        path: '^(core|app|server|cli)/',
        pathNot: [
          '^core/src/equations/',
          '^app/src/work/equation\\.worker\\.ts$',
          '\\.test\\.tsx?$',
        ],
      },
      to: { path: ['node_modules/@mathjax/', '^core/src/equations/setEquation'] },
    },
    {
      name: 'pdf-library-in-one-room',
      severity: 'error',
      from: { path: '^(core|app|server)/src/', pathNot: ['^core/src/pdf/', '\\.test\\.ts$'] },
      to: { path: 'node_modules/@cantoo/pdf-lib/' },
    },
    {
      name: 'server-from-core',
      comment:
        'The server knows core/wire, core/pdf and core/document, and what pages are drawn and read by',
      severity: 'error',
      from: { path: '^server/src/', pathNot: '\\.test\\.ts$' },
      to: {
        path: ['^core/src/', '^app/src/'],
        pathNot: '^core/src/(wire|pdf|document|pdfium|print)/index\\.ts$',
      },
    },
    {
      name: 'command-line-from-core',
      comment: 'The command line knows core only',
      severity: 'error',
      from: { path: '^cli/', pathNot: '\\.test\\.ts$' },
      to: {
        path: ['^app/', '^server/', '^core/'],
        pathNot: ['^core/src/[^/]+/index\\.ts$', '^core/src/type/typesetter\\.ts$'],
      },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'nothing-unresolved',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true },
    },
    {
      name: 'no-orphans',
      severity: 'error',
      from: {
        orphan: true,
        pathNot: ['\\.d\\.ts$', '\\.test\\.tsx?$', '^app/src/app/', '^cli/main', '\\.worker\\.ts$'],
      },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.rules.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.jsx', '.mjs', '.json'],
    },
  },
};
