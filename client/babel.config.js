module.exports = function config(api) {
  api.cache.using(() => process.env.NODE_ENV);
  return {
    presets: ['babel-preset-expo'],
    // Metro does not shake trees: take single parts of Paper instead of its barrel
    env: { production: { plugins: ['react-native-paper/babel'] } },
  };
};
