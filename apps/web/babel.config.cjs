module.exports = function (api) {
  const isBuild = api.env('production');
  return {
    presets: [['babel-preset-expo', { worklets: false, reanimated: false }]],
    plugins: isBuild ? [require('./lean/fromTheFile.cjs')] : [],
  };
};
