const path = require('node:path');

// Packages that ship ES modules only: jest 29 runs CommonJS, so babel turns them.
const ESM =
  'marked|d3-[a-z-]+|internmap|delaunator|robust-predicates|color|color-string|color-convert|color-name|@electric-sql/pglite|openid-client|oauth4webapi|jose';

const nodeProject = (name) => ({
  displayName: name,
  rootDir: path.join(__dirname, name),
  testEnvironment: 'node',
  transform: { '\\.[cm]?[jt]sx?$': ['babel-jest', { configFile: path.join(__dirname, 'babel.node.cjs') }] },
  transformIgnorePatterns: [`/node_modules/(?!(${ESM})/)`],
  moduleNameMapper: { '^@toplens/core/(.*)$': path.join(__dirname, 'core/src/$1/index.ts') },
});

// watchPlugins is not valid inside a project.
const { watchPlugins: _unused, ...web } = require('jest-expo/web/jest-preset');

module.exports = {
  testTimeout: 180_000,
  projects: [
    nodeProject('core'),
    nodeProject('server'),
    nodeProject('scenario'),
    { ...nodeProject('snippet'), testEnvironment: 'jsdom' },
    nodeProject('phone'),
    nodeProject('probes'),
    nodeProject('watch'),
    nodeProject('bench'),
    nodeProject('e2e'),
    {
      ...web,
      displayName: 'app',
      rootDir: path.join(__dirname, 'app'),
      setupFiles: [...web.setupFiles, '<rootDir>/jest.setup.js'],
      moduleNameMapper: {
        ...web.moduleNameMapper,
        '^@/(.*)$': '<rootDir>/src/$1',
        '^@toplens/core/(.*)$': path.join(__dirname, 'core/src/$1/index.ts'),
      },
      transform: {
        ...web.transform,
        '\\.mjs$': Object.values(web.transform).find((entry) => entry[0] === 'babel-jest'),
      },
      transformIgnorePatterns: [
        `/node_modules/(?!((jest-)?react-native|@react-native|expo|@expo|@expo-google-fonts|react-navigation|@react-navigation|standard-navigation|${ESM})[^/]*/)`,
        '/node_modules/react-native-reanimated/plugin/',
        '/node_modules/@react-native/babel-preset/',
      ],
    },
  ],
};
