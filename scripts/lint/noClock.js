/**
 * The core reads no clock: `new Date()` with nothing in it does. (`Date.now` and chance are kept out by no-restricted-properties.)
 */
export default {
  meta: { name: 'core' },
  rules: {
    'no-clock': {
      /** @param {{ report: (of: { node: object, message: string }) => void }} context */
      create: (context) => ({
        /** @param {{ callee: { name?: string }, arguments: object[] }} node */
        NewExpression(node) {
          if (node.callee.name === 'Date' && node.arguments.length === 0)
            context.report({ node, message: 'Pass the time in.' });
        },
      }),
    },
  },
};
