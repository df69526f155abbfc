const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

// The component library takes along the names of all seven thousand icons. Ours are few, and drawn by our own set (src/look/icon.tsx).
const FULL_SET = 'glyphmaps/MaterialCommunityIcons.json';
const OWN_SET = path.join(__dirname, 'src', 'look', 'icon-glyphs.json');
config.resolver.resolveRequest = (context, name, platform) =>
  name.endsWith(FULL_SET) ? { type: 'sourceFile', filePath: OWN_SET } : context.resolveRequest(context, name, platform);

module.exports = config;
