const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

/** Paper asks for an icon font, of 1.3 MB with a map of its own, that nothing here uses: all icons are drawn by ui/icons. */
const ICON_FONT = /^(@react-native-vector-icons\/|@expo\/vector-icons|react-native-vector-icons)/;
const resolve = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) =>
  ICON_FONT.test(name)
    ? { type: 'empty' }
    : (resolve ?? context.resolveRequest)(context, name, platform);

module.exports = config;
