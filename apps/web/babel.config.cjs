module.exports = function (api) {
  const isBuild = api.env('production');
  return {
    presets: [['babel-preset-expo', { worklets: false, reanimated: false }]],
    plugins: isBuild ? [require('./bundler/directImports.cjs')] : [],
    // A module of the lazy chunk is evaluated when its export is first read.
    overrides: [
      {
        test: (file) => file !== undefined && file.endsWith('/routes/screens.ts'),
        plugins: [['@babel/plugin-transform-modules-commonjs', { lazy: () => true }]],
      },
    ],
  };
};
