module.exports = {
  babelrc: false,
  compact: false,
  presets: ['@babel/preset-typescript'],
  plugins: ['@babel/plugin-transform-dynamic-import', '@babel/plugin-transform-modules-commonjs'],
};
