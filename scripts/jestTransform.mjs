// TypeScript to modules for Jest. In Jest's vm every bare `Math` or `Float64Array` is looked up through an interceptor, which makes sums up to ten times
// slower than they are; each module gets them as constants of its own instead, on the line of its first statement so that line numbers stay.
import swc from '@swc/jest';

const NAMES = [
  'Math',
  'Number',
  'Object',
  'Array',
  'Map',
  'Set',
  'Float64Array',
  'Float32Array',
  'Int32Array',
  'Uint32Array',
  'Uint8Array',
  'Infinity',
  'NaN',
  'JSON',
  'String',
  'Symbol',
];
const HEAD = `const { ${NAMES.join(', ')} } = globalThis;`;

const inner = swc.createTransformer({
  module: { type: 'es6' },
  jsc: {
    target: 'es2022',
    parser: { syntax: 'typescript', tsx: true },
    transform: { react: { runtime: 'automatic' } },
  },
});
const withHead = (result) => ({ ...result, code: HEAD + result.code });
export default {
  canInstrument: inner.canInstrument,
  process: (...asked) => withHead(inner.process(...asked)),
  processAsync: async (...asked) => withHead(await inner.processAsync(...asked)),
  getCacheKey: (...asked) => `${HEAD.length}${inner.getCacheKey(...asked)}`,
};
