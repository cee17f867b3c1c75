/**
 * The core reads no clock: `new Date()` with nothing in it does. (`Date.now` and chance are kept out by no-restricted-properties.)
 */
export default {
  meta: { name: 'core' },
  rules: {
    'no-clock': {
      create: (context) => ({
        NewExpression(node) {
          if (node.callee.name === 'Date' && node.arguments.length === 0)
            context.report({ node, message: 'Pass the time in.' });
        },
      }),
    },
  },
};
