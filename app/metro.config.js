const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

/** Paper asks for an icon font, of 1.3 MB with a map of its own, that nothing here uses: all icons are drawn by ui/icons. */
const ICON_FONT = /^(@react-native-vector-icons\/|@expo\/vector-icons|react-native-vector-icons)/;

/**
 * What sets equations calls its own parts by names that lead into other packages; the bundler wants such names to begin with "./", and reads none of them
 * where one does not.
 */
const EQUATIONS = [
  [/^#default-font\//, '@mathjax/mathjax-newcm-font/js/'],
  [/^#mhchem\//, 'mhchemparser/esm/'],
  [/^@mathjax\/(src|mathjax-newcm-font|mathjax-mhchem-font-extension)\/js\//, '@mathjax/$1/mjs/'],
];
const resolved = (name) => EQUATIONS.reduce((known, [from, to]) => known.replace(from, to), name);

const resolve = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) =>
  ICON_FONT.test(name)
    ? { type: 'empty' }
    : (resolve ?? context.resolveRequest)(context, resolved(name), platform);

module.exports = config;
