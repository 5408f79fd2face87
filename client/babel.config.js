/** What fields of documents are is told to readers of their schema; pages need not fetch it. */
const withoutDescriptions = () => ({
  visitor: {
    CallExpression(call) {
      const { callee, arguments: given } = call.node;
      const [told] = given;
      const isMeta = callee.type === 'MemberExpression' && callee.property.name === 'meta';
      if (!isMeta || given.length !== 1 || told.type !== 'ObjectExpression') return;
      if (told.properties.every(({ key }) => key?.name === 'description')) call.replaceWith(callee.object);
    },
  },
});

module.exports = function config(api) {
  api.cache.using(() => process.env.NODE_ENV);
  return {
    presets: ['babel-preset-expo'],
    // Metro does not shake trees: take single parts of Paper instead of its barrel
    env: { production: { plugins: ['react-native-paper/babel', withoutDescriptions] } },
  };
};
