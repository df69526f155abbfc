module.exports = {
  babelrc: false,
  compact: false,
  // What a room exports through its index is copied once: a getter on each call makes the computation twice as slow.
  assumptions: { constantReexports: true },
  presets: ['@babel/preset-typescript'],
  plugins: ['@babel/plugin-transform-dynamic-import', '@babel/plugin-transform-modules-commonjs'],
};
